"""One corner's bump stop: where it is touched and hard at any length it may be cut to, and what packers allow."""

from dataclasses import dataclass, field, replace
from typing import Literal

from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.formulas.travel import StopLengths
from feder.core.numbers.working import untraced
from feder.core.practice.thresholds import STOP_CUT
from feder.core.practice.usual import COMPRESSIBLE
from feder.core.report.figures.stops import hard_at, stop_lengths, touched_at
from feder.core.report.shapes import Figure
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import gather, setup_of
from feder.core.standing.parts.bump_stop import StopFacts
from feder.core.standing.stand import stand

Limit = Literal["tyre", "metal", "nothing"]
PACKERS = (0.0, 0.005, 0.010)
STEP = 0.001
SHORTEST_CUT = 0.002
MOST_CUTS = 200


@dataclass(slots=True)
class Cut:
    """A length the stop may be cut to, and the wheel travel from ride at which it is touched and hard, m."""

    length: float
    touch: float
    hard: float


@dataclass(slots=True)
class PackerRow:
    """One thickness of packers: the lengths that work with it, what sets the shortest, and the length to take."""

    packer: float
    shortest: float
    longest: float
    works: bool
    limit: Limit
    """What is met first below the shortest."""
    take: float
    """The length to cut to: as it is where that works, else the middle of what works."""


@dataclass(slots=True)
class StopBench:
    """The stop of a corner. Lengths along the damper, travels at the wheel from ride, bump positive, m."""

    place: Place
    length: float
    supplied: float
    packer: float
    compressible: float
    squeeze_told: bool
    mount: float
    """Wheel travel at which the stop's seat, packers on it, would be reached."""
    seat: float
    """The same of the bare shaft."""
    cuts: list[Cut] = field(default_factory=list)
    """From the longest to the shortest; between two of them the travels are read off straight."""
    squeeze: float = 0.0
    """How far it squeezes before it is hard, along the damper."""
    hard: float = 0.0
    """Wheel travel at which it is hard as it is now."""
    tyre_after: float | None = None
    """Wheel travel from there to the tyre's contact."""
    grade: Literal["", "stop"] = ""
    says: str = ""
    """What works, in one sentence, its numbers in braces."""
    numbers: dict[str, Figure] = field(default_factory=dict)
    trim: float | None = None
    """The length to cut to on these packers, where the one it has does not work."""
    packers: list[PackerRow] = field(default_factory=list)


def stop_bench(document: Document, setup: str, place: Place) -> StopBench | None:
    """The stop of a corner in a setup; nothing while stop, shaft or damper ratio is not known.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    with untraced():
        stood = stand(gather(document), setup_of(document, setup), None).corners[place]
        stop, hub = stood.stop, stood.hub_to_arch
        if stop is None or hub is None or not stop.damper.known:
            return None
        share = COMPRESSIBLE if stop.part.compressible is None else stop.part.compressible
        longest = max(stop.part.length, stop.length)
        step = max(STEP, (longest - SHORTEST_CUT) / MOST_CUTS)
        count = int((longest - SHORTEST_CUT) / step)
        lengths = [longest - step * i for i in range(count + 1)]
        made = StopBench(
            place=place,
            length=float(stop.length),
            supplied=float(stop.part.length),
            packer=float(stop.packer),
            compressible=float(share),
            squeeze_told=stop.part.compressible is not None,
            mount=touched_at(_cut(stop, 0.0), hub),
            seat=touched_at(_cut(stop, 0.0, 0.0), hub),
            cuts=[_tried(stop, v, hub, share) for v in lengths],
        )
        made.packers = [row for packer in PACKERS if (row := _row(stood, stop, packer)) is not None]
        made.squeeze, made.hard = float(share) * made.length, hard_at(stop, hub, share)
        contact = stood.facts.end.contact
        made.tyre_after = None if contact is None else float(hub) - float(contact) - made.hard
        _judge(made, _row(stood, stop, made.packer))
    return made


FIRST = {"tyre": "the tyre is met first", "metal": "metal in the damper is met first"}
LONGER = "longer, it is squeezed at ride."
UP_TO = f"Any stop up to {{longest}} works: neither tyre nor metal is met without one; {LONGER}"
NONE_WORKS = (
    "No stop works here: cut short enough for its gap it lets metal or tyre meet first. Less drop, a packer, a "
    "stop that squeezes less, or more room at the arch mends it; a stiffer spring does not."
)


def _judge(made: StopBench, now: PackerRow | None) -> None:
    """What works on the packers it has, in words."""
    if now is None:
        return
    if not now.works:
        made.grade, made.says = "stop", NONE_WORKS
        return
    made.numbers = {"shortest": Figure(now.shortest, "m"), "longest": Figure(now.longest, "m")}
    if now.limit == "nothing":
        made.says = UP_TO
    else:
        made.says = f"Any stop from {{shortest}} to {{longest}} works. Shorter, {FIRST[now.limit]}; {LONGER}"
    if not now.shortest - STOP_CUT <= made.length <= now.longest + STOP_CUT:
        made.trim = round(now.take * 2000) / 2000


def _tried(stop: StopFacts, length: float, hub: float, share: float) -> Cut:
    cut = _cut(stop, length)
    return Cut(length, touched_at(cut, hub), hard_at(cut, hub, share))


def _cut(stop: StopFacts, length: float, packer: float | None = None) -> StopFacts:
    """The same stop at another length, or on other packers."""
    return replace(stop, length=length, packer=stop.packer if packer is None else packer)


def _row(stood: StandingCorner, stop: StopFacts, packer: float) -> PackerRow | None:
    tried = stood.but(stop=_cut(stop, stop.length, packer))
    found: StopLengths | None = stop_lengths(tried)
    without_metal = stop_lengths(tried, metal=False)
    if found is None or without_metal is None:
        return None
    limit: Limit = "nothing"
    if found.shortest > 0:
        limit = "tyre" if found.shortest == without_metal.shortest else "metal"
    now, works = float(stop.length), bool(found.feasible)
    shortest, longest = float(found.shortest), float(found.longest)
    take = now
    if works and not shortest <= now <= longest:
        take = min(float(stop.part.length), (shortest + longest) / 2)
    return PackerRow(packer, shortest, longest, works, limit, take)
