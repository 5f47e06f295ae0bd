"""How sure the height is that a plate angle gives: what scales, tape, level and the bar's size leave open."""

from feder.core.benches.index.adjusters import at_adjusters, set_free
from feder.core.benches.index.bench import index_bench
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.uncertainty import Uncertainty, uncertainty
from feder.core.standing.facts import setup_of, side_of


def height_sure(
    document: Document, setup: str, place: Place, free_angle: float, load_state: str | None = None
) -> Uncertainty:
    """Hub to arch after loading with a plate set to an angle, its standard uncertainty, and what it rests on.

    All other adjusters stand where the setup answers them; the plate is as sure as the level that read it. Where
    it was read before its splines are moved, only the change counted from there is set: an error of the bar's rate
    is in that reading too, and cancels in most part. Without it that error counts in full.

    Raises:
        NoFigure: no height follows there.
        UnknownSetup: the document has no such setup or load state.
    """
    base = at_adjusters(document, setup, evaluate_plain(document, setup))
    fitted = set_free(base, setup, {place: free_angle})
    path = f"corners.{place.value}.hub_to_arch"
    bench = index_bench(document, setup, place, load_state, count=1)
    if bench is None or bench.read_off is None or bench.free_computed is None:
        return uncertainty(fitted, setup, path, load_state)
    computed = float(bench.free_computed.value)

    def counted(moved: Document) -> Document:
        now = evaluate_plain(moved, moved.setups[0].id).corners[place].free_angle
        plate = side_of(setup_of(moved, setup), place).free_angle
        if now is None or plate is None:
            return moved
        return set_free(moved, setup, {place: plate + float(now.value) - computed})

    return uncertainty(fitted, setup, path, load_state, counted)
