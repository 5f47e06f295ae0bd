"""Torsion bars between load, height and free angle: the arm that carries the wheel."""

from math import sin

from feder.core.formulas.torsion import torsion_free_angle
from feder.core.solvers.arm_curve import ArmCurve
from feder.core.solvers.equilibrium import Curve
from feder.core.standing.corner import StandingCorner, hard_limits, typed_setting
from feder.core.standing.pushes import left_for_spring, mounted_pushes


class Arm:
    """A wheel on an arm that winds a torsion bar."""

    def found(self, corner: StandingCorner) -> StandingCorner:
        """Arm angle at the found height, and the free angle that the load then implies."""
        corner = _wound(corner)
        return corner.but(found_free_angle=corner.free_angle)

    def set_at(self, corner: StandingCorner) -> float | None:
        return typed_setting(corner, "free angle", "free_angle", corner.free_angle)

    def curve(self, corner: StandingCorner) -> Curve | None:
        free, bar, found = self.set_at(corner), corner.bar, corner.found_hub
        arm, at_found = corner.facts.end.arm, None if found is None else arm_at(corner, found)
        if free is None or bar is None or arm is None or at_found is None:
            return None
        return ArmCurve(
            float(bar.angular_rate),
            float(arm.length),
            float(free),
            sin(at_found),
            mounted_pushes(corner),
            **hard_limits(corner),
        )

    def answered(self, corner: StandingCorner) -> StandingCorner:
        free = self.set_at(corner)
        if free is None:
            return _wound(corner)
        angle = None if corner.spring_hub is None else arm_at(corner, corner.spring_hub)
        return corner.but(arm_angle=angle, free_angle=free)


ARM = Arm()


def arm_at(corner: StandingCorner, hub: float) -> float | None:
    """Arm angle below level at a height; nothing where the arm cannot reach it."""
    arm = corner.facts.end.arm
    return None if arm is None else arm.angle_at(corner.facts.place, hub)


def _wound(corner: StandingCorner) -> StandingCorner:
    """Arm angle here, and the free angle at which the bar carries its load here."""
    hub, load, arm = corner.spring_hub, left_for_spring(corner), corner.facts.end.arm
    angle = None if hub is None else arm_at(corner, hub)
    if angle is None or load is None or corner.bar is None or arm is None:
        return corner.but(arm_angle=angle)
    free = torsion_free_angle(corner.bar.angular_rate, arm.length, angle, load)
    return corner.but(arm_angle=angle, free_angle=free)
