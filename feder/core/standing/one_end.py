"""Where one end of a two-wheeler settles under a load, its adjuster as it stands, whatever the other end does."""

from feder.core.numbers.errors import NoEquilibrium
from feder.core.numbers.working import solved, untraced
from feder.core.solvers.corner import corner_equilibrium
from feder.core.standing.corner import Springing, StandingCorner

CARRIED = "force of the springs at this travel = sprung load"
FAR = 0.5
"""Travel looked over where a limit is not known, m."""


def height_under(stood: StandingCorner, load: float, kind: Springing) -> float | None:
    """Height at which an end with its adjuster as it stands carries a load on its springs."""
    found, end = stood.facts.hub_to_arch, stood.facts.end
    kept = stood.but(fixed=True)
    curve = kind.curve(kept)
    if curve is None or found is None:
        return None
    low = -FAR if end.droop is None else float(found) - float(end.droop)
    high = FAR if end.solid is None else float(found) - float(end.solid)
    try:
        with untraced():
            standing = corner_equilibrium(curve, float(load), low, high)  # type: ignore[arg-type]
    except NoEquilibrium:
        return None
    inputs: dict[str, float | None] = {
        "load": load,
        "collar": kept.collar,
        "pressure": kept.pressure,
        "rate": None if kept.spring is None else kept.spring.rate,
        "free length": None if kept.spring is None else kept.spring.free_length,
        "seat length": None if kept.seat is None else kept.seat.length,
        "height as found": found,
        "motion ratio": end.spring.constant or end.spring.pairs,
    }
    return solved(
        float(found) - standing.travel,
        "hub_to_arch",
        "m",
        equation=CARRIED,
        inputs={k: v for k, v in inputs.items() if v is not None},
        residual=standing.residual,
        source="equilibrium of the end, by halving",
    )


def set_for_load(stood: StandingCorner, load: float, hub: float, kind: Springing) -> StandingCorner | None:
    """The end with its adjuster answered for a load on its springs at a height; nothing where that cannot be."""
    end, found = stood.facts.end, stood.facts.hub_to_arch
    if found is None or not end.spring.known or not hub > 0:
        return None
    at = stood.but(
        side=stood.side.but(set_by="height", hub_to_arch=None),
        fixed=False,
        load=load,
        spring_load=load,
        hub_to_arch=hub,
        spring_hub=hub,
        motion_ratio=end.spring.ratio(hub),
        ratio_slope=end.spring.slope(hub),
        spring_force=None,
        spring_length=None,
        collar=None,
        pressure=None,
        stroke=None,
    )
    return kind.answered(at)
