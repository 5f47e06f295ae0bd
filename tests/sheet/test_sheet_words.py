"""Targets, totals and notes of the sheet: each number by hand, in the words of the setup it is of."""

import re
from datetime import date

import pytest

from feder.core.benches.loads.plan import load_plan
from feder.core.document.base import PLACES
from feder.core.document.brief import Band, Targets
from feder.core.document.setup import Clicks, Seat
from feder.core.document.survey import Reading, Survey
from feder.core.report.evaluate import evaluate
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.tansy import tansy
from feder.sheet.blank import blank_html
from feder.sheet.paper import FONTS
from tests.changes import with_end, with_side
from tests.sheet.test_sheet_measured import page, rows
from tests.sheet.test_sheet_rows import cells


def words_of(html):
    return re.sub(r"\s+", " ", re.sub(r"<[^>]+>", " ", html))


def target(html, name):
    """What the sheet says beside a name among its targets."""
    found = re.search(rf"<dt>{name}</dt>\s*<dd>(.*?)</dd>", html, re.DOTALL)
    return found and words_of(found[1]).strip()


def briefed(car, **members):
    return car.but(brief=car.brief.but(**members))


def test_the_frequency_wanted_is_told_once_or_for_each_end_and_on_its_basis():
    car = nettle()
    assert "1.7–2.3 Hz, on wheel rate alone" in words_of(page(car, "plan"))
    targets = Targets(front_frequency=Band(low=1.4, high=1.8), rear_frequency=Band(low=1.9, high=2.2))
    text = words_of(page(briefed(car, targets=targets, frequency_basis="with tyre"), "plan"))
    assert "front 1.4–1.8 Hz, with the tyre" in text
    assert "rear 1.9–2.2 Hz, with the tyre" in text
    table = rows(page(briefed(car, frequency_basis="with tyre"), "plan"), "front left")
    assert table["frequency"][2] == "Hz, tyre"
    assert rows(page(car, "plan"), "front left")["frequency"][2] == "Hz"


def test_rear_over_front_and_what_the_drop_costs_are_those_of_the_report():
    report = evaluate(nettle(), "plan")
    text = words_of(page(nettle(), "plan"))
    over = report.ends["rear"].frequency.value / report.ends["front"].frequency.value - 1
    assert f"rear {over * 100:.0f} % over front (5–20), flat at" in text
    worst = {
        end: max(c.lost_fraction.value for p, c in report.corners.items() if p.end == end)
        for end in ("front", "rear")
    }
    assert f"{worst['front'] * 100:.0f} % front, {worst['rear'] * 100:.0f} % rear of bump travel" in text
    stiff = words_of(page(briefed(nettle(), pitch_school="stiff front", stop_school="as springs"), "plan"))
    assert "(front wanted higher)" in stiff
    assert "used as third springs" in stiff
    assert "not touched in normal use" in text


def test_only_other_setups_of_the_same_stage_are_named_beside_this_one():
    car = nettle()
    plan = car.setups[1]
    others = (
        *car.setups,
        plan.but(id="wet", name="plan, wet", parent="found"),
        plan.but(id="fitted", name="as fitted", stage="fitted", parent="plan"),
    )
    text = words_of(page(car.but(setups=others), "plan"))
    assert re.search(r"also: plan, wet (?!,)", text)


def test_datums_of_collars_and_clicks_are_told_once_where_they_agree():
    car = nettle()
    for p in PLACES:
        seat = getattr(car.setups[1].sides, p.value).seat or Seat()
        car = with_side(car, "plan", p, rebound=Clicks(count=5, counted_from="fully open"), bump=None,
                        seat=seat.but(datum="top of the thread"))  # fmt: skip
    text = words_of(page(car, "plan"))
    assert "up from the top of the thread" in text
    assert "counted from fully open" in text
    car = with_side(car, "plan", "rear_left", rebound=Clicks(count=5), seat=Seat(length=0.2, hub_to_arch=0.4))
    text = words_of(page(car, "plan"))
    assert "from the datum of each corner" in text
    assert "counted from fully open" not in text


@pytest.mark.parametrize("end", ["front", "rear"])
def test_an_air_springs_pressure_is_told_in_both_units_that_pumps_show(end):
    bike = finch()
    html = page(bike, "plan")
    told = [c for c in cells(html, "pressure") if c[-1] == "bar"]
    report = evaluate(bike, "plan", against="found")
    pressure = report.corners[end].pressure
    k = 0 if end == "front" else 1
    assert told[k] == [
        f"{pressure.was / 1e5:.1f}",
        f"{'~' if pressure.assumed else ''}{pressure.value / 1e5:.1f}",
        "bar",
    ]
    psi = [c for c in cells(html, "") if c[-1] == "psi"]
    assert psi[k][1].lstrip("~") == f"{pressure.value / 6894.757:.0f}"
    assert psi[k][0] == f"{pressure.was / 6894.757:.0f}"


def test_sag_of_the_travel_is_a_share_of_it():
    html = page(finch(), "plan")
    report = evaluate(
        finch(), "plan", "rider" if any(s.id == "rider" for s in finch().loads) else finch().loads[0].id
    )
    told = cells(html, "sag of the travel")
    assert [c[1].lstrip("~") for c in told] == [
        f"{report.corners[e].sag_fraction.value * 100:.0f}" for e in ("front", "rear")
    ]


def test_the_blank_page_asks_a_torsion_arm_for_its_level_and_no_collar():
    def asked(document):
        html = blank_html(document, "metric", date(2026, 6, 14), FONTS.as_uri())
        return [words_of(w).strip() for w in re.findall(r'<th scope="row">(.*?)</th>', html)]

    plain, bars = asked(nettle()), asked(tansy())
    assert "collar mm" in plain
    assert not [w for w in plain if w.startswith("level")]
    assert [w for w in bars if "level" in w or "plate" in w] == [
        "level on the chassis °", "level along the arm °", "free plate, wheel hanging °",
    ]  # fmt: skip
    both = with_end(with_end(tansy(), "front", layout="torsion arm"), "rear", layout="torsion arm")
    assert "collar mm" not in asked(both)
    assert ("collar mm" in bars) == (tansy().vehicle.ends.front.layout != "torsion arm")


def test_a_sag_measured_with_the_setup_on_stands_in_place_of_the_computed_one_and_says_so():
    bike = magpie()
    plain = cells(page(bike, "plan"), "rider sag")
    assert len(plain) == 2
    readings = [r for r in bike.surveys[0].readings if r.place.value == "rear"]
    moved = tuple(r.but(value=r.value - 0.004) if r.quantity.startswith("rider") else r for r in readings)
    html = page(bike.but(surveys=(*bike.surveys, Survey(id="after", setup="plan", readings=moved))), "plan")
    (read,) = cells(html, "rider sag, read")

    def mean(quantity, of):
        values = [r.value for r in of if r.quantity.startswith(quantity)]
        return sum(values) / len(values)

    sag = mean("extended", readings) - mean("rider", readings)
    assert float(read[0]) == pytest.approx(sag * 1e3, abs=0.06)
    assert float(read[1]) == pytest.approx((sag + 0.004) * 1e3, abs=0.06)
    assert read[0] == plain[1][0]
    assert len(cells(html, "rider sag")) == 1  # the front was not read again


@pytest.mark.parametrize(
    ("by", "words"), [(0.0, "level"), (0.004, r"0\.\d+° nose down"), (-0.012, r"0\.\d+° nose up")]
)
def test_the_rake_is_told_in_words_and_none_at_all_as_level(by, words):
    car, sills = (
        nettle(),
        {"front_left": 0.240, "front_right": 0.240, "rear_left": 0.240 + by, "rear_right": 0.240 + by},
    )
    kept = tuple(r for r in car.surveys[0].readings if r.quantity != "sill")
    read = tuple(Reading(place=p, quantity="sill", value=v) for p, v in sills.items())
    car = car.but(surveys=(car.surveys[0].but(readings=(*kept, *read)),))
    assert re.search(rf">{words}<", page(car, "found")), words


def test_cautions_end_with_those_for_all_and_say_how_many_more_there_are():
    car = nettle()
    for place in PLACES:
        car = with_side(car, "plan", place, hub_to_arch=0.30, rebound=Clicks(count=99, of=18))
    html = page(car, "plan").split("<h2>Cautions</h2>")[1].split("<h2>Notes")[0]
    lines = re.findall(r'class="no-i">(\d)</span>([^<]+)', html)
    assert len(lines) == 8
    assert re.fullmatch(r"And \d+ more on the screen\.", lines[4][1])
    assert [w for _, w in lines[5:]] == [
        "Springs hold energy: stands, compressor, no one below.",
        "Bushes tight only at ride height; torque from the maker.",
        "Align after 200 km; local rules may want an inspection.",
    ]


def test_what_a_plan_leaves_as_found_of_a_fork_is_told_as_nothing_of_its_own():
    bike = with_side(with_side(magpie(), "found", "front", clamp=0.006), "plan", "front", clamp=None)
    assert cells(page(bike, "plan"), "tubes over clamp") == [["6", "–", "mm"]]
    bike = with_side(with_side(magpie(), "found", "front", clamp=None), "plan", "front", clamp=0.007)
    assert cells(page(bike, "plan"), "tubes over clamp") == [["–", "7", "mm"]]


def test_a_load_that_squeezes_the_stop_says_so_and_one_that_does_not_tells_the_way_left():
    car = sedge()
    text = words_of(page(car, car.setups[1].id))
    rows_of = load_plan(car, car.setups[1].id)
    for row in rows_of:
        for end in row.ends:
            if end.stop is not None and end.stop.value >= 0:
                assert f"{end.stop.value * 1e3:.0f}" in text
    squeezed = [e for row in rows_of for e in row.ends if e.stop is not None and e.stop.value < 0]
    assert squeezed
    assert text.count("squeezed") == len(squeezed)
