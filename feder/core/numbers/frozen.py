"""Data that does not change: a copy with other members refuses a name it does not have."""

from typing import Any, Self

from pydantic import BaseModel, ConfigDict


class Frozen(BaseModel):
    """A frozen model."""

    model_config = ConfigDict(frozen=True)

    def but(self, **members: Any) -> Self:
        """The same with other members. Raises `TypeError` for one that it does not have."""
        strange = members.keys() - type(self).model_fields.keys()
        if strange:
            raise TypeError(f"{type(self).__name__} has no {', '.join(sorted(strange))}")
        return self.model_copy(update=members)
