"""The sheet says what the report says, on one page, with text that can be selected and only Feder's fonts."""

import io
import re
from datetime import date
from math import degrees

import pypdf
import pytest

from feder.core.benches.index.bench import index_bench
from feder.core.benches.loads.plan import load_plan
from feder.core.document.base import PLACES, Place
from feder.core.document.blank import blank_document
from feder.core.document.vehicle import Plate
from feder.core.report.evaluate import evaluate
from feder.demo.bramble import bramble
from feder.demo.sedge import sedge
from feder.demo.tansy import tansy
from feder.sheet.page import sheet_html
from feder.sheet.paper import FONTS
from feder.sheet.pdf import pdf_of
from feder.units.show import figure
from tests.changes import with_end, with_side

DAY = date(2026, 6, 14)


def page(document, setup="plan", system="metric"):
    return sheet_html(document, setup, system, 3, DAY, FONTS.as_uri())


def words(html):
    return re.sub(r"\s+", " ", re.sub(r"<[^>]+>", " ", html.split("</style>")[1]))


@pytest.mark.filterwarnings("ignore")  # the PDF library's own dependencies warn about themselves
def test_the_pdf_is_selectable_text_in_feders_fonts_and_no_longer_than_it_must_be(car):
    reader = pypdf.PdfReader(io.BytesIO(pdf_of(page(car))))
    assert len(reader.pages) == 3
    plain = with_end(with_end(car, "front", bump_stop=None, roll_centre=None), "rear", bump_stop=None)
    for setup in ("found", "plan"):
        for place in PLACES:
            plain = with_side(plain, setup, place, damper=None)
    assert "Bump stops" not in page(plain)
    assert len(pypdf.PdfReader(io.BytesIO(pdf_of(page(plain)))).pages) == 1
    assert reader.pages[0].mediabox.width == pytest.approx(595.3, abs=0.5)
    text = reader.pages[0].extract_text()
    for told in (
        "Nettle",
        "plan, dry",
        "14 June 2026",
        "634",
        "larch 20",
        "132 km/h",
        "fitted by",
        "rear right",
        "sheet 3",
    ):
        assert told.lower() in text.lower(), told
    fonts = {str(f.get_object()["/BaseFont"]) for f in reader.pages[0]["/Resources"]["/Font"].values()}
    assert all("IBM-Plex-Sans" in f for f in fonts), fonts


@pytest.mark.parametrize("system", ["metric", "inch", "kgf"])
def test_the_figures_are_those_of_the_report_in_every_unit_system(car, system):
    report, text = evaluate(car, "plan"), words(page(car, system=system))
    for place in PLACES:
        corner = report.corners[place]
        for name, kind in (
            ("floor_to_arch", None),
            ("wheel_rate", None),
            ("frequency", None),
            ("collar", "fine length"),
            ("held_at_droop", "fine length"),
        ):
            value = getattr(corner, name)
            assert f" {figure(value.value, value.unit, system, kind=kind)} " in text, (place, name)


def test_the_ladders_are_in_the_sheets_own_units(car):
    assert "−66" in words(page(car, system="metric"))
    inch = words(page(car, system="inch"))
    assert "−2.60" in inch  # 66 mm
    assert "−66" not in inch


def test_cautions_stand_on_it_and_estimates_keep_their_mark(car):
    text = words(page(car))
    assert "Rear right: Held by only 2.4 mm at full droop; 3 mm wanted." in text
    assert "~0.42" in text
    assert "Springs hold energy" in text
    assert "torque from the maker" in text


def test_an_empty_vehicle_and_hostile_words_still_make_a_page(car):
    assert "–" in words(page(blank_document("Blank", "van", "strut", "divorced")))
    hostile = car.model_copy(update={"notes": "<script>alert(1)</script> & <b>" + "x " * 900})
    html = page(hostile)
    assert "<script>" not in html
    assert "more on the screen" in html


def test_a_sheet_as_found_has_one_column_of_figures(car):
    text = words(page(car, "found"))
    assert " 656 " in text
    assert "634" not in text


def table(html, heading):
    """Rows of one table of the second page, as lists of words."""
    found = html.split(f"<caption>{heading}</caption>")[1].split("</table>")[0]
    rows = re.findall(r"<tr>(.*?)</tr>", found.split("<tbody>")[1], re.S)
    return {cells[0]: cells[1:] for cells in (re.findall(r"<td>(.*?)</td>", row, re.S) for row in rows)}


def told(figure, scale, digits):
    """A figure as print tells it, its estimate marked."""
    return ("~" if figure.assumed else "") + format(figure.value * scale, digits)


def test_the_second_page_tells_stops_loads_and_roll_as_the_core_has_them():
    van, estate = bramble(), sedge()
    loads = table(page(van), "Load states")
    for row in load_plan(van, "plan"):
        shown = loads[row.name]
        assert shown[0] == told(row.total_mass, 1, ".0f")
        for k, end in enumerate(row.ends):
            axle, height, frequency, *_ = shown[1 + 5 * k : 6 + 5 * k]
            assert axle == told(end.axle_mass, 1, ".0f")
            assert height == (
                told(end.hub_to_arch, 1e3, ".0f")
                if row.id is None
                else told(end.change, 1e3, "+.0f").replace("-", "−").replace("+0", "0")
            )
            assert frequency == told(end.frequency, 1, ".2f")
    text = page(estate)
    report = evaluate(estate, "plan", against="found")
    stops = table(text, "Bump stops and packers")
    cut = [estate.setups[1].sides.rear_left.stop.length, estate.setups[1].sides.front_left.stop.length]
    assert [stops["cut to, mm"][2], stops["cut to, mm"][0]] == [f"{v * 1e3:.1f}" for v in cut]
    gaps = [report.corners[p].stop_gap.value for p in PLACES]
    assert [g.lstrip("~") for g in stops["gap at ride, mm"]] == [f"{g * 1e3:.1f}" for g in gaps]
    quoted = table(text, "Springs, spacers, after fitting")
    assert quoted["drop its maker quotes, mm"] == ["30", "30", "35", "35"]
    share = table(text, "Roll")["front share of load moved across"]
    assert share[:2] == [
        f"{report.vehicle.front_transfer.was * 100:.1f}",
        f"~{report.vehicle.front_transfer.value * 100:.1f}",
    ]
    heavy = van.model_copy(
        update={"vehicle": van.vehicle.model_copy(update={"plate": Plate(gross=2300, rear_axle=1200)})}
    )
    shown = table(page(heavy), "Load states")["full, with bar stock"]
    assert shown[0].endswith("over")
    assert shown[6].endswith("over")
    assert not shown[1].endswith("over")


def test_a_torsion_bar_car_carries_its_moves_and_what_the_level_must_show():
    car = tansy()
    text = page(car)
    bars = table(text, "Torsion bars")
    for k, place in ((2, "rear_left"), (3, "rear_right")):
        row = index_bench(car, "plan", Place(place)).rows[0]
        assert bars["moves, from outside"][k] == row.words
        assert bars["level must show, °"][k] == f"{degrees(row.free_angle):.2f}"
    assert bars["moves, from outside"][0] == "–"
    assert "plate, unloaded" in text
    assert "Torsion bars" not in page(car, "found")


def test_the_roll_table_has_was_and_now_in_their_columns_and_names_the_bars_there_are():
    estate = sedge()
    report = evaluate(estate, "plan", against="found")
    rows = table(page(estate), "Roll")
    v = report.vehicle
    for words, figure_ in (
        ("front roll stiffness", v.front_roll_stiffness),
        ("rear roll stiffness", v.rear_roll_stiffness),
        ("roll at the springs", v.roll_gradient),
    ):
        was, now, unit = rows[words][:3]
        scale = {"N·m/°": 180 / 3.141592653589793, "°/g": 180 / 3.141592653589793}[unit]
        factor = scale if unit == "°/g" else 1 / scale
        places = len(was.split(".")[1]) if "." in was else 0
        assert was == f"{figure_.was * factor:.{places}f}"
        assert now.lstrip("~") == f"{figure_.value * factor:.{places}f}"
    bars = {e for e in ("front", "rear") if getattr(estate.vehicle.ends, e).bar is not None}
    assert {w.split()[0] for w in rows if w.endswith("anti-roll bar")} == bars
