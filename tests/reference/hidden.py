"""Hidden vehicles: drawn from what is told within its tolerances, standing on the tests' own model.

A document tells what is believed. The hidden vehicle is the same with every uncertain number off by a normal
deviate of its tolerance, and perhaps with one mistake. Its adjusters stand where they were told to be set.
"""

import copy
import random
from dataclasses import dataclass, field
from typing import Any

from tests.reference.whole import Whole

CORNERS = ("front_left", "front_right", "rear_left", "rear_right")
TAPE = 0.0015
MISTAKES = ("strut", "collar", "pad", "tape", "load", "rolled", "bushes", "exchanged")
"""What may be hidden: each as often as the others."""


@dataclass
class Hidden:
    """One hidden vehicle: its plain data, its mistake, and what is added to readings by it."""

    data: dict[str, Any]
    index: int
    mistake: str | None = None
    place: str | None = None
    size: float = 0.0
    added: dict[str, float] = field(default_factory=dict)
    load: str | None = None

    def heights(self, data: dict[str, Any] | None = None) -> dict[str, float]:
        """Where it really stands."""
        wheels = Whole(data or self.data).stands(self.index, self.load)
        return {p: wheels[p].hub for p in CORNERS}

    def stands_at(self, collars: dict[str, float]) -> dict[str, float]:
        """Where it stands with its collars told to be elsewhere; what hides in it stays hidden."""
        data = copy.deepcopy(self.data)
        for place, by in collars.items():
            data["setups"][self.index]["sides"][place]["collar"] += by
        return self.heights(data)

    def read(self, dice: random.Random, times: int, heights: dict[str, float]) -> dict[str, list[float]]:
        """Readings by tape."""
        return {
            p: [h + self.added.get(p, 0.0) + dice.gauss(0.0, TAPE) for _ in range(times)]
            for p, h in heights.items()
        }


def drawn(told: dict[str, Any], setup: int, dice: random.Random, mistake: str | None = None) -> Hidden:
    """A vehicle from what is told of one: every uncertain number off by a deviate of its tolerance."""
    data = copy.deepcopy(told)
    for reading in data["surveys"][0]["readings"]:
        if reading["quantity"] == "mass":
            reading["value"] += dice.gauss(0.0, 1.0)
        elif reading["quantity"] == "hub_to_arch":
            reading["value"] += dice.gauss(0.0, TAPE)
    data["vehicle"]["wheelbase"]["value"] += dice.gauss(0.0, TAPE)
    for name in ("front", "rear"):
        end = data["vehicle"]["ends"][name]
        end["spring"]["ratio"]["value"] *= 1 + dice.gauss(0.0, 0.01)
        end["unsprung_mass"]["value"] += dice.gauss(0.0, 1.0)
        end["tyre"]["rate"]["value"] *= 1 + dice.gauss(0.0, 0.03)
        end["track"] += dice.gauss(0.0, TAPE)
    for place in CORNERS:
        side, found = data["setups"][setup]["sides"][place], data["setups"][0]["sides"][place]
        off = dice.gauss(0.0, 0.01)
        side["spring"]["rate"]["value"] *= 1 + off
        side["spring"]["free_length"] += dice.gauss(0.0, side["spring"]["tolerances"]["free_length"])
        side["seat"]["length"] += dice.gauss(0.0, side["seat"]["tolerances"]["length"])
        side["seat"]["hub_to_arch"] += dice.gauss(0.0, side["seat"]["tolerances"]["hub_to_arch"])
        found["spring"]["rate"]["value"] *= 1 + dice.gauss(0.0, 0.01)
    made = Hidden(data, setup)
    if mistake is not None:
        _hide(made, mistake, dice)
    return made


def _hide(made: Hidden, mistake: str, dice: random.Random) -> None:
    """Put a mistake in, of a size in which it is made."""
    sides = made.data["setups"][made.index]["sides"]
    made.mistake = mistake
    if mistake in ("rolled", "bushes"):
        made.place, made.size = dice.choice(("front", "rear")), dice.uniform(0.004, 0.009)
        made.added = {p: made.size for p in CORNERS if p.startswith(made.place)}
    elif mistake == "load":
        made.size = dice.choice((-1, 1)) * dice.uniform(60, 95)
        middle = 0.5 * made.data["vehicle"]["wheelbase"]["value"]
        items = [{"name": "somebody", "mass": made.size, "x": middle, "y": 0.36}]
        made.load = "hidden"
        made.data["loads"] = [*made.data["loads"], {"id": "hidden", "name": "hidden", "items": items}]
    elif mistake == "exchanged":
        made.place = "vehicle"
        for a, b in (("front_left", "rear_left"), ("front_right", "rear_right")):
            sides[a]["spring"], sides[b]["spring"] = sides[b]["spring"], sides[a]["spring"]
    else:
        made.place = dice.choice(CORNERS[:2] if mistake == "strut" else CORNERS)
        side = sides[made.place]
        if mistake == "strut":
            made.size = dice.uniform(0.005, 0.010)
            side["collar"] += made.size
        elif mistake == "collar":
            turns = dice.choice((-4, -3, 3, 4))
            made.size = turns
            side["collar"] += turns * side["seat"]["pitch"]
        elif mistake == "pad":
            made.size = dice.choice((-1, 1)) * dice.uniform(0.006, 0.010)
            side["pads"] = (side["pads"] or 0.0) + made.size
        else:
            made.size = dice.choice((-0.01, 0.01, 0.02, -0.02))
            made.added = {made.place: made.size}


SAYS = {
    "strut": ("strut not home",), "collar": ("collar miscounted",), "pad": ("a pad left out",),
    "tape": ("misread",),
    "load": ("seat",), "rolled": ("not rolled",), "bushes": ("bushes tightened",),
    "exchanged": ("front and rear springs",),
}  # fmt: skip
"""How a cause that was planted begins, or what it holds."""


def decided(hidden: Hidden, read: dict[str, float], total: float) -> dict[str, Any]:
    """What the deciding reading of its mistake shows, as a check of the round."""
    place, size = hidden.place, hidden.size
    here = f"{place}_left" if place in ("front", "rear") else place
    match hidden.mistake:
        case "strut":
            droop = hidden.data["vehicle"]["ends"]["front"]["limits"]["droop"]
            return {"about": "hanging", "place": place, "value": droop + size}
        case "collar":
            side = hidden.data["setups"][hidden.index]["sides"][place]
            return {"about": "collar", "place": place, "value": side["collar"] / side["seat"]["pitch"]}
        case "tape":
            return {"about": "again", "place": place, "value": read[place] - size}
        case "load":
            return {"about": "mass", "place": None, "value": total + size}
        case "rolled":
            return {"about": "rolled", "place": here, "value": read[here] - size}
        case "exchanged":
            return {"about": "mark", "place": "front_left", "value": 0}
        case _:
            return {"about": "mark", "place": here, "value": 0}
