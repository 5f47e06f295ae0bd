"""Causes as they are told: the mistake, what agrees once it is mended, and which findings only follow from it."""

from collections.abc import Sequence

from feder.core.causes.evidence import Evidence, end_of, evidence_of
from feder.core.causes.guess import Guess, Path
from feder.core.causes.judge import Found, causes, within_any
from feder.core.document.changes import Change, patched
from feder.core.document.document import Document, LoadState
from feder.core.numbers.errors import FederError, UnknownSetup
from feder.core.numbers.working import untraced
from feder.core.report.doubts.check import Check
from feder.core.report.evaluate import judged_case
from feder.core.report.findings.odd import standing_by
from feder.core.report.findings.rules import findings_of
from feder.core.report.shapes import Figure, Finding, Grade, Mend, Shape

_DAMPS = (
    "rebound_over_bump",
    "clicks_not_measured",
    "under_damped",
    "over_damped",
    "damper_out_of_reach",
    "hop_damping",
)
EXPLAINS: dict[str, tuple[str, ...]] = {
    "clicks_past_range": (*_DAMPS, "knob_left_alone", "locked_knob", "clicks_unlike"),
    "clicks_other_end": (*_DAMPS, "clicks_unlike"),
    "clicks_from_both_ends": (*_DAMPS, "clicks_unlike"),
    "unequal_collars": ("cross_moved", "heights_off_plane", "seat_disagrees"),
    "unlike_sides": ("cross_moved", "heights_off_plane", "unequal_collars"),
    "level_not_zeroed": ("plate_reads_otherwise", "arms_apart"),
    "no_damper_curve": _DAMPS,
    "worn_damper": _DAMPS,
    "mount_to_be_asked": ("converted",),
    "points_no_table": ("past_its_points",),
}
"""Findings that are causes themselves, and those at the same end that may only follow from them."""
MOST_AGREE = 3
ORDER: dict[Grade, int] = {"stop": 0, "look": 1, "note": 2}
REASON = "Taken back:"
NOTHING_MORE = "Taken back, what follows from it goes too."
NO_NUMBER = "Were it as the others have it, what follows from it would go."


class Agrees(Shape):
    """A number that was odd and is not once the mistake is taken back."""

    text: str
    numbers: dict[str, Figure]


class Offer(Shape):
    """One way to take it back, at once: words with their numbers, and the change."""

    text: str
    numbers: dict[str, Figure]
    patch: list[Change]


class Follows(Shape):
    """A finding that only follows from the cause, by its rule and place."""

    rule: str
    place: str


class Mistake(Shape):
    """The mistake as a finding of its own, bearing the worst grade of what it explains."""

    finding: Finding
    agrees: list[Agrees]
    explains: list[Follows]
    stays: int
    """How many stops and looks stay once it is taken back."""
    others: list[Offer]
    """Other mistakes that would explain as much."""


class UnderLoad(Shape):
    """What stops a setup under a load, told in every view with the load's name."""

    load: str
    name: str
    findings: list[Finding]


class Judgement(Shape):
    causes: list[Mistake]
    tried: list[Follows]
    """Findings whose mend by one tap was tried: it mends them, and raises nothing as grave."""
    under_loads: list[UnderLoad]


def judgement(document: Document, setup: str, load_state: str | None = None) -> Judgement:
    """The causes of what is found in a setup, and what its load states stop. Raises what `evaluate` raises."""
    load = _load(document, load_state)
    shown = [_cause(document, found, setup, load) for found in causes(document, setup, load)]
    follows = {(f.rule, f.place) for c in shown for f in c.explains}
    with untraced():
        told = findings_of(judged_case(document, setup, load_state))
    tried = _tried(document, setup, load, told)
    shown += _by_themselves([f for f in told if (f.rule, f.place) not in follows], tried)
    shown.sort(key=lambda c: ORDER[c.finding.grade])
    return Judgement(causes=shown, tried=tried, under_loads=_under_loads(document, setup, load))


def _tried(document: Document, setup: str, load: LoadState | None, findings: Sequence[Finding]) -> list[Follows]:
    """Findings whose patch mends them and raises nothing as grave as they are."""
    made = []
    for finding in findings:
        at = (finding.rule, end_of(finding.place))
        if finding.mend.patch and _harmless(
            document, setup, load, findings, finding.mend.patch, finding.grade, at
        ):
            made.append(Follows(rule=finding.rule, place=finding.place))
    return made


def _harmless(
    document: Document,
    setup: str,
    load: LoadState | None,
    findings: Sequence[Finding],
    patch: Sequence[Change],
    grade: Grade,
    mends: tuple[str, str] | None = None,
) -> bool:
    """Whether a change raises nothing that was not told before and is as grave as what it mends, and does mend that."""
    known: dict[tuple[str, str], int] = {}
    for f in findings:
        at = (f.rule, end_of(f.place))
        known[at] = min(known.get(at, len(ORDER)), ORDER[f.grade])
    try:
        mended = patched(document, document.model_dump(mode="json"), patch)[0]
        with untraced():
            after = findings_of(judged_case(mended, setup, None if load is None else load.id, strips=False))
    except FederError:
        return False
    return not any(
        (f.rule, end_of(f.place)) == mends
        or (ORDER[f.grade] <= ORDER[grade] and ORDER[f.grade] < known.get((f.rule, end_of(f.place)), len(ORDER)))
        for f in after
    )


def _by_themselves(findings: Sequence[Finding], tried: Sequence[Follows]) -> list[Mistake]:
    """Findings that are causes themselves, with those that may only follow from them."""
    made, at_once = [], {(t.rule, t.place) for t in tried}
    taken: set[tuple[str, str]] = set()
    for finding in findings:
        rules, end = EXPLAINS.get(finding.rule, ()), end_of(finding.place)
        after = [
            f
            for f in findings
            if f.rule in rules and (end_of(f.place) in (end, "vehicle") or end == "vehicle")
            if (f.rule, f.place) not in taken
        ]
        if finding.grade == "note" or not after or (finding.rule, finding.place) in taken:
            continue
        taken |= {(f.rule, f.place) for f in after}
        worst = min((f.grade for f in (finding, *after)), key=lambda g: ORDER[g])
        made.append(
            Mistake(
                finding=finding.but(grade=worst)
                if (finding.rule, finding.place) in at_once
                else finding.but(grade=worst, mend=finding.mend.but(patch=None)),
                agrees=[],
                explains=[
                    Follows(rule=finding.rule, place=finding.place),
                    *(Follows(rule=f.rule, place=f.place) for f in after),
                ],
                stays=sum(f.grade != "note" for f in findings) - 1 - sum(f.grade != "note" for f in after),
                others=[],
            )
        )
    return made


def _load(document: Document, load_state: str | None) -> LoadState | None:
    if load_state is None:
        return None
    for state in document.loads:
        if state.id == load_state:
            return state
    raise UnknownSetup(f"there is no load state {load_state!r}")


def _cause(document: Document, found: Found, setup: str, load: LoadState | None) -> Mistake:
    guess = found.guess
    before, after = evidence_of(found.before, setup, load), evidence_of(found.after, setup, load)
    explained = _explained(before, after)
    gone = [c for c in before.checks if c.amount > 0 and not _still(c, after)]
    agrees = _agreeing(gone, after)
    grade = _worst(explained)
    now = before.findings if found.before is document else evidence_of(document, setup, load).findings
    ways = [
        g for g in (guess, *found.others) if g.offered and _harmless(document, setup, load, now, g.change, grade)
    ]
    taken_back = guess in ways
    finding = Finding(
        rule=guess.rule,
        grade=grade,
        place=guess.place,
        station=guess.station,
        text=guess.text,
        numbers=guess.numbers,
        reason=(REASON if agrees else NOTHING_MORE) if guess.offered else NO_NUMBER,
        mend=Mend(text=guess.act, patch=list(guess.change) if taken_back else None),
        stand_by=[_standing_by(document, guess, before)],
        about=None,
    )
    return Mistake(
        finding=finding,
        agrees=agrees,
        explains=[Follows(rule=f.rule, place=f.place) for f in explained],
        stays=sum(f.grade != "note" for f in after.findings),
        others=[_offer(g) for g in ways if g is not guess],
    )


def _worst(explained: Sequence[Finding]) -> Grade:
    """The worst grade of what a cause explains; a mistake is no note."""
    return "stop" if any(f.grade == "stop" for f in explained) else "look"


def _standing_by(document: Document, guess: Guess, before: Evidence) -> Change:
    """What says that the number is so: of the cause, and of what is odd in that number itself."""
    odd = [f for f in before.findings if f.rule.startswith("odd_")]
    own = [c for c in before.checks if c.amount > 0 and within_any(c.paths, guess.paths)]
    # of left and right the finding tells the worse
    direct = {f"odd_{c.key}": c.value for c in sorted(own, key=lambda c: c.amount)}
    rows = [(f.rule, f.place, direct[f.rule]) for f in odd if f.rule in direct]
    return standing_by(document, ("cause", guess.pointer(), guess.value), *rows)


def _offer(guess: Guess) -> Offer:
    return Offer(text=guess.short or guess.act, numbers=guess.numbers, patch=list(guess.change))


def _explained(before: Evidence, after: Evidence) -> list[Finding]:
    """Findings that are gone once the mistake is taken back."""
    left = {(f.rule, f.place) for f in after.findings}
    return [f for f in before.findings if (f.rule, f.place) not in left]


def _still(check: Check, after: Evidence) -> bool:
    return any(c.amount > 0 and (c.key, c.place) == (check.key, check.place) for c in after.checks)


def _agreeing(gone: Sequence[Check], after: Evidence) -> list[Agrees]:
    """The oddest numbers of each kind and end, before and after."""
    said: dict[tuple[str, str], Agrees] = {}
    for check in sorted(gone, key=lambda c: -c.amount):
        now = next((c for c in after.checks if (c.key, c.place) == (check.key, check.place)), None)
        at = (check.key, end_of(check.place))
        if now is None or at in said or len(said) == MOST_AGREE:
            continue
        kind = "" if check.unit or check.usual.share else "ratio_"
        where = "" if check.place == "vehicle" else f", {end_of(check.place)},"
        said[at] = Agrees(
            text=f"{check.words}{where} {{{kind}then}} instead of {{{kind}before}}; "
            f"{check.usual.of} have {{{kind}low}} to {{{kind}high}}",
            numbers={
                f"{kind}{name}": Figure(value, check.unit)
                for name, value in (
                    ("before", check.value),
                    ("then", now.value),
                    ("low", check.usual.low),
                    ("high", check.usual.high),
                )
            },
        )
    return list(said.values())


def _under_loads(document: Document, setup: str, shown: LoadState | None) -> list[UnderLoad]:
    """What stops the setup under the loads that are not looked at, where it does not stop as weighed too."""
    with untraced():
        here = {
            (f.rule, f.place)
            for f in findings_of(judged_case(document, setup, None if shown is None else shown.id))
        }
        made = []
        for state in document.loads:
            if not state.items or state == shown:
                continue
            found = findings_of(judged_case(document, setup, state.id))
            stops = [f for f in found if f.grade == "stop" and (f.rule, f.place) not in here]
            if stops:
                made.append(UnderLoad(load=state.id, name=state.name, findings=stops))
    return made


class Question(Shape):
    """What is asked of a number just typed: what looks odd with it, and what it may have meant."""

    text: str
    numbers: dict[str, Figure]
    offers: list[Offer]
    keep: list[Change]


def question(document: Document, setup: str, paths: Sequence[Path]) -> Question | None:
    """What is asked of numbers just typed; nothing where nothing looks odd with them. Raises what `evaluate` raises."""
    with untraced():
        found = causes(document, setup, None, paths)[:1]
        if found:
            guess, before = found[0].guess, evidence_of(found[0].before, setup)
            after = evidence_of(found[0].after, setup)
            odd, grade = _oddest(before, after), _worst(_explained(before, after))
            if odd is None:
                return None
            ways = [g for g in (guess, *found[0].others) if g.offered]
            return Question(
                text=odd[0],
                numbers=odd[1],
                offers=[
                    _offer(g) for g in ways if _harmless(document, setup, None, before.findings, g.change, grade)
                ],
                keep=[_standing_by(document, guess, before)],
            )
        evidence = evidence_of(document, setup)
    typed = [c for c in evidence.checks if c.amount > 0 and c.grade != "note" and within_any(c.paths, paths)]
    if not typed:
        return None
    worst = max(typed, key=lambda c: c.amount)
    rule = f"odd_{worst.key}"
    told = next((f for f in evidence.findings if f.rule == rule), None)
    if told is None:
        return None
    return Question(text=told.text, numbers=told.numbers, offers=[], keep=told.stand_by or [])


def _oddest(before: Evidence, after: Evidence) -> tuple[str, dict[str, Figure]] | None:
    """What looks oddest of what the guess explains."""
    gone = sorted((c for c in before.checks if c.amount > 0 and not _still(c, after)), key=lambda c: -c.amount)
    if gone:
        return gone[0].told()
    explained = [f for f in _explained(before, after) if f.grade != "note"]
    return (explained[0].text, explained[0].numbers) if explained else None
