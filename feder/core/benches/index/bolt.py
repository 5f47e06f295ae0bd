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
    """Turns wanted (tighter, body up, positive), what one turn does to angle and height.

    `height_per_turn` is of this side's bolt alone, `height_of_both` with the other side's turned by as much.
    """

    turns: Figure
    angle_per_turn: Figure
    height_per_turn: Figure | None = None
    height_of_both: Figure | None = None


def bolt_answer(
    document: Document, setup: str, place: Place, change: Figure, load_state: str | None = None
) -> BoltAnswer:
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
    other = evaluate(document, setup).corners[place.mirror].free_angle
    own, rise = float(now.free_angle.value), []
    for both in (False, True):
        heights = []
        for by in (-0.5 * float(one), 0.5 * float(one)):
            free = {place: own + by}
            if both and other is not None:
                free[place.mirror] = float(other.value) + by
            hub = evaluate_plain(set_free(document, setup, free), setup, load_state).corners[place].hub_to_arch
            if hub is None:
                return made
            heights.append(float(hub.value))
        rise.append(Figure(heights[1] - heights[0], "m", now.hub_to_arch.assumed))
    made.height_per_turn, made.height_of_both = rise
    return made
