"""A road as heights at even steps of distance, under the left and the right wheels."""

from dataclasses import dataclass, replace
from functools import lru_cache
from math import log, pi
from typing import Any

import numpy as np
from numpy.typing import NDArray

from feder.core.document.road import RoadPiece, Trial
from feder.core.formulas.road import AT, LONGEST, SHORTEST, class_density_of
from feder.core.numbers.errors import OutOfRange

Array = NDArray[np.floating[Any]]
STEP = 0.005
"""Distance between heights, m."""
EDGE = 0.1
"""Distance over which a tyre climbs a sharp edge, m: its patch rolls over it."""
TAPER = 2.0
"""Distance in which a rough piece comes and goes, m; a quarter of a short one."""
FINER = 4
"""Waves of a random road lie closer than one over its length by so many times."""
FASTEST_WAVE, SLOWEST_WAVE = 20.0, 0.02
"""Wave numbers of an own profile that are kept, cycle/m."""
RANDOM = ("rough", "profile")
LEAVES_OUT, LONG = 2.0, 10.0
"""Of a random piece longer than so many seconds its first ones are left out of what is told of it."""


@dataclass(frozen=True)
class Stretch:
    """A part of the road that is told apart: between two distances of the front axle."""

    name: str
    start: float
    end: float
    random: bool
    quiet: float = 0.0
    """Distance from which on nothing more comes in it."""


@dataclass(frozen=True)
class Road:
    """Heights in rows: left, right. `kinks` are the distances at which the slope jumps."""

    heights: Array
    kinks: tuple[float, ...]
    stretches: tuple[Stretch, ...]
    step: float = STEP

    @property
    def length(self) -> float:
        return float((self.heights.shape[1] - 1) * self.step)

    def at(self, distance: Array) -> Array:
        """Heights at distances; flat before and after."""
        own = np.arange(self.heights.shape[1]) * self.step
        return np.array([np.interp(distance, own, row) for row in self.heights])


@lru_cache(maxsize=16)
def road_of(trial: Trial, track: float) -> Road:
    """The road of a trial under wheels a track apart; flat, as long as it lasts, for a manoeuvre."""
    if trial.manoeuvre is not None:
        length = trial.speed * (trial.manoeuvre.seconds + SETTLES)
        count = round(length / STEP) + 1
        return Road(
            np.zeros((2, count)),
            (),
            (Stretch(trial.manoeuvre.kind, 0.0, length, False, trial.speed * trial.manoeuvre.seconds),),
        )
    total = sum(p.length for p in trial.pieces)
    x = np.arange(round(total / STEP) + 1) * STEP
    heights, at, level = np.zeros((2, x.size)), 0.0, np.zeros(2)
    kinks: list[float] = []
    for number, piece in enumerate(trial.pieces):
        end = at + piece.length
        own = (x >= at - STEP / 2) & (x < end - STEP / 2) if number < len(trial.pieces) - 1 else x >= at - STEP / 2
        left, right = _sides(piece, x[own] - at, track, np.random.default_rng([trial.seed, number]))
        heights[:, own] = level[:, None] + np.stack([left, right])
        if piece.kind == "step":
            level = level + np.array(_signs(piece)) * float(piece.height or 0.0)
        kinks += [at, end, *(at + edge for edge in _edges(piece))]
        at = end
    return Road(heights, tuple(sorted(set(kinks))), _stretches(trial))


SETTLES = 3.0
"""Time after a manoeuvre for which its motion is followed, s."""


def _signs(piece: RoadPiece) -> tuple[float, float]:
    return {"both": (1.0, 1.0), "left": (1.0, 0.0), "right": (0.0, 1.0), "opposite": (1.0, -1.0)}[piece.sides]


def _sides(piece: RoadPiece, s: Array, track: float, random: np.random.Generator) -> tuple[Array, Array]:
    if piece.kind == "rough":
        left, right = _rough(piece, s, track, random)
    elif piece.kind == "profile":
        left, right = _own(piece, s)
    else:
        left = right = _shape(piece, s)
    a, b = _signs(piece)
    return a * left, b * right


def _shape(piece: RoadPiece, s: Array) -> Array:
    h, length = float(piece.height or 0.0), piece.length
    match piece.kind:
        case "bump":
            return np.asarray(h * np.sin(pi * np.clip(s / length, 0, 1)))
        case "step":
            return np.asarray(h * np.clip(s / EDGE, 0, 1))
        case "hole":
            edge = min(EDGE, length / 2)
            return np.asarray(-h * np.clip(np.minimum(s, length - s) / edge, 0, 1))
        case "waves":
            wave = float(piece.wave or 1.0)
            whole = int(length / wave + 1e-9) * wave
            return np.asarray(np.where(s < whole, h / 2 * (1 - np.cos(2 * pi * s / wave)), 0.0))
        case "sweep":
            return _swept(h, length, s)
        case _:
            return np.zeros_like(s)


SWEPT_FROM, SWEPT_TO = 20.0, 0.7
"""Wave lengths between which a swept sine runs, m."""


def _swept(height: float, length: float, s: Array) -> Array:
    """A sine whose waves grow shorter evenly from wave to wave, as high at each, faded in and out."""
    k = log(SWEPT_FROM / SWEPT_TO) / length
    phase = 2 * pi * (np.exp(k * s) - 1) / (k * SWEPT_FROM)
    return np.asarray(height / 2 * _faded(s, length) * np.sin(phase))


def _faded(s: Array, length: float) -> Array:
    inside = np.clip(np.minimum(s, length - s) / min(TAPER, length / 4), 0, 1)
    return np.asarray(0.5 - 0.5 * np.cos(pi * inside))


def _edges(piece: RoadPiece) -> tuple[float, ...]:
    """Where within a piece its slope jumps."""
    if piece.kind == "step":
        return (EDGE,)
    if piece.kind == "hole":
        edge = min(EDGE, piece.length / 2)
        return edge, piece.length - edge
    return ()


def _rough(piece: RoadPiece, s: Array, track: float, random: np.random.Generator) -> tuple[Array, Array]:
    """Two tracks of a class, as alike as those of an isotropic road a track apart (ISO 8608)."""
    assert piece.road_class is not None
    first, second = class_tracks(
        class_density_of(piece.road_class), piece.length, track, random, alike=piece.alike
    )
    faded = _faded(s, piece.length)
    return _level(first[: s.size], faded), _level(second[: s.size], faded)


def _level(heights: Array, faded: Array) -> Array:
    return np.asarray(faded * (heights - np.average(heights, weights=faded)))


def class_tracks(
    density: float,
    length: float,
    track: float,
    random: np.random.Generator,
    *,
    alike: bool = False,
    bins: int = FINER,
) -> tuple[Array, Array]:
    """Heights of both tracks at even steps: a sum of cosines, each of the density's share of its bin.

    The cross spectrum over the direct one is (2πnt)·K1(2πnt), n the wave number and t the track.
    """
    from scipy.special import k1

    width = 1 / (bins * length)
    low = np.arange(LONGEST, SHORTEST - width / 2, width)
    middle = low + width / 2
    amplitude = np.sqrt(2 * density * AT**2 * width / (low * (low + width)))  # ∫ n⁻² dn over the bin
    one, other = np.exp(2j * pi * random.uniform(size=(2, low.size)))
    near = 2 * pi * middle * max(track, 1e-6)
    shared = np.ones_like(middle) if alike else near * k1(near)
    count = round(bins * length / STEP)
    turn = np.exp(2j * pi * middle[0] * np.arange(round(length / STEP) + 1) * STEP)

    def heights(phases: Any) -> Array:
        lines = np.zeros(count, complex)
        lines[: low.size] = amplitude * phases
        summed = np.fft.ifft(lines) * count
        return np.asarray((np.resize(summed, turn.size) * turn).real)

    left = heights(one)
    return left, left if alike else heights(shared * one + np.sqrt(np.maximum(0.0, 1 - shared**2)) * other)


def _own(piece: RoadPiece, s: Array) -> tuple[Array, Array]:
    """A measured profile: its trend taken off, cut to the waves that a tyre and a ruler can tell."""
    from scipy.signal import butter, detrend, sosfiltfilt

    assert piece.points is not None
    x, left, right = np.array(piece.points, dtype=float).T
    if (np.diff(x) <= 0).any():
        raise OutOfRange(
            "points", float(x[1:][np.diff(x) <= 0][0]), "must lie one behind the other: distance rising"
        )
    rate = 1 / STEP
    made = []
    for row in (left, right):
        even = detrend(np.interp(s + x[0], x, row))
        cut = butter(2, [SLOWEST_WAVE, FASTEST_WAVE], "bandpass", fs=rate, output="sos")
        pad = min(even.size - 1, round(1 / (SLOWEST_WAVE * STEP)))
        made.append(_faded(s, piece.length) * sosfiltfilt(cut, even, padlen=pad))
    return made[0], made[1]


def _stretches(trial: Trial) -> tuple[Stretch, ...]:
    """Obstacles up to the next random piece are told together, every random piece by itself."""
    made: list[Stretch] = []
    at = 0.0
    for piece in trial.pieces:
        end, random, last = at + piece.length, piece.kind in RANDOM, made[-1] if made else None
        if piece.kind == "flat":
            if last is not None:
                made[-1] = replace(last, end=end)
        elif last is not None and not random and not last.random:
            name = last.name if last.name == _name(piece) else "obstacles"
            made[-1] = replace(last, name=name, end=end, quiet=end)
        else:
            made.append(Stretch(_name(piece), at, end, random, end))
        at = end
    return tuple(made) or (Stretch("flat", 0.0, at, False, 0.0),)


def _name(piece: RoadPiece) -> str:
    if piece.kind == "rough":
        return f"rough {piece.road_class}"
    return {"profile": "profile", "waves": "waves", "sweep": "sweep"}.get(piece.kind, f"{piece.kind}s")
