"""Torsion bars turned again: the nearest pair of whole spline moves to what a height asks for."""

from dataclasses import dataclass, replace
from typing import Literal

from feder.core.benches.settle.knobs import Knob
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.document.setup import TorsionBarPart
from feder.core.formulas.splines import spline_moves
from feder.core.numbers.notes import collecting_notes
from feder.core.standing.facts import setup_of, side_of


@dataclass(frozen=True, slots=True)
class WholeMove:
    """A pair of moves in words for its side, and the angle it turns the plate by."""

    words: str
    angle: float


def whole_move(document: Document, setup: str, knob: Knob, move: float) -> WholeMove | None:
    """The pair of spline moves nearest to a turn of a plate; nothing where the splines are not known."""
    place, bar = knob.place, side_of(setup_of(document, setup), knob.place).spring
    arm = getattr(document.vehicle.ends, place.end).arm
    if (
        not isinstance(bar, TorsionBarPart)
        or bar.inner_splines is None
        or bar.outer_splines is None
        or arm is None
    ):
        return None
    motion: Literal["trailing", "leading"] = "leading" if arm.motion == "leading" else "trailing"
    with collecting_notes():
        found = spline_moves(bar.inner_splines, bar.outer_splines, move, arm=motion, count=1)
    return WholeMove(found.words["left" if place.is_left else "right"], float(found.angle))


def with_finest(document: Document, setup: str, knobs: dict[Place, Knob]) -> dict[Place, Knob]:
    """The knobs, those on splines with the finest step that their splines make as their lead."""
    made = dict(knobs)
    for place, knob in knobs.items():
        bar = side_of(setup_of(document, setup), place).spring
        if knob.kind != "splines" or not isinstance(bar, TorsionBarPart):
            continue
        if bar.inner_splines is not None and bar.outer_splines is not None:
            with collecting_notes():
                step = spline_moves(bar.inner_splines, bar.outer_splines, 0.0).finest_step
            made[place] = replace(knob, lead=float(step))
    return made
