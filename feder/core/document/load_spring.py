"""A load spring of which only its band and its lift are known."""

from typing import Literal

from pydantic import model_validator

from feder.core.document.base import EndName, ForceN, Name, SignedLengthM, Text, Tolerant


class BandSpring(Tolerant):
    """A load spring by the band of added load its maker means it for, and by how much it lifts the empty vehicle.

    Without a rate it cannot be fitted to a setup: what it would do to height and frequency nobody can tell.
    """

    kind: Literal["band"] = "band"
    code: Name
    end: EndName
    added_from: ForceN = 0.0
    """Load on one spring above what the empty vehicle puts on it, from and to which it is meant."""
    added_to: ForceN
    most_load: ForceN | None = None
    lift: SignedLengthM | None = None
    """How much higher the empty vehicle stands on it, at the wheel."""
    note: Text = ""

    @model_validator(mode="after")
    def _band(self) -> "BandSpring":
        if self.added_from >= self.added_to:
            raise ValueError("added_to must be above added_from")
        return self
