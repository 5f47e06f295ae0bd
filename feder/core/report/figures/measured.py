"""What was measured with a setup on the wheels, beside what was predicted of it."""

from feder.core.document.base import Place
from feder.core.document.cursor import number
from feder.core.document.setup import Setup
from feder.core.formulas.alignment import toe_at_rim
from feder.core.formulas.wheel_heights import sag_height_of
from feder.core.report.figures.sags import along_as_read
from feder.core.report.shapes import CornerReport, Figure, SagReport, figure
from feder.core.standing.facts import Facts
from feder.core.standing.readings import mean_of_readings
from feder.core.standing.sag_readings import SagReads, rake_read_along, sag_reads


def tell_measured(facts: Facts, setup: Setup, corners: dict[Place, CornerReport]) -> None:
    """Write into each corner the newest readings of the setup's rounds; as found they are the figures."""
    if not facts.document.survey_index(setup.id):
        return
    for place, corner in corners.items():

        def read(quantity: str, words: str, place: Place = place) -> float | None:
            survey = facts.document.survey_index(setup.id, quantity)
            if survey is None:
                return None
            return mean_of_readings(facts.at, survey, place, quantity, f"{place.words} {words}, as set down")

        hub = read("hub_to_arch", "hub to arch")
        corner.hub_measured = figure(hub, "m")
        corner.floor_measured = figure(read("floor_to_arch", "floor to arch"), "m")
        corner.mass_measured = figure(read("mass", "scale reading"), "kg")
        if hub is not None and corner.hub_to_arch is not None:
            corner.hub_off = figure(hub - corner.hub_to_arch.value, "m")

        _tell_read_out(facts, setup, place, corner)


def _tell_read_out(facts: Facts, setup: Setup, place: Place, corner: CornerReport) -> None:
    """Write the newest read-out of a wheel into its corner; toe read as an angle is led to its rim."""
    rim = facts.corners[place].end.end.tyre.rim_diameter
    for index in reversed(facts.document.rounds_of(setup.id)):
        wheels = facts.document.surveys[index].wheels
        at = next((i for i, w in enumerate(wheels) if w.place is place), None)
        if at is None:
            continue
        wheel, here = wheels[at], facts.at.surveys[index].wheels[at]
        for name in ("toe", "camber", "caster"):
            if getattr(wheel, name) is not None and getattr(corner, f"{name}_measured") is None:
                value = number(here[name], f"{place.words} {name}, read out", source="read out")
                setattr(corner, f"{name}_measured", figure(value, "m" if name == "toe" else "rad"))
        if wheel.toe_angle is not None and rim is not None and corner.toe_measured is None:
            angle = number(here.toe_angle, f"{place.words} toe, read out", source="read out")
            across = number(facts.ends[place.end].at.tyre.rim_diameter, f"{place.end} rim diameter")
            corner.toe_measured = figure(toe_at_rim(angle, across), "m")


def tell_measured_sags(facts: Facts, setup: str, sags: dict[Place, SagReport]) -> None:
    """Write into each end's sags those read with the setup on the wheels."""
    survey = facts.document.survey_index(setup)
    if not survey:
        return
    for place, made in sags.items():
        end = facts.ends[place.end]
        reads = sag_reads(facts.at, place, end.at, survey)
        top = reads.of("extended") or end.droop
        made.free_measured, made.rider_measured = (_sag(reads, top, s) for s in ("bike", "rider"))
        rake = rake_read_along(end.at, place)
        made.free_measured_along, made.rider_measured_along = (
            along_as_read(sag, rake) for sag in (made.free_measured, made.rider_measured)
        )


def _sag(reads: SagReads, top: float | None, state: str) -> Figure | None:
    height = reads.of(state)
    return None if height is None or top is None else figure(sag_height_of(top, height), "m")
