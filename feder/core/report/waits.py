"""What a bench still waits for, each with the station and the place on it where it is typed."""

from feder.core.document.base import Place
from feder.core.document.changes import put
from feder.core.document.setup import SpringPart
from feder.core.practice.usual import ASSUMED_RATIO
from feder.core.report.findings.case import Case
from feder.core.report.shapes import Asks, Mend, SagReport, Wait
from feder.core.standing.facts import EndFacts, side_of, spring_moved


def waits_of(case: Case) -> dict[str, list[Wait]]:
    """By bench: roll of a car; the verdict of each end of a two-wheeler."""
    if case.document.vehicle.kind == "car":
        rates = {f"rate {end}": _rate(case, places) for end, places in case.ends()}
        return {
            "roll": _roll(case),
            **rates,
            **{f"height {e}": _height(case, places) for e, places in case.ends()},
        }
    return {
        f"verdict {place.value}": _verdict(case, place, case.facts.ends[place.end], case.report.sags.get(place))
        for place in case.places
    }


def _rate(case: Case, places: tuple[Place, ...]) -> list[Wait]:
    """What wheel rate and frequency of an end follow from and is not told yet; its spring is chosen here."""
    lead = places[0]
    end, waits = case.stood.corners[lead].facts.end, []
    own = spring_moved(case.setup, lead.end)
    if any(case.facts.corners[p].mass is None for p in places):
        waits.append(Wait(words=f"the {lead.end} weights", station="survey", anchor="weights"))
    if end.unsprung_mass is None:
        waits.append(_geometry(f"the {lead.end} unsprung mass", "ratios"))
    if end.end.layout != "torsion arm" and not end.spring.known:
        waits.append(_ratio(end, own))
    return waits


def _ratio(end: EndFacts, own: bool) -> Wait:
    """The motion ratio of an end, or of what a setup has in its place; there is no usual one of a conversion."""
    if own:
        return _geometry(f"the {end.name} motion ratio in this setup", "ratios")
    return _geometry(f"the {end.name} motion ratio", "ratios").but(offer=_usual_ratio(end))


def _height(case: Case, places: tuple[Place, ...]) -> list[Wait]:
    """What an end's height follows from and is not told yet; nothing where it is known."""
    lead = places[0]
    if case.report.corners[lead].hub_to_arch is not None and case.stood.corners[lead].hub_to_arch is not None:
        return []
    end, found, now = (
        case.stood.corners[lead].facts.end,
        side_of(case.document.setups[0], lead).spring,
        case.side(lead).spring,
    )
    waits = []
    if case.facts.corners[lead].hub_to_arch is None:
        waits.append(Wait(words=f"hub to arch as found, {lead.words}", station="survey", anchor=""))
    if case.facts.corners[lead].mass is None:
        waits.append(Wait(words=f"the weight on {lead.words}", station="survey", anchor=""))
    if end.unsprung_mass is None:
        waits.append(_geometry(f"the {lead.end} unsprung mass", "ratios"))
    if end.end.layout != "torsion arm" and not end.spring.known:
        waits.append(_ratio(end, spring_moved(case.setup, lead.end)))
    if isinstance(now, SpringPart) and spring_moved(case.setup, lead.end):
        words = f"the {lead.end} seat length in this setup, or a height asked for"
        waits.append(Wait(words=words, station="height", anchor="settings"))
        if now.free_length is None:
            waits.append(Wait(words=f"the free length of {now.code}", station="springs", anchor=""))
    elif isinstance(now, SpringPart) and not case.is_found:
        if found is None:
            words = f"the {lead.end} spring as found: its rate and free length, or a quoted drop of the new one"
            waits.append(Wait(words=words, station="survey", anchor="as-found"))
        elif isinstance(found, SpringPart) and found.free_length is None and now != found:
            words = f"the free length of the {lead.end} spring as found"
            waits.append(Wait(words=words, station="survey", anchor="as-found"))
        if now.free_length is None and now.quoted_drop is None and now != found:
            waits.append(Wait(words=f"the free length or drop of {now.code}", station="springs", anchor=""))
    return waits


def _usual_ratio(end: EndFacts) -> Mend | None:
    """The usual ratio of a layout that has one."""
    usual = ASSUMED_RATIO.get(end.end.layout)
    if usual is None:
        return None
    change = put(["vehicle", "ends", end.name, "spring", "ratio"], {"kind": "assumed"})
    return Mend(
        text=f"take the usual {usual:.2f} of a {end.end.layout} at the {end.name}, marked ~", patch=[change]
    )


def _roll(case: Case) -> list[Wait]:
    waits = []
    if case.document.vehicle.sprung_cg_height is None:
        waits.append(_geometry("the height of the sprung centre of gravity", "roll"))
    for name in case.facts.ends:
        end = case.stood.corners[case.facts.places_at(name)[0]].facts.end
        if end.end.roll_centre is None:
            waits.append(_geometry(f"the {name} roll centre", f"limits-{name}"))
        if end.track is None:
            waits.append(_geometry(f"the {name} track", "ratios"))
        if end.end.layout == "live axle" and end.end.spring_base is None:
            waits.append(_geometry(f"the {name} spring base", "ratios"))
    return waits


def _geometry(words: str, anchor: str) -> Wait:
    return Wait(words=words, station="geometry", anchor=anchor)


def _verdict(case: Case, place: Place, end: EndFacts, said: SagReport | None) -> list[Wait]:
    """In the order in which they are told; the first is what to type next."""
    side, fork, bicycle = case.side(place), end.end.layout == "fork", case.document.vehicle.kind == "bicycle"
    air = case.stood.corners[place].air is not None
    asks: Asks
    waits = []
    if fork and end.end.fork is None:
        asked = "head angle, from the floor" if bicycle else "rake, from the vertical"
        waits.append(
            Wait(words="its rake, under Geometry", station="geometry", anchor="", asks="rake", label=asked)
        )
    if not fork and end.end.spring.ratio is None:
        words = "its leverage or motion ratio, under Geometry"
        waits.append(Wait(words=words, station="geometry", anchor="", asks="stroke"))
    by_gauge = said is not None and said.wanted_pressure is not None
    if side.spring is None and not by_gauge:
        asks = "pressure" if bicycle else "rate"
        words = (
            "its pressure, or its spring rate, under Survey"
            if bicycle
            else "its spring rate, or its air, under Survey"
        )
        waits.append(Wait(words=words, station="survey", anchor="as-found", asks=asks))
    if said is None or said.free_sag is None:
        waits.append(Wait(words="its readings, extended and bike alone", station="survey", anchor=""))
    elif said.rider_read is None and said.rider_sag is None:
        waits.append(Wait(words="its readings with the rider on", station="survey", anchor=""))
    if said is not None and said.rider_low is None:
        asks = "travel" if bicycle and end.end.travel is None else None
        waits.append(Wait(words="its travel, under Geometry", station="geometry", anchor="", asks=asks))
    if said is None or (said.wanted_collar is None and said.wanted_pressure is None):
        words = "its pressure, under Survey" if air else "its weight, or its preload, under Survey"
        waits.append(Wait(words=words, station="survey", anchor="as-found"))
    return waits
