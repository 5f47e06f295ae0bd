"""Working is told from the formulas themselves, leads back to what was given, and carries marks of estimates."""

import inspect
from dataclasses import fields
from typing import get_args

import pytest
from pydantic import BaseModel

from feder.calc import entries  # noqa: F401 - loads every formula module of the contract
from feder.core.document.base import ForceValue
from feder.core.document.cursor import units_of
from feder.core.document.document import Document
from feder.core.document.vehicle import BumpStopPart, GasCharge
from feder.core.formulas import height, masses, pushes  # noqa: F401
from feder.core.numbers.nomenclature import TERMS
from feder.core.numbers.showing import UnshowableFormula, lines_of
from feder.core.numbers.working import (
    FORMULAS,
    Given,
    Step,
    formula,
    given,
    name_of,
    number,
    rests_on_assumption,
    tracing,
    trail,
    unit_of,
)
from feder.core.report.evaluate import evaluate
from feder.core.report.explain import explain
from feder.core.report.shapes import Figure
from feder.core.standing.facts import gather
from feder.core.standing.stand import stand
from feder.demo.nettle import nettle
from tests.changes import with_end
from tests.core.test_unknown_springs import rigid
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


def figures(report):
    """Every figure of a report by its path."""
    groups = {f"corners.{p}": c for p, c in report.corners.items()} | {"vehicle": report.vehicle}
    groups |= {f"ends.{e}": r for e, r in report.ends.items()} | {f"sags.{p}": s for p, s in report.sags.items()}
    if report.steering is not None:
        groups["steering"] = report.steering
    for prefix, part in groups.items():
        for member in fields(part):
            if isinstance(figure := getattr(part, member.name), Figure):
                yield f"{prefix}.{member.name}", figure


def standing_at(document, path):
    """What the document holds at a dotted path."""
    node = document
    for key in path.split("."):
        node = node[int(key)] if isinstance(node, tuple) else getattr(node, key)
    return node


STANDS_IN = ("mean of", "not measured", "not told", "usual for", "counted", "fixed perch", "brief", "single track",
             "bottom of the thread")  # fmt: skip


@pytest.mark.parametrize("which", VEHICLES)
def test_every_number_of_a_report_leads_back_to_the_document_or_a_sourced_constant(car, which):
    document, load, at_least = VEHICLES[which](car)
    report = evaluate(document, "plan", load)
    shown = 0
    for path, figure in figures(report):
        steps = trail(figure.value)
        assert steps, path
        for leaf in (n for n in steps if isinstance(n.step, Given)):
            where, source = leaf.step.path, leaf.step.source
            assert where or source, (path, leaf.step)
            if where is None:
                continue
            told = standing_at(document, where)  # a path that leads nowhere fails here
            if isinstance(told, tuple):  # the pairs of a curve count by their number
                assert len(told) == float(leaf)
            elif not source.startswith(STANDS_IN):
                assert told == float(leaf), (path, leaf.step)
        shown += 1
    assert shown > at_least


def test_plain_arithmetic_outside_a_formula_keeps_its_way_and_its_mark():
    with tracing():
        sill = given(0.25, "sill", "m", source="by tape")
        drop = given(0.02, "drop", "m", source="guessed", assumed=True)
        left = sill - drop
        assert float(left) == 0.23
        assert rests_on_assumption(left)
        assert not rests_on_assumption(2 * sill)
        assert [name_of(n) for n in trail(left)] == ["sill", "drop", "difference"]
        (line,) = lines_of(left)
        assert (line.formula, line.substituted, line.unit) == ("sill − drop", "0.25 m − 0.02 m", "m")
        assert unit_of(sill * drop) == "m·m"
        assert unit_of(sill / drop) == ""
        with pytest.raises(TypeError, match="power"):
            sill**2
    assert type(left - 0.1) is float


def test_a_copy_with_a_member_that_is_not_there_is_refused(car):
    with pytest.raises(TypeError, match="SideSetup has no hub_to_arc"):
        car.setups[0].sides.front_left.but(hub_to_arc=0.3)
    corner = stand(gather(car), car.setups[0], None).corners["front_left"]
    with pytest.raises(TypeError, match="a corner has no colar"):
        corner.but(colar=0.01)


def test_every_number_of_the_document_says_its_unit():
    def models(model):
        yield model
        for info in model.model_fields.values():
            for kind in (
                info.annotation,
                *get_args(info.annotation),
                *(a for g in get_args(info.annotation) for a in get_args(g)),
            ):
                if inspect.isclass(kind) and issubclass(kind, BaseModel):
                    yield from models(kind)

    silent = set()
    for model in set(models(Document)):
        for name, info in model.model_fields.items():
            hint = str(info.annotation)
            if "float" in hint and "tuple" not in hint and name not in units_of(model):
                silent.add(f"{model.__name__}.{name}")
    assert not silent


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
    assert type(masses.load_of_mass(10.0)) is float

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


def test_a_corner_that_keeps_its_load_cites_the_scale_and_one_that_does_not_the_equilibrium():
    def cited(car):
        return [str(line["source"]) for line in explain(car, "plan", "corners.front_left.frequency")]

    # heights asked for on one plane, tyres rigid: nothing moves weight across, the load is what the scale said
    assert not [s for s in cited(rigid(nettle())) if "equilibrium" in s]
    assert [s for s in cited(nettle()) if "equilibrium" in s]  # on its tyres the car stands a little otherwise
