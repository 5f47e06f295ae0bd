"""Corner weights: from the scales to the turns that bring cross weight to its target, several ways to it."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field
from math import sqrt
from typing import TYPE_CHECKING

from feder.core.benches.settle.heights import read_in
from feder.core.benches.settle.knobs import effects, knobs_of, on_adjusters, standing
from feder.core.benches.settle.setdown import Round, rounds_of
from feder.core.benches.settle.splines import with_finest
from feder.core.benches.weights.ways import PadRow, Way, Weighed, cross_range, ways_to
from feder.core.document.base import PLACES, Place
from feder.core.document.changes import in_its_place, with_setup
from feder.core.document.document import Document
from feder.core.document.setup import BarSetting, Setup
from feder.core.document.survey import Conditions
from feder.core.numbers.errors import OutOfRange
from feder.core.practice.thresholds import CROSS_BAND, CROSS_WANTED
from feder.core.practice.tolerances import BY_HOW
from feder.core.report.evaluate import evaluate_plain
from feder.core.standing.facts import setup_of, side_of
from feder.core.standing.readings import readings_of

if TYPE_CHECKING:
    from numpy import ndarray


@dataclass(slots=True)
class WeightShare:
    """How the weight is shared."""

    total: float
    cross: float
    left: float
    front: float
    cross_sure: float
    """Standard uncertainty of the cross weight, from the scatter of the pads."""


@dataclass(slots=True)
class WeighedRound:
    """An earlier position of the beam."""

    number: int
    cross: float
    total: float


@dataclass(slots=True)
class CornerWeights:
    """Corner weights of a setup in one round."""

    round: int | None
    rounds: list[Round]
    before: list[WeighedRound]
    conditions: Conditions
    rows: list[PadRow]
    share: WeightShare | None
    target: float
    band: float
    there: bool
    """Whether the cross weight lies within its band."""
    ways: list[Way] = field(default_factory=list)
    least: float | None = None
    most: float | None = None
    """Cross weights between which thread, hold at droop and 2 mm of height let it be brought."""
    waits: str = ""
    expected: float | None = None
    """Cross weight that the round before led to expect, with what was turned since."""
    by_model: WeightShare | None = None
    """As the plan foretells it, bars unhooked: without scales, what to expect."""


def corner_weights(
    document: Document,
    setup: str,
    survey: int | None = None,
    held: Collection[Place] = (),
    target: float = CROSS_WANTED,
    stood: Mapping[int, Setup] | None = None,
) -> CornerWeights:
    """What the scales say of a setup in a round, by default the newest with weights; bars taken as unhooked.

    `stood` says how the setup stood in earlier rounds.

    Raises:
        UnknownSetup: the document has no such setup.
        OutOfRange: on `target` outside 0.4 to 0.6.
    """
    if not 0.4 <= target <= 0.6:
        raise OutOfRange("target", target, "must lie between 40 and 60 %")
    setup_of(document, setup)
    at = _round(document, setup, survey)
    made = CornerWeights(
        at, rounds_of(document, setup), _before(document, setup, at),
        Conditions() if at is None else document.surveys[at].conditions, [], None, target, CROSS_BAND, False,
    )  # fmt: skip
    if document.vehicle.kind != "car":
        made.waits = "Corner weights are of four wheels"
        return made
    free = _unhooked(document, setup)
    report = evaluate_plain(document, setup)
    knobs = with_finest(document, setup, knobs_of(document, setup, report))
    read = {} if at is None else _masses(document, at)
    heights = {} if at is None else {p: r.value for p, r in read_in(document, at, "hub_to_arch").items()}
    base = standing(free, setup, PLACES)
    foretold = {} if base is None else {p: float(h) for p, h in zip(PLACES, base[0], strict=True)}
    wanted = {p: side_of(setup_of(document, setup), p).hub_to_arch or foretold.get(p) for p in PLACES}
    for place in PLACES:
        knob, masses = knobs.get(place), read.get(place)
        made.rows.append(
            PadRow(
                place,
                None if masses is None else masses[0],
                0 if masses is None else masses[1],
                None if knob is None else knob.kind,
                "" if knob is None else knob.unit,
                None if knob is None else knob.now,
                None if knob is None else knob.lead,
                None if knob is None else knob.low,
                None if knob is None else knob.high,
                place in held,
                heights.get(place, foretold.get(place)),
                place in heights,
                wanted[place],
            )
        )
    if base is None or not base[1].all():
        made.waits = "Weights and heights as found must be known before turns can be told"
    elif base is not None:
        made.by_model = _share([float(m) for m in base[1]], [1] * 4)
    if len(read) == 4:
        made.share = _share([read[p][0] for p in PLACES], [read[p][1] for p in PLACES])
        made.there = abs(made.share.cross - target) <= CROSS_BAND
        made.expected = _expected(document, setup, at, base, stood or {})
    effect = None if made.waits else effects(free, setup, knobs)
    if made.share is None or effect is None or base is None:
        return made
    masses_now = [read[p][0] for p in PLACES]
    stand = Weighed(document, free, setup, knobs, effect, base, masses_now, made.rows, target)
    made.least, made.most = cross_range(stand, held)
    made.ways = ways_to(stand, held)
    return made


def _unhooked(document: Document, setup: str) -> Document:
    """The document with its adjusters set and both bars off their links."""
    return with_setup(
        on_adjusters(document, setup),
        setup,
        lambda s: s.but(front_bar=_off(s.front_bar), rear_bar=_off(s.rear_bar)),
    )


def _expected(
    document: Document,
    setup: str,
    at: int | None,
    base: "tuple[ndarray, ndarray] | None",
    stood: Mapping[int, Setup],
) -> float | None:
    """The cross weight of the round before, moved by what was turned since."""
    rounds = [
        i
        for i in document.rounds_of(setup)
        if at is not None and 0 < i < at and i in stood and not document.surveys[i].set_aside
    ]
    before = next((i for i in reversed(rounds) if len(_masses(document, i)) == 4), None)
    if before is None or base is None:
        return None
    was = in_its_place(document, setup, stood[before])
    there = standing(_unhooked(was, setup), setup, PLACES)
    if there is None:
        return None
    read = _share([_masses(document, before)[p][0] for p in PLACES], [1] * 4)
    now, then = (_share([float(m) for m in b[1]], [1] * 4) for b in (base, there))
    return read.cross + now.cross - then.cross


def _off(bar: BarSetting | None) -> BarSetting:
    return (bar or BarSetting()).but(hooked=False)


def _round(document: Document, setup: str, survey: int | None) -> int | None:
    rounds = [i for i in document.rounds_of(setup) if i]
    if survey is not None and survey in rounds:
        return survey
    return next((i for i in reversed(rounds) if document.surveys[i].has("mass")), None)


def _before(document: Document, setup: str, at: int | None) -> list[WeighedRound]:
    found = []
    for told in rounds_of(document, setup):
        masses = _masses(document, told.index)
        if len(masses) == 4 and (at is None or told.index < at):
            share = _share([masses[p][0] for p in PLACES], [1] * 4)
            found.append(WeighedRound(told.number, share.cross, share.total))
    return found


def _masses(document: Document, survey: int) -> dict[Place, tuple[float, int]]:
    """Mean of the pad readings of each corner, and of how many."""
    found = {}
    for place in PLACES:
        values = [r.value for _, r in readings_of(document, place, "mass", survey)]
        if values:
            found[place] = sum(values) / len(values), len(values)
    return found


def _share(masses: Sequence[float], counts: Sequence[int]) -> WeightShare:
    fl, fr, rl, _ = masses
    total = sum(masses)
    cross = (fr + rl) / total
    pads = BY_HOW["scales"].size
    slopes = [(float(on) - cross) / total for on in (0, 1, 1, 0)]
    sure = sqrt(sum((s * pads) ** 2 / n for s, n in zip(slopes, counts, strict=True)))
    return WeightShare(total, cross, (fl + rl) / total, (fl + fr) / total, sure)
