"""Clicks looked for: every pair on a corner alone, both ends together, what is forbidden, and stopping early."""

from dataclasses import replace
from math import pi

import numpy as np
import pytest
from scipy.integrate import solve_ivp

from feder.core.benches.damping.clicks import damping_bench
from feder.core.benches.damping.turn import turn_clicks
from feder.core.benches.prove.click_map import ClickMap, click_map, drive_corner, knobs_of, mean_wheel
from feder.core.benches.prove.figures import ALL, figures_of
from feder.core.benches.prove.roads import trial_of
from feder.core.benches.prove.run import Stop, run
from feder.core.benches.prove.search import NOISE, Progress, proposed, search, turns
from feder.core.benches.prove.shown import shown
from feder.core.benches.prove.vehicle import TYRE_DAMPING, CannotDrive, vehicle_of
from feder.core.document.changes import patched, with_sides
from feder.core.document.road import Manoeuvre, Proving, RoadPiece, Trial
from feder.core.numbers.quantities import G
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from tests.core.road_trials import car, road

BUMP = Trial(
    pieces=(
        RoadPiece(kind="flat", length=3),
        RoadPiece(kind="bump", length=3, height=0.05),
        RoadPiece(kind="flat", length=12),
    ),
    speed=15,
)


def quiet(_: object) -> None:
    pass


@pytest.fixture(scope="module")
def found() -> Progress:
    document = nettle()
    return search(document, "plan", trial_of(document), 0.2, Stop(), quiet)


def test_a_corner_alone_moves_as_a_tight_solver_says():
    wheel = car().wheels[0]
    x = np.arange(3001) * 0.005
    z = np.where((x > 2) & (x < 6), 0.02 * (1 - np.cos(2 * pi * (x - 2) / 4)), 0.0)
    [(comfort, grip, _)] = drive_corner(
        wheel, [wheel.damper], Trial(pieces=(RoadPiece(kind="flat", length=15),), speed=15), road(z), 0.0, Stop()
    )
    rest, ct = (
        wheel.still / wheel.tyre_rate,
        TYRE_DAMPING * 2 * ((wheel.wheel_rate + wheel.tyre_rate) * wheel.unsprung) ** 0.5,
    )

    def forces(t, s):
        push = wheel.load + wheel.wheel_rate * (s[2] - s[0]) + 1700 * (s[3] - s[1])
        at, rising = np.interp(15 * t, x, z), 15 * np.interp(15 * t, x, np.gradient(z, 0.005))
        return push, wheel.tyre_rate * (rest + at - s[2]) + ct * (rising - s[3])

    def slopes(t, s):
        push, tyre = forces(t, s)
        return [s[1], push / (wheel.load / G) - G, s[3], (tyre - push) / wheel.unsprung - G]

    times = np.arange(1000) * 1e-3
    solved = solve_ivp(slopes, (0, 1), [0, 0, 0, 0], t_eval=times, rtol=1e-8, atol=1e-10, max_step=2e-3).y
    tyre = np.array([forces(t, s)[1] for t, s in zip(times, solved.T, strict=True)])
    assert grip == pytest.approx(tyre.std() / wheel.still, rel=5e-3)
    assert comfort > 0


def test_knobs_are_those_of_the_damper_counted_from_shut():
    document = nettle()
    front, rear = (knobs_of(document, "plan", e) for e in ("front", "rear"))
    assert (front.rebound, front.bump, front.clicks) == ("rebound", "bump", (18, 18))
    for knobs, end in ((front, "front"), (rear, "rear")):
        rules = {r.acts: r for r in damping_bench(document, "plan", end).rules}
        assert knobs.now == (rules["rebound"].now, rules["bump"].now)
    assert rear.locked == ("bump",)
    assert len(front.pairs) == 19 * 19


def test_every_pair_tells_the_damping_that_its_rule_tells(found):
    for end, made in found.maps.items():
        rule = {r.acts: r for r in damping_bench(nettle(), "plan", end).rules}
        for cell in made.cells:
            # the mean of what each knob gives on its own side
            wanted = (rule["rebound"].ratios[cell.rebound] + rule["bump"].ratios[cell.bump]) / 2
            assert cell.ratio == pytest.approx(wanted, rel=2e-3)


def test_losses_are_over_the_present_clicks_and_the_line_is_what_nothing_beats(found):
    for made in found.maps.values():
        by_pair = {c.pair: c for c in made.cells}
        assert len(by_pair) == made.total == 361
        now = by_pair[made.knobs.now]
        assert (now.comfort, now.grip) == (1.0, 1.0)
        line = made.line()
        allowed = [c for c in made.cells if c.allowed]
        for cell in line:
            assert not any(c.comfort < cell.comfort and c.grip < cell.grip for c in allowed)
        for cell in allowed:
            assert any(c.comfort <= cell.comfort and c.grip <= cell.grip for c in line)
        for weight in (0.0, 0.3, 1.0):
            best = made.best(weight)[0]
            assert best.score(weight) == min(c.score(weight) for c in allowed)
            assert best in line or weight in (0.0, 1.0)


def test_locked_knobs_keep_their_click_and_no_pair_forgets_body_control(found):
    rear = found.maps["rear"]
    assert {c.bump for c in rear.cells if c.allowed} == {rear.knobs.now[1]}
    low, _ = nettle().brief.damping_band
    for made in found.maps.values():
        now = next(c for c in made.cells if c.pair == made.knobs.now)
        for cell in made.cells:
            assert cell.off_band == (max(0, low - cell.ratio) > max(0, low - now.ratio) + 1e-9)


def test_a_stop_met_harder_than_as_found_is_forbidden(found):
    document, front = nettle(), found.maps["front"]
    now, was = vehicle_of(document, "plan"), vehicle_of(document, "found")
    wheel, before = mean_wheel(now, "front"), mean_wheel(was, "front")
    assert wheel.load == pytest.approx((now.wheels[0].load + now.wheels[1].load) / 2)
    limit = 0.02 * wheel.still  # as found it is grazed, with less
    trial = trial_of(document)
    soft = next(c for c in front.cells if c.pair == (18, 18))
    assert soft.harder
    assert soft.stop > limit
    alone = with_damper(now, "front", front.knobs.force((18, 18), 1.0))
    # both sides alike, so the mean corner moves as the whole car's front does
    assert figures_of(run(alone, trial)).ends[ALL]["front"].stop_force == pytest.approx(soft.stop, rel=0.1)
    assert before.touch > wheel.touch - 0.05


def with_damper(vehicle, end, force):
    return vehicle.with_wheels(
        tuple(replace(w, damper=force) if w.place.end == end else w for w in vehicle.wheels)
    )


def test_both_ends_together_are_run_on_the_whole_vehicle(found):
    document = nettle()
    first, other = found.together[0], found.together[-1]
    assert first.turned == 0
    assert first.score == 1.0
    assert [t.turned for t in found.together] == sorted(t.turned for t in found.together)
    changed = document
    for end, (rebound, bump) in other.pairs.items():
        turned = list(turn_clicks(changed, "plan", end, {"rebound": rebound, "bump": bump}))
        changed, _ = patched(changed, changed.model_dump(mode="json"), turned)
    alone = figures_of(run(vehicle_of(changed, "plan"), trial_of(document), step=1e-3))
    for end in ("front", "rear"):
        assert other.figures.ends[ALL][end].comfort == pytest.approx(alone.ends[ALL][end].comfort, rel=1e-6)
    over = [
        sum(getattr(alone.ends[ALL][e], n) / getattr(found.present.ends[ALL][e], n) for e in ("front", "rear")) / 2
        for n in ("comfort", "grip")
    ]
    assert other.score == pytest.approx(0.2 * over[0] + 0.8 * over[1])


def test_of_what_is_as_good_the_fewest_clicks_are_proposed(found):
    chosen = proposed(found)
    top = min(t.score for t in found.together if not t.harder)
    as_good = [t for t in found.together if not t.harder and t.score <= top + NOISE]
    assert chosen.turned == min(t.turned for t in as_good)
    told = turns(found, chosen)
    assert sum(abs(t.now - t.was) for t in told) == chosen.turned
    assert all(found.maps[t.end].knobs.now[0 if t.acts == "rebound" else 1] == t.was for t in told)


def test_where_nothing_gains_leaving_it_is_the_answer(found):
    worse = tuple(replace(t, score=t.score + (0.02 if t.turned else 0)) for t in found.together)
    assert proposed(Progress(found.maps, worse, present=found.present)).turned == 0
    hard = tuple(replace(t, harder=t.turned > 0) for t in found.together)
    assert proposed(Progress(found.maps, hard, present=found.present)).turned == 0


def test_a_search_that_is_stopped_leaves_an_answer():
    document, stop = nettle(), Stop()
    heard: list[int] = []

    def told(progress: Progress) -> None:
        heard.append(sum(len(m.cells) for m in progress.maps.values()))
        if heard[-1] > 100:
            stop.set()

    progress = search(document, "plan", BUMP, 0.5, stop, told)
    assert progress.finished
    assert 100 < heard[-1] < 200
    assert heard == sorted(heard)
    assert proposed(progress).turned == 0  # the present clicks were driven in any case
    first = progress.maps["front"]
    nearest = sorted(first.knobs.turned(p) for p in first.knobs.pairs)[: len(first.cells)]
    assert sorted(first.knobs.turned(c.pair) for c in first.cells) == nearest


def test_what_is_shown_is_what_was_found(found):
    told = shown(found, 0.2)
    assert told.finished
    assert told.together == told.together_total == len(found.together)
    for made in told.maps:
        mine = found.maps[made.end]
        near = {(c.rebound, c.bump) for c in made.cells if c.near_best}
        limit = mine.best(0.2)[0].score(0.2) + NOISE
        assert near == {c.pair for c in mine.cells if c.allowed and c.score(0.2) <= limit}
        assert made.best[4] == mine.best(told.weights[4])[0].pair
    assert told.maps[0].free_best is None
    assert (
        told.maps[1].free_best[0]
        == min(
            (c for c in found.maps["rear"].cells if not c.harder and not c.off_band), key=lambda c: c.score(0.2)
        ).rebound
    )
    compared = {words: (was.value, now.value) for words, was, now in told.proposed.compared}
    chosen = proposed(found)
    assert compared["comfort, rear"] == (
        found.present.ends[ALL]["rear"].comfort,
        chosen.figures.ends[ALL]["rear"].comfort,
    )


def test_a_search_needs_knobs_and_a_road():
    document = nettle()
    untold = with_sides(document, "plan", {p: {"rebound": None} for p in document.places})
    with pytest.raises(CannotDrive, match="not in a manoeuvre"):
        search(document, "plan", Trial(manoeuvre=Manoeuvre(kind="corner", amount=5), speed=20), 0.5, Stop(), quiet)
    with pytest.raises(CannotDrive, match="dampers with knobs"):
        search(untold, "plan", BUMP, 0.5, Stop(), quiet)


def test_a_motorcycle_is_searched_with_the_knobs_it_has():
    document = magpie().but(proving=Proving(road="bump", speed=15))
    heard: list[ClickMap] = []
    knobs = knobs_of(document, "plan", "rear")
    assert knobs.clicks == (24, 24)
    made = click_map(
        document, knobs, vehicle_of(document, "plan"), vehicle_of(document, "found"), BUMP, Stop(), heard.append
    )
    assert len(heard[-1].cells) == made.total == 625
    firm, soft = (next(c for c in made.cells if c.pair == pair) for pair in ((0, 0), (24, 24)))
    assert firm.ratio > soft.ratio
