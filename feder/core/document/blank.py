"""A new vehicle's document: everything still to be measured, the line of setups already there."""

from typing import Literal

from feder.core.document.base import ENDS
from feder.core.document.brief import Brief
from feder.core.document.document import Document, LoadState
from feder.core.document.setup import Setup
from feder.core.document.survey import Survey
from feder.core.document.vehicle import CAR_LAYOUTS, BodyKind, End, Ends, Layout, Mount, RatioAssumed, Vehicle

TWO_WHEELERS: dict[BodyKind, Literal["motorcycle", "bicycle"]] = {"motorcycle": "motorcycle", "bicycle": "bicycle"}


def blank_document(name: str, body: BodyKind, front: Layout, rear: Layout) -> Document:
    """A document for a new vehicle: no number is filled in, only the shape of the work.

    A layout that this kind of vehicle does not have is replaced by its usual one.
    """
    if body in TWO_WHEELERS:
        return _two_wheeler(name, TWO_WHEELERS[body], front, rear)

    def end(layout: Layout) -> End:
        apart = layout in ("divorced", "live axle")
        spring = Mount() if apart else Mount(ratio=RatioAssumed())
        return End(layout=layout, spring=spring, damper=Mount() if layout == "divorced" else None)

    ends = Ends(**dict(zip(ENDS, (end(front), end(rear)), strict=True)))
    return Document(
        vehicle=Vehicle(name=name, body=body, ends=ends),
        surveys=(Survey(id="first"),),
        setups=(
            Setup(id="found", name="as found", stage="as found"),
            Setup(id="plan", name="plan", stage="plan", parent="found"),
        ),
    )


def _two_wheeler(name: str, kind: Literal["motorcycle", "bicycle"], front: Layout, rear: Layout) -> Document:
    """A motorcycle or bicycle: its rider is a load state, whose mass is still to be told."""
    layouts: tuple[Layout, Layout] = (
        "fork" if front in CAR_LAYOUTS else front,
        "linkage" if rear in CAR_LAYOUTS or rear == "fork" else rear,
    )
    ends = Ends(**dict(zip(ENDS, (End(layout=layout, spring=Mount()) for layout in layouts), strict=True)))
    return Document(
        vehicle=Vehicle(name=name, kind=kind, body=kind, ends=ends),
        brief=Brief(use="road motorcycle" if kind == "motorcycle" else "trail"),
        surveys=(Survey(id="first"),),
        loads=(LoadState(id="rider", name="rider"),),
        setups=(
            Setup(id="found", name="as found", stage="as found"),
            Setup(id="plan", name="plan", stage="plan", parent="found"),
        ),
    )
