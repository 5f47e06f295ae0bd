"""A stand-in for a travel logger: four wheels, each thrown by a bump every few seconds and swinging out."""

from collections import deque
from math import cos, exp, pi, sqrt
from random import Random
from typing import Any

from feder.instruments.kinds import CORNERS

RATE = 200
"""Readings of each wheel in a second."""
EVERY = 3.0
"""Seconds between bumps; the rear follows the front."""
BEHIND = 0.25


class Logger:
    """Travel of four wheels from where they stand, in bump positive."""

    per_second = 20.0

    def __init__(self, truth: dict[str, Any], seed: int) -> None:
        self._truth, self._dice, self._done = truth, Random(seed), 0
        self._bumps: deque[float] = deque(maxlen=8)

    def told(self, line: str) -> None:
        """It is fixed to the vehicle: nothing is told to it."""

    def travel(self, t: float, rear: bool) -> float:
        """Travel of a wheel at a time, m."""
        made, since = 0.0, t - (BEHIND if rear else 0.0)
        k = int(since // EVERY)
        for n in (k - 1, k):
            if n >= 0 and since >= n * EVERY:
                made += self._swing(since - n * EVERY)
        return made

    def _swing(self, t: float) -> float:
        omega, ratio = 2 * pi * self._truth["frequency"], self._truth["damping_ratio"]
        return float(-self._truth["bump"] * exp(-ratio * omega * t) * cos(omega * sqrt(1 - ratio * ratio) * t))

    def lines(self, now: float) -> list[str]:
        """What came since the last time, every set of readings after its time."""
        made: list[str] = []
        upto = min(int(now * RATE), self._done + RATE)
        for n in range(self._done, upto):
            t = n / RATE
            made.append(f"time {t:.4f} s")
            made += [
                f"{c} {(self.travel(t, c.startswith('rear')) + self._dice.gauss(0.0, 1e-4)) * 1e3:.2f} mm"
                for c in CORNERS
            ]
        self._done = max(self._done, int(now * RATE))
        return made
