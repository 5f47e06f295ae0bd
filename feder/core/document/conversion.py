"""What a setup replaces of an end of the vehicle: other arms and links, another layout, tyre, wheel or bar."""

from typing import Annotated

from pydantic import Field

from feder.core.document.base import (
    ForceValue,
    LengthM,
    MassValue,
    SignedLengthM,
    Text,
    Tolerant,
)
from feder.core.document.vehicle import AntiRollBar, BumpStopPart, Layout, Limits, Mount, Tyre
from feder.core.numbers.quantities import Unit

NOT_CARRIED = (
    "spring",
    "damper",
    "damper_coefficient",
    "gas",
    "friction",
    "bump_stop",
    "lower_arm",
    "roll_centre",
    "spring_base",
    "arm_lies",
)
"""What a layout of its own does not take over from the end as found."""


class EndChange(Tolerant):
    """What a setup replaces of an end; what is not told stays as found.

    With a `layout` the end is another one: its ratios, limits, stop, gas and friction are its own, and unknown
    until told; track, tyre and unsprung mass stay, the last one marked as estimated.
    """

    layout: Layout | None = None
    spring: Mount | None = None
    damper: Mount | None = None
    limits: Limits | None = None
    """Each limit told stands before the one found."""
    track: LengthM | None = None
    spring_base: LengthM | None = None
    unsprung_mass: MassValue | None = None
    friction: ForceValue | None = None
    bump_stop: BumpStopPart | None = None
    tyre: Tyre | None = None
    """Each number told stands before the one found. Another radius moves the tyre's contact, if none is told."""
    bar: AntiRollBar | None = None
    roll_centre: SignedLengthM | None = None
    joint_spacer: Annotated[float, Unit("m"), Field(ge=-0.1, le=0.2)] | None = None
    """Between lower arm and ball joint: it lowers the arm's outer end."""
    link_length: LengthM | None = None
    """Length of the anti-roll bar's links in this setup."""
    note: Text = ""

    @property
    def is_layout(self) -> bool:
        """Whether the end is another one altogether."""
        return self.layout is not None
