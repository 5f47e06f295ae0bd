"""The shelf of dampers as a file: out and in again, with other units and heads, refused whole with the place."""

import pytest

from feder.core.document.damper import CurveRow, DamperMode, DamperPart, DamperStop, Knob
from feder.core.files.dampers_csv import damper_rows, dampers_from_csv
from feder.core.files.table import written
from feder.core.numbers.errors import BadFile
from feder.demo.dampers import demo_dampers
from feder.units.parse import read_cell


def test_a_shelf_comes_back_as_it_went_out():
    parts = demo_dampers()
    back = dampers_from_csv(written(damper_rows(parts)), read_cell)
    for was, now in zip(parts, back, strict=True):
        assert now == was


MEASURED = DamperPart(
    code="bench 7",
    knobs=(
        Knob(acts="rebound", clicks=20),
        Knob(acts="bump", clicks=12, counted_from="fully open", locked="seized, left side"),
    ),
    stop=DamperStop(length=0.04, shaft=0.09, points=((0.0, 0.0), (0.01, 400.0))),
    rows=(
        CurveRow(rebound=0, bump=3, points=((-0.25, -900.0), (0.0, -12.5), (0.25, 410.0))),
        CurveRow(rebound=9, points=((-0.25, -500.0), (0.25, 410.0))),
        CurveRow(points=((0.1, 1.0),)),
    ),
    modes=(DamperMode(name="long way: soft", points=((-0.1, -200.0), (0.1, 90.0))),),
)


def test_curves_modes_locks_and_unlike_counts_come_back():
    rows = list(damper_rows([MEASURED]))
    line = dict(zip(rows[0], rows[1], strict=True))
    assert line["curves"].startswith("rebound 0 bump 3: -0.25 -900, 0 -12.5, 0.25 410 | rebound 9: ")
    assert (line["counted_from"], line["rebound_from"], line["bump_from"]) == ("fully closed", "", "fully open")
    assert line["stop_points"] == "0 0, 0.01 400"
    assert dampers_from_csv(written(iter(rows)), read_cell) == [MEASURED]


def test_units_of_cells_and_heads_and_bare_numbers():
    text = (
        "Code;Extended [in];Shut;Gas pressure;Rebound clicks;Counted from;Carries spring;Stop length;Stop shaft\n"
        "A;20;13 in;160 psi;24;fully open;no;45;98,5\n"
        "B;;;12;;;yes;;\n"
    )
    one, two = dampers_from_csv(text, read_cell)
    assert one.extended == pytest.approx(0.508)
    assert one.shut == pytest.approx(0.3302)
    assert one.gas_pressure == pytest.approx(160 * 6894.757, rel=1e-6)
    assert one.knobs == (Knob(acts="rebound", clicks=24, counted_from="fully open"),)
    assert one.stop == DamperStop(length=0.045, shaft=0.0985)
    assert (one.carries_spring, two.carries_spring) == (False, True)
    assert two == DamperPart(code="B", gas_pressure=12e5, carries_spring=True)


@pytest.mark.parametrize(
    ("text", "place", "words"),
    [
        ("extended\n400\n", "line 1", "'code' is missing"),
        ("code,extended,shut\nA,300,310\n", "line 2, dampers", "shut must be below extended"),
        ("code,extended\nA,long\n", "line 2, extended", ""),
        ("code,stop_length\nA,40\n", "line 2, stop.shaft", ""),
        ("code,carries_spring\nA,perhaps\n", "line 2, carries_spring", ""),
        ("code,counted_from,rebound_clicks\nA,the middle,9\n", "line 2, knobs.0.counted_from", ""),
        ("code,curves\nA,-0.1 -300\n", "line 2", "begins with its clicks"),
        ("code,curves\nA,rebound 1: -0.1\n", "line 2", "pairs of numbers"),
        ("code,curves\nA,rebound: 0.1 9\n", "line 2", "rebound 4 bump 6"),
        ("code,curves\nA,colour 3: 0.1 9\n", "line 2, rows.0.colour", ""),
        ("code,modes\nA,soft: 0.1 much\n", "line 2", "pairs of numbers"),
        ("code,colour\nA,red\n", "line 1", "unknown column 'colour'"),
    ],
)
def test_a_faulty_line_refuses_the_file_and_names_its_place(text, place, words):
    with pytest.raises(BadFile) as refused:
        dampers_from_csv(text, read_cell)
    fault = refused.value.faults[0]
    assert words in fault["message"]
    assert fault["place"].startswith(place.split(", ")[0])
    if words != "shut must be below extended":
        assert fault["place"] == place
