"""Which kind of spring stands at a corner."""

from feder.core.standing.corner import Springing, StandingCorner
from feder.core.standing.springing.air import PNEUMATIC
from feder.core.standing.springing.coil import COIL
from feder.core.standing.springing.torsion_bar import ARM


def springing(corner: StandingCorner) -> Springing:
    """The kind of spring at a corner."""
    if corner.air is not None:
        return PNEUMATIC
    # a coilover in place of the bar stands on the damper of the same arm
    return ARM if corner.facts.end.end.layout == "torsion arm" and corner.spring is None else COIL
