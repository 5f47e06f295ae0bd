"""A table of the sheet's second page."""

from dataclasses import dataclass, field


@dataclass(frozen=True)
class Table:
    """A table of the page: its heading, column words and rows of text; `note` stands under it."""

    heading: str
    columns: list[str]
    rows: list[list[str]] = field(default_factory=list)
    note: str = ""
