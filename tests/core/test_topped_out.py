"""Two-wheelers whose spring holds the bike alone at full extension: what was read of the adjuster stands."""

from math import cos, radians

import pytest
from numpy.polynomial import Polynomial
from scipy.optimize import brentq

from feder.core.document.document import LoadItem, LoadState
from feder.core.document.survey import SAG_QUANTITIES, Reading
from feder.core.report.evaluate import evaluate
from feder.demo.finch import _LEVERAGE as LEVERAGE
from feder.demo.finch import FORK_AIR, SHOCK_AIR, finch
from feder.demo.magpie import magpie
from tests.changes import with_side

G, ATMOSPHERE = 9.80665, 101325.0


def read_so(bike, **sags):
    """The bike with its sags read anew, from full extension: (free, with rider) by end, lifted and pressed alike."""
    survey = bike.surveys[0]
    kept = [r for r in survey.readings if r.quantity not in SAG_QUANTITIES]
    for end, (top, free, rider) in sags.items():
        for quantity in SAG_QUANTITIES:
            off = {"extended": 0.0, "bike": free, "rider": rider}[quantity.split("_")[0]]
            kept.append(Reading(place=end, quantity=quantity, value=top - off))
    return bike.model_copy(update={"surveys": (survey.model_copy(update={"readings": tuple(kept)}),)})


def air_force(part, gauge, x):
    """Main against negative chamber, both at one pressure where the port is, by Boyle."""
    at = part.equalise_at
    volume = part.volume - part.spacers * part.spacer_volume
    p = gauge + ATMOSPHERE
    main = p * volume / (volume - part.area * x)
    equal = p * volume / (volume - part.area * at)
    negative = (
        equal * (part.negative_volume + part.negative_area * at) / (part.negative_volume + part.negative_area * x)
    )
    return (main - ATMOSPHERE) * part.area - (negative - ATMOSPHERE) * part.negative_area


def test_a_bicycle_topped_out_alone_keeps_the_pressures_read_and_the_rider_they_carry():
    bike = read_so(finch(), front=(0.163, 0.0, 0.0375), rear=(0.512, 0.0, 0.0450))
    bike = with_side(bike, "found", "front", pressure=6.40e5)
    bike = with_side(bike, "found", "rear", pressure=18.52e5)
    report = evaluate(bike, "found", "rider")
    assert report.corners["front"].pressure.value == pytest.approx(6.40e5)
    assert report.corners["rear"].pressure.value == pytest.approx(18.52e5)
    # the fork's force at the sag read with the rider on, led to the wheel, less the bike's own
    carried = air_force(FORK_AIR, 6.40e5, 0.0375) / cos(radians(25.0))
    assert report.sags["front"].ridden_load.value == pytest.approx(carried, rel=1e-9)
    ratio = Polynomial.fit([z for z, _ in LEVERAGE], [1 / v for _, v in LEVERAGE], 3)
    stroke = ratio.integ()(0.045) - ratio.integ()(0.0)
    behind = air_force(SHOCK_AIR, 18.52e5, stroke) * ratio(0.045)
    assert report.sags["rear"].ridden_load.value == pytest.approx(behind, rel=1e-9)
    rider = (carried + behind) / G - (6.8 - 2.9) - (8.1 - 3.4)
    assert sum(s.rider_load.value for s in report.sags.values()) == pytest.approx(rider * G)
    assert report.sags["front"].bike_told.value == pytest.approx((6.8 - 2.9) * G)
    # with a rider who weighs what the sags carry, sitting where they say, the sags come out as read
    weighed = bike.model_copy(
        update={"loads": (LoadState(id="rider", name="rider", items=(LoadItem(name="rider", mass=rider),)),)}
    )
    sags = evaluate(weighed, "found", "rider").sags
    assert sags["front"].rider_sag_along.value == pytest.approx(0.0375, abs=2e-5)
    assert sags["rear"].rider_sag.value == pytest.approx(0.0450, abs=2e-5)
    rules = {f.rule for f in evaluate(weighed, "found").findings}
    assert not rules & {"topped_out", "pressure_disagrees", "rider_disagrees"}


def test_a_motorcycle_topped_out_alone_keeps_its_preload():
    bike = read_so(magpie(), rear=(0.604, 0.0, 0.035), front=(0.148, 0.020, 0.040))
    bike = with_side(bike, "found", "rear", collar=0.030)
    corner = evaluate(bike, "found").corners["rear"]
    # 90 N/mm pressed by 30 mm at full extension, whatever the bike weighs
    assert corner.spring_force.value == pytest.approx(2700, rel=1e-9)
    assert corner.spring_length.value == pytest.approx(0.145, abs=1e-12)
    sags = evaluate(bike, "found", "solo").sags["rear"]
    pairs = {0.0: 2.42, 0.03: 2.30, 0.06: 2.20, 0.09: 2.12, 0.13: 2.04}
    ratio = Polynomial.fit(list(pairs), [1 / v for v in pairs.values()], 3)
    travel = ratio.integ()(0.035) - ratio.integ()(0.0)
    assert sags.ridden_load.value == pytest.approx(90e3 * (0.030 + travel) * ratio(0.035), rel=1e-9)
    # a plan that only turns the collar 6 mm out: the end settles where 24 mm carry the bike
    plan = with_side(bike, "plan", "rear", spring=bike.setups[0].sides.rear.spring, set_by="collar", collar=0.024)
    load = (117 - 21) * G
    free = brentq(lambda z: 90e3 * (0.024 + ratio.integ()(z) - ratio.integ()(0.0)) * ratio(z) - load, -0.01, 0.1)
    assert evaluate(plan, "plan").corners["rear"].sag.value == pytest.approx(max(0.0, free), abs=2e-5)
    softer = with_side(plan, "plan", "rear", collar=0.012)
    free = brentq(lambda z: 90e3 * (0.012 + ratio.integ()(z) - ratio.integ()(0.0)) * ratio(z) - load, -0.02, 0.1)
    assert free > 0.005
    assert evaluate(softer, "plan").corners["rear"].sag.value == pytest.approx(free, abs=2e-5)
    assert "topped_out" not in {f.rule for f in evaluate(bike, "found").findings}


def test_an_end_not_weighed_and_held_up_has_no_load_to_tell():
    bike = read_so(magpie(), rear=(0.604, 0.0, 0.035), front=(0.148, 0.020, 0.040))
    survey = bike.surveys[0]
    unweighed = tuple(r for r in survey.readings if (r.place, r.quantity) != ("rear", "mass"))
    bike = bike.model_copy(update={"surveys": (survey.model_copy(update={"readings": unweighed}),)})
    assert evaluate(bike, "found").corners["rear"].corner_load is None
