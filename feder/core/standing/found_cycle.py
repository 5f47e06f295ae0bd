"""A two-wheeler as found, where its springs or its gauge say more than scales and tape."""

from dataclasses import replace

from feder.core.formulas.masses import mass_of_load
from feder.core.standing.corner import StandingCorner
from feder.core.standing.held_up import at_full_extension
from feder.core.standing.one_end import height_under
from feder.core.standing.springing.air import PNEUMATIC, stroke_at
from feder.core.standing.weighed import as_set, carried_by_spring


def weighed_by_spring(corner: StandingCorner) -> StandingCorner:
    """A wheel that was not weighed, with the load that its spring says it carries."""
    if corner.load is not None or corner.facts.mass is not None or corner.spring_hub is None:
        return corner
    if at_full_extension(corner):  # there the spring only says what the load is below
        return corner
    load = carried_by_spring(as_set(corner), corner.spring_hub)
    if load is None or load <= 0:
        return corner
    return corner.but(load=load, spring_load=load, sprung_mass=mass_of_load(load))


def by_pressure(corner: StandingCorner) -> StandingCorner:
    """An air spring as found whose pressure was read: it stands where that pressure carries the bike.

    A bicycle alone settles by a few millimetres, of which friction holds up half; its gauge says more.
    """
    if corner.air is None or corner.side.pressure is None or not corner.facts.by_sag or corner.load is None:
        return corner
    read = as_set(corner).pressure
    hub = height_under(as_set(corner), corner.load, PNEUMATIC)
    stroke = None if hub is None else stroke_at(corner, hub)
    if hub is None or stroke is None or read is None:
        return corner
    facts = replace(corner.facts, hub_to_arch=hub)
    coupling = facts.end.spring
    return corner.but(
        facts=facts,
        hub_to_arch=hub,
        spring_hub=hub,
        found_hub=hub,
        motion_ratio=coupling.ratio(hub),
        ratio_slope=coupling.slope(hub),
        pressure=read,
        stroke=stroke,
        spring_force=corner.air.force(read, stroke),
    )
