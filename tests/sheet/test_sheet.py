"""The sheet says what the report says, on one page, with text that can be selected and only Feder's fonts."""

import io
import re
from datetime import date

import pypdf
import pytest

from feder.core.document.base import PLACES
from feder.core.document.blank import blank_document
from feder.core.evaluate import evaluate
from feder.sheet.page import FONTS, sheet_html
from feder.sheet.pdf import pdf_of
from feder.units.show import figure

DAY = date(2026, 6, 14)


def page(document, setup="plan", system="metric"):
    return sheet_html(document, setup, system, 3, DAY, FONTS.as_uri())


def words(html):
    return re.sub(r"\s+", " ", re.sub(r"<[^>]+>", " ", html.split("</style>")[1]))


@pytest.mark.filterwarnings("ignore")  # the PDF library's own dependencies warn about themselves
def test_the_pdf_is_one_page_of_selectable_text_in_feders_fonts(car):
    reader = pypdf.PdfReader(io.BytesIO(pdf_of(page(car))))
    assert len(reader.pages) == 1
    assert reader.pages[0].mediabox.width == pytest.approx(595.3, abs=0.5)
    text = reader.pages[0].extract_text()
    for told in (
        "Nettle",
        "plan, dry",
        "14 June 2026",
        "634",
        "60-180-60",
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
