"""The calc contract on a terminal: one call, a stream of JSON lines, or the list of functions."""

import json
from collections.abc import Iterable, Iterator, Sequence
from typing import Any, TextIO

from feder.calc.answer import answer, listing
from feder.calc.refusal import CalcError

LONGEST_LINE = 1_000_000


def run(arguments: Sequence[str], stdin: TextIO, stdout: TextIO, stderr: TextIO) -> int:
    """`feder calc NAME key=value ...`, `feder calc -`, `feder calc --list`. Returns the exit code."""
    if not arguments or arguments[0] in ("-h", "--help"):
        stdout.write("feder calc NAME key=value ...   |   feder calc -   |   feder calc --list\n")
        return 0
    if arguments[0] == "--list":
        for name, entry in listing().items():
            stdout.write(_listed(name, entry))
        return 0
    if arguments[0] == "-":
        for reply in replies(stdin):
            stdout.write(json.dumps(reply, ensure_ascii=False) + "\n")
            stdout.flush()
        return 0
    try:
        given = _pairs(arguments[1:])
        stdout.write(json.dumps(answer(arguments[0], given), ensure_ascii=False, indent=2) + "\n")
    except CalcError as error:
        stderr.write(error.message.replace("\n", " ") + "\n")
        return 2
    return 0


def replies(lines: Iterable[str]) -> Iterator[dict[str, Any]]:
    """One answer for each line of JSON; a refused line is answered with its error, and the rest go on."""
    for line in lines:
        if not line.strip():
            continue
        try:
            yield _reply(line)
        except CalcError as error:
            yield {"error": error.as_dict()}


def _reply(line: str) -> dict[str, Any]:
    if len(line) > LONGEST_LINE:
        raise CalcError("line", "is too long")
    try:
        asked = json.loads(line)
    except (ValueError, RecursionError):
        raise CalcError("line", "is not JSON") from None
    if not isinstance(asked, dict) or not isinstance(asked.get("name"), str):
        raise CalcError("name", 'is missing; write {"name": ..., "inputs": {...}}')
    inputs = asked.get("inputs", {})
    if not isinstance(inputs, dict):
        raise CalcError("inputs", "must be an object of keys and values")
    return answer(asked["name"], inputs)


def _pairs(arguments: Sequence[str]) -> dict[str, object]:
    given: dict[str, object] = {}
    for argument in arguments:
        key, equals, value = argument.partition("=")
        if not equals:
            raise CalcError(argument, "write key=value")
        if key in given:
            raise CalcError(key, "is given twice")
        given[key] = _typed(key, value)
    return given


def _typed(key: str, value: str) -> object:
    if not value.lstrip().startswith(("[", "{")):
        return value
    try:
        return json.loads(value)
    except (ValueError, RecursionError):
        inner = value.strip()[1:-1]
        if value.strip().endswith("]") and not set(inner) & set('[]{}"'):
            return [member.strip() for member in inner.split(",")]  # [308 kg, 298 kg], as a shell leaves it
        raise CalcError(key, "is not a JSON list") from None


def _listed(name: str, entry: dict[str, Any]) -> str:
    rows = [f"{name}   {entry['does']}"]
    for key, about in entry["inputs"].items():
        need = (
            "needed"
            if about["required"]
            else f"default {about['default']}"
            if about["default"] is not None
            else "optional"
        )
        rows.append(f"    {key} [{about['unit'] or 'ratio'}] {need}")
    results = ", ".join(f"{key} [{unit or 'ratio'}]" for key, unit in entry["results"].items())
    return "\n".join([*rows, f"    -> {results}", ""])
