"""Alignment: five read-outs with their culprit and turns, angles by hand, wear, heights, and files of a rack."""

from math import asin, degrees, radians, sin, tan

import pytest

from feder.core.benches.alignment.bench import alignment
from feder.core.benches.alignment.over_height import over_height
from feder.core.document.alignment import AlignmentAdjuster, AtHeight, ToeRod
from feder.core.document.base import PLACES, Place
from feder.core.document.setup import Within
from feder.core.document.survey import Survey, WheelRound
from feder.core.files.alignment_csv import alignment_from_csv, alignment_rows
from feder.core.files.table import written
from feder.core.numbers.errors import BadFile
from feder.demo.settled import settled_magpie
from tests.changes import set_down, with_end, with_side
from tests.core.test_set_down import fitted

RIM = 0.380
SOUND = {
    "front_left": (-0.5, -2.5, 4.5), "front_right": (-0.5, -2.4, 4.4),
    "rear_left": (0.6, -1.8, None), "rear_right": (0.6, -1.9, None),
}  # fmt: skip


def read_out(car=None, treads=None, **changed):
    """The car with a read-out: toe in mm, camber and caster in degrees."""
    car = car or wanting_little()
    wheels = []
    for place, (toe, camber, caster) in (SOUND | changed).items():
        tread = (treads or {}).get(place, (None, None, None))
        wheels.append(
            WheelRound(
                place=place, toe=toe / 1e3, camber=radians(camber), caster=None if caster is None else radians(caster),
                tread_inner=tread[0], tread_middle=tread[1], tread_outer=tread[2],
            )
        )  # fmt: skip
    made = Survey(id="rack", setup="fitted", date="2026-07-01", wheels=tuple(wheels))
    return car.but(surveys=(*car.surveys, made))


def wanting_little():
    """The car with a rear toe wanted that eats nothing."""
    car = fitted()
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "fitted", place, toe=0.6e-3)
    return car


def told(**changed):
    return alignment(read_out(**changed), "fitted")


def step(bench, sets, end):
    return next(s for s in bench.steps if (s.sets, s.end) == (sets, end))


def test_a_sound_read_out_is_left_alone():
    bench = told()
    assert bench.words == []
    assert bench.pull == "no"
    assert {s.state for s in bench.steps if s.sets in ("toe", "camber", "caster")} == {"done"}
    front = bench.ends[0]
    assert front.scrub == pytest.approx(-1000 * sin(asin(0.5 / 380)))
    assert front.across == pytest.approx(-1e-3)
    assert bench.ends[1].across_wanted == pytest.approx(1.2e-3)
    assert bench.wheels[2].now.across == pytest.approx(0.6e-3)
    assert front.cross_camber == pytest.approx(radians(-0.1))
    assert front.cross_caster == pytest.approx(radians(0.1))
    assert bench.thrust == pytest.approx(0.0)


def test_toe_out_in_front_is_the_toes_doing_and_the_rods_are_turned():
    bench = told(front_left=(-2.3, -2.5, 4.5), front_right=(0.1, -2.4, 4.4))
    assert [w.rule for w in bench.words] == ["toe_scrubs"]
    assert "inner" in bench.words[0].text
    assert "Camber stands within its band" in bench.words[0].text
    scrub = 1000 * sin((asin(-2.3 / 380) + asin(0.1 / 380)) / 2)
    assert bench.words[0].numbers["scrub"].value == pytest.approx(-scrub)
    assert bench.wheels[0].scrub == pytest.approx(1000 * -2.3 / 380)
    moves = {m.place: m for m in step(bench, "toe", "front").moves}
    # the rod lies behind the axle: longer turns the wheel in; lever 118 mm, lead 1.5 mm
    change = asin(-0.5 / 380) - asin(-2.3 / 380)
    assert moves[Place.FRONT_LEFT].turns == pytest.approx(118 * sin(change) / 1.5)
    assert moves[Place.FRONT_LEFT].how == "turn longer"
    assert moves[Place.FRONT_LEFT].across == pytest.approx(380e-3 * sin(change))
    assert moves[Place.FRONT_RIGHT].how == "turn shorter"
    assert moves[Place.FRONT_RIGHT].turns == pytest.approx(118 * sin(asin(-0.5 / 380) - asin(0.1 / 380)) / 1.5)
    ahead = with_end(wanting_little(), "front", toe_rod=ToeRod(arm=0.118, lead=0.0015, behind=False))
    other = alignment(read_out(ahead, front_left=(-2.3, -2.5, 4.5)), "fitted")
    assert step(other, "toe", "front").moves[0].how == "turn shorter"


def test_camber_off_its_band_is_named_with_its_steps_and_what_is_left():
    car = with_end(
        wanting_little(), "rear",
        adjusters=(AlignmentAdjuster(how="eccentric", sets="camber", least=radians(-2.6), most=radians(-0.6), step=radians(0.15)),),
    )  # fmt: skip
    bench = alignment(read_out(car, rear_left=(0.6, -1.2, None), rear_right=(0.6, -1.35, None)), "fitted")
    assert [w.rule for w in bench.words] == ["camber_off"]
    assert bench.words[0].place == "rear_left"
    move = step(bench, "camber", "rear").moves[0]
    assert move.change == pytest.approx(radians(-0.6))
    assert move.turns == pytest.approx(-4.0)
    assert move.left == pytest.approx((2.6 - 1.8) / 0.15)
    none = alignment(read_out(with_end(car, "rear", adjusters=()), rear_left=(0.6, -1.2, None)), "fitted")
    assert step(none, "camber", "rear").state == "not adjustable"
    assert "cam bolt" in step(none, "camber", "rear").says


def test_a_tolerance_told_with_what_is_wanted_decides_what_is_off_and_what_is_turned():
    def within(**told):
        car = wanting_little()
        for place in ("rear_left", "rear_right"):
            car = with_side(car, "fitted", place, within=Within(**told))
        return car

    read = {"rear_left": (1.3, -2.2, None), "rear_right": (0.6, -1.9, None)}
    usual = alignment(read_out(**read), "fitted")
    assert {w.place: (w.toe_off, w.camber_off) for w in usual.wheels}[Place.REAR_LEFT] == (True, False)
    assert [m.place for m in step(usual, "toe", "rear").moves] == [Place.REAR_LEFT]
    wide = alignment(read_out(within(toe=0.8e-3), **read), "fitted")
    row = next(w for w in wide.wheels if w.place is Place.REAR_LEFT)
    assert not row.toe_off
    assert row.within_told.across == pytest.approx(0.8e-3)
    assert row.within.camber == pytest.approx(radians(0.5))
    assert row.within_told.camber is None
    assert step(wide, "toe", "rear").moves == []
    narrow = alignment(read_out(within(camber=radians(0.2), toe=0.6e-3), **read), "fitted")
    row = next(w for w in narrow.wheels if w.place is Place.REAR_LEFT)
    assert (row.toe_off, row.camber_off) == (True, True)
    assert [m.place for m in step(narrow, "camber", "rear").moves] == [Place.REAR_LEFT]


def test_a_read_out_goes_out_as_csv_and_comes_back():
    wheels = [
        WheelRound(place="front_left", toe=-1.25e-3, camber=radians(-2.4), caster=radians(4.5)),
        WheelRound(place="rear_right", toe_angle=radians(0.2)),
        WheelRound(place="rear_left", pressure_hot=2e5),
    ]
    rows = alignment_rows(wheels)
    assert rows[1:] == [["front left", "-1.25", "", "-2.4", "4.5"], ["rear right", "", "0.2", "", ""]]
    back = alignment_from_csv(written(rows))
    assert [w.place for w in back] == [Place.FRONT_LEFT, Place.REAR_RIGHT]
    assert (back[0].toe, back[0].camber, back[1].toe_angle) == pytest.approx(
        (-1.25e-3, radians(-2.4), radians(0.2))
    )


def test_cross_caster_pulls_to_the_side_with_less_of_it():
    bench = told(front_left=(-0.5, -2.5, 5.0), front_right=(-0.5, -2.4, 4.3))
    assert [w.rule for w in bench.words] == ["cross_caster"]
    assert "pulls to the right" in bench.words[0].text
    assert (bench.pull, bench.pull_by) == ("right", "caster")
    assert bench.words[0].numbers["cross"].value == pytest.approx(radians(0.7))
    camber = told(front_left=(-0.5, -2.0, 4.5), front_right=(-0.5, -2.6, 4.4))
    assert (camber.pull, camber.pull_by) == ("left", "camber")


def test_a_rear_axle_that_points_aside_is_told_first_and_where_the_steering_wheel_stands():
    bench = told(rear_left=(2.1, -1.8, None), rear_right=(-0.9, -1.9, None))
    assert bench.words[0].rule == "thrust_off"
    assert "to the right" in bench.words[0].text
    thrust = (asin(2.1 / 380) - asin(-0.9 / 380)) / 2
    assert bench.thrust == pytest.approx(thrust)
    assert bench.steering_wheel == pytest.approx(15.4 * thrust)
    assert not any(w.rule.startswith(("camber", "toe_scrubs")) for w in bench.words)
    moves = {m.place: m for m in step(bench, "toe", "rear").moves}
    assert moves[Place.REAR_LEFT].turns == pytest.approx(300 * sin(asin(0.6 / 380) - asin(2.1 / 380)) / 2.5)
    order = [(s.sets, s.end) for s in bench.steps]
    assert order.index(("toe", "rear")) < order.index(("toe", "front"))
    left = told(rear_left=(-0.9, -1.8, None), rear_right=(2.1, -1.9, None))
    assert left.thrust == pytest.approx(-thrust)
    assert "to the left" in left.words[0].text


def test_a_rear_that_cannot_be_set_is_what_the_front_is_aimed_along():
    car = with_end(wanting_little(), "rear", toe_rod=None, adjusters=())
    bench = alignment(read_out(car, rear_left=(2.1, -1.8, None), rear_right=(-0.9, -1.9, None)), "fitted")
    assert step(bench, "toe", "rear").state == "not adjustable"
    front = step(bench, "toe", "front")
    thrust = (asin(2.1 / 380) - asin(-0.9 / 380)) / 2
    changes = {m.place: m.change for m in front.moves}
    assert changes[Place.FRONT_LEFT] == pytest.approx(thrust)
    assert changes[Place.FRONT_RIGHT] == pytest.approx(-thrust)


def test_a_front_read_against_the_thrust_line_is_led_back_to_the_centre_line():
    car = read_out(rear_left=(2.1, -1.8, None), rear_right=(-0.9, -1.9, None))
    rack = car.surveys[-1].but(against="thrust line")
    bench = alignment(car.but(surveys=(*car.surveys[:-1], rack)), "fitted")
    thrust = (asin(2.1 / 380) - asin(-0.9 / 380)) / 2
    assert bench.wheels[0].now.toe == pytest.approx(asin(-0.5 / 380) + thrust)
    assert bench.wheels[1].now.toe == pytest.approx(asin(-0.5 / 380) - thrust)
    # the read-out already holds the thrust: read straight ahead, the wheel stands straight
    assert bench.steering == pytest.approx(0.0, abs=1e-12)


def test_a_toe_that_is_wanted_and_eats_tyres_is_said_and_mends_nothing():
    car = fitted()
    for place in ("rear_left", "rear_right"):  # 1 mm in at each of 380 mm: 2.6 m/km
        car = with_side(car, "fitted", place, toe=1e-3)
    bench = alignment(read_out(car, rear_left=(1.0, -1.8, None), rear_right=(1.0, -1.9, None)), "fitted")
    assert [w.rule for w in bench.words] == ["toe_scrubs"]
    assert "want less" in bench.words[0].mend
    assert bench.ends[1].wanted_eats


def test_toe_read_as_an_angle_is_that_angle():
    car = read_out()
    wheels = tuple(
        w.but(toe=None, toe_angle=radians(-0.3)) if w.place is Place.FRONT_LEFT else w
        for w in car.surveys[-1].wheels
    )
    bench = alignment(car.but(surveys=(*car.surveys[:-1], car.surveys[-1].but(wheels=wheels))), "fitted")
    assert bench.wheels[0].now.toe == pytest.approx(radians(-0.3))


@pytest.mark.parametrize(
    ("treads", "front_left", "cause"),
    [
        ((0.0045, 0.0056, 0.0058), (-2.4, -2.5, 4.5), "toe"),
        ((0.0045, 0.0056, 0.0058), (-0.5, -2.5, 4.5), "camber"),
        ((0.0058, 0.0056, 0.0046), (2.4, -2.5, 4.5), "toe"),
        ((0.0058, 0.0056, 0.0046), (-0.5, -2.5, 4.5), "cornering"),
        ((0.0045, 0.0058, 0.0045), (-0.5, -2.5, 4.5), "pressure low"),
        ((0.0058, 0.0045, 0.0058), (-0.5, -2.5, 4.5), "pressure high"),
        ((0.0056, 0.0056, 0.0052), (-2.4, -2.5, 4.5), ""),
    ],
)  # fmt: skip
def test_wear_is_blamed_on_toe_before_camber(treads, front_left, cause):
    other = (front_left[0], -2.4, 4.4)
    bench = alignment(read_out(treads={"front_left": treads}, front_left=front_left, front_right=other), "fitted")
    worn = next(w for w in bench.worn if w.place is Place.FRONT_LEFT)
    assert worn.cause == cause
    if cause and cause.startswith("pressure"):
        assert worn.less == pytest.approx(0.0013)


def test_heights_come_before_everything_and_are_done_when_they_are_right():
    bench = told()
    assert bench.steps[0].state == "unknown"
    right = {p: 0.354 if p.end == "front" else 0.352 for p in PLACES}
    level = alignment(set_down(read_out(), "fitted", right), "fitted", 1)
    assert level.steps[0].state == "done"
    off = alignment(set_down(read_out(), "fitted", right | {Place.FRONT_LEFT: 0.357}), "fitted", 1)
    assert off.steps[0].state == "to do"


def test_weights_count_as_read_once_all_four_are():
    four = dict(zip(PLACES, (308.0, 298.0, 207.0, 197.0), strict=True))
    for masses, state in (({PLACES[1]: 298.0}, "unknown"), (four, "done"), (four | {PLACES[0]: 340.0}, "to do")):
        bench = alignment(set_down(read_out(), "fitted", masses, "mass"), "fitted", 1)
        assert (bench.steps[1].sets, bench.steps[1].state) == ("weights", state)


def test_a_motorcycle_has_no_weights_to_set_and_nothing_falls_over():
    bike = settled_magpie().document
    weighed = set_down(bike, "ridden", {Place.FRONT: 116.0, Place.REAR: 117.0}, "mass")
    assert alignment(weighed, "ridden").thrust is None


def test_camber_and_toe_over_height_say_what_the_drop_does():
    pairs = tuple(
        AtHeight(hub_to_arch=h, camber=radians(-1 - 20 * (0.384 - h)), toe=(h - 0.364) * 0.05)
        for h in (0.304, 0.324, 0.344, 0.364, 0.384)
    )
    car = with_end(fitted(), "front", over_height=tuple(reversed(pairs)))
    found = over_height(car, "fitted", "front")
    assert found.found == pytest.approx(0.375)
    assert found.plan == pytest.approx(0.354, abs=1e-4)
    assert found.camber_plan == pytest.approx(radians(-1 - 20 * (0.384 - found.plan)))
    assert found.camber_slope == pytest.approx(radians(-0.2))
    assert found.toe_slope == pytest.approx(-0.0005)
    assert found.camber_change == pytest.approx(radians(-20 * (0.375 - found.plan)))
    assert found.bump_steer == pytest.approx(-0.0015)
    assert not found.beyond
    high = with_end(car, "front", over_height=pairs[3:])
    assert over_height(high, "fitted", "front").beyond
    assert over_height(with_end(car, "front", over_height=pairs[:1]), "fitted", "front") is None


def test_a_racks_file_is_read_in_its_own_units():
    text = "wheel;toe deg;camber deg;caster deg\nFL;-0 12;-2,5;4 30\nfront right;0:05;-2.4;4.4\nRL;0.1;-1.8;\nRR;0.1;-1.9;\n"
    wheels = {w.place: w for w in alignment_from_csv(text)}
    assert wheels[Place.FRONT_LEFT].toe_angle == pytest.approx(radians(-0.2))
    assert wheels[Place.FRONT_LEFT].camber == pytest.approx(radians(-2.5))
    assert degrees(wheels[Place.FRONT_LEFT].caster) == pytest.approx(4.5)
    assert wheels[Place.FRONT_RIGHT].toe_angle == pytest.approx(radians(5 / 60))
    assert wheels[Place.REAR_LEFT].caster is None
    mm = alignment_from_csv("wheel,toe in,camber\nfl,0.02,-1\n")[0]
    assert mm.toe == pytest.approx(0.02 * 0.0254)
    for bad in (
        "toe,camber\n1,2\n",
        "wheel,toe mm\nmiddle,1\n",
        "wheel,toe bar\nfl,1\n",
        "wheel,toe mm\nfl,x\n",
        "wheel,toe\nfl,1\nfl,2\n",
        "",
    ):
        with pytest.raises(BadFile):
            alignment_from_csv(bad)


def test_the_shift_at_a_top_mount_is_the_tangent_over_its_length():
    from feder.calc.answer import answer

    shift = answer("camber_shift", {"camber_change": radians(0.6), "distance": 0.55})["results"]["shift"]["value"]
    assert shift == pytest.approx(0.55 * tan(radians(0.6)))
