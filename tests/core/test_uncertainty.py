"""Uncertainty by first order against Monte Carlo, and the laws it must keep."""

import contextlib
import math

import numpy as np
import pytest
from pydantic import BaseModel

from feder.core.document.base import Quantity, RateValue
from feder.core.document.damper import Family
from feder.core.document.vehicle import AntiRollBar, BumpStopPart, RatioFromLeverage, RatioFromSweep, RatioTyped
from feder.core.numbers.errors import NoEquilibrium, OutOfRange
from feder.core.numbers.quantities import Unit
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.explain import figures_of
from feder.core.report.uncertainty import uncertainty
from feder.demo.bramble import bramble
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from tests.changes import with_side

METRES, DEGREES = 1.5e-3, math.radians(0.1)
HOW = {"scales": 1.0, "tape": 1.5e-3, "level": DEGREES}
SHARE_OF = {"sweep": 0.01, "levers": 0.03, "maker": 0.03, "bench": 0.01, "wire": 0.05, "estimated": 0.10}
BY_UNIT = {"m": METRES, "kg": 1.0, "rad": DEGREES}
SHARE_BY_UNIT = {"": 0.01, "N/m": 0.03, "N*s/m": 0.10, "N*m/rad": 0.03, "m^2": 0.03, "m^3": 0.03, "Pa": 0.02}
CALLIPER = {"rod_diameter", "bore", "diameter"}
DECIDED = {"hub_to_arch", "rider_sag", "collar", "pressure", "spacer", "free_angle", "clamp", "plate_read"}


def unit_of(model, name):
    field = type(model).model_fields[name]
    found = [m.text for m in field.metadata if isinstance(m, Unit)]
    hints = [field.annotation, *getattr(field.annotation, "__args__", ())]
    found += [m.text for h in hints for m in getattr(h, "__metadata__", ()) if isinstance(m, Unit)]
    return found[0] if found else None


def deviation(value, unit, how=None, tolerance=None, name=""):
    """Standard uncertainty of a number as the page of the method states it."""
    if tolerance is not None:
        return tolerance
    if how in HOW:
        return HOW[how]
    if how in SHARE_OF:
        return SHARE_OF[how] * abs(value)
    if name in CALLIPER:
        return 0.0125 * abs(value)
    return BY_UNIT[unit] if unit in BY_UNIT else SHARE_BY_UNIT.get(unit, 0.0) * abs(value)


def shaken(document, dice, setup):
    """The document with every number that was measured drawn anew, whether or not a figure's working names it."""
    drawn = {}

    def same(key, sigma):
        if key not in drawn:
            drawn[key] = dice.normal(0, sigma) if sigma else 0.0
        return drawn[key]

    def walk(model, path):
        changed = {}
        for name, value in model:
            here = (*path, name)
            if isinstance(value, Quantity):
                unit = unit_of(value, "value")
                by = same(twin(here, model), deviation(value.value, unit, value.how, value.tolerance))
                changed[name] = value.but(value=value.value + by)
            elif isinstance(value, RatioTyped):
                by = same(here, deviation(value.value, "", value.how))
                changed[name] = value.but(value=value.value + by)
            elif isinstance(value, RatioFromSweep | RatioFromLeverage):
                start = value.points[0][1] if isinstance(value, RatioFromSweep) else 0.0
                factor = 1 + same(here, 0.01)
                points = tuple((x, start + (y - start) * factor) for x, y in value.points)
                changed[name] = value.but(points=points)
            elif isinstance(value, BaseModel):
                changed[name] = walk(value, here)
            elif (
                isinstance(value, float) and (unit := unit_of(model, name)) is not None and name != "shear_modulus"
            ):
                spread = deviation(value, unit, name=name) if value else 0.0
                if isinstance(model, Family) and name.endswith(("_shut", "_open")):  # assumed, all of it
                    spread = 0.15 * value
                changed[name] = value + same(twin(here, model), spread)
        for kind, name, usual in ((BumpStopPart, "compressible", 0.5), (AntiRollBar, "motion_ratio", 1.0)):
            if isinstance(model, kind) and getattr(model, name) is None:  # a usual value stands in, 15 % uncertain
                changed[name] = usual + same((*path, name), 0.15 * usual)
        return model.but(**changed)

    def twin(path, model):
        """One key for a part that a plan has from the vehicle as found."""
        if path[0] == "setup" and len(path) > 3:
            sides = [getattr(s.sides, path[2]) for s in document.setups]
            parts = [getattr(s, path[3]) for s in sides]
            return ("setup", parts.index(parts[path[1]]), *path[2:])
        return path

    vehicle = walk(document.vehicle, ("vehicle",))
    survey = document.surveys[0]
    readings = []
    for i, r in enumerate(survey.readings):
        sigma = deviation(r.value, "kg" if r.quantity == "mass" else "m", r.how, r.tolerance)
        readings.append(r.but(value=r.value + same(("reading", i), sigma)))
    loads = []
    for i, state in enumerate(document.loads):
        items = tuple(walk(item, ("load", i, k)) for k, item in enumerate(state.items))
        loads.append(state.but(items=items))
    setups = []
    for k, s in enumerate(document.setups):
        sides = {}
        for place in document.places:
            side, kept = getattr(s.sides, place.value), {}
            moved = walk(side, ("setup", k, place.value))
            for name in DECIDED - ({"collar", "pressure", "free_angle", "clamp"} if k == 0 else set()):
                kept[name] = getattr(side, name)
            sides[place.value] = moved.but(**kept)
        setups.append(s.but(sides=s.sides.but(**sides)))
    return document.but(
        vehicle=vehicle,
        surveys=(survey.but(readings=tuple(readings)), *document.surveys[1:]),
        loads=tuple(loads),
        setups=tuple(setups),
    )


DEMO = {d.vehicle.name: d for d in (bramble(), finch(), magpie(), nettle(), sedge(), tansy(), teasel())}
DRAWS = 800


@pytest.fixture(scope="module", params=list(DEMO))
def drawn(request):
    """A demo vehicle, its report, and the spread of every figure over so many draws of its numbers."""
    document = DEMO[request.param]
    setup = document.setups[-1].id
    dice = np.random.default_rng(20261126)
    values = {}
    for _ in range(DRAWS):
        with contextlib.suppress(OutOfRange, NoEquilibrium):
            for path, figure in figures_of(evaluate_plain(shaken(document, dice, setup), setup)).items():
                values.setdefault(path, []).append(float(figure.value))
    return document, setup, {p: np.array(v) for p, v in values.items() if len(v) == DRAWS}


@pytest.mark.slow
def test_every_figure_is_as_sure_as_draws_of_all_its_numbers_make_it(drawn):
    """Within 5 %, and three times the scatter of so many draws beyond it; figures sampled over the whole report."""
    near = 0.05 + 3 / math.sqrt(2 * DRAWS)
    document, setup, values = drawn
    paths = sorted(values)
    sample = [paths[i] for i in np.random.default_rng(3).choice(len(paths), min(len(paths), 12), replace=False)]
    off = {}
    for path in sample:
        found = uncertainty(document, setup, path)
        spread = float(np.std(values[path]))
        if abs(found.standard - spread) > near * spread + 1e-6 * abs(found.value) + 1e-9:
            off[path] = (found.standard, spread, [(s.label, s.effect) for s in found.shares[:4]])
        assert sum(s.share for s in found.shares) == pytest.approx(1 if found.shares else 0, abs=1e-4)
    assert not off


def test_a_frequency_by_hand(car):
    """f goes with the root of k·MR²/m: half of 3 % for the rate, 1 % for the ratio, and half the mass's share."""
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "plan", place, hub_to_arch=None)  # nothing asked: the load stays as weighed
    found = uncertainty(car, "plan", "corners.rear_left.frequency")
    by = {s.document_path: s.effect / found.value for s in found.shares}
    assert by["setups.1.sides.rear_left.spring.rate.value"] == pytest.approx(0.015, rel=0.01)
    assert by["vehicle.ends.rear.spring.ratio.value"] == pytest.approx(0.01, rel=0.02)
    assert by["vehicle.ends.rear.unsprung_mass.value"] == pytest.approx(0.5 / 179, rel=0.05)
    assert found.shares[0].document_path == "setups.1.sides.rear_left.spring.rate.value"


def test_a_tolerance_of_its_own_wins_and_repeated_readings_count_by_their_root(car):
    spring = car.setups[1].sides.rear_left.spring
    sharp = with_side(
        car,
        "plan",
        "rear_left",
        spring=spring.model_copy(update={"rate": RateValue(value=60e3, how="bench", tolerance=60.0)}),
    )
    path = "corners.rear_left.wheel_rate"
    by = {s.document_path: s for s in uncertainty(sharp, "plan", path).shares}
    assert by["setups.1.sides.rear_left.spring.rate.value"].effect == pytest.approx(60 * 0.72**2, rel=1e-3)
    survey = car.surveys[0]
    one = next(r for r in survey.readings if r.quantity == "mass" and r.place == "rear_left")
    four = car.model_copy(
        update={"surveys": (survey.model_copy(update={"readings": (*survey.readings, one, one, one)}),)}
    )
    once = next(
        s for s in uncertainty(car, "found", "corners.rear_left.frequency").shares if "scale reading" in s.label
    )
    often = next(
        s for s in uncertainty(four, "found", "corners.rear_left.frequency").shares if "scale reading" in s.label
    )
    assert often.effect == pytest.approx(once.effect / 2, rel=1e-3)


def test_an_assumed_ratio_is_the_reading_to_take(car):
    from feder.core.document.vehicle import Mount, RatioAssumed
    from tests.changes import with_end

    guessed = with_end(car, "front", spring=Mount(ratio=RatioAssumed()))
    found = uncertainty(guessed, "plan", "corners.front_left.wheel_rate")
    assert found.shares[0].label == "front motion ratio"
    assert found.standard / found.value == pytest.approx(math.hypot(0.30, 0.03), rel=0.02)
