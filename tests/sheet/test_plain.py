"""The sheet for machines: figures by hand in JSON and CSV, and a square code that another reader reads."""

import csv
import io
import json
import re
from datetime import date
from pathlib import Path

import jsonschema
import numpy as np
import pytest
import zxingcpp

from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.tansy import tansy
from feder.sheet.code import code_of, link_of
from feder.sheet.page import sheet_html
from feder.sheet.plain import sheet_csv, sheet_plain

ADDRESS = "http://192.168.1.20:8440"


def figures(document, setup="plan"):
    return {f["path"]: f for f in sheet_plain(document, setup, 3, "2026-06-14")["figures"]}


def test_every_figure_stands_beside_as_found_in_si():
    told = figures(nettle())
    rate = told["corners.front_left.wheel_rate"]
    # 40 N/mm planned and 26 N/mm as found, through a motion ratio of 0.96
    assert rate["value"] == pytest.approx(40e3 * 0.96**2)
    assert rate["found"] == pytest.approx(26e3 * 0.96**2)
    assert (rate["unit"], rate["place"], rate["estimated"]) == ("N/m", "front left", False)
    assert told["corners.front_left.hub_to_arch"]["found"] == pytest.approx(0.376)
    assert told["vehicle.total_mass"]["place"] == "vehicle"
    assert told["vehicle.total_mass"]["value"] == pytest.approx(308 + 298 + 207 + 197)
    assert any(f["estimated"] for f in told.values())
    found = figures(nettle(), "found")["corners.front_left.wheel_rate"]
    assert (found["value"], found["found"]) == (pytest.approx(26e3 * 0.96**2), None)


@pytest.mark.parametrize("made", [nettle, magpie, finch, tansy], ids=lambda f: f.__name__)
def test_it_is_as_its_schema_says(made):
    schema = json.loads((Path(__file__).parents[2] / "docs/sheet-1.schema.json").read_text())
    for setup in made().setups:
        told = json.loads(json.dumps(sheet_plain(made(), setup.id, 0, "2026-06-14")))
        jsonschema.validate(told, schema)
        assert len(told["figures"]) > 20


def test_it_says_of_what_it_is_and_what_is_set():
    told = json.loads(json.dumps(sheet_plain(magpie(), "plan", 7, "2026-06-14")))
    assert (told["format"], told["sheet"], told["date"]) == ("feder-sheet-1", 7, "2026-06-14")
    assert told["vehicle"] == "Magpie"
    assert told["setup"]["id"] == told["settings"]["id"] == "plan"
    assert {c["grade"] for c in told["cautions"]} <= {"stop", "look", "note"}


@pytest.mark.parametrize(
    ("system", "factor", "unit"), [("metric", 1e3, "N/mm"), ("inch", 175.12683524647636, "lbf/in")]
)
def test_as_csv_it_is_in_the_units_asked_for(system, factor, unit):
    rows = list(csv.DictReader(io.StringIO(sheet_csv(nettle(), "plan", system, 3, "2026-06-14"))))
    row = next(r for r in rows if r["path"] == "corners.rear_left.wheel_rate")
    now, was = 60e3 * 0.72**2, 28e3 * 0.72**2
    assert float(row["value"]) == pytest.approx(now / factor, rel=1e-5)
    assert float(row["as found"]) == pytest.approx(was / factor, rel=1e-5)
    assert float(row["change"]) == pytest.approx((now - was) / factor, rel=1e-5)
    assert row["unit"].replace("/", "") == unit.replace("/", "") or row["unit"] == unit
    assert not any(c.startswith(("=", "@", "\t")) for r in rows for c in r.values())


def modules(svg):
    """The code's black modules, from the strokes of its path, as a picture."""
    size = int(re.search(r'viewBox="0 0 (\d+) \d+"', svg)[1])
    dark, x, y = np.zeros((size, size), dtype=bool), 0.0, 0.0
    for command, rest in re.findall(r"([Mmh])([^Mmh]*)", re.search(r' d="([^"]+)"', svg)[1]):
        told = [float(n) for n in re.findall(r"-?\d*\.?\d+", rest)]
        if command == "M":
            x, y = told
        elif command == "m":
            x, y = x + told[0], y + told[1]
        else:
            dark[int(y), round(x) : round(x + told[0])] = True
            x += told[0]
    return np.kron(np.where(dark, 0, 255).astype(np.uint8), np.ones((8, 8), dtype=np.uint8))


def test_the_code_opens_the_setup_where_a_phone_finds_feder():
    code = code_of(ADDRESS, "a57b9235503d", "plan-2")
    (read,) = zxingcpp.read_barcodes(modules(str(code)))
    assert read.text == link_of(ADDRESS, "a57b9235503d", "plan-2")
    assert read.text == "http://192.168.1.20:8440/vehicle/a57b9235503d/sheet?setup=plan-2"


@pytest.mark.parametrize("document", [nettle(), magpie()], ids=["car", "two wheels"])
def test_the_code_is_on_the_sheet_only_where_it_leads_somewhere(document):
    told = sheet_html(document, "plan", "metric", 1, date(2026, 6, 14), "fonts", code_of(ADDRESS, "a1", "plan"))
    assert 'class="qr"' in told
    assert code_of(None, "a1", "plan") is None
    assert 'class="qr"' not in sheet_html(document, "plan", "metric", 1, date(2026, 6, 14), "fonts")
