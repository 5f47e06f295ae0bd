"""What the sheet draws stands where its numbers say: one scale for all ladders, frequencies by their ratios, wheels to scale."""

import re
from itertools import pairwise
from math import log, tan

import pytest

from feder.core.document.base import PLACES
from feder.core.document.setup import StopTrim
from feder.core.report.evaluate import evaluate
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.sheet.cycle import cycle_drawing, rider_report
from feder.sheet.drawing import plan_view
from feder.sheet.strip import frequency_strip
from tests.changes import with_side

RAIL = re.compile(r'd="M([\d.]+) ([\d.]+)V([\d.]+)M([\d.]+) [\d.]+V[\d.]+" [^>]*stroke-width="1.1"')
TEXT = re.compile(r'<text x="([-\d.]+)" y="([-\d.]+)"[^>]*>([^<]*)</text>')
RECT = re.compile(r'<rect x="([-\d.]+)" y="([-\d.]+)" width="([\d.]+)" height="([\d.]+)" fill="([^"]+)"')


def unlike():
    """The demo car with four stops of other lengths, so that no two ladders are alike."""
    car = nettle()
    for k, place in enumerate(PLACES):
        car = with_side(car, "plan", place, stop=StopTrim(length=0.026 + 0.004 * k, packer=0.001 * k))
    return car


@pytest.fixture(scope="module")
def drawn():
    report = evaluate(unlike(), "plan", against="found")
    svg = plan_view(unlike(), report, "metric", [], [])
    rails = [tuple(map(float, m)) for m in RAIL.findall(svg)]
    assert len(rails) == 4
    return report, svg, dict(zip(PLACES, rails, strict=True))


def scale(report, rails):
    """Pixels for a metre, the same on every ladder."""
    scales = []
    for place, (_, top, bottom, _) in rails.items():
        corner = report.corners[place]
        scales.append((bottom - top) / (corner.bump_travel.value - corner.droop.value))
    assert max(scales) / min(scales) == pytest.approx(1, abs=2e-3)
    return sum(scales) / 4


@pytest.mark.parametrize("place", PLACES)
def test_a_ladder_reaches_from_droop_to_the_first_limit_with_ride_stop_and_ghost_in_their_place(drawn, place):
    report, svg, rails = drawn
    corner, k = report.corners[place], scale(report, rails)
    left, top, bottom, right = rails[place]
    ride = top + k * corner.bump_travel.value
    assert bottom == pytest.approx(ride - k * corner.droop.value, abs=0.2)
    assert (left < 145) == place.is_left
    assert right - left == pytest.approx(18)
    wedge = re.findall(r'd="M([\d.]+) ([\d.]+)l(-?)11\.?0? -7v14z" fill="#000"', svg)
    assert any(abs(float(y) - ride) < 0.2 and abs(float(x) - left) < 30 for x, y, _ in wedge), wedge
    ghost = ride + k * corner.wheel_travel.value
    dashed = re.findall(r'd="M([\d.]+) ([\d.]+)l-?10\.?0? -6v12z"', svg)
    assert any(abs(float(y) - ghost) < 0.2 and abs(float(x) - left) < 30 for x, y in dashed)
    mine = [(*tuple(map(float, r[:4])), r[4]) for r in RECT.findall(svg) if abs(float(r[0]) - left) < 0.1]
    here = [r for r in mine if r[2] == 18 and abs(r[1] - top) < 140]
    dots = [r for r in here if "dots" in r[4] and abs(r[1] - top) < 0.2]
    assert dots
    assert dots[0][3] == pytest.approx(k * (corner.bump_travel.value - corner.stop.value), abs=0.2)
    hatched = sorted(r[1] + r[3] for r in here if "hatch" in r[4])
    assert any(abs(v - top) < 0.2 for v in hatched)
    assert any(abs(r[1] - bottom) < 0.2 for r in here if "hatch" in r[4])
    rungs = sorted(
        float(y)
        for x, y in re.findall(r'd="M([\d.]+) ([\d.]+)h18" [^>]*stroke-width="0.4"', svg)
        if abs(float(x) - left) < 0.1 and top - 1 < float(y) < bottom + 1
    )
    inside = [
        n for n in range(-30, 30) if corner.droop.value < n / 100 - 1e-12 and n / 100 < corner.bump_travel.value
    ]
    assert len(rungs) == pytest.approx(len(inside), abs=1)
    assert rungs[1] - rungs[0] == pytest.approx(0.01 * k, abs=0.15)


@pytest.mark.parametrize("place", PLACES)
def test_limits_are_told_at_their_own_height_the_first_in_black(drawn, place):
    report, svg, rails = drawn
    corner, k = report.corners[place], scale(report, rails)
    _left, top, bottom, _ = rails[place]
    ride = top + k * corner.bump_travel.value
    told = [(float(x), float(y), words) for x, y, words in TEXT.findall(svg) if (float(x) < 145) == place.is_left]
    named = {"H": corner.hard, "S": corner.solid, "T": corner.contact, "D": corner.droop}
    first = corner.first_limit
    for letter, figure in named.items():
        tags = [y for _, y, words in told if words == letter and top - 60 < y < bottom + 20]
        assert tags, letter
        wanted = ride - k * figure.value + 4.3
        near = min(tags, key=lambda y: abs(y - wanted))
        assert abs(near - wanted) < (0.3 if letter in (first, "D") else 36)
        values = [w for _, y, w in told if abs(y - near - 0.5) < 0.3]
        assert f"{figure.value * 1e3:.0f}".replace("-", "−") in values
    black = re.findall(r'font-weight="600" text-anchor="middle" fill="#fff">([A-Z])<', svg)
    assert black.count("D") == 4
    assert sorted(b for b in black if b != "D") == sorted(c.first_limit for c in report.corners.values())


def test_frequencies_stand_by_their_ratios_under_the_ticks_of_the_strip():
    report = evaluate(nettle(), "plan", against="found")
    svg = frequency_strip(report, "metric")
    ticks = {float(w): float(x) for x, _, w in TEXT.findall(svg) if re.fullmatch(r"\d\.\d", w)}
    assert len(ticks) >= 3
    (low, a), *_, (high, b) = sorted(ticks.items())
    per = (b - a) / log(high / low)

    def x(frequency):
        return a + per * log(frequency / low)

    for value, at in ticks.items():
        assert at == pytest.approx(x(value), abs=0.11)
    for name, dash in (("front", ""), ("rear", ' stroke-dasharray="6 3"')):
        end = report.ends[name]
        lines = [
            float(v) for v in re.findall(r'd="M([\d.]+) 26\.0V80\.0" [^>]*stroke-width="2"' + dash + "/>", svg)
        ]
        assert any(abs(v - x(end.frequency.value)) < 0.11 for v in lines), name
        was = [float(v) for v in re.findall(r'd="M([\d.]+) 30\.0V76\.0" [^>]*stroke-width="0.8"', svg)]
        assert any(abs(v - x(end.frequency.was)) < 0.11 for v in was)
        rate = f"{end.spring_rate.value / 1e3:.0f}"
        assert f">{name} {rate}, {end.frequency.value:.2f} Hz<" in svg
    band = re.search(r'd="M([\d.]+) 30\.0v12H([\d.]+)v-12"', svg)
    assert [float(v) for v in band.groups()] == pytest.approx([x(1.7), x(2.3)], abs=0.11)
    zones = re.findall(r'd="M([\d.]+) (?:73|69|65)\.0H([\d.]+)"', svg)
    front = report.ends["front"].frequency.value
    assert len(zones) == 3
    assert float(zones[0][0]) == pytest.approx(x(1.05 * front), abs=0.11)
    assert float(zones[0][1]) == pytest.approx(min(336.0, x(1.20 * front)), abs=0.11)


def test_a_bikes_wheels_stand_a_wheelbase_apart_and_its_fork_leans_by_its_rake():
    bike = magpie()
    report = rider_report(bike, bike.setups[1])
    svg = cycle_drawing(bike, report, "metric")
    wheels = [
        tuple(map(float, m))
        for m in re.findall(r'<circle cx="([\d.]+)" cy="([\d.]+)" r="([\d.]+)" fill="none"', svg)
    ]
    (x1, y1, r1), (x2, y2, r2) = wheels
    per = (x2 - x1) / 1.425
    assert (r1 / per, r2 / per) == pytest.approx((0.297, 0.312), abs=1e-3)
    assert (y1 + r1, y2 + r2) == pytest.approx((440.0, 440.0), abs=0.11)
    fork = re.search(rf'd="M{x1:.1f} {y1:.1f}L([\d.]+) ([\d.]+)"', svg)
    up, back = (y1 - float(fork[2])) / per, (float(fork[1]) - x1) / per
    rake = report.steering.rake.value
    assert back / up == pytest.approx(tan(rake), abs=4e-3)
    assert f"wheelbase {report.steering.wheelbase.value * 1e3:.0f} mm" in svg
    for end, x in (("front", 70.0), ("rear", 200.0)):
        corner = report.corners[end]
        rail = re.search(rf'd="M{x - 11} ([\d.]+)V([\d.]+)M{x + 11} ', svg)
        top, bottom = map(float, rail.groups())
        k = (bottom - top) / (corner.solid.value - corner.droop.value)
        free = re.search(rf'<circle cx="{x}" cy="([\d.]+)" r="5.5"', svg)
        ride = top + k * corner.solid.value
        sags = report.sags[end]
        assert float(free[1]) == pytest.approx(ride - k * (sags.free_sag.value - corner.sag.value), abs=0.2)


@pytest.mark.parametrize("spread", [1.0, 1.6, 2.6])
def test_the_strips_ticks_stand_at_each_tenth_and_its_words_not_closer_than_they_are_wide(spread):
    report = evaluate(nettle(), "plan", against="found")
    rear = report.ends["rear"].frequency
    rear.value = report.ends["front"].frequency.value * spread
    svg = frequency_strip(report, "metric")
    told = {float(w): float(x) for x, _, w in TEXT.findall(svg) if re.fullmatch(r"\d\.\d", w)}
    steps = {round(b - a, 1) for a, b in pairwise(sorted(told))}
    assert len(steps) == 1
    step = steps.pop()
    assert step * 5 == pytest.approx(round(step * 5))  # every second tenth, or every fourth, and so on
    assert all(value / step == pytest.approx(round(value / step)) for value in told)
    assert all(b - a > 20 for a, b in pairwise(sorted(told.values())))
    assert 3 <= len(told) <= 8
    long = {float(x) for x in re.findall(r'd="M([\d.]+) 30\.0v5M', svg)}
    short = {float(x) for x in re.findall(r'd="M([\d.]+) 30\.0v3M', svg)}
    assert len(long) == len(told)
    assert not long & short
