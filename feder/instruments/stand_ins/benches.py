"""Stand-ins that press: a spring bench step by step, a damper bench speed by speed."""

from random import Random
from typing import Any

import numpy as np

STEPS = 10
EACH = 2
"""Sayings at each step: moving, then at rest."""


class SpringBench:
    """Presses a spring in ten steps when it is told to run, and lets go again."""

    per_second = 12.0

    def __init__(self, truth: dict[str, Any], seed: int) -> None:
        self._truth, self._dice, self._step = truth, Random(seed), -1

    def told(self, line: str) -> None:
        """`run`: press the spring."""
        if line.strip() == "run":
            self._step = 0

    def _force(self, squeeze: float) -> float:
        if "points" in self._truth:
            return float(np.interp(squeeze, *np.array(self._truth["points"]).T))
        return float(self._truth["rate"]) * squeeze

    def lines(self, now: float) -> list[str]:
        """What it says at this moment."""
        if self._step < 0:
            return ["deflection 0.00 mm steady", f"force {self._dice.gauss(0.0, 0.4):.1f} N moving"]
        step, phase = divmod(self._step, EACH)
        self._step = self._step + 1 if step < STEPS else -1
        squeeze = min(step + 1, STEPS) / STEPS * self._truth["travel"]
        rests = "steady" if phase else "moving"
        force = self._force(squeeze) + self._dice.gauss(0.0, 2.0)
        return [f"deflection {squeeze * 1e3:.2f} mm {rests}", f"force {force:.1f} N {rests}"]


class DamperBench:
    """Drives a damper at one speed after the other, out and in, when it is told to run; closing is positive."""

    per_second = 12.0
    SPEEDS = (0.025, 0.05, 0.08, 0.12, 0.2, 0.3, 0.45, 0.6)

    def __init__(self, truth: dict[str, Any], seed: int) -> None:
        self._truth, self._dice, self._step = truth, Random(seed), -1
        self._speeds = [s * w for s in self.SPEEDS for w in (1, -1)]

    def told(self, line: str) -> None:
        """`run`: drive the damper."""
        if line.strip() == "run":
            self._step = 0

    def lines(self, now: float) -> list[str]:
        """What it says at this moment."""
        if not 0 <= self._step < EACH * len(self._speeds):
            self._step = -1
            return ["speed 0.000 m/s moving"]
        at, phase = divmod(self._step, EACH)
        self._step += 1
        speed = self._speeds[at]
        force = float(np.interp(speed, *np.array(self._truth["points"]).T)) + self._dice.gauss(0.0, 2.0)
        rests = "steady" if phase else "moving"
        return [f"speed {speed:.3f} m/s {rests}", f"force {force:.1f} N {rests}"]
