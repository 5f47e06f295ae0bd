"""Spring and damper at two places, and live axles: the load goes on a jack first, and comes down until the spring is loose."""

from collections.abc import Iterator

from feder.core.document.leaf import LeafPart
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
    spring_words,
    stack_setting,
    stop_settings,
    unhooked,
    wheel_off,
)
from feder.core.fitting.corner import Corner, as_mass
from feder.core.fitting.step import Part, Setting, Step
from feder.core.report.shapes import Figure


def apart_steps(corner: Corner) -> Iterator[Step]:
    """All that is done at a corner whose spring stands beside its damper, on an arm or on the axle."""
    if corner.on_leaves:
        yield from _leaf(corner)
        return
    carrier = "axle" if corner.layout == "live axle" else "arm"
    if corner.opens or corner.axle_comes_down:
        yield wheel_off(corner)
        yield from unhooked(corner, carrier)
        yield from bushes_slack(corner)
        yield _damper_free(corner, carrier)
        if corner.spring_out:
            yield _down(corner, carrier)
            yield _spring_out(corner)
        if corner.damper_out:
            yield from _damper(corner)
        yield from collar_step(corner, loaded=not corner.spring_out)
        if corner.spring_out:
            yield _spring_in(corner)
        yield from clicks_step(corner)
        yield _damper_bolt(corner, carrier)
        yield from kit_step(corner)
        yield from spacer_step(corner)
        yield from hooked(corner)
    else:
        yield from in_place(corner)


def _at_hub(corner: Corner) -> Figure | None:
    """What the old spring presses with at the hub as the wheel hangs."""
    force, ratio = corner.told_was.preload_force, corner.told_was.motion_ratio
    if force is None or ratio is None or force.value <= 0:
        return None
    return as_mass(Figure(float(force.value * ratio.value), "N", force.assumed or ratio.assumed))


def _way(corner: Corner) -> Figure | None:
    """How far the wheel comes down from where the damper holds it until the old spring is loose."""
    held, ratio = corner.told_was.held_at_droop, corner.told_was.motion_ratio
    if held is None or ratio is None or held.value <= 0:
        return None
    return Figure(float(held.value / ratio.value), "m", held.assumed or ratio.assumed)


def _damper_free(corner: Corner, carrier: str) -> Step:
    force = _at_hub(corner)
    told = "{force} at the hub. " if force is not None else ""
    return corner.step(
        "damper_bolt_out",
        f"Jack under the {carrier} takes the load; damper bolt out",
        "damper bolt out",
        "The damper holds the spring down: without the jack it all comes at once.",
        caution=f"{told}The stands stay where they are; nobody under the {carrier}.",
        numbers={} if force is None else {"force": force},
        energy=True,
        uses=(corner.use("damper bolt", "out"),),
        tools=(f"jack under the {carrier}",),
        acts=("hold:arm", "out:eye"),
    )


def _down(corner: Corner, carrier: str) -> Step:
    way = _way(corner)
    both = ", a little at each side in turn," if carrier == "axle" else ""
    told = ", about {way} at the hub" if way is not None else ""
    return corner.step(
        "arm_down",
        f"Jack down slowly{both} until the spring turns by hand{told}",
        "jack down",
        "A spring that turns by hand has no load left in it.",
        caution=f"Hands clear of the seats until it is loose. {HANDS}",
        numbers={} if way is None else {"way": way},
        energy=True,
        acts=("lower:arm", "unload:spring"),
    )


def _spring_out(corner: Corner) -> Step:
    return corner.step(
        "spring_out",
        "Spring and pads out; pads looked over, nubs in their holes",
        "spring out",
        "A pad that is split or turned knocks, and stands the spring askew.",
        look=True,
        parts=(Part("pads", "", "", 1, "reused"),),
        acts=("take:spring", "look:pads"),
    )


def _damper(corner: Corner) -> Iterator[Step]:
    yield corner.step(
        "damper_out",
        "Rod nut at the top off, damper out",
        "damper out",
        "The rod is held, not turned.",
        uses=(corner.use("rod nut", "out"),),
        tools=("key for the rod",),
        acts=("out:rod", "take:damper"),
    )
    yield from body_step(corner)
    settings, parts, acts = [], [], ["put:damper", "tight:rod"]
    if stop := stop_settings(corner):
        settings += stop
        parts.append(Part("stop"))
        acts.insert(0, "put:stop")
    if corner.damper is not None:
        new = "damper" in corner.differs
        parts.append(Part("damper", corner.damper.code, "", 1, "new" if new else "reused"))
        if new:
            settings.append(Setting("damper", text=corner.damper.code))
    if "top_mount" in corner.differs:
        settings.append(
            Setting(
                "top mount thicker by", Figure(corner.now.top_mount or 0.0, "m"), kind="fine length", signed=True
            )
        )
        parts.append(Part("top mount"))
    yield corner.step(
        "damper_in",
        "Stop on, damper up; rod held, nut on" if stop else "Damper up; rod held, nut on",
        "damper in",
        "The stop stands between metal and metal: none left out.",
        settings=tuple(settings),
        parts=tuple(parts),
        uses=(corner.use("rod nut", "tight"),),
        tools=("key for the rod",),
        acts=tuple(acts),
        covers=corner.covers("damper", "stop", "top_mount"),
    )


def _spring_in(corner: Corner) -> Step:
    now, settings = corner.now.spring, []
    new = "spring" in corner.differs
    settings.append(Setting("spring", text=spring_words(now)))
    if (stack := stack_setting(corner)) is not None:
        settings.append(stack)
    return corner.step(
        "spring_in",
        "Spring in, ends at their steps",
        "spring in",
        "An end beside its step sits the car high there, until the spring jumps in.",
        settings=tuple(settings),
        parts=(Part("spring", spring_words(now), "", 1, "new" if new else "reused"),),
        acts=("put:spring",),
        covers=corner.covers("spring", "second_spring", "stack", "pads", "seat"),
    )


def _damper_bolt(corner: Corner, carrier: str) -> Step:
    rubber = corner.hangs.damper_bush is not False
    held = corner.told.preload_force if corner.spring_out else None
    pressed = held is not None and held.value > 0
    return corner.step(
        "damper_bolt_in",
        f"Jack up until the holes meet, damper bolt{' by hand' if rubber else ''}",
        "damper bolt in",
        "A rubber eye is tightened at ride height, or it is twisted for good.",
        caution="{force} in the new spring when the holes meet. Fingers out of the seats." if pressed else "",
        numbers={"force": as_mass(held)} if pressed and held is not None else {},
        energy=pressed,
        uses=(corner.use("damper bolt", "ride" if rubber else "tight"),),
        tools=(f"jack under the {carrier}",),
        acts=("raise:arm", "load:spring", "hand:eye" if rubber else "tight:eye", "free:arm"),
    )


def _leaf(corner: Corner) -> Iterator[Step]:
    """A leaf spring: the axle on jacks of its own, its bolts, the spring; one side at a time."""
    if corner.spring_out:
        yield wheel_off(corner)
        yield from unhooked(corner, "axle")
        yield corner.step(
            "axle_held",
            "Axle on stands of its own, so high that the leaf carries nothing; damper bolt out",
            "axle held",
            "The leaf lies between frame and axle: until it is free of load its bolts are under it.",
            caution=f"One side after the other: the axle must not roll. {HANDS}",
            energy=True,
            uses=(corner.use("damper bolt", "out"),),
            tools=("stands under the axle",),
            acts=("hold:arm", "out:eye", "lower:arm", "unload:spring"),
        )
        yield corner.step(
            "leaf_out",
            "U-bolts off, shackle and front eye bolts out, spring out",
            "leaf out",
            "U-bolts are stretched once: new ones with the new spring.",
            uses=(corner.use("U-bolt nut", "out"), corner.use("spring eye bolt", "out", 2)),
            acts=("out:U-bolt", "out:spring eye", "take:spring"),
        )
        new = "spring" in corner.differs
        yield corner.step(
            "leaf_in",
            "Spring in, its centre bolt in the seat's hole; eye bolts by hand, U-bolts evenly"
            if isinstance(corner.now.spring, LeafPart)
            else "The kit's seats, arms and springs in, by its own instructions; axle bolts evenly",
            "leaf in",
            "An axle beside its centre bolt steers the car by itself.",
            settings=(Setting("spring", text=spring_words(corner.now.spring)),),
            parts=(Part("leaf spring", spring_words(corner.now.spring), "", 1, "new" if new else "reused"),),
            uses=(corner.use("U-bolt nut", "tight"), corner.use("spring eye bolt", "ride", 2)),
            acts=("put:spring", "hand:spring eye", "tight:U-bolt"),
            covers=corner.covers("spring", "second_spring", "stack", "pads", "seat"),
        )
    elif corner.damper_out:
        yield wheel_off(corner)
        yield from unhooked(corner, "axle")
        yield _damper_free(corner, "axle")
    if corner.damper_out:
        yield from _damper(corner)
    if corner.opens:
        yield _damper_bolt(corner, "axle")
        yield from kit_step(corner)
        yield from spacer_step(corner)
        yield from clicks_step(corner)
        yield from hooked(corner)
    else:
        if "spacer" in corner.differs or corner.converts:
            yield wheel_off(corner)
            yield from kit_step(corner)
            yield from spacer_step(corner)
        yield from clicks_step(corner)
