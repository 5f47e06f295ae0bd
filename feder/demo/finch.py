"""Finch, a made-up trail bike with 150 mm of travel on air at both ends; it uses its travel up too soon."""

from math import radians

from feder.core.document.base import DampingValue, LengthValue, MassValue
from feder.core.document.brief import Brief
from feder.core.document.document import Document, LoadItem, LoadState
from feder.core.document.setup import AirSpringPart, Clicks, Setup, Sides, SideSetup
from feder.core.document.vehicle import End, Ends, Fork, Mount, RatioFromLeverage, SeatPoint, Tyre, Vehicle
from feder.demo.found_dampers import FINCH
from feder.demo.survey import Wheel, sags_of

_LEVERAGE = ((0.0, 2.72), (0.03, 2.60), (0.06, 2.50), (0.09, 2.41), (0.12, 2.33), (0.146, 2.27))
FORK_AIR = AirSpringPart(
    code="fork air 32",
    area=8.04e-4,
    volume=1.72e-4,
    travel=0.150,
    spacer_volume=7.6e-6,
    spacers=1,
    negative_area=7.2e-4,
    negative_volume=3.4e-5,
    equalise_at=0.006,
)
SHOCK_AIR = AirSpringPart(
    code="shock air 46",
    area=1.66e-3,
    volume=1.74e-4,
    travel=0.060,
    spacer_volume=6.5e-6,
    spacers=1,
    negative_area=1.42e-3,
    negative_volume=4.2e-5,
    equalise_at=0.004,
)


def finch() -> Document:
    """The whole worked bicycle."""
    return Document(
        vehicle=_vehicle(),
        brief=Brief(
            use="trail",
            complaint="Sits deep at the rear and bangs through at the end of its travel.",
            keep="Grip on wet roots.",
        ),
        surveys=(
            sags_of(
                "may",
                "2026-05-09",
                Wheel(6.8, (0.163, 0.163, 0.160, 0.155, 0.123, 0.114)),
                Wheel(8.1, (0.512, 0.512, 0.509, 0.505, 0.465, 0.457)),
                ballast="bike alone",
                fuel="bottle full",
                rider="rider",
                posture="standing",
            ),
        ),
        loads=(
            LoadState(id="rider", name="rider in kit", items=(LoadItem(name="rider in kit", mass=84, x=0.72),)),
        ),
        setups=(_setup("found", None), _setup("plan", "found")),
    )


def _vehicle() -> Vehicle:
    front = End(
        layout="fork",
        fork=Fork(rake=radians(25.0), legs=1, offset=0.044),
        travel=0.150,
        damper_coefficient=DampingValue(value=190, how="estimated"),
        unsprung_mass=MassValue(value=2.9, how="scales"),
        tyre=Tyre(radius=0.372),
    )
    rear = End(
        layout="linkage",
        spring=Mount(ratio=RatioFromLeverage(points=_LEVERAGE)),
        travel=0.145,
        damper_coefficient=DampingValue(value=1500, how="estimated"),
        unsprung_mass=MassValue(value=3.4, how="scales"),
        tyre=Tyre(radius=0.372),
    )
    return Vehicle(
        kind="bicycle",
        body="bicycle",
        name="Finch",
        description="trail bike on air, 150 mm of travel",
        wheelbase=LengthValue(value=1.225, how="tape"),
        seat=SeatPoint(height=0.960, x=0.86),
        ends=Ends(front=front, rear=rear),
    )


def _setup(name: str, parent: str | None) -> Setup:
    found = parent is None
    front = SideSetup(
        spring=FORK_AIR,
        damper=FINCH["front"] if found else None,
        set_by="height" if found else "pressure",
        pressure=4.9e5 if found else 5.2e5,
        rebound=Clicks(count=8, of=15),
        bump=Clicks(count=9, of=12),
        tyre_pressure=1.5e5,
    )
    shock = SHOCK_AIR if found else SHOCK_AIR.model_copy(update={"spacers": 3})
    rear = SideSetup(
        spring=shock,
        damper=FINCH["rear"] if found else None,
        set_by="height" if found else "pressure",
        pressure=12.0e5 if found else 14.3e5,
        rebound=Clicks(count=7, of=14),
        bump=Clicks(count=5, of=10),
        high_bump=Clicks(count=1, of=3, alone=True),
        tyre_pressure=1.7e5,
    )
    words = "as found" if found else "more air"
    return Setup(
        id=name,
        name=words,
        stage="as found" if found else "plan",
        parent=parent,
        sides=Sides(front=front, rear=rear),
    )
