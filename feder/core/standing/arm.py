"""The arm of a torsion bar as numbers that know their path."""

from dataclasses import dataclass
from math import pi, sin

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, maybe, number
from feder.core.formulas.torsion import angle_on_chassis, arm_angle_at
from feder.core.solvers.arm_curve import UPRIGHT


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
        sine = sin(read) + (float(hub) - float(self.height)) / float(self.length)
        if abs(float(read)) >= pi / 2 or abs(sine) >= UPRIGHT:
            return None
        return arm_angle_at(read, self.height, hub, self.length)


def arm_facts(at: Cursor, end: str) -> ArmFacts | None:
    """The numbers of an end's torsion arm."""
    if not at:
        return None
    left = number(at.angle, f"{end} arm angle, read", source="by level")
    right = left
    if at.right_angle:
        right = number(at.right_angle, f"{end} right arm angle, read", source="by level")
    chassis = maybe(at.chassis, f"{end} chassis angle, read", source="by level")
    if chassis is not None:
        own = angle_on_chassis(left, chassis)
        left, right = own, angle_on_chassis(right, chassis) if at.right_angle else own
    length = number(at.length, f"{end} arm length")
    return ArmFacts(length, left, right, number(at.hub_to_arch, f"{end} hub to arch at that angle"))
