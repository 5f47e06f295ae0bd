"""A system of units as the reader has it: one of the three, with a unit of its own for some quantities.

Written ``metric``, or ``metric;pressure=psi;mass=lb``: the same words in the browser, on the wire and here.
"""

from functools import lru_cache

from feder.units.table import GROUPS, SYSTEMS

Rows = dict[str, tuple[str, int]]
"""By dimension the unit shown and its decimals."""


class UnknownSystem(ValueError):
    """No such system, quantity or unit."""


@lru_cache(maxsize=64)
def rows_of(system: str) -> Rows:
    """Every row of a system, its own choices put in; decimals are those of the system that shows the unit.

    Raises:
        UnknownSystem: the system, a quantity or its unit is not among those that can be chosen.
    """
    base, *own = system.split(";")
    if base not in SYSTEMS:
        raise UnknownSystem(f"{base[:40]} is no system of units; there are {', '.join(SYSTEMS)}")
    rows = dict(SYSTEMS[base])
    for choice in own:
        group, _, unit = choice.partition("=")
        if group not in GROUPS:
            raise UnknownSystem(f"{group[:40]} has no unit of its own")
        for name in GROUPS[group]:
            found = next((r[name] for r in SYSTEMS.values() if r[name][0] == unit), None)
            if found is None:
                raise UnknownSystem(f"{unit[:40]} is no unit of {group} that is shown")
            rows[name] = found
    return rows


def known_system(system: str) -> str:
    """The system as it was written, where it is one. Raises `UnknownSystem`."""
    rows_of(system)
    return system
