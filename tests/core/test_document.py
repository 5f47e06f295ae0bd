"""The file format: what goes out comes in, its schema accepts it, and a broken file is refused with its place."""

import json
from pathlib import Path

import jsonschema
import pytest

from feder.core.document.document import BadDocument, read_document
from feder.core.files.shelf_csv import csv_rows, springs_from_csv
from feder.core.numbers.errors import BadFile
from feder.demo.springs import demo_springs
from feder.units.parse import read_cell

ROOT = Path(__file__).parents[2]


def test_a_file_comes_back_the_same_and_fits_the_published_schema(car):
    text = car.model_dump_json()
    assert read_document(text) == car
    schema = json.loads((ROOT / "docs" / "vehicle-2.schema.json").read_text())
    jsonschema.Draft202012Validator(schema).validate(json.loads(text))


def broken(car, path, value):
    data = json.loads(car.model_dump_json())
    node = data
    for part in path[:-1]:
        node = node[part]
    node[path[-1]] = value
    return json.dumps(data)


@pytest.mark.parametrize(
    ("path", "value", "place"),
    [
        (["format"], 3, "format"),
        (["content"], "something else", "content"),
        (["vehicle", "name"], "", "vehicle.name"),
        (["vehicle", "wheelbase", "value"], 2440, "vehicle.wheelbase.value"),
        (["vehicle", "colour"], "red", "vehicle.colour"),
        (
            ["setups", 1, "sides", "rear_left", "spring", "rate", "value"],
            -1,
            "setups.1.sides.rear_left.spring.rate.value",
        ),
        (["setups", 1, "parent"], "nobody", "file"),
        (["setups", 0, "stage"], "plan", "file"),
        (["surveys", 0, "readings", 3, "value"], "x", "surveys.0.readings.3.value"),
    ],
)
def test_a_broken_file_is_refused_whole_with_the_place_of_its_fault(car, path, value, place):
    with pytest.raises(BadDocument) as refused:
        read_document(broken(car, path, value))
    assert refused.value.faults[0]["place"] == place


@pytest.mark.parametrize("text", ["", "{", "[]", "null", '{"vehicle": NaN}', "\x00", '{"format": 1e999}'])
def test_what_is_no_document_is_refused(text):
    with pytest.raises(BadDocument):
        read_document(text)


def test_not_a_number_never_enters(car):
    for bad in ("NaN", "Infinity", "-Infinity"):
        with pytest.raises(BadDocument):
            read_document(car.model_dump_json().replace("2.44", bad, 1))


def test_the_shelf_goes_to_csv_and_back():
    parts = demo_springs()
    text = "\n".join(",".join(row) for row in csv_rows(parts))
    back = springs_from_csv(text, read_cell)
    assert [(p.code, p.rate.value, p.free_length, p.wire_diameter) for p in back] == [
        (p.code, p.rate.value, p.free_length, p.wire_diameter) for p in parts
    ]


def test_a_parts_list_in_other_units_and_with_semicolons():
    (part,) = springs_from_csv("Code;Rate;Free length\nblue 8;450 lb/in;8 in\n", read_cell)
    assert part.rate.value == pytest.approx(78807.1, rel=1e-5)
    assert part.free_length == pytest.approx(0.2032)
    (bare,) = springs_from_csv("code,rate,free_length\nb,60,180\n", read_cell)
    assert (bare.rate.value, bare.free_length) == (60e3, 0.18)


@pytest.mark.parametrize(
    ("text", "place"),
    [
        ("", "line 1"),
        ("code,colour\na,b", "line 1"),
        ("code,free_length\na,100", "line 1"),
        ("code,rate\na,x\nb,nan", "line 2, rate"),
        ("code,rate\na,60\nb,-3", "line 3, rate.value"),
        ("code,rate\n", "line 2"),
    ],
)
def test_a_faulty_parts_list_is_refused_whole_with_every_line_at_fault(text, place):
    with pytest.raises(BadFile) as refused:
        springs_from_csv(text, read_cell)
    assert refused.value.faults[0]["place"] == place
