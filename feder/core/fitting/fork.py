"""A telescopic fork: clamps slack, air out, caps off against their springs, oil, springs, caps on, clamps in their order."""

from collections.abc import Iterator

from feder.core.fitting.common import HANDS, air_in, clicks_step, is_air, kit_step, spring_words
from feder.core.fitting.corner import Corner, as_mass
from feder.core.fitting.step import Part, Setting, Step
from feder.core.report.shapes import Figure

OPENED = {
    "spring", "second_spring", "fork_spacer", "oil_level", "oil_quantity", "oil_grade", "damper", "stop", "stack", "pads"
}  # fmt: skip


def fork_steps(corner: Corner) -> Iterator[Step]:
    """All that is done at a fork; both legs together, since they hold one wheel."""
    opened, legs_out = bool(corner.differs & OPENED), "damper" in corner.differs
    if opened:
        if legs_out:
            yield _wheel_out(corner)
        yield _top_clamp_slack(corner)
        yield from _open(corner)
        if legs_out:
            yield _legs_out(corner)
            yield _cartridge(corner)
        yield from _inside(corner)
        yield _caps_on(corner)
        if legs_out:
            yield _legs_in(corner)
    yield from kit_step(corner)
    if "clamp" in corner.differs:
        yield _height(corner, loosened=opened)
    if opened or "clamp" in corner.differs:
        yield _clamps_tight(corner, both="clamp" in corner.differs or legs_out)
    yield from _preload(corner)
    if is_air(corner.now.spring) and (opened or corner.differs & {"pressure", "spring"}):
        yield from air_in(corner)
    yield from clicks_step(corner)
    if legs_out:
        yield _wheel_in(corner)


def _wheel_out(corner: Corner) -> Step:
    return corner.step(
        "wheel_off",
        "Caliper off and hung on a strap, lead off; wheel out",
        "wheel out",
        "A caliper left on its hose tears it inside; the lever is not touched while it is off.",
        uses=(corner.use("caliper bolt", "out", 2), corner.use("axle clamp bolt", "out")),
        acts=("unhook:hose", "unhook:lead", "wheel:off"),
    )


def _top_clamp_slack(corner: Corner) -> Step:
    return corner.step(
        "top_slack",
        "Top clamp bolts slack, left in",
        "top clamp slack",
        "A clamp that is tight presses on the cap's thread: it seizes.",
        uses=(corner.use("top clamp bolt", "slack"),),
        acts=("slack:top clamp",),
    )


def _open(corner: Corner) -> Iterator[Step]:
    if is_air(corner.was.spring):
        yield corner.step(
            "air_out",
            "Air out: valve pressed until it is silent, then once more with the fork pushed in",
            "air out",
            "A chamber that equalised at its port holds air behind the first hiss.",
            caution=f"A cap under pressure flies off. {HANDS}",
            energy=True,
            acts=("air:out",),
        )
    force = corner.told_was.preload_force
    pressed = not is_air(corner.was.spring) and (force is None or force.value > 0)
    told = "{force} of the springs behind them. " if force is not None and pressed else ""
    yield corner.step(
        "caps_off",
        "Preload backed off; caps turned out slowly, pressed down by hand" if pressed else "Caps out",
        "caps off",
        "The last turn of the thread is all that holds the spring.",
        caution=f"{told}Face aside, the bike strapped. {HANDS}" if pressed else "",
        numbers={"force": as_mass(force)} if told and force is not None else {},
        energy=pressed,
        uses=(corner.use("fork cap", "out"),),
        acts=("out:cap",),
    )


def _legs_out(corner: Corner) -> Step:
    return corner.step(
        "legs_out",
        "A hand under the leg, bottom clamp bolts slack, legs out",
        "legs out",
        "A leg drops the moment the clamp lets go.",
        uses=(corner.use("bottom clamp bolt", "slack", 2),),
        acts=("slack:bottom clamp", "take:legs"),
    )


def _cartridge(corner: Corner) -> Step:
    part = corner.damper
    code = "" if part is None else part.code
    return corner.step(
        "cartridge",
        "Old cartridge or valving out, the new one in; its foot bolt with a new seal",
        "cartridge in",
        "A foot bolt that weeps empties the leg in a week.",
        settings=(Setting("damper", text=code),) if code else (),
        parts=(Part("cartridge", code),),
        uses=(corner.use("foot bolt", "tight"),),
        acts=("take:damper", "put:damper"),
        covers=corner.covers("damper"),
    )


def _inside(corner: Corner) -> Iterator[Step]:
    spring = corner.differs & {"spring", "second_spring", "fork_spacer", "stack", "pads"}
    if is_air(corner.now.spring):
        if not spring:
            yield from _oil(corner)
        if spring:
            yield corner.step(
                "chamber",
                "Volume spacers as planned, seals looked over and greased",
                "spacers in",
                "Spacers make the end of the stroke firmer, not its beginning.",
                settings=_air_parts(corner),
                acts=("take:spring", "put:spring"),
                covers=corner.covers("spring", "second_spring", "fork_spacer", "stack", "pads"),
            )
            yield from _oil(corner)
        return
    yield corner.step(
        "springs_out",
        "Spacers, washers and springs out, laid down in their order",
        "springs out",
        "A washer left out lets the spring eat the cap.",
        acts=("take:spring",),
    )
    yield from _oil(corner)
    settings = [Setting("spring", text=spring_words(corner.now.spring))]
    if corner.now.second_spring is not None:
        settings.append(Setting("right leg", text=spring_words(corner.now.second_spring)))
    if "fork_spacer" in corner.differs and corner.now.fork_spacer is not None:
        settings.append(Setting("spacers", Figure(corner.now.fork_spacer, "m")))
    new = "spring" in corner.differs
    yield corner.step(
        "springs_in",
        "Springs in slowly, close coils down where they differ; washers, spacers",
        "springs in",
        "Dropped in they splash the oil, and the level is gone.",
        settings=tuple(settings),
        parts=(
            Part("fork spring", spring_words(corner.now.spring), "", _legs(corner), "new" if new else "reused"),
        ),
        acts=("put:spring",),
        covers=corner.covers("spring", "second_spring", "fork_spacer", "stack", "pads", "stop"),
    )


def _legs(corner: Corner) -> int:
    return corner.end.fork.legs if corner.end.fork is not None else 2


def _air_parts(corner: Corner) -> tuple[Setting, ...]:
    spring = corner.now.spring
    return (
        Setting("spring", text=spring_words(spring)),
        Setting("spacers", text=str(getattr(spring, "spacers", 0))),
    )


def _oil(corner: Corner) -> Iterator[Step]:
    covers = corner.covers("oil_level", "oil_quantity", "oil_grade")
    if not covers:
        return
    settings = []
    if corner.now.oil_grade:
        settings.append(Setting("oil", text=corner.now.oil_grade))
    if corner.now.oil_quantity is not None:
        settings.append(Setting("in each leg", Figure(corner.now.oil_quantity, "m^3")))
    if corner.now.oil_level is not None:
        settings.append(Setting("from the rim down to the oil", Figure(corner.now.oil_level, "m")))
    fresh = bool(corner.differs & {"oil_quantity", "oil_grade"})
    lead = "Old oil out, leg pumped empty; new oil in, pumped until no air comes. " if fresh else ""
    yield corner.step(
        "oil",
        f"{lead}Air side left alone; oil of the damper and of the foot as its maker says"
        if is_air(corner.now.spring)
        else f"{lead}Springs out, leg pushed together, upright: level set",
        "oil level",
        "The air over the oil is a spring of its own at the end of the stroke.",
        settings=tuple(settings),
        acts=("set:oil",),
        covers=covers,
    )


def _caps_on(corner: Corner) -> Step:
    force = corner.told.preload_force
    pressed = not is_air(corner.now.spring) and (force is None or force.value > 0)
    told = "{force} of the springs under them. " if force is not None and pressed else ""
    return corner.step(
        "caps_on",
        "Caps pressed on, thread caught by hand first" if pressed else "Caps on, thread caught by hand first",
        "caps on",
        "A cap started askew takes the tube's thread with it.",
        caution=f"{told}{HANDS}" if pressed else "",
        numbers={"force": as_mass(force)} if told and force is not None else {},
        energy=pressed,
        uses=(corner.use("fork cap", "tight"),),
        acts=("tight:cap",),
    )


def _legs_in(corner: Corner) -> Step:
    return corner.step(
        "legs_in",
        "Legs up through both clamps, at one height; bottom clamp bolts",
        "legs in",
        "Legs of unlike height bind the axle.",
        uses=(corner.use("bottom clamp bolt", "tight", 2),),
        acts=("put:legs", "tight:bottom clamp"),
    )


def _height(corner: Corner, *, loosened: bool) -> Step:
    del loosened
    return corner.step(
        "tubes",
        "Bike held under the frame; both clamps slack, tubes to their height over the top clamp, both alike",
        "tubes set",
        "The tubes carry the front: with both clamps slack it comes down on them.",
        caution="Strapped or on a stand under the frame before the second clamp is slack.",
        settings=(Setting("over the top clamp", Figure(corner.now.clamp or 0.0, "m"), kind="fine length"),),
        uses=(corner.use("bottom clamp bolt", "slack", 2),),
        acts=("slack:top clamp", "slack:bottom clamp", "set:clamp"),
        covers=corner.covers("clamp"),
    )


def _clamps_tight(corner: Corner, *, both: bool) -> Step:
    uses = [corner.use("top clamp bolt", "tight")]
    if both:
        uses.insert(0, corner.use("bottom clamp bolt", "tight", 2))
    return corner.step(
        "clamps_tight",
        "Bottom clamp bolts in turn, twice round; then the top ones" if both else "Top clamp bolts, in turn",
        "clamps tight",
        "Two bolts of one clamp are tightened in turn until neither moves: one alone is overstretched.",
        uses=tuple(uses),
        acts=(*(("tight:bottom clamp",) if both else ()), "tight:top clamp"),
    )


def _preload(corner: Corner) -> Iterator[Step]:
    if is_air(corner.now.spring) or ("collar" not in corner.differs and "spring" not in corner.differs):
        return
    if corner.told.collar is None:
        return
    settings = [Setting("preload, cap in by", corner.told.collar, kind="fine length")]
    if corner.told.collar_turns is not None:
        settings.append(Setting("turns", corner.told.collar_turns))
    yield corner.step(
        "preload",
        "Preload set, both legs alike, counted from fully out",
        "preload",
        "Preload moves the sag, not the rate.",
        settings=tuple(settings),
        acts=("set:collar",),
        covers=corner.covers("collar"),
    )


def _wheel_in(corner: Corner) -> Step:
    return corner.step(
        "wheel_on",
        "Wheel in, axle; fork pumped before its clamp is tight; caliper, lead; lever pumped until it is firm",
        "wheel in",
        "An axle clamped before the fork has moved holds the legs apart: it sticks.",
        uses=(
            corner.use("axle", "tight"),
            corner.use("axle clamp bolt", "tight"),
            corner.use("caliper bolt", "tight", 2),
        ),
        acts=("wheel:on", "hook:hose", "hook:lead"),
    )
