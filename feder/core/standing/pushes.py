"""Gas charge and bump stop of a corner: what both carry at a height, and along the travel."""

from feder.core.formulas.pushes import load_on_spring, push_at_wheel, push_of
from feder.core.solvers.curve import Mounted
from feder.core.solvers.force_table import gas_table
from feder.core.standing.corner import StandingCorner

REACH = 1.0
"""Damper travel over which a gas charge is laid out, m."""


def damper_push(corner: StandingCorner, hub: float) -> float | None:
    """Push along one damper of gas charge, stop, and coil beside a bar or air over oil; nothing where none is."""
    gas = corner.facts.end.gas
    stop = None if corner.stop is None else corner.stop.at(hub)
    force = None if stop is None else stop.force
    coil = None if corner.beside is None else corner.beside.force_at(hub)
    known = [f for f in (gas, force, coil) if f is not None]
    if not known:
        return None
    total = known[0]
    for other in known[1:]:
        total = push_of(total, other)
    return total


def push_at(corner: StandingCorner, hub: float) -> float | None:
    """Push of gas charge and stop at the wheel, at a height; nothing where neither pushes."""
    along, end = damper_push(corner, hub), corner.facts.end
    ratio = None if along is None else end.damper.ratio(hub)
    return None if along is None or not ratio else push_at_wheel(along, ratio, end.dampers)


def left_for_spring(corner: StandingCorner) -> float | None:
    """Load at the wheel that the spring has to carry: that of the corner less the pushes."""
    load, hub = corner.spring_load, corner.spring_hub
    push = None if hub is None else push_at(corner, hub)
    return load if load is None or push is None else load_on_spring(load, push)


def mounted_pushes(corner: StandingCorner) -> tuple[Mounted, ...]:
    """Gas charge and stop as they push along the travel from the found height, for the balance."""
    end, found = corner.facts.end, corner.found_hub
    if (
        found is None
        or not end.damper.known
        or (end.gas is None and corner.stop is None and corner.beside is None)
    ):
        return ()
    along, parts = end.damper.along(found), []
    if end.gas is not None:
        parts.append(Mounted(gas_table(float(end.gas) * end.dampers, REACH), along, 0.0))
    stop = None if corner.stop is None else corner.stop.at(found)
    if stop is not None and corner.stop is not None and corner.stop.table is not None:
        parts.append(Mounted(corner.stop.table.scaled(end.dampers), along, -float(stop.gap)))
    pressed = None if corner.beside is None else corner.beside.start_at(found)
    if pressed is not None and corner.beside is not None:
        parts.append(Mounted(corner.beside.table.scaled(end.dampers), along, float(pressed)))
    return tuple(parts)
