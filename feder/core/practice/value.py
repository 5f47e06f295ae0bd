"""A number of general practice: a float that knows its unit, what it means and where it is from."""


class Usual(float):
    """A usual value or threshold. In arithmetic it is the plain number."""

    __slots__ = ("says", "source", "unit")
    unit: str
    says: str
    source: str


def usual(value: float, unit: str, says: str, source: str = "general practice") -> float:
    """A number of general practice with its unit ("" for a share or ratio), one sentence, and its source."""
    made = Usual(value)
    made.unit, made.says, made.source = unit, says, source
    return made
