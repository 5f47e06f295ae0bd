"""What is made of two runs: the verdict's words, the reasons of planted changes, findings, traces, files."""

import csv
import io
from dataclasses import replace

import numpy as np
import pytest

from feder.core.benches.acts import ChooseSpring
from feder.core.benches.prove.bench import at_speeds, trialled, whys
from feder.core.benches.prove.figures import ALL, Histogram, figures_of, spells
from feder.core.benches.prove.findings import run_findings
from feder.core.benches.prove.run import run
from feder.core.benches.prove.springs import springs_driven
from feder.core.benches.prove.tables import speeds, travels
from feder.core.benches.prove.traces import POINTS, traces_of
from feder.core.benches.prove.traces_csv import traces_csv
from feder.core.benches.prove.vehicle import CannotDrive, vehicle_of
from feder.core.benches.prove.verdict import Both, verdict_of
from feder.core.benches.prove.whys import put_back
from feder.core.benches.springs.candidates import candidates
from feder.core.document.road import RoadPiece, Trial
from feder.core.numbers.errors import OutOfRange
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.springs import demo_springs
from feder.demo.tansy import tansy
from tests.changes import applied
from tests.core.road_trials import car, flat, road, wheel, with_wheels

BUMPS = Trial(
    pieces=(
        RoadPiece(kind="flat", length=3), RoadPiece(kind="bump", length=2.5, height=0.06), RoadPiece(kind="flat", length=25),
        RoadPiece(kind="rough", length=60, road_class="C", alike=True), RoadPiece(kind="flat", length=5),
    ),
    speed=15,
)  # fmt: skip
Z, V = travels(), speeds()


def stop_from(touch):
    return {"stop": np.where(touch < Z, 1.5e5 * (Z - touch), 0.0), "touch": touch, "solid": touch + 0.02}


def plain():
    """A car with a stop 75 mm above ride at both ends."""
    return with_wheels(car(), **stop_from(0.075))


def pair(now, was):
    runs = [run(v, BUMPS) for v in (now, was)]
    loads = {e: now.wheels[now.at(e)[0]].still for e in ("front", "rear")}
    return Both(figures_of(runs[0]), figures_of(runs[1]), loads)


SOFT = with_wheels(
    plain(),
    "rear",
    spring=wheel(car().wheels[2].place, 0, 0).spring * 0 + 190 * 9.80665 + 13e3 * Z,
    wheel_rate=13e3,
)
PLANTED = {
    "softer rear springs": (SOFT, "rear", "springs", "bump"),
    "more rebound at the front": (with_wheels(plain(), "front", damper=np.where(V < 0, 5200 * V, 1700 * V)), "front", "dampers", "comfort"),
    "a longer stop at the rear": (with_wheels(plain(), "rear", **stop_from(0.012)), "rear", "bump stops", "stop_force"),
    "higher pressure at the front": (with_wheels(plain(), "front", tyre_rate=3.4e5), "front", "tyres", "grip"),
    "a stuck rear damper": (with_wheels(plain(), "rear", friction=900.0), "rear", "friction", "comfort"),
}  # fmt: skip


@pytest.mark.parametrize("name", PLANTED)
def test_a_planted_change_is_named_by_putting_things_back_one_at_a_time(name):
    now, end, part, figure = PLANTED[name]
    was = plain()
    backs = list(put_back(now, was))
    assert [(b.end, b.part) for b in backs] == [(end, part)]
    there, here, undone = (
        getattr(figures_of(run(v, BUMPS)).ends[ALL][end], figure) for v in (was, now, backs[0].vehicle)
    )
    assert abs(here - there) > 0.01 * max(abs(there), abs(here))
    assert undone == pytest.approx(there, rel=1e-6, abs=1e-9)


def test_a_softer_stop_of_the_same_length_and_the_same_spring_elsewhere_are_named_as_such():
    softer = with_wheels(plain(), "front", stop=np.where(Z > 0.075, 4e4 * (Z - 0.075), 0.0))
    assert [(b.end, b.part) for b in put_back(softer, plain())] == [("front", "bump stops")]
    rising = with_wheels(plain(), "rear", spring=plain().wheels[2].spring + 2e5 * Z**2)
    assert [(b.end, b.part) for b in put_back(rising, plain())] == [("rear", "height on its springs")]


def test_of_several_changes_each_row_names_the_one_that_spoils_it():
    document = nettle()
    found = whys(document, "plan", "found", BUMPS)
    rows = {(w.row, w.cell): w for w in found}
    assert rows["comfort", "rear"].part == "springs"
    assert rows["comfort", "rear"].end == "rear"
    both = [figures_of(run(v, BUMPS)) for v in _vehicles(document)]
    for (row, cell), why in rows.items():
        if row != "comfort":
            continue
        was, now = (f.ends[ALL][cell].comfort for f in both)
        assert why.undoes == pytest.approx((now - why.value) / (now - was))
        assert why.undoes >= 0.3


def _vehicles(document):
    return vehicle_of(document, "found"), vehicle_of(document, "plan")


def test_a_vehicle_held_against_its_like_is_alike():
    both = pair(plain(), plain())
    verdict = verdict_of(both, "wet")
    assert verdict.text == "“wet” and what it is held against are alike on this road."
    assert {r.judged for r in verdict.rows} == {"same"}
    assert not list(put_back(plain(), plain()))


@pytest.mark.parametrize(
    ("now", "was", "says", "judged"),
    [
        (plain(), PLANTED["a longer stop at the rear"][0], "keeps the rear off its stop", {"travel": "better"}),
        (PLANTED["a longer stop at the rear"][0], plain(), "meets the rear stop", {"travel": "look"}),
        (PLANTED["a stuck rear damper"][0], plain(), "harsher", {"comfort": "look"}),
        (plain(), PLANTED["a stuck rear damper"][0], "softer", {"comfort": "better"}),
        (PLANTED["higher pressure at the front"][0], plain(), "grips worse", {"grip": "look"}),
    ],
)
def test_the_sentence_says_worse_and_better_things_alike(now, was, says, judged):
    verdict = verdict_of(pair(now, was), "wet")
    assert says in verdict.text
    rows = {r.name: r.judged for r in verdict.rows}
    assert judged.items() <= rows.items()
    for row in verdict.rows:
        for number in row.numbers.values():
            assert number.assumed
        if row.name == "comfort":
            both = pair(now, was)
            for cell in row.cells:
                assert cell.now.value == both.now.ends[ALL][cell.words].comfort
                assert cell.was.value == both.was.ends[ALL][cell.words].comfort


def test_cells_tell_the_figures_of_their_rows():
    both = pair(SOFT, plain())
    rows = {r.name: r for r in verdict_of(both, "wet").rows}
    for row, member in (("grip", "grip"), ("travel", "bump"), ("dampers", "watts")):
        for cell in rows[row].cells:
            assert (cell.was.value, cell.now.value) == tuple(
                getattr(f.ends[ALL][cell.words], member) for f in (both.was, both.now)
            )
    for cell in rows["comfort"].cells:
        change = cell.now.value / cell.was.value - 1
        assert cell.judged == ("same" if abs(change) < 0.02 else "look" if change > 0 else "better")
    down, up = rows["pitch"].cells
    assert down.judged == (
        "same"
        if abs(down.now.value - down.was.value) < 0.0009
        else "look"
        if down.now.value > down.was.value
        else "better"
    )
    assert down.now.value == -both.now.pitch[ALL].down
    assert up.was.value == both.was.pitch[ALL].up


def test_findings_say_what_a_run_met_and_that_it_is_simulated():
    both = pair(with_wheels(plain(), "rear", **stop_from(0.004)), plain())
    found = {f.rule: f for f in run_findings(both, 0.7)}
    hard = found["run_stop_hard"]
    assert hard.place == "rear"
    assert hard.numbers["share"].value == pytest.approx(both.now.ends[ALL]["rear"].stop_force / both.loads["rear"])
    assert all("imulated" in f.reason for f in found.values())
    assert "run_harsher" in found
    assert "run_harsher" not in {f.rule for f in run_findings(both, 0.2)}
    topped = run_findings(pair(with_wheels(plain(), "front", droop=-0.005), plain()), 0.2)
    assert ("run_tops_out", "front") in {(f.rule, f.place) for f in topped}
    steep = Trial(
        pieces=(
            RoadPiece(kind="flat", length=3),
            RoadPiece(kind="bump", length=1, height=0.12),
            RoadPiece(kind="flat", length=20),
        ),
        speed=20,
    )
    runs = [figures_of(run(plain(), steep))] * 2
    air = run_findings(Both(runs[0], runs[1], both.loads), 0.2)
    assert {"run_off_the_ground"} <= {f.rule for f in air}


def test_spells_count_beginnings_and_time():
    on = np.array([0, 1, 1, 0, 1, 0], bool)
    assert spells(on, np.ones(6, bool), 0.5) == (2, 1.5)
    assert spells(on, np.array([0, 0, 1, 1, 1, 1], bool), 0.5) == (2, 1.0)


def test_time_spent_is_told_by_travel_and_by_velocity():
    made = run(plain(), BUMPS)
    figures = figures_of(made)
    for told, rows, width in (
        (figures.travel, made.wheels.travel, 0.002),
        (figures.velocity, made.wheels.damper_velocity, 0.05),
    ):
        for histogram, row in zip(told, rows, strict=True):
            assert isinstance(histogram, Histogram)
            assert histogram.width == width
            assert sum(histogram.shares) == pytest.approx(1)
            middles = histogram.start + (np.arange(len(histogram.shares)) + 0.5) * width
            part = (made.distance >= 3) & (made.distance < 90.5 + made.vehicle.wheelbase)
            assert np.dot(middles, histogram.shares) == pytest.approx(row[part].mean(), abs=width / 4)


def test_traces_tell_their_ends_and_where_they_are():
    made = run(plain(), BUMPS)
    traces = traces_of(made)
    first = traces.wheels[0]
    assert len(first.travel) <= POINTS
    assert first.travel_told.most == made.wheels.travel[0].max()
    assert first.travel_told.most_at == made.distance[made.wheels.travel[0].argmax()]
    assert traces.front_told.least == pytest.approx((made.heave + made.vehicle.wheels[0].x * made.pitch).min())
    assert traces.rear_told.least == pytest.approx((made.heave + made.vehicle.wheels[2].x * made.pitch).min())


def test_both_are_told_on_the_travel_of_the_setup_in_hand():
    made = trialled(nettle(), "plan", "found", BUMPS)
    now, was = _vehicles(nettle())[1], _vehicles(nettle())[0]
    for rides, a, b in zip(made.was.rides, was.wheels, now.wheels, strict=True):
        assert rides == pytest.approx(b.hub_to_arch - a.hub_to_arch)
    # as found it stands higher: its wheel hangs lower against the arch, which is droop on the plan's ladder
    assert all(r < 0 for r in made.was.rides)
    assert made.now.setup == "plan"
    assert made.now.damping["front"] == pytest.approx(0.419, abs=0.002)  # as on Damping
    assert made.was.damping["front"] == pytest.approx(0.520, abs=0.002)
    assert len(made.distance) == len(made.now.traces.pitch) == len(made.road[0])
    with pytest.raises(OutOfRange, match="another setup"):
        trialled(nettle(), "plan", "plan", BUMPS)


def test_a_file_of_traces_holds_every_trace_and_what_repeats_it():
    one, other = run(plain(), BUMPS), run(SOFT, BUMPS)
    lines = list(csv.reader(io.StringIO(traces_csv([("plan", one), ("found", other)], "road: here"))))
    assert lines[0] == ["# road: here"]
    head = lines[1]
    table = np.array([[float(v) for v in row] for row in lines[2:]])
    for name, values in (
        ("time [s]", one.time), ("plan: pitch, nose up [rad]", one.pitch), ("found: rear left travel [m]", other.wheels.travel[2]),
        ("plan: front right tyre force [N]", one.wheels.tyre_force[1]), ("road rear right [m]", one.wheels.road[3]),
    ):  # fmt: skip
        column = table[:, head.index(name)]
        assert column == pytest.approx(values[::4][: column.size], rel=1e-4, abs=1e-9)


def test_other_speeds_are_runs_at_those_speeds():
    told = at_speeds(
        magpie(),
        "plan",
        "found",
        Trial(
            pieces=(
                RoadPiece(kind="flat", length=4),
                RoadPiece(kind="bump", length=3, height=0.03),
                RoadPiece(kind="flat", length=16),
            ),
            speed=10,
        ),
    )
    assert [round(s.speed * 3.6) for s in told] == list(range(10, 161, 10))
    trial = Trial(
        pieces=(
            RoadPiece(kind="flat", length=4),
            RoadPiece(kind="bump", length=3, height=0.03),
            RoadPiece(kind="flat", length=16),
        ),
        speed=50 / 3.6,
    )
    alone = figures_of(run(vehicle_of(magpie(), "found"), trial)).ends[ALL]["rear"]
    assert told[4].was["rear"] == pytest.approx((alone.comfort, alone.grip))


def test_a_run_that_leaves_the_road_says_so_instead_of_numbers():
    mad = with_wheels(car(), damper=-9e4 * V)
    x = np.arange(4000) * 0.005
    with pytest.raises(CannotDrive, match="leaves the road"):
        run(mad, flat(20, 15), road=road(0.02 * np.sin(x)))


def test_a_run_is_the_same_every_time():
    one, other = (run(replace(plain()), BUMPS) for _ in range(2))
    assert (one.heave == other.heave).all()
    assert (one.wheels.tyre_force == other.wheels.tyre_force).all()


def test_the_nearest_springs_of_the_shelf_are_driven_in_their_place():
    document, shelf = nettle(), demo_springs()
    own = document.setups[1].sides.rear_left.spring
    rows = springs_driven(document, "plan", "rear", shelf, BUMPS)
    assert [r.chosen for r in rows].count(True) == 1
    assert len(rows) == 4
    rates = [r.part.rate.value for r in rows]
    assert rates == sorted(rates)
    assert len(set(rates)) == 4
    assert all(abs(r.part.inside_diameter - own.inside_diameter) < 0.0015 for r in rows)
    far = max(abs(np.log(k / own.rate.value)) for k in rates)
    # nothing that fits and lies nearer was passed over
    for row in candidates(document, "plan", "rear", shelf, "fits"):
        stands = row.objection is None or row.objection.grade != "stop"
        if row.best and stands and abs(np.log(row.part.rate.value / own.rate.value)) < far - 0.01:
            assert row.part.rate.value in rates
    for row in rows:
        changed = document
        if not row.chosen:
            act = ChooseSpring(act="choose spring", end="rear", part=row.part)
            changed = applied(document, "plan", act)
        alone = figures_of(run(vehicle_of(changed, "plan"), BUMPS)).ends[ALL]
        assert row.comfort == pytest.approx({e: alone[e].comfort for e in ("front", "rear")})
        assert row.grip["rear"] == pytest.approx(alone["rear"].grip)
        assert row.bump == pytest.approx(alone["rear"].bump)
    assert springs_driven(tansy(), tansy().setups[1].id, "rear", shelf, BUMPS) == []  # it stands on a bar
