"""What Feder refuses: every error has one root, with a code for machines and one sentence for people."""

from collections.abc import Sequence
from typing import ClassVar

Fault = dict[str, str]
"""One of several faults: ``place`` and ``message``."""


class FederError(Exception):
    """The root. `key` names what is at fault, `message` is one sentence, `faults` all where there are more."""

    code: ClassVar[str] = "refused"

    def __init__(self, message: str, *, key: str = "request", faults: Sequence[Fault] = ()) -> None:
        super().__init__(message)
        self.key, self.message, self.faults = key, message, list(faults)


class OutOfRange(FederError, ValueError):
    """An input lies outside the range in which a formula holds.

    `key` is the name of the input, `value` what was given, `rule` one clause that says what holds.
    """

    code = "out of range"

    def __init__(self, key: str, value: object, rule: str) -> None:
        super().__init__(f"{key}: {rule}", key=key)
        self.value, self.rule = value, rule


class NoEquilibrium(FederError, ValueError):
    """The vehicle cannot stand: no position of the body balances its load."""

    code = "no equilibrium"

    def __init__(self, message: str) -> None:
        super().__init__(message, key="setup")


class UnknownSetup(FederError, LookupError):
    """A setup or load state was asked for that the document does not hold."""

    code = "unknown setup"

    def __init__(self, message: str) -> None:
        super().__init__(message, key="setup")


class NoFigure(FederError, KeyError):
    """A report has no figure at the path asked about."""

    code = "no figure"

    def __init__(self, path: str, key: str = "path") -> None:
        super().__init__(f"{key}: the report has no figure at {path}", key=key)

    def __str__(self) -> str:
        return self.message


class BadFile(FederError, ValueError):
    """A file that is refused whole: every fault with its place, the first one in the sentence."""

    code = "bad file"

    def __init__(self, faults: Sequence[Fault]) -> None:
        super().__init__(f"{faults[0]['place']}: {faults[0]['message']}", key=faults[0]["place"], faults=faults)
