"""Small wrong changes, one at a time, in the rooms where figures are put together: do the tests notice?

Takes `count` places at random, spread evenly over the rooms, changes one operator, constant, comparison, argument
order or min/max at each, and runs the unit tests that reach the changed line, first failure ends. Nothing in the
working tree is touched: each mutant lives in a copy. Prints those nobody noticed.

    python scripts/mutants.py [--count 200] [--seed 1] [--write docs/quality.md]
"""

import argparse
import ast
import copy
import json
import os
import random
import re
import shutil
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from pathlib import Path

ROOT = Path(__file__).parents[1]
ROOMS = ("feder/core/standing", "feder/core/report", "feder/core/benches", "feder/sheet")
TESTS = ("tests/core", "tests/sheet", "tests/reference", "tests/calc", "tests/api")
SWAPPED = {
    ast.Add: ast.Sub, ast.Sub: ast.Add, ast.Mult: ast.Div, ast.Div: ast.Mult,
    ast.Lt: ast.GtE, ast.GtE: ast.Lt, ast.Gt: ast.LtE, ast.LtE: ast.Gt, ast.Eq: ast.NotEq, ast.NotEq: ast.Eq,
    ast.Is: ast.IsNot, ast.IsNot: ast.Is, ast.And: ast.Or, ast.Or: ast.And,
}  # fmt: skip
NAMES = {"min": "max", "max": "min"}
DRAWN, LOOKS = ("text", "path", "rect"), ("size", "weight", "width", "dash", "fill", "stroke")
DRAWINGS = ("cycle.py", "drawing.py", "strip.py", "curves.py", "svg.py")
PIXELS = 5
"""From so many on a constant of a drawing is a place or a size on the paper."""
ROUNDING = 1e-8
"""A constant no larger keeps the rounding of floating point from deciding: a tenth more of it says nothing."""
LONGEST = 200.0
"""Seconds of tests, as they last unchanged, that one mutant is given: the quickest that reach its line first."""
SLOWER = 6.0
"""A test run that takes so many times as long as it should hangs, which is noticed by any who waits for it."""


@dataclass(frozen=True)
class Mutant:
    """One change: where, and what it is in words."""

    file: str
    line: int
    words: str
    source: str


def mutants_of(path: Path) -> Iterator[Mutant]:
    """Every small wrong change of a file."""
    text = path.read_text(encoding="utf-8")
    tree = ast.parse(text)
    quiet = _quiet(tree)
    nodes = [n for n in ast.walk(tree) if n not in quiet]
    order = list(ast.walk(tree))
    for node in nodes:
        for words, change in _changes(node, drawn=path.name in DRAWINGS):
            other = copy.deepcopy(tree)
            change(list(ast.walk(other))[order.index(node)])
            name = str(path.relative_to(ROOT))
            yield Mutant(name, node.lineno, words, ast.unparse(ast.fix_missing_locations(other)))  # type: ignore[attr-defined]


def _quiet(tree: ast.Module) -> set[ast.AST]:
    """What says nothing of a figure: texts, annotations, imports, and how thick or large something is drawn."""
    quiet: set[ast.AST] = set()
    for node in ast.walk(tree):
        hidden: list[ast.AST | None] = []
        if isinstance(node, ast.AnnAssign | ast.arg):
            hidden.append(node.annotation)
        if isinstance(node, ast.FunctionDef):
            hidden += [node.returns, *node.decorator_list]
        if isinstance(node, ast.JoinedStr | ast.Import | ast.ImportFrom | ast.Assert):
            hidden.append(node)
        if isinstance(node, ast.Constant) and isinstance(node.value, float) and 0 < node.value <= ROUNDING:
            hidden.append(node)
        if isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.func.id in DRAWN:
            hidden += [k.value for k in node.keywords if k.arg in LOOKS]
            if node.func.id == "text":  # a word a pixel further is no fault; that words stand apart is tested
                hidden += [n for arg in node.args[:2] for n in ast.walk(arg) if isinstance(n, ast.Constant)]
        for part in hidden:
            if part is not None:
                quiet |= set(ast.walk(part))
    return quiet


def _changes(node: ast.AST, *, drawn: bool) -> Iterator[tuple[str, object]]:
    def swapped(to: type[ast.AST], field: str, index: int | None = None):  # type: ignore[no-untyped-def]
        def change(at: ast.AST) -> None:
            if index is None:
                setattr(at, field, to())
            else:
                getattr(at, field)[index] = to()

        return change

    if isinstance(node, ast.BinOp) and (to := SWAPPED.get(type(node.op))):
        yield f"{type(node.op).__name__} to {to.__name__}", swapped(to, "op")
    if isinstance(node, ast.BoolOp) and (to := SWAPPED.get(type(node.op))):
        yield f"{type(node.op).__name__} to {to.__name__}", swapped(to, "op")
    if isinstance(node, ast.Compare):
        for i, op in enumerate(node.ops):
            if to := SWAPPED.get(type(op)):
                yield f"{type(op).__name__} to {to.__name__}", swapped(to, "ops", i)
    if isinstance(node, ast.UnaryOp) and isinstance(node.op, ast.USub):
        yield "minus dropped", lambda at: setattr(at, "op", ast.UAdd())
    if isinstance(node, ast.Constant) and isinstance(node.value, int | float) and not isinstance(node.value, bool):
        value = node.value
        wrong = value + 1 if isinstance(value, int) else value * 1.1 + (0.1 if value == 0 else 0)
        if drawn and value >= PIXELS:  # a pixel more is no fault of a drawing, a third more is
            wrong = round(value * 1.33)
        yield f"{value} to {wrong}", lambda at: setattr(at, "value", wrong)
    if isinstance(node, ast.Call):
        if isinstance(node.func, ast.Name) and node.func.id in NAMES:
            other = NAMES[node.func.id]
            yield f"{node.func.id} to {other}", lambda at: setattr(at.func, "id", other)
        plain = [a for a in node.args if not isinstance(a, ast.Starred | ast.Constant)]
        if (
            len(node.args) >= 2
            and len(plain) == len(node.args)
            and not (isinstance(node.func, ast.Name) and node.func.id in NAMES)  # of which the order says nothing
            and not (
                isinstance(node.func, ast.Attribute) and node.func.attr == "of"
            )  # parts and key of what is kept
            and ast.dump(node.args[0]) != ast.dump(node.args[1])
        ):
            yield "two arguments exchanged", _exchange


def _exchange(at: ast.AST) -> None:
    assert isinstance(at, ast.Call)
    at.args[0], at.args[1] = at.args[1], at.args[0]


def chosen(count: int, seed: int) -> list[Mutant]:
    """So many mutants, spread evenly over the rooms."""
    dice, found = random.Random(seed), []
    for k, room in enumerate(ROOMS):
        every = [m for file in sorted((ROOT / room).rglob("*.py")) for m in mutants_of(file)]
        found += dice.sample(every, count // len(ROOMS) + (k < count % len(ROOMS)))
    dice.shuffle(found)
    return found


Reached = dict[str, dict[int, list[str]]]
"""By file and line the tests that reach it."""


def reached() -> tuple[Reached, dict[str, float]]:
    """By file and line the tests that reach it, by one run under coverage with contexts; how long each takes."""
    with tempfile.TemporaryDirectory() as folder:
        data = Path(folder) / "reached"
        command = [
            sys.executable, "-m", "coverage", "run", f"--data-file={data}", "--branch",
            "-m", "pytest", "-q", "-p", "no:xdist",
            "-m", "not slow", "--durations=0", "-vv", *TESTS,
        ]  # fmt: skip
        config = Path(folder) / "rc"
        config.write_text("[run]\ndynamic_context = test_function\nsource = " + ",".join(ROOMS) + "\n")
        env = {**os.environ, "COVERAGE_RCFILE": str(config), "PYTHONPATH": str(ROOT)}
        said = subprocess.run(command, cwd=ROOT, env=env, check=False, stdout=subprocess.PIPE, text=True).stdout
        shown = Path(folder) / "shown.json"
        subprocess.run(
            [sys.executable, "-m", "coverage", "json", f"--data-file={data}", "--show-contexts", "-o", str(shown)],
            cwd=ROOT, env=env, check=True, stdout=subprocess.DEVNULL,
        )  # fmt: skip
        files = json.loads(shown.read_text())["files"]
    lasting: dict[str, float] = {}
    for seconds, test in re.findall(r"^([\d.]+)s (?:call|setup) +(\S+?)(?:\[.*)?$", said, re.MULTILINE):
        lasting[test] = lasting.get(test, 0.0) + float(seconds)
    return {
        name: {int(n): [c for c in contexts if c] for n, contexts in about["contexts"].items()}
        for name, about in files.items()
    }, lasting


def contexts_of(mutant: Mutant, lines: Reached) -> list[str]:
    """The tests that reach the changed line; of a constant those that reach a line on which its name stands."""
    found = lines.get(mutant.file, {}).get(mutant.line, [])
    if found:
        return found
    source = (ROOT / mutant.file).read_text(encoding="utf-8").splitlines()
    names = re.findall(r"\b([A-Z][A-Z_]{2,})\b", " ".join(source[max(0, mutant.line - 12) : mutant.line]))[-1:]
    for name in names:
        for file, reached_lines in lines.items():
            for n, text in enumerate((ROOT / file).read_text(encoding="utf-8").splitlines(), 1):
                if re.search(rf"\b{name}\b", text):
                    found = found + reached_lines.get(n, [])
    return found or [c for some in lines.get(mutant.file, {}).values() for c in some]


def tests_of(contexts: list[str], lasting: dict[str, float]) -> list[str]:
    """Contexts as the addresses of tests, those of the same function once, the quickest first."""
    found: set[str] = set()
    for context in contexts:
        module, _, function = context.rpartition(".")
        file = module.replace(".", "/") + ".py"
        if (ROOT / file).exists():
            found.add(f"{file}::{function}")
    return sorted(found, key=lambda t: (lasting.get(t, 0.0), t))


def within(tests: list[str], lasting: dict[str, float]) -> tuple[list[str], float]:
    """The tests that fit in the time a mutant is given, and how long they last without it."""
    taken, spent = [], 0.0
    for test in tests:
        if taken and spent + lasting.get(test, 0.0) > LONGEST:
            break
        taken.append(test)
        spent += lasting.get(test, 0.0)
    return taken, spent


def noticed(mutant: Mutant, reaching: list[str], lasting: dict[str, float], copies: "Copies") -> bool:
    """Whether any of the tests, or else the type checker, fails with the mutant in place."""
    if not reaching:
        return False
    tests, spent = within(reaching, lasting)
    place = copies.take()
    try:
        file = place / mutant.file
        kept = file.read_text(encoding="utf-8")
        file.write_text(mutant.source, encoding="utf-8")
        command = [
            sys.executable,
            "-m",
            "pytest",
            "-q",
            "-x",
            "-p",
            "no:xdist",
            "-p",
            "no:cacheprovider",
            "-m",
            "not slow",
            *tests,
        ]
        env = {**os.environ, "PYTHONPATH": str(place), "PYTHONDONTWRITEBYTECODE": "1"}
        try:
            done = subprocess.run(
                command,
                cwd=place,
                env=env,
                stdout=subprocess.DEVNULL,
                stderr=subprocess.DEVNULL,
                timeout=60.0 + SLOWER * spent,
                check=False,
            )
            return done.returncode != 0 or not typed(place)
        except subprocess.TimeoutExpired:
            return True
        finally:
            file.write_text(kept, encoding="utf-8")
    finally:
        copies.give(place)


def typed(place: Path) -> bool:
    """Whether the types still agree, as `make check` asks: they refuse most guards that are turned round."""
    command = [sys.executable, "-m", "mypy", "--no-error-summary"]
    done = subprocess.run(command, cwd=place, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL, check=False)
    return done.returncode == 0


class Copies:
    """Copies of the tree, one for each mutant tried at a time."""

    def __init__(self, folder: Path, count: int) -> None:
        self.free = []
        for i in range(count):
            place = folder / str(i)
            place.mkdir()
            for part in ("feder", "tests", "pyproject.toml", "docs", "scripts"):
                source = ROOT / part
                if source.is_dir():
                    shutil.copytree(source, place / part, ignore=shutil.ignore_patterns("__pycache__", "web"))
                else:
                    shutil.copy(source, place / part)
            self.free.append(place)

    def take(self) -> Path:
        return self.free.pop()

    def give(self, place: Path) -> None:
        self.free.append(place)


def main() -> int:
    asked = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    asked.add_argument("--count", type=int, default=200)
    asked.add_argument("--seed", type=int, default=random.SystemRandom().randrange(10**6))
    asked.add_argument("--at-once", type=int, default=2)
    asked.add_argument("--out", type=Path)
    told = asked.parse_args()
    begun = time.monotonic()
    mutants = chosen(told.count, told.seed)
    sys.stdout.write(f"{len(mutants)} mutants, seed {told.seed}; finding which tests reach which line\n")
    lines, lasting = reached()
    rest: list[Mutant] = []
    with tempfile.TemporaryDirectory() as folder:
        copies = Copies(Path(folder), told.at_once)

        def tried(mutant: Mutant) -> tuple[Mutant, bool]:
            return mutant, noticed(mutant, tests_of(contexts_of(mutant, lines), lasting), lasting, copies)

        with ThreadPoolExecutor(told.at_once) as pool:
            for n, (mutant, seen) in enumerate(pool.map(tried, mutants), 1):
                if not seen:
                    rest.append(mutant)
                    sys.stdout.write(f"{n:4d}  not noticed: {mutant.file}:{mutant.line}  {mutant.words}\n")
                    sys.stdout.flush()
    share = 1 - len(rest) / len(mutants)
    sys.stdout.write(
        f"{share:.1%} of {len(mutants)} noticed, seed {told.seed}, {time.monotonic() - begun:.0f} s\n"
    )
    if told.out:
        told.out.write_text(json.dumps([m.__dict__ | {"source": ""} for m in rest], indent=1))
    return 0


if __name__ == "__main__":
    raise SystemExit(main())
