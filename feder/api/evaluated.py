"""The reports of a setup as they are looked at: alone or against another, as weighed and under a load."""

from feder.api.known import KnownDocument
from feder.api.wire import Wire
from feder.core.report.evaluate import evaluate
from feder.core.report.outline import Outline, outline_of
from feder.core.report.shapes import Report


class Look(Wire):
    """How a setup is looked at.

    Under a load state both reports are given, as weighed and loaded; `weighed` false leaves the first one out.
    """

    load_state: str | None = None
    against: str | None = None
    weighed: bool = True


class EvaluateAnswer(Wire):
    """The reports, and the document's state: what its content is called in later questions."""

    state: str
    report: Report | None
    loaded: Report | None
    outline: Outline


def evaluated(known: KnownDocument, setup: str, look: Look) -> EvaluateAnswer:
    """Every figure and finding of a setup. Raises what `evaluate` raises."""
    document, load = known.document, look.load_state
    return EvaluateAnswer.model_construct(
        state=known.state,
        report=evaluate(document, setup, None, look.against) if look.weighed or load is None else None,
        loaded=None if load is None else evaluate(document, setup, load, look.against),
        outline=outline_of(document),
    )
