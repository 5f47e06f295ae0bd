"""The table of mistakes: how a person makes each, on which vehicle, what must be told first, and a near neighbour."""

from collections.abc import Callable
from dataclasses import dataclass

from feder.core.document.document import Document
from feder.demo.bramble import bramble
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.springs import demo_spring
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from tests.judging.hands import FRONT, REAR, again, at, end, moved, over, reads, renamed, side

Make = Callable[[], Document]


@dataclass(frozen=True)
class Mistake:
    """`rules` are the words that name it; `made` the vehicle with it, `near` one that looks like it and is sound."""

    how: str
    honest: Make
    made: Callable[[Document], Document]
    rules: tuple[str, ...]
    place: str
    near: Callable[[Document], Document] = lambda d: d
    setup: str = "plan"
    load: str | None = None


def m(how, honest, made, rules, place, near=lambda d: d, setup="plan", load=None):
    return Mistake(how, honest, made, (rules,) if isinstance(rules, str) else rules, place, near, setup, load)


SWAP_ENDS = {
    "front_left": "rear_left",
    "front_right": "rear_right",
    "rear_left": "front_left",
    "rear_right": "front_right",
}
HUB_FLOOR = {"hub_to_arch": "floor_to_arch", "floor_to_arch": "hub_to_arch"}
PULLS = {
    f"{s}_{a}": f"{s}_{b}"
    for s in ("extended", "bike", "rider")
    for a, b in (("lifted", "pressed"), ("pressed", "lifted"))
}
STATES = {f"{a}_{p}": f"{b}_{p}" for a, b in (("bike", "rider"), ("rider", "bike")) for p in ("lifted", "pressed")}
UNIT = ("cause_unit", "cause_power_of_ten")
SEATS = {
    # as found the kit's collar was read too: what load, rate and seat make of it agrees
    "front": {"seat": {"length": 0.2264, "hub_to_arch": 0.376, "pitch": 0.002, "thread": 0.06}, "collar": 0.0},
    "rear": {"seat": {"length": 0.1919, "hub_to_arch": 0.368, "pitch": 0.0015, "thread": 0.042}, "collar": 0.0},
}


def seated(document: Document | None = None) -> Document:
    """Nettle with seats and collars read as found, where its springs stand as load and rate make it."""
    made = document or nettle()
    for places, name, lengths in (
        (FRONT, "front", ((0.2233, 0.376), (0.2273, 0.374))),
        (REAR, "rear", ((0.1889, 0.368), (0.1938, 0.366))),
    ):
        for place, length in zip(places.split(), lengths, strict=True):
            seat = {**SEATS[name]["seat"], "length": length[0], "hub_to_arch": length[1]}
            made = side(made, 0, place, {"seat": seat, "collar": 0.001})
    return made


UNITS = [
    m("rear rates as found in kgf/mm", nettle, lambda d: side(d, 0, REAR, {"spring/rate/value": 2855.0}), UNIT, "rear",
      lambda d: side(d, 0, REAR, {"spring/rate/value": 24000.0})),
    m("front rates as found in lbf/in", nettle, lambda d: side(d, 0, FRONT, {"spring/rate/value": 148e3}), UNIT, "front",
      lambda d: side(d, 0, FRONT, {"spring/rate/value": 33e3})),
    m("all rates as found in kgf/mm", nettle,
      lambda d: side(side(d, 0, FRONT, {"spring/rate/value": 2651.0}), 0, REAR, {"spring/rate/value": 2855.0}), UNIT, "vehicle"),
    m("rear rate of the plan in kgf/mm", nettle, lambda d: side(d, 1, REAR, {"spring/rate/value": 6100.0}), UNIT, "rear",
      lambda d: side(d, 1, REAR, {"spring/rate/value": 55e3})),
    m("front rate of the plan in lbf/in", nettle, lambda d: side(d, 1, FRONT, {"spring/rate/value": 228e3}), UNIT, "front"),
    m("a zero lost in the front tyre's rate", nettle, lambda d: end(d, "front", {"tyre/rate/value": 21e3}), UNIT, "front",
      lambda d: end(d, "front", {"tyre/rate/value": 150e3})),
    m("tyre rate in lbf/in", nettle, lambda d: end(d, "rear", {"tyre/rate/value": 1200e3}), UNIT, "rear",
      lambda d: end(d, "rear", {"tyre/rate/value": 330e3})),
    m("weights in pounds", nettle, lambda d: reads(d, "mass", lambda v: round(v * 2.20462)), UNIT, "vehicle"),
    m("weights of a van in pounds", bramble, lambda d: reads(d, "mass", lambda v: round(v * 2.20462)), UNIT, "vehicle"),
    m("unsprung mass ten times too small", nettle, lambda d: end(d, "front", {"unsprung_mass/value": 3.4}), UNIT, "front",
      lambda d: end(d, "front", {"unsprung_mass/value": 28.0})),
    m("free length of the plan's rear springs in inches", nettle, lambda d: side(d, 1, REAR, {"spring/free_length": 0.0071}), UNIT, "rear"),
    m("free length as found a tenth", nettle, lambda d: side(d, 0, FRONT, {"spring/free_length": 0.033}), UNIT, "front"),
    m("wheelbase in inches", nettle, lambda d: over(d, vehicle__wheelbase__value=0.096), UNIT, "vehicle",
      lambda d: over(d, vehicle__wheelbase__value=2.2)),
    m("track in inches", nettle, lambda d: end(d, "front", {"track": 0.0551}), UNIT, "front",
      lambda d: end(d, "front", {"track": 1.30})),
    m("a zero too many in the wheelbase", sedge, lambda d: over(d, vehicle__wheelbase__value=25.4), UNIT, "vehicle"),
    m("loaded radius in inches", nettle, lambda d: end(d, "front", {"tyre/radius": 0.01134}), UNIT, "front"),
    m("tyre pressure in psi, taken for bar", nettle, lambda d: side(d, 1, FRONT, {"tyre_pressure": 28e5}), UNIT, "front",
      lambda d: side(d, 1, FRONT, {"tyre_pressure": 2.8e5})),
    m("hub to arch in inches", nettle, lambda d: reads(d, "hub_to_arch", lambda v: v / 25.4), UNIT, "vehicle"),
    m("damping a tenth", nettle, lambda d: _no_curves(end(d, "front", {"damper_coefficient/value": 190.0})), UNIT, "front",
      lambda d: _no_curves(end(d, "front", {"damper_coefficient/value": 1400.0}))),
    m("torsion bar's diameter in inches", tansy, lambda d: side(side(d, 0, REAR, {"spring/diameter": 0.00098}), 1, REAR, {"spring/diameter": 0.00098}), UNIT, "rear"),
    m("torsion bar's length a tenth", tansy, lambda d: side(d, 0, REAR, {"spring/effective_length": 0.098}), UNIT, "rear"),
    m("rider in pounds", magpie, lambda d: at(d, {"loads/0/items/0/mass": 205.0}), UNIT, "vehicle",
      lambda d: at(d, {"loads/0/items/0/mass": 98.0})),
    m("shock's rate in lbf/in", magpie, lambda d: side(d, 0, "rear", {"spring/rate/value": 514e3}), UNIT, "rear"),
    m("fork springs in kgf/mm", magpie, lambda d: side(d, 0, "front", {"spring/rate/value": 815.0}), UNIT, "front"),
    m("air pressure in psi, taken for bar", finch, lambda d: side(d, 0, "rear", {"pressure": 174e5}), UNIT, "rear"),
    m("full droop in cm", nettle, lambda d: end(d, "rear", {"limits/droop": 4.02}), UNIT, "rear"),
]  # fmt: skip


def _no_curves(document):
    for setup in range(len(document.setups)):
        document = side(document, setup, f"{FRONT} {REAR}", {"damper": None})
    return document


RATIOS = [
    m("strut's ratio inverted, 1.04", nettle, lambda d: end(d, "front", {"spring/ratio/value": 1.04}), "cause_ratio_inverted", "front",
      lambda d: end(d, "front", {"spring/ratio/value": 0.99})),
    m("strut's ratio inverted, 1.08", bramble, lambda d: end(d, "front", {"spring/ratio/value": 1.08}), "cause_ratio_inverted", "front"),
    m("inboard spring's ratio inverted, 1.39", nettle, lambda d: end(d, "rear", {"spring/ratio/value": 1.39}), "cause_ratio_inverted", "rear",
      lambda d: end(d, "rear", {"spring/ratio/value": 0.80})),
    m("inboard spring's ratio inverted, 1.15", nettle, lambda d: end(d, "rear", {"spring/ratio/value": 1.15}), "cause_ratio_inverted", "rear"),
    m("damper's ratio inverted", nettle, lambda d: end(d, "rear", {"damper/ratio/value": 1.0638}), ("cause_ratio_inverted", "odd_damper_further"), "rear",
      lambda d: end(d, "rear", {"damper/ratio/value": 0.90})),
    m("levers exchanged", nettle,
      lambda d: end(d, "rear", {"spring/ratio": {"kind": "levers", "spring_distance": 0.40, "wheel_distance": 0.288}}), "cause_ratio_inverted", "rear",
      lambda d: end(d, "rear", {"spring/ratio": {"kind": "levers", "spring_distance": 0.288, "wheel_distance": 0.40}})),
    m("columns of the sweep exchanged", nettle,
      lambda d: end(d, "rear", {"spring/ratio": {"kind": "sweep", "points": [[0.21 - 0.0144 * i, 0.402 - 0.02 * i] for i in range(5)]}}),
      "cause_ratio_inverted", "rear",
      lambda d: end(d, "rear", {"spring/ratio": {"kind": "sweep", "points": [[0.402 - 0.02 * i, 0.21 - 0.0144 * i] for i in range(5)]}})),
    m("leverage told the other way round", magpie,
      lambda d: end(d, "rear", {"spring/ratio/points": [[t, 1 / r] for t, r in d.vehicle.ends.rear.spring.ratio.points]}), "cause_ratio_inverted", "rear"),
    m("leverage of a bicycle the other way round", finch,
      lambda d: end(d, "rear", {"spring/ratio/points": [[t, 1 / r] for t, r in d.vehicle.ends.rear.spring.ratio.points]}), "cause_ratio_inverted", "rear"),
    m("ratio squared already", lambda: seated(), lambda d: end(d, "rear", {"spring/ratio/value": 0.5184}), ("cause_ratio_squared", "cause_mounts_exchanged"), "rear",
      lambda d: end(d, "rear", {"spring/ratio/value": 0.71})),
    m("spring and damper mounts exchanged", lambda: seated(),
      lambda d: end(d, "rear", {"spring/ratio/value": 0.94, "damper/ratio/value": 0.72}), "cause_mounts_exchanged", "rear"),
]  # fmt: skip

MASSES = [
    m("a whole axle's unsprung mass at each wheel", nettle, lambda d: end(d, "rear", {"unsprung_mass/value": 56.0}), "cause_whole_axle", "rear",
      lambda d: end(d, "rear", {"unsprung_mass/value": 33.0})),
    m("the same in front", nettle, lambda d: end(d, "front", {"unsprung_mass/value": 68.0}), "cause_whole_axle", "front"),
    m("a live axle's whole mass at each wheel", bramble, lambda d: end(d, "rear", {"unsprung_mass/value": 148.0}), "cause_whole_axle", "rear"),
    m("sprung mass typed as unsprung", nettle, lambda d: end(d, "front", {"unsprung_mass/value": 269.0}), "cause_sprung_for_unsprung", "front"),
    m("weights of the axles at each wheel", nettle,
      lambda d: reads(reads(d, "mass", lambda v: 606.0, FRONT), "mass", lambda v: 404.0, REAR), "cause_axle_for_corner", "vehicle"),
    m("the front axle's weight at both front wheels", nettle, lambda d: reads(d, "mass", lambda v: 606.0, FRONT), "cause_axle_for_corner", "front"),
    m("front and rear weights exchanged", nettle, lambda d: moved(d, "mass", SWAP_ENDS), "cause_ends_exchanged", "vehicle"),
    m("one weight 50 kg off", nettle, lambda d: reads(d, "mass", lambda v: v + 50, "front_left"), ("cause_one_weight",), "front_left",
      lambda d: reads(d, "mass", lambda v: v + 8, "front_left")),
    m("rear right and front right exchanged", nettle, lambda d: moved(d, "mass", {"front_right": "rear_right", "rear_right": "front_right"}),
      "cause_two_weights_exchanged", "vehicle"),
    m("weights repeated 30 kg apart", nettle, lambda d: again(d, "front_left", "mass", 338, "scales"), ("cause_one_repeat", "scattered_readings"), "front_left",
      lambda d: again(d, "front_left", "mass", 310, "scales")),
    m("weighed empty, read laden", lambda: seated(), lambda d: reads(d, "mass", lambda v: v - 75, REAR), "cause_weighed_otherwise", "rear",
      lambda d: reads(d, "mass", lambda v: v - 8, REAR)),
    m("driver in the load and on the scales", nettle,
      lambda d: at(d, {"loads": [{"id": "race", "name": "race", "items": [{"name": "driver", "mass": 78.0}]}]}), "counted_twice", "vehicle",
      lambda d: at(d, {"loads": [{"id": "race", "name": "race", "items": [{"name": "tools", "mass": 40.0}]}]})),
    m("bike's wheels exchanged on the scale", finch, lambda d: moved(reads(d, "mass", lambda v: v + 2.6, "rear"), "mass", {"front": "rear", "rear": "front"}),
      ("cause_ends_exchanged",), "vehicle"),
]  # fmt: skip

HEIGHTS = [
    m("hub and floor exchanged", nettle, lambda d: renamed(d, HUB_FLOOR), "cause_hub_and_floor_exchanged", "vehicle"),
    m("hub and floor exchanged at one corner", nettle, lambda d: renamed(d, HUB_FLOOR, "rear_right"), "cause_hub_and_floor_exchanged", "rear_right"),
    m("floor 10 mm low", nettle, lambda d: reads(d, "floor_to_arch", lambda v: v - 0.010, "front_left"), "cause_one_height", "front_left",
      lambda d: reads(d, "floor_to_arch", lambda v: v - 0.004, "front_left")),
    m("floor 12 mm high", sedge, lambda d: reads(d, "floor_to_arch", lambda v: v + 0.012, "rear_left"), ("cause_one_height", "hub_heights_differ", "tyre_in_the_air"), "rear_left"),
    m("a hundred too many in one hub", nettle, lambda d: reads(d, "hub_to_arch", lambda v: v + 0.1, "front_left"), "cause_one_height", "front_left"),
    m("two digits of one hub exchanged", nettle, lambda d: reads(d, "hub_to_arch", lambda v: 0.736, "front_left"), "cause_one_height", "front_left"),
    m("one corner from another point", nettle,
      lambda d: reads(reads(d, "hub_to_arch", lambda v: v + 0.025, "front_left"), "floor_to_arch", lambda v: v + 0.025, "front_left"), "cause_another_point", "front_left",
      lambda d: reads(reads(d, "hub_to_arch", lambda v: v + 0.006, "front_left"), "floor_to_arch", lambda v: v + 0.006, "front_left")),
    m("a height over the floor asked for", nettle, lambda d: side(d, 1, FRONT, {"hub_to_arch": 0.634}), "cause_floor_for_hub", "front",
      lambda d: side(d, 1, FRONT, {"hub_to_arch": 0.360})),
    m("full droop read from the floor", nettle, lambda d: end(d, "front", {"limits/droop": 0.708}), "cause_floor_for_hub", "front",
      lambda d: end(d, "front", {"limits/droop": 0.440})),
    m("all limits of the rear from the floor", nettle,
      lambda d: end(d, "rear", {"limits/droop": 0.690, "limits/stop": 0.6017, "limits/solid": 0.589, "limits/contact": 0.572}), "cause_floor_for_hub", "rear"),
    m("one hub repeated 12 mm apart", nettle, lambda d: again(d, "front_left", "hub_to_arch", 0.388), ("cause_one_repeat", "scattered_readings"), "front_left",
      lambda d: again(d, "front_left", "hub_to_arch", 0.380)),
    m("hub mistyped, no floor read", lambda: _hubs_only(nettle()), lambda d: reads(d, "hub_to_arch", lambda v: 0.476, "front_left"), "cause_one_height", "front_left"),
]  # fmt: skip


def _hubs_only(document):
    kept = [
        r
        for r in document.model_dump(mode="json")["surveys"][0]["readings"]
        if r["quantity"] in ("hub_to_arch", "mass")
    ]
    return at(document, {"surveys/0/readings": kept})


LENGTHS = [
    m("wheelbase and track exchanged", nettle,
      lambda d: end(end(over(d, vehicle__wheelbase__value=1.40), "front", {"track": 2.44}), "rear", {"track": 2.44}), "cause_two_exchanged", "vehicle"),
    m("the tyre's diameter as its radius", nettle, lambda d: end(d, "front", {"tyre/radius": 0.576}), "cause_diameter_for_radius", "front",
      lambda d: end(d, "front", {"tyre/radius": 0.295})),
    m("a motorcycle tyre's diameter as its radius", magpie, lambda d: end(d, "rear", {"tyre/radius": 0.624}), "cause_diameter_for_radius", "rear"),
    m("droop and solid exchanged", nettle, lambda d: end(d, "front", {"limits/droop": 0.303, "limits/solid": 0.420}), "cause_two_exchanged", "front"),
    m("stop and shaft exchanged", nettle, lambda d: end(d, "front", {"bump_stop/length": 0.064, "bump_stop/shaft": 0.045}), "cause_two_exchanged", "front"),
    m("the bar's radius as its diameter", tansy, lambda d: side(side(d, 0, REAR, {"spring/diameter": 0.0125}), 1, REAR, {"spring/diameter": 0.0125}), "cause_diameter_for_radius", "rear",
      lambda d: side(side(d, 0, REAR, {"spring/diameter": 0.024}), 1, REAR, {"spring/diameter": 0.024})),
    m("a longitudinal bar's radius as its diameter", teasel, lambda d: side(side(d, 0, FRONT, {"spring/diameter": 0.0135}), 1, FRONT, {"spring/diameter": 0.0135}), "cause_diameter_for_radius", "front"),
    m("a shock's stroke as the travel", finch, lambda d: end(d, "rear", {"travel": 0.060}), "cause_stroke_for_travel", "rear",
      lambda d: end(d, "rear", {"travel": 0.140})),
    m("the same on a motorcycle", magpie, lambda d: end(d, "rear", {"travel": 0.060}), "cause_stroke_for_travel", "rear"),
    m("head angle as rake", finch, lambda d: end(d, "front", {"fork/rake": 1.1345}), "cause_angle_from_floor", "front",
      lambda d: end(d, "front", {"fork/rake": 0.45})),
    m("head angle as rake, motorcycle", magpie, lambda d: end(d, "front", {"fork/rake": 1.1257}), "cause_angle_from_floor", "front"),
]  # fmt: skip

CYCLES = [
    m("lifted and pressed exchanged", magpie, lambda d: renamed(d, PULLS), "cause_pulls_exchanged", "vehicle"),
    m("lifted and pressed exchanged, bicycle", finch, lambda d: renamed(d, PULLS), "cause_pulls_exchanged", "vehicle"),
    m("bike alone and rider on exchanged", magpie, lambda d: renamed(d, STATES, "rear"), "cause_states_exchanged", "rear"),
    m("the same in front of a bicycle", finch, lambda d: renamed(d, STATES, "front"), "cause_states_exchanged", "front"),
    m("sag fixed by preload on a soft spring", lambda: _sag_right(8.0e3), lambda d: _sag_right(5.5e3), "spring_too_soft", "front"),
]  # fmt: skip


def _sag_right(rate):
    document = side(
        magpie(),
        1,
        "front",
        {"spring/rate/value": rate, "set_by": "rider sag", "rider_sag": 0.0316, "seat/thread": 0.06},
    )
    return side(document, 0, "front", {"spring/rate/value": 8.0e3})


TORSION = [
    m("level turned round on the right", tansy, lambda d: end(d, "rear", {"arm/right_angle": -0.1475}), ("cause_level_turned", "level_turned"), "rear",
      lambda d: end(d, "rear", {"arm/right_angle": 0.1500})),
    m("the same near level", lambda: end(tansy(), "rear", {"arm/angle": 0.0314, "arm/right_angle": 0.0300}),
      lambda d: end(d, "rear", {"arm/right_angle": -0.0297}), ("cause_level_turned", "level_turned"), "rear"),
    m("right arm 3 degrees off", tansy, lambda d: end(d, "rear", {"arm/right_angle": 0.1475 + 0.0524}), "arms_apart", "rear",
      lambda d: end(d, "rear", {"arm/right_angle": 0.1475 + 0.004})),
    m("level not zeroed on the chassis", tansy, lambda d: end(d, "rear", {"arm/chassis": None}), "level_not_zeroed", "rear"),
]  # fmt: skip

SETTINGS = [
    m("clicks of one side from the other end", nettle, lambda d: side(d, 1, "front_right", {"rebound/count": 10}), "clicks_other_end", "front",
      lambda d: side(d, 1, FRONT, {"rebound/count": 9})),
    m("clicks 10 against 8 of 24", nettle, lambda d: side(side(d, 1, FRONT, {"rebound/of": 24}), 1, "front_right", {"rebound/count": 10}), "clicks_unlike", "front"),
    m("clicks past the range", nettle, lambda d: side(d, 1, REAR, {"bump/count": 22}), "clicks_past_range", "rear_left"),
    m("high-speed clicks past their range", magpie, lambda d: side(d, 1, "rear", {"high_bump/count": 6}), "clicks_past_range", "rear",
      lambda d: side(d, 1, "rear", {"high_bump/count": 4})),
    m("clicks from both ends", nettle, lambda d: side(d, 1, FRONT, {"bump/counted_from": "fully open"}), "clicks_from_both_ends", "vehicle"),
    m("collars typed 6 mm apart", lambda: _collars(0.030, 0.030), lambda d: _collars(0.030, 0.036), "unequal_collars", "front",
      lambda d: _collars(0.030, 0.031)),
    m("stop cut by eye", lambda: side(end(nettle(), "front", {"limits/contact": None}), 1, FRONT, {"stop/length": 0.045}), lambda d: side(d, 1, FRONT, {"stop/length": 0.030}), "stop_cut_by_eye", "front_left",
      lambda d: side(d, 1, FRONT, {"stop/length": 0.045})),
    m("25 mm spacers", nettle, lambda d: side(d, 1, REAR, {"spacer": 0.025}), "wheels_further_out", "rear_left"),
    m("25 mm spacers, arch never read", lambda: end(nettle(), "rear", {"limits/contact": None}), lambda d: side(d, 1, REAR, {"spacer": 0.025}), "wheels_further_out", "rear_left"),
    m("toe that eats tyres", nettle, lambda d: side(d, 1, FRONT, {"toe": -0.0012}), "toe_wears", "front",
      lambda d: side(d, 1, FRONT, {"toe": -0.0007})),
    m("toe typed in degrees", nettle, lambda d: side(d, 1, FRONT, {"toe": 0.20}), ("odd_toe",), "front"),
    m("camber with the wrong sign", nettle, lambda d: side(d, 1, FRONT, {"camber": 0.08}), ("odd_camber",), "front",
      lambda d: side(d, 1, FRONT, {"camber": -0.06})),
    m("longer spring of the same rate for a load", bramble, lambda d: side(d, 1, REAR, {"spring": _longer(d)}), "longer_same_rate", "rear"),
    m("preload for stiffness", lambda: _wound(0.001), lambda d: _wound(0.007), "preload_not_stiffer", "front"),
    m("unlike springs", nettle, lambda d: side(d, 1, "rear_left", {"spring/rate/value": 57e3}), "unlike_sides", "rear"),
    m("stop trimmed too short", nettle, lambda d: side(d, 1, FRONT, {"stop/length": 0.012}), "stop_too_short", "front_left"),
    m("a divorced end made coilover", nettle,
      lambda d: at(d, {"setups/1/rear_end": {"layout": "wishbone", "spring": {"ratio": {"kind": "ratio", "value": 0.94}}}}), "mount_to_be_asked", "rear_left"),
    m("plate exceeded", nettle, lambda d: over(d, vehicle__plate__front_axle=600), "plate_exceeded", "vehicle"),
    m("drop onto the stops", nettle, lambda d: side(d, 1, FRONT, {"hub_to_arch": 0.316}), "rests_on_stop", "front_left"),
    m("drop onto the damper", nettle, lambda d: side(d, 1, FRONT, {"hub_to_arch": 0.300}), "rests_on_solid", "front_left"),
    m("loose at droop", nettle, lambda d: side(d, 1, REAR, {"spring": demo_spring(60, 160, 70).model_dump(mode="json")}), "loose_at_droop", "rear_left"),
    m("coil bind", nettle, lambda d: side(d, 1, REAR, {"spring/solid_length": 0.110}), "binds_first", "rear_left"),
]  # fmt: skip


def _wound(collar):
    """The springs found, their collars up a little."""
    made, found = seated(), seated().model_dump(mode="json")["setups"][0]["sides"]
    for place in FRONT.split():
        kept = {"spring": found[place]["spring"], "seat": found[place]["seat"]}
        made = side(made, 1, place, {**kept, "set_by": "collar", "collar": collar, "stop": None})
    return made


def _collars(left, right):
    made = side(nettle(), 1, "front_left", {"set_by": "collar", "collar": left})
    return side(made, 1, "front_right", {"set_by": "collar", "collar": right})


def _longer(document):
    found = document.model_dump(mode="json")["setups"][0]["sides"]["rear_left"]["spring"]
    return {**found, "code": "longer", "free_length": found["free_length"] + 0.03}


MISTAKES = [*UNITS, *RATIOS, *MASSES, *HEIGHTS, *LENGTHS, *CYCLES, *TORSION, *SETTINGS]
