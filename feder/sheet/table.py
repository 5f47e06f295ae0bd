"""A table of the sheet's further pages."""

from dataclasses import dataclass, field

from markupsafe import Markup


@dataclass(frozen=True)
class Table:
    """A table of the page: its heading, column words and rows of text; `note` stands under it.

    A drawing stands under the heading, where there is one, `drawn` px high.
    """

    heading: str
    columns: list[str]
    rows: list[list[str]] = field(default_factory=list)
    note: str = ""
    drawing: Markup | None = None
    drawn: int = 0
