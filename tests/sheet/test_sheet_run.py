"""A trial run on the sheet: told when it is asked for, with the figures of the run."""

from datetime import date

from feder.core.benches.prove.bench import trialled
from feder.core.benches.prove.roads import trial_of
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.sheet.page import sheet_html
from feder.sheet.run import run_table


def asked(document):
    return document.but(proving=document.proving.but(on_sheet=True))


def test_a_run_is_on_the_sheet_when_it_is_asked_for():
    document = asked(nettle())
    told = trialled(document, "plan", "found", trial_of(document))
    table = run_table(document, document.setups[1], "metric")
    assert table.heading == "Simulated: a road of 85 m put together, 60 km/h"
    assert "keeps the rear off its stop and off full droop" in table.note
    assert "Assumed: pitch inertia" in table.note
    was, now = (d.figures.ends["all"] for d in (told.was, told.now))
    cells = {row[0].split(",")[0]: row[1:] for row in table.rows}
    assert cells["acceleration"] == [f"~{f[e].comfort:.2f}" for e in ("front", "rear") for f in (was, now)]
    assert cells["swing of the tyre load"] == [
        f"~{100 * f[e].grip:.0f}" for e in ("front", "rear") for f in (was, now)
    ]
    assert cells["most bump"] == [f"~{1000 * f[e].bump:.0f}" for e in ("front", "rear") for f in (was, now)]
    html = sheet_html(document, "plan", "metric", 3, date(2026, 6, 14), "fonts")
    assert "Simulated: a road of 85 m" in html


def test_it_is_left_out_unasked_as_found_and_where_nothing_can_be_driven():
    document = nettle()
    assert run_table(document, document.setups[1], "metric") is None
    assert run_table(asked(document), document.setups[0], "metric") is None
    broken = asked(document).but(proving=document.proving.but(on_sheet=True, road="own", own=()))
    assert run_table(broken, broken.setups[1], "metric") is None


def test_inches_and_two_wheels():
    document = asked(magpie()).but(proving=magpie().proving.but(on_sheet=True, road="hole", speed=20))
    table = run_table(document, document.setups[1], "inch")
    assert table.heading == "Simulated: a hole, 40 mm × 0.8 m, 45 mph"
    assert [r[0] for r in table.rows][2] == "most bump, in"
