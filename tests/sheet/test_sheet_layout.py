"""What the sheet draws lies on its paper, its words clear of one another, and left is drawn as right is."""

import pytest

from feder.core.document.base import PLACES, LengthValue
from feder.core.report.evaluate import evaluate
from feder.demo.bramble import bramble
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from feder.sheet.cycle import cycle_drawing, rider_report
from feder.sheet.drawing import plan_view
from feder.sheet.strip import frequency_strip
from tests.changes import with_end, with_side
from tests.reference.test_whole_vehicles import mirrored
from tests.sheet.ink import taken_apart

CARS = {f().vehicle.name: f for f in (nettle, sedge, bramble, tansy, teasel) if f().vehicle.kind == "car"}
BIKES = {f().vehicle.name: f for f in (magpie, finch, teasel, tansy, bramble) if f().vehicle.kind != "car"}
TOTALS, BELOW = [("front", "60.0 %"), ("left", "51.0 %"), ("cross", "49.5 %")], ["track 1400 front, 1380 rear"]


def plan(document, index=1, system="metric", totals=TOTALS, below=BELOW):
    setup = document.setups[index]
    report = evaluate(document, setup.id, against=document.setups[0].id)
    return report, taken_apart(plan_view(document, report, system, totals, below))


def flat(line):
    """The corners of a line, in one order whichever way it was drawn."""
    return [v for point in sorted({(round(x, 1), round(y, 1)) for x, y in line}) for v in point]


@pytest.mark.parametrize("system", ["metric", "inch", "kgf"])
@pytest.mark.parametrize("name", CARS)
def test_a_cars_drawing_lies_on_the_paper_with_its_words_apart(name, system):
    for index in range(len(CARS[name]().setups)):
        _, drawn = plan(CARS[name](), index, system)
        assert not drawn.outside()
        assert not drawn.collisions()


@pytest.mark.parametrize("name", CARS)
def test_words_beside_a_ladder_stand_clear_of_it_and_of_the_car(name):
    _, drawn = plan(CARS[name]())
    rails = [b for b in drawn.boxes if b.right - b.left == pytest.approx(18) and b.fill == "#fff"]
    tyres = [b for b in drawn.boxes if b.fill == "#000" and b.bottom - b.top == pytest.approx(44)]
    assert len(tyres) == 4
    for text in drawn.texts:
        assert not [r for r in rails if text.meets(r)], text.words
        assert not [t for t in tyres if text.meets(t)], text.words
    # each letter stands in the middle of its own small square, and its figure beside that, away from the ladder
    squares = [
        b for b in drawn.boxes if b.right - b.left == pytest.approx(13) and b.bottom - b.top == pytest.approx(13)
    ]
    letters = [t for t in drawn.texts if t.words in ("D", "H", "S", "T", "B")]
    assert len(letters) == len(squares) >= 8
    for letter in letters:
        (square,) = [s for s in squares if s.meets(letter, 3)]
        assert (letter.left + letter.right) / 2 == pytest.approx((square.left + square.right) / 2, abs=0.2)
        assert (letter.top + letter.bottom) / 2 == pytest.approx((square.top + square.bottom) / 2, abs=1.0)
        out = 1 if square.left < 145 else -1
        edge = square.right + 3 if out > 0 else square.left - 3
        beside = [t for t in drawn.texts if abs((t.left if out > 0 else t.right) - edge) < 0.2]
        assert any(abs((t.bottom + t.top) / 2 - (square.bottom + square.top) / 2) < 1.5 for t in beside), letter
        # ladders stand outside of the car, their words between
        rail = 39.0 if out > 0 else 251.0
        assert abs((square.left if out > 0 else square.right) - rail) == pytest.approx(5, abs=0.2)


@pytest.mark.parametrize("name", ["Nettle"])
def test_the_mirrored_car_is_the_mirrored_drawing(name):
    """Stops and packers of the left as on the right, weights too: nothing is drawn for one side alone."""
    car = CARS[name]()
    for k, place in enumerate(PLACES):
        side = getattr(car.setups[1].sides, place.value)
        car = with_side(car, "plan", place, stop=side.stop.but(length=side.stop.length - 0.002 * k))
    _, one = plan(car, totals=[], below=[])
    _, other = plan(mirrored(car), totals=[], below=[])
    assert sorted(b.turned(one.width) for b in one.boxes) == sorted(b.edges for b in other.boxes)
    turned = sorted((t.words, *t.turned(one.width)) for t in one.texts)
    plain = sorted((t.words, *t.edges) for t in other.texts)
    assert [t[0] for t in turned] == [t[0] for t in plain]
    for mine, theirs in zip(turned, plain, strict=True):
        assert mine[1:] == pytest.approx(theirs[1:], abs=1.1)
    drawn = [flat(line) for line in other.lines]
    for line in one.lines:
        flipped = flat((one.width - x, y) for x, y in line)
        assert any(len(d) == len(flipped) and d == pytest.approx(flipped, abs=0.11) for d in drawn), flipped


def test_wheels_stand_on_their_axles_as_far_apart_as_their_tracks():
    car = with_end(with_end(nettle(), "front", track=1.50), "rear", track=1.20)
    _, drawn = plan(car.but(vehicle=car.vehicle.but(wheelbase=LengthValue(value=2.0))))
    tyres = sorted(
        (b.top, b.left) for b in drawn.boxes if b.fill == "#000" and b.bottom - b.top == pytest.approx(44)
    )
    (front, fl), (_, fr), (rear, rl), (_, rr) = tyres
    assert (rl - rr) / (fl - fr) == pytest.approx(1.20 / 1.50, abs=2e-3)
    assert fl + fr == pytest.approx(rl + rr, abs=0.2)  # about one middle
    axles = sorted({y for line in drawn.lines for (x, y) in line if len(line) >= 6 and x in (80.0, 210.0)})
    assert {round(front + 22), round(rear + 22)} <= {round(y) for y in axles}


@pytest.mark.parametrize("system", ["metric", "inch"])
@pytest.mark.parametrize("name", BIKES)
def test_a_bikes_drawing_lies_on_the_paper_with_its_words_apart(name, system):
    bike = BIKES[name]()
    for setup in bike.setups:
        report = rider_report(bike, setup)
        drawn = taken_apart(cycle_drawing(bike, report, system))
        assert not drawn.outside()
        assert not drawn.collisions()
        for x in (70.0, 200.0):  # words beside a ladder, never on it
            assert not [t for t in drawn.texts if t.left < x + 10 and t.right > x - 10 and 50 < t.top < 260]


@pytest.mark.parametrize("name", BIKES)
def test_a_bikes_sag_bands_are_drawn_on_its_ladders(name):
    bike = BIKES[name]()
    report = rider_report(bike, bike.setups[-1])
    drawn = taken_apart(cycle_drawing(bike, report, "metric"))
    values = [f.value for c in report.corners.values() for f in (c.droop, c.solid)]
    low, high = min([-0.05, *values]) - 0.006, max([0.08, *values]) + 0.006
    for x, end in ((70.0, "front"), (200.0, "rear")):
        said, base = report.sags[end], report.corners[end].sag.value
        for a, b in ((said.rider_low, said.rider_high), (said.free_low, said.free_high)):
            if a is None or b is None:
                continue
            ys = [44 + (high - (s.value - base)) / (high - low) * 220 for s in (b, a)]
            wanted = [(x + 12, ys[0]), (x + 19, ys[0]), (x + 19, ys[1]), (x + 12, ys[1])]
            assert any(
                len(set(line)) == 4
                and all(any(abs(p[0] - q[0]) < 0.1 and abs(p[1] - q[1]) < 0.1 for q in line) for p in wanted)
                for line in drawn.lines
            ), (end, wanted)


@pytest.mark.parametrize("name", CARS)
def test_the_strip_lies_on_the_paper_with_its_words_apart(name):
    for setup in CARS[name]().setups:
        report = evaluate(CARS[name](), setup.id, against=CARS[name]().setups[0].id)
        drawn = taken_apart(frequency_strip(report, "metric"))
        assert not drawn.outside()
        assert not drawn.collisions()
        (bed,) = [b for b in drawn.boxes if b.right - b.left > 300]
        scale = [t for t in drawn.texts if t.words.replace(".", "").isdigit() and len(t.words) == 3]
        assert scale
        assert all(bed.top + 12 < t.top < t.bottom < bed.bottom - 8 for t in scale)
        names = [t for t in drawn.texts if t.words.startswith(("front", "rear"))]
        assert len(names) == 2
        assert all(t.bottom < bed.top or t.top > bed.bottom for t in names)
