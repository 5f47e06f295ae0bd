"""What is looked for: every rule with its words and its reason, read off the rules themselves, and every usual range."""

import ast
from collections.abc import Iterator
from functools import lru_cache
from importlib.util import find_spec
from pathlib import Path
from pkgutil import iter_modules

from feder.core.causes.words import HOW, MISTAKES
from feder.core.practice import plausible
from feder.core.practice.plausible import Range
from feder.core.report.shapes import Shape

FOLDERS = ("feder.core.report.findings", "feder.core.report.doubts")
TOLD_BY = ("Finding", "Against", "beside", "_hub_finding")


class Watched(Shape):
    """One rule: its name, how grave, at which station, what it says (dots for its numbers) and why."""

    rule: str
    kind: str
    """finding: speaks against something; odd: a number out of its range; cause: a mistake that is looked for."""
    grades: list[str]
    station: str
    says: str
    reason: str


class UsualRange(Shape):
    """A usual range, in SI: of what, of which kind, and where it is from."""

    quantity: str
    of: str
    low: float
    high: float
    unit: str
    share: bool
    source: str


@lru_cache(maxsize=1)
def watched() -> tuple[Watched, ...]:
    """Every rule, by station and name."""
    found = {
        rule: Watched(rule=rule, kind="cause", grades=["stop", "look"], station="survey", says=says, reason=HOW)
        for rule, says in MISTAKES.items()
    }
    for folder in FOLDERS:
        for file in _sources(folder):
            for made in _in_file(ast.parse(file.read_text(encoding="utf-8"))):
                found.setdefault(made.rule, made)
    return tuple(sorted(found.values(), key=lambda w: (w.station, w.kind, w.rule)))


@lru_cache(maxsize=1)
def usual_ranges() -> tuple[UsualRange, ...]:
    """Every range that numbers are held against."""
    made = []
    for name, value in vars(plausible).items():
        ranges = [value] if isinstance(value, Range) else list(value.values()) if isinstance(value, dict) else []
        for r in ranges:
            if isinstance(r, Range):
                words = name.lower().replace("_", " ")
                made.append(
                    UsualRange(
                        quantity=words,
                        of=r.of,
                        low=r.low,
                        high=r.high,
                        unit=r.unit,
                        share=r.share,
                        source=r.source,
                    )
                )
    return tuple(made)


def _sources(folder: str) -> Iterator[Path]:
    spec = find_spec(folder)
    for base in () if spec is None else spec.submodule_search_locations or ():
        for module in iter_modules([base]):
            yield Path(base) / f"{module.name}.py"


def _in_file(tree: ast.Module) -> Iterator[Watched]:
    constants: dict[str, ast.expr] = {}
    for node in ast.walk(tree):
        if isinstance(node, ast.Assign | ast.AnnAssign) and node.value is not None:
            for target in node.targets if isinstance(node, ast.Assign) else [node.target]:
                if isinstance(target, ast.Name):
                    constants.setdefault(target.id, node.value)
        if (
            isinstance(node, ast.AugAssign)
            and isinstance(node.target, ast.Name)
            and isinstance(node.value, ast.List)
        ):
            rows = constants.get(node.target.id)
            if isinstance(rows, ast.List):
                rows.elts.extend(node.value.elts)
    for node in ast.walk(tree):
        if isinstance(node, ast.For) and isinstance(node.target, ast.Tuple):
            _of_a_loop(node.target, node.iter, constants)
        if isinstance(node, ast.FunctionDef):
            given = [n.value for n in ast.walk(node) if isinstance(n, ast.Return) and n.value is not None]
            if given:
                constants.setdefault(node.name, given[-1])
    for node in ast.walk(tree):
        if isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.func.id in TOLD_BY:
            told = {k.arg: k.value for k in node.keywords if k.arg}
            odd = node.func.id in ("beside", "Check")
            names = _names(told.get("key" if odd else "rule"), constants)
            for name in names:
                if not name.isidentifier():
                    continue
                says = _words(told.get("text"), constants)
                yield Watched(
                    rule=f"odd_{name}" if odd else name,
                    kind="odd" if odd else "finding",
                    grades=[g for g in _words(told.get("grade"), constants) if g in ("stop", "look", "note")]
                    or ["look"],
                    station=next(iter(_words(told.get("station"), constants)), "survey"),
                    says=" / ".join(dict.fromkeys(says)),
                    reason=" ".join(_apart(_words(told.get("reason"), constants))),
                )


def _apart(texts: list[str]) -> list[str]:
    """Alternatives that say something of their own: not the beginning of another one, and no dots left over."""
    kept = [t for t in dict.fromkeys(texts) if not any(o != t and o.startswith(t) for o in texts)]
    return [t.removesuffix("…").strip() for t in kept if t.strip("… .")]


def _of_a_loop(target: ast.Tuple, over: ast.expr, constants: dict[str, ast.expr]) -> None:
    """Names that a loop over written rows gives, each with what stands in its column."""
    rows = constants.get(over.id, over) if isinstance(over, ast.Name) else over
    if not isinstance(rows, ast.Tuple | ast.List):
        return
    for i, name in enumerate(target.elts):
        column = [r.elts[i] for r in rows.elts if isinstance(r, ast.Tuple) and len(r.elts) > i]
        if isinstance(name, ast.Name) and column:
            before = constants.get(name.id)
            known = before.elts if isinstance(before, ast.List) else []
            constants[name.id] = ast.List(elts=[*known, *column], ctx=ast.Load())


def _names(node: ast.expr | None, constants: dict[str, ast.expr]) -> list[str]:
    """The names that a rule may have: one put together takes each of its parts in turn."""
    if not isinstance(node, ast.JoinedStr):
        return _words(node, constants)
    made = [""]
    for part in node.values:
        texts = _words(part.value if isinstance(part, ast.FormattedValue) else part, constants)
        made = [before + text for before in made for text in texts]
    return made


def _words(node: ast.expr | None, constants: dict[str, ast.expr]) -> list[str]:
    """The texts that an expression may be: alternatives apart, parts of one joined, numbers as dots."""
    match node:
        case ast.Constant(value=str() as text):
            return [_dotted(text)]
        case ast.JoinedStr(values=parts):
            return [_dotted("".join(p.value if isinstance(p, ast.Constant) else "…" for p in parts))]  # type: ignore[misc]
        case ast.List(elts=those):
            return [words for one in those for words in _words(one, constants)]
        case ast.IfExp(body=one, orelse=two):
            return _words(one, constants) + _words(two, constants)
        case ast.BinOp(left=one, op=ast.Add(), right=two):
            return [a + b for a in _words(one, constants) or [""] for b in _words(two, constants) or [""]]
        case ast.Name(id=name) if name in constants:
            return _words(constants[name], {k: v for k, v in constants.items() if k != name})
        case ast.Call(func=ast.Name(id=name)) if name in constants:
            return _words(constants[name], {k: v for k, v in constants.items() if k != name})
    return []


def _dotted(text: str) -> str:
    """A text with its numbers as dots."""
    made, depth = [], 0
    for letter in text:
        if letter == "{":
            depth += 1
            made.append("…")
        elif letter == "}":
            depth -= 1
        elif not depth:
            made.append(letter)
    return "".join(made)
