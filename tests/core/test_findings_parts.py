"""Findings on parts, stops, arms and sag: each fires on one document and not on its near neighbour."""

from math import radians, sin

import pytest

from feder.core.document.base import ForceValue, LengthValue, RateValue
from feder.core.document.setup import CoilBeside, SpringPart, StopTrim
from feder.core.document.vehicle import AntiRollBar, BumpStopPart, LowerArm
from feder.core.report.evaluate import evaluate
from feder.demo.nettle import nettle
from feder.demo.tansy import tansy
from tests.changes import with_end, with_side
from tests.documents import AIR, ARM, BAR, on_bars, roadster


def told(document, setup="plan", load=None):
    return {(f.rule, f.place) for f in evaluate(document, setup, load).findings}


def both(document, end, setup="plan", **members):
    for side in ("left", "right"):
        document = with_side(document, setup, f"{end}_{side}", **members)
    return document


def banded(most):
    part = nettle().setups[1].sides.front_left.spring.model_copy(update={"most_load": most})
    return with_side(nettle(), "plan", "front_left", spring=part)


def unlike(left, right):
    """Unlike rear springs as found; the plan has them on these sides."""
    parts = {c: SpringPart(code=c, rate=RateValue(value=28e3), free_length=0.275) for c in "ab"}
    document = nettle()
    for setup, (first, second) in (("found", "ab"), ("plan", (left, right))):
        document = with_side(document, setup, "rear_left", spring=parts[first])
        document = with_side(document, setup, "rear_right", spring=parts[second])
    return document


def kept(by):
    """The standard front springs kept, the front raised or lowered on a collar by so much."""
    part = nettle().setups[0].sides.front_left.spring
    return both(nettle(), "front", spring=part, set_by="collar", collar=by, hub_to_arch=None, seat=None)


def stopped(trim, hub=0.354):
    stop = BumpStopPart(length=0.060, shaft=0.080, hub_to_arch=0.360)
    document = with_end(nettle(), "front", bump_stop=stop)
    return both(document, "front", stop=StopTrim(length=trim), hub_to_arch=hub)


def armed(degrees):
    return with_end(nettle(), "front", lower_arm=LowerArm(length=0.34, angle=radians(degrees), hub_to_arch=0.376))


def barred(**members):
    return with_end(on_bars(nettle()), "rear", arm=ARM.model_copy(update=members))


def turned_bar(hub):
    return both(on_bars(nettle()), "rear", hub_to_arch=hub)


def fitted(toe):
    document = both(nettle(), "front", toe=toe)
    plan = document.setups[1].model_copy(update={"stage": "fitted"})
    return document.model_copy(update={"setups": (document.setups[0], plan)})


def springed(**members):
    """The plan's front left spring with some of its numbers changed."""
    part = nettle().setups[1].sides.front_left.spring.but(**members)
    return with_side(nettle(), "plan", "front_left", spring=part)


def pointed(*forces, first=0.0):
    points = tuple((first + 0.02 * i, f) for i, f in enumerate(forces))
    return springed(points=points, tender_rate=None, tender_travel=None)


def carried():
    """What the plan's front left spring carries at ride."""
    return float(evaluate(nettle(), "plan").corners["front_left"].spring_force.value)


def tendered(share):
    """A tender that closes at a share of what the spring carries, its main spring as it is."""
    return springed(tender_rate=20e3, tender_travel=share * carried() / 20e3)


def drooping(droop):
    limits = on_bars(nettle()).vehicle.ends.rear.limits.but(droop=droop)
    return with_end(on_bars(nettle()), "rear", limits=limits)


def slack_from():
    """Hub to arch at which the demo arm hangs at its free angle: there the bar is unwound."""
    free = float(evaluate(on_bars(nettle()), "plan").corners["rear_left"].free_angle.value)
    return 0.368 + 0.38 * (sin(free) - sin(radians(12.0)))


def barred_right(diameter):
    return with_side(on_bars(nettle()), "plan", "rear_right", spring=BAR.but(diameter=diameter))


def pumped(share):
    bike = roadster(shock=AIR)
    pressure = float(evaluate(bike, "found").corners["rear"].pressure.value)
    return with_side(bike, "found", "rear", pressure=pressure * share)


def long(free):
    part = nettle().setups[1].sides.front_left.spring.model_copy(update={"free_length": free})
    return with_side(nettle(), "plan", "front_left", spring=part)


def seated(**members):
    seat = nettle().setups[1].sides.front_left.seat.model_copy(update=members)
    return with_side(nettle(), "plan", "front_left", seat=seat)


def lowered(quoted):
    """The standard rear spring shortened so that the rear comes down by 35 mm, against what is quoted."""
    part = nettle().setups[0].sides.rear_left.spring
    short = part.model_copy(update={"free_length": part.free_length - 0.035 * 0.72, "quoted_drop": quoted})
    return both(nettle(), "rear", spring=short, set_by="collar", collar=0.0, hub_to_arch=None, seat=None)


def rolling(bar):
    """The demo car with its heights for roll, and a bar at the rear."""
    vehicle = nettle().vehicle.model_copy(update={"sprung_cg_height": LengthValue(value=0.56)})
    document = nettle().model_copy(update={"vehicle": vehicle})
    document = with_end(document, "front", roll_centre=0.06)
    fitted = AntiRollBar(rate=RateValue(value=bar)) if bar else None
    return with_end(document, "rear", roll_centre=0.10, bar=fitted)


# rule: place, setup, load state, where it fires, a near neighbour where it does not
CASES = {
    "points_no_table": (
        "front_left",
        "plan",
        None,
        lambda: pointed(0, 900, 850, 3e4),
        lambda: pointed(0, 900, 1850, 3e4),
    ),
    "past_its_points": (
        "front_left",
        "plan",
        None,
        lambda: pointed(0, 900, carried() * 0.95),
        lambda: pointed(0, 900, carried() * 1.6),
    ),
    "rides_at_crossover": ("front_left", "plan", None, lambda: tendered(0.99), lambda: tendered(0.90)),
    "wire_disagrees": (
        "front_left",
        "plan",
        None,
        # wire and coil of 11.9 mm on 60 mm inside, 6 coils: k = G d^4 / 8 D^3 n
        lambda: springed(
            wire_diameter=0.0119,
            inside_diameter=0.060,
            active_coils=6.0,
            rate=RateValue(value=1.12 * 79.3e9 * 0.0119**4 / 8 / 0.0719**3 / 6),
        ),
        lambda: springed(
            wire_diameter=0.0119,
            inside_diameter=0.060,
            active_coils=6.0,
            rate=RateValue(value=1.08 * 79.3e9 * 0.0119**4 / 8 / 0.0719**3 / 6),
        ),
    ),
    "solid_not_told": (
        "front_left",
        "plan",
        None,
        lambda: springed(solid_length=None),
        lambda: springed(solid_length=0.08),
    ),
    "slack_at_droop": (
        "rear_left",
        "plan",
        None,
        lambda: drooping(slack_from() + 0.003),
        lambda: drooping(slack_from() - 0.003),
    ),
    "unlike_bars": ("rear", "plan", None, lambda: barred_right(0.0230), lambda: barred_right(0.0225)),
    "load_band_exceeded": ("front_left", "plan", None, lambda: banded(2700), lambda: banded(2900)),
    "springs_swapped": ("rear", "plan", None, lambda: unlike("b", "a"), lambda: unlike("a", "b")),
    "bar_on_wrong_side": (
        "rear_left",
        "plan",
        None,
        lambda: with_side(
            on_bars(nettle()), "plan", "rear_left", spring=BAR.model_copy(update={"handed": "right"})
        ),
        lambda: with_side(
            on_bars(nettle()), "plan", "rear_left", spring=BAR.model_copy(update={"handed": "left"})
        ),
    ),
    "preload_not_stiffer": ("front", "plan", None, lambda: kept(0.010), lambda: kept(0.001)),
    "damper_mounts_loaded": (
        "rear_left",
        "plan",
        None,
        lambda: both(tansy(), "rear", beside=CoilBeside(rate=RateValue(value=8e3), hold=0.01)),
        tansy,
    ),
    "plate_reads_otherwise": (
        "rear_left",
        "plan",
        None,
        lambda: with_side(on_bars(nettle()), "found", "rear_left", free_angle=radians(28.7)),
        lambda: with_side(on_bars(nettle()), "found", "rear_left", free_angle=radians(30.4)),
    ),
    "indexing_not_stiffer": ("rear", "plan", None, lambda: turned_bar(0.350), lambda: turned_bar(0.368)),
    "pressure_disagrees": ("rear", "found", None, lambda: pumped(1.2), lambda: pumped(1.05)),
    "air_out_of_reach": (
        "rear",
        "plan",
        None,
        lambda: with_side(roadster(shock=AIR), "plan", "rear", hub_to_arch=0.22),
        lambda: with_side(roadster(shock=AIR), "plan", "rear", hub_to_arch=0.42),
    ),
    "may_bow": ("front_left", "plan", None, lambda: long(0.30), lambda: long(0.20)),
    "seats_tilted": ("front_left", "plan", None, lambda: seated(tilt=0.06), lambda: seated(tilt=0.02)),
    "quoted_drop_differs": ("rear_left", "plan", None, lambda: lowered(0.045), lambda: lowered(0.035)),
    "collar_not_permitted": (
        "front_left",
        "plan",
        None,
        lambda: seated(permitted_low=0.010, permitted_high=0.020),
        lambda: seated(permitted_low=0.010, permitted_high=0.060),
    ),
    "inner_wheel_lifts": ("rear", "plan", None, lambda: rolling(60e3), lambda: rolling(0.0)),
    "stop_too_short": ("front_left", "plan", None, lambda: stopped(0.028), lambda: stopped(0.060)),
    "arm_points_up": ("front", "plan", None, lambda: armed(-2.0), lambda: armed(-5.0)),
    "level_not_zeroed": ("rear", "plan", None, lambda: barred(chassis=None), lambda: barred(chassis=0.0)),
    "level_turned": (
        "rear",
        "plan",
        None,
        lambda: barred(right_angle=radians(-12.5)),
        lambda: barred(right_angle=radians(13.5)),
    ),
    "arm_out_of_reach": ("rear_left", "plan", None, lambda: barred(length=0.012), lambda: barred(length=0.25)),
    "friction_band": (
        "front",
        "plan",
        None,
        lambda: with_end(nettle(), "front", friction=ForceValue(value=200)),
        lambda: with_end(nettle(), "front", friction=ForceValue(value=100)),
    ),
    "alignment_due": ("vehicle", "plan", None, lambda: fitted(None), lambda: fitted(0.0007)),
    # 380 mm rims: 2 m/km is half a total toe of 0.76 mm
    "toe_wears": ("front", "plan", None, lambda: fitted(0.0008), lambda: fitted(0.0007)),
}


@pytest.mark.parametrize("rule", CASES)
def test_a_rule_fires_where_it_should_and_not_next_door(rule):
    place, setup, load, fires, quiet = CASES[rule]
    assert (rule, place) in told(fires(), setup, load)
    assert (rule, place) not in told(quiet(), setup, load)


@pytest.mark.parametrize("rule", CASES)
def test_a_finding_reads_whole(rule):
    _, setup, load, fires, _ = CASES[rule]
    for finding in evaluate(fires(), setup, load).findings:
        assert finding.text.format(**{k: v.value for k, v in finding.numbers.items()})
        assert finding.reason.endswith(".")


def test_points_that_start_pressed_are_told_apart_from_points_that_fall():
    def words(*points):
        car = nettle()
        part = car.setups[1].sides.front_left.spring
        made = part.model_copy(update={"points": points})
        car = with_side(car, "plan", "front_left", spring=made)
        return [f.text for f in evaluate(car, "plan").findings if f.rule == "points_no_table"]

    (pressed,) = words((0.0, 120.0), (0.02, 900.0), (0.04, 2000.0))
    assert "start with a force at no deflection" in pressed
    (falling,) = words((0.0, 0.0), (0.02, 900.0), (0.04, 850.0))
    assert "falls" in falling
