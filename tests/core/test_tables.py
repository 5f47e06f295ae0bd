"""CSV files as other programs write them: encodings, delimiters, decimal commas, units in the head."""

import pytest

from feder.core.document.typed import TYPED, USUAL
from feder.core.files.leverage_csv import leverage_from_csv
from feder.core.files.shelf_csv import springs_from_csv
from feder.core.files.survey_csv import survey_from_csv
from feder.core.files.table import read_table, written
from feder.core.numbers.errors import BadFile
from feder.units.parse import read_cell

ROWS = "code;rate [N/mm];free length (in);note\nfrüh;60,5;8;weich, gelb\n;;;\n"


@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "cp1252", "utf-16"])
def test_a_list_from_any_program_is_read(encoding):
    (part,) = springs_from_csv(ROWS.encode(encoding), read_cell)
    assert (part.code, part.note) == ("früh", "weich, gelb")
    assert part.rate.value == pytest.approx(60_500)
    assert part.free_length == pytest.approx(8 * 0.0254)


@pytest.mark.parametrize("end", ["\n", "\r\n", "\r"])
@pytest.mark.parametrize("mark", [";", "\t", ","])
def test_any_delimiter_and_line_end(mark, end):
    (part,) = springs_from_csv(f"Code{mark}Rate{end}b{mark}450 lb/in{end}".encode(), read_cell)
    assert part.rate.value == pytest.approx(450 * 4.4482216152605 / 0.0254)


@pytest.mark.parametrize(
    ("cell", "rate"), [("0,500", 500), ("60,5", 60.5e3), ("1234,567", 1234567), ("1,2345", 1234.5)]
)
def test_a_decimal_comma_is_read_where_it_can_be_nothing_else(cell, rate):
    (part,) = springs_from_csv(f"code;rate\na;{cell}\n", read_cell)
    assert part.rate.value == pytest.approx(rate)


@pytest.mark.parametrize("cell", ["1,234", "60,500 N/m", "450,000"])
def test_a_comma_that_may_part_thousands_is_asked_about_not_guessed(cell):
    with pytest.raises(BadFile) as refused:
        springs_from_csv(f"code;rate\na;{cell}\n", read_cell)
    assert "two ways" in refused.value.faults[0]["message"]


def test_a_cell_with_its_own_unit_stands_before_that_of_the_head():
    (part,) = springs_from_csv("code,rate [lb/in]\na,60 N/mm\n", read_cell)
    assert part.rate.value == 60e3


@pytest.mark.parametrize(
    ("data", "place"),
    [
        (b"\x00\x01\x02", "file"),
        (b"", "line 1"),
        (b"code,rate,colour\na,1,red", "line 1"),
        (b"code\na", "line 1"),
        (b'code,rate\n"a', "line 2"),
    ],
)
def test_what_is_no_table_is_refused_by_place(data, place):
    with pytest.raises(BadFile) as refused:
        springs_from_csv(data, read_cell)
    assert refused.value.faults[0]["place"].startswith(place)


def test_more_lines_than_may_be_are_refused():
    with pytest.raises(BadFile, match="more than 3"):
        read_table("a\n1\n2\n3\n4\n", ("a",), most=3)


def test_what_is_written_is_read_back():
    rows = [["a", "b"], ["1,5", 'say "x"'], ["two\nlines", ""]]
    table = read_table(written(rows), ("a", "b"), most=9)
    assert [row for _, row in table.rows] == [dict(zip("ab", r, strict=True)) for r in rows[1:]]


def test_a_leverage_curve_from_shock_positions_is_the_slope_between_them():
    text = "travel [mm],shock [in]\n0,0\n50,1\n90,2\n"
    assert [z for z, _ in leverage_from_csv(text, read_cell)] == pytest.approx([0.025, 0.070])
    assert [v for _, v in leverage_from_csv(text, read_cell)] == pytest.approx([0.05 / 0.0254, 0.04 / 0.0254])
    plain = leverage_from_csv("Travel;Leverage\n0;2,8\n60;2,6\n120;2,3\n", read_cell)
    assert plain == [(0.0, 2.8), (0.06, 2.6), (0.12, 2.3)]


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("travel,leverage\n0,2.8\n", "2 to 200"),
        ("depth,leverage\n0,2\n1,2", "must be named"),
        ("travel,shock\n0,0\n1,0\n2,1", "must move"),
        ("travel,leverage\n0,two\n9,2", "two numbers"),
    ],
)
def test_what_is_no_leverage_curve_is_refused(text, words):
    with pytest.raises(BadFile, match=words):
        leverage_from_csv(text, read_cell)


def test_a_survey_sheet_filled_in_with_decimal_commas(car):
    text = "place;what;value\nfront left;weight;298,5\nrear right;hub to arch;351\nfront right;camber;-1,5\n"
    made = {str(c.path): c.value for c in survey_from_csv(car, text, read_cell)}
    readings = str(made)
    assert "298.5" in readings
    assert "0.351" in readings
    assert any(v == pytest.approx(-1.5 * 3.141592653589793 / 180) for v in made.values() if isinstance(v, float))


def test_what_may_be_typed_is_a_member_of_the_document_and_within_what_a_file_may_hold(schema_members):
    named = {k: v for k, v in TYPED.items() if k.split(".")[0] in {m.split(".")[0] for m in schema_members}}
    assert len(named) > 90
    pairs = {
        "RatioFromSweep.points",
        "Targets.frequency",
        "Targets.frequency_ratio",
    }  # bounds of each of two numbers
    shared = {"Fork.head_angle", "Limits", "Reading.height", "Reading.mass", "Vehicle.outline"}  # one for several
    for key, (unit, low, high) in named.items():
        if key in pairs | shared or key.startswith("Survey.") or " " in key:
            continue
        unit_there, least, most = schema_members[key]
        assert unit == unit_there or (unit == "" and unit_there is None), key
        assert least <= low < high <= most, key
    for key, value in USUAL.items():
        _, low, high = TYPED[key]
        assert all(low <= v <= high for v in (value if isinstance(value, tuple) else (value,))), key


@pytest.fixture
def schema_members():
    """Unit and bounds of every numeric member, from the published schema of the document."""
    import json
    from pathlib import Path

    schema = json.loads((Path(__file__).parents[2] / "docs" / "vehicle-2.schema.json").read_text("utf-8"))
    defs = schema["$defs"]

    def number(node):
        if "$ref" in node:
            target = defs[node["$ref"].rsplit("/", 1)[1]]
            return number(target["properties"]["value"]) if "value" in target.get("properties", {}) else None
        for option in node.get("anyOf", []):
            if (found := number(option)) is not None:
                return found
        if node.get("type") in ("number", "integer"):
            least = node.get("minimum", node.get("exclusiveMinimum", float("-inf")))
            most = node.get("maximum", node.get("exclusiveMaximum", float("inf")))
            return node.get("x-unit"), least, most
        return (None, float("-inf"), float("inf")) if node.get("type") == "array" or "Band" in str(node) else None

    return {
        f"{name}.{member}": found
        for name, model in {**defs, "Document": schema}.items()
        for member, node in model.get("properties", {}).items()
        if (found := number(node)) is not None
    }
