"""A two-wheeler's end that its spring holds at full extension: what was read of the adjuster stands.

There the load is only the most that the spring would have to carry before it moves: no preload follows from it.
"""

from feder.core.formulas.height import spring_room
from feder.core.standing.corner import StandingCorner
from feder.core.standing.weighed import as_set, carried_by_spring

UNSEEN = 0.0015
"""Settling that a tape does not show, m."""


def at_full_extension(corner: StandingCorner) -> bool:
    """Whether the bike alone leaves this end where it hangs, as near as a tape shows."""
    droop, hub = corner.facts.end.droop, corner.facts.hub_to_arch
    return corner.facts.by_sag and droop is not None and hub is not None and droop - hub <= UNSEEN


def held_up(corner: StandingCorner) -> StandingCorner:
    """The end with the force and length that its preload as read gives its coil spring.

    Unchanged where it settles, where the adjuster as read would let it settle, or where nothing of it is known.
    """
    hub = corner.spring_hub
    if corner.air is not None or not at_full_extension(corner) or hub is None or corner.load is None:
        return corner
    known = as_set(corner)
    carried = carried_by_spring(known, hub)
    if carried is None or carried < corner.load:
        return corner
    coupling = corner.facts.end.spring
    if known.seat is None or known.collar is None or corner.spring is None:
        return corner
    room = spring_room(known.seat.length, known.collar, coupling.travel(known.seat.height, hub))
    return corner.but(spring_length=room, spring_force=corner.spring.force_at(room))
