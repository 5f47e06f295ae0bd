"""What a random road does to a corner: the linear quarter vehicle, integrated over the class's spectrum."""

from math import log, pi
from typing import TYPE_CHECKING, Annotated, NamedTuple

from feder.core.formulas.road import AT, LONGEST, SHORTEST, RoadClass, class_density_of, wk_at
from feder.core.numbers.notes import note
from feder.core.numbers.quantities import Above, Mass, Metre, Newton, Rate, Speed, Unit
from feder.core.numbers.working import checked, solved
from feder.core.solvers.two_mass import two_mass_modes

if TYPE_CHECKING:
    import numpy as np

Acceleration = Annotated[float, Unit("m/s^2")]
SomeDamping = Annotated[float, Unit("N*s/m"), Above(0)]
PANELS, POINTS = 160, 12
"""Panels of the integral, even in the logarithm of the wave number, and Gauss points in each."""
NEAR = tuple(2.0**j for j in range(-4, 9))
"""Edges of further panels about a mode, in its half widths."""
EQUATION = (
    "r.m.s.² = ∫ |H(2πnV)|² Gd(n) dn from 0.011 to 2.83 cycle/m; H from m_s a_s = -k(z_s - z_u) - c(v_s - v_u), "
    "m_u a_u = k(z_s - z_u) + c(v_s - v_u) - k_t(z_u - z_r)"
)


class RoadResponse(NamedTuple):
    """Root mean squares on a road: the body's acceleration, plain and weighed by a person, tyre load, travel."""

    acceleration: Acceleration
    weighted_acceleration: Acceleration
    tyre_load: Newton
    """Of its change about the mean."""
    travel: Metre
    """Body less wheel."""


@checked
def road_response(
    road_class: RoadClass,
    speed: Speed,
    sprung_mass: Mass,
    unsprung_mass: Mass,
    wheel_rate: Rate,
    tyre_rate: Rate,
    damping: SomeDamping,
) -> RoadResponse:
    """A corner on a road of a class; `damping` is at the wheel, both ways alike.

    Raises:
        OutOfRange: on `damping` so large that a mode is lost.
    """
    v, m, mu, k, kt, c = (float(x) for x in (speed, sprung_mass, unsprung_mass, wheel_rate, tyre_rate, damping))
    modes = two_mass_modes(m, mu, k, kt, c)
    if v * SHORTEST < modes.hop_frequency:
        note(
            f"at this speed the road's shortest waves come {v * SHORTEST:.1f} times a second, below the wheel hop "
            f"of {modes.hop_frequency:.1f} Hz: the tyre load on a real road is larger"
        )
    known = ((modes.body_frequency, modes.body_damping_ratio), (modes.hop_frequency, modes.hop_damping_ratio))
    points, weights = nodes(v, known)
    density = class_density_of(road_class) * (AT / points) ** 2
    body, wheel = transfer(2 * pi * v * points, m, mu, k, kt, c)
    omega = 2 * pi * v * points
    felt = [wk_at(float(f)) for f in v * points]
    inputs = {
        "speed": speed, "sprung mass": sprung_mass, "unsprung mass": unsprung_mass, "wheel rate": wheel_rate,
        "tyre rate": tyre_rate, "damping": damping,
    }  # fmt: skip

    def told(response: "np.ndarray", name: str, unit: str) -> float:
        mean = float((abs(response) ** 2 * density) @ weights) ** 0.5
        return solved(mean, name, unit, equation=EQUATION, inputs=inputs, source=f"ISO 8608, class {road_class}")

    acceleration = omega**2 * body
    return RoadResponse(
        told(acceleration, "road_acceleration", "m/s^2"),
        told(acceleration * felt, "weighted_acceleration", "m/s^2"),
        told(kt * (1 - wheel), "tyre_load_change", "N"),
        told(body - wheel, "road_travel", "m"),
    )


def transfer(
    omega: "np.ndarray", m: float, mu: float, k: float, kt: float, c: float
) -> tuple["np.ndarray", "np.ndarray"]:
    """Height of body and of wheel to that of the road, complex, at each angular frequency."""
    link = k + 1j * omega * c
    share = link / (link - m * omega**2)  # body to wheel
    wheel = kt / (kt + link - mu * omega**2 - link * share)
    return share * wheel, wheel


def nodes(speed: float, modes: tuple[tuple[float, float], ...]) -> tuple["np.ndarray", "np.ndarray"]:
    """Wave numbers and weights of the integral, closer about each mode the sharper it is."""
    import numpy as np

    low, high = log(LONGEST), log(SHORTEST)
    edges = {low + (high - low) * i / PANELS for i in range(PANELS + 1)}
    for frequency, ratio in modes:
        middle = log(frequency / speed)
        for near in NEAR:
            edges |= {e for sign in (-1, 1) if low < (e := middle + sign * near * min(ratio, 1.0)) < high}
        if low < middle < high:
            edges.add(middle)
    ordered = np.array(sorted(edges))
    at, weight = np.polynomial.legendre.leggauss(POINTS)
    half, middles = np.diff(ordered) / 2, (ordered[1:] + ordered[:-1]) / 2
    points = np.exp((middles[:, None] + half[:, None] * at).ravel())
    return points, (half[:, None] * weight).ravel() * points
