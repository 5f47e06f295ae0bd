"""What a setup changes of its ends: parts of the end itself, wheel spacers, dampers, the hole of the bar."""

from dataclasses import replace

from feder.core.document.base import EndName, Place
from feder.core.document.conversion import EndChange
from feder.core.document.cursor import Cursor, node, number, quantity
from feder.core.document.leaf import LeafPart
from feder.core.document.setup import BarSetting, SpringPart
from feder.core.document.vehicle import RatioFromLevers
from feder.core.formulas.live_axle import base_ratio_of
from feder.core.formulas.roll import bar_rate_at_wheel
from feder.core.formulas.tyre_contact import contact_with_tyre
from feder.core.formulas.wheel_spacer import limit_with_spacer, track_with_spacers
from feder.core.numbers.working import is_tracing
from feder.core.practice.usual import ARM_LENGTH
from feder.core.standing.damper import LENGTH_AT, with_damper
from feder.core.standing.facts import EndFacts, Facts, end_facts, link_ratio, parts_as_found, side_at, side_of
from feder.core.standing.kept import Kept
from feder.core.standing.overlay import overlaid
from feder.core.standing.tyre import radius_in_setup

UNREAD_CONTACT = "the tyre's contact was not read again: moved by the radius"


_KEPT: Kept[EndFacts] = Kept(64)


def end_at(facts: Facts, index: int, place: Place) -> EndFacts:
    """The end at a place as it stands in a setup; the very same where the setup changes nothing of it.

    A drag of a height or a collar leaves what is kept of it as it is.
    """
    name, setup = place.end, facts.document.setups[index]
    sides = [side_of(setup, p) for p in facts.places_at(name)]
    parts = [getattr(setup, f"{name}_end"), getattr(setup, f"{name}_bar")]
    for side in sides:
        parts += [side.damper, side.spring]
    numbers = tuple((side.body, side.top_mount, side.spacer, side.mode, side.curve_left) for side in sides)
    parts += [getattr(side, knob) for side in sides for knob in ("rebound", "bump", "high_bump", "both")]
    known = (*parts_as_found(facts.document), *parts)
    return _KEPT.of(known, (index, place, numbers, is_tracing()), lambda: _end_at(facts, index, place))


def _end_at(facts: Facts, index: int, place: Place) -> EndFacts:
    name = place.end
    places, setup = facts.places_at(name), facts.document.setups[index]
    change = change_at(facts, index, name)
    told: EndChange | None = node(change)
    found = [side_at(facts.at, 0, p) for p in places]
    sides = [side_at(facts.at, index, p) for p in places]
    springs = [node(s).spring for s in sides]
    if told is None:
        end = facts.ends[name]
        if end.leaf and not any(isinstance(s, LeafPart | None) for s in springs):
            end = end_facts(
                facts.at, name, facts.at.vehicle.ends[name]
            )  # the axle's own ratio left with its leaves
    else:
        end = end_facts(facts.at, name, overlaid(facts.at.vehicle.ends[name], change), springs)
        end = replace(_on_its_tyre(end, change, facts.ends[name]), other_suspension=told.is_layout)
    setting: BarSetting | None = setup.front_bar if name == "front" else setup.rear_bar
    if setting is not None and end.end.bar is not None:
        end = replace(end, bar_rate=_bar_rate(end, setting))
    if end.end.layout == "torsion arm" and any(isinstance(s, SpringPart) for s in springs):
        end = replace(end, spring=replace(end.damper, name="motion_ratio"))
    if len(places) == 2 and any(node(s).spacer for s in sides):
        end = _wider(end, sides[0], sides[1])
        side = sides[places.index(place)]
        if node(side).spacer:
            end = _on_a_longer_lever(end, side, facts.corners[place].hub_to_arch)
    i, limits = places.index(place), None if told is None else told.limits
    measured = () if limits is None else [n for n in LENGTH_AT if getattr(limits, n) is not None]
    return with_damper(end, sides[i], found[i], place, measured)


def change_at(facts: Facts, index: int, name: EndName) -> Cursor:
    """Where what a setup replaces of an end stands in the document."""
    return facts.at.setups[index][f"{name}_end"]


def _on_its_tyre(end: EndFacts, change: Cursor, found: EndFacts) -> EndFacts:
    """The end on a tyre of another radius: it meets the arch so much sooner, until that was read again."""
    told: EndChange = node(change)
    was, label = found.tyre_radius, f"{end.name} tyre radius"
    new = radius_in_setup(change, found.at.tyre, was, label)
    end = replace(end, tyre_radius=new)
    if end.contact is None or new is None or was is None or float(new) == float(was):
        return end
    if told.limits is not None and told.limits.contact is not None:
        return end
    if told.tyre is not None and told.tyre.radius is not None:
        new = number(change.tyre.radius, f"{label} in this setup", source=UNREAD_CONTACT, assumed=True)
    return replace(end, contact=contact_with_tyre(end.contact, new, was))


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
