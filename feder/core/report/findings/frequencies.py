"""Rules on frequencies: each end within its target, and rear over front by the school chosen in the brief."""

from feder.core.document.base import EndName
from feder.core.document.brief import Brief
from feder.core.document.document import Document, LoadState
from feder.core.practice.targets import LOADED_USES, Pair
from feder.core.report.findings.against import Against
from feder.core.report.findings.case import hertz, share
from feder.core.report.shapes import Mend

ANOTHER_SPRING = Mend(text="Take another spring, or move the target in the brief")
REAR_SPRING = Mend(text="Take a stiffer or softer rear spring, or choose the other school in the brief")
FRONT_SPRING = Mend(text="Take a stiffer front spring, or choose flat ride in the brief")


def meant_loaded(document: Document, *, loaded: bool) -> bool:
    """Whether the targets are meant with the load on, and what is judged is without."""
    return document.brief.use in LOADED_USES and bool(document.loads) and not loaded


def judged_under(document: Document) -> LoadState | None:
    """The load state under which frequencies are judged: the heaviest, where the targets are meant loaded."""
    if not meant_loaded(document, loaded=False):
        return None
    return max(document.loads, key=lambda state: sum(item.mass for item in state.items))


def band_for(document: Document, end: EndName, *, loaded: bool) -> Pair | None:
    """The frequency band to judge an end by; nothing where there is none or it is meant loaded."""
    return None if meant_loaded(document, loaded=loaded) else document.brief.frequency_band(end)


def off_target(frequency: float, band: Pair, use: str) -> Against | None:
    """A frequency outside its target."""
    low, high = band
    if low <= frequency <= high:
        return None
    where, edge = ("below", low) if frequency < low else ("above", high)
    return Against(
        rule="frequency_target",
        grade="look",
        station="springs",
        text="{frequency} lies outside the target, {low} to {high}",
        numbers={"frequency": hertz(frequency), "low": hertz(low), "high": hertz(high)},
        reason=f"The target is the starting point for {use}; general practice, yours to edit. Higher buys response and travel, lower "
        "comfort and grip on rough ground.",
        mend=ANOTHER_SPRING,
        row=f"{{frequency}}, {where} the target of {{edge}}",
        row_numbers={"frequency": hertz(frequency), "edge": hertz(edge)},
    )


def rear_over_front(ratio: float, brief: Brief) -> Against | None:
    """Rear over front frequency against the school chosen in the brief."""
    low, high = brief.ratio_band
    over = ratio - 1
    if brief.pitch_school == "flat ride" and not low <= ratio <= high:
        under = ratio < low
        edge = low if under else high
        return Against(
            rule="flat_ride",
            grade="look",
            station="springs",
            text="Rear {over} over front; flat ride wants {low} to {high}",
            numbers={"over": share(over), "low": share(low - 1), "high": share(high - 1)},
            reason="The rear meets a bump later. Only when it is somewhat quicker does it catch up, and pitch dies out. The other school "
            "has the front higher, for response and traction on smooth ground.",
            mend=REAR_SPRING,
            row="Only {over} over front; flat ride starts at {edge}"
            if under
            else "{over} over front; flat ride ends at {edge}",
            row_numbers={"over": share(over), "edge": share(edge - 1)},
        )
    if brief.pitch_school == "stiff front" and ratio > 1:
        return Against(
            rule="stiff_front",
            grade="look",
            station="springs",
            text="Rear {over} over front; the brief asks for the front higher",
            numbers={"over": share(over)},
            reason="A higher front frequency buys response and traction on smooth ground, and gives up flat ride, in which pitch dies out "
            "over one bump.",
            mend=FRONT_SPRING,
            row="{over} over front; the front is wanted higher",
            row_numbers={"over": share(over)},
        )
    return None
