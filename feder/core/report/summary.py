"""What a list shows of a vehicle: its outline, the setup in hand, and what it waits for."""

from feder.core.document.document import Document
from feder.core.numbers.frozen import Frozen
from feder.core.report.evaluate import evaluate
from feder.core.report.outline import Outline, outline_of


class Summary(Frozen):
    """A vehicle in a few words."""

    description: str
    outline: Outline
    setup: str
    waits_for: str | None


def summary_of(document: Document) -> Summary:
    """The summary of a vehicle, by its last setup."""
    setup = document.setups[-1]
    stations = evaluate(document, setup.id).stations
    waits = [f"{s.station}: {s.waits_for[0]}" for s in stations if s.waits_for and s.station != "sheet"]
    return Summary(
        description=document.vehicle.description,
        outline=outline_of(document),
        setup=setup.name,
        waits_for=waits[0] if waits else None,
    )
