"""Findings on dampers and on what a setup replaces of an end: each fires on one document and not on its neighbour."""

import math
from math import radians

import pytest
from pydantic import ValidationError

from feder.core.document.alignment import AlignmentAdjuster
from feder.core.document.base import RateValue
from feder.core.document.brief import Band
from feder.core.document.damper import CurveRow, DamperPart, Knob
from feder.core.document.setup import Clicks, StackItem
from feder.core.document.vehicle import AntiRollBar, Limits, Mount, RatioTyped, Tyre
from feder.core.report.evaluate import evaluate
from feder.demo.nettle import nettle
from feder.sheet.paper import filled
from tests.changes import with_end, with_side
from tests.core.test_conversion import on_coils, on_leaves, replaced
from tests.core.test_damper_part import KIT, with_dampers

LEFT, FRONT = "rear_left", ("front_left", "front_right")
STRUT = {"layout": "strut", "spring": Mount(ratio=RatioTyped(value=0.94))}
SLOTS = AlignmentAdjuster(how="slots", sets="camber", least=radians(-2.0), most=radians(0.0))


def kitted(part=KIT, **members):
    return with_dampers(nettle(), part, **members)


def coilovers(**damper):
    """The divorced rear put on coilovers, on a damper of which some things are told."""
    car, part = replaced(nettle(), **STRUT), DamperPart(code="C", **damper) if damper else None
    for place in ("rear_left", "rear_right"):
        car = with_side(with_side(car, "found", place, damper=None), "plan", place, damper=part)
    return car


def linked(length=None):
    bar = AntiRollBar(rate=RateValue(value=20e3), motion_ratio=0.6, link_length=0.250)
    car = with_end(nettle(), "front", bar=bar)
    if length is None:
        return car
    return replaced(car, "front", link_length=length)


def tyred(**limits):
    told = {"limits": Limits(**limits)} if limits else {}
    return replaced(nettle(), tyre=Tyre(radius=nettle().vehicle.ends.rear.tyre.radius + 0.008), **told)


def measured(*, falls=False, click=10):
    """A rear damper measured at three clicks of one knob."""
    rows = tuple(
        CurveRow(
            both=k,
            points=((-0.1, -40.0 * (20 - k)), (0.1, 20.0 * (20 - k)), (0.3, 15.0 if falls else 40.0 * (20 - k))),
        )
        for k in (0, 4, 12)
    )
    part = DamperPart(code="M", knobs=(Knob(acts="both", clicks=18),), rows=rows)
    car = nettle()
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "plan", place, damper=part, both=Clicks(count=click, of=18))
    return car


def clicked(rebound, bump, low=0.5, high=0.75):
    """The front at other clicks, for a band."""
    car = banded(low, high)
    for place in FRONT:
        car = with_side(car, "plan", place, rebound=Clicks(count=rebound, of=18), bump=Clicks(count=bump, of=18))
    return car


def banded(low, high):
    car = nettle()
    return car.but(brief=car.brief.but(targets=car.brief.targets.but(damping=Band(low=low, high=high))))


def hopped(low, high):
    car = nettle()
    return car.but(brief=car.brief.but(targets=car.brief.targets.but(damping_high=Band(low=low, high=high))))


def thick(value):
    """A stack so thick; of the seat's 182 mm the spring, solid at 96.3, needs the rest."""
    return (StackItem(name="plates", thickness=value),)


def wanted_link():
    return evaluate(linked(), "plan").ends["front"].link_length.value


CASES = {
    "body_beyond_thread": (LEFT, lambda: kitted(body=0.016), lambda: kitted(body=0.014)),
    "body_outside_range": (LEFT, lambda: kitted(body=-0.016), lambda: kitted(body=-0.014)),
    "damper_too_long": (LEFT, lambda: kitted(body=0.036), kitted),
    "damper_too_short": (LEFT, lambda: kitted(body=-0.004), lambda: kitted(body=0.010)),
    "stack_leaves_no_room": (
        LEFT,
        lambda: with_side(nettle(), "plan", LEFT, stack=thick(0.087)),
        lambda: with_side(nettle(), "plan", LEFT, stack=thick(0.084)),
    ),
    "no_damper_curve": (LEFT, lambda: measured(falls=True), measured),
    "clicks_not_measured": (LEFT, lambda: measured(click=15), lambda: measured(click=10)),
    "clicks_unlike": (
        "rear",
        lambda: with_side(nettle(), "plan", LEFT, rebound=Clicks(count=6, of=18)),
        lambda: with_side(nettle(), "plan", LEFT, rebound=Clicks(count=7, of=18)),
    ),
    "locked_knob": (
        LEFT,
        lambda: with_side(nettle(), "plan", LEFT, bump=Clicks(count=9, of=18)),
        lambda: with_side(nettle(), "plan", LEFT, rebound=Clicks(count=9, of=18)),
    ),
    "under_damped": ("front", nettle, lambda: clicked(4, 6)),
    "worn_damper": (
        LEFT,
        lambda: with_side(nettle(), "plan", LEFT, curve_left=0.69),
        lambda: with_side(nettle(), "plan", LEFT, curve_left=0.71),
    ),
    "damper_out_of_reach": ("rear", nettle, lambda: banded(0.40, 0.75)),
    "over_damped": ("front", lambda: clicked(0, 0, 0.3, 0.6), lambda: clicked(0, 0, 0.3, 0.8)),
    "hop_damping": ("rear", nettle, lambda: hopped(0.15, 0.4)),
    "rebound_over_bump": ("front_left", lambda: clicked(0, 18), lambda: clicked(8, 11)),
    "dampers_unlike": ("rear", lambda: kitted(places=(LEFT,)), kitted),
    "damper_lengths_untold": (LEFT, lambda: kitted(KIT.but(shut=None)), kitted),
    "mount_carries_no_spring": (
        "front_left",
        lambda: kitted(KIT.but(carries_spring=False), places=FRONT),
        lambda: kitted(KIT.but(carries_spring=True), places=FRONT),
    ),
    "mount_to_be_asked": (LEFT, coilovers, lambda: coilovers(carries_spring=True)),
    "converted": ("rear", lambda: on_coils(on_leaves()), on_leaves),
    "tyre_contact_unread": ("rear", tyred, lambda: tyred(contact=0.290)),
    "bar_links": ("front", linked, lambda: linked(wanted_link())),
    "adjuster_at_its_end": (
        "front_left",
        lambda: with_end(nettle(), "front", adjusters=(SLOTS,)),
        lambda: with_end(nettle(), "front", adjusters=(SLOTS.but(least=radians(-2.6)),)),
    ),
}


def told(document):
    return {(f.rule, f.place) for f in evaluate(document, "plan").findings}


@pytest.mark.parametrize("rule", CASES)
def test_a_rule_on_dampers_fires_where_it_should_and_not_next_door(rule):
    place, fires, quiet = CASES[rule]
    assert (rule, place) in told(fires())
    assert (rule, place) not in told(quiet())


def test_unlike_bodies_and_mounts_are_named():
    one = with_side(kitted(), "plan", LEFT, body=-0.002, top_mount=0.003)
    text = next(f.text for f in evaluate(one, "plan").findings if f.rule == "dampers_unlike")
    assert text.endswith("unlike bodies, unlike top mounts")


def test_lengths_that_are_missing_are_named():
    def reason(document):
        return next(f.reason for f in evaluate(document, "plan").findings if f.rule == "damper_lengths_untold")

    assert "of this one say" in reason(kitted(KIT.but(shut=None)))
    assert "of the one found say" in reason(with_dampers(nettle(), found=None))
    assert "of this one and of the one found" in reason(with_dampers(nettle(), KIT.but(shut=None), found=None))
    measured = replaced(with_dampers(nettle(), found=None), limits=Limits(droop=0.4, solid=0.31))
    assert ("damper_lengths_untold", LEFT) not in told(measured)


def test_an_adjuster_of_no_range_is_refused():
    with pytest.raises(ValidationError, match="least must be below most"):
        AlignmentAdjuster(how="slots", sets="toe", least=0.1, most=0.0)


def open_front():
    """Both knobs open, 1300 and 1100 N s/m, on 40 N/mm at 0.96 and the lighter of the sprung masses, 308 and 298 less 34 kg."""
    return (1300 + 1100) / 2 * 0.96**2 / (2 * math.sqrt(40e3 * 0.96**2 * (298 - 34)))


def test_a_worn_damper_damps_by_what_is_left_of_it_and_another_one_by_all():
    car = with_side(nettle(), "plan", LEFT, curve_left=0.5)
    whole, half = (evaluate(d, "plan").corners[LEFT] for d in (nettle(), car))
    for member in ("damping_ratio", "damping_rebound", "bump_low", "rebound_high", "damping_high"):
        assert getattr(half, member).value == pytest.approx(getattr(whole, member).value / 2)
    assert half.split_low.value == pytest.approx(whole.split_low.value)
    found = car.setups[0].sides.rear_left.damper
    other = with_side(car, "plan", LEFT, damper=found.but(code="new pair"))
    assert evaluate(other, "plan").corners[LEFT].damping_ratio.value == pytest.approx(whole.damping_ratio.value)
    # what the free knobs reach is half as well: 0.42 of the heavier side
    said = next(f for f in evaluate(car, "plan").findings if f.rule == "damper_out_of_reach" and f.place == "rear")
    assert said.numbers["ratio_end"].value == pytest.approx(0.4166 / 2, abs=2e-3)
    # of a coefficient alone as well
    bare = with_side(nettle(), "found", LEFT, damper=None)
    whole, half = (
        evaluate(d, "plan").corners[LEFT] for d in (bare, with_side(bare, "plan", LEFT, curve_left=0.5))
    )
    assert half.damping_ratio.value == pytest.approx(whole.damping_ratio.value / 2)


def test_shares_of_critical_and_rebound_over_bump_are_told_as_ratios():
    said = {f.rule: filled(f, "metric") for f in evaluate(nettle(), "plan").findings}
    assert said["under_damped"] == "Front left: ~0.42 of critical at low speed, below the 0.50 wanted"
    # rebound shut, the bump knob is left alone: (3160 + 1288.9)/2 over the 1799 of now, times 0.337 of the heavier side
    assert said["damper_out_of_reach"] == (
        "Rear left: ~0.34 of critical at low speed, below the 0.50 wanted; with every free knob shut ~0.42"
    )
    soft = {f.rule: f for f in evaluate(nettle(), "plan").findings}
    assert soft["damper_out_of_reach"].mend.text == "Firmer valving, or a softer spring"
    firm = {f.rule: f for f in evaluate(banded(0.02, 0.1), "plan").findings if f.place == "front"}
    assert firm["damper_out_of_reach"].mend.text == "Softer valving, or a stiffer spring"
    assert firm["damper_out_of_reach"].numbers["ratio_end"].value == pytest.approx(open_front(), abs=2e-3)
    assert said["hop_damping"] == "Rear left: ~0.18 against wheel hop at high speed, below 0.20"
    unlike = evaluate(clicked(0, 18), "plan")
    text = next(filled(f, "metric") for f in unlike.findings if f.rule == "rebound_over_bump")
    assert text == "Rebound is ~5.09 times bump at low speed; 1.50 to 3.00 are usual"
