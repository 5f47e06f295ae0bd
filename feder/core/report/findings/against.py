"""What one rule says of one thing: in full as a finding, and in few words as the objection of a candidate row.

A rule is written once, as a function of what it looks at; the report runs it on the setup, a bench on what is tried.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field

from feder.core.report.shapes import Figure, Finding, Grade, Mend, Station


@dataclass(frozen=True, slots=True)
class Against:
    """A rule that speaks. `row` are its few words; `worse` orders what the same rule says of several corners."""

    rule: str
    grade: Grade
    station: Station
    text: str
    reason: str
    mend: Mend
    numbers: Mapping[str, Figure] = field(default_factory=dict)
    row: str = ""
    row_numbers: Mapping[str, Figure] = field(default_factory=dict)
    worse: float = 0.0

    def finding(self, place: str) -> Finding:
        """As a finding at a place."""
        return Finding(
            rule=self.rule,
            grade=self.grade,
            place=place,
            station=self.station,
            text=self.text,
            numbers=dict(self.numbers),
            reason=self.reason,
            mend=self.mend,
        )
