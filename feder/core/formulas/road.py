"""Random roads by class (ISO 8608), and how the body of a person weighs vertical vibration (ISO 2631-1)."""

from math import pi, sqrt
from typing import Annotated, Any, Literal

from feder.core.numbers.quantities import Frequency, Ratio, Unit, Within
from feder.core.numbers.working import checked, formula, given, solved

RoadClass = Literal["A", "B", "C", "D", "E", "F", "G", "H"]
SHORTEST, LONGEST = 2.83, 0.011
"""Wave numbers between which the classes are told, cycle/m."""
AT = 0.1
"""Wave number at which a class is named by its density, cycle/m."""
WaveNumber = Annotated[float, Unit("cycle/m"), Within(LONGEST, SHORTEST)]
Density = Annotated[float, Unit("m^3")]

_MEANS: dict[RoadClass, float] = {
    "A": 16e-6, "B": 64e-6, "C": 256e-6, "D": 1024e-6, "E": 4096e-6, "F": 16384e-6, "G": 65536e-6, "H": 262144e-6,
}  # fmt: skip
"""Geometric mean of each class at 0.1 cycle/m, m³ (ISO 8608)."""


def class_density_of(road_class: RoadClass) -> float:
    """Density of a class at 0.1 cycle/m, m³."""
    return _MEANS[road_class]


@formula(result="density", source="ISO 8608: displacement density falls with the square of the wave number")
def density_at(class_density: Density, wave_number: WaveNumber) -> Density:
    """One-sided displacement density of a road of a class."""
    return class_density * (0.1 / wave_number) ** 2


@checked
def road_spectrum(road_class: RoadClass, wave_number: WaveNumber) -> Density:
    """One-sided displacement density of a road of a class, over wave number in cycles a metre."""
    mean = given(class_density_of(road_class), "class density", "m^3", source=f"ISO 8608, class {road_class}")
    return density_at(mean, wave_number)


_F1, _F2, _F3, _F4, _Q4, _F5, _Q5, _F6, _Q6 = 0.4, 100.0, 12.5, 12.5, 0.63, 2.37, 0.91, 3.35, 0.91


def wk_at(frequency: float) -> float:
    """|Wk| at a frequency in Hz (ISO 2631-1)."""
    return float(abs(wk_response(frequency)))


def wk_response(frequency: Any) -> Any:
    """Wk with its phase, at one frequency or many: high pass, low pass, acceleration to velocity, step."""
    s = 2j * pi * frequency
    w1, w2, w3, w4, w5, w6 = (2 * pi * f for f in (_F1, _F2, _F3, _F4, _F5, _F6))
    high = s * s / (s * s + sqrt(2) * w1 * s + w1 * w1)
    low = w2 * w2 / (s * s + sqrt(2) * w2 * s + w2 * w2)
    turn = (1 + s / w3) / (1 + s / (_Q4 * w4) + (s / w4) ** 2)
    step = (1 + s / (_Q5 * w5) + (s / w5) ** 2) / (1 + s / (_Q6 * w6) + (s / w6) ** 2) * (w5 / w6) ** 2
    return high * low * turn * step


@checked
def wk_weight(frequency: Frequency) -> Ratio:
    """How much a vertical vibration of a frequency counts for a seated or standing person, Wk."""
    return solved(
        wk_at(float(frequency)),
        "comfort_weight",
        "",
        equation="|Wk| = |s²/(s² + √2 w1 s + w1²) · w2²/(s² + √2 w2 s + w2²)"
        " · (1 + s/w3)/(1 + s/(Q4 w4) + (s/w4)²) · (w5/w6)² (1 + s/(Q5 w5) + (s/w5)²)"
        "/(1 + s/(Q6 w6) + (s/w6)²)|, s = 2πjf",
        inputs={"frequency": frequency},
        source="ISO 2631-1, weighting Wk",
    )
