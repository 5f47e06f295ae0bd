"""A run held to what is known otherwise: linear theory, a solver at tight tolerance, energy, mirror, stillness."""

from dataclasses import replace
from math import pi

import numpy as np
import pytest
from scipy.integrate import solve_ivp
from scipy.signal import StateSpace, lsim

from feder.core.benches.prove.figures import ALL, figures_of, weighted
from feder.core.benches.prove.road import class_tracks
from feder.core.benches.prove.run import Switches, run
from feder.core.benches.prove.tables import speeds, travels
from feder.core.benches.prove.vehicle import TYRE_DAMPING, balanced, vehicle_of
from feder.core.document.road import Manoeuvre, RoadPiece, Trial
from feder.core.formulas.road import wk_at
from feder.core.numbers.quantities import G
from feder.core.solvers.road_response import road_response
from feder.demo.bramble import bramble
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from tests.core.road_trials import TRACK, WHEELBASE, bike, car, flat, road, with_wheels

V = 15.0
PLAIN = Switches(tyre_damping=False, friction=False)


def bump(height: float = 0.012, length: float = 4.0, start: float = 3.0, whole: float = 60.0, step: float = 0.005):
    x = np.arange(round(whole / step) + 1) * step
    inside = (x >= start) & (x <= start + length)
    return np.where(inside, height / 2 * (1 - np.cos(2 * pi * (x - start) / length)), 0.0)


def linear(vehicle, bar=0.0, live=None):
    """State space of seven freedoms, written by matrices: inputs are the four road heights, outputs all heights."""
    n = len(vehicle.wheels)
    m = sum(w.load for w in vehicle.wheels) / G
    mass = np.diag([m, vehicle.pitch_inertia, vehicle.roll_inertia or 1.0, *[w.unsprung for w in vehicle.wheels]])
    if live is not None:  # an axle's two wheels by its mass and roll inertia: T'MT
        for a in (3, 5):
            both, inertia = 2 * vehicle.wheels[a - 3].unsprung, live
            to_axle = np.array([[0.5, 0.5], [1 / TRACK, -1 / TRACK]])
            mass[a : a + 2, a : a + 2] = to_axle.T @ np.diag([both, inertia]) @ to_axle
    stretch = np.zeros((n, 3 + n))  # travel of each spring's place by the freedoms
    for i, w in enumerate(vehicle.wheels):
        stretch[i] = [-1, -w.x, -w.y, *(1.0 if j == i else 0.0 for j in range(n))]
    spread = np.eye(n)
    for a, axle in enumerate(vehicle.axles):
        if n == 4:
            b = axle.base
            spread[2 * a : 2 * a + 2, 2 * a : 2 * a + 2] = np.array([[1 + b, 1 - b], [1 - b, 1 + b]]) / 2
    at_spring = spread @ stretch
    k = at_spring.T @ np.diag([w.wheel_rate for w in vehicle.wheels]) @ at_spring
    c = at_spring.T @ np.diag([w.damper[-1] / speeds()[-1] for w in vehicle.wheels]) @ at_spring
    for a in range(2):
        if bar:
            d = stretch[2 * a] - stretch[2 * a + 1]
            k = k + bar * np.outer(d, d)
    tyres = np.zeros((3 + n, n))
    for i, w in enumerate(vehicle.wheels):
        k[3 + i, 3 + i] += w.tyre_rate
        tyres[3 + i, i] = w.tyre_rate
    size = 3 + n
    inverse = np.linalg.inv(mass)
    a = np.block([[np.zeros((size, size)), np.eye(size)], [-inverse @ k, -inverse @ c]])
    b = np.vstack([np.zeros((size, n)), inverse @ tyres])
    return StateSpace(a, b, np.eye(2 * size)[:size], np.zeros((size, n)))


def heights_over_time(made, vehicle):
    """The road under each wheel at the times of a run, the rear ones later."""
    own = np.arange(made.road.heights.shape[1]) * made.road.step
    return np.array(
        [
            np.interp(made.distance - (0 if w.place.end == "front" else vehicle.wheelbase), own,
                      made.road.heights[0 if w.y >= 0 else 1], left=0.0)
            for w in vehicle.wheels
        ]
    )  # fmt: skip


CARS = {
    "plain": (car(), {}),
    "bars": (car(bar_rate=9e3), {"bar": 9e3}),
    "narrow springs": (car(base=0.6), {}),
    "live axles": (car(live=True, base=0.6), {"live": "inertia"}),
    "two wheels": (bike(), {}),
}


@pytest.mark.parametrize("name", CARS)
def test_a_linear_vehicle_moves_as_its_state_space_does(name):
    vehicle, more = CARS[name]
    if more.get("live"):
        # six tenths of the axle's mass at its wheels, the rest spread evenly between them
        both = 2 * vehicle.wheels[0].unsprung
        vehicle = with_wheels(vehicle, unsprung=vehicle.wheels[0].unsprung)
        more = {"live": both * TRACK**2 / 4 * (0.6 + 0.4 / 3)}
    left, right = bump(), bump(height=0.006, start=6.0)
    made = run(vehicle, flat(60, V), road=road(left, right), switches=PLAIN)
    wanted = lsim(linear(vehicle, **more), heights_over_time(made, vehicle).T, made.time)[1].T
    got = [made.heave, made.pitch, made.roll, *made.wheels.height]
    for i, (mine, theirs) in enumerate(zip(got, wanted, strict=True)):
        scale = max(np.abs(theirs).max(), 1e-9)
        if i == 2 and len(vehicle.wheels) == 2:
            assert np.abs(mine).max() == 0  # a two-wheeler is kept upright
            continue
        assert np.abs(mine - theirs).max() / scale < 1e-4, i


def two_mass(w, damper, spring, road_at, times):
    """One corner by `solve_ivp` at tight tolerance; the tyre only pushes."""
    m, rest = w.load / G, w.still / w.tyre_rate
    ct = TYRE_DAMPING * 2 * ((w.wheel_rate + w.tyre_rate) * w.unsprung) ** 0.5

    def slopes(t, s):
        zs, vs, zu, vu = s
        push = spring(zu - zs) + damper(vu - vs)
        squash = rest + road_at(t) - zu
        rising = (road_at(t + 1e-6) - road_at(t - 1e-6)) / 2e-6
        tyre = max(0.0, w.tyre_rate * squash + ct * (rising - vu)) if squash > 0 else 0.0
        return [vs, push / m - G, vu, (tyre - push) / w.unsprung - G]

    found = solve_ivp(slopes, (0, times[-1]), [0, 0, 0, 0], t_eval=times, rtol=1e-9, atol=1e-11, max_step=2e-3)
    return found.y


def test_a_bump_that_lifts_wheels_and_meets_the_stop_is_what_a_tight_solver_finds():
    z, v = travels(), speeds()
    stop = np.where(z > 0.030, 8e4 * (z - 0.030), 0.0)
    damper = np.where(v > 0, 1100 * np.minimum(v, 0.12) + 350 * np.maximum(v - 0.12, 0), 2100 * v)
    vehicle = with_wheels(car(), damper=damper, stop=stop)
    height, length, start = 0.07, 1.6, 2.0

    def at(x):
        return height * np.sin(pi * (x - start) / length) if start < x < start + length else 0.0

    x = np.arange(round(14 / 0.001) + 1) * 0.001
    profile = np.array([at(k) for k in x])
    made = run(vehicle, flat(14, V), road=replace(road(profile, step=0.001), kinks=(start, start + length)))
    # all four alike in heave alone: one axle's motion on a vehicle whose axles do not feel each other
    assert made.wheels.travel[0].max() > 0.030
    assert made.wheels.squash[0].min() < 0
    w = vehicle.wheels[0]

    def force(travel):
        return w.load + w.wheel_rate * travel + max(0.0, 8e4 * (travel - 0.030))

    def damp(u):
        return 1100 * min(u, 0.12) + 350 * max(u - 0.12, 0) if u > 0 else 2100 * u

    found = two_mass(w, damp, force, lambda t: at(V * t), made.time)
    front = made.heave + w.x * made.pitch
    # with a dynamic index of 1 both ends of the body move as if they were alone
    assert np.abs(front - found[0]).max() < 2e-3 * np.abs(found[0]).max()
    assert np.abs(made.wheels.height[0] - found[2]).max() < 2e-3 * np.abs(found[2]).max()


@pytest.mark.parametrize(
    ("made", "setup"), [(nettle, "plan"), (nettle, "found"), (sedge, "plan"), (bramble, "plan"), (magpie, "plan")]
)
def test_a_still_vehicle_does_not_move(made, setup):
    vehicle = vehicle_of(made(), setup)
    stood = run(vehicle, flat(100, 10))
    for trace in (stood.heave, *stood.wheels.travel, *stood.wheels.height):
        assert np.abs(trace).max() < 1e-5
    assert np.abs(stood.pitch).max() * vehicle.wheelbase < 1e-5


def test_what_the_road_gives_is_stored_or_dissipated():
    vehicle = with_wheels(car(bar_rate=8e3), friction=60.0)
    left, right = bump(0.05, 2.5), bump(0.03, 3.0, 5.0)
    made = run(vehicle, flat(60, V), road=road(left, right), step=2.5e-4)
    w, dt = made.wheels, made.step
    n = len(vehicle.wheels)
    heights = heights_over_time(made, vehicle)
    given = sum(np.trapezoid(w.tyre_force[i], heights[i]) for i in range(n))
    body = np.gradient(made.heave, dt), np.gradient(made.pitch, dt), np.gradient(made.roll, dt)
    end = slice(-400, -200)  # a while at the end, near rest
    moving = 0.5 * (sum(x.load for x in vehicle.wheels) / G) * body[0] ** 2
    moving += 0.5 * vehicle.pitch_inertia * body[1] ** 2 + 0.5 * vehicle.roll_inertia * body[2] ** 2
    stored = np.zeros_like(made.time)
    burnt = np.zeros_like(made.time)
    for i, x in enumerate(vehicle.wheels):
        moving += 0.5 * x.unsprung * np.gradient(w.height[i], dt) ** 2
        speed = np.gradient(w.travel[i], dt)
        stored += x.load * w.travel[i] + 0.5 * x.wheel_rate * w.travel[i] ** 2
        stored += x.unsprung * G * w.height[i]
        squash = w.squash[i]
        stored += 0.5 * x.tyre_rate * (np.maximum(squash, 0) ** 2 - (x.still / x.tyre_rate) ** 2)
        ct = TYRE_DAMPING * 2 * ((x.wheel_rate + x.tyre_rate) * x.unsprung) ** 0.5
        rising = np.gradient(heights[i], dt) - np.gradient(w.height[i], dt)
        burnt += np.cumsum((w.damper_force[i] + w.rub[i]) * speed + ct * rising**2 * (squash > 0)) * dt
    for a in range(2):
        stored += 0.5 * 8e3 * (w.travel[2 * a] - w.travel[2 * a + 1]) ** 2
    stored += (sum(x.load for x in vehicle.wheels)) * made.heave
    whole = stored[end].mean() + moving[end].mean() + burnt[end].mean()
    assert given == pytest.approx(whole, abs=1e-3 * burnt[-1])


def test_a_road_turned_left_to_right_turns_the_motion_round():
    vehicle = vehicle_of(nettle(), "plan")
    even = with_wheels(vehicle)  # as it stands, left and right carry unlike: both are made the same
    wheels = []
    for i, w in enumerate(even.wheels):
        other = even.wheels[i + 1 if i % 2 == 0 else i - 1]
        names = ("load", "spring", "stop", "damper", "ratio")
        wheels.append(
            replace(w, **{n: (getattr(w, n) + getattr(other, n)) / 2 for n in names}, y=0.7 if w.y > 0 else -0.7)
        )
    even = replace(even, wheels=balanced(wheels, even.axles))
    left, right = bump(0.04, 3.0), bump(0.02, 3.0, 9.0)
    one = run(even, flat(60, V), road=road(left, right))
    other = run(even, flat(60, V), road=road(right, left))
    assert np.abs(one.roll).max() > 1e-3
    assert one.heave == pytest.approx(other.heave, abs=1e-9)
    assert one.roll == pytest.approx(-other.roll, abs=1e-9)
    assert one.wheels.travel[0] == pytest.approx(other.wheels.travel[1], abs=1e-9)


@pytest.mark.parametrize("made", [nettle, magpie])
def test_half_the_step_changes_no_figure(made):
    trial = Trial(
        pieces=(RoadPiece(kind="flat", length=3), RoadPiece(kind="bump", length=2.5, height=0.05), RoadPiece(kind="rough", length=60, road_class="C")),
        speed=V,
    )  # fmt: skip
    vehicle = vehicle_of(made(), "plan")
    whole, half = (figures_of(run(vehicle, trial, step=s)) for s in (5e-4, 2.5e-4))
    for end in ("front", "rear"):
        a, b = whole.ends[ALL][end], half.ends[ALL][end]
        for name in ("comfort", "acceleration", "grip", "watts", "bump", "droop"):
            assert getattr(a, name) == pytest.approx(getattr(b, name), rel=5e-3), (end, name)
    assert whole.pitch[ALL].rms == pytest.approx(half.pitch[ALL].rms, rel=5e-3)


def test_a_random_road_gives_the_root_mean_squares_of_the_integral_over_its_spectrum():
    speed, seconds = 20.0, 300.0
    vehicle = with_wheels(car(), unsprung=34.0)
    w = vehicle.wheels[0]
    length = speed * seconds
    made, _ = class_tracks(256e-6, length, 1.4, np.random.default_rng(3), alike=True, bins=1)
    # 300 s of road are more than one run may last: five pieces of it, each long enough to settle
    squares = {"acceleration": [], "weighted": [], "load": [], "travel": []}
    for piece in np.split(made[: made.size // 6 * 6], 6):
        ramp = np.minimum(np.arange(piece.size) * 0.005 / 10, 1)
        driven = run(vehicle, flat(1000, speed), road=road(piece * ramp), switches=PLAIN)
        there = driven.time > 2.0
        front = driven.heave_acceleration + w.x * driven.pitch_acceleration
        squares["acceleration"].append(np.mean(front[there] ** 2))
        squares["weighted"].append(np.mean(weighted(front, driven.step)[there] ** 2))
        squares["load"].append(np.var(driven.wheels.tyre_force[0][there]))
        squares["travel"].append(np.mean(driven.wheels.travel[0][there] ** 2))
    wanted = road_response("C", speed, w.load / G, w.unsprung, w.wheel_rate, w.tyre_rate, 1700.0)
    for name, value in (
        ("acceleration", wanted.acceleration), ("weighted", wanted.weighted_acceleration),
        ("load", wanted.tyre_load), ("travel", wanted.travel),
    ):  # fmt: skip
        assert np.mean(squares[name]) ** 0.5 == pytest.approx(float(value), rel=0.02), name


def test_weighting_in_time_is_that_of_its_frequency():
    t = np.arange(0, 20, 5e-4)
    for frequency in (1.0, 5.0, 16.0):
        felt = weighted(np.sin(2 * pi * frequency * t), 5e-4)[10_000:-10_000]
        assert felt.std() * 2**0.5 == pytest.approx(wk_at(frequency), rel=2e-3)


@pytest.mark.parametrize("vehicle", [car(), bike()])
def test_braking_moves_m_a_h_over_l_between_the_axles(vehicle):
    amount = 5.0
    trial = Trial(manoeuvre=Manoeuvre(kind="braking", amount=amount, seconds=6), speed=20)
    made = run(vehicle, trial)
    held = (made.time > 5.0) & (made.time < 5.6)
    front = sum(made.wheels.tyre_force[i][held].mean() - vehicle.wheels[i].still for i in vehicle.at("front"))
    rear = sum(made.wheels.tyre_force[i][held].mean() - vehicle.wheels[i].still for i in vehicle.at("rear"))
    moment = sum(w.load / G * vehicle.cg_height + w.unsprung * 0.3 for w in vehicle.wheels) * amount
    assert front == pytest.approx(moment / vehicle.wheelbase, rel=0.01)
    assert rear == pytest.approx(-front, rel=0.01)
    assert made.pitch[held].mean() < 0  # the nose goes down
    driving = run(vehicle, Trial(manoeuvre=Manoeuvre(kind="driving", amount=3.0, seconds=6), speed=20))
    assert driving.pitch[held].mean() > 0


def test_a_corner_leans_outwards_by_its_moment_over_its_roll_rate():
    vehicle = car(bar_rate=9e3, roll_centre=0.08)
    amount = 4.0
    made = run(vehicle, Trial(manoeuvre=Manoeuvre(kind="corner", amount=amount, seconds=8), speed=20))
    held = (made.time > 6.0) & (made.time < 7.5)
    mass = sum(w.load for w in vehicle.wheels) / G
    # springs and bars in series with the tyres, of each axle
    spring = sum(
        1 / (1 / ((w.wheel_rate + 2 * 9e3) * TRACK**2 / 2) + 1 / (w.tyre_rate * TRACK**2 / 2))
        for w in (vehicle.wheels[0], vehicle.wheels[2])
    )
    tyres = [w.tyre_rate * TRACK**2 / 2 for w in (vehicle.wheels[0], vehicle.wheels[2])]
    springs = [(w.wheel_rate + 2 * 9e3) * TRACK**2 / 2 for w in (vehicle.wheels[0], vehicle.wheels[2])]
    # what goes to the tyres at once rolls the body with them
    direct = [
        (2 * vehicle.wheels[i].load / G * 0.08 + 2 * vehicle.wheels[i].unsprung * 0.3) * amount for i in (0, 2)
    ]
    stiff = [s * t / (s + t) for s, t in zip(springs, tyres, strict=True)]
    elastic = mass * amount * (vehicle.cg_height - 0.08)
    shifted = sum(k * d / t for k, d, t in zip(stiff, direct, tyres, strict=True))
    wanted = (elastic + shifted) / sum(stiff)
    assert spring == pytest.approx(sum(stiff))
    # a left turn: the body leans to the right, its left side up
    assert made.roll[held].mean() == pytest.approx(wanted, rel=0.01)
    gained = made.wheels.tyre_force[1][held].mean() - made.wheels.tyre_force[0][held].mean()
    gained += made.wheels.tyre_force[3][held].mean() - made.wheels.tyre_force[2][held].mean()
    moment = mass * amount * vehicle.cg_height + sum(w.unsprung for w in vehicle.wheels) * 0.3 * amount
    assert gained / 2 * TRACK == pytest.approx(moment, rel=0.01)


def test_the_rear_wheels_meet_the_same_road_a_wheelbase_later():
    made = run(car(), flat(40, V), road=road(bump(0.01, 2.0, whole=40)))
    peaks = [made.distance[made.wheels.road[i].argmax()] for i in (0, 2)]
    assert peaks[1] - peaks[0] == pytest.approx(WHEELBASE, abs=0.02)


@pytest.mark.parametrize("made", [car, bike])
def test_links_carry_their_share_of_braking_and_the_body_dives_the_less(made):
    amount = 5.0
    plain, held = made(), made()
    axles = (replace(held.axles[0], links=(0.6, None)), replace(held.axles[1], links=(0.25, 0.8)))
    held = replace(held, axles=axles)
    braking = Trial(manoeuvre=Manoeuvre(kind="braking", amount=amount, seconds=6), speed=20)
    runs = [run(v, braking) for v in (plain, held)]
    part = (runs[0].time > 5.0) & (runs[0].time < 5.6)
    moment = sum(w.load / G * plain.cg_height + w.unsprung * 0.3 for w in plain.wheels) * amount
    moved = moment / plain.wheelbase / plain.per_axle
    for i, w in enumerate(plain.wheels):
        share = 0.6 if w.place.end == "front" else 0.25
        way = 1 if w.place.end == "front" else -1
        # the tyres feel the same, the springs what the links leave
        for each, left in zip(runs, (1.0, 1.0 - share), strict=True):
            assert each.wheels.tyre_force[i][part].mean() == pytest.approx(w.still + way * moved, rel=0.01)
            assert each.wheels.travel[i][part].mean() * w.wheel_rate == pytest.approx(way * moved * left, rel=0.02)
    driving = Trial(manoeuvre=Manoeuvre(kind="driving", amount=amount, seconds=6), speed=20)
    squats = [run(v, driving).wheels.travel[plain.at("rear")[0]][part].mean() for v in (plain, held)]
    assert squats[1] == pytest.approx(0.2 * squats[0], rel=0.02)


def test_inertias_that_are_told_are_taken_and_not_marked():
    told = nettle()
    told = told.but(vehicle=told.vehicle.but(pitch_inertia=1234.0, roll_inertia=321.0))
    vehicle = vehicle_of(told, "plan")
    assert (vehicle.pitch_inertia, vehicle.roll_inertia) == (1234.0, 321.0)
    assert not any("inertia" in words for words in vehicle.assumed)
    untold = vehicle_of(nettle(), "plan")
    ahead = untold.wheels[0].x
    assert untold.pitch_inertia == pytest.approx(untold.mass * ahead * (untold.wheelbase - ahead))
    assert {"pitch inertia m·a·b", "roll inertia m·(0.35 track)²"} <= set(untold.assumed)
