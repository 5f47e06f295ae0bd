"""Stand-ins that show one quantity where they are held: scales, level, height gauge, pressure gauge."""

from math import cos, exp, pi
from random import Random
from typing import Any

from feder.instruments.kinds import KindName

UNITS: dict[str, tuple[str, float, int]] = {
    "scales": ("kg", 1.0, 1),
    "level": ("deg", 180 / pi, 2),
    "height": ("mm", 1e3, 1),
    "gauge": ("bar", 1e-5, 3),
}
"""Unit that each speaks in, what makes it of SI, and its decimals."""
SCATTER = {"scales": 0.12, "level": 0.0005, "height": 1.2e-4, "gauge": 300.0}
SWING = {"scales": 9.0, "level": 0.02, "height": 0.004, "gauge": 9000.0}
"""How far it is off at first, SI."""
NAMES = {"level": "angle", "height": "height", "gauge": "pressure"}
DIES, TURNS = 0.35, 1.7
"""Time constant of the swing in s, and its rhythm in Hz."""
RESTS = 6 * DIES
PER_SECOND = 8.0


class Gauge:
    """Shows what is true where it is held: swings, rests, scatters. Held where it knows nothing, it is silent."""

    per_second = PER_SECOND

    def __init__(self, kind: KindName, truth: dict[str, Any], seed: int) -> None:
        self.kind, self._truth, self._dice = kind, truth, Random(seed)
        self._since, self._at, self._now = 0.0, "", 0.0

    def told(self, line: str) -> None:
        """`at hub_to_arch front_left`: it is held there now."""
        if line.startswith("at "):
            self._at, self._since = line[3:].strip(), self._now

    def lines(self, now: float) -> list[str]:
        """What it says at this moment, s since it was switched on."""
        self._now = now
        since = now - self._since
        if self.kind == "scales":
            return [self._line(name, value, since, k) for k, (name, value) in enumerate(self._truth.items())]
        value = self._truth.get(self._at, self._truth.get("") if not self._at else None)
        return [] if value is None else [self._line(NAMES[self.kind], value, since, 0)]

    def _line(self, name: str, value: float, since: float, k: int) -> str:
        unit, scale, decimals = UNITS[self.kind]
        off = SWING[self.kind] * exp(-since / DIES) * cos(2 * pi * TURNS * since + k)
        read = value + off + self._dice.gauss(0.0, SCATTER[self.kind])
        return f"{name} {read * scale:.{decimals}f} {unit} {'steady' if since > RESTS else 'moving'}"
