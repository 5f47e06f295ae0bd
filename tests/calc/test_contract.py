"""The contract of `feder calc`: shape of answers, errors by key, streams; and a fuzz of every function."""

import io
import json
import math
import subprocess
import sys

import pytest
from hypothesis import given
from hypothesis import strategies as st

from feder.calc.answer import answer, listing
from feder.calc.entries import ENTRIES
from feder.calc.lines import replies, run
from feder.calc.refusal import CalcError


def test_an_answer_has_inputs_with_defaults_results_working_and_notes():
    found = answer(
        "coil_rate", {"wire_diameter": "11 mm", "mean_diameter": "71 mm", "active_coils": 6.8, "force": "305 kg"}
    )
    assert list(found) == ["name", "inputs", "results", "working", "notes"]
    assert found["inputs"]["shear_modulus"] == {"value": 79.3e9, "unit": "Pa"}
    assert found["inputs"]["total_coils"]["value"] == pytest.approx(8.8)
    assert set(found["results"]) == {"rate", "spring_index", "solid_length", "wahl_factor", "shear_stress"}
    assert "weight" in found["notes"][0]
    for line in found["working"]:
        assert list(line) == ["symbol", "formula", "substituted", "value", "unit", "source"]
        assert line["source"]
    # the working's own numbers give its own result
    rate = found["working"][0]
    assert rate["value"] == found["results"]["rate"]["value"]
    assert (
        "shear_stress"
        not in answer("coil_rate", {"wire_diameter": 0.01, "mean_diameter": 0.07, "active_coils": 5})["results"]
    )


@pytest.mark.parametrize(
    ("name", "inputs", "key"),
    [
        ("wheel_rate", {"spring_rate": "450 lb/in", "motion_ratio": 0}, "motion_ratio"),
        ("wheel_rate", {"spring_rate": 0, "motion_ratio": 0.9}, "spring_rate"),
        ("wheel_rate", {"spring_rate": "26 mm", "motion_ratio": 0.9}, "spring_rate"),
        ("wheel_rate", {"motion_ratio": 0.9}, "spring_rate"),
        ("wheel_rate", {"spring_rate": 1e4, "motion_ratio": 0.9, "colour": 1}, "colour"),
        ("wheel_rate", {"spring_rate": True, "motion_ratio": 0.9}, "spring_rate"),
        ("wheel_rate", {"spring_rate": [1], "motion_ratio": 0.9}, "spring_rate"),
        ("wheel_rate", {"spring_rate": math.inf, "motion_ratio": 0.9}, "spring_rate"),
        ("wheel_rate", {"spring_rate": 1e30, "motion_ratio": 0.9}, "spring_rate"),
        ("coil_rate", {"wire_diameter": 0.02, "mean_diameter": 0.02, "active_coils": 5}, "mean_diameter"),
        (
            "lever_motion_ratio",
            {"spring_distance": 1, "wheel_distance": 1, "spring_angle": "90 deg"},
            "spring_angle",
        ),
        ("lever_motion_ratio", {"spring_distance": 1, "wheel_distance": 1, "spring_angle": 21.5}, "spring_angle"),
        ("bump_travel", {"static_height": 0.28, "contact_height": 0.3, "drop": 0.01}, "contact_height"),
        (
            "spring_for_frequency",
            {"frequency": 9, "corner_mass": 300, "unsprung_mass": 30, "motion_ratio": 1, "tyre_rate": 1e5},
            "frequency",
        ),
        ("no_such_thing", {}, "name"),
    ],
)
def test_bad_input_is_one_line_that_names_the_key(name, inputs, key):
    with pytest.raises(CalcError) as refused:
        answer(name, inputs)
    assert refused.value.key == key
    assert refused.value.message.startswith(f"{key}:")
    assert "\n" not in refused.value.message


def test_the_terminal_answers_streams_and_lists():
    out, err = io.StringIO(), io.StringIO()
    assert run(["ride_rate", "wheel_rate=20 N/mm", "tyre_rate=200 N/mm"], io.StringIO(), out, err) == 0
    assert json.loads(out.getvalue())["results"]["ride_rate"]["value"] == pytest.approx(20e3 * 200e3 / 220e3)
    assert run(["ride_rate", "wheel_rate=nan", "tyre_rate=2"], io.StringIO(), out, err) == 2
    assert err.getvalue().count("\n") == 1
    lines = [
        '{"name": "series_rate", "inputs": {"rate_1": 2, "rate_2": 2}}',
        "not json",
        '{"name": "series_rate", "inputs": {"rate_1": 2}}',
        "[]",
    ]
    found = list(replies(lines))
    assert found[0]["results"]["rate"]["value"] == 1
    assert [f["error"]["key"] for f in found[1:]] == ["line", "rate_2", "name"]
    listed = listing()["coil_rate"]
    assert listed["inputs"]["total_coils"]["default"] == "active_coils + 2"
    assert listed["results"]["rate"] == "N/m"


def test_the_console_command_exits_2_with_one_line(tmp_path):
    made = subprocess.run(
        [sys.executable, "-m", "feder.cli", "calc", "wheel_rate", "spring_rate=-1", "motion_ratio=1"],
        capture_output=True,
        text=True,
        check=False,
    )
    assert made.returncode == 2
    assert made.stderr == "spring_rate: must be above 0\n"
    assert made.stdout == ""


def anything():
    return st.one_of(
        st.floats(allow_nan=True),
        st.integers(-10, 10),
        st.sampled_from(["1 mm", "450 lb/in", "", "x", "90 deg", "1e308 N/m", "-3", "0", "1e-300"]),
        st.none(),
        st.booleans(),
        st.lists(st.floats(), max_size=2),
    )


def answered_or_key(name, inputs):
    """The answer, or the key at which it was refused."""
    try:
        return answer(name, inputs)
    except CalcError as refused:
        return refused.key


@pytest.mark.parametrize("name", ENTRIES)
@given(data=st.data())
def test_any_input_is_answered_with_finite_numbers_or_refused_by_a_key(name, data):
    keys = ENTRIES[name].parameters
    sizes = st.floats(-1e12, 1e12) | st.floats(1e-3, 1e3) | anything()
    inputs = {k: data.draw(sizes) for k, p in keys.items() if p.required or data.draw(st.booleans())}
    found = answered_or_key(name, inputs)
    if isinstance(found, str):
        assert found in keys
        return
    assert all(math.isfinite(r["value"]) for r in found["results"].values())
    json.dumps(found, allow_nan=False)
