"""Find the mistake: each guess is tried on the document, and the one that makes most agree again is the cause."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from typing import Any

from feder.core.causes.cycle import of_cycle
from feder.core.causes.evidence import FAMILIES, FOLLOWS, Evidence, Key, end_of, evidence_of
from feder.core.causes.guess import Guess, Path, Typed
from feder.core.causes.heights import of_heights
from feder.core.causes.lengths import of_lengths
from feder.core.causes.masses import of_masses
from feder.core.causes.ratios import of_ratios
from feder.core.causes.torsion import of_torsion
from feder.core.causes.units import of_units
from feder.core.document.changes import patched
from feder.core.document.document import Document, LoadState
from feder.core.numbers.errors import FederError
from feder.core.report.findings.odd import stands
from feder.core.standing.facts import parts_as_found, setup_of
from feder.core.standing.kept import Kept

GUESSES: tuple[Callable[[Typed], Iterator[Guess]], ...] = (
    of_units,
    of_ratios,
    of_masses,
    of_heights,
    of_lengths,
    of_torsion,
    of_cycle,
)
NEW_COUNTS = 2.0
"""What a guess makes odd counts so much more than what it mends."""
MIDDLE_COUNTS = 0.25
"""Between guesses that mend alike, the one that brings the numbers nearer to the usual."""
LEAST_GAIN = 0.8
NEAR = 0.3
"""Guesses so near the best one are told beside it."""
MOST_CAUSES = 3
WHOLE = 0.97
"""Share of all that looks wrong from which a guess explains it whole."""
BESIDE = 0.05
"""Once one explains it whole, only guesses about as common, or of the same numbers, are still tried."""
MOST_TRIED = 45
DIRECT = 0.5
"""How much sooner a guess is tried that is about a number that looks odd itself."""
COVERS = 1.0
"""The same for one that could explain all that looks wrong."""


@dataclass(frozen=True, slots=True)
class Found:
    """A guess that explains: the document before and after it is mended, and guesses that explain about as much."""

    guess: Guess
    before: Document
    after: Document
    others: tuple[Guess, ...] = ()


def causes(
    document: Document, setup: str, load: LoadState | None = None, only: Sequence[Path] | None = None
) -> list[Found]:
    """The mistakes that explain what looks wrong, each looked for with those before it mended.

    First as found, which everything rests on; then in the setup in hand. `only` keeps to guesses about some members of
    the document: those just typed. Raises what `evaluate` raises.
    """
    first = document.setups[0].id
    if setup == first:
        return _looked_for(document, first, load, only, [])
    # what is wrong as found stays so while a plan is changed: it is looked for once
    parts = (*parts_as_found(document), document.stood_by)
    made = _AS_FOUND.of(parts, (), lambda: _looked_for(document, first, None, None, [])) if only is None else None
    as_found = _looked_for(document, first, None, only, []) if made is None else _again(document, made)
    now = as_found[-1].after if as_found else document
    return _looked_for(now, setup, load, only, as_found)


_AS_FOUND: Kept[list["Found"]] = Kept()


def _again(document: Document, found: list["Found"]) -> list["Found"]:
    """The same mistakes in a document whose later setups are others."""
    made: list[Found] = []
    for one in found:
        after = patched(document, document.model_dump(mode="json"), one.guess.change)[0]
        made.append(Found(one.guess, document, after, one.others))
        document = after
    return made


def _looked_for(
    now: Document, setup: str, load: LoadState | None, only: Sequence[Path] | None, before: list["Found"]
) -> list["Found"]:
    """Mistakes in a setup, with those found before."""
    found, evidence = list(before), evidence_of(now, setup, load)
    while len(found) < MOST_CAUSES and evidence.asks:
        best = _best(now, now.model_dump(mode="json"), setup, load, evidence, only)
        if best is None:
            break
        made, evidence = best
        found.append(made)
        now = made.after
    return found


def _best(
    document: Document,
    plain: dict[str, Any],
    setup: str,
    load: LoadState | None,
    before: Evidence,
    only: Sequence[Path] | None,
) -> tuple[Found, Evidence] | None:
    """The guess that mends most, if any mends enough, and what looks wrong after it."""
    tried: list[tuple[float, Guess, Evidence, Document]] = []
    whole: Guess | None = None
    for guess in _worth_trying(document, setup, before, only):
        if whole is not None and guess.cost > whole.cost + BESIDE and not set(guess.paths) & set(whole.paths):
            continue
        try:
            made, _ = patched(document, plain, guess.change)
            after = evidence_of(made, setup, load)
        except FederError:
            continue
        gain = gained(before.weights, after.weights)
        if gain < max(LEAST_GAIN, guess.asks) or not _mends_itself(before.weights, after.weights):
            continue
        likely = gain - guess.cost - MIDDLE_COUNTS * (after.off_middle - before.off_middle)
        tried.append((likely, guess, after, made))
        if gain >= WHOLE * before.total and (whole is None or guess.cost < whole.cost):
            whole = guess
    if not tried:
        return None
    tried.sort(key=lambda t: -t[0])
    best, guess, after, made = tried[0]
    others = tuple(g for value, g, _, _ in tried[1:] if value > best - NEAR and g.paths == guess.paths)
    return Found(guess, document, made, others[:2]), after


def _worth_trying(document: Document, setup: str, before: Evidence, only: Sequence[Path] | None) -> list[Guess]:
    """Guesses that could explain, each change once; those about odd numbers first, then the commonest."""
    odd = {path for c in before.checks if c.amount > 0 for path in c.paths}
    kept: dict[tuple[str, ...], Guess] = {}
    for guess in guesses(Typed(document, setup_of(document, setup))):
        if only is not None and not within_any(guess.paths, only):
            continue
        if not _may_explain(guess, before) or stands(document, "cause", guess.pointer(), guess.value):
            continue
        kept.setdefault(tuple(f"{c.path}={c.value}" for c in guess.change), guess)

    def order(guess: Guess) -> float:
        direct = within_any(guess.paths, tuple(odd))
        return guess.cost - (DIRECT if direct else 0.0) - COVERS * _covered(guess, before)

    return sorted(kept.values(), key=order)[:MOST_TRIED]


def _covered(guess: Guess, before: Evidence) -> float:
    """Share of what looks wrong that such a guess could explain, by its kind and its end."""
    end, family = end_of(guess.place), FAMILIES[guess.family]
    meant = (
        w for (rule, at), w in before.weights.items() if rule in family and (at == end or "vehicle" in (at, end))
    )
    return sum(meant) / before.total


def _may_explain(guess: Guess, before: Evidence) -> bool:
    """Whether a guess is worth trying: it could show like this, at this end, and leads odd numbers towards their range."""
    if not _covered(guess, before):
        return False
    end = end_of(guess.place)
    if guess.factor is None:
        return True
    kind, factor = guess.factor
    odd = [c for c in before.checks if c.amount > 0 and end in (end_of(c.place), "vehicle")]
    return all(c.scaled(kind, factor) for c in odd)


def guesses(typed: Typed) -> Iterator[Guess]:
    """Every mistake that is thought of, in the order of the files."""
    for source in GUESSES:
        yield from source(typed)


def gained(before: dict[Key, float], after: dict[Key, float]) -> float:
    """Weight of what no longer looks wrong, less that of what newly does."""
    mended = sum(max(weight - after.get(key, 0.0), 0.0) for key, weight in before.items())
    new = sum(max(weight - before.get(key, 0.0), 0.0) for key, weight in after.items())
    return mended - NEW_COUNTS * new


def _mends_itself(before: dict[Key, float], after: dict[Key, float]) -> bool:
    """Whether something goes that tells of a mistake by itself, not only what follows from heights and springs chosen."""
    return any(w - after.get(key, 0.0) > LEAST_GAIN for key, w in before.items() if key[0] not in FOLLOWS)


def within_any(paths: Sequence[Path], others: Sequence[Path]) -> bool:
    """Whether a place lies within another one, or holds it."""
    return any(path[: len(o)] == o or o[: len(path)] == path for path in paths for o in others)
