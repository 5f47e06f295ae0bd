"""Guesses about torsion arms: the level turned round, a sign, chassis left in or taken twice."""

from collections.abc import Iterator

from feder.core.causes.guess import Guess, Path, Typed, changed, number


def of_torsion(typed: Typed) -> Iterator[Guess]:
    for name, end, at in typed.ends():
        arm = end.arm
        if arm is None or end.layout != "torsion arm":
            continue
        path: Path = (*at, "arm", "right_angle")
        if arm.right_angle is not None:
            yield Guess(
                rule="cause_level_turned",
                family="arm",
                place=name,
                station="geometry",
                text="The level was turned round on the right: {typed} there, {other} on the left",
                act="Change the sign of the right one",
                change=changed(((path, -arm.right_angle),)),
                value=arm.right_angle,
                numbers={"typed": number(arm.right_angle, "rad"), "other": number(arm.angle, "rad")},
                cost=0.15,
                paths=(path,),
            )
        yield Guess(
            rule="cause_level_turned",
            family="arm",
            place=name,
            station="geometry",
            text="The level was turned round: the arm reads {typed}, wheel lower is positive",
            act="Change its sign",
            change=changed(
                [((*at, "arm", "angle"), -arm.angle)]
                + ([((*at, "arm", "right_angle"), -arm.right_angle)] if arm.right_angle is not None else [])
            ),
            value=arm.angle,
            numbers={"typed": number(arm.angle, "rad")},
            cost=0.35,
            paths=((*at, "arm", "angle"),),
        )
        if arm.chassis:
            yield Guess(
                rule="cause_level_turned",
                family="arm",
                place=name,
                station="geometry",
                text="The level was turned round on the chassis: {typed} there",
                act="Change its sign",
                change=changed((((*at, "arm", "chassis"), -arm.chassis),)),
                value=arm.chassis,
                numbers={"typed": number(arm.chassis, "rad")},
                cost=0.45,
                paths=((*at, "arm", "chassis"),),
            )
