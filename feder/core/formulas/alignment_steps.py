"""Turns, marks or washers of an alignment adjuster."""

from feder.core.numbers.quantities import Ratio, Setting, Step
from feder.core.numbers.working import formula


@formula(result="adjuster_steps", source="a turn, mark or washer gives the same everywhere")
def adjuster_steps(setting: Setting, found_setting: Setting, step: Step) -> Ratio:
    """Steps from the setting as found, in the sense in which the setting grows."""
    return (setting - found_setting) / step


@formula(result="steps_left", source="a turn, mark or washer gives the same everywhere")
def steps_to_most(edge: Setting, setting: Setting, step: Step) -> Ratio:
    """Steps left to the upper end of the adjuster's range; negative past it."""
    return (edge - setting) / step


@formula(result="steps_left", source="a turn, mark or washer gives the same everywhere")
def steps_to_least(edge: Setting, setting: Setting, step: Step) -> Ratio:
    """Steps left to the lower end of the adjuster's range; negative past it."""
    return (setting - edge) / step
