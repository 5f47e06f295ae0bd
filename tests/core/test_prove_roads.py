"""Roads and manoeuvres as they are told, random ones by their spectra, and what is refused."""

from math import pi

import numpy as np
import pytest
from pydantic import ValidationError
from scipy.signal import csd, welch
from scipy.special import k1

from feder.core.benches.prove.manoeuvre import accelerations
from feder.core.benches.prove.road import class_tracks, road_of
from feder.core.benches.prove.roads import ROADS, roads_for, trial_of
from feder.core.benches.prove.run import run
from feder.core.benches.prove.vehicle import CannotDrive, vehicle_of
from feder.core.document.document import Document
from feder.core.document.road import Manoeuvre, Proving, RoadPiece, Trial
from feder.core.files.road_csv import profile_from_csv
from feder.core.numbers.errors import BadFile, OutOfRange
from feder.demo.nettle import nettle
from feder.units.parse import read_cell
from tests.changes import with_side
from tests.core.road_trials import car


def heights(*pieces, track=1.4, speed=15.0, seed=7):
    return road_of(Trial(pieces=tuple(RoadPiece(**p) for p in pieces), speed=speed, seed=seed), track)


def at(road, metres, side=0):
    return road.heights[side, round(metres / road.step)]


def test_pieces_lie_one_behind_the_other():
    road = heights(
        {"kind": "flat", "length": 5}, {"kind": "bump", "length": 3, "height": 0.05}, {"kind": "flat", "length": 2},
        {"kind": "step", "length": 4, "height": 0.03}, {"kind": "hole", "length": 2, "height": 0.02},
        {"kind": "waves", "length": 8, "height": 0.04, "wave": 4},
    )  # fmt: skip
    assert road.length == pytest.approx(24)
    assert at(road, 4.9) == at(road, 9.9) == 0
    assert at(road, 6.5) == pytest.approx(0.05)  # half a sine: its crest in the middle
    assert at(road, 5.5) == pytest.approx(0.05 * np.sin(pi / 6), abs=1e-4)
    # after a step the road goes on at its level
    assert at(road, 12) == pytest.approx(0.03)
    assert at(road, 15) == pytest.approx(0.03 - 0.02)
    assert at(road, 18) == pytest.approx(0.03 + 0.04)
    assert at(road, 20) == pytest.approx(0.03, abs=1e-4)
    assert [(s.name, s.start, s.end, s.quiet) for s in road.stretches] == [("obstacles", 5.0, 24.0, 24.0)]


@pytest.mark.parametrize(
    ("sides", "left", "right"),
    [("both", 0.04, 0.04), ("left", 0.04, 0.0), ("right", 0.0, 0.04), ("opposite", 0.04, -0.04)],
)
def test_a_piece_lies_under_the_wheels_it_is_told_for(sides, left, right):
    road = heights({"kind": "bump", "length": 2, "height": 0.04, "sides": sides})
    assert (at(road, 1), at(road, 1, 1)) == (pytest.approx(left), pytest.approx(right))


def test_stretches_part_obstacles_from_the_rough():
    road = heights(
        {"kind": "flat", "length": 5}, {"kind": "bump", "length": 3, "height": 0.05}, {"kind": "flat", "length": 9},
        {"kind": "bump", "length": 3, "height": 0.05}, {"kind": "flat", "length": 20},
        {"kind": "rough", "length": 40, "road_class": "C"}, {"kind": "flat", "length": 5},
    )  # fmt: skip
    told = [(s.name, s.start, s.end, s.random, s.quiet) for s in road.stretches]
    assert told == [("bumps", 5.0, 40.0, False, 20.0), ("rough C", 40.0, 85.0, True, 80.0)]
    assert np.abs(road.heights[:, -900:]).max() == 0


def test_a_class_road_has_the_variance_of_its_spectrum_and_two_tracks_are_alike_as_on_an_isotropic_road():
    track, length = 1.4, 20_000.0
    left, right = class_tracks(256e-6, length, track, np.random.default_rng(1), bins=1)
    wanted = 256e-6 * 0.1**2 * (1 / 0.011 - 1 / 2.83)
    assert left.var() == pytest.approx(wanted, rel=0.01)
    assert right.var() == pytest.approx(wanted, rel=0.05)
    window = {"fs": 1 / 0.005, "nperseg": 2**15}
    n, direct = welch(left, **window)
    _, across = csd(left, right, **window)
    for low, high in ((0.05, 0.1), (0.15, 0.25), (0.4, 0.6)):
        band = (n > low) & (n < high)
        # the density falls as n^-2, so it is weighed by n^2
        assert (direct[band] * n[band] ** 2).mean() == pytest.approx(256e-6 * 0.01, rel=0.1)
        near = 2 * pi * n[band] * track
        assert (across.real[band] / direct[band]).mean() == pytest.approx((near * k1(near)).mean(), abs=0.06)


def test_the_same_seed_is_the_same_road_and_another_is_another():
    piece = {"kind": "rough", "length": 30, "road_class": "B"}
    one, same, other = heights(piece), heights(piece), heights(piece, seed=8)
    assert (one.heights == same.heights).all()
    assert np.abs(one.heights - other.heights).max() > 1e-3
    assert np.abs(one.heights[0] - one.heights[1]).max() > 1e-3
    alike = heights(piece | {"alike": True})
    assert (alike.heights[0] == alike.heights[1]).all()


def test_a_manoeuvre_rises_is_held_and_goes():
    time = np.array([0.0, 0.15, 0.3, 1.5, 2.85, 3.0, 4.0])
    along, across = accelerations(Manoeuvre(kind="braking", amount=6.0, seconds=3.0), time)
    assert along == pytest.approx([0, -3, -6, -6, -3, 0, 0])
    assert not across.any()
    along, across = accelerations(Manoeuvre(kind="slalom", amount=4.0, seconds=6.0), np.array([0.5, 1.5]))
    assert across == pytest.approx([4, -4])
    assert not along.any()


@pytest.mark.parametrize(
    ("piece", "says"),
    [
        ({"kind": "bump", "length": 3}, "height"),
        ({"kind": "rough", "length": 3}, "road class"),
        ({"kind": "waves", "length": 3, "height": 0.1, "wave": 9}, "one wave"),
        ({"kind": "bump", "length": 0, "height": 0.05}, "length"),
        ({"kind": "bump", "length": 3, "height": 4.0}, "height"),
        ({"kind": "profile", "length": 3, "points": [[0, 0, 0], [1, 0, 0]]}, "points"),
    ],
)
def test_a_piece_that_is_not_whole_is_refused_by_name(piece, says):
    with pytest.raises(ValidationError, match=says):
        RoadPiece(**piece)


@pytest.mark.parametrize("speed", [0.0, 500.0, float("nan")])
def test_speeds_that_nobody_drives_are_refused(speed):
    with pytest.raises(ValidationError, match="speed"):
        Trial(pieces=(RoadPiece(kind="flat", length=5),), speed=speed)


def test_a_road_that_lasts_longer_than_a_minute_says_so():
    with pytest.raises(OutOfRange, match="drive faster, or take a shorter road") as refused:
        run(car(), Trial(pieces=(RoadPiece(kind="flat", length=500),), speed=3))
    assert refused.value.key == "speed"


def test_a_trial_is_what_the_document_tells():
    document = nettle()
    own = trial_of(document)
    assert [p.kind for p in own.pieces] == ["flat", "bump", "flat", "bump", "flat", "rough", "flat"]
    for known in roads_for("car"):
        told = document.but(proving=Proving(road=known.name, speed=12.0, seed=3))
        made = trial_of(told)
        assert (made.pieces, made.manoeuvre, made.speed, made.seed) == (known.pieces, known.manoeuvre, 12.0, 3)
    for name, says in (("own", "no pieces"), ("moon", "no road")):
        with pytest.raises(OutOfRange, match=says):
            trial_of(document.but(proving=Proving(road=name)))


def test_two_wheels_lean_into_a_bend_and_are_not_driven_round_one_upright():
    names = {r.name for r in roads_for("motorcycle")}
    assert {r.name for r in ROADS} - names == {"cross_waves", "corner", "slalom"}
    hole = next(r for r in roads_for("bicycle") if r.name == "hole")
    assert hole.pieces[1].sides == "both"


def test_a_profile_is_read_from_a_file_in_the_units_it_names():
    piece = profile_from_csv("distance;left [cm];right\n0;0;0\n0,5;1;20\n1;0;0\n", read_cell)
    assert piece.length == 1
    assert piece.points == ((0, 0, 0), (0.5, 0.01, 0.02), (1, 0, 0))
    alike = profile_from_csv("distance,left\n0,0\n0.5,10\n1,0\n", read_cell)
    assert alike.points[1] == (0.5, 0.01, 0.01)


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("distance,left\n0,0\n1,5\n", "2 heights"),
        ("distance,left\n0,0\n1,5\n1,6\n", "line 4, distance"),
        ("distance,left\n0,0\n1,700\n2,0\n", "spike"),
        ("distance,right\n0,0\n1,5\n2,6\n", "left"),
        ("distance,left\n" + "\n".join(f"{i},0" for i in range(20_002)), "more than 20000"),
    ],
)  # fmt: skip
def test_a_profile_that_cannot_be_driven_is_refused_with_its_place(text, says):
    with pytest.raises(BadFile, match=says):
        profile_from_csv(text, read_cell)


def test_a_measured_profile_loses_its_slope_and_keeps_its_waves():
    x = np.arange(0, 100, 0.05)
    rows = [(float(k), float(0.02 * k + 0.01 * np.sin(2 * pi * k / 4)), 0.0) for k in x]
    road = road_of(Trial(pieces=(RoadPiece(kind="profile", length=99.95, points=tuple(rows)),), speed=20), 1.4)
    middle = slice(6000, 14_000)
    left = road.heights[0, middle]
    assert left.max() == pytest.approx(0.01, rel=0.05)
    assert left.min() == pytest.approx(-0.01, rel=0.05)
    assert np.abs(road.heights[1, middle]).max() < 1e-6


def without(document: Document, *path: str) -> Document:
    plain = document.model_dump(mode="json")
    node = plain
    for name in path[:-1]:
        node = node[name]
    node[path[-1]] = None
    return Document.model_validate(plain)


@pytest.mark.parametrize(
    ("path", "says"),
    [
        (("vehicle", "wheelbase"), "wheelbase"),
        (("vehicle", "ends", "rear", "unsprung_mass"), r"the unsprung mass \(rear left, rear right\)"),
        (("vehicle", "ends", "front", "track"), r"the track \(front left, front right\)"),
    ],
)
def test_what_a_run_waits_for_is_said(path, says):
    with pytest.raises(CannotDrive, match=says):
        vehicle_of(without(nettle(), *path), "plan")


def test_a_vehicle_that_cannot_stand_is_not_driven():
    high = with_side(nettle(), "plan", "front_left", hub_to_arch=0.9)
    with pytest.raises(CannotDrive, match="cannot stand in this setup: a wheel would lift off"):
        vehicle_of(high, "plan")


def test_what_is_not_told_and_can_be_assumed_is_and_says_so():
    plain = without(nettle(), "vehicle", "ends", "front", "tyre", "rate").model_dump(mode="json")
    for setup in plain["setups"]:
        for side in setup["sides"].values():
            if side:
                side["damper"] = None
    for end in plain["vehicle"]["ends"].values():
        end["damper_coefficient"] = None
    vehicle = vehicle_of(Document.model_validate(plain), "plan")
    said = "; ".join(vehicle.assumed)
    assert "front tyre rate not told: 200 N/mm" in said
    assert "rear damper not told: 30% of critical as found" in said
    assert vehicle.wheels[0].tyre_rate == 200e3


def test_a_manoeuvre_waits_for_the_height_of_the_centre_of_gravity():
    trial = Trial(manoeuvre=Manoeuvre(kind="braking", amount=6, seconds=2), speed=20)
    with pytest.raises(CannotDrive, match="centre of gravity"):
        run(vehicle_of(without(nettle(), "vehicle", "sprung_cg_height"), "plan"), trial)
