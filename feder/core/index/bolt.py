"""A bolt adjuster on the lever of a longitudinal bar: degrees and height for each turn, and the turns wanted."""

from dataclasses import dataclass

from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.document.vehicle import BoltAdjuster
from feder.core.evaluate.evaluate import evaluate, evaluate_plain
from feder.core.index.adjusters import at_adjusters, set_free
from feder.core.quantities import Length, Radian, Turns
from feder.core.report import Figure
from feder.core.working import formula, given, tracing

LEVER = "the bolt pushes the lever's end by its lead each turn; small angle of a lever at right angles to it"


@formula(result="angle_per_turn", source=LEVER)
def angle_of_turn(bolt_lead: Length, bolt_lever: Length) -> Radian:
    """Angle of the bar's chassis end for one turn of its bolt."""
    return bolt_lead / bolt_lever


@formula(result="turns", source="angle wanted over the angle of one turn")
def turns_for_angle(free_angle_change: Radian, angle_per_turn: Radian) -> Turns:
    """Turns of the bolt for a change of the free angle, body up positive."""
    return free_angle_change / angle_per_turn


@dataclass(slots=True)
class BoltAnswer:
    """Turns wanted (tighter, body up, positive), what one turn does to angle and height."""

    turns: Figure
    angle_per_turn: Figure
    height_per_turn: Figure | None = None


def bolt_answer(document: Document, setup: str, place: Place, bolt: BoltAdjuster, change: Figure) -> BoltAnswer:
    """The bolt's turns for a change of the free angle at a corner, and the height one turn gives there."""
    at = f"vehicle.ends.{place.end}.arm.bolt"
    with tracing():
        lead = given(bolt.lead, "lead of the bolt", "m", path=f"{at}.lead", source="typed in")
        lever = given(bolt.lever, "lever of the bolt", "m", path=f"{at}.lever", source="typed in")
        one = angle_of_turn(lead, lever)
        wanted = given(float(change.value), "free angle wanted", "rad", source="height asked for")
        turns = turns_for_angle(wanted, one)
    made = BoltAnswer(Figure(float(turns), "turn", change.assumed), Figure(float(one), "rad"))
    now = evaluate(document, setup).corners[place]
    if now.free_angle is None or now.hub_to_arch is None:
        return made
    document = at_adjusters(document, setup, evaluate_plain(document, setup))
    heights = []
    for by in (-0.5, 0.5):
        free = float(now.free_angle.value) + by * float(one)
        moved = set_free(document, setup, {place: free})
        hub = evaluate_plain(moved, setup).corners[place].hub_to_arch
        if hub is None:
            return made
        heights.append(float(hub.value))
    made.height_per_turn = Figure(heights[1] - heights[0], "m", now.hub_to_arch.assumed)
    return made
