"""An arm on a torsion bar: marks, level, puller, spline moves; a long bar by its bolt."""

from collections.abc import Iterator

from feder.core.document.leaf import LeafPart
from feder.core.document.setup import TorsionBarPart
from feder.core.fitting.apart import apart_steps
from feder.core.fitting.common import (
    body_step,
    clicks_step,
    hooked,
    kit_step,
    spacer_step,
    spring_words,
    stop_settings,
    unhooked,
    wheel_off,
)
from feder.core.fitting.corner import Corner
from feder.core.fitting.step import Part, Setting, Step
from feder.core.report.shapes import Figure

WOUND = "The wound bar drives the plate and the hub down: the maker's puller, stand clear, nobody beside it."


def torsion_steps(corner: Corner) -> Iterator[Step]:
    """All that is done at an arm on a bar; a coil in the bar's place is fitted as one beside its damper."""
    bars = [isinstance(s.spring, TorsionBarPart) for s in (corner.was, corner.now)]
    if not any(bars) or isinstance(corner.now.spring, LeafPart):
        yield from apart_steps(corner)
        return
    moves = bool(corner.differs & {"spring", "free_angle"})
    if corner.end.arm is not None and corner.end.arm.bolt is not None and "spring" not in corner.differs:
        yield from _by_bolt(corner, moves=moves)
        return
    if not moves and not corner.damper_out and "beside" not in corner.differs:
        if "spacer" in corner.differs or corner.converts:
            yield wheel_off(corner)
            yield from kit_step(corner)
            yield from spacer_step(corner)
        yield from clicks_step(corner)
        return
    yield wheel_off(corner)
    yield from unhooked(corner, "arm")
    yield _eye_out(corner)
    if moves:
        yield from _bar(corner)
    if corner.damper_out or "beside" in corner.differs:
        yield from _damper(corner)
    yield from clicks_step(corner)
    yield _eye_in(corner)
    yield from kit_step(corner)
    yield from spacer_step(corner)
    yield from hooked(corner)


def _eye_out(corner: Corner) -> Step:
    return corner.step(
        "damper_bolt_out",
        "Jack under the arm takes the load; damper bolt out",
        "damper bolt out",
        "The damper is what holds the arm at droop: without the jack the bar drives it down.",
        caution=WOUND,
        energy=True,
        uses=(corner.use("damper bolt", "out"),),
        tools=("jack under the arm",),
        acts=("hold:arm", "out:eye"),
    )


def _eye_in(corner: Corner) -> Step:
    rubber = corner.hangs.damper_bush is not False
    return corner.step(
        "damper_bolt_in",
        f"Jack up until the holes meet, damper bolt{' by hand' if rubber else ''}",
        "damper bolt in",
        "A rubber eye is tightened at ride height, or it is twisted for good.",
        uses=(corner.use("damper bolt", "ride" if rubber else "tight"),),
        tools=("jack under the arm",),
        acts=("raise:arm", "hand:eye" if rubber else "tight:eye", "free:arm"),
    )


def _bar(corner: Corner) -> Iterator[Step]:
    bench, row = corner.bench, corner.row
    bolted = corner.end.arm is not None and corner.end.arm.bolt is not None
    new = "spring" in corner.differs
    yield corner.step(
        "marks",
        "Bar, plate and tube marked at both ends; level zeroed on the chassis",
        "marked, zeroed",
        "Without marks there is no way back; a level zeroed elsewhere is off by the slope of the floor.",
        tools=("digital level", "scriber"),
        acts=("mark:bar", "set:level"),
    )
    press = None if bench is None else bench.press_off
    told = "{press} at the hub on its ledge. " if press is not None else ""
    yield corner.step(
        "off_ledge",
        "Bolt marked and backed off until the lever hangs free; the turns counted"
        if bolted
        else "Puller on; plate eased off its ledge until it hangs free",
        "plate free",
        "The bar is wound even with the wheel hanging, down to the ledge.",
        caution=told + WOUND,
        numbers={} if press is None else {"press": press},
        energy=True,
        tools=("the maker's puller",),
        acts=("lower:arm", "unload:bar"),
    )
    found = None if bench is None else bench.free_found
    yield corner.step(
        "free_read",
        "Free plate read on the level",
        "plate read",
        "It says where this bar really stands: all moves are counted from here.",
        settings=() if found is None else (Setting("computed", found),),
        tools=("digital level",),
        acts=("look:plate",),
    )
    code = spring_words(corner.now.spring)
    hand = corner.hand if isinstance(corner.now.spring, TorsionBarPart) and corner.now.spring.handed else ""
    if not isinstance(corner.now.spring, TorsionBarPart):
        yield from _coil_instead(corner)
        return
    yield corner.step(
        "bar_out",
        "Plate off, bar out; looked over for nicks, rust and worn splines" + ("; the new one in" if new else ""),
        "bar out",
        "A bar breaks from a scratch. It is pre-stressed one way: left is left.",
        look=True,
        settings=(Setting("bar", text=code),) if new else (),
        parts=(Part("torsion bar", code, hand, 1, "new" if new else "reused"),),
        uses=(corner.use("plate bolt", "out"),),
        acts=("out:plate", "take:bar", "look:bar", "put:bar"),
        covers=corner.covers("spring"),
    )
    settings = []
    if row is not None:
        settings.append(Setting("from outside", text=row.words))
        settings.append(Setting("level must show", Figure(row.free_angle, "rad")))
        if row.turns is not None and row.reachable and abs(row.turns) > 0.05:
            settings.append(Setting("then adjuster, turns", Figure(row.turns, "turn"), signed=True))
    elif corner.told.free_angle is not None:
        settings.append(corner.setting("free plate", "free_angle"))
    yield corner.step(
        "moves",
        "Lever on at its mark; the free lever shows the angle wanted"
        if bolted
        else "Spline moves made, plate on; the level shows the angle wanted",
        "moves made",
        "A spline more or less is degrees at the arm, centimetres at the arch.",
        settings=tuple(settings),
        uses=(corner.use("plate bolt", "tight"),),
        tools=("digital level",),
        acts=("tight:plate", "set:free angle"),
        covers=corner.covers("free_angle"),
    )
    press = None if bench is None else bench.press_on
    told = "{press} at the hub on its ledge. " if press is not None else ""
    yield corner.step(
        "on_ledge",
        "Bolt back in by the turns counted, then as the height asks"
        if bolted
        else "Plate jacked over its ledge, puller off",
        "plate over",
        "From here on the bar carries.",
        caution=told + WOUND,
        numbers={} if press is None else {"press": press},
        energy=True,
        tools=("the maker's puller", "jack under the arm"),
        acts=("load:bar",),
    )


def _coil_instead(corner: Corner) -> Iterator[Step]:
    """The bar comes out for good, and a coil on the damper carries."""
    yield corner.step(
        "bar_out",
        "Plate off, bar out for good",
        "bar out",
        "Both would carry: the height and the rate would be another's.",
        uses=(corner.use("plate bolt", "out"),),
        acts=("out:plate", "take:bar", "tight:plate"),
    )
    yield corner.step(
        "coil_in",
        "Coil and damper in its place, upper bolt tight",
        "coil in",
        "The damper's mounts now carry the car: body and bracket looked over by a licensed workshop.",
        caution="Mounts that were made for a damper alone may tear.",
        settings=(Setting("spring", text=spring_words(corner.now.spring)),),
        parts=(Part("coil and damper", spring_words(corner.now.spring)),),
        acts=("put:spring", "load:spring"),
        covers=corner.covers("spring", "free_angle", "collar", "seat", "stack", "pads"),
    )


def _damper(corner: Corner) -> Iterator[Step]:
    settings, parts, acts = [], [], ["out:rod", "take:damper"]
    if stop := stop_settings(corner):
        settings += stop
        parts.append(Part("stop"))
        acts.append("put:stop")
    if corner.damper is not None and "damper" in corner.differs:
        settings.append(Setting("damper", text=corner.damper.code))
        parts.append(Part("damper", corner.damper.code))
    if corner.now.beside is not None and "beside" in corner.differs:
        settings.append(Setting("coil beside", Figure(corner.now.beside.rate.value, "N/m")))
        settings.append(Setting("held at droop", Figure(corner.now.beside.hold, "m"), kind="fine length"))
    if "top_mount" in corner.differs:
        settings.append(
            Setting("top mount thicker by", Figure(corner.now.top_mount or 0.0, "m"), kind="fine length")
        )
    yield corner.step(
        "damper_changed",
        "Damper out at the top; the new parts on, damper in, bolt at the top",
        "damper changed",
        "The stop stands between metal and metal: none left out.",
        settings=tuple(settings),
        parts=tuple(parts),
        uses=(corner.use("damper top bolt", "tight"),),
        acts=(*acts, "put:damper", "tight:rod"),
        covers=corner.covers("damper", "stop", "top_mount", "beside"),
    )
    yield from body_step(corner)


def _by_bolt(corner: Corner, *, moves: bool) -> Iterator[Step]:
    """A long bar, set by a bolt on its lever; the weight off the wheel."""
    off = bool(corner.damper_out or corner.differs & {"spacer", "beside"} or corner.converts)
    if not (moves or off):
        yield from clicks_step(corner)
        return
    yield wheel_off(corner)
    if moves:
        bolt = None if corner.bench is None else corner.bench.bolt
        settings = (Setting("bolt, turns tighter", bolt.turns, signed=True),) if bolt is not None else ()
        if corner.told.free_angle is not None:
            settings = (*settings, corner.setting("free lever", "free_angle"))
        yield corner.step(
            "bolt",
            "Bolt of the lever marked, then turned; the other side's in turn with it",
            "bolt turned",
            "Each side carries a part of the other's: both are turned, then both are read.",
            caution=f"The bar is wound while the bolt is turned: its thread greased, nobody in line with the lever. {WOUND}",
            energy=True,
            settings=settings,
            uses=(corner.use("lever bolt", "tight"),),
            acts=("mark:bolt", "set:free angle"),
            covers=corner.covers("free_angle"),
        )
    if corner.damper_out or "beside" in corner.differs:
        yield from unhooked(corner, "arm")
        yield _eye_out(corner)
        yield from _damper(corner)
        yield _eye_in(corner)
        yield from hooked(corner)
    yield from clicks_step(corner)
    yield from kit_step(corner)
    yield from spacer_step(corner)
