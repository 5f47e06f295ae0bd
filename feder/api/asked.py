"""What a question is about: a document sent whole, or changes to one asked about before."""

import gzip
from contextlib import suppress
from typing import Any

from flask import Response, request
from pydantic import Field, PrivateAttr, field_validator, model_validator

from feder.api.known import KnownDocument
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.document.changes import Change
from feder.core.document.document import Document
from feder.core.document.upgrade import upgraded
from feder.core.numbers.errors import BadFile


class AboutDocument(Wire):
    """A document that need not be saved: whole, or as changes (JSON Patch) to the one whose state is `base`."""

    whole: Document | None = Field(default=None, alias="document")
    base: str | None = Field(default=None, max_length=40)
    patch: list[Change] = Field(default=[], max_length=2000)
    _known: KnownDocument | None = PrivateAttr(default=None)

    @field_validator("whole", mode="before")
    @classmethod
    def _of_any_format(cls, value: Any) -> Any:
        """A browser may still hold a document of an earlier format; what no upgrade knows is refused as it is."""
        with suppress(BadFile):
            return upgraded(value) if isinstance(value, dict) else value
        return value

    @model_validator(mode="after")
    def _one_of_both(self) -> "AboutDocument":
        if (self.whole is None) == (self.base is None):
            raise ValueError("send a document, or the state of one known and what changed since")
        return self

    @property
    def known(self) -> KnownDocument:
        """The document asked about, with its state. Raises `UnknownBase`."""
        if self._known is None:
            documents = rooms().documents
            if self.whole is not None:
                self._known = documents.whole(self.whole)
            else:
                self._known = documents.changed(self.base or "", self.patch)
        return self._known

    @property
    def document(self) -> Document:
        """The document asked about."""
        return self.known.document


def answered(made: Wire, status: int = 200) -> Response:
    """An answer as JSON."""
    return Response(made.model_dump_json(), status, mimetype="application/json")


SMALL = 1400
"""Answers that fit one packet are not worth packing, bytes."""


def compressed(response: Response) -> Response:
    """An answer of data packed for the way, where whoever asks can unpack it."""
    packs = "gzip" in request.headers.get("Accept-Encoding", "") and response.mimetype == "application/json"
    if not packs or response.direct_passthrough or "Content-Encoding" in response.headers:
        return response
    data = response.get_data()
    if len(data) > SMALL:
        response.set_data(gzip.compress(data, 1))
        response.headers["Content-Encoding"] = "gzip"
        response.headers["Vary"] = "Accept-Encoding"
    return response


def file_name(words: str) -> str:
    """A vehicle's name as that of a file."""
    return "".join(c if c.isascii() and c.isalnum() else "-" for c in words).strip("-") or "vehicle"
