"""What a setup changes of its ends: wheel spacers, the hole of the anti-roll bar, a coilover for a bar."""

from dataclasses import replace

from feder.core.document.base import EndName
from feder.core.document.setup import BarSetting, Setup, SideSetup, SpringPart
from feder.core.document.vehicle import RatioFromLevers
from feder.core.formulas.live_axle import base_ratio_of
from feder.core.formulas.roll import bar_rate_at_wheel
from feder.core.formulas.wheel_spacer import ratio_with_spacer, track_with_spacers
from feder.core.numbers.working import given
from feder.core.standing.facts import EndFacts, Facts, link_ratio, side_of
from feder.core.standing.how import HOW_WORDS


def end_in(facts: Facts, setup: Setup, index: int, name: EndName) -> EndFacts:
    """An end as it stands in a setup; the very same where the setup changes nothing of it."""
    end, places = facts.ends[name], facts.places_at(name)
    setting: BarSetting | None = setup.front_bar if name == "front" else setup.rear_bar
    if setting is not None and end.end.bar is not None:
        end = replace(end, bar_rate=_bar_rate(end, setting, f"setups.{index}.{name}_bar"))
    sides = [side_of(setup, p) for p in places]
    if end.end.layout == "torsion arm" and any(isinstance(s.spring, SpringPart) for s in sides):
        end = replace(end, spring=replace(end.damper, name="motion_ratio"))
    if len(places) == 2 and any(s.spacer for s in sides):
        end = _spaced(end, sides, [f"setups.{index}.sides.{p.value}.spacer" for p in places])
    return end


def _bar_rate(end: EndFacts, setting: BarSetting, path: str) -> float | None:
    bar = end.end.bar
    assert bar is not None
    if not setting.hooked:
        return None
    at = f"vehicle.ends.{end.name}.bar"
    for i, hole in enumerate(bar.holes):
        if hole.name == setting.hole:
            label = f"{end.name} bar rate, hole {hole.name}"
            where, how = f"{at}.holes.{i}.rate.value", HOW_WORDS[hole.rate.how]
            rate = given(hole.rate.value, label, "N/m", path=where, source=how, assumed=hole.rate.assumed)
            return bar_rate_at_wheel(rate, link_ratio(bar, end.name))
    return end.bar_rate


def _spaced(end: EndFacts, sides: list[SideSetup], paths: list[str]) -> EndFacts:
    left, right = (
        given(side.spacer or 0.0, f"{end.name} {word} spacer", "m", path=path, source="set")
        for side, path, word in zip(sides, paths, ("left", "right"), strict=True)
    )
    made = end
    if end.track is not None:
        track = track_with_spacers(end.track, left, right)
        made = replace(made, track=track)
        if end.base_ratio is not None and end.end.spring_base is not None:
            path = f"vehicle.ends.{end.name}.spring_base"
            base = given(end.end.spring_base, f"{end.name} spring base", "m", path=path, source="typed in")
            made = replace(made, base_ratio=base_ratio_of(base, track))
    levers, ratio = end.end.spring.ratio, end.spring.constant
    if isinstance(levers, RatioFromLevers) and ratio is not None:
        path = f"vehicle.ends.{end.name}.spring.ratio.wheel_distance"
        arm = given(levers.wheel_distance, f"{end.name} pivot to wheel", "m", path=path, source="typed in")
        moved = ratio_with_spacer(ratio, arm, left)
        made = replace(made, spring=replace(end.spring, constant=moved))
        if end.end.damper is None:
            made = replace(made, damper=replace(end.damper, constant=moved))
    return made
