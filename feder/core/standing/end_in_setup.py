"""What a setup changes of its ends: wheel spacers, the hole of the anti-roll bar, a coilover for a bar."""

from dataclasses import replace

from feder.core.document.base import EndName
from feder.core.document.cursor import Cursor, node, number, quantity
from feder.core.document.setup import BarSetting, SpringPart
from feder.core.document.vehicle import RatioFromLevers
from feder.core.formulas.live_axle import base_ratio_of
from feder.core.formulas.roll import bar_rate_at_wheel
from feder.core.formulas.wheel_spacer import ratio_with_spacer, track_with_spacers
from feder.core.standing.facts import EndFacts, Facts, link_ratio, side_at


def end_in(facts: Facts, index: int, name: EndName) -> EndFacts:
    """An end as it stands in a setup; the very same where the setup changes nothing of it."""
    end, places = facts.ends[name], facts.places_at(name)
    setup = facts.document.setups[index]
    setting: BarSetting | None = setup.front_bar if name == "front" else setup.rear_bar
    if setting is not None and end.end.bar is not None:
        end = replace(end, bar_rate=_bar_rate(end, setting))
    sides = [side_at(facts.at, index, p) for p in places]
    if end.end.layout == "torsion arm" and any(isinstance(node(s).spring, SpringPart) for s in sides):
        end = replace(end, spring=replace(end.damper, name="motion_ratio"))
    if len(places) == 2 and any(node(s).spacer for s in sides):
        end = _spaced(end, sides[0], sides[1])
    return end


def _bar_rate(end: EndFacts, setting: BarSetting) -> float | None:
    bar, at = end.end.bar, end.at.bar
    assert bar is not None
    if not setting.hooked:
        return None
    for i, hole in enumerate(bar.holes):
        if hole.name == setting.hole:
            rate = quantity(at.holes[i].rate, f"{end.name} bar rate, hole {hole.name}")
            assert rate is not None  # a hole has one
            return bar_rate_at_wheel(rate, link_ratio(at, end.name))
    return end.bar_rate


def _spaced(end: EndFacts, left_side: Cursor, right_side: Cursor) -> EndFacts:
    left, right = (
        number(side.spacer, f"{end.name} {word} spacer", source="set", value=node(side).spacer or 0.0)
        for side, word in ((left_side, "left"), (right_side, "right"))
    )
    made = end
    if end.track is not None:
        track = track_with_spacers(end.track, left, right)
        made = replace(made, track=track)
        if end.base_ratio is not None and end.end.spring_base is not None:
            base = number(end.at.spring_base, f"{end.name} spring base")
            made = replace(made, base_ratio=base_ratio_of(base, track))
    levers, ratio = end.end.spring.ratio, end.spring.constant
    if isinstance(levers, RatioFromLevers) and ratio is not None:
        arm = number(end.at.spring.ratio.wheel_distance, f"{end.name} pivot to wheel")
        moved = ratio_with_spacer(ratio, arm, left)
        made = replace(made, spring=replace(end.spring, constant=moved))
        if end.end.damper is None:
            made = replace(made, damper=replace(end.damper, constant=moved))
    return made
