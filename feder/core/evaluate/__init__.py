"""Documents in, reports out: one pure function that everything on screen and sheet rests on."""

from feder.core.evaluate.evaluate import evaluate

__all__ = ["evaluate"]
