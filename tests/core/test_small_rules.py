"""Small rules that other tests only pass by: scatter of readings, what a bench takes over, where guards stand."""

from math import exp, sqrt
from statistics import stdev

import pytest

from feder.core.benches.acts import TakeSags
from feder.core.benches.damping.bounce import bounce_bench
from feder.core.benches.damping.swings import scatter_of
from feder.core.benches.settle.causes import SCATTER
from feder.core.benches.settle.usual import usual
from feder.core.benches.travel.stop import stop_bench
from feder.core.document.base import Place
from feder.core.document.blank import blank_document
from feder.core.document.brief import Band
from feder.core.document.setup import Seat
from feder.core.report.compare import Difference, largest
from feder.core.report.evaluate import evaluate
from feder.core.report.explain import explain
from feder.core.report.outline import outline_of
from feder.core.report.shapes import Figure
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from tests.changes import applied, with_end, with_side
from tests.core.test_findings import both, rigid
from tests.core.test_findings_parts import drooping, slack_from
from tests.core.test_findings_sags import balanced
from tests.sheet.test_sheet_measured import page
from tests.sheet.test_sheet_rows import cells


@pytest.mark.parametrize("values", [(0.41, 0.44), (0.41, 0.44, 0.50), (0.2, 0.2, 0.2, 0.26)])
def test_several_readings_scatter_and_each_has_its_own_error(values):
    assert scatter_of(values, 0.02) == pytest.approx(sqrt(stdev(values) ** 2 + 0.02**2))


def test_one_reading_has_its_error_alone():
    assert scatter_of((0.41,), 0.02) == 0.02


@pytest.mark.parametrize(("made", "member", "unit"), [(finch, "pressure", 0.05e5), (magpie, "collar", 0.0005)])
def test_the_sags_wanted_are_taken_as_pressure_of_air_and_as_collar_of_a_coil(made, member, unit):
    bike = made()
    wanted = {e: getattr(evaluate(bike, "plan").sags[e], f"wanted_{member}") for e in ("front", "rear")}
    taken = applied(bike, "plan", TakeSags(act="take sags", ends=("front", "rear")))
    for end, figure in wanted.items():
        assert figure is not None
        side = getattr(taken.setups[1].sides, end)
        assert getattr(side, member) == pytest.approx(figure.value, abs=unit)
        assert side.set_by == member


def test_the_largest_difference_is_judged_against_its_own_size():
    def row(path, first, second):
        return Difference(path, "", Figure(first, ""), Figure(second, ""))

    small, large = row("corners.front_left.wheel_rate", 1e4, 1.1e4), row("corners.rear_left.frequency", 1.0, 1.5)
    assert largest([small, large]) == large.path
    assert largest([large, small]) == large.path
    down = row("corners.rear_left.frequency", 2.0, 1.0)
    assert largest([down, row("corners.front_left.stop", 1.0, 1.9)]) == down.path
    assert largest([row("corners.front_left.collar", 1.0, 9.0), small]) == small.path  # nobody judges by a collar
    assert largest([row("vehicle.total_mass", 1.0, 9.0)]) is None
    assert largest([Difference("corners.rear_left.frequency", "Hz", None, Figure(1.0, "Hz"))]) is None
    assert largest([row("corners.front_left.stop", 1.0, 1.0)]) is None


def test_a_bar_that_hangs_slack_says_by_how_much_its_arm_hangs_below_its_free_angle():
    def slack(beyond):
        found = evaluate(drooping(slack_from() + beyond), "plan").findings
        return (
            next(f for f in found if f.rule == "slack_at_droop" and f.place == "rear_left").numbers["slack"].value
        )

    # the wheel's way over the arm's length, which no car has below 0.3 or over 0.7 m
    assert 0.006 / 0.7 < slack(0.006) < 0.006 / 0.3
    assert slack(0.012) == pytest.approx(2 * slack(0.006), rel=0.05)


def test_no_stop_is_cut_shorter_than_two_millimetres(car):
    cuts = [c.length for c in stop_bench(car, "plan", Place.REAR_LEFT).cuts]
    # cut by whole millimetres from the longest, down to 2 mm and not below
    assert cuts[0] - cuts[1] == pytest.approx(1e-3)
    assert 2e-3 - 1e-9 <= cuts[-1] < 3e-3
    assert len(cuts) == int((cuts[0] - 2e-3) / 1e-3) + 1


@pytest.mark.parametrize(("twist", "says"), [(1.2e-3, True), (1.04e-3, True), (0.9e-3, False)])
def test_heights_are_off_one_plane_from_a_millimetre_on(twist, says):
    # four corners of a rigid body: one asked for four times the twist higher puts each that far off the plane
    document = with_side(rigid(nettle()), "plan", "rear_left", hub_to_arch=0.352 + 4 * twist)
    rules = {f.rule for f in evaluate(document, "plan").findings}
    assert ("heights_off_plane" in rules) == says


@pytest.mark.parametrize(("off", "says"), [((1, 0), False), ((0, -1), False), ((1, 1), False), ((-1, 1), True)])
def test_the_ends_are_out_of_balance_where_one_is_too_deep_and_the_other_too_high(off, says):
    found = evaluate(balanced(*off), "plan", "rider").findings
    assert (("ends_out_of_balance", "vehicle") in {(f.rule, f.place) for f in found}) == says


@pytest.mark.parametrize("typed", ["front_rider_sag", "front_rider_wanted", None])
def test_the_sag_wanted_cites_what_was_typed_of_it(typed):
    bike = magpie()
    value = Band(low=0.040, high=0.046) if typed == "front_rider_sag" else 0.043
    targets = bike.brief.targets.but(**({typed: value} if typed else {}))
    bike = bike.but(brief=bike.brief.but(targets=targets))
    first = explain(bike, "plan", "sags.front.target")[0]
    assert first["document_path"] == (f"brief.targets.{typed}" if typed else "brief.use")


def test_a_corner_whose_unsprung_mass_is_not_told_waits_for_it():
    car = with_end(nettle(), "front", unsprung_mass=None)
    row = next(r for r in bounce_bench(car, "plan", Place.FRONT_LEFT).rows if r.place is Place.FRONT_LEFT)
    assert "the unsprung mass" in row.waits
    assert row.expected is None


def test_a_bike_alone_at_its_droop_is_judged_by_its_free_sag_and_a_ridden_one_is_not():
    def rules(bike, load):
        return {f.rule for f in evaluate(bike, "plan", load).findings if f.place == "rear"}

    high = with_side(magpie(), "plan", "rear", set_by="collar", collar=0.060)
    assert "topped_out" not in rules(high, None)
    assert "topped_out" in rules(high, "solo")


def test_a_counted_collar_decides_by_a_quarter_turn():
    assert SCATTER["collar"] == SCATTER["mark"] == 0.25


@pytest.mark.parametrize(("collar", "shown"), [(0.0083, "8.3"), (0.0080, "8.0")])
def test_the_turns_of_a_cap_are_told_to_a_tenth(collar, shown):
    bike = with_side(magpie(), "plan", "front", set_by="collar", collar=collar, seat=Seat(pitch=0.001))
    assert [c[1] for c in cells(page(bike, "plan"), "cap, turns")] == [shown]


@pytest.mark.parametrize(
    ("body", "measures"),
    [
        ("hatchback", (2.50, 0.80, 0.66, 1.42, 0.295)),
        ("van", (3.05, 0.88, 0.96, 1.99, 0.330)),
        ("bicycle", (1.20, 0.37, 0.37, 1.05, 0.370)),
    ],
)
def test_a_vehicle_of_which_nothing_is_told_is_drawn_as_a_usual_body_each_measure_in_its_place(body, measures):
    drawn = outline_of(blank_document("nameless", body, "strut", "wishbone"))
    told = (drawn.wheelbase, drawn.front_overhang, drawn.rear_overhang, drawn.roof_height, drawn.tyre_radius)
    assert told == measures
    assert not drawn.own
    assert drawn.front_arch == drawn.rear_arch > 2 * drawn.tyre_radius


def test_the_most_usual_size_of_a_mistake_weighs_most_and_the_further_ones_less():
    strut = dict(usual("not_home"))
    assert max(strut, key=strut.get) == pytest.approx(0.006)
    assert {round(1e3 * size) for size in strut} == set(range(2, 13))
    at = {round(1e3 * size): weight for size, weight in strut.items()}
    assert at[9] == pytest.approx(at[3]) == pytest.approx(exp(-0.5))  # one spread of 3 mm off
    assert at[12] == pytest.approx(exp(-2))


def test_pads_and_people_may_be_too_many_or_too_few_and_a_turn_more_is_as_usual_as_a_turn_less():
    for mistake in ("pads", "person", "fuel", "tape", "turns", "kit", "gauge"):
        sizes = dict(usual(mistake))
        assert {-s for s in sizes} == set(sizes)
        assert all(sizes[-s] == weight for s, weight in sizes.items())
    assert min(s for s, _ in usual("hung")) > 0
    assert dict(usual("turns"))[4] == 0.25


@pytest.mark.parametrize(
    ("limit", "kilos", "words"),
    # by the scales of the demo car: 308, 298, 207 and 197 kg
    [("gross", 1010, "Gross"), ("front_axle", 606, "Front axle"), ("rear_axle", 404, "Rear axle")],
)
def test_each_limit_of_the_plate_is_held_against_its_own_wheels(limit, kilos, words):
    def told(by):
        car = nettle()
        car = car.but(vehicle=car.vehicle.but(plate=car.vehicle.plate.but(**{limit: kilos + by})))
        return [f for f in evaluate(car, "plan").findings if f.rule == "plate_exceeded"]

    (found,) = told(-0.5)
    assert found.text.startswith(words)
    assert found.numbers["now"].value == pytest.approx(kilos)
    assert told(0.5) == []


@pytest.mark.parametrize("told", [True, False])
def test_a_stop_squeezed_at_rest_says_whether_its_force_is_counted(told):
    car = both(nettle(), "front", hub_to_arch=0.316)
    part = car.vehicle.ends.front.bump_stop.but(points=((0.0, 0.0), (0.02, 900.0)) if told else None)
    found = next(
        f for f in evaluate(with_end(car, "front", bump_stop=part), "plan").findings if f.rule == "rests_on_stop"
    )
    assert ("Its force is counted" in found.reason) == told
    assert ("not counted" in found.reason) == (not told)


@pytest.mark.parametrize(("ratio", "odd"), [(0.36, False), (0.34, True), (1.02, False), (1.04, True)])
def test_a_spring_apart_from_its_damper_moves_a_third_of_its_wheel_to_all_of_it(ratio, odd):
    car = nettle()
    spring = car.vehicle.ends.rear.spring.but(ratio=car.vehicle.ends.rear.spring.ratio.but(value=ratio))
    rules = {f.rule for f in evaluate(with_end(car, "rear", spring=spring), "plan").findings if f.place == "rear"}
    assert ("odd_spring_ratio" in rules) == odd
