"""Write what others read of Feder: the OpenAPI document, the JSON Schema of the vehicle file, the unit table.

Run by `make contracts`; a test holds the committed files equal to the code.
"""

import inspect
import json
import sys
import tempfile
from pathlib import Path

from feder.api.app import create_app
from feder.calc.entries import ENTRIES
from feder.core.document.document import Document
from feder.core.document.setting import SETS
from feder.core.document.typed import TYPED, USUAL
from feder.core.document.tyre_size import PATTERN, SAYS
from feder.core.numbers.nomenclature import TERMS
from feder.core.numbers.showing import expressions
from feder.core.numbers.working import FORMULAS
from feder.core.practice import thresholds, usual
from feder.core.practice.value import Usual
from feder.instruments.kinds import FIELDS
from feder.units.table import exported

ROOT = Path(__file__).parents[1]


def contracts() -> dict[Path, str]:
    """Each file with its text."""
    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder))
        openapi = app.test_client().get("/api/openapi.json").get_json()
    schema = Document.model_json_schema()
    schema["$schema"] = "https://json-schema.org/draft/2020-12/schema"
    terms = {name: {"symbol": symbol, "meaning": meaning} for name, (symbol, meaning) in TERMS.items()}
    return {
        ROOT / "docs" / "openapi.json": _text(openapi),
        ROOT / "docs" / "method.md": method(),
        ROOT / "docs" / "vehicle-2.schema.json": _text(schema),
        ROOT / "frontend" / "src" / "units" / "table.json": _text(exported()),
        ROOT / "frontend" / "src" / "units" / "terms.json": _text(terms),
        ROOT / "frontend" / "src" / "units" / "measured.json": _text(FIELDS),
        ROOT / "frontend" / "src" / "units" / "members.json": _text(
            {"typed": TYPED, "usual": USUAL, "sets": SETS, "texts": {"Tyre.size": [PATTERN, SAYS]}}
        ),
    }


def method() -> str:
    """The method page: its head by hand, then every function and formula from the code itself."""
    parts = [(ROOT / "docs" / "method-head.md").read_text(encoding="utf-8"), "\n## Every function\n"]
    for entry in ENTRIES.values():
        text = inspect.cleandoc(entry.function.__doc__ or "")
        keys = ", ".join(f"`{p.name}`{f' {p.units}' if p.units else ''}" for p in entry.parameters.values())
        results = ", ".join(f"`{key}`{f' {unit}' if unit else ''}" for key, unit in entry.result_units.items())
        parts.append(f"### {entry.name}\n{text}\n\nTakes {keys}.\n" + (f"Gives {results}.\n" if results else ""))
    parts.append("## Every threshold and usual value\n" + _practice())
    parts.append("## Every formula\n| | unit | formula | source |\n| --- | --- | --- | --- |\n")
    for known in sorted(FORMULAS.values(), key=lambda f: (f.function.__module__, f.name)):
        unit = known.units.get("return", "")
        rows = " ; ".join(f"{s} = {e}" for s, e in expressions(known)).replace("|", "\\|")
        parts.append(f"| {known.name} | {unit} | {rows} | {known.source} |\n")
    return "\n".join(parts[: -len(FORMULAS) - 1]) + "\n" + "".join(parts[-len(FORMULAS) - 1 :])


def _practice() -> str:
    """The numbers of general practice as a table: none of them is a law."""
    rows = [
        f"| {name.lower().replace('_', ' ')} | {float(value):g} {value.unit} | {value.says} | {value.source} |\n"
        for module in (thresholds, usual)
        for name, value in vars(module).items()
        if isinstance(value, Usual)
    ]
    return "| | value | meaning | source |\n| --- | --- | --- | --- |\n" + "".join(rows)


def _text(content: object) -> str:
    return json.dumps(content, indent=1, ensure_ascii=False) + "\n"


if __name__ == "__main__":
    for file, text in contracts().items():
        file.parent.mkdir(parents=True, exist_ok=True)
        file.write_text(text, encoding="utf-8")
        sys.stdout.write(f"wrote {file.relative_to(ROOT)}\n")
