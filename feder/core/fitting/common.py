"""Steps that many layouts share: wheel off, what hangs there, collar and body, clicks, the spring that is laid in."""

from collections.abc import Iterator

from feder.core.document.setup import AirSpringPart, Clicks, SpringPart
from feder.core.fitting.corner import Corner
from feder.core.fitting.step import Part, Setting, Step
from feder.core.report.shapes import Figure

HANDS = (
    "Hands and face out of line with the spring; if it will not seat, or you are in doubt: a licensed workshop."
)
TAUT = "A part left hanging on its hose or lead is torn inside, and nobody sees it."
KNOB_WORDS = {"rebound": "rebound", "bump": "bump", "high_bump": "high-speed bump", "both": "both ways"}


def joined(words: list[str]) -> str:
    """Words as a list in a sentence, the first one with a capital."""
    said = words[0] if len(words) == 1 else f"{', '.join(words[:-1])} and {words[-1]}"
    return said[0].upper() + said[1:]


def wheel_off(corner: Corner) -> Step:
    return corner.step(
        "wheel_off",
        "Wheel off, laid under the sill",
        "wheel off",
        "Under the sill it catches the car if a stand slips.",
        acts=("wheel:off",),
    )


def unhooked(corner: Corner, part: str) -> Iterator[Step]:
    """Hose, leads and rods come off before the part they hang on moves; then the anti-roll bar's link."""
    hung, told, untold = corner.hung(), *corner.hung_words()
    if hung:
        look = f"look for {' or '.join(f'a {w}' for w in untold)}" if untold else ""
        text = (
            f"{joined(told)} off the {part}" + (f"; {look} too" if look else "")
            if told
            else (f"All that hangs on the {part} comes off it: {look}")
        )
        yield corner.step(
            "unhook",
            text,
            "leads off",
            TAUT,
            caution="The hose itself stays closed: only its bracket comes off.",
            acts=tuple(f"unhook:{act}" for act in hung),
        )
    if corner.hangs.bar_link is not False:
        one = "" if corner.hangs.bar_link else ", if it is here"
        yield corner.step(
            "link_off",
            f"Roll-bar link off{one}: hold the stud, turn the nut",
            "link off",
            "Held by the bar, one side drags the other; both links off leave it free.",
            uses=(corner.use("link nut", "out"),),
            tools=("counter-hold for the stud",),
            acts=("unhook:link",),
        )


def bushes_slack(corner: Corner) -> Iterator[Step]:
    count = corner.hangs.bushes
    if count == 0:
        return
    how = "" if count else " of rubber bushes, where there are such,"
    yield corner.step(
        "bushes_slack",
        f"Arm bolts{how} slack, left in",
        "arm bolts slack",
        "A rubber bush tightened elsewhere than at ride height is twisted for good: it springs, and tears.",
        uses=(corner.use("arm bolt", "ride", count or 1),),
        acts=("slack:arm bolt",),
    )


def hooked(corner: Corner) -> Iterator[Step]:
    """What was unhooked goes back, and is looked at where it could be torn."""
    told, untold = corner.hung_words()
    link = corner.hangs.bar_link is not False
    rest = (["all else that hung"] if told else ["all that hung"]) if untold else []
    words = [*told, *rest, *(["link"] if link else [])]
    if not words:
        return
    steered = " from lock to lock" if corner.name == "front" else " as the wheel hangs"
    acts = [f"hook:{act}" for act in corner.hung()] + (["hook:link"] if link else [])
    yield corner.step(
        "hook",
        f"{joined(words)} back; none taut{steered}",
        "leads back",
        TAUT,
        uses=(corner.use("link nut", "tight"),) if link else (),
        acts=tuple(acts),
    )
    if corner.hangs.reservoir:
        yield corner.step(
            "reservoir",
            "Reservoir and line clear at full lock, at droop and at full bump",
            "reservoir clear",
            "A line pinched once leaks on the road.",
            acts=("look:reservoir",),
        )


def spring_words(part: object) -> str:
    return getattr(part, "code", "") or "spring"


def spring_on(corner: Corner) -> Step:
    """The stop and the spring go on, as far as they are changed."""
    settings, parts, acts = [], [], ["put:spring"]
    covers = corner.covers("spring", "second_spring", "stack", "pads", "seat")
    if stop := stop_settings(corner):
        settings += stop
        covers += corner.covers("stop")
        parts.append(Part("stop", "", "", 1))
        acts.append("put:stop")
    now = corner.now.spring
    new = "spring" in corner.differs
    settings.append(Setting("spring", text=spring_words(now)))
    parts.append(Part("spring", spring_words(now), "", 1, "new" if new else "reused"))
    if (stack := stack_setting(corner)) is not None:
        settings.append(stack)
        acts.append("put:seat stack")
    if isinstance(now, SpringPart) and now.tender_rate:
        settings.append(Setting("helper", Figure(now.tender_rate, "N/m")))
    lead = "Stop and spring" if stop else "Spring"
    return corner.step(
        "spring_on",
        f"{lead} on, ends at their steps",
        "spring on",
        "An end beside its step sits the car high there, until the spring jumps in.",
        settings=tuple(settings),
        parts=tuple(parts),
        acts=tuple(acts),
        covers=covers,
    )


def stop_settings(corner: Corner) -> list[Setting]:
    """The stop as it is cut and packed, where it is another one."""
    if "stop" not in corner.differs or corner.stop is None:
        return []
    made = [Setting("stop, cut to", Figure(corner.stop.length, "m"), kind="fine length")]
    if corner.stop.packer:
        made.append(Setting("packer under it", Figure(corner.stop.packer, "m"), kind="fine length"))
    return made


def stack_setting(corner: Corner) -> Setting | None:
    if not corner.differs & {"stack", "pads"}:
        return None
    items = corner.now.stack
    said = "" if items is None else ", ".join(i.name for i in items) or "nothing"
    value = None if not corner.now.pads else Figure(corner.now.pads, "m")
    return Setting("at the seat", value, said, "fine length", signed=True)


def collar_step(corner: Corner, *, loaded: bool, acts: tuple[str, ...] = ()) -> Iterator[Step]:
    """The collar from its datum, in mm and turns; how the new spring is held with it."""
    if corner.told.collar is None or not isinstance(corner.now.spring, SpringPart):
        return
    if "collar" not in corner.differs and not corner.spring_out:
        return
    seat = corner.now.seat or corner.was.seat
    turns = seat is not None and (seat.pitch is not None or seat.thread is not None)
    if not turns and not corner.now.collar and corner.now.set_by == "collar":
        return  # a perch as it came
    datum = "its datum" if seat is None else f"the {seat.datum}" if seat.datum != "as found" else "as found"
    settings = [corner.setting("collar", "collar", kind="fine length")]
    if corner.told.collar_turns is not None:
        settings.append(corner.setting("turns", "collar_turns"))
    collar, held = corner.told.collar, corner.told.held_at_droop
    if held is not None and held.value > 0 and collar.value >= held.value:
        touched = Figure(float(collar.value - held.value), "m", collar.assumed or held.assumed)
        settings.append(Setting("spring just touched at", touched, kind="fine length"))
    if corner.told.collar_rule is not None:
        settings.append(corner.setting("by rule", "collar_rule", kind="fine length"))
    yield corner.step(
        "collar",
        f"Collar up from {datum}, ring locked",
        "collar",
        "Counted from one datum, left and right can be compared, and the way back is known.",
        caution=f"The spring is loaded while it is turned. {HANDS}" if loaded else "",
        energy=loaded,
        settings=tuple(settings),
        uses=(corner.use("lock ring", "tight"),),
        acts=("set:collar", *acts),
        covers=corner.covers("collar"),
    )


def body_step(corner: Corner) -> Iterator[Step]:
    """The damper's body, where it is turned longer or shorter."""
    if "body" not in corner.differs:
        return
    settings = [Setting("longer than told", Figure(corner.now.body or 0.0, "m"), kind="fine length", signed=True)]
    if corner.told.body_length is not None:
        settings = [corner.setting("body", "body_length", kind="fine length")]
    if corner.told.thread_engaged is not None:
        settings.append(corner.setting("thread engaged", "thread_engaged", kind="fine length"))
    yield corner.step(
        "body",
        "Damper body turned to its length, ring locked",
        "damper body",
        "Its length says where droop and stop lie; the thread must stay engaged as its maker wants.",
        settings=tuple(settings),
        uses=(corner.use("body ring", "tight"),),
        acts=("set:body",),
        covers=corner.covers("body"),
    )


def clicks_step(corner: Corner) -> Iterator[Step]:
    """Clicks and modes: on the bench while the damper is out, else where it stands."""
    settings, covers = [], corner.covers("rebound", "bump", "high_bump", "both", "mode")
    if not covers:
        return
    for acts, words in KNOB_WORDS.items():
        told: Clicks | None = getattr(corner.now, acts)
        if told is not None and acts in corner.differs:
            of = f" of {told.of}" if told.of else ""
            settings.append(Setting(words, text=f"{told.count}{of} from {told.counted_from}"))
    if "mode" in corner.differs and corner.now.mode:
        settings.append(Setting("mode", text=corner.now.mode))
    yield corner.step(
        "clicks",
        "Clicks counted from their end",
        "clicks",
        "Counted to the stop first, then out: half a click more or less is another setting.",
        caution="No knob is forced past its end.",
        settings=tuple(settings),
        acts=("set:clicks",),
        covers=covers,
    )


def spacer_step(corner: Corner) -> Iterator[Step]:
    if "spacer" not in corner.differs:
        return
    yield corner.step(
        "spacer",
        "Wheel spacer on a clean face, bolts of its own length",
        "spacer",
        "Bolts that are too short hold by a few turns only.",
        caution="The vehicle's maker or the law may not permit it: papers first.",
        settings=(Setting("spacer", Figure(corner.now.spacer or 0.0, "m")),),
        acts=("put:spacer",),
        covers=corner.covers("spacer"),
    )


def kit_step(corner: Corner) -> Iterator[Step]:
    """What the new setup replaces of the end, but for its springs and dampers: by the kit's own instructions."""
    change = corner.change
    if change is None:
        return
    said = [
        words
        for told, words in (
            (change.layout, f"conversion to {change.layout}"),
            (change.spring or change.damper, "arms, links or mounts"),
            (change.bar, "anti-roll bar"),
            (change.link_length, "bar links"),
            (change.joint_spacer, "spacer at the ball joint"),
            (change.tyre, "tyre"),
            (change.track, "wheels of another track"),
        )
        if told is not None
    ]
    if not said:
        return
    yield corner.step(
        "kit",
        f"{joined(said)} fitted by the kit's own instructions",
        "kit fitted",
        "Feder knows its numbers, not its bolts.",
        caution="Work on arms, mounts and joints belongs with a licensed workshop; papers where local rules ask.",
        acts=("workshop:kit",),
        covers=(f"{corner.name}.end",),
    )


def in_place(corner: Corner) -> Iterator[Step]:
    """What is set with everything in its place: the wheel comes off only for what it hides."""
    if corner.differs & {"collar", "spacer"} or corner.converts:
        yield wheel_off(corner)
        yield from kit_step(corner)
        yield from collar_step(corner, loaded=True)
        yield from spacer_step(corner)
    yield from clicks_step(corner)


def air_in(corner: Corner) -> Iterator[Step]:
    """Air into a fork or a shock, at full extension."""
    yield corner.step(
        "air_in",
        "Air in at full extension; cycled slowly at a quarter of the stroke, pressure set again",
        "air in",
        "Only in cycling does the second chamber fill; the pump's hose takes some out each time.",
        settings=() if corner.told.pressure is None else (Setting("pressure", corner.told.pressure),),
        acts=("air:in",),
        covers=corner.covers("pressure"),
    )


def is_air(part: object) -> bool:
    return isinstance(part, AirSpringPart)
