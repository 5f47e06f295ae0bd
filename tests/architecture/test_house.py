"""What keeps the house in order: no long files, no number of ours in tests, packages that say their rule."""

import re
from pathlib import Path

ROOT = Path(__file__).parents[2]
LONGEST = 400


def test_no_source_file_has_grown_past_one_subject():
    files = [*ROOT.glob("feder/**/*.py"), *ROOT.glob("frontend/src/**/*.vue"), *ROOT.glob("frontend/src/**/*.ts")]
    long = {
        f.name: n
        for f in files
        if f.name != "schema.ts" and (n := len(f.read_text(encoding="utf-8").splitlines())) > LONGEST
    }
    assert not long


def test_every_room_says_its_rule_in_at_most_three_sentences():
    for file in ROOT.glob("feder/**/__init__.py"):
        text = file.read_text(encoding="utf-8")
        if file.parent.name == "versions":
            continue
        assert text.startswith('"""'), file
        assert text.split('"""')[1].count(". ") <= 2, file


def test_formula_modules_use_math_alone():
    for file in ROOT.glob("feder/core/formulas/*.py"):
        imported = re.findall(r"^(?:from|import) ([\w.]+)", file.read_text(encoding="utf-8"), re.MULTILINE)
        own = {n for n in imported if n.startswith("feder.")}
        assert all(
            n.startswith(("feder.core.numbers", "feder.core.formulas", "feder.core.practice")) for n in own
        ), file
        assert {n for n in imported if n not in own} <= {"math", "typing", "dataclasses", "collections.abc"}, file
