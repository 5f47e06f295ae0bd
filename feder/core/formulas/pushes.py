"""What else pushes at a corner beside its spring: gas charge, bump stop, friction."""

from feder.core.numbers.quantities import (
    Metre,
    MotionRatio,
    Newton,
    NewtonPerMetre,
    NonNegativeForce,
    PerMetre,
    PositiveRatio,
    Rate,
)
from feder.core.numbers.working import formula


@formula(result="shaft_at_ride", source="the damper takes in shaft by its travel")
def shaft_after(shaft: Metre, damper_travel: Metre) -> Metre:
    """Damper shaft that shows after the damper has moved."""
    return shaft - damper_travel


@formula(result="damper_push", source="gas charge and bump stop stand on the same damper")
def push_of(force: Newton, stop_force: Newton) -> Newton:
    """Push along one damper."""
    return force + stop_force


@formula(result="squeeze", source="the hold at full droop, and the damper's travel from there")
def beside_squeeze(hold: Metre, damper_travel: Metre) -> Metre:
    """How far a coil beside the bar is pressed; negative when loose."""
    return hold + damper_travel


@formula(result="coil_push", source="linear spring")
def beside_force(coil_rate: Rate, squeeze: Metre) -> Newton:
    """Push of a coil beside the bar along its damper."""
    return coil_rate * squeeze


@formula(result="push_rate", source="stop and coil stand on the same damper")
def push_rate_of(stop_rate: NewtonPerMetre, coil_rate: Rate) -> NewtonPerMetre:
    """Rate along one damper of a squeezed stop and a coil."""
    return stop_rate + coil_rate


@formula(result="push", source="virtual work: force along the damper times its motion ratio, all dampers")
def push_at_wheel(damper_push: Newton, damper_motion_ratio: MotionRatio, dampers: PositiveRatio) -> Newton:
    """Push of gas charge and bump stop at the wheel."""
    return damper_push * damper_motion_ratio * dampers


@formula(result="spring_load", source="what gas charge and bump stop do not carry")
def load_on_spring(corner_load: Newton, push: Newton) -> Newton:
    """Load that is left for the spring, at the wheel."""
    return corner_load - push


@formula(result="wheel_rate", source="virtual work on the damper, differentiated: rate and geometric term added")
def wheel_rate_with_push(
    wheel_rate: NewtonPerMetre,
    push_rate: NewtonPerMetre,
    damper_motion_ratio: MotionRatio,
    damper_push: Newton,
    motion_ratio_slope: PerMetre,
    dampers: PositiveRatio,
) -> NewtonPerMetre:
    """Wheel rate with a squeezed bump stop, and with a gas charge behind a changing motion ratio."""
    return wheel_rate + dampers * (push_rate * damper_motion_ratio**2 + damper_push * motion_ratio_slope)


@formula(result="height_band", source="friction carries its share of the load on the wheel rate")
def band_of_friction(friction_force: NonNegativeForce, wheel_rate: Rate) -> Metre:
    """How far friction may hold a corner off its ride height, either way."""
    return friction_force / wheel_rate
