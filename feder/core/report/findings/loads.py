"""Rules on what is carried: counted twice, weighed empty and read laden, a longer spring for a load."""

from collections.abc import Iterator

from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart
from feder.core.numbers.quantities import G
from feder.core.practice.thresholds import LADEN, LONGER
from feder.core.report.findings.case import Case, length, mass
from feder.core.report.findings.odd import standing_by, stands
from feder.core.report.findings.survey import squeeze_sure
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import gather, side_of
from feder.core.standing.readings import sure
from feder.core.standing.stand import stand

SAME_RATE = 0.04
"""Share by which two rates may differ and still be called the same."""
WHO = ("driver", "fuel", "spare wheel", "passenger", "co-driver")
NOT_ABOARD = ("no ", "without", "not ", "empty")


def counted_twice(case: Case) -> Iterator[Finding]:
    """Somebody or something that sat in the vehicle while it was weighed, and is carried once more."""
    survey = case.document.survey
    if survey is None or case.document.vehicle.kind != "car":
        return
    aboard = f"{survey.conditions.ballast} {survey.conditions.fuel}".lower()
    told = set()
    for state in case.document.loads:
        for item in state.items:
            name = item.name.lower()
            who = next((w for w in WHO if w in name and w in aboard), None)
            if (
                who is None
                or any(f"{n}{who}" in aboard or f"{n}the {who}" in aboard for n in NOT_ABOARD)
                or (who, item.mass) in told
            ):
                continue
            told.add((who, item.mass))
            if stands(case.document, "counted_twice", "vehicle", item.mass):
                continue
            yield Finding(
                rule="counted_twice",
                grade="look",
                place="vehicle",
                station="springs",
                text=f"{state.name} carries {item.name}, {{mass}}; as weighed the {who} was aboard already",
                numbers={"mass": mass(item.mass)},
                reason="A load comes on top of the vehicle as weighed. What sat in it on the scales is in its weights.",
                mend=Mend(text="Take it out of the load, or say in the survey that it was not aboard"),
                stand_by=[standing_by(case.document, ("counted_twice", "vehicle", item.mass))],
            )


def weighed_otherwise(case: Case) -> Iterator[Finding]:
    """As found the springs carry more, or less, than the scales showed, alike at both sides: another load was aboard."""
    apart: dict[str, list[float]] = {}
    scatter: dict[str, list[float]] = {}
    for place, now, _ in case.corners():
        stood = now.as_found or now
        made = _carried(stood)
        if made is None:
            continue
        apart.setdefault(place.end, []).append(made[0])
        scatter.setdefault(place.end, []).append(made[1])
    off = {
        e: sum(v)
        for e, v in apart.items()
        if len(v) == 2
        and min(v) * max(v) > 0
        and all(abs(x) > sure(len(case.places)) * s for x, s in zip(v, scatter[e], strict=True))
    }
    total = sum(off.values())
    if not off or abs(total) < LADEN:
        return
    way = "less" if total > 0 else "more"
    yield Finding(
        rule="weighed_otherwise",
        grade="look",
        place="vehicle" if len(off) > 1 else next(iter(off)),
        station="survey",
        text=f"The scales show {{apart}} {way} than the springs carry at the heights read",
        numbers={"apart": mass(abs(total))},
        reason="Both sides say so alike: it was weighed empty and read laden, or the other way round. Heights and weights belong to one "
        "and the same load.",
        mend=Mend(text="Weigh and read again with the same people, fuel and things aboard"),
    )


def carried_by_springs(document: Document) -> dict[Place, float]:
    """Mass by corner that the springs carry as found, by seat and collar, beyond what the scales showed."""
    facts = gather(document)
    corners = stand(facts, document.setups[0], None).corners
    return {p: made[0] for p, c in corners.items() if (made := _carried(c)) is not None}


def _carried(stood: StandingCorner) -> tuple[float, float] | None:
    """Mass that the spring carries by its seat and collar beyond what the scales showed, and how sure that is."""
    side, part, ratio, collar = stood.side, stood.side.spring, stood.motion_ratio, stood.collar
    if not isinstance(part, SpringPart) or side.seat is None or side.collar is None or collar is None or not ratio:
        return None
    # a collar read higher than load and spring make it: the spring is shorter, and carries more
    per_metre = part.rate.value * float(ratio) / G
    return (side.collar - float(collar)) * per_metre, squeeze_sure(stood) * per_metre


def longer_same_rate(case: Case) -> Iterator[Finding]:
    """A longer spring of the same rate, for a vehicle that sags under what it carries."""
    if case.is_found or not any(s.items for s in case.document.loads) or case.document.vehicle.kind != "car":
        return
    for name, places in case.ends():
        now, was = side_of(case.setup, places[0]).spring, side_of(case.document.setups[0], places[0]).spring
        if (
            not isinstance(now, SpringPart)
            or not isinstance(was, SpringPart)
            or now.free_length is None
            or was.free_length is None
        ):
            continue
        longer = now.free_length - was.free_length
        if abs(now.rate.value / was.rate.value - 1) < SAME_RATE and longer > LONGER:
            yield Finding(
                rule="longer_same_rate",
                grade="look",
                place=name,
                station="springs",
                text=f"{now.code} has the rate of the spring found and is {{longer}} longer",
                numbers={"longer": length(longer)},
                reason="It lifts the vehicle empty and sags under the load by as much as before: a longer spring only hides the sag. A helper "
                "or a spacer does the same. Whoever is never empty may want just that.",
                mend=Mend(text="Choose the rate first, under the load; then the length"),
            )
