"""Made-up dampers of the demo vehicles beside the hatchback: measured, assumed, electronic, told by one number."""

from pathlib import Path

from feder.core.document.base import DampingValue, EndName
from feder.core.document.damper import DamperMode, DamperPart, Family, Knob
from feder.core.files.curves_csv import curves_from_csv
from feder.units.parse import read_cell

BENCH = Path(__file__).parent / "bench" / "roadster-shock.csv"
_FRONT = ((-0.3, -420.0), (-0.1, -250.0), (-0.05, -150.0), (0.05, 80.0), (0.1, 140.0), (0.3, 260.0))
_REAR = ((-0.3, -385.0), (-0.1, -230.0), (-0.05, -137.5), (0.05, 72.5), (0.1, 127.0), (0.3, 236.0))
_FIRMNESS = (("comfort", 0.7), ("normal", 1.0), ("firm", 1.45))
NORMAL = "normal"


def _modes(points: tuple[tuple[float, float], ...]) -> tuple[DamperMode, ...]:
    """Named modes of an electronic damper, each a share of the normal one."""
    return tuple(
        DamperMode(name=name, points=tuple((v, round(share * f, 1)) for v, f in points))
        for name, share in _FIRMNESS
    )


def _knobs(rebound: int, bump: int, high_bump: int = 0) -> tuple[Knob, ...]:
    made = [Knob(acts="rebound", clicks=rebound), Knob(acts="bump", clicks=bump)]
    if high_bump:
        made.append(Knob(acts="high_bump", clicks=high_bump, locked="left alone: set for landings"))
    return tuple(made)


def _plain(
    code: str, extended: float, shut: float, coefficient: float, mounts: str, *, carries: bool
) -> DamperPart:
    """A sealed damper of which only an estimate of its firmness is known."""
    return DamperPart(
        code=code,
        extended=extended,
        shut=shut,
        mounts=mounts,
        carries_spring=carries,
        coefficient=DampingValue(value=coefficient, how="estimated"),
    )


def roadster_shock() -> DamperPart:
    """The roadster's shock with the curves that a bench's file holds."""
    return DamperPart(
        code="shock 33, three ways",
        extended=0.330,
        shut=0.272,
        mounts="eye to eye",
        carries_spring=True,
        knobs=_knobs(24, 24, 4),
        rows=tuple(curves_from_csv(BENCH.read_bytes(), read_cell)),
    )


SEDGE: dict[EndName, DamperPart] = {
    "front": DamperPart(
        code="valve strut 12",
        extended=0.545,
        shut=0.385,
        mounts="shoulder to pin",
        carries_spring=True,
        modes=_modes(_FRONT),
    ),
    "rear": DamperPart(
        code="valve 13", extended=0.560, shut=0.390, mounts="eye to pin", carries_spring=False, modes=_modes(_REAR)
    ),
}
MAGPIE_FORK = DamperPart(
    code="cartridge 41",
    mounts="cap to axle",
    knobs=_knobs(20, 20),
    family=Family(rebound_shut=900, rebound_open=140, bump_shut=455, bump_open=140.5, knee=0.15, high_share=0.4),
)
FINCH: dict[EndName, DamperPart] = {
    "front": DamperPart(
        code="trail cartridge",
        mounts="cap to axle",
        knobs=_knobs(15, 12),
        family=Family(
            rebound_shut=420, rebound_open=106.9, bump_shut=230, bump_open=92.7, knee=0.2, high_share=0.5
        ),
    ),
    "rear": DamperPart(
        code="trail shock 210",
        extended=0.210,
        shut=0.155,
        mounts="eye to eye",
        carries_spring=True,
        knobs=_knobs(14, 10, 3),
        family=Family(
            rebound_shut=3200, rebound_open=800, bump_shut=1500, bump_open=500, knee=0.1, high_share=0.4
        ),
    ),
}
TANSY: dict[EndName, DamperPart] = {
    "front": _plain("small strut", 0.500, 0.360, 1500, "shoulder to pin", carries=True),
    "rear": _plain("small rear", 0.372, 0.260, 1700, "eye to eye", carries=False),
}
BRAMBLE: dict[EndName, DamperPart] = {
    "front": _plain("van strut", 0.560, 0.400, 4000, "shoulder to pin", carries=True),
    "rear": _plain("van rear", 0.520, 0.340, 3900, "eye to eye", carries=False),
}
TEASEL: dict[EndName, DamperPart] = {
    "front": _plain("camper front", 0.420, 0.280, 5200, "eye to eye", carries=False),
    "rear": _plain("camper rear", 0.500, 0.330, 2600, "eye to pin", carries=False),
}
