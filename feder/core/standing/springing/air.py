"""Air springs between load, height and pressure: the stroke from full extension."""

from feder.core.formulas.motion_ratio import spring_force_for_load
from feder.core.numbers.quantities import ATMOSPHERE
from feder.core.solvers.curve import CornerCurve, Mounted
from feder.core.solvers.equilibrium import Curve
from feder.core.standing.corner import StandingCorner, hard_limits, typed_setting
from feder.core.standing.pushes import left_for_spring, mounted_pushes


class Pneumatic:
    """An air spring that is at full extension at full droop."""

    def found(self, corner: StandingCorner) -> StandingCorner:
        """Stroke at the found height, and the pressure that the load then implies."""
        # an end that stands by its gauge keeps the pressure read
        return _pressed(corner) if corner.pressure is None else corner

    def set_at(self, corner: StandingCorner) -> float | None:
        return typed_setting(corner, "pressure", "pressure", corner.pressure)

    def curve(self, corner: StandingCorner) -> Curve | None:
        pressure, air, found = self.set_at(corner), corner.air, corner.found_hub
        at_found = None if found is None else stroke_at(corner, found)
        if pressure is None or air is None or found is None or at_found is None:
            return None
        spring = Mounted(air.table(pressure), corner.facts.end.spring.along(found), float(at_found))
        return CornerCurve((spring, *mounted_pushes(corner)), **hard_limits(corner))

    def answered(self, corner: StandingCorner) -> StandingCorner:
        pressure = self.set_at(corner)
        if pressure is None:
            return _pressed(corner)
        stroke = None if corner.spring_hub is None else stroke_at(corner, corner.spring_hub)
        force = None if stroke is None or corner.air is None else corner.air.force(pressure, stroke)
        return corner.but(pressure=pressure, stroke=stroke, spring_force=force)


PNEUMATIC = Pneumatic()
MOST_OF_CHAMBER = 0.99
"""Share of the chamber that a stroke may take at most."""


def stroke_at(corner: StandingCorner, hub: float) -> float | None:
    """Stroke from full extension at a height; nothing where the height of full droop is not known."""
    end = corner.facts.end
    return end.spring.travel(end.droop, hub) if end.droop is not None and end.spring.known else None


def _pressed(corner: StandingCorner) -> StandingCorner:
    ratio, load, air = corner.motion_ratio, left_for_spring(corner), corner.air
    stroke = None if corner.spring_hub is None else stroke_at(corner, corner.spring_hub)
    if not ratio or load is None:
        return corner.but(stroke=stroke)
    force = spring_force_for_load(load, ratio)
    pressure: float | None = None
    if (
        air is not None
        and stroke is not None
        and float(stroke) * float(air.area) < MOST_OF_CHAMBER * float(air.volume)
    ):
        pressure = air.pressure_for(force, stroke)
        if pressure <= -MOST_OF_CHAMBER * ATMOSPHERE:
            pressure = None
    return corner.but(stroke=stroke, spring_force=force, pressure=pressure)
