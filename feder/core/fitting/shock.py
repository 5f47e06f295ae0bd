"""A shock on a linkage, or one on each side: the wheel held, the shock out, its spring apart and together, in again."""

from collections.abc import Iterator

from feder.core.fitting.common import (
    HANDS,
    air_in,
    clicks_step,
    collar_step,
    is_air,
    kit_step,
    spring_words,
    stop_settings,
)
from feder.core.fitting.corner import Corner, as_mass
from feder.core.fitting.step import Part, Setting, Step
from feder.core.report.shapes import Figure

OPENED = {
    "spring",
    "second_spring",
    "damper",
    "stop",
    "top_mount",
    "body",
    "stack",
    "pads",
    "seat",
    "shock_length",
}


def shock_steps(corner: Corner) -> Iterator[Step]:
    """All that is done at the rear of a two-wheeler."""
    if corner.differs & OPENED:
        yield from _out(corner)
        yield from _apart(corner)
        yield from _together(corner)
        yield from _in(corner)
    else:
        yield from collar_step(corner, loaded=True)
        yield from _pumped(corner)
    yield from kit_step(corner)
    yield from clicks_step(corner)


def _lines(corner: Corner) -> list[str]:
    """Lines by which the shock hangs on the frame."""
    told = (("cable", corner.hangs.damper_cable), ("reservoir", corner.hangs.reservoir))
    return [name for name, there in told if there]


def _both(corner: Corner) -> str:
    return "both shocks, one after the other" if corner.layout == "twin shock" else "shock"


def _out(corner: Corner) -> Iterator[Step]:
    parts = _lines(corner)
    if parts:
        yield corner.step(
            "unhook",
            f"{' and '.join(parts).capitalize()} off the frame",
            "leads off",
            "The shock comes out with them, not on them.",
            acts=tuple(f"unhook:{p}" for p in parts),
        )
    yield corner.step(
        "held",
        "Wheel held at full droop, so that the shock carries nothing",
        "wheel held",
        "With the bolts out the swingarm falls.",
        tools=("block or strap under the wheel",),
        acts=("hold:arm",),
    )
    yield corner.step(
        "shock_out",
        f"Lower bolt, then upper bolt out; {_both(corner)} out",
        "shock out",
        "A bolt that must be driven out still carries load: hold the wheel otherwise.",
        uses=(corner.use("shock bolt", "out", 2),),
        acts=("out:eye", "out:head", "take:unit"),
    )


def _apart(corner: Corner) -> Iterator[Step]:
    if is_air(corner.was.spring):
        yield corner.step(
            "air_out",
            "Air out: valve pressed, shock pushed in and out, pressed again",
            "air out",
            "Air caught in the negative chamber pulls it together when it is opened.",
            caution=f"A sleeve under pressure flies off. {HANDS}",
            energy=True,
            acts=("air:out", "unload:spring"),
        )
        return
    force, by = corner.told_was.preload_force, corner.told_was.held_at_droop
    loaded = force is None or force.value > 0
    told = (
        "{force} in the spring" + (", {by} to back off. " if by is not None else ". ")
        if force is not None and loaded
        else ""
    )
    yield corner.step(
        "spring_off",
        "Ring slack, collar back until the spring turns by hand; if it does not, compressor. Clip and seat off, spring off"
        if loaded
        else "Clip and seat off, spring off",
        "spring off",
        "The clip under the seat holds what is left in the spring.",
        caution=f"{told}{HANDS}" if loaded else "",
        numbers={}
        if force is None or not loaded
        else {"force": as_mass(force)} | ({} if by is None else {"by": by}),
        energy=loaded,
        tools=("collar spanner", "spring compressor") if loaded else (),
        acts=("unload:spring", "take:spring"),
    )


def _together(corner: Corner) -> Iterator[Step]:
    settings, parts, acts = [], [], []
    if "damper" in corner.differs and corner.damper is not None:
        settings.append(Setting("shock", text=corner.damper.code))
        parts.append(Part("shock", corner.damper.code))
        acts.append("put:damper")
    if stop := stop_settings(corner):
        settings += stop
        parts.append(Part("stop"))
        acts.append("put:stop")
    if "body" in corner.differs:
        settings.append(
            Setting("body longer than told", Figure(corner.now.body or 0.0, "m"), kind="fine length", signed=True)
        )
    if "shock_length" in corner.differs and corner.now.shock_length is not None:
        settings.append(Setting("extended, eye to eye", Figure(corner.now.shock_length, "m"), kind="fine length"))
    if "top_mount" in corner.differs:
        settings.append(
            Setting("top mount thicker by", Figure(corner.now.top_mount or 0.0, "m"), kind="fine length")
        )
    new = "spring" in corner.differs
    settings.append(Setting("spring", text=spring_words(corner.now.spring)))
    if corner.now.second_spring is not None:
        settings.append(Setting("right side", text=spring_words(corner.now.second_spring)))
    parts.append(Part("spring", spring_words(corner.now.spring), "", 1, "new" if new else "reused"))
    yield corner.step(
        "together",
        "Bearings and seals of both eyes looked over; spring on, seat and clip in their groove",
        "spring on",
        "A worn eye feels like a soft damper.",
        settings=tuple(settings),
        parts=tuple(parts),
        look=True,
        acts=("look:eyes", *acts, "put:spring"),
        covers=corner.covers(*OPENED),
    )
    yield from collar_step(corner, loaded=True, acts=("load:spring",))


def _in(corner: Corner) -> Iterator[Step]:
    yield corner.step(
        "shock_in",
        f"{_both(corner).capitalize()} in: upper bolt, then lower bolt; linkage turned by hand first",
        "shock in",
        "A linkage that grips by hand grips on the road.",
        uses=(corner.use("shock bolt", "tight", 2),),
        acts=("put:unit", "tight:head", "tight:eye", "free:arm"),
    )
    yield from _pumped(corner)
    parts = _lines(corner)
    if parts:
        yield corner.step(
            "hook",
            f"{' and '.join(parts).capitalize()} back; nothing rubs at droop and at full bump",
            "leads back",
            "A line pinched once leaks on the road.",
            acts=tuple(f"hook:{p}" for p in parts),
        )


def _pumped(corner: Corner) -> Iterator[Step]:
    if is_air(corner.now.spring) and corner.differs & (OPENED | {"pressure"}):
        yield from air_in(corner)
