"""A bench's curves as a file: clicks in the heads, units of all kinds, long files thinned, faults by their place."""

import pytest

from feder.core.document.damper import DamperPart, Knob
from feder.core.files.curves_csv import MOST_POINTS, curves_from_csv
from feder.core.numbers.errors import BadFile
from feder.core.solvers.damper_curve import curve_of
from feder.core.standing.clicked import at_clicks
from feder.units.parse import read_cell


def test_a_column_for_each_setting_with_its_clicks_and_bare_bench_units():
    text = "velocity,rebound 4 bump 11,rebound 8 bump 11\n-100,-400,-300\n100,200,200\n300,350,350\n"
    one, two = curves_from_csv(text, read_cell)
    assert (one.rebound, one.bump, two.rebound) == (4, 11, 8)
    assert one.points == ((-0.1, -400.0), (0.1, 200.0), (0.3, 350.0))
    part = DamperPart(
        code="b", knobs=(Knob(acts="rebound", clicks=18), Knob(acts="bump", clicks=18)), rows=(one, two)
    )
    made = at_clicks(part, {"rebound": 5.0, "bump": 11.0})
    assert made.curve.at(-0.1) == pytest.approx(-375)
    assert made.curve.at(0.2) == pytest.approx(275)


def test_units_in_heads_and_cells_semicolons_and_a_single_curve():
    (row,) = curves_from_csv("Velocity [in/s];Clicks 3 [lbf]\n-4;-90\n4;45 lbf\n10;100\n", read_cell)
    assert row.both == 3
    assert row.points[0] == pytest.approx((-4 * 0.0254, -90 * 4.4482216152605))
    assert row.points[2] == pytest.approx((0.254, 444.82216152605))
    (plain,) = curves_from_csv("velocity,force\n50 mm/s,100\n", read_cell)
    assert (plain.both, plain.rebound, plain.points) == (None, None, ((0.05, 100.0),))


def test_a_file_of_a_hundred_thousand_lines_is_thinned_to_the_same_curve():
    rows = "\n".join(f"{v / 100:.2f},{1500 * v / 1e5:.4f}" for v in range(-50_000, 50_000, 1) if v)
    (row,) = curves_from_csv(f"velocity,both 2\n{rows}\n", read_cell)
    assert len(row.points) <= MOST_POINTS
    curve = curve_of(row.points)
    for v in (-0.4, -0.05, 0.05, 0.3):
        assert curve.at(v) == pytest.approx(1500 * v, rel=1e-3)


@pytest.mark.parametrize(
    ("text", "place", "words"),
    [
        ("force,velocity\n1,2\n", "line 1", "first column must be velocity"),
        ("velocity\n100\n", "line 1", "no column of force"),
        ("velocity,both 1\n100,lots\n", "line 2, both 1", "not a number"),
        ("velocity,both 1\n100,200\n200,150\n", "both 1", "must not fall"),
        ("velocity,both 1\n0,30\n100,60\n", "both 1", "no force at no velocity"),
        ("velocity,both 1\n0,0\n", "both 1", "velocity other than zero"),
        ("velocity,both 1\n100,20 kg/mm\n", "line 2, both 1", ""),
    ],
)
def test_what_is_no_curve_is_refused_whole_by_its_place(text, place, words):
    with pytest.raises(BadFile) as refused:
        curves_from_csv(text, read_cell)
    assert refused.value.faults[0]["place"] == place
    assert words in refused.value.faults[0]["message"]


def test_over_http_a_file_gives_its_rows_and_stores_nothing(client):
    made = client.post("/api/curves", data="velocity,both 1\n100,200\n")
    assert made.json["rows"][0]["points"] == [[0.1, 200.0]]
    assert client.post("/api/curves", data="velocity,both 1\n100,x\n").status_code == 422
