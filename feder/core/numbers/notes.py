"""Notes a computation leaves beside its numbers: facts worth a sentence that are not errors."""

from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar

_notes: ContextVar[list[str] | None] = ContextVar("feder_notes", default=None)


def note(text: str) -> None:
    """Leave a sentence for whoever collects; nothing happens when nobody does."""
    notes = _notes.get()
    if notes is not None and text not in notes:
        notes.append(text)


@contextmanager
def collecting_notes() -> Iterator[list[str]]:
    """Collect the notes left within this context, in order, each once."""
    notes: list[str] = []
    token = _notes.set(notes)
    try:
        yield notes
    finally:
        _notes.reset(token)
