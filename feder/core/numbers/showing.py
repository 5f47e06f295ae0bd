"""The working of a number as text: its formula replayed from the function's own syntax tree, numbers put in."""

import ast
import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Any

from feder.core.numbers.nomenclature import symbol as symbol_of
from feder.core.numbers.working import Combined, Formula, Given, Num, Solution, name_of, unit_of


class UnshowableFormula(TypeError):
    """A formula's body holds a statement that its working cannot show."""


@dataclass(frozen=True, slots=True)
class Line:
    """One line of working: ``symbol = formula = substituted = value unit``."""

    symbol: str
    formula: str
    substituted: str
    value: float
    unit: str
    source: str


Show = Callable[[float, str], str]


def lines_of(number: Num, show: Show | None = None) -> list[Line]:
    """The working of one number: its formula replayed, or its equation, or where it was given."""
    show = show or shown
    step = number.step
    if isinstance(step, Given):
        return [Line(step.label, "", "", float(number), step.unit, step.source)]
    if isinstance(step, Combined):
        operands = list(step.inputs.values())
        named = _combined(step.sign, [name_of(v) for v in operands])
        put_in = _combined(step.sign, [show(v, unit_of(v)) for v in operands])
        return [Line(symbol_of(step.name), named, put_in, float(number), step.unit, "plain arithmetic")]
    if isinstance(step, Solution):
        put_in = ", ".join(f"{k} {show(v, unit_of(v))}" for k, v in step.inputs.items())
        note = f"{step.source}; residual {step.residual:.1e} {step.residual_unit}"
        return [Line(symbol_of(step.name), step.equation, put_in, float(number), step.unit, note)]
    scope = {k: float(v) if isinstance(v, Num) else v for k, v in step.inputs.items()}
    lines = list(_replay(step.formula, step.formula.body, scope, show))
    if lines[-1].value != float(number):
        raise UnshowableFormula(f"{step.formula.name} is not a pure function of its inputs")
    return lines


def _combined(sign: str, operands: list[str]) -> str:
    """One or two operands with the sign of what was done with them."""
    return f" {sign} ".join(operands) if len(operands) == 2 else f"{sign} {operands[0]}"


def _replay(record: Formula, body: list[ast.stmt], scope: dict[str, Any], show: Show) -> Iterator[Line]:
    def evaluate(expression: ast.expr) -> Any:
        code = compile(ast.Expression(expression), record.name, "eval")
        return eval(code, record.function.__globals__, scope)

    def texts(expression: ast.expr) -> tuple[str, str]:
        return _texts(record, expression, scope, show)

    for statement in body:
        match statement:
            case ast.Expr() | ast.Raise():
                continue
            case ast.If(test=test, body=then, orelse=otherwise):
                taken = list(_replay(record, then if evaluate(test) else otherwise, scope, show))
                yield from taken
                if "return" in scope:
                    return
            case ast.AnnAssign(target=ast.Name(id=name), annotation=kind, value=ast.expr() as expression):
                scope[name] = evaluate(expression)
                unit = record.units[name] = evaluate(kind).__metadata__[0].text
                yield Line(symbol_of(name), *texts(expression), scope[name], unit, record.source)
            case ast.Return(value=expression) if expression is not None:
                value = scope["return"] = evaluate(expression)
                unit = record.units.get("return", "")
                yield Line(record.symbol, *texts(expression), value, unit, record.source)
                return
            case _:
                what = type(statement).__name__.lower()
                raise UnshowableFormula(f"{record.name}: cannot show a {what} statement")


def expressions(record: Formula) -> list[tuple[str, str]]:
    """Symbol and expression of each assignment and result of a formula, for reading; every branch is told."""
    found: list[tuple[str, str]] = []

    def tell(body: list[ast.stmt]) -> None:
        for statement in body:
            match statement:
                case ast.If(body=then, orelse=otherwise):
                    tell(then)
                    tell(otherwise)
                case ast.AnnAssign(target=ast.Name(id=name), value=ast.expr() as expression):
                    found.append((symbol_of(name), _symbols(expression)))
                case ast.Return(value=expression) if expression is not None:
                    found.append((record.symbol, _symbols(expression)))
                case _:
                    pass

    tell(record.body)
    return found


def _symbols(expression: ast.expr) -> str:
    fresh = ast.parse(ast.unparse(expression), mode="eval").body
    return _typeset(ast.unparse(_Rename(lambda name: symbol_of({"G": "g"}.get(name, name))).visit(fresh)))


class _Rename(ast.NodeTransformer):
    """Replace each quantity in an expression by the text chosen for it."""

    def __init__(self, text: Callable[[str], str]) -> None:
        self.text = text

    def visit_Name(self, node: ast.Name) -> ast.Name:
        return ast.Name(self.text(node.id))


def _texts(record: Formula, expression: ast.expr, scope: dict[str, Any], show: Show) -> tuple[str, str]:
    def letter(name: str) -> str:
        return symbol_of({"G": "g"}.get(name, name) if name not in scope else name)

    def put_in(name: str) -> str:
        if name not in scope:
            return letter(name)
        text = show(scope[name], record.units.get(name, ""))
        return f"({text})" if " " in text or scope[name] < 0 else text

    def render(text: Callable[[str], str]) -> str:
        fresh = ast.parse(ast.unparse(expression), mode="eval").body
        return _typeset(ast.unparse(_Rename(text).visit(fresh)))

    return render(letter), render(put_in)


def _typeset(python: str) -> str:
    text = re.sub(r"\b(?:math\.)?sqrt\b", "√", python)
    text = re.sub(r" \*\* (\d)", lambda m: "⁰¹²³⁴⁵⁶⁷⁸⁹"[int(m[1])], text)
    return text.replace(" * ", "·").replace("-", "−")


def shown(value: float, unit: str) -> str:
    """A number to five significant figures with its unit."""
    text = f"{value:.5g}" if abs(value) < 1e5 else f"{value:.6g}"
    return f"{text} {unit}".rstrip()
