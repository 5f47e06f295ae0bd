"""Every check, in the order in which doubts of one grade are told."""

from collections.abc import Callable, Iterator

from feder.core.report.doubts.check import Check, Seen
from feder.core.report.doubts.cycle import of_cycle
from feder.core.report.doubts.ends import of_ends
from feder.core.report.doubts.springs import of_heights_asked, of_springs
from feder.core.report.doubts.vehicle import of_alignment, of_heights, of_lengths, of_masses, of_swinging

CHECKS: tuple[Callable[[Seen], Iterator[Check]], ...] = (
    of_lengths,
    of_masses,
    of_heights,
    of_ends,
    of_springs,
    of_swinging,
    of_cycle,
    of_heights_asked,
    of_alignment,
)


def checks_of(seen: Seen) -> list[Check]:
    """Every number that can be held against a range, within it or not."""
    return [check for checks in CHECKS for check in checks(seen)]
