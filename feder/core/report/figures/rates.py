"""Rates of a corner at ride, of its spring and at the wheel, and the frequencies and damping that follow."""

from feder.core.document.brief import Brief
from feder.core.formulas.damping import damping_ratio
from feder.core.formulas.masses import mass_of_load
from feder.core.formulas.motion_ratio import wheel_rate
from feder.core.formulas.pushes import band_of_friction, push_rate_of, wheel_rate_with_push
from feder.core.formulas.ride import ride_frequency, ride_rate, static_deflection
from feder.core.formulas.torsion import arm_wheel_rate
from feder.core.numbers.quantities import G
from feder.core.numbers.working import given
from feder.core.report.figures.damping import damping_figures
from feder.core.standing.corner import StandingCorner
from feder.core.standing.pushes import damper_push

Figures = dict[str, tuple[float | None, str]]


def sprung_mass(stood: StandingCorner) -> float | None:
    """Sprung mass on the corner as it stands: as weighed, or from the load it carries now."""
    if stood.sprung_mass is None or stood.load is None:
        return None
    weighed = float(stood.sprung_mass) * G
    return stood.sprung_mass if abs(float(stood.load) - weighed) < 1e-6 else mass_of_load(stood.load)


def rates(stood: StandingCorner, brief: Brief) -> Figures:
    """Spring rate, wheel rate, frequencies and damping at ride; those that are known."""
    end, mass = stood.facts.end, sprung_mass(stood)
    rate = spring_rate(stood)
    at_wheel = corner_wheel_rate(stood, rate)
    at_ground = frequency = tyre_frequency = settled = damping = band = None
    if at_wheel is not None and at_wheel > 0:  # a falling motion ratio can leave none
        if end.tyre_rate is not None:
            at_ground = ride_rate(at_wheel, end.tyre_rate)
        if end.friction is not None:
            band = band_of_friction(end.friction, at_wheel)
        if mass is not None:
            frequency = ride_frequency(at_wheel, mass)
            tyre_frequency = None if at_ground is None else ride_frequency(at_ground, mass)
            settled = static_deflection(at_wheel, mass)
            ratio = end.damper.ratio(stood.hub_to_arch)
            if end.damper_coefficient is not None and ratio:
                damping = damping_ratio(end.damper_coefficient, ratio, at_wheel, mass)
    chosen = tyre_frequency if brief.frequency_basis == "with tyre" else frequency
    return {
        "spring_rate": (rate, "N/m"),
        "wheel_rate": (at_wheel, "N/m"),
        "ride_rate": (at_ground, "N/m"),
        "frequency": (chosen, "Hz"),
        "tyre_frequency": (tyre_frequency, "Hz"),
        "static_deflection": (settled, "m"),
        "damping_ratio": (damping, ""),
        **damping_figures(stood, at_wheel, mass),
        "height_band": (band, "m"),
    }


def spring_rate(stood: StandingCorner) -> float | None:
    """Tangent rate of coil or air spring at ride; a torsion bar has an angular rate instead."""
    if stood.spring is not None:
        return stood.spring.rate_at(stood.spring_length)
    if stood.air is not None and stood.pressure is not None and stood.stroke is not None:
        return stood.air.rate(stood.pressure, stood.stroke)
    return None


def corner_wheel_rate(stood: StandingCorner, rate: float | None) -> float | None:
    """Wheel rate at ride: of the spring with the geometric term, and of a squeezed stop."""
    of_spring = _of_spring(stood, rate)
    hub, end = stood.spring_hub, stood.facts.end
    if of_spring is None or hub is None:
        return of_spring
    push = damper_push(stood, hub)
    ratio, slope = end.damper.ratio(hub), end.damper.slope(hub)
    squeezed = None if stood.stop is None else stood.stop.at(hub)
    stop = None if squeezed is None else squeezed.rate
    if squeezed is not None and squeezed.gap < 0 and stood.stop is not None and stood.stop.table is None:
        # it presses, nobody knows how hard: what is left out is marked wherever the rate goes
        stop = given(0.0, "rate of the squeezed stop", "N/m", source="not told: left out", assumed=True)
        push = given(0.0, "force of the squeezed stop", "N", source="not told: left out") if push is None else push
    if push is None:
        return of_spring
    beside = None if stood.beside is None else stood.beside.rate_at(hub)
    if beside is not None:
        stop = beside if stop is None else push_rate_of(stop, beside)
    if not ratio or (stop is None and slope is None):
        return of_spring
    stop = given(0.0, "stop not squeezed", "N/m", source="no rate") if stop is None else stop
    slope = given(0.0, "constant damper ratio", "1/m", source="no slope") if slope is None else slope
    return wheel_rate_with_push(of_spring, stop, ratio, push, slope, end.dampers)


def _of_spring(stood: StandingCorner, rate: float | None) -> float | None:
    bar, arm = stood.bar, stood.facts.end.arm
    if bar is not None:
        if arm is None or stood.arm_angle is None or stood.free_angle is None:
            return None
        return arm_wheel_rate(bar.angular_rate, stood.free_angle, stood.arm_angle, arm.length)
    if rate is None or not rate > 0 or not stood.motion_ratio:  # a loose spring has no rate at ride
        return None
    if stood.ratio_slope is None or stood.spring_force is None:
        return wheel_rate(rate, stood.motion_ratio)
    return wheel_rate(rate, stood.motion_ratio, stood.spring_force, stood.ratio_slope)
