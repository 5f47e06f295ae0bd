"""The kinds of instruments: what each is called, which names it reads, and what counts as steady."""

from dataclasses import dataclass
from typing import Literal, get_args

KindName = Literal["scales", "level", "height", "spring_bench", "damper_bench", "logger", "gauge"]
KINDS: tuple[KindName, ...] = get_args(KindName)
CORNERS = ("front_left", "front_right", "rear_left", "rear_right")
WHEELS = ("front", "rear")


@dataclass(frozen=True, slots=True)
class Kind:
    """One kind of instrument.

    `reads` gives the SI unit of each name; `spread` is how far apart, in SI, the readings of a second may lie
    where a device does not say itself whether it is steady.
    """

    words: str
    reads: dict[str, str]
    spread: float
    bare: str
    """Unit of a number that carries none."""
    caution: str = ""
    pairs: tuple[str, str] | None = None
    """Of a bench: what is set and what is read at it."""


KNOWN: dict[KindName, Kind] = {
    "scales": Kind(
        "corner scales",
        dict.fromkeys((*CORNERS, *WHEELS), "kg"),
        0.5,
        "kg",
        "A pad is not a stand: nobody goes under a vehicle that stands on scales",
    ),
    "level": Kind("level", {"angle": "rad"}, 0.0018, "deg"),
    "height": Kind("height gauge", {"height": "m"}, 5e-4, "mm"),
    "spring_bench": Kind(
        "spring bench",
        {"deflection": "m", "force": "N"},
        3.0,
        "N",
        "A pressed spring holds energy: screen shut, plates square, hands out before it is pressed",
        ("deflection", "force"),
    ),
    "damper_bench": Kind(
        "damper bench",
        {"speed": "m/s", "force": "N"},
        5.0,
        "N",
        "Clamp the damper by its eyes and keep clear of the crank while it turns",
        ("speed", "force"),
    ),
    "logger": Kind("travel logger", {"time": "s"} | dict.fromkeys((*CORNERS, *WHEELS), "m"), 5e-4, "mm"),
    "gauge": Kind("pressure gauge", {"pressure": "Pa"}, 1500.0, "bar"),
}
BARE = {"deflection": "mm", "speed": "m/s", "time": "s"}
"""Unit of a number without one, of the names of which it is not the kind's own."""


def bare_of(kind: KindName, name: str) -> str:
    """The unit in which a kind's number is meant that carries none."""
    return BARE.get(name, KNOWN[kind].bare)


FIELDS: dict[str, KindName] = {
    "Survey.mass": "scales",
    "Reading.mass": "scales",
    "Survey.hub_to_arch": "height",
    "Survey.floor_to_arch": "height",
    "Survey.sill": "height",
    "Reading.height": "height",
    "AtHeight.hub_to_arch": "height",
    "TorsionArm.hub_to_arch": "height",
    "HardPart.height": "height",
    "TorsionArm.angle": "level",
    "TorsionArm.right_angle": "level",
    "TorsionArm.chassis": "level",
    "SideSetup.free_angle": "level",
    "SideSetup.plate_set": "level",
    "SideSetup.plate_read": "level",
    "TorsionArm.ledge": "level",
    "LowerArm.angle": "level",
    "RatioFromLevers.spring_angle": "level",
    "WheelRound.camber": "level",
    "WheelRound.caster": "level",
    "WheelRound.toe_angle": "level",
    "AtHeight.camber": "level",
    "SideSetup.tyre_pressure": "gauge",
    "SideSetup.pressure": "gauge",
    "WheelRound.pressure_hot": "gauge",
}
"""Which kind of instrument measures what a field holds, by the field's name."""
