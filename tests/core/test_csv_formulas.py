"""A table's text starts no formula in a table program, and comes back as it was; a strip's axis stays bounded."""

import csv
import io
from datetime import date

import pytest

from feder.core.document.base import MassValue, RateValue
from feder.core.document.setup import SpringPart
from feder.core.files.log_csv import log_from_csv
from feder.core.files.shelf_csv import csv_rows, springs_from_csv
from feder.core.files.table import plain, safe, written
from feder.core.numbers.errors import BadFile
from feder.demo.nettle import nettle
from feder.sheet.page import sheet_html
from feder.units.parse import read_cell
from tests.changes import with_end

HOSTILE = ["=1+1", "+cmd", "-2+3", "@sum", "\tx", "'=quoted", "'", "''", "plain", "it's", "-"]


@pytest.mark.parametrize("text", HOSTILE)
def test_a_text_comes_back_as_it_was_and_starts_no_formula(text):
    marked = safe(text)
    assert marked[0] not in "=+-@\t\r"
    assert plain(marked) == text


@pytest.mark.parametrize("number", ["-0.5", "+12", "-1e-3", "-1,5"])
def test_a_number_is_left_as_it_is(number):
    assert safe(number) == plain(safe(number)) == number


def test_a_springs_code_goes_out_marked_and_comes_back_plain():
    parts = [
        SpringPart(code=code, rate=RateValue(value=40e3), free_length=0.2) for code in ("=1+1", "-7", "larch")
    ]
    text = written(csv_rows(parts))
    cells = [row[0] for row in csv.reader(io.StringIO(text))][1:]
    assert cells[0] == "'=1+1"
    back = springs_from_csv(text, read_cell)
    assert [p.code for p in back] == ["=1+1", "-7", "larch"]


def test_a_log_that_is_no_table_is_refused_in_words():
    with pytest.raises(BadFile, match=r"no table|no row"):
        log_from_csv("at,why\r2026-01-01T10:00," + "x" * 140_000 + "\r", nettle().places)


def test_the_strip_of_an_absurd_vehicle_keeps_its_ticks_apart():
    """Hardly any sprung mass: hundreds of hertz, and no more ticks than a strip has room for."""
    light = with_end(nettle(), "front", unsprung_mass=MassValue(value=297.99))
    html = sheet_html(light, "plan", "metric", 1, date(2026, 6, 14), "fonts")
    assert len(html) < 2 * len(sheet_html(nettle(), "plan", "metric", 1, date(2026, 6, 14), "fonts"))
