"""How wheel and spring (or damper) move together: by one ratio, or along a measured curve."""

from dataclasses import dataclass, replace

from feder.core.formulas.height import spring_travel_between
from feder.core.formulas.wheel_heights import wheel_travel_of_spring
from feder.core.formulas.wheel_spacer import ratio_with_spacer
from feder.core.numbers.working import solved
from feder.core.solvers.ratio import RatioCurve, constant_ratio

AT = "derivative of the curve through the measured pairs at this height"
ALONG = "position on the curve through the measured pairs, between the two heights"
EXACT = 1e-13
"""Change of wheel travel at which it counts as found, m."""
FARTHEST = 0.5
"""Wheel travel from ride within which a spring travel is looked for, m."""


@dataclass(frozen=True, slots=True)
class Coupling:
    """A motion ratio: `constant`, or a `curve` with wheel travel counted from the hub-to-arch height `origin`.

    `pairs` is the number of measured pairs behind the curve. Neither is known while nothing was measured.
    """

    name: str
    constant: float | None = None
    curve: RatioCurve | None = None
    origin: float = 0.0
    pairs: float = 0.0
    lever: float | None = None
    """What a wheel that stands further out makes of a measured curve's ratio."""

    @property
    def known(self) -> bool:
        return self.curve is not None or bool(self.constant)

    def _read(self, value: float, name: str, unit: str, equation: str, heights: dict[str, float]) -> float:
        assert self.curve is not None
        lever = {} if self.lever is None else {"lever of the wheel, before over after": self.lever}
        return solved(
            value,
            name,
            unit,
            equation=equation,
            inputs={**heights, "pairs": self.pairs, **lever},
            residual=self.curve.residual,
            residual_unit="m",
            source="least squares through the measured pairs",
        )

    def ratio(self, hub: float | None) -> float | None:
        """Motion ratio at a height."""
        if self.curve is None or hub is None:
            return self.constant if self.curve is None else None
        value = self.curve.ratio(float(self.origin) - float(hub))
        return self._read(value, self.name, "", AT, {"hub to arch": hub})

    def slope(self, hub: float | None) -> float | None:
        """How fast the ratio changes with wheel travel at a height; nothing for a constant ratio."""
        if self.curve is None or hub is None:
            return None
        value = self.curve.slope(float(self.origin) - float(hub))
        return self._read(value, "motion_ratio_slope", "1/m", AT, {"hub to arch": hub})

    def travel(self, start: float, to: float) -> float:
        """Travel, compression positive, as hub to arch goes from one height to another."""
        if self.curve is None:
            assert self.constant is not None
            return spring_travel_between(self.constant, start, to)
        ends = [self.curve.spring_travel(float(self.origin) - float(height)) for height in (to, start)]
        return self._read(ends[0] - ends[1], "spring_travel", "m", ALONG, {"from": start, "to": to})

    def wheel_travel(self, hub: float, travel: float) -> float:
        """Wheel travel from a height that moves the spring (or damper) by so much."""
        if self.curve is None:
            assert self.constant is not None
            return wheel_travel_of_spring(travel, self.constant)
        inputs = {"hub to arch": hub, "spring travel": travel}
        return self._read(self._solved(float(hub), float(travel)), "wheel_travel", "m", ALONG, inputs)

    def _solved(self, hub: float, wanted: float) -> float:
        """Newton's steps, kept within a bracket that halving narrows: they cannot run away on a cubic."""
        assert self.curve is not None
        at = self.origin - hub
        start, low, high, found = self.curve.spring_travel(at), -FARTHEST, FARTHEST, 0.0
        for _ in range(100):
            off = self.curve.spring_travel(at + found) - start - wanted
            low, high = (found, high) if off < 0 else (low, found)
            slope = self.curve.ratio(at + found)
            step = found - off / slope if slope > 0 else low
            found, was = (step if low < step < high else (low + high) / 2), found
            if abs(found - was) < EXACT:
                break
        return found

    def on_a_longer_lever(self, arm: float, further_out: float, found: float | None) -> "Coupling":
        """The same mount with the wheel further out on its arm; heights are counted from the one as found."""
        if self.curve is None:
            if not self.constant:
                return self
            return replace(self, constant=ratio_with_spacer(self.constant, arm, further_out))
        origin = float(self.origin if found is None else found)
        share = float(arm) / (float(arm) + float(further_out))
        curve = self.curve.shifted(float(self.origin) - origin).slowed(share)
        return replace(self, curve=curve, origin=origin, lever=ratio_with_spacer(1.0, arm, further_out))

    def along(self, hub: float) -> RatioCurve:
        """The ratio as a curve whose wheel travel is counted from a height, for solvers."""
        if self.curve is None:
            return constant_ratio(float(self.constant or 0.0))
        return self.curve.shifted(float(self.origin) - float(hub))
