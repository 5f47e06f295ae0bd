"""A new vehicle's document: everything still to be measured, the line of setups already there."""

from feder.core.document.base import ENDS
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.document.survey import Survey
from feder.core.document.vehicle import BodyKind, End, Ends, Layout, Mount, RatioAssumed, Vehicle


def blank_document(name: str, body: BodyKind, front: Layout, rear: Layout) -> Document:
    """A document for a new car: no number is filled in, only the shape of the work."""

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
