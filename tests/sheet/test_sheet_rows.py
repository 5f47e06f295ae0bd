"""Each cell of the sheet by what was typed, worked out apart or written there by hand: no two alike, so none is exchanged."""

import re
from math import pi as PI
from math import radians, sin, sqrt

import pytest

from feder.core.document.base import PLACES
from feder.core.document.damper import DamperPart
from feder.core.document.setup import Clicks
from feder.core.report.evaluate import evaluate
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.settled import settled_nettle
from feder.demo.tansy import tansy
from feder.sheet.cycle import steering_rows
from feder.sheet.more import further
from tests.changes import with_side
from tests.sheet.test_sheet_measured import page, rows


def numbered(car):
    """The demo car with settings of its own at every corner, as found and in the plan."""
    for k, place in enumerate(PLACES):
        for setup, more in (("found", 0), ("plan", 1)):
            car = with_side(
                car,
                setup,
                place,
                tyre_pressure=(1.6 + 0.2 * k + 0.1 * more) * 1e5,
                camber=radians(-0.5 - 0.3 * k - 0.1 * more),
                toe=(-1) ** k * (0.001 + 0.0002 * k + 0.0001 * more),
                rebound=Clicks(count=3 + k + 5 * more, of=20),
                bump=Clicks(count=10 + k - 5 * more, of=20),
            )
    return car


@pytest.mark.parametrize("k", range(4))
def test_settings_stand_in_their_own_cells(k):
    html = page(numbered(nettle()), "plan")
    table = rows(html, PLACES[k].words)
    assert table["tyre, cold"][:2] == [f"{1.6 + 0.2 * k:.1f}", f"{1.7 + 0.2 * k:.1f}"]
    assert table["camber"][:2] == [f"−{0.5 + 0.3 * k:.1f}", f"−{0.6 + 0.3 * k:.1f}"]
    way = "in" if k % 2 == 0 else "out"
    assert table["toe"][:2] == [f"{way} {1 + 0.2 * k:.1f}", f"{way} {1.1 + 0.2 * k:.1f}"]
    assert table["reb., bump"] == [f"{3 + k}, {10 + k}", f"{8 + k}, {5 + k}", "of 20 out"]


@pytest.mark.parametrize("place", PLACES)
def test_rates_and_collars_are_those_of_their_own_spring(place):
    car = nettle()
    for k, p in enumerate(PLACES):
        part = getattr(car.setups[1].sides, p.value).spring
        car = with_side(
            car, "plan", p, spring=part.but(code=f"s{k}", rate=part.rate.but(value=part.rate.value + 1e3 * k))
        )
    table = rows(page(car, "plan"), place.words)
    k = PLACES.index(place)
    rate = getattr(car.setups[1].sides, place.value).spring.rate.value
    was = getattr(car.setups[0].sides, place.value).spring.rate.value
    ratio = 0.96 if place.end == "front" else 0.72
    corner = evaluate(car, "plan").corners[place]
    mass = corner.sprung_mass.value
    assert table["spring"] == [f"{was / 1e3:.1f}", f"s{k}"]
    assert table["wheel rate"][:2] == [f"{was * ratio**2 / 1e3:.1f}", f"{rate * ratio**2 / 1e3:.1f}"]
    assert table["frequency"][1] == f"{sqrt(rate * ratio**2 / mass) / 2 / PI:.2f}"
    # room between the seats where the collar is at its datum, less the spring as long as its load presses it
    side = getattr(car.setups[1].sides, place.value)
    length = side.spring.free_length - corner.corner_load.value / ratio / rate
    room = side.seat.length - ratio * (side.seat.hub_to_arch - corner.hub_to_arch.value)
    assert table["collar"][1] == f"{(room - length) * 1e3:.1f}"
    assert float(table["turns up"][1]) == pytest.approx((room - length) / side.seat.pitch, abs=0.051)


def test_the_sheet_as_found_prints_one_column_and_names_no_plan():
    table = rows(page(numbered(nettle()), "found"), "front right")
    assert table["tyre, cold"][:2] == ["", "1.8"]
    assert table["reb., bump"][:2] == ["", "4, 11"]
    assert table["hub to arch"][0] == ""


def cells(html, words):
    """The cells of every row of a two-wheeler's sheet that begins with these words, front first."""
    found = []
    for row in re.findall(r"<tr.*?</tr>", html, re.DOTALL):
        texts = [re.sub(r"<[^>]+>|\s+", " ", c).strip() for c in re.findall(r"<td.*?</td>", row, re.DOTALL)]
        if texts and texts[0] == words:
            found.append(texts[1:])
    return found


def test_a_two_wheelers_settings_stand_in_their_own_cells():
    bike = magpie()
    for setup, k in (("found", 0), ("plan", 1)):
        bike = with_side(bike, setup, "front", rebound=Clicks(count=4 + k, of=20), bump=Clicks(count=6 + k, of=18),
                         oil_level=0.110 + 0.004 * k, fork_spacer=0.090 + 0.006 * k, clamp=0.006 + 0.003 * k, tyre_pressure=(2.1 + 0.1 * k) * 1e5)  # fmt: skip
        bike = with_side(bike, setup, "rear", rebound=Clicks(count=9 + k, of=24), bump=Clicks(count=13 + k, of=22, counted_from="fully open"),
                         high_bump=Clicks(count=2 + k, of=4, alone=True), shock_length=0.330 + 0.002 * k, tyre_pressure=(2.4 + 0.1 * k) * 1e5)  # fmt: skip
    html = page(bike, "plan")
    assert cells(html, "rebound") == [["4", "5", "of 20"], ["9", "10", "of 24"]]
    assert cells(html, "compression") == [["6", "7", "of 18"], ["13", "14", "of 22 open"]]
    assert cells(html, "high-speed comp.") == [["2", "3", "of 4, leave"]]
    assert cells(html, "oil level") == [["110", "114", "mm"]]
    assert cells(html, "spring spacers") == [["90", "96", "mm"]]
    assert cells(html, "tubes over clamp") == [["6", "9", "mm"]]
    assert cells(html, "shock, extended") == [["330", "332", "mm"]]
    assert cells(html, "tyre, cold") == [["2.1", "2.2", "bar"], ["2.4", "2.5", "bar"]]
    assert [c[1] for c in cells(html, "spring")] == [bike.setups[1].sides.front.spring.code, "hazel 4"]


def test_a_forks_oil_and_the_dampers_of_a_bike_by_name():
    bike = magpie()
    assert cells(page(bike, "plan"), "oil in a leg") == []
    assert cells(page(bike, "plan"), "damper") == [
        ["", "cartridge 41"],
        ["", "shock 33, three ways"],
        ["cartridge 41", "shock 33, three ways"],
    ]
    for place in ("front", "rear"):
        bike = with_side(bike, "found", place, damper=None)
    assert cells(page(bike, "plan"), "damper") == []
    bike = with_side(bike, "found", "front", oil_quantity=0.000520, oil_grade="10 W")
    bike = with_side(bike, "plan", "front", oil_quantity=0.000480, damper=DamperPart(code="cartridge 7"))
    bike = with_side(bike, "found", "rear", damper=DamperPart(code="shock as found"))
    html = page(bike, "plan")
    assert cells(html, "oil in a leg") == [["520.0 cm³, 10 W", "480.0 cm³", ""]]
    assert cells(html, "damper") == [
        ["", "cartridge 7"],
        ["", "shock as found"],
        ["cartridge 7", "shock as found"],
    ]
    # another one than found has a row of its own under it, as a spring has
    assert ["", "–"] in cells(html, "was")
    assert ["", "shock as found"] not in cells(html, "was")


def test_stops_on_the_second_page_are_cut_packed_and_met_at_their_own_corner():
    car = sedge()
    stops = {p: getattr(car.setups[1].sides, p.value).stop for p in PLACES}
    for k, p in enumerate(PLACES):
        car = with_side(car, "plan", p, stop=stops[p].but(length=0.040 + 0.002 * k, packer=0.001 * k))
    html = page(car, "plan")
    report = evaluate(car, "plan")
    assert cells(html, "cut to, mm") == [["40.0", "42.0", "44.0", "46.0"]]
    assert cells(html, "packer, mm") == [["none", "1.0", "2.0", "3.0"]]
    supplied = [getattr(car.vehicle.ends, p.end).bump_stop.length * 1e3 for p in PLACES]
    assert cells(html, "stop as supplied, mm") == [[f"{v:.1f}" for v in supplied]]
    for k, p in enumerate(PLACES):
        stop = getattr(car.vehicle.ends, p.end).bump_stop
        ratio = report.corners[p].damper_motion_ratio.value
        gap = (
            stop.shaft
            - ratio * (stop.hub_to_arch - report.corners[p].hub_to_arch.value)
            - 0.041
            - 0.003 * k
            + 0.001
        )
        assert float(cells(html, "gap at ride, mm")[0][k].lstrip("~")) == pytest.approx(
            gap * 1e3, abs=0.16
        )  # the axle leans a little
    lost = cells(html, "bump travel lost to the drop")[0]
    assert [v.lstrip("~") for v in lost] == [
        f"{report.corners[p].lost_fraction.value * 100:.0f} %" for p in PLACES
    ]


def test_a_bikes_sheet_names_the_spring_it_replaces_and_only_that():
    bike = magpie()
    was = cells(page(bike, "plan"), "was")
    assert [w[1] for w in was] == [bike.setups[0].sides.rear.spring.code]


def test_bar_stress_in_megapascals_and_pitch_in_percent():
    stress = evaluate(tansy(), "plan").corners["rear_left"].shear_stress.value
    html = page(tansy(), "plan")
    assert any(c[-2] == f"{stress / 1e6:.0f}" for c in cells(html, "bar stress, ride"))
    car = sedge()
    for place in ("rear_left", "rear_right"):
        part = getattr(car.setups[1].sides, place).spring
        car = with_side(car, "plan", place, spring=part.but(rate=part.rate.but(value=part.rate.value * 2.2)))
    over = (evaluate(car, "plan").vehicle.frequency_ratio.value - 1) * 100
    assert over > 55
    assert f"rear {over:.0f} % over front (" in page(car, "plan")


def test_the_rake_is_told_with_its_way():
    car = nettle()
    assert "0.49° nose down" in page(car, "plan")
    for place in ("front_left", "front_right"):
        high = getattr(car.setups[1].sides, place).hub_to_arch + 0.045
        car = with_side(car, "plan", place, hub_to_arch=high)
    # 45 mm over 2.44 m of wheelbase are 1.06° the other way
    found = re.search(r"(\d\.\d\d)° nose up", page(car, "plan"))
    assert float(found[1]) == pytest.approx(1.06 - 0.49, abs=0.02)


def test_a_bikes_bands_of_sag_stand_as_they_are_read():
    html = page(magpie(), "plan")
    # along the fork's tube and at the wheel, as the brief has them
    assert "rider 30–40, alone 15–25 mm" in html
    assert "rider 30–40, alone 5–15 mm" in html


def test_what_was_read_once_it_stood_is_on_the_further_pages():
    car = settled_nettle().document
    (table,) = [
        t
        for t in further(car, car.setups[2], evaluate(car, "fitted"), "metric")
        if t.heading == "Read once it stood"
    ]
    assert table.columns == ["", "front left", "front right", "rear left", "rear right"]
    assert table.rows == [
        ["hub to arch, mm", "352", "352", "350", "351"],
        ["scale, kg", "313.0", "294.5", "203.0", "200.5"],
        ["toe of the wheel, in +, mm", "−0.4", "−0.6", "2.5", "−0.6"],
        ["camber, °", "−2.5", "−2.4", "−1.8", "−1.9"],
        ["caster, °", "4.4", "4.6", "–", "–"],
    ]
    assert table.note == "Cross weight (front right and rear left) 49.2 %. Newest round 2026-07-26."
    plan = further(car, car.setups[1], evaluate(car, "plan"), "metric")
    assert not any(t.heading == "Read once it stood" for t in plan)


def test_toe_read_as_an_angle_is_told_across_its_rim():
    car = settled_nettle().document
    newest = car.surveys[-1]
    wheels = tuple(w.but(toe=None, toe_angle=0.01) if w.place == "front_left" else w for w in newest.wheels)
    car = car.but(surveys=(*car.surveys[:-1], newest.but(wheels=wheels)))
    assert evaluate(car, "fitted").corners["front_left"].toe_measured.value == pytest.approx(0.380 * sin(0.01))


@pytest.mark.parametrize(("system", "factor", "more"), [("metric", 1e3, 0), ("inch", 1 / 0.0254, 1)])
def test_a_bikes_steering_is_told_with_the_places_its_unit_needs(system, factor, more):
    report = evaluate(magpie(), "plan", against="found")
    rows = {row[0]: row for row in steering_rows(report, system)}
    said = report.steering
    for words, figure, places in (
        ("trail", said.trail, more),
        ("wheelbase", said.wheelbase, more),
        ("rear arm", said.swingarm, None),
        ("rake", said.rake, None),
    ):
        size, digits = (180 / PI, 1) if places is None else (factor, places)
        now = f"{figure.value * size:.{digits}f}".replace("-", "−")
        assert rows[words][2].removeprefix("~") == now
        assert rows[words][1].removeprefix("~") == f"{figure.was * size:.{digits}f}".replace("-", "−")


def test_what_is_not_known_of_the_steering_has_no_row():
    report = evaluate(magpie(), "plan", against="found")
    report.steering.seat_height = report.steering.lean_ridden = None
    rows = {row[0] for row in steering_rows(report, "metric")}
    assert {"rake", "trail", "wheelbase", "rear arm"} < rows
    assert not rows & {"seat", "in a bend"}
