"""One corner's bump stop: where it is touched and hard at any length it may be cut to, and what packers allow."""

from collections.abc import Iterator
from dataclasses import dataclass, field, replace

from feder.core.document.base import Place
from feder.core.document.changes import Change
from feder.core.document.document import Document
from feder.core.document.setting import setting
from feder.core.formulas.travel import StopLengths
from feder.core.numbers.notes import collecting_notes
from feder.core.numbers.working import untraced
from feder.core.practice.usual import COMPRESSIBLE
from feder.core.report.figures.stops import hard_at, stop_lengths, touched_at
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import gather, index_of, places_of, setup_of, side_of
from feder.core.standing.parts.bump_stop import StopFacts
from feder.core.standing.stand import stand

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
    notes: list[str]
    take: float


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
            cuts=[Cut(v, touched_at(c, hub), hard_at(c, hub, share)) for v in lengths for c in (_cut(stop, v),)],
        )
        made.packers = [row for packer in PACKERS if (row := _row(stood, stop, packer)) is not None]
    return made


def _cut(stop: StopFacts, length: float, packer: float | None = None) -> StopFacts:
    """The same stop at another length, or on other packers."""
    return replace(stop, length=length, packer=stop.packer if packer is None else packer)


def _row(stood: StandingCorner, stop: StopFacts, packer: float) -> PackerRow | None:
    with collecting_notes() as notes:
        found: StopLengths | None = stop_lengths(stood.but(stop=_cut(stop, stop.length, packer)))
    if found is None:
        return None
    now, works = float(stop.length), bool(found.feasible)
    shortest, longest = float(found.shortest), float(found.longest)
    take = now
    if works and not shortest <= now <= longest:
        take = min(float(stop.part.length), (shortest + longest) / 2)
    return PackerRow(packer, shortest, longest, works, list(notes), take)


def set_stop(
    document: Document, setup: str, place: Place, length: float, packer: float, *, together: bool
) -> Iterator[Change]:
    """The changes that cut a stop and put packers under it, on both sides where they go together."""
    index, at = index_of(document, setup), setup_of(document, setup)
    for other in places_of(document, place.end) if together else (place,):
        now = side_of(at, other).stop
        if now is None or (now.length, now.packer) != (length, packer):
            yield from setting(index, other, stop={"length": length, "packer": packer})
