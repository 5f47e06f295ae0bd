"""How far each station's work has come, and what it still waits for, in the words of the screen."""

from feder.core.document.base import ENDS
from feder.core.document.setup import SideSetup
from feder.core.report.findings.case import Case
from feder.core.report.shapes import Finding, Station, StationReport
from feder.core.standing.facts import EndFacts

STATIONS: tuple[Station, ...] = (
    "brief",
    "survey",
    "geometry",
    "springs",
    "height",
    "travel",
    "damping",
    "prove",
    "fit",
    "settle",
    "sheet",
)


def stations(case: Case, findings: list[Finding]) -> list[StationReport]:
    """The mark of every station: untouched, begun or done, and whether a finding there needs a look."""
    waits = {
        "brief": _brief(case),
        "survey": _survey(case),
        "geometry": _geometry(case),
        "springs": _springs(case),
        "height": _height(case),
        "travel": _travel(case),
        "damping": _damping(case),
        "prove": [],
        "fit": _fit(case),
        "settle": _settle(case),
    }
    apart = ("brief", "travel", "damping", "prove", "fit", "settle")
    doubted = {f.station for f in findings if f.rule.startswith("odd_") and f.grade != "note"}
    for station in doubted & waits.keys():
        waits[station] = [*waits[station], "an odd number, to be looked at again"]
    waits["sheet"] = [f"{s}: {w[0]}" for s, w in waits.items() if w and s not in apart]
    begun = {
        "brief": case.document.brief != type(case.document.brief)(),
        "survey": bool(case.document.survey and case.document.survey.readings),
        "geometry": case.document.vehicle.wheelbase is not None,
        "springs": any(case.side(p).spring for p in case.places),
        "height": any(_asked(case.side(p)) for p in case.places),
        "travel": any(end.end.bump_stop or end.end.travel for end in case.facts.ends.values()),
        "damping": any(_knobs(case.side(p)) for p in case.places),
        "prove": case.document.proving != type(case.document.proving)(),
        "fit": bool(case.document.fasteners) or _fitted(case),
        "settle": any(case.document.rounds_of(case.setup.id)) and not case.is_found,
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


def _damping(case: Case) -> list[str]:
    """The ends of which no damping is known."""
    return [
        f"{name} damper's curve, or its coefficient"
        for name, places in case.ends()
        if case.stood.corners[places[0]].facts.end.damper_coefficient is None
    ]


def _fit(case: Case) -> list[str]:
    """What keeps a setup from being fitted: damage not dealt with, or nothing on the wheels yet."""
    survey = case.document.survey
    waits = [f"{row.part}, dealt with" for row in (() if survey is None else survey.damages) if row.dealt is None]
    return waits if _fitted(case) or case.is_found else [*waits, "the job card, worked through"]


def _settle(case: Case) -> list[str]:
    """What a setup on the wheels still has to be read for; one that is only a plan waits for nothing."""
    if case.is_found or case.setup.stage == "plan":
        return []
    quantities = ("hub_to_arch", "floor_to_arch") if case.document.vehicle.kind == "car" else ("rider_lifted",)
    rounds = [case.document.surveys[i] for i in case.document.rounds_of(case.setup.id)]
    read = {r.place for s in rounds for r in s.readings if r.quantity in quantities}
    missing = [p.words for p in case.places if p not in read]
    words = "heights once it stands" if case.document.vehicle.kind == "car" else "sags once it stands"
    if not missing:
        return []
    return [words if len(missing) == len(case.places) else f"{words}, {' and '.join(missing)}"]


def _fitted(case: Case) -> bool:
    """Whether a setup that came of this one stands, or stood, on the wheels."""
    made = [s for s in case.document.setups if s.stage in ("fitted", "settled")]
    return case.setup.stage in ("fitted", "settled") or any(s.parent == case.setup.id for s in made)


def _knobs(side: SideSetup) -> bool:
    return any(getattr(side, k) is not None for k in ("rebound", "bump", "high_bump", "both", "mode"))


def _brief(case: Case) -> list[str]:
    return [] if case.document.brief.complaint or case.document.brief.keep else ["what is wrong now"]


def _survey(case: Case) -> list[str]:
    if case.document.vehicle.kind != "car":
        return _sag_walk(case)
    waits = []
    for name, words in (("mass", "weight"), ("hub_to_arch", "hub to arch")):
        missing = [p.words for p in case.places if getattr(case.facts.corners[p], name) is None]
        if missing:
            where = {4: "all corners", 3: "three corners"}.get(len(missing), " and ".join(missing))
            waits.append(f"{words}, {where}")
    return waits


def _sag_walk(case: Case) -> list[str]:
    """The sag readings of a two-wheeler; a scale may stay away where the spring says what it carries."""
    waits = []
    for place in case.places:
        reads, stood = case.facts.ends[place.end].sags, case.stood.corners[place]
        if case.facts.corners[place].hub_to_arch is None:
            waits.append(f"{place.words} height, bike alone")
        elif stood.load is None:
            waits.append(f"{place.words} weight, or its spring with preload")
        if reads.of("bike") is not None and reads.of("rider") is None:
            waits.append(f"{place.words} height, rider on")
    return waits


def _geometry(case: Case) -> list[str]:
    waits = [] if case.facts.wheelbase is not None else ["wheelbase"]
    for name in ENDS:
        end = case.facts.ends[name]
        needed = (
            *((("track", end.track),) if case.document.vehicle.kind == "car" else ()),
            *_mount_needs(end),
            ("unsprung mass", end.unsprung_mass),
            ("full droop", end.droop),
            *((("distance between the springs", end.end.spring_base),) if end.end.layout == "live axle" else ()),
        )
        waits += [f"{name} {words}" for words, value in needed if value is None]
    return waits


def _mount_needs(end: EndFacts) -> tuple[tuple[str, object], ...]:
    """What the layout itself must say of how the spring meets the wheel."""
    match end.end.layout:
        case "torsion arm":
            return (("arm length and angle", end.end.arm),)
        case "fork":
            return (("rake", end.end.fork),)
    return (("motion ratio", 1.0 if end.spring.known else None),)


def _springs(case: Case) -> list[str]:
    return [f"{p.words} spring" for p in case.places if case.side(p).spring is None]


def _height(case: Case) -> list[str]:
    if case.is_found:
        return []
    return [f"{p.words} height" for p in case.places if not _asked(case.side(p))]


def _travel(case: Case) -> list[str]:
    if case.document.vehicle.kind != "car":
        return [f"{name} travel" for name, end in case.facts.ends.items() if end.solid is None]
    waits = []
    for name, end in case.facts.ends.items():
        needed = (
            ("bump stop and shaft", end.end.bump_stop),
            ("hub to arch when the tyre meets the arch", end.contact),
        )
        waits += [f"{name} {words}" for words, value in needed if value is None]
    return waits


def _asked(side: SideSetup) -> bool:
    """Whether a height or an adjuster is set here."""
    adjuster = {
        "collar": side.collar,
        "free angle": side.free_angle,
        "pressure": side.pressure,
        "rider sag": side.rider_sag,
    }
    return side.hub_to_arch is not None or adjuster.get(side.set_by) is not None
