"""Which kind of spring stands at a corner."""

from feder.core.standing.arm import ARM
from feder.core.standing.coil import COIL
from feder.core.standing.corner import CornerStand, Springing
from feder.core.standing.pneumatic import PNEUMATIC


def springing(corner: CornerStand) -> Springing:
    """The kind of spring at a corner."""
    if corner.air is not None:
        return PNEUMATIC
    # a coilover in place of the bar stands on the damper of the same arm
    return ARM if corner.facts.end.end.layout == "torsion arm" and corner.spring is None else COIL
