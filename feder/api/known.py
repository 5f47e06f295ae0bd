"""Documents asked about lately, by their content: a question then needs to say only what changed since."""

import hashlib
import json
from collections import OrderedDict
from dataclasses import dataclass, field
from threading import Lock
from typing import Any

from feder.core.document.changes import Change, patched
from feder.core.document.document import Document
from feder.core.numbers.errors import FederError

MOST = 64


class UnknownBase(FederError, LookupError):
    """The document that changes are meant for is not known here any more; the question wants it whole."""

    code = "unknown base"

    def __init__(self) -> None:
        super().__init__("The document asked about is not known any more; send it whole", key="base")


@dataclass(frozen=True, slots=True)
class KnownDocument:
    """A document, its plain data, and its state: what its content is called.

    The data have every member, unset ones as null: whoever left some out may still change any of them.
    """

    state: str
    document: Document
    plain: dict[str, Any] = field(repr=False)


class Known:
    """The documents asked about last. One content is one object, so that what was made of it is found again."""

    def __init__(self, most: int = MOST) -> None:
        self._most, self._lock = most, Lock()
        self._documents: OrderedDict[str, KnownDocument] = OrderedDict()

    def whole(self, document: Document) -> KnownDocument:
        """A document that came whole."""
        return self._kept(document)

    def changed(self, base: str, patch: list[Change]) -> KnownDocument:
        """One asked about before, with changes. Raises `UnknownBase`."""
        with self._lock:
            known = self._documents.get(base)
        if known is None:
            raise UnknownBase
        if not patch:
            return known
        return self._kept(patched(known.document, known.plain, patch)[0])

    def _kept(self, document: Document) -> KnownDocument:
        text = document.model_dump_json()
        state = hashlib.blake2b(text.encode(), digest_size=12).hexdigest()
        with self._lock:
            found = self._documents.get(state)
            if found is None:
                found = KnownDocument(state, document, json.loads(text))
                self._documents[state] = found
                while len(self._documents) > self._most:
                    self._documents.popitem(last=False)
            else:
                self._documents.move_to_end(state)
        return found
