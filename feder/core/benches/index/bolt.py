"""A bolt adjuster on the lever of a longitudinal bar: degrees and height for each turn, and the turns wanted."""

from dataclasses import dataclass

from feder.core.benches.index.adjusters import at_adjusters, set_free
from feder.core.document.base import Place
from feder.core.document.cursor import cursor, number
from feder.core.document.document import Document
from feder.core.formulas.torsion import angle_of_turn, turns_for_angle
from feder.core.numbers.working import given, tracing
from feder.core.report.evaluate import evaluate, evaluate_plain
from feder.core.report.shapes import Figure


@dataclass(slots=True)
class BoltAnswer:
    """Turns wanted (tighter, body up, positive), what one turn does to angle and height."""

    turns: Figure
    angle_per_turn: Figure
    height_per_turn: Figure | None = None


def bolt_answer(document: Document, setup: str, place: Place, change: Figure) -> BoltAnswer:
    """The bolt's turns for a change of the free angle at a corner, and the height one turn gives there."""
    at = cursor(document).vehicle.ends[place.end].arm.bolt
    with tracing():
        lead, lever = number(at.lead, "lead of the bolt"), number(at.lever, "lever of the bolt")
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
