"""Roll: bars, roll stiffness, roll gradient, and the load that moves in a corner."""

from math import pi
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import note
from feder.core.numbers.quantities import (
    SPRING_STEEL_SHEAR_MODULUS,
    Fraction,
    G,
    Kilogram,
    Length,
    Mass,
    Metre,
    Modulus,
    Newton,
    NewtonMetrePerRadian,
    NewtonPerMetre,
    NonNegativeLength,
    NonNegativeMass,
    NonNegativeRate,
    PositiveRatio,
    Radian,
    RadianPerG,
    Rate,
    Ratio,
)
from feder.core.numbers.quantities import AngularRate as RollStiffness
from feder.core.numbers.working import checked, formula

STEADY = "steady cornering: moments about the roll axis, the body's own lean included"


@formula(result="bar_rate", source="torsion of a round shaft, arms rigid: an upper bound")
def bar_link_rate(
    diameter: Length, bore: NonNegativeLength, arm_length: Length, length: Length, shear_modulus: Modulus
) -> NewtonPerMetre:
    """Link force per unit of left-minus-right link travel."""
    return shear_modulus * pi * (diameter**4 - bore**4) / 32 / (arm_length**2 * length)


@checked
def anti_roll_bar(
    diameter: Length,
    length: Length,
    arm_length: Length,
    bore: NonNegativeLength = 0.0,
    shear_modulus: Modulus = SPRING_STEEL_SHEAR_MODULUS,
) -> NewtonPerMetre:
    """Rate of an anti-roll bar at its links, arms taken as rigid.

    One wheel alone feels k_b·MR_b²; in pure roll each wheel feels twice that.

    Raises:
        OutOfRange: on `bore` when it is not below the diameter.
    """
    if bore >= diameter:
        raise OutOfRange("bore", bore, "must be below the diameter")
    return bar_link_rate(diameter, bore, arm_length, length, shear_modulus)


@formula(result="roll_stiffness", source="virtual work of a roll angle on springs and bar")
def axle_roll_stiffness(
    wheel_rate: Rate, spring_base: Length, bar_rate: NewtonPerMetre, bar_motion_ratio: Ratio, track: Length
) -> NewtonMetrePerRadian:
    """Roll moment per radian of an axle."""
    return wheel_rate * spring_base**2 / 2 + bar_rate * bar_motion_ratio**2 * track**2


@formula(result="roll_gradient", source=STEADY)
def gradient_of(
    sprung_mass: Mass, roll_arm: Length, front_roll_stiffness: RollStiffness, rear_roll_stiffness: RollStiffness
) -> RadianPerG:
    """Roll angle for one g."""
    return sprung_mass * G * roll_arm / (front_roll_stiffness + rear_roll_stiffness - sprung_mass * G * roll_arm)


@checked
def roll_gradient(
    sprung_mass: Mass, roll_arm: Length, front_roll_stiffness: RollStiffness, rear_roll_stiffness: RollStiffness
) -> RadianPerG:
    """Roll angle for one g of steady cornering.

    Raises:
        OutOfRange: on `front_roll_stiffness` when the springs cannot hold the body's own lean.
    """
    _must_hold(sprung_mass, roll_arm, front_roll_stiffness, rear_roll_stiffness)
    return gradient_of(sprung_mass, roll_arm, front_roll_stiffness, rear_roll_stiffness)


def _must_hold(mass: float, arm: float, front: float, rear: float) -> None:
    if front + rear <= mass * G * arm:
        raise OutOfRange("front_roll_stiffness", front, "with the rear's is too little to hold the body upright")


@formula(result="roll_arm", source="height over the roll axis at the centre of gravity")
def roll_arm_of(
    sprung_cg_height: Length, sprung_front_fraction: Fraction, front_roll_centre: Metre, rear_roll_centre: Metre
) -> Metre:
    """Height of the sprung mass over the roll axis."""
    return sprung_cg_height - (
        sprung_front_fraction * front_roll_centre + (1 - sprung_front_fraction) * rear_roll_centre
    )


@formula(result="roll_angle", source=STEADY)
def roll_angle_of(
    sprung_mass: Mass,
    lateral_g: Ratio,
    roll_arm: Metre,
    front_roll_stiffness: NewtonMetrePerRadian,
    rear_roll_stiffness: NewtonMetrePerRadian,
) -> Radian:
    """Roll angle in a steady corner."""
    return (
        sprung_mass
        * lateral_g
        * G
        * roll_arm
        / (front_roll_stiffness + rear_roll_stiffness - sprung_mass * G * roll_arm)
    )


@formula(result="axle_mass", source="definition")
def axle_mass_of(sprung_mass: Mass, axle_share: Fraction) -> Kilogram:
    """Sprung mass over an axle."""
    return sprung_mass * axle_share


@formula(result="axle_share", source="the rest")
def rear_share_of(sprung_front_fraction: Fraction) -> Ratio:
    """Rear share of the sprung mass."""
    return 1 - sprung_front_fraction


@formula(result="elastic", source="the axle's share of the roll moment over its track")
def elastic_transfer(roll_stiffness: NewtonMetrePerRadian, roll_angle: Radian, track: Length) -> Newton:
    """Load moved through springs and bar."""
    return roll_stiffness * roll_angle / track


@formula(result="geometric", source="side force of the axle's sprung mass at its roll centre")
def geometric_transfer(axle_mass: NonNegativeMass, lateral_g: Ratio, roll_centre: Metre, track: Length) -> Newton:
    """Load moved through the roll centre."""
    return axle_mass * lateral_g * G * roll_centre / track


@formula(result="unsprung", source="side force of the unsprung mass at its height")
def unsprung_transfer(
    unsprung_mass: NonNegativeMass, lateral_g: Ratio, unsprung_height: Metre, track: Length
) -> Newton:
    """Load moved by the unsprung mass."""
    return unsprung_mass * lateral_g * G * unsprung_height / track


@formula(result="total", source="sum")
def total_transfer(elastic: Newton, geometric: Newton, unsprung: Newton) -> Newton:
    """Load moved from the inner to the outer wheel of an axle."""
    return elastic + geometric + unsprung


@formula(result="front_fraction", source="definition")
def front_fraction_of(front_total: Newton, rear_total: Newton) -> Ratio:
    """Front share of the load moved."""
    return front_total / (front_total + rear_total)


class LoadTransfer(NamedTuple):
    roll_angle: Radian
    front_elastic: Newton
    front_geometric: Newton
    front_unsprung: Newton
    front_total: Newton
    rear_elastic: Newton
    rear_geometric: Newton
    rear_unsprung: Newton
    rear_total: Newton
    front_fraction: Ratio | None


@checked
def load_transfer(
    lateral_g: PositiveRatio,
    sprung_mass: Mass,
    sprung_front_fraction: Fraction,
    sprung_cg_height: Length,
    front_roll_centre: Metre,
    rear_roll_centre: Metre,
    front_roll_stiffness: RollStiffness,
    rear_roll_stiffness: RollStiffness,
    front_track: Length,
    rear_track: Length,
    front_unsprung_mass: NonNegativeMass,
    rear_unsprung_mass: NonNegativeMass,
    front_unsprung_height: NonNegativeLength,
    rear_unsprung_height: NonNegativeLength,
) -> LoadTransfer:
    """Load that moves to the outer wheels in a steady corner, by its three ways, for each axle.

    Unsprung masses are those of a whole axle. When more moves than the inner wheel carries, a note says so.

    Raises:
        OutOfRange: on `front_roll_stiffness` when the springs cannot hold the body's own lean.
    """
    arm = roll_arm_of(sprung_cg_height, sprung_front_fraction, front_roll_centre, rear_roll_centre)
    _must_hold(sprung_mass, arm, front_roll_stiffness, rear_roll_stiffness)
    angle = roll_angle_of(sprung_mass, lateral_g, arm, front_roll_stiffness, rear_roll_stiffness)

    def axle(
        name: str, share: float, stiffness: float, centre: float, track: float, mass: float, height: float
    ) -> tuple[float, float, float, float]:
        above = axle_mass_of(sprung_mass, share)
        ways = (
            elastic_transfer(stiffness, angle, track),
            geometric_transfer(above, lateral_g, centre, track),
            unsprung_transfer(mass, lateral_g, height, track),
        )
        moved = total_transfer(*ways)
        if moved > (above + mass) * G / 2:
            note(f"the inner {name} wheel is unloaded: it would lift before this cornering is reached")
        return (*ways, moved)

    front = axle(
        "front", sprung_front_fraction, front_roll_stiffness, front_roll_centre, front_track, front_unsprung_mass,
        front_unsprung_height,
    )  # fmt: skip
    rear = axle(
        "rear", rear_share_of(sprung_front_fraction), rear_roll_stiffness, rear_roll_centre, rear_track,
        rear_unsprung_mass, rear_unsprung_height,
    )  # fmt: skip
    share = None if front[3] + rear[3] == 0 else front_fraction_of(front[3], rear[3])
    return LoadTransfer(angle, *front, *rear, share)


@checked
def roll_stiffness(
    wheel_rate: Rate,
    track: Length,
    bar_rate: NonNegativeRate = 0.0,
    bar_motion_ratio: PositiveRatio = 1.0,
    spring_base: Length | None = None,
) -> NewtonMetrePerRadian:
    """Roll stiffness of an axle, springs and bar.

    A live axle: `wheel_rate` is the rate at the spring, `spring_base` the distance between the springs.
    """
    return axle_roll_stiffness(
        wheel_rate, track if spring_base is None else spring_base, bar_rate, bar_motion_ratio, track
    )


@formula(result="bar_rate", source="virtual work: link rate through the motion ratio squared")
def bar_rate_at_wheel(bar_rate: Rate, bar_motion_ratio: PositiveRatio) -> NewtonPerMetre:
    """Rate of an anti-roll bar at the wheel: force for one unit of left-minus-right wheel travel."""
    return bar_rate * bar_motion_ratio**2
