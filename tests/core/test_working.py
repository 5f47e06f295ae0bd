"""Working is told from the formulas themselves, leads back to what was given, and carries marks of estimates."""

import inspect
from dataclasses import fields

import pytest

from feder.calc import entries  # noqa: F401 - loads every formula module of the contract
from feder.core.document.base import ForceValue
from feder.core.document.vehicle import BumpStopPart, GasCharge
from feder.core.formulas import height, pushes  # noqa: F401
from feder.core.formulas import masses as stance
from feder.core.numbers.nomenclature import TERMS
from feder.core.numbers.showing import UnshowableFormula, lines_of
from feder.core.numbers.working import FORMULAS, Given, Step, formula, number, tracing, trail
from feder.core.report.evaluate import evaluate
from feder.core.report.explain import explain
from feder.core.report.shapes import Figure
from tests.changes import with_end
from tests.documents import AIR, on_bars, roadster

SAMPLES = {
    "arm_angle": 0.2,
    "height_change": 0.05,
    "wire_diameter": 0.01,
    "mean_diameter": 0.07,
    "spring_angle": 0.3,
    "compressible": 0.4,
    "tyre_rate": 2e5,
}


@pytest.mark.parametrize("known", FORMULAS.values(), ids=FORMULAS)
def test_every_formula_states_units_symbols_and_source_and_can_be_shown(known):
    names = list(inspect.signature(known.function).parameters)
    assert set(known.units) >= {*names, "return"}
    assert {*names, known.result} <= set(TERMS), "a name without a place in the nomenclature"
    assert known.source
    assert known.function.__doc__
    sample = {n: SAMPLES.get(n, 0.5 + 0.1 * i) for i, n in enumerate(names)}
    value = known.function(**sample)
    assert lines_of(number(value, Step(known, sample, False)))[-1].value == value


def stopped(car):
    """The demo car low on its bump stops, with a gas charge and friction."""
    stop = BumpStopPart(length=0.06, shaft=0.07, hub_to_arch=0.36, points=((0, 0), (0.01, 200), (0.03, 2000)))
    gas = GasCharge(pressure=12e5, rod_diameter=0.02)
    return with_end(car, "front", bump_stop=stop, gas=gas, friction=ForceValue(value=90))


VEHICLES = {
    "springs": lambda car: (car, None, 100),
    "stops": lambda car: (stopped(car), None, 100),
    "bars": lambda car: (on_bars(car), None, 90),
    "fork and linkage": lambda car: (roadster(), "rider", 45),
    "air": lambda car: (roadster(shock=AIR), "rider", 35),
}


@pytest.mark.parametrize("which", VEHICLES)
def test_every_number_of_a_report_leads_back_to_the_document_or_a_sourced_constant(car, which):
    document, load, at_least = VEHICLES[which](car)
    report = evaluate(document, "plan", load)
    shown = 0
    for part in [*report.corners.values(), *report.ends.values(), report.vehicle]:
        for member in fields(part):
            figure = getattr(part, member.name)
            if not isinstance(figure, Figure) or member.name in (
                "frequency_low",
                "frequency_high",
                "sill_front",
                "sill_rear",
            ):
                continue
            if float(figure.value) == 0.0 or (
                leaves := [n for n in trail(figure.value) if isinstance(n.step, Given)]
            ):
                assert all(leaf.step.path or leaf.step.source for leaf in leaves)
                assert trail(figure.value), member.name
                shown += 1
    assert shown > at_least


def test_the_working_of_a_wheel_rate_reads_as_a_mechanic_would_write_it(car):
    lines = explain(car, "plan", "corners.rear_left.wheel_rate")
    assert [line["symbol"] for line in lines[-1:]] == ["k_w"]
    assert lines[-1]["formula"] == "k_s·MR² + F_s·dMR/dz"
    assert lines[-1]["substituted"].startswith("(60000 N/m)·0.72²")
    assert {line["document_path"] for line in lines if line["given"]} >= {
        "setups.1.sides.rear_left.spring.rate.value",
        "vehicle.ends.rear.spring.ratio.value",
    }


def test_an_estimate_marks_every_figure_that_rests_on_it_and_no_other(car):
    report = evaluate(car, "plan")
    corner = report.corners["front_left"]
    assert corner.damping_ratio.assumed
    assert not corner.wheel_rate.assumed
    readings = [
        r.model_copy(update={"how": "estimated"}) if r.quantity == "mass" else r for r in car.surveys[0].readings
    ]
    guessed = car.model_copy(
        update={"surveys": (car.surveys[0].model_copy(update={"readings": tuple(readings)}),)}
    )
    corner = evaluate(guessed, "plan").corners["front_left"]
    assert corner.frequency.assumed
    assert corner.collar.assumed
    assert not corner.wheel_rate.assumed
    assert not corner.solid.assumed


def test_nothing_is_traced_unless_asked_and_a_loop_cannot_be_shown():
    assert type(stance.load_of_mass(10.0)) is float

    def summed(rate):
        total = 0.0
        for _ in range(2):
            total += rate
        return total

    mark = formula(result="rate", source="none")
    try:
        with tracing(), pytest.raises(UnshowableFormula, match="cannot show a"):
            lines_of(mark(summed)(1.0))
    finally:
        del FORMULAS[f"{summed.__module__}.summed"]
