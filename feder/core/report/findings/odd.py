"""Numbers that no vehicle has, typed or following from what was typed: told once for an end or for all corners."""

from collections.abc import Iterator

from feder.core.document.changes import Change, put
from feder.core.document.document import Document, StoodBy
from feder.core.report.doubts.check import Check, Seen
from feder.core.report.doubts.doubts import checks_of
from feder.core.report.findings.case import Case
from feder.core.report.shapes import Finding, Mend

SAME = 0.005
"""Share by which a number that is stood by may move and still be the same."""
FARTHEST = 1e12
"""Beyond this a number is as far off as can be said."""


def seen_by(case: Case) -> Seen:
    """What the checks look at, as the rules have it."""
    return Seen(case.document, case.facts, case.found or case.report, case.setup, case.report)


def odd_numbers(case: Case) -> Iterator[Finding]:
    """Each number out of the range that vehicles have, but for those that were looked at again and stood by."""
    groups: dict[tuple[str, str], list[Check]] = {}
    for check in checks_of(seen_by(case)):
        if check.amount > 0:
            groups.setdefault((check.key, check.text), []).append(check)
    for checks in groups.values():
        place, worst = shared(checks)
        if not stands(case.document, f"odd_{worst.key}", place, worst.value):
            yield odd(case.document, worst, place)


def shared(checks: list[Check]) -> tuple[str, Check]:
    """The place that checks of one kind have together, and the worst of them."""
    worst = max(checks, key=lambda c: c.amount)
    places = {c.place for c in checks}
    ends = {p.split("_")[0] for p in places}
    return (worst.place if len(places) == 1 else next(iter(ends)) if len(ends) == 1 else "vehicle"), worst


def odd(document: Document, check: Check, place: str) -> Finding:
    """A check out of its range as a finding."""
    rule = f"odd_{check.key}"
    text, numbers = check.told()
    return Finding(
        rule=rule,
        grade=check.grade,
        place=place,
        station=check.station,
        text=text,
        numbers=numbers,
        reason=check.reason,
        mend=Mend(text="Look at it again, and at its unit"),
        stand_by=[standing_by(document, (rule, place, check.value))],
    )


def standing_by(document: Document, *rows: tuple[str, str, float]) -> Change:
    """The change that says of some numbers, by rule and place: they were looked at again, and they are so."""
    made = {
        (rule, place): StoodBy(rule=rule, place=place, value=max(-FARTHEST, min(value, FARTHEST)))
        for rule, place, value in rows
    }
    kept = [s for s in document.stood_by if (s.rule, s.place) not in made]
    return put(["stood_by"], [s.model_dump(mode="json") for s in (*kept, *made.values())])


def stands(document: Document, rule: str, place: str, value: float) -> bool:
    """Whether a number was looked at again and stands."""
    return any(
        s.rule == rule and s.place == place and abs(value - s.value) <= SAME * abs(s.value) + 1e-9
        for s in document.stood_by
    )
