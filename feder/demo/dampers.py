"""Made-up dampers of the workshop: what came with the demo vehicles, and what lies on the shelf."""

from feder.core.document.damper import DamperPart, DamperStop, Family, Knob

_STOP = ((0.0, 0.0), (0.005, 150.0), (0.010, 480.0), (0.015, 1400.0), (0.020, 3600.0))


def _two(clicks: int) -> tuple[Knob, ...]:
    return Knob(acts="rebound", clicks=clicks), Knob(acts="bump", clicks=clicks)


STANDARD = {
    "front": DamperPart(
        code="standard strut", extended=0.518, shut=0.397, mounts="shoulder to pin", carries_spring=True
    ),
    "rear": DamperPart(
        code="standard rear", extended=0.396, shut=0.293, mounts="eye to pin", carries_spring=False
    ),
}
NETTLE = {
    "front": DamperPart(
        code="strut insert 84",
        extended=0.518,
        shut=0.397,
        mounts="shoulder to pin",
        carries_spring=True,
        rod_diameter=0.022,
        knobs=_two(18),
        family=Family(
            rebound_shut=5600, rebound_open=1300, bump_shut=3520, bump_open=1100, knee=0.12, high_share=0.30
        ),
    ),
    "rear": DamperPart(
        code="pair 85",
        extended=0.396,
        shut=0.293,
        mounts="eye to pin",
        body=0.348,
        body_least=0.330,
        body_most=0.362,
        engaged=0.032,
        least_engaged=0.020,
        carries_spring=False,
        rod_diameter=0.014,
        knobs=(Knob(acts="rebound", clicks=18), Knob(acts="bump", clicks=18, locked="left alone, for landings")),
        family=Family(
            rebound_shut=3160, rebound_open=972, bump_shut=1800, bump_open=880, knee=0.12, high_share=0.30
        ),
    ),
}
_SHORT = DamperPart(
    code="short pair 88",
    extended=0.384,
    shut=0.289,
    mounts="eye to pin",
    body=0.246,
    body_least=0.238,
    body_most=0.262,
    engaged=0.030,
    least_engaged=0.020,
    carries_spring=False,
    rod_diameter=0.014,
    gas_pressure=9e5,
    stop=DamperStop(length=0.045, shaft=0.098, compressible=0.5, points=_STOP),
    knobs=(Knob(acts="both", clicks=12, counted_from="fully open"),),
    note="one knob; bought used",
)
_COILOVER = DamperPart(
    code="estate coilover 91",
    extended=0.470,
    shut=0.330,
    mounts="eye to eye",
    body=0.290,
    body_least=0.276,
    body_most=0.310,
    engaged=0.045,
    least_engaged=0.025,
    carries_spring=True,
    rod_diameter=0.016,
    gas_pressure=7e5,
    stop=DamperStop(length=0.060, shaft=0.140, compressible=0.6),
    knobs=(Knob(acts="rebound", clicks=24),),
)


def demo_dampers() -> list[DamperPart]:
    """What lies on the shelf of dampers."""
    return [*STANDARD.values(), *NETTLE.values(), _SHORT, _COILOVER]
