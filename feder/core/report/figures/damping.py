"""Damping of a corner by its damper's curve: forces and shares at low and at high speed, rebound over bump."""

from feder.core.formulas.damping import (
    chord_of,
    damping_at_wheel,
    damping_ratio,
    rebound_over_bump,
    wheel_hop_damping,
)
from feder.core.formulas.wheel_heights import mean_of_sides
from feder.core.numbers.working import given, solved
from feder.core.practice.targets import HIGH_SPEED, LOW_SPEED
from feder.core.report.figures.dampers import Settings
from feder.core.standing.corner import StandingCorner
from feder.core.standing.damper import clicks_read


def damping_figures(stood: StandingCorner, at_wheel: float | None, mass: float | None) -> Settings:
    """What the curve of a corner's damper gives at both speeds; nothing where it has none."""
    end, hub = stood.facts.end, stood.hub_to_arch
    curve, ratio = end.clicked, end.damper.ratio(hub)
    if curve is None:
        return {}
    at = stood.damper_at
    inputs = clicks_read(curve, at, stood.at, f"{stood.facts.place.words} damper")

    def force(velocity: float, name: str) -> float:
        value = abs(curve.curve.at(velocity)) * end.damping
        equation = f"the damper's curve at {velocity:g} m/s"
        return solved(value, name, "N", equation=equation, inputs=inputs, source=curve.source)

    shown: Settings = {}
    for speed, word in ((LOW_SPEED, "low"), (HIGH_SPEED, "high")):
        v = given(speed, f"{word} speed", "m/s", source="where damping is judged")
        rebound, bump = force(-speed, "rebound_force"), force(speed, "bump_force")
        shown[f"rebound_{word}"], shown[f"bump_{word}"] = (rebound, "N"), (bump, "N")
        if bump > 0:
            shown[f"split_{word}"] = rebound_over_bump(rebound, bump), ""
        if at_wheel is None or at_wheel <= 0 or not ratio:
            continue
        if word == "low" and mass is not None:
            for name, of in (("damping_rebound", rebound), ("damping_bump", bump)):
                shown[name] = damping_ratio(chord_of(of, v), ratio, at_wheel, mass), ""
        if (
            word == "high"
            and end.tyre_rate is not None
            and end.unsprung_mass is not None
            and end.unsprung_mass > 0
        ):
            mean = damping_at_wheel(mean_of_sides(chord_of(rebound, v), chord_of(bump, v)), ratio)
            shown["damping_high"] = wheel_hop_damping(mean, at_wheel, end.tyre_rate, end.unsprung_mass), ""
    return shown
