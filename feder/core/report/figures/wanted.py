"""What the brief wants, as numbers that know where they were set: typed, or the starting point of the use."""

from feder.core.document.base import EndName
from feder.core.document.brief import Brief
from feder.core.document.cursor import Cursor, node, number, root
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import Facts

SOURCE = "brief"


def wanted(at: Cursor, value: float, label: str, unit: str) -> float:
    """A target of the brief: the number typed at a place, or what stands in for it there."""
    place = at if at else root(at).brief.use
    return number(place, label, source=SOURCE, value=value, unit=unit)


def edges(band: Cursor) -> tuple[Cursor, Cursor]:
    """Low and high of a band of the brief; the band itself where none was typed."""
    return (band.low, band.high) if band else (band, band)


def hold_wanted(corner: StandingCorner) -> float:
    """Compression wanted at full droop."""
    brief = root(corner.at).brief
    told: Brief = node(brief)
    return wanted(brief.targets.held_at_droop, told.held_at_droop, "hold wanted at full droop", "m")


def frequencies_wanted(facts: Facts, end: EndName) -> tuple[float | None, float | None]:
    """Both edges of the frequency wanted at an end; nothing where there is none."""
    brief = facts.at.brief
    told: Brief = node(brief)
    band = told.frequency_band(end)
    if band is None:
        return None, None
    typed = brief.targets[f"{end}_frequency"]
    places = edges(typed or brief.targets.frequency)
    low, high = (wanted(at, f, f"{end} frequency wanted", "Hz") for at, f in zip(places, band, strict=True))
    return low, high
