"""What a setup changes of its ends: wheel spacers, damper length, the hole of the bar, a coilover for a bar."""

from dataclasses import replace

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, node, number, quantity
from feder.core.document.setup import BarSetting, SpringPart
from feder.core.document.vehicle import RatioFromLevers
from feder.core.formulas.damper_body import damper_shift, limit_with_body, reversed_of
from feder.core.formulas.live_axle import base_ratio_of
from feder.core.formulas.roll import bar_rate_at_wheel
from feder.core.formulas.wheel_spacer import limit_with_spacer, track_with_spacers
from feder.core.practice.usual import ARM_LENGTH
from feder.core.standing.facts import EndFacts, Facts, link_ratio, side_at


def end_at(facts: Facts, index: int, place: Place) -> EndFacts:
    """The end at a place as it stands in a setup; the very same where the setup changes nothing of it."""
    name = place.end
    end, places = facts.ends[name], facts.places_at(name)
    setup = facts.document.setups[index]
    setting: BarSetting | None = setup.front_bar if name == "front" else setup.rear_bar
    if setting is not None and end.end.bar is not None:
        end = replace(end, bar_rate=_bar_rate(end, setting))
    sides = [side_at(facts.at, index, p) for p in places]
    if end.end.layout == "torsion arm" and any(isinstance(node(s).spring, SpringPart) for s in sides):
        end = replace(end, spring=replace(end.damper, name="motion_ratio"))
    if len(places) == 2 and any(node(s).spacer for s in sides):
        end = _wider(end, sides[0], sides[1])
        side = sides[places.index(place)]
        if node(side).spacer:
            end = _on_a_longer_lever(end, side, facts.corners[place].hub_to_arch)
    side = sides[places.index(place)]
    return _on_another_body(end, side) if node(side).body else end


def _on_another_body(end: EndFacts, side: Cursor) -> EndFacts:
    """The end whose damper is longer or shorter at one side: every limit that the damper sets moves."""
    if not end.damper.known:
        return end
    change = number(side.body, f"{end.name} damper longer than as found", source="set")

    def moved(limit: float | None) -> float | None:
        if limit is None:
            return None
        if end.damper.curve is None and end.damper.constant is not None:
            return limit_with_body(limit, damper_shift(change, end.damper.constant))
        return limit_with_body(limit, end.damper.wheel_travel(limit, reversed_of(change)))

    return replace(end, droop=moved(end.droop), stop=moved(end.stop), solid=moved(end.solid))


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


def _spacer(side: Cursor, label: str) -> float:
    return number(side.spacer, label, source="set", value=node(side).spacer or 0.0)


def _wider(end: EndFacts, left_side: Cursor, right_side: Cursor) -> EndFacts:
    """The end on its new track; on a live axle the springs then stand in by more."""
    if end.track is None:
        return end
    left, right = (
        _spacer(side, f"{end.name} {word} spacer") for side, word in ((left_side, "left"), (right_side, "right"))
    )
    track = track_with_spacers(end.track, left, right)
    made = replace(end, track=track)
    if end.base_ratio is not None and end.end.spring_base is not None:
        base = number(end.at.spring_base, f"{end.name} spring base")
        made = replace(made, base_ratio=base_ratio_of(base, track))
    return made


def arm_is_across(end: EndFacts) -> bool:
    """Whether a wheel further out has a longer lever: as told, or as the layout has it."""
    if end.end.layout in ("live axle", "torsion arm"):
        return False
    return end.end.arm_lies != "along"


def _on_a_longer_lever(end: EndFacts, side: Cursor, found: float | None) -> EndFacts:
    """The end whose wheel stands further out at one side: the same spring travel for more of the wheel's."""
    if not arm_is_across(end):
        return end
    label, at, ratio = f"{end.name} pivot to wheel", end.at, end.end.spring.ratio
    if isinstance(ratio, RatioFromLevers):
        arm = number(at.spring.ratio.wheel_distance, label)
    elif end.end.lower_arm is not None:
        arm = number(at.lower_arm.length, label)
    else:
        arm = number(at.spring, label, source="not read: a usual arm", assumed=True, value=ARM_LENGTH, unit="m")
    out = _spacer(side, f"{end.name} wheel further out")
    untold = end.end.arm_lies is None and end.end.layout == "divorced"
    if untold:
        source = "the arm is taken to lie across the vehicle"
        out = number(side.spacer, f"{end.name} wheel further out", source=source, assumed=True)

    def moved(limit: float | None) -> float | None:
        return limit if limit is None or found is None else limit_with_spacer(found, limit, arm, out)

    return replace(
        end,
        droop=moved(end.droop),
        stop=moved(end.stop),
        solid=moved(end.solid),
        spring=end.spring.on_a_longer_lever(arm, out, found),
        damper=end.damper.on_a_longer_lever(arm, out, found),
    )
