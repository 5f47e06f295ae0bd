"""What readings teach about uncertain inputs: a normal prior, a normal scatter, a function between them."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from numpy import ndarray

ROUNDS = 4
CLOSE = 1e-3
"""Change of every input, in its own deviations, at which the search ends."""
DEAF = 1e-3
"""Share of the scatter below which an input moves no reading worth the trouble."""
Predict = Callable[[Sequence[float]], Sequence[float] | None]
"""Readings for inputs told in their own deviations from what is believed; nothing where it cannot stand so."""


@dataclass(frozen=True, slots=True)
class Posterior:
    """All inputs in their own prior deviations from what was believed."""

    moved: tuple[float, ...]
    deviation: tuple[float, ...]
    """1: nothing was learnt of it; towards 0: it is known now."""
    expected: tuple[float, ...]
    """Readings as they were expected, and how far each could well lie off, scatter counted."""
    spread: tuple[float, ...]
    then: tuple[float, ...]
    """Readings as they follow from what is believed now."""
    cover: tuple[tuple[float, ...], ...]
    """Covariance of the readings as expected, scatter counted."""
    ordinary: float
    """Chance of readings at least as far off, were all as believed: small where something needs explaining."""


def posterior(
    predict: Predict, inputs: int, readings: Sequence[float], scatters: Sequence[float]
) -> Posterior | None:
    """The most likely inputs by Gauss and Newton, linear about the end; nothing where none can be foretold."""
    import numpy as np  # here: most of what runs needs none of it
    from scipy.special import gammaincc

    start = predict([0.0] * inputs)
    if start is None:
        return None
    told, scatter = np.array(readings), np.array(scatters)
    cover = np.diag(scatter**2)
    at, here = np.zeros(inputs), np.array(start)
    heard = list(range(inputs))
    slopes = _slopes(predict, at, here, heard)
    heard = [i for i in heard if np.any(np.abs(slopes[:, i]) > DEAF * scatter)]
    off, first = told - here, slopes @ slopes.T + cover
    ordinary = float(gammaincc(len(told) / 2, off @ np.linalg.solve(first, off) / 2))
    for turn in range(ROUNDS):
        gain = slopes.T @ np.linalg.inv(slopes @ slopes.T + cover)
        new = gain @ (told - here + slopes @ at)
        reached = predict([float(v) for v in new])
        if reached is None:
            break
        change, at, here = float(np.max(np.abs(new - at), initial=0.0)), new, np.array(reached)
        if change < CLOSE or turn == ROUNDS - 1:
            break
        if turn == 0:  # later steps are short: the slopes of the first one serve
            slopes = _slopes(predict, at, here, heard)
    gain = slopes.T @ np.linalg.inv(slopes @ slopes.T + cover)
    left = np.sqrt(np.clip(1 - np.einsum("ij,ji->i", gain, slopes), 0.0, 1.0))
    return Posterior(
        moved=tuple(map(float, at)),
        deviation=tuple(map(float, left)),
        expected=tuple(map(float, start)),
        spread=tuple(map(float, np.sqrt(np.diag(first)))),
        then=tuple(map(float, here)),
        cover=tuple(tuple(map(float, row)) for row in first),
        ordinary=ordinary,
    )


def _slopes(predict: Predict, at: "ndarray", here: "ndarray", heard: Sequence[int]) -> "ndarray":
    """How far one deviation of each input moves each reading, from both sides where it can stand so."""
    import numpy as np

    found = np.zeros((len(here), len(at)))
    for i in heard:
        sides = []
        for way in (1.0, -1.0):
            moved = at.copy()
            moved[i] += way
            reached = predict([float(v) for v in moved])
            if reached is not None:
                sides.append(way * (np.array(reached) - here))
        if sides:
            found[:, i] = sum(sides) / len(sides)
    return found
