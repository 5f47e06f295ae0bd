"""What is done before anything is undone: readings kept, parts against the plan, the vehicle up and safe."""

from collections.abc import Iterator
from datetime import date

from feder.core.document.setup import SpringPart
from feder.core.fitting.corner import Corner
from feder.core.fitting.step import Setting, Step
from feder.core.report.shapes import Figure


def _step(name: str, text: str, short: str, why: str, **more: object) -> Step:
    return Step(f"before.{name}", "before", text, short, why, **more)  # type: ignore[arg-type]


def before_steps(corners: list[Corner], *, new: int, lifts: bool, lifted: list[str]) -> Iterator[Step]:
    """The steps before lifting. `new` counts fasteners that are renewed, `lifted` names the ends that come up."""
    document = corners[0].document
    car = document.vehicle.kind == "car"
    yield _as_found(corners, car=car)
    yield from _unpacked(corners)
    if new:
        yield _step(
            "fasteners",
            f"All {new} new fasteners here, counted out",
            "fasteners here",
            "A bolt turned on by angle has stretched: it does not hold a second time.",
            acts=("look:fasteners",),
        )
    yield from _stops(corners)
    if not lifts:
        return
    if any(c.opens and c.layout in ("strut", "wishbone") for c in corners):
        yield _step(
            "mounts_marked",
            "Top mounts marked to the body",
            "mounts marked",
            "The mark brings camber and the mount's direction back.",
            acts=("mark:mount",),
        )
    if car:
        yield _step(
            "wheel_bolts_slack",
            "Wheel bolts slack, a quarter turn",
            "wheel bolts slack",
            "On stands they would turn the wheel, or shake the car off.",
            acts=("slack:wheel bolt",),
        )
        yield _step(
            "stands",
            "Level floor, chocks; up, a stand at each point its maker names",
            "on stands",
            "A jack lifts, a stand holds. Nobody is under a car on a jack.",
            caution="Stands made for the load, on firm ground. Never on a jack alone.",
            tools=("stands", "chocks", "trolley jack"),
            acts=("support:stands",),
        )
        yield _step(
            "pushed",
            "Push hard, fore and aft: nothing moves",
            "pushed",
            "Better it falls now than with an arm under it.",
            acts=("look:stands",),
        )
        return
    ends = " and ".join(lifted) if lifted else "wheels"
    yield _step(
        "strapped",
        f"Bike on its stand and strapped to both sides; {ends} off the floor",
        "strapped",
        "A fork that comes loose lets the bike down on its nose.",
        caution="Straps and stand made for its weight; nobody leans on it.",
        tools=("stand", "straps"),
        acts=("support:strap",),
    )
    yield _step(
        "pushed",
        "Push hard, to both sides: nothing moves",
        "pushed",
        "Better it falls now.",
        acts=("look:stands",),
    )


def _as_found(corners: list[Corner], *, car: bool) -> Step:
    known = all(c.told_was.hub_to_arch is not None for c in corners)
    survey = corners[0].document.survey
    day = date.fromisoformat(survey.date) if survey is not None and survey.date else None
    when = "" if day is None else f" of {day.day} {day:%B} {day.year}"
    what = "Heights" if car else "Sags"
    return _step(
        "as_found",
        f"{what}{when} stand in the survey, at every {'corner' if car else 'wheel'}"
        if known
        else f"{what} as found read and typed: they are still missing",
        "readings kept",
        "Once it is apart nobody can say any more how it stood.",
        acts=("look:survey",),
    )


def _unpacked(corners: list[Corner]) -> Iterator[Step]:
    """A wrong spring in the box is found here, not in the compressor."""
    settings = []
    for corner in corners:
        spring, damper = corner.now.spring, corner.damper
        place = corner.place.words
        if "spring" in corner.differs and spring is not None:
            settings.append(Setting(place, text=spring.code))
        if "spring" in corner.differs and isinstance(spring, SpringPart):
            for name, length, kind in (
                ("free", spring.free_length, None),
                ("wire", spring.wire_diameter, "fine length"),
            ):
                if length is not None:
                    settings.append(Setting(f"{place}, {name}", Figure(length, "m"), kind=kind))
            if spring.active_coils is not None:
                settings.append(Setting(f"{place}, coils", text=f"{spring.active_coils:.1f}"))
        if "damper" in corner.differs and damper is not None:
            settings.append(Setting(f"{place}, damper", text=damper.code))
    if settings:
        yield _step(
            "unpacked",
            "Kit unpacked and laid out, left and right apart: code, hand, free length, wire, coils, end shape against the plan",
            "kit laid out",
            "A wrong spring in the box costs a minute here, and a day in the car.",
            settings=tuple(settings),
            tools=("tape", "calliper"),
            acts=("look:kit",),
        )


def _stops(corners: list[Corner]) -> Iterator[Step]:
    cut = [
        Setting(c.place.words, Figure(c.stop.length, "m"), kind="fine length")
        for c in corners
        if "stop" in c.differs and c.stop is not None
    ]
    if cut:
        yield _step(
            "stops_cut",
            "Stops cut square with a sharp knife, measured after",
            "stops cut",
            "A slanting cut bends the rod; too short, and metal meets metal.",
            settings=tuple(cut),
            tools=("sharp knife",),
            acts=("set:stops",),
        )
