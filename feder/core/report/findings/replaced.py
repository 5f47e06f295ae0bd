"""Rules on what a setup replaces of an end: conversions, links of the bar, tyres, alignment at its adjusters' ends."""

from collections.abc import Iterator

from feder.core.document.base import ENDS
from feder.core.practice.thresholds import LINK_OFF
from feder.core.report.findings.case import Case, angle, length
from feder.core.report.shapes import Finding, Mend


def converted(case: Case) -> Iterator[Finding]:
    """Another suspension than as found at an end."""
    if case.is_found:
        return
    for name in ENDS:
        change, found = getattr(case.setup, f"{name}_end"), getattr(case.document.vehicle.ends, name)
        if change is None or change.layout is None:
            continue
        unlike = change.layout if change.layout != found.layout else f"other mounts on the {found.layout}"
        yield Finding(
            rule="converted",
            grade="look",
            place=name,
            station="geometry",
            text=f"A conversion: {unlike} in the place of what was found",
            numbers={},
            reason="Its ratios, limits and stops are its own. Welded or bolted mounts carry the vehicle; most places "
            "ask for an inspection or approval of such a change.",
            mend=Mend(
                text="Have the structure done or checked by a licensed workshop, and ask about approval first"
            ),
        )


def bar_links(case: Case) -> Iterator[Finding]:
    """Links that stand the bar's arms elsewhere than as found."""
    if case.is_found:
        return
    for name in ENDS:
        wanted, change = case.report.ends[name].link_length, getattr(case.setup, f"{name}_end")
        bar = getattr(case.document.vehicle.ends, name).bar
        if wanted is None or bar is None or bar.link_length is None:
            continue
        told = change is not None and change.link_length is not None
        now = change.link_length if told else bar.link_length
        if abs(now - wanted.value) > LINK_OFF:
            yield Finding(
                rule="bar_links",
                grade="look",
                place=name,
                station="geometry",
                text="The bar's links are {now} long; {wanted} leaves its arms as they were found",
                numbers={"now": length(now), "wanted": length(wanted.value)},
                reason="Arms that stand steeper meet the damper, the strut or the tyre, and their links bind at droop or bump.",
                mend=Mend(
                    text="Links of that length, tried by hand at full droop and full bump with the springs out"
                ),
            )


def tyre_unlike(case: Case) -> Iterator[Finding]:
    """Another tyre whose contact with the arch was not read again."""
    for name, change in ((e, getattr(case.setup, f"{e}_end")) for e in ENDS):
        found = getattr(case.document.vehicle.ends, name)
        if case.is_found or change is None or change.tyre is None:
            continue
        told = change.tyre.radius or change.tyre.size
        if told in (None, found.tyre.radius, found.tyre.size):
            continue
        if change.limits is None or change.limits.contact is None:
            yield Finding(
                rule="tyre_contact_unread",
                grade="look",
                place=name,
                station="travel",
                text="Another tyre: where it meets the arch was not read again",
                numbers={},
                reason="Until it is, the contact found is moved by the difference of the radii, and marked.",
                mend=Mend(text="Read tyre to arch with these wheels on, springs out, steered and straight"),
            )


def alignment_out_of_range(case: Case) -> Iterator[Finding]:
    """Camber, caster or toe beyond what the adjusters of an end reach."""
    for place in case.places:
        end, side = case.facts.ends[place.end].end, case.side(place)
        for adjuster in end.adjusters:
            now = getattr(side, adjuster.sets)
            for edge, beyond in ((adjuster.least, -1.0), (adjuster.most, 1.0)):
                if now is None or edge is None or (now - edge) * beyond <= 1e-9:
                    continue
                shown = length if adjuster.sets == "toe" else angle
                yield Finding(
                    rule="adjuster_at_its_end",
                    grade="look",
                    place=place.value,
                    station="geometry",
                    text=f"{adjuster.sets.capitalize()} {{now}} is past what the {adjuster.how} reaches, {{edge}}",
                    numbers={"now": shown(now), "edge": shown(edge)},
                    reason="At its end an adjuster leaves nothing for the other side or for later.",
                    mend=Mend(text="Set within its range, or fit an adjuster that reaches further"),
                )
