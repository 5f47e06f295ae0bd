"""What the alignment adjusters of a corner are turned by, and what is left of them."""

from typing import Any

from feder.core.document.alignment import AlignmentAdjuster
from feder.core.document.cursor import node, number
from feder.core.formulas.alignment_steps import adjuster_steps, steps_to_least, steps_to_most
from feder.core.report.figures.dampers import Settings
from feder.core.standing.corner import StandingCorner


def alignment_figures(stood: StandingCorner) -> Settings:
    """Steps of each adjuster from as found, and those left on the way it goes; where setting and step are told."""
    shown: dict[str, Any] = {}
    ends, words = stood.facts.end.at.adjusters, stood.facts.place.words
    for i, adjuster in enumerate(stood.facts.end.end.adjusters):
        name, side = adjuster.sets, stood.at
        now = getattr(node(side), name)
        if adjuster.step is None or now is None:
            continue
        unit = "m" if name == "toe" else "rad"
        setting = number(side[name], f"{words} {name}", source="set")
        step = number(ends[i].step, f"{words} {name}, one step", unit=unit)
        found = (stood.as_found or stood).at
        was = getattr(node(found), name)
        if stood.as_found is not None and was is not None:
            before = number(found[name], f"{words} {name} as found")
            shown[f"{name}_steps"] = adjuster_steps(setting, before, step), ""
        edge = _edge(adjuster, now, was)
        if edge is not None:
            limit = number(ends[i][edge], f"{words} {name}, {edge}", unit=unit)
            left = steps_to_most if edge == "most" else steps_to_least
            shown[f"{name}_left"] = left(limit, setting, step), ""
    return shown


def _edge(adjuster: AlignmentAdjuster, now: float, was: float | None) -> str | None:
    """The end of the range that lies on the way it goes; standing still the nearer one."""
    ends = {name: edge for name in ("least", "most") if (edge := getattr(adjuster, name)) is not None}
    if was is not None and now != was:
        way = "most" if now > was else "least"
        return way if way in ends else None
    return min(ends, key=lambda name: abs(ends[name] - now), default=None)
