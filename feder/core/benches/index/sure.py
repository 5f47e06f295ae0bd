"""How sure the height is that a plate angle gives: what scales, tape, level and the bar's size leave open."""

from feder.core.benches.index.adjusters import at_adjusters, set_free
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.uncertainty import Uncertainty, uncertainty


def height_sure(
    document: Document, setup: str, place: Place, free_angle: float, load_state: str | None = None
) -> Uncertainty:
    """Hub to arch after loading with a plate set to an angle, its standard uncertainty, and what it rests on.

    All other adjusters stand where the setup answers them; the plate itself is as sure as the level that read it.
    It is that of the angle itself: counted from the same bar's own marks, an error of its rate cancels in part.

    Raises:
        NoFigure: no height follows there.
        UnknownSetup: the document has no such setup or load state.
    """
    base = at_adjusters(document, setup, evaluate_plain(document, setup))
    fitted = set_free(base, setup, {place: free_angle})
    return uncertainty(fitted, setup, f"corners.{place.value}.hub_to_arch", load_state)
