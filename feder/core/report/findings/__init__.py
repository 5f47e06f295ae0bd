"""Findings: one small rule each, in one place, graded stop, look or note."""

from feder.core.report.findings.about import pointed
from feder.core.report.findings.case import Case
from feder.core.report.findings.geometry import GEOMETRY_RULES
from feder.core.report.findings.height import HEIGHT_RULES
from feder.core.report.findings.parts import PART_RULES
from feder.core.report.findings.sags import SAG_RULES
from feder.core.report.findings.settings import SETTING_RULES
from feder.core.report.findings.springs import SPRING_RULES
from feder.core.report.findings.survey import SURVEY_RULES
from feder.core.report.findings.travel import STOP_RULES
from feder.core.report.shapes import Finding

RULES = (
    *SURVEY_RULES,
    *GEOMETRY_RULES,
    *SPRING_RULES,
    *PART_RULES,
    *HEIGHT_RULES,
    *STOP_RULES,
    *SAG_RULES,
    *SETTING_RULES,
)
_ORDER = {"stop": 0, "look": 1, "note": 2}


def findings_of(case: Case) -> list[Finding]:
    """Everything that speaks against a setup or is worth knowing, worst first."""
    found = [pointed(finding, case.report) for rule in RULES for finding in rule(case)]
    return sorted(found, key=lambda f: _ORDER[f.grade])


__all__ = ["RULES", "Case", "findings_of"]
