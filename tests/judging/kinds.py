"""Kinds of mistakes that can be made on any car, whatever it is: put into vehicles drawn at random."""

from tests.judging.hands import FRONT, REAR, end, moved, over, reads, renamed, side
from tests.judging.mistakes import HUB_FLOOR, SWAP_ENDS, UNIT

SIDES = {"front": FRONT, "rear": REAR}


def _coil(document, name):
    spring = getattr(document.setups[0].sides, f"{name}_left").spring
    return spring if spring is not None and spring.kind == "coil" else None


def _rates(factor):
    def made(document, name):
        part = _coil(document, name)
        return (
            None
            if part is None
            else side(document, 0, SIDES[name], {"spring/rate/value": part.rate.value * factor})
        )

    return made


def _inverted(document, name):
    ratio = getattr(document.vehicle.ends, name).spring.ratio
    if ratio is None or ratio.value == 1:
        return None
    return end(document, name, {"spring/ratio/value": round(1 / ratio.value, 3)})


def _of_end(path, change):
    def made(document, name):
        node = getattr(document.vehicle.ends, name)
        for part in path.split("/"):
            node = getattr(node, part)
            if node is None:
                return None
        return end(document, name, {path: change(node, document, name)})

    return made


def _sprung(value, document, name):
    read = [r.value for r in document.surveys[0].readings if r.quantity == "mass" and r.place.end == name]
    return round(sum(read) / len(read) - value, 1)


def _from_floor(value, document, name):
    return value + getattr(document.vehicle.ends, name).tyre.radius


def _bar(document, name):
    part = getattr(document.setups[0].sides, f"{name}_left").spring
    if part is None or part.kind != "torsion bar":
        return None
    return side(document, 0, SIDES[name], {"spring/diameter": part.diameter / 2})


def _level(document, name):
    arm = getattr(document.vehicle.ends, name).arm
    return None if arm is None else end(document, name, {"arm/right_angle": -arm.right_angle})


def _stop(document, name):
    part = getattr(document.vehicle.ends, name).bump_stop
    if part.shaft - part.length < 0.015:
        return None
    return end(document, name, {"bump_stop/length": part.shaft, "bump_stop/shaft": part.length})


def _base(document, name):
    if name == "rear":
        return None
    base, track = document.vehicle.wheelbase.value, document.vehicle.ends.front.track
    return end(
        end(over(document, vehicle__wheelbase__value=track), "front", {"track": base}), "rear", {"track": base}
    )


def _whole(change):
    return lambda document, name: change(document) if name == "front" else None


def _left(quantity, change):
    return lambda document, name: reads(document, quantity, change, f"{name}_left")


def _axle(document, name):
    read = {r.place: r.value for r in document.surveys[0].readings if r.quantity == "mass"}
    return round(sum(v for p, v in read.items() if p.end == name))


def _axles(document):
    made = reads(document, "mass", lambda v: _axle(document, "front"), FRONT)
    return reads(made, "mass", lambda v: _axle(document, "rear"), REAR)


def _ends(document):
    """Only where the ends are unlike enough to tell."""
    front, rear = _axle(document, "front"), _axle(document, "rear")
    return moved(document, "mass", SWAP_ENDS) if front > 1.35 * rear else None


KINDS = {
    "rates in kgf/mm": (_rates(1 / 9.80665), UNIT),
    "rates in lbf/in": (_rates(5.71), UNIT),
    "a zero lost in a rate": (_rates(0.1), UNIT),
    "ratio inverted": (_inverted, ("cause_ratio_inverted",)),
    "whole axle unsprung": (_of_end("unsprung_mass/value", lambda v, d, n: v * 2), ("cause_whole_axle",)),
    "sprung typed as unsprung": (_of_end("unsprung_mass/value", _sprung), ("cause_sprung_for_unsprung",)),
    "tyre rate a tenth": (_of_end("tyre/rate/value", lambda v, d, n: v / 10), UNIT),
    "tyre rate in lbf/in": (_of_end("tyre/rate/value", lambda v, d, n: v * 5.71), UNIT),
    "tyre's diameter": (_of_end("tyre/radius", lambda v, d, n: v * 2), ("cause_diameter_for_radius",)),
    "track in inches": (_of_end("track", lambda v, d, n: v / 25.4), UNIT),
    "droop from the floor": (_of_end("limits/droop", _from_floor), ("cause_floor_for_hub",)),
    "solid from the floor": (_of_end("limits/solid", _from_floor), ("cause_floor_for_hub",)),
    "bar's radius": (_bar, ("cause_diameter_for_radius",)),
    "level turned": (_level, ("cause_level_turned", "level_turned")),
    "stop and shaft": (_stop, ("cause_two_exchanged",)),
    "wheelbase and track": (_base, ("cause_two_exchanged",)),
    "weights in pounds": (_whole(lambda d: reads(d, "mass", lambda v: round(v * 2.2046))), UNIT),
    "weights of axles": (_whole(_axles), ("cause_axle_for_corner",)),
    "ends' weights": (_whole(_ends), ("cause_ends_exchanged",)),
    "hub and floor": (_whole(lambda d: renamed(d, HUB_FLOOR)), ("cause_hub_and_floor_exchanged",)),
    "one hub a hundred too many": (_left("hub_to_arch", lambda v: v + 0.1), ("cause_one_height",)),
    "one floor 14 low": (_left("floor_to_arch", lambda v: v - 0.014), ("cause_one_height",)),
    "one weight 20 % off": (_left("mass", lambda v: round(v * 1.2)), ("cause_one_weight",)),
}
"""By name: how it is made at an end (nothing where the vehicle has no such thing), and the words that name it."""
