"""Springs from the shelf driven over the same road before one is bought: the nearest to the one in the plan."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import log

from feder.core.benches.prove.figures import ALL, figures_of
from feder.core.benches.prove.run import run
from feder.core.benches.prove.vehicle import vehicle_of
from feder.core.benches.prove.verdict import GRAZE
from feder.core.benches.springs.candidates import candidates
from feder.core.benches.springs.choose import choose_spring
from feder.core.document.base import ENDS, EndName
from feder.core.document.changes import patched
from feder.core.document.document import Document
from feder.core.document.road import Trial
from feder.core.document.setup import SpringPart
from feder.core.numbers.errors import FederError
from feder.core.standing.facts import places_of, setup_of, side_of

NEAREST = 3
SAME_RATE = 0.005
"""Share by which two rates may differ and be one."""


@dataclass(frozen=True, slots=True)
class SpringDriven:
    """One spring over the road, the setup else as it is: of each end comfort (m/s²) and swing of the load."""

    part: SpringPart
    chosen: bool
    comfort: dict[EndName, float]
    grip: dict[EndName, float]
    bump: float
    """At the end that it stands at, m."""
    stop_force: float
    stop_met: bool
    stands: bool = True
    """False: with it the vehicle cannot be driven, and nothing is told."""


def springs_driven(
    document: Document,
    setup: str,
    end: EndName,
    shelf: Sequence[SpringPart],
    trial: Trial,
    load: str | None = None,
) -> list[SpringDriven]:
    """The spring in hand, and the three of the shelf that fit and lie nearest to its rate, none of them twice.

    Raises:
        CannotDrive, OutOfRange, UnknownSetup: as a run of the setup itself.
    """
    own = side_of(setup_of(document, setup), places_of(document, end)[0]).spring
    if not isinstance(own, SpringPart):
        return []
    made = [_driven(document, setup, end, own, trial, load, chosen=True)]
    for part in nearest(document, setup, end, own, shelf):
        plain = document.model_dump(mode="json")
        changed, _ = patched(document, plain, list(choose_spring(document, setup, end, part)))
        try:
            made.append(_driven(changed, setup, end, part, trial, load, chosen=False))
        except FederError:
            none: dict[EndName, float] = dict.fromkeys(ENDS, 0.0)
            made.append(SpringDriven(part, False, none, none, 0.0, 0.0, False, stands=False))
    return sorted(made, key=lambda row: row.part.rate.value)


def nearest(
    document: Document, setup: str, end: EndName, own: SpringPart, shelf: Sequence[SpringPart]
) -> list[SpringPart]:
    """Springs that fit, of other rates than the one in hand, the nearest first."""
    rows = candidates(document, setup, end, list(shelf), "fits")
    may = [
        r.part for r in rows if not r.chosen and r.best and (r.objection is None or r.objection.grade != "stop")
    ]
    rated = sorted(may, key=lambda part: abs(log(part.rate.value / own.rate.value)))
    made: list[SpringPart] = []
    for part in rated:
        known = [own, *made]
        if all(abs(part.rate.value / k.rate.value - 1) > SAME_RATE for k in known):
            made.append(part)
    return made[:NEAREST]


def _driven(
    document: Document, setup: str, end: EndName, part: SpringPart, trial: Trial, load: str | None, *, chosen: bool
) -> SpringDriven:
    vehicle = vehicle_of(document, setup, load)
    ends = figures_of(run(vehicle, trial)).ends[ALL]
    here = ends[end]
    return SpringDriven(
        part,
        chosen,
        {e: ends[e].comfort for e in ENDS},
        {e: ends[e].grip for e in ENDS},
        here.bump,
        here.stop_force,
        here.stop_force > GRAZE * vehicle.wheels[vehicle.at(end)[0]].still,
    )
