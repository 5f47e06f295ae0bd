"""The words of the trade as Feder uses them: what each is, where it is measured, and what else it is called."""

import json
from dataclasses import dataclass
from functools import cache
from importlib import resources


@dataclass(frozen=True, slots=True)
class Term:
    """A word: what it means, where it is measured or what it follows from, and what else it is called."""

    word: str
    says: str
    where: str
    others: tuple[str, ...] = ()


@cache
def terms() -> tuple[Term, ...]:
    """Every term, in the order of the job; they lie beside this file as data."""
    told = json.loads(resources.files(__package__).joinpath("terms.json").read_text(encoding="utf-8"))
    return tuple(Term(t["word"], t["says"], t["where"], tuple(t["others"])) for t in told)
