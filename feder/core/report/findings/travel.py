"""Rules on bump stops, arms and friction: what a stop must still hold, and what a drop does to arms."""

from collections.abc import Iterator

from feder.core.document.vehicle import TorsionArm
from feder.core.report.findings.case import Case, Rule, angle, length
from feder.core.report.shapes import Finding, Mend

WIDE_BAND = 0.004
"""Friction band of the ride height that is worth a word, m."""
CUT = 0.0005
"""How closely a stop is cut, m: what is shorter by less is not told."""
TURNED = 0.035
"""How near two arm angles of opposite sign must be to look like one level turned round, rad."""


def stop_too_short(case: Case) -> Iterator[Finding]:
    for place, stood, report in case.corners():
        stop, shortest, longest = stood.stop, report.stop_shortest, report.stop_longest
        if stop is None or shortest is None or longest is None or stop.length >= shortest.value - CUT:
            continue
        yield Finding(
            rule="stop_too_short",
            grade="stop",
            place=place.value,
            station="travel",
            text="The bump stop is {now} long; below {shortest} the tyre or metal is met before it holds",
            numbers={"now": length(stop.length), "shortest": length(shortest.value)},
            reason="A stop squeezes to about half its length. Cut shorter, it lets the tyre into the arch or the damper onto metal."
            + (
                ""
                if shortest.value <= longest.value
                else " No length works here: less drop, a packer or a harder stop does."
            ),
            mend=Mend(text="Keep it longer, put a packer under it, or lower the vehicle less"),
        )


def arm_points_up(case: Case) -> Iterator[Finding]:
    """A lower arm whose outer end stands above its inner one."""
    for name in case.facts.ends:
        now, spacer = case.report.ends[name].lower_arm_angle, case.report.ends[name].joint_spacer
        if now is not None and spacer is not None and now.value > 0:
            yield Finding(
                rule="arm_points_up",
                grade="look",
                place=name,
                station="travel",
                text="The lower arms point up, by {now}; a spacer of {spacer} at the ball joint would level them",
                numbers={"now": angle(now.value), "spacer": length(spacer.value)},
                reason="Past level the roll centre drops fast, the track narrows as the wheel rises, and toe changes more.",
                mend=Mend(text="Lower it less, or fit the spacer or ball joint the maker of the vehicle permits"),
            )


def level_of_arm(case: Case) -> Iterator[Finding]:
    """The level that read the arm: zeroed on the chassis, and the same way round on both sides."""
    for name in case.facts.ends:
        arm = case.facts.ends[name].end.arm
        if arm is None or case.facts.ends[name].end.layout != "torsion arm":
            continue
        if arm.chassis is None:
            yield Finding(
                rule="level_not_zeroed",
                grade="look",
                place=name,
                station="geometry",
                text="The arm's angle was read without one of the chassis",
                reason="The chassis stands level neither on the floor nor on the lift. Its angle goes into the arm's one to one.",
                mend=Mend(text="Read the chassis with the level the same way round, and type both"),
            )
        if _looks_turned(arm):
            yield Finding(
                rule="level_turned",
                grade="stop",
                place=name,
                station="geometry",
                text="The arm reads {left} on the left and {right} on the right",
                numbers={"left": angle(arm.angle), "right": angle(arm.right_angle or 0.0)},
                reason="Both arms hang alike, so the same number with the other sign means that the level was turned round.",
                mend=Mend(
                    text="Turn the level the same way round on both sides, or change the sign of one reading"
                ),
            )


def _looks_turned(arm: TorsionArm) -> bool:
    other = arm.right_angle
    return other is not None and abs(arm.angle) > TURNED and abs(arm.angle + other) < TURNED


def arm_out_of_reach(case: Case) -> Iterator[Finding]:
    for place, stood, _ in case.corners():
        if stood.facts.end.end.arm is None or stood.bar is None:
            continue
        if stood.hub_to_arch is not None and stood.arm_angle is None:
            yield Finding(
                rule="arm_out_of_reach",
                grade="stop",
                place=place.value,
                station="height",
                text="The arm cannot reach this height",
                reason="Its end moves on a circle; beyond its length there is no angle that gives the height.",
                mend=Mend(text="Ask for a height nearer to the one found, or check the arm's length and angle"),
            )


def friction_band(case: Case) -> Iterator[Finding]:
    for name in case.facts.ends:
        place = case.facts.places_at(name)[0]
        band = case.report.corners[place].height_band
        if band is not None and band.value > WIDE_BAND:
            yield Finding(
                rule="friction_band",
                grade="note",
                place=name,
                station="survey",
                text="Friction may hold this end up to {band} off its height, either way",
                numbers={"band": length(band.value)},
                reason="A reading anywhere in that band is right. The mean of one lifted and one pressed is free of it.",
                mend=Mend(text="Lift, let settle, read; press, let settle, read; take the mean"),
            )


STOP_RULES: tuple[Rule, ...] = (
    stop_too_short,
    arm_points_up,
    level_of_arm,
    arm_out_of_reach,
    friction_band,
)
