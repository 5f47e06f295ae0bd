"""What a setup that tells nothing leaves as it was found."""

from feder.core.document.setup import SideSetup

AS_FOUND = (
    *("damper", "stop", "stack", "fork_spacer", "oil_level", "oil_quantity", "oil_grade", "clamp", "shock_length"),
    *(
        "tyre_pressure",
        "camber",
        "caster",
        "toe",
        "within",
        "rebound",
        "bump",
        "high_bump",
        "both",
        "mode",
        "seat",
        "beside",
    ),
)
"""Of these a setup that tells nothing leaves what was found."""
NONE_IS_ZERO = ("pads", "body", "top_mount", "spacer")


def told(side: SideSetup, found: SideSetup, member: str) -> object:
    """A member of a corner as it holds in a setup, with what was found where the setup tells nothing."""
    value = getattr(side, member)
    if value is None and member in AS_FOUND:
        value = getattr(found, member)
    if member in NONE_IS_ZERO:
        return value or 0.0
    if member == "seat" and value is not None:
        return value.length  # another perch; datum, thread and chart only say more of the same one
    if member == "oil_grade":
        return value or getattr(found, member)
    return value


def filled(side: SideSetup, found: SideSetup) -> SideSetup:
    """The corner with what was found where the setup tells nothing."""
    kept = {m: getattr(found, m) for m in AS_FOUND if getattr(side, m) in (None, "")}
    return side.but(**kept)
