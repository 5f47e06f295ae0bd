"""A corner's torsion bar as numbers that know their path, and its force along the travel."""

from dataclasses import dataclass
from math import asin, cos, inf, pi, sin, tan

from feder.core.document.base import Place
from feder.core.document.setup import SideSetup, TorsionBarPart
from feder.core.document.vehicle import TorsionArm
from feder.core.formulas.torsion import angle_on_chassis, arm_angle_at, bar_angular_rate
from feder.core.numbers.working import given
from feder.core.solvers.curve import Mounted, limit_force, limit_stiffness
from feder.core.standing.how import HOW_WORDS

UPRIGHT = 0.995
"""Sine of the arm angle beyond which the arm counts as upright."""


@dataclass(slots=True)
class BarFacts:
    """A torsion bar and its angular rate: measured, or from its dimensions."""

    part: TorsionBarPart
    angular_rate: float
    diameter: float
    bore: float


def bar_facts(side: SideSetup, place: Place, setup_index: int) -> BarFacts | None:
    """The numbers of a corner's torsion bar."""
    part = side.spring
    if not isinstance(part, TorsionBarPart):
        return None
    path, label = f"setups.{setup_index}.sides.{place.value}.spring", f"{place.words} bar {part.code}"

    def read(value: float, words: str, unit: str, member: str, source: str = "by calliper") -> float:
        return given(value, f"{label}, {words}", unit, path=f"{path}.{member}", source=source)

    diameter, bore = read(part.diameter, "diameter", "m", "diameter"), read(part.bore, "bore", "m", "bore")
    measured = part.angular_rate
    if measured is not None:
        rate = given(
            measured.value,
            f"{label}, angular rate",
            "N*m/rad",
            path=f"{path}.angular_rate.value",
            source=HOW_WORDS[measured.how],
            assumed=measured.assumed,
        )
    else:
        length = read(part.effective_length, "effective length", "m", "effective_length", "by tape")
        modulus = read(part.shear_modulus, "shear modulus", "Pa", "shear_modulus", "steel")
        rate = bar_angular_rate(diameter, bore, length, modulus)
    return BarFacts(part, rate, diameter, bore)


@dataclass(frozen=True, slots=True)
class ArmFacts:
    """The arm of a torsion bar: its length, and its angle on the chassis on each side at one height."""

    length: float
    left: float
    right: float
    height: float

    def angle_at(self, place: Place, hub: float) -> float | None:
        """Arm angle below level at a height; nothing where the arm cannot reach it."""
        read = self.left if place.is_left else self.right
        if abs(read) >= pi / 2 or abs(sin(read) + (hub - self.height) / self.length) >= UPRIGHT:
            return None
        return arm_angle_at(read, self.height, hub, self.length)


def arm_facts(arm: TorsionArm | None, end: str) -> ArmFacts | None:
    """The numbers of an end's torsion arm."""
    if arm is None:
        return None

    def read(value: float, label: str, unit: str, member: str) -> float:
        source = "by level" if unit == "rad" else "typed in"
        return given(value, f"{end} {label}", unit, path=f"vehicle.ends.{end}.arm.{member}", source=source)

    left = read(arm.angle, "arm angle, read", "rad", "angle")
    right = left
    if arm.right_angle is not None:
        right = read(arm.right_angle, "right arm angle, read", "rad", "right_angle")
    if arm.chassis is not None:
        chassis = read(arm.chassis, "chassis angle, read", "rad", "chassis")
        own = angle_on_chassis(left, chassis)
        left, right = own, own if arm.right_angle is None else angle_on_chassis(right, chassis)
    height = read(arm.hub_to_arch, "hub to arch at that angle", "m", "hub_to_arch")
    return ArmFacts(read(arm.length, "arm length", "m", "length"), left, right, height)


@dataclass(frozen=True, slots=True)
class ArmCurve:
    """A wheel on a torsion-bar arm, with what else pushes there, between hard limits.

    `sine` is that of the arm angle (wheel lower positive) at zero wheel travel.
    """

    angular_rate: float
    arm_length: float
    free_angle: float
    sine: float
    pushes: tuple[Mounted, ...] = ()
    droop: float = -inf
    solid: float = inf

    def _angle(self, travel: float) -> float:
        return asin(max(-UPRIGHT, min(UPRIGHT, self.sine - travel / self.arm_length)))

    def force(self, travel: float) -> float:
        a = self._angle(travel)
        bar = self.angular_rate * (self.free_angle - a) / (self.arm_length * cos(a))
        return bar + sum(p.force(travel) for p in self.pushes) + limit_force(travel, self.droop, self.solid)

    def stiffness(self, travel: float) -> float:
        a = self._angle(travel)
        bar = self.angular_rate / (self.arm_length * cos(a)) ** 2 * (1 - (self.free_angle - a) * tan(a))
        hard = limit_stiffness(travel, self.droop, self.solid)
        return bar + sum(p.stiffness(travel) for p in self.pushes) + hard
