"""Two springs in series with a tender that goes solid."""

from typing import NamedTuple

from feder.core.formulas.coil import series_rate
from feder.core.numbers.quantities import Length, Metre, Newton, NewtonPerMetre, Rate
from feder.core.numbers.working import checked, formula


class DualRate(NamedTuple):
    """Both rates of a main and tender pair, and where one goes over into the other."""

    soft_rate: NewtonPerMetre
    stiff_rate: NewtonPerMetre
    crossover_force: Newton
    crossover_deflection: Metre


@formula(result="crossover_force", source="the tender is solid once its travel is used up")
def crossover_force_of(tender_rate: Rate, tender_travel: Length) -> Newton:
    """Force at which the tender goes solid; no preload."""
    return tender_rate * tender_travel


@formula(result="crossover_deflection", source="springs in series carry the same force")
def crossover_deflection_of(crossover_force: Newton, main_rate: Rate, tender_rate: Rate) -> Metre:
    """Deflection of the pair at the crossover."""
    return crossover_force * (1 / main_rate + 1 / tender_rate)


@checked
def dual_rate(main_rate: Rate, tender_rate: Rate, tender_travel: Length) -> DualRate:
    """A main spring with a tender on it: soft together, stiff once the tender is solid.

    `tender_travel` is the tender's free less its solid length, or its travel to a stop ring. No preload.
    """
    force = crossover_force_of(tender_rate, tender_travel)
    return DualRate(
        series_rate(main_rate, tender_rate),
        main_rate,
        force,
        crossover_deflection_of(force, main_rate, tender_rate),
    )
