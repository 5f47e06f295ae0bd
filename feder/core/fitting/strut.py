"""Spring and damper as one unit: a strut, a coilover on wishbones. Out, apart, together, in."""

from collections.abc import Iterator

from feder.core.fitting.common import (
    HANDS,
    body_step,
    bushes_slack,
    clicks_step,
    collar_step,
    hooked,
    in_place,
    kit_step,
    spacer_step,
    spring_on,
    unhooked,
    wheel_off,
)
from feder.core.fitting.corner import Corner, as_mass
from feder.core.fitting.step import Part, State, Step

FEET = {
    "pinch clamp": ("Strut marked in its clamp, bolt out, hub tied up", "clamp bolt", 1),
    "two bolts": ("Bolts at the knuckle marked, both out, hub tied up", "knuckle bolt", 2),
    "fork": ("Foot of the strut marked, its bolt out, hub tied up", "foot bolt", 1),
    None: ("Foot of the strut marked, its bolts out, hub tied up", "knuckle bolt", 2),
}
HOME = {
    "pinch clamp": "Strut right down in its clamp, tab in the slot; bolt",
    "two bolts": "Knuckle to its marks, both bolts",
    "fork": "Foot right home in its fork; bolt",
    None: "Foot right home, to its marks; bolts",
}


def unit_steps(corner: Corner) -> Iterator[Step]:
    """All that is done at a corner whose spring stands on its damper."""
    wishbone = corner.layout == "wishbone"
    if corner.opens:
        yield wheel_off(corner)
        yield from unhooked(corner, "arm" if wishbone else "strut")
        yield from bushes_slack(corner)
        yield from _out_of_wishbones(corner) if wishbone else _out_of_knuckle(corner)
        yield from apart(corner)
        yield from together(corner)
        yield from _into_wishbones(corner) if wishbone else _into_knuckle(corner)
        yield from kit_step(corner)
        yield from spacer_step(corner)
        yield from hooked(corner)
    else:
        yield from in_place(corner)


def _out_of_knuckle(corner: Corner) -> Iterator[Step]:
    words, kind, count = FEET[corner.hangs.held]
    shaft = "; the drive shaft is not pulled" if corner.hangs.drive_shaft else ""
    yield corner.step(
        "foot_out",
        words + shaft,
        "foot free",
        "The mark brings back camber and height; a hub left hanging pulls hose, lead and shaft.",
        uses=(corner.use(kind, "out", count),),
        acts=("mark:foot", "out:foot", "tie:hub"),
    )
    yield corner.step(
        "unit_out",
        "Hand under the strut, tower nuts off, strut out",
        "strut out",
        "It drops the moment the last nut is off.",
        uses=(corner.use("tower nut", "out"),),
        acts=("out:tower", "take:unit"),
    )


def _into_knuckle(corner: Corner) -> Iterator[Step]:
    _, kind, count = FEET[corner.hangs.held]
    hand = corner.hand
    yield corner.step(
        "unit_in",
        "Strut up through the tower, nuts by hand",
        "strut up",
        "Left is left: brackets and tabs are not the same on both.",
        parts=(Part("strut", corner.damper.code if corner.damper else "", hand, 1, _new(corner)),),
        uses=(corner.use("tower nut", "hand"),),
        acts=("put:unit", "hand:tower"),
        covers=corner.covers("damper"),
    )
    yield corner.step(
        "foot_in",
        HOME[corner.hangs.held],
        "foot home",
        "A strut that is not home holds the body high by as much, and works loose.",
        uses=(corner.use(kind, "tight", count),),
        acts=("untie:hub", "tight:foot"),
    )


def _new(corner: Corner) -> State:
    return "new" if "damper" in corner.differs else "reused"


def _out_of_wishbones(corner: Corner) -> Iterator[Step]:
    yield corner.step(
        "eye_out",
        "Jack under the arm takes its weight; lower damper bolt out",
        "lower bolt out",
        "Without the jack the arm falls as the bolt comes out.",
        uses=(corner.use("damper bolt", "out"),),
        tools=("jack under the arm",),
        acts=("hold:arm", "out:eye"),
    )
    yield corner.step(
        "unit_out",
        "Arm down slowly, upper nuts off, coilover out",
        "coilover out",
        "It drops the moment the last nut is off.",
        uses=(corner.use("tower nut", "out"),),
        acts=("lower:arm", "out:tower", "take:unit"),
    )


def _into_wishbones(corner: Corner) -> Iterator[Step]:
    yield corner.step(
        "unit_in",
        "Coilover in, upper nuts by hand",
        "coilover in",
        "Left is left where it has brackets; the ring stays within reach.",
        parts=(Part("coilover", corner.damper.code if corner.damper else "", corner.hand, 1, _new(corner)),),
        uses=(corner.use("tower nut", "hand"),),
        acts=("put:unit", "hand:tower"),
        covers=corner.covers("damper"),
    )
    rubber = corner.hangs.damper_bush is not False
    yield corner.step(
        "eye_in",
        "Jack up until the holes meet, lower damper bolt by hand"
        if rubber
        else "Jack up until the holes meet, lower bolt",
        "lower bolt in",
        "A rubber eye is tightened at ride height." if rubber else "A spherical eye can be tightened anywhere.",
        uses=(corner.use("damper bolt", "ride" if rubber else "tight"),),
        tools=("jack under the arm",),
        acts=("raise:arm", "hand:eye" if rubber else "tight:eye", "free:arm"),
    )


def apart(corner: Corner) -> Iterator[Step]:
    """The unit out of the car comes apart: its spring first, then the nut of the rod."""
    force, by, collar = corner.told_was.preload_force, corner.told_was.held_at_droop, corner.told_was.collar
    held = force is not None and by is not None and by.value > 0
    turned_back = (
        held and by is not None and collar is not None and collar.value >= by.value and corner.was.seat is not None
    )
    tools: tuple[str, ...] = ("spring compressor",)
    acts: tuple[str, ...] = ("unload:spring", "open:unit")
    energy = held or force is None
    text = "Old unit in the compressor. Rod nut off only when the spring turns by hand"
    if not energy:
        text, tools, acts = "Spring is loose as it hangs; rod nut off", (), ("open:unit",)
    elif turned_back:
        text = "Ring slack, collar down {by} until the spring turns by hand; then the rod nut"
        tools = ("collar spanner",)
    numbers = {"force": as_mass(force), "by": by} if held and force is not None else {}
    told = " {force} in the spring as it hangs: back off evenly, {by}." if held else ""
    yield corner.step(
        "apart",
        text,
        "old unit apart",
        "The nut of the rod is all that holds the spring.",
        caution=(f"{told} Hooks opposite each other, wound turn by turn. {HANDS}".strip() if energy else ""),
        numbers={k: v for k, v in numbers.items() if v is not None},
        energy=energy,
        uses=(corner.use("rod nut", "out"),),
        tools=tools,
        acts=acts,
    )
    yield corner.step(
        "mount_over",
        "Top mount, bearing, pads and boot looked over"
        + ("; new top mount" if "top_mount" in corner.differs else ", taken across"),
        "mount over",
        "A cracked mount or a stiff bearing is found here, or on the road.",
        look=True,
        parts=(
            Part(
                "top mount",
                "",
                corner.hand if corner.hangs.mount_handed else "",
                1,
                "new" if "top_mount" in corner.differs else "reused",
            ),
        ),
        acts=("look:mount",),
        covers=corner.covers("top_mount"),
    )


def together(corner: Corner) -> Iterator[Step]:
    """Stop, spring, mount and nut; the collar where it belongs; the clicks while the damper lies on the bench."""
    yield spring_on(corner)
    force, held, collar = corner.told.preload_force, corner.told.held_at_droop, corner.told.collar
    pressed = force is not None and force.value > 0 and held is not None
    adjustable = _turns(corner)
    loose_first = adjustable and pressed and held is not None and collar is not None and collar.value >= held.value
    compress = pressed and not loose_first
    arrow = ", its mark to the outside" if corner.hangs.mount_handed is not False else ""
    numbers = {
        k: v
        for k, v in (("force", as_mass(force) if force is not None else None), ("held", held))
        if v is not None
    }
    yield corner.step(
        "mount_on",
        (
            f"In the compressor, {{held}} down: top mount on{arrow}; rod nut"
            if compress
            else f"Top mount on{arrow}; rod nut"
        ),
        "rod nut",
        "The rod is held, not turned: its seal is cut by a spinning rod.",
        caution=f"{{force}} in the new spring. {HANDS}" if compress else "",
        numbers=numbers if compress else {},
        energy=compress,
        uses=(corner.use("rod nut", "tight"),),
        tools=("spring compressor", "key for the rod") if compress else ("key for the rod",),
        acts=("load:spring", "close:unit") if compress else ("close:unit",),
    )
    acts = ("load:spring",) if loose_first else ()
    yield from collar_step(corner, loaded=compress, acts=acts)
    yield from body_step(corner)
    yield from clicks_step(corner)


def _turns(corner: Corner) -> bool:
    """Whether a collar is turned, so that the spring is laid in loose."""
    seat = corner.now.seat or corner.was.seat
    return (
        seat is not None and corner.told.collar is not None and (seat.pitch is not None or seat.thread is not None)
    )
