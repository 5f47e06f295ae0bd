"""The small damping curves of the sheet: forces by hand from the assumed family, each side where sides are unlike."""

import re

import pytest

from feder.core.document.setup import Clicks
from feder.demo.nettle import nettle
from feder.sheet.curves import curves_table
from feder.sheet.pages import ROOM, height_of, pages_of
from feder.sheet.table import Table
from tests.changes import with_side

TEXT = re.compile(r'<text x="([-\d.]+)" y="([-\d.]+)"[^>]*>([^<]*)</text>')
DOT = re.compile(r'<circle cx="([\d.]+)" cy="([\d.]+)" r="3"')


def drawn(car, setup="plan"):
    made = next(s for s in car.setups if s.id == setup)
    return str(curves_table(car, made, "metric").drawing)


def by_hand(car, setup, place, velocity):
    """Force of the assumed family: even steps between shut and open, `high_share` of the slope past the knee."""
    side = getattr(next(s for s in car.setups if s.id == setup).sides, place)
    part = side.damper or getattr(car.setups[0].sides, place).damper
    family, way = part.family, "bump" if velocity > 0 else "rebound"
    knob, told = next(k for k in part.knobs if k.acts == way), getattr(side, way)
    shut = told.count if told.counted_from == "fully closed" else knob.clicks - told.count
    least, most = getattr(family, f"{way}_open"), getattr(family, f"{way}_shut")
    slope = most + (least - most) * shut / knob.clicks
    past = max(0.0, abs(velocity) - family.knee)
    return slope * (min(abs(velocity), family.knee) + family.high_share * past)


@pytest.mark.parametrize(("end", "place"), [("front", "front_left"), ("rear", "rear_left")])
def test_forces_under_a_chart_are_those_of_its_end_at_its_clicks(end, place):
    car, words = nettle(), [w for _, _, w in TEXT.findall(drawn(nettle()))]
    told = words[words.index(end) :]
    for speed, line in ((0.05, "at 0.05: "), (0.30, "at 0.30: ")):
        bump, rebound = (by_hand(car, "plan", place, v) for v in (speed, -speed))
        assert next(w for w in told if w.startswith(line)) == f"{line}bump ~{bump:.0f}, rebound ~{rebound:.0f}"


def test_dots_stand_by_velocity_and_force_bump_up_and_right():
    car = nettle()
    dots = [(float(x), float(y)) for x, y in DOT.findall(drawn(car))][:4]
    middle, zero = 348 / 2, 80.0
    speeds = (-0.30, -0.05, 0.05, 0.30)
    forces = [by_hand(car, "plan", "front_left", v) * (1 if v > 0 else -1) for v in speeds]
    most = 60 / max(abs((zero - y) / f) for (_, y), f in zip(dots, forces, strict=True))
    for (x, y), v, force in zip(dots, speeds, forces, strict=True):
        assert x - middle == pytest.approx(v / 0.32 * 174, abs=0.1)
        assert zero - y == pytest.approx(force * 60 / most, abs=0.3)
    assert [y > zero for _, y in dots] == [True, True, False, False]


def test_unlike_sides_are_drawn_apart_each_with_its_own_force():
    car = with_side(nettle(), "plan", "front_right", rebound=Clicks(count=2, of=18))
    words = [w for _, _, w in TEXT.findall(drawn(car))]
    assert [w for w in words if w in ("front", "front left", "front right", "rear")] == [
        "front left",
        "front right",
        "rear",
    ]
    slow = [w for w in words if w.startswith("at 0.05")]
    for line, place in zip(slow, ("front_left", "front_right", "rear_left"), strict=True):
        assert line.endswith(f"~{by_hand(car, 'plan', place, -0.05):.0f}")
    assert slow[0] != slow[1]


def test_as_found_has_no_curve_as_found_beside_it():
    assert "stroke-dasharray" not in drawn(nettle(), "found")


def test_tables_keep_their_order_and_begin_a_page_where_they_do_not_fit():
    tables = [Table(str(n), ["", "a"], [[f"row {k}", "1"] for k in range(8 + 3 * n)]) for n in range(6)]
    pages = pages_of(tables)
    assert [t.heading for page in pages for t in page] == [str(n) for n in range(6)]
    for page, after in zip(pages, [*pages[1:], []], strict=True):
        used = sum(map(height_of, page))
        assert used <= ROOM
        assert not after or used + height_of(after[0]) > ROOM
    assert len(pages) > 1


def test_the_bold_line_is_the_force_at_each_velocity_and_the_axes_cross_where_both_are_nought():
    car = nettle()
    svg = drawn(car)
    axes = re.search(r'd="M([\d.]+) ([\d.]+)H([\d.]+)M([\d.]+) ([\d.]+)V([\d.]+)"', svg)
    left, zero, right, middle, top, bottom = (float(v) for v in axes.groups())
    assert middle == pytest.approx((left + right) / 2)
    assert zero == pytest.approx((top + bottom) / 2)
    words = [(w, float(x)) for x, _, w in TEXT.findall(svg) if w in ("−0.3", "−0.1", "0.1", "0.3")][:4]
    per = (words[3][1] - middle) / 0.3
    stand = [middle + v * per for v in (-0.3, -0.1, 0.1, 0.3)]
    assert [x for _, x in words] == pytest.approx(stand, abs=0.1)
    marks = [float(x) for x in re.findall(rf'd="M([\d.]+) {zero - 3}v6"', svg)][:4]
    assert marks == pytest.approx(stand, abs=0.1)
    bold = re.search(r'd="M([-\d. L]+)" [^>]*stroke-width="2(?:\.0)?"', svg)[1]
    places = [tuple(map(float, p.split())) for p in bold.split("L")]
    dots = [(float(x), float(y)) for x, y in DOT.findall(svg)][:4]
    unit = (zero - dots[3][1]) / by_hand(car, "plan", "front_left", 0.30)
    for x, y in places:
        velocity = (x - middle) / per
        if abs(velocity) > 0.01:
            force = by_hand(car, "plan", "front_left", velocity) * (1 if velocity > 0 else -1)
            assert zero - y == pytest.approx(unit * force, abs=0.8)
    assert min(x for x, _ in places) < middle - 0.25 * per
    assert max(x for x, _ in places) > middle + 0.25 * per
