"""The sag of a two-wheeler's end: as read, as it will be, and what preload, pressure and spring should be."""

from math import cos

from feder.core.document.brief import Brief, Pair
from feder.core.document.cursor import Cursor, number, root
from feder.core.document.setup import SpringPart
from feder.core.formulas.height import collar_between, past_thread, turns_of
from feder.core.formulas.pushes import load_on_spring
from feder.core.formulas.sag import (
    WIDE,
    friction_as_force,
    judged,
    load_between,
    pressure_for_sag,
    rate_between_sags,
    rate_of_one,
    tube_of_wheel,
)
from feder.core.formulas.wheel_heights import sag_height_of
from feder.core.practice.thresholds import GAUGE_STEP, RULE_STEP
from feder.core.report.figures.corner import held_at_droop
from feder.core.report.figures.wanted import edges, wanted
from feder.core.report.shapes import CornerReport, Figure, SagReport, figure
from feder.core.standing.corner import StandingCorner
from feder.core.standing.one_end import height_under, set_for_load
from feder.core.standing.pushes import push_at
from feder.core.standing.sag_readings import SagReads, rake_read_along
from feder.core.standing.springing.kinds import springing
from feder.core.standing.weighed import carried_by_spring


def sag_report(
    alone: StandingCorner,
    found: StandingCorner,
    corner: CornerReport,
    found_rate: Figure | None,
    ridden: CornerReport | None,
    ridden_load: float | None,
    brief: Brief,
    *,
    as_read: bool = True,
) -> SagReport:
    """Sags, loads and the answers of one end.

    `alone` is the end in this setup without rider; `found` the same as found, where the sags were read, and
    `found_rate` its wheel rate; `ridden` the figures with the rider, `ridden_load` the load on the springs then.
    `as_read` says that this load is the rider whose sags were read, so that the readings tell it.
    """
    end = alone.facts.end
    reads, droop = end.sags, end.droop
    travel = None if corner.travel_in_all is None else float(corner.travel_in_all.value)
    rake = rake_read_along(end.at, alone.facts.place)
    factor = 1.0 if rake is None else cos(rake)
    rider_band = brief.sag_band(end.name, "rider", travel, factor)
    free_band = brief.sag_band(end.name, "free", travel, factor)
    made = SagReport(place=alone.facts.place, read_factor=factor, travel=corner.travel_in_all, free_sag=corner.sag)
    if ridden is not None:
        made.rider_sag, made.rider_fraction = ridden.sag, ridden.sag_fraction
    made.free_fraction = corner.sag_fraction
    targets = root(alone.at).brief.targets
    made.rider_low, made.rider_high = _band(targets[f"{end.name}_rider_sag"], rider_band, "rider sag wanted")
    made.free_low, made.free_high = _band(targets[f"{end.name}_free_sag"], free_band, "free sag wanted")
    made.free_read, made.free_friction, made.free_friction_force = _read(reads, "bike", droop, found_rate)
    made.rider_read, made.rider_friction, made.rider_friction_force = _read(reads, "rider", droop, found_rate)
    made.preload = figure(held_at_droop(alone), "m")
    loads = _loads(found, ridden_load, as_read=as_read)
    made.bike_load, made.ridden_load = (figure(v, "N") for v in loads)
    made.bike_told = figure(found.load, "N")
    if loads[0] is not None and loads[1] is not None:
        made.rider_load = figure(load_between(loads[1], loads[0]), "N")
    if droop is not None and rider_band is not None and loads[0] is not None and loads[1] is not None:
        _answer(made, alone, found, (loads[0], loads[1]), brief, (rider_band, free_band or WIDE))
    if made.wanted_pressure is None and rider_band is not None:
        _by_pressure_alone(made, stood=alone, found=found, brief=brief, band=rider_band)
    made.free_read_along, made.rider_read_along = (
        along_as_read(made.free_read, rake),
        along_as_read(made.rider_read, rake),
    )
    made.free_sag_along, made.rider_sag_along = (
        along_as_read(made.free_sag, rake),
        along_as_read(made.rider_sag, rake),
    )
    made.free_then_along, made.target_along = along_as_read(made.free_then, rake), along_as_read(made.target, rake)
    made.rider_low_along, made.rider_high_along = (
        along_as_read(made.rider_low, rake),
        along_as_read(made.rider_high, rake),
    )
    made.free_low_along, made.free_high_along = (
        along_as_read(made.free_low, rake),
        along_as_read(made.free_high, rake),
    )
    made.free_friction_along = along_as_read(made.free_friction, rake)
    made.rider_friction_along = along_as_read(made.rider_friction, rake)
    return made


def _band(at: Cursor, band: Pair | None, label: str) -> tuple[Figure | None, Figure | None]:
    """Both edges of a band of the brief as figures."""
    if band is None:
        return None, None
    low, high = (figure(wanted(place, v, label, "m"), "m") for place, v in zip(edges(at), band, strict=True))
    return low, high


def along_as_read(known: Figure | None, rake: float | None) -> Figure | None:
    """A sag as it is read: along the tube of a fork that is read so, or the same as at the wheel."""
    if known is None:
        return None
    return figure(known.value if rake is None else tube_of_wheel(known.value, rake), "m")


def _read(
    reads: SagReads, state: str, droop: float | None, found_rate: Figure | None
) -> tuple[Figure | None, Figure | None, Figure | None]:
    """Sag as read in a state, its friction, and that as a force at the wheel."""
    height, friction = reads.of(state), reads.frictions.get(state)
    sag = None if height is None or droop is None else figure(sag_height_of(droop, height), "m")
    if friction is None or droop is None:
        return sag, None, None
    force = None
    if found_rate is not None and found_rate.value > 0:
        force = figure(friction_as_force(friction, found_rate.value), "N")
    return sag, figure(friction, "m"), force


def _loads(
    found: StandingCorner, ridden_load: float | None, *, as_read: bool
) -> tuple[float | None, float | None]:
    """Loads on the springs, bike alone and with rider: of the sags as read, or of scales and load state."""
    reads = found.facts.end.sags
    rider = reads.of("rider") if as_read else None
    ridden = None if rider is None else carried_by_spring(found, rider)
    return found.load, ridden_load if ridden is None else ridden


def _answer(
    made: SagReport,
    stood: StandingCorner,
    found: StandingCorner,
    loads: tuple[float, float],
    brief: Brief,
    bands: tuple[Pair, Pair],
) -> None:
    """Adjuster for the rider sag wanted, free sag then, and what both say of the spring."""
    end = stood.facts.end
    assert end.droop is not None
    targets = root(stood.at).brief.targets
    aim = brief.sag_wanted(end.name, bands[0], made.read_factor)
    at = targets[f"{end.name}_rider_wanted"] or targets[f"{end.name}_rider_sag"]
    target = wanted(at, aim, f"{end.name} rider sag wanted", "m")
    made.target = figure(target, "m")
    set_for = set_for_load(stood, loads[1], sag_height_of(end.droop, target), springing(stood))
    if set_for is None:
        return
    setting = set_for.pressure if stood.air is not None else set_for.collar
    if setting is None:
        return
    made.set_so = _set_so(stood, float(setting))
    if stood.air is not None:
        made.wanted_pressure = figure(setting, "Pa")
    else:
        made.wanted_collar = figure(setting, "m")
        now = found.collar
        if now is not None:
            move = collar_between(setting, now)
            made.wanted_move = figure(move, "m")
            seat = stood.side.seat or found.side.seat
            if seat is not None and seat.pitch:
                made.wanted_turns = figure(turns_of(move, seat.pitch), "turn")
            made.collar_told = found.side.collar is not None
            if seat is not None and seat.thread is not None and made.collar_told:
                made.off_thread = abs(past_thread(setting, seat.thread)) > 1e-9
        made.wanted_preload = figure(held_at_droop(set_for), "m")
    hub = height_under(set_for, loads[0], springing(set_for))
    if hub is None:
        return
    free = sag_height_of(end.droop, hub)
    made.free_then = figure(free, "m")
    middle = sum(bands[0]) / 2  # rider sag is then as wanted: free sag judges the spring
    made.verdict = judged(middle, float(free), bands)
    if isinstance(stood.side.spring, SpringPart) and bands[1] is not WIDE:
        _rate(made, stood, loads, float(target), sum(bands[1]) / 2)


def _by_pressure_alone(
    made: SagReport, *, stood: StandingCorner, found: StandingCorner, brief: Brief, band: Pair
) -> None:
    """Pressure for the rider sag wanted, of an air spring of which only pressure and sag were read; marked."""
    unknown = found.side.spring is None and stood.side.spring is None
    if not unknown or found.side.pressure is None or made.rider_read is None or made.rider_read.value <= 0:
        return
    place, targets = stood.facts.place, root(stood.at).brief.targets
    aim = brief.sag_wanted(place.end, band, made.read_factor)
    at = targets[f"{place.end}_rider_wanted"] or targets[f"{place.end}_rider_sag"]
    target = wanted(at, aim, f"{place.end} rider sag wanted", "m")
    untold = "by pump gauge; chambers not told, its force taken to go with pressure and sag"
    read = number(found.at.pressure, f"{place.words} pressure as found", source=untold, assumed=True)
    made.target = figure(target, "m")
    made.wanted_pressure = figure(pressure_for_sag(read, made.rider_read.value, target), "Pa")
    made.set_so = _set_pressure(stood, float(made.wanted_pressure.value)) if made.wanted_pressure else False


def _set_pressure(stood: StandingCorner, setting: float) -> bool:
    side = stood.side
    return side.set_by == "pressure" and side.pressure is not None and abs(side.pressure - setting) <= GAUGE_STEP


def _set_so(stood: StandingCorner, setting: float) -> bool:
    """Whether a corner is set to a collar or pressure, as near as a rule or a gauge shows."""
    side = stood.side
    if stood.air is not None:
        return _set_pressure(stood, setting)
    return (
        side.set_by == "collar" and side.collar is not None and abs(side.collar - setting) <= RULE_STEP / 2 + 1e-9
    )


def _rate(made: SagReport, stood: StandingCorner, loads: tuple[float, float], rider: float, free: float) -> None:
    """The spring rate that gives rider and free sag in the middle of what is wanted, each spring of the end."""
    end = stood.facts.end
    assert end.droop is not None
    if rider <= free or not end.spring.known:
        return
    targets = root(stood.at).brief.targets
    aim = wanted(targets[f"{end.name}_free_sag"], free, f"{end.name} free sag wanted", "m")
    aim_ridden = wanted(targets[f"{end.name}_rider_sag"], rider, f"{end.name} rider sag wanted", "m")
    low, high = sag_height_of(end.droop, aim_ridden), sag_height_of(end.droop, aim)
    ratios = end.spring.ratio(low), end.spring.ratio(high)
    travel = end.spring.travel(high, low)
    if not ratios[0] or not ratios[1] or travel <= 0:
        return
    parts = []
    for load, hub in ((loads[1], low), (loads[0], high)):
        push = push_at(stood, hub)
        parts.append(load if push is None else load_on_spring(load, push))
    rate = rate_between_sags(parts[0], ratios[0], parts[1], ratios[1], travel)
    if rate > 0:
        made.wanted_rate = figure(rate if end.legs == 1 else rate_of_one(rate, end.legs), "N/m")


Bands = tuple[Pair, Pair]


def bands_of(said: SagReport) -> Bands | None:
    """Rider and free sag wanted at a wheel; nothing where no rider sag is wanted, any free sag where none is."""
    if said.rider_low is None or said.rider_high is None:
        return None
    free = WIDE
    if said.free_low is not None and said.free_high is not None:
        free = (float(said.free_low.value), float(said.free_high.value))
    return (float(said.rider_low.value), float(said.rider_high.value)), free
