"""What the brief wants: filled from the use, told as typed."""

import pytest

from feder.core.document.brief import Band, Brief, Targets
from feder.core.report.evaluate import evaluate
from feder.demo.nettle import nettle

GENERAL_PRACTICE = {
    "comfort road": 0.7,
    "sporty road": 0.5,
    "fast road, track days": 0.35,
    "circuit": 0.2,
    "load carrier": 0.5,
    "road motorcycle": 0.4,
    "track motorcycle": 0.2,
    "off-road motorcycle": 0.4,
    "cross-country": 0.4,
    "trail": 0.5,
    "enduro and downhill": 0.3,
}


@pytest.mark.parametrize(("use", "weight"), GENERAL_PRACTICE.items())
def test_comfort_weighs_against_grip_by_the_use_until_it_is_typed(use, weight):
    car = nettle()
    for typed in (None, 0.0, 0.81):
        targets = car.brief.targets.but(comfort=typed)
        told = evaluate(car.but(brief=Brief(use=use, targets=targets)), "plan").vehicle.comfort_weight
        assert told.value == (weight if typed is None else typed)


def test_what_is_wanted_of_damping_is_told_edge_by_edge():
    bands = {"damping": (0.31, 0.42), "damping_high": (0.21, 0.33), "rebound_over_bump": (1.4, 2.6)}
    targets = Targets(split=1.7, **{k: Band(low=a, high=b) for k, (a, b) in bands.items()})
    v = evaluate(nettle().but(brief=Brief(targets=targets)), "plan").vehicle
    assert (v.damping_low.value, v.damping_high.value) == bands["damping"]
    assert (v.hop_low.value, v.hop_high.value) == bands["damping_high"]
    assert (v.split_low.value, v.split_high.value, v.split_wanted.value) == (*bands["rebound_over_bump"], 1.7)
