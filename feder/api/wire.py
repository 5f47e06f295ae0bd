"""What travels: models whose JSON schema is worked out once, however many routes name them."""

from copy import deepcopy
from typing import Any, ClassVar

from pydantic import BaseModel


class Wire(BaseModel):
    """A request or answer. Every route asks for its schema at start-up, and a document's is large."""

    _schemas: ClassVar[dict[tuple[str, str], dict[str, Any]]] = {}

    @classmethod
    def model_json_schema(cls, *args: Any, **kwargs: Any) -> dict[str, Any]:
        key = (f"{cls.__module__}.{cls.__qualname__}", f"{args}{sorted(kwargs.items(), key=lambda kv: kv[0])}")
        if key not in Wire._schemas:
            Wire._schemas[key] = super().model_json_schema(*args, **kwargs)
        return deepcopy(Wire._schemas[key])
