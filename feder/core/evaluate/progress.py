"""How far each station's work has come, and what it still waits for, in the words of the screen."""

from feder.core.document.base import ENDS, PLACES
from feder.core.findings.case import Case
from feder.core.report import Finding, Station, StationReport

STATIONS: tuple[Station, ...] = ("brief", "survey", "geometry", "springs", "height", "sheet")


def stations(case: Case, findings: list[Finding]) -> list[StationReport]:
    """The mark of every station: untouched, begun or done, and whether a finding there needs a look."""
    waits = {
        "brief": _brief(case),
        "survey": _survey(case),
        "geometry": _geometry(case),
        "springs": _springs(case),
        "height": _height(case),
    }
    waits["sheet"] = [f"{s}: {w[0]}" for s, w in waits.items() if w and s != "brief"]
    begun = {
        "brief": case.document.brief != type(case.document.brief)(),
        "survey": bool(case.document.survey and case.document.survey.readings),
        "geometry": case.document.vehicle.wheelbase is not None,
        "springs": any(case.side(p).spring for p in PLACES),
        "height": any(case.side(p).hub_to_arch or case.side(p).collar is not None for p in PLACES),
        "sheet": False,
    }
    flagged = {f.station for f in findings if f.grade in ("stop", "look")}
    return [
        StationReport(
            station=station,
            state="done"
            if not waits[station] and (begun[station] or station == "sheet")
            else "begun"
            if begun[station]
            else "untouched",
            flag=station in flagged,
            waits_for=waits[station],
        )
        for station in STATIONS
    ]


def _brief(case: Case) -> list[str]:
    return [] if case.document.brief.complaint or case.document.brief.keep else ["what is wrong now"]


def _survey(case: Case) -> list[str]:
    waits = []
    for name, words in (("mass", "weight"), ("hub_to_arch", "hub to arch")):
        missing = [p.words for p in PLACES if getattr(case.facts.corners[p], name) is None]
        if missing:
            where = {4: "all corners", 3: "three corners"}.get(len(missing), " and ".join(missing))
            waits.append(f"{words}, {where}")
    return waits


def _geometry(case: Case) -> list[str]:
    waits = [] if case.facts.wheelbase is not None else ["wheelbase"]
    for name in ENDS:
        end = case.facts.ends[name]
        needed = (
            ("track", end.track),
            ("motion ratio", end.motion_ratio if end.curve is None else 1.0),
            ("unsprung mass", end.unsprung_mass),
            ("full droop", end.droop),
            *((("distance between the springs", end.end.spring_base),) if end.end.layout == "live axle" else ()),
        )
        waits += [f"{name} {words}" for words, value in needed if value is None]
    return waits


def _springs(case: Case) -> list[str]:
    return [f"{p.words} spring" for p in PLACES if case.side(p).spring is None]


def _height(case: Case) -> list[str]:
    if case.is_found:
        return []
    return [
        f"{p.words} height"
        for p in PLACES
        if case.side(p).hub_to_arch is None
        and not (case.side(p).set_by == "collar" and case.side(p).collar is not None)
    ]
