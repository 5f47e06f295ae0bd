"""Braking, driving, a corner or a slalom as accelerations over time."""

from math import pi
from typing import Any

import numpy as np
from numpy.typing import NDArray

from feder.core.document.road import Manoeuvre

Array = NDArray[np.floating[Any]]
RISE = 0.3
"""Time in which an acceleration comes and goes, s."""
SLALOM = 0.5
"""Swings of a slalom a second."""


def accelerations(manoeuvre: Manoeuvre | None, time: Array) -> tuple[Array, Array]:
    """Longitudinal (driving positive) and lateral (to the left positive) acceleration at each time."""
    along, across = np.zeros_like(time), np.zeros_like(time)
    if manoeuvre is None:
        return along, across
    lasts, amount = manoeuvre.seconds, manoeuvre.amount
    shape = np.clip(np.minimum(time, lasts - time) / RISE, 0, 1)
    match manoeuvre.kind:
        case "braking":
            along = -amount * shape
        case "driving":
            along = amount * shape
        case "corner":
            across = amount * shape
        case "slalom":
            across = amount * shape * np.sin(2 * pi * SLALOM * time)
    return along, across
