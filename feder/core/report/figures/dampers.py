"""What the damper of a corner is set to: its body's length, the thread that is engaged, the collar by rule."""

from typing import Any

from feder.core.document.cursor import node, number
from feder.core.formulas.damper_body import body_turned, collar_by_rule, engaged_after, link_for_drop
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import EndFacts

Settings = dict[str, tuple[float | None, str]]


def damper_figures(stood: StandingCorner) -> Settings:
    """Body length and engaged thread as set, and what a rule shows at the collar; what is known of them."""
    at, words = stood.damper_at, stood.facts.place.words
    turned = None
    if stood.as_found is not None and stood.side.body:
        turned = number(stood.at.body, f"{words} damper's body longer than told", source="set")
    shown: dict[str, Any] = {}
    if at and at.body:
        body = number(at.body, f"{words} damper's body as told")
        shown["body_length"] = body if turned is None else body_turned(body, turned), "m"
    if at and at.engaged:
        engaged = number(at.engaged, f"{words} thread engaged as told", source="by calliper")
        shown["thread_engaged"] = engaged if turned is None else engaged_after(engaged, turned), "m"
    seat = node(stood.at).seat
    if seat is not None and seat.rule_at_zero is not None and stood.collar is not None:
        zero = number(stood.at.seat.rule_at_zero, f"{words} rule with the collar at its datum", source="by rule")
        way = number(
            stood.at.seat.rule_falls,
            "way the rule reads",
            source="as told",
            value=-1.0 if seat.rule_falls else 1.0,
            unit="",
        )
        shown["collar_rule"] = collar_by_rule(zero, stood.collar, way), "m"
    return shown


def link_wanted(end: EndFacts, drop: float | None) -> float | None:
    """Length of the bar's links that leaves its arms as they were found; nothing where that is not known."""
    bar = end.end.bar
    if bar is None or drop is None or bar.link_length is None or bar.motion_ratio is None:
        return None
    was = number(end.at.bar.link_length, f"{end.name} bar link as found")
    return link_for_drop(was, drop, number(end.at.bar.motion_ratio, f"{end.name} bar motion ratio"))
