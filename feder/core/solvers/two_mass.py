"""Sprung and unsprung mass over the tyre: the two modes in which a corner swings."""

from math import pi, sqrt
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import note
from feder.core.numbers.quantities import Damping, Hertz, Mass, Rate, Ratio
from feder.core.numbers.working import checked, solved

IMAGINARY = 1e-9
"""Share of its size below which an eigenvalue's imaginary part is none."""
EIGEN = "eigenvalues of m_s a_s = -k(z_s - z_u) - c(v_s - v_u), m_u a_u = k(z_s - z_u) + c(v_s - v_u) - k_t z_u"


class Modes(NamedTuple):
    """Body's and wheel's mode: undamped frequency and damping ratio."""

    body_frequency: Hertz
    body_damping_ratio: Ratio
    hop_frequency: Hertz
    hop_damping_ratio: Ratio


@checked
def two_mass_modes(
    sprung_mass: Mass, unsprung_mass: Mass, wheel_rate: Rate, tyre_rate: Rate, damping: Damping
) -> Modes:
    """The modes of a corner with its tyre; `damping` is at the wheel, the damper's times its motion ratio squared.

    A mode that does not swing (a real pair) counts as one, and is noted.

    Raises:
        OutOfRange: on `damping` so large that a root is lost beside the others.
    """
    modes = _modes(*(float(v) for v in (sprung_mass, unsprung_mass, wheel_rate, tyre_rate, damping)))
    inputs = {
        "sprung mass": sprung_mass,
        "unsprung mass": unsprung_mass,
        "wheel rate": wheel_rate,
        "tyre rate": tyre_rate,
        "damping": damping,
    }

    def told(value: float, name: str, unit: str) -> float:
        return solved(value, name, unit, equation=EIGEN, inputs=inputs, source="eigenvalues of the two masses")

    (body, body_ratio), (hop, hop_ratio) = modes
    return Modes(
        told(body, "body_frequency", "Hz"),
        told(body_ratio, "body_damping_ratio", ""),
        told(hop, "hop_frequency", "Hz"),
        told(hop_ratio, "hop_damping_ratio", ""),
    )


def _modes(m: float, mu: float, k: float, kt: float, c: float) -> list[tuple[float, float]]:
    import numpy as np

    matrix = np.array(
        [[0, 1, 0, 0], [-k / m, -c / m, k / m, c / m], [0, 0, 0, 1], [k / mu, c / mu, -(k + kt) / mu, -c / mu]]
    )
    values = np.linalg.eigvals(matrix)
    swinging = sorted((v for v in values if v.imag > IMAGINARY * abs(v)), key=abs)
    still = sorted((-v.real for v in values if abs(v.imag) <= IMAGINARY * abs(v)), key=abs)
    pairs = [(abs(v) / 2 / pi, -v.real / abs(v)) for v in swinging]
    if any(a * b <= 0 for a, b in zip(still[::2], still[1::2], strict=True)):
        raise OutOfRange("damping", c, "is so far above critical that the slow motion cannot be told")
    real = [
        (sqrt(a * b) / 2 / pi, (a + b) / (2 * sqrt(a * b))) for a, b in zip(still[::2], still[1::2], strict=True)
    ]
    if len(real) == 2:
        note("neither mode swings: of the four real roots the two slower are called the body")
        return real
    if len(real) == 1:
        note("one mode does not swing: its two real roots are told as one")
        if still[0] < abs(swinging[0]) < still[1]:
            note(
                "the pair that swings lies between the two real roots: which is body and which wheel is arbitrary"
            )
    return sorted(pairs + real)
