"""The report: every figure of a setup, with its unit, its mark, and what it was in the compared setup.

A figure's value may be a `Num` that knows its working; on the wire it is a plain number.
"""

from dataclasses import dataclass, field
from typing import Literal

from feder.core.document.base import EndName, Place
from feder.core.document.changes import Change
from feder.core.formulas.sag import Verdict
from feder.core.numbers.frozen import Frozen
from feder.core.numbers.working import rests_on_assumption


class Shape(Frozen):
    """A frozen part of the report."""


@dataclass(slots=True)
class Figure:
    """A number in SI. `assumed` marks what rests on an estimate, `was` is its value in the compared setup."""

    value: float
    unit: str
    assumed: bool = False
    was: float | None = None
    was_assumed: bool = False
    """Whether that one rests on an estimate too."""


def figure(value: float | None, unit: str) -> Figure | None:
    """A figure, or nothing where there is no number."""
    if value is None:
        return None
    return Figure(value, unit, rests_on_assumption(value))


Grade = Literal["stop", "look", "note"]
Station = Literal[
    "brief", "survey", "geometry", "springs", "height", "travel", "damping", "prove", "fit", "settle", "sheet"
]


class Mend(Shape):
    """What mends a finding: one clause, and where the document can do it, the patch."""

    text: str
    patch: list[Change] | None = None


class Finding(Shape):
    """One thing that speaks against the setup, or is worth knowing: the number and the reason with it."""

    rule: str
    grade: Grade
    place: str
    station: Station
    text: str
    numbers: dict[str, Figure] = {}
    reason: str
    mend: Mend
    stand_by: list[Change] | None = None
    """What says that the number was looked at again and is so; nothing where that would be no answer."""
    about: str | None = None
    """Path of the report's figure that the finding speaks of, whose working can be asked for."""


@dataclass(slots=True)
class CornerReport:
    """One corner. Travel limits are wheel travel from this setup's ride height, bump positive."""

    place: Place
    mass: Figure | None = None
    sprung_mass: Figure | None = None
    corner_load: Figure | None = None
    spring_rate: Figure | None = None
    motion_ratio: Figure | None = None
    damper_motion_ratio: Figure | None = None
    wheel_rate: Figure | None = None
    ride_rate: Figure | None = None
    frequency: Figure | None = None
    tyre_frequency: Figure | None = None
    static_deflection: Figure | None = None
    damping_ratio: Figure | None = None
    """At low speed: mean of bump and rebound, against the body's critical damping."""
    damping_rebound: Figure | None = None
    damping_bump: Figure | None = None
    """The same of each alone."""
    damping_high: Figure | None = None
    """At high speed, against wheel hop."""
    camber_steps: Figure | None = None
    """Turns, marks or washers of the adjuster from as found; below those left on the way it goes."""
    caster_steps: Figure | None = None
    toe_steps: Figure | None = None
    camber_left: Figure | None = None
    caster_left: Figure | None = None
    toe_left: Figure | None = None
    rebound_low: Figure | None = None
    bump_low: Figure | None = None
    rebound_high: Figure | None = None
    bump_high: Figure | None = None
    """Forces of the damper at low and at high speed."""
    split_low: Figure | None = None
    split_high: Figure | None = None
    """Rebound over bump."""
    hub_to_arch: Figure | None = None
    floor_to_arch: Figure | None = None
    hub_measured: Figure | None = None
    """Hub to arch, floor to arch and scale as read with this setup on the wheels; `hub_to_arch` is predicted."""
    floor_measured: Figure | None = None
    mass_measured: Figure | None = None
    toe_measured: Figure | None = None
    camber_measured: Figure | None = None
    caster_measured: Figure | None = None
    """As the newest read-out of this setup shows them; toe of this wheel at its rim."""
    hub_off: Figure | None = None
    """Measured hub to arch less the predicted one."""
    wheel_travel: Figure | None = None
    drop: Figure | None = None
    spring_length: Figure | None = None
    spring_force: Figure | None = None
    seat_length: Figure | None = None
    collar: Figure | None = None
    collar_turns: Figure | None = None
    held_at_droop: Figure | None = None
    preload_force: Figure | None = None
    angular_rate: Figure | None = None
    arm_angle: Figure | None = None
    """Below the level chassis, wheel lower positive."""
    free_angle: Figure | None = None
    free_angle_change: Figure | None = None
    """Against as found."""
    shear_stress: Figure | None = None
    pressure: Figure | None = None
    stroke: Figure | None = None
    sag: Figure | None = None
    """Travel used from full droop or extension, at the wheel."""
    sag_fraction: Figure | None = None
    travel_in_all: Figure | None = None
    stop_gap: Figure | None = None
    """Between bump stop and damper body, along the damper; negative when squeezed."""
    stop_longest: Figure | None = None
    stop_shortest: Figure | None = None
    """Bump stop lengths between which neither the gap, the tyre nor the damper's metal objects."""
    stop_force: Figure | None = None
    push: Figure | None = None
    """Push of gas charge and bump stop at the wheel."""
    stop_cornering: Figure | None = None
    """Cornering, in g, at which this wheel as the outer one meets its stop."""
    stop_braking: Figure | None = None
    """Braking (rear: driving off), in g, at which both wheels of the axle meet their stops."""
    reach_low: Figure | None = None
    """Hub to arch with the collar at its lowest and its highest, left and right moved alike."""
    reach_high: Figure | None = None
    body_length: Figure | None = None
    """Of the damper's body as set in this setup."""
    thread_engaged: Figure | None = None
    collar_rule: Figure | None = None
    """What rule or calliper shows at the collar, from its fixed point."""
    body_change: Figure | None = None
    """Spring and damper apart: change of the damper body's length that leaves the hold wanted at droop."""
    height_band: Figure | None = None
    """How far friction may hold the corner off its height, either way."""
    droop: Figure | None = None
    stop: Figure | None = None
    hard: Figure | None = None
    """Where the bump stop is squeezed as far as it goes."""
    solid: Figure | None = None
    contact: Figure | None = None
    bind: Figure | None = None
    loose: Figure | None = None
    first_limit: Literal["T", "S", "B", "H"] | None = None
    bump_travel: Figure | None = None
    lost_fraction: Figure | None = None


@dataclass(slots=True)
class SagReport:
    """Sag of one end of a two-wheeler, all at the wheel. Bands and targets come from the brief."""

    place: Place
    read_factor: float = 1.0
    """Travel at the wheel for one unit of the reading: cos(rake) for a fork read along its tube."""
    travel: Figure | None = None
    free_sag: Figure | None = None
    """Bike alone, in this setup."""
    free_fraction: Figure | None = None
    rider_sag: Figure | None = None
    """With the rider of the load state."""
    rider_fraction: Figure | None = None
    free_read: Figure | None = None
    """As the tape showed it, as found."""
    rider_read: Figure | None = None
    free_friction: Figure | None = None
    rider_friction: Figure | None = None
    free_friction_force: Figure | None = None
    rider_friction_force: Figure | None = None
    free_low: Figure | None = None
    free_high: Figure | None = None
    rider_low: Figure | None = None
    rider_high: Figure | None = None
    target: Figure | None = None
    preload: Figure | None = None
    """Compression of the spring at full extension, in this setup."""
    bike_load: Figure | None = None
    """Sprung load at the wheel, bike alone."""
    bike_told: Figure | None = None
    ridden_load: Figure | None = None
    """The same with the rider: by the sags as read, or as the load state tells it."""
    rider_load: Figure | None = None
    wanted_collar: Figure | None = None
    wanted_move: Figure | None = None
    """Of the collar or cap from as found, towards the spring positive."""
    wanted_turns: Figure | None = None
    wanted_preload: Figure | None = None
    wanted_pressure: Figure | None = None
    collar_told: bool = False
    """Whether collar or cap was read as found: without it only moves are known, not where they end."""
    off_thread: bool = False
    set_so: bool = False
    """Whether the setup stands at the collar or pressure wanted."""
    free_then: Figure | None = None
    """Free sag once the rider sag is as wanted."""
    free_read_along: Figure | None = None
    """The sags as they are read: along the tube of a fork, or the same as at the wheel."""
    rider_read_along: Figure | None = None
    free_sag_along: Figure | None = None
    rider_sag_along: Figure | None = None
    free_then_along: Figure | None = None
    target_along: Figure | None = None
    free_low_along: Figure | None = None
    free_high_along: Figure | None = None
    rider_low_along: Figure | None = None
    rider_high_along: Figure | None = None
    free_friction_along: Figure | None = None
    rider_friction_along: Figure | None = None
    free_measured: Figure | None = None
    """As the tape showed it with this setup on the wheels."""
    rider_measured: Figure | None = None
    free_measured_along: Figure | None = None
    rider_measured_along: Figure | None = None
    verdict: Verdict | None = None
    """What free sag says of the spring, once the rider sag is as wanted."""
    wanted_rate: Figure | None = None
    """Of each spring of the end, for the middle of both bands."""


@dataclass(slots=True)
class SteeringReport:
    """How a two-wheeler stands: steering, swingarm, lean before a hard part touches, and who sits on it."""

    rider_by_sags: Figure | None = None
    """Mass that the sags as read carry more with the rider on; `rider_told` that of the load state."""
    rider_told: Figure | None = None
    rider_rear: Figure | None = None
    """Share of it on the rear wheel, by the sags; `rider_at` how far behind the front axle that puts them."""
    rider_at: Figure | None = None

    rake: Figure | None = None
    trail: Figure | None = None
    wheelbase: Figure | None = None
    swingarm: Figure | None = None
    """Angle of the rear arm to the floor, axle lower positive."""
    pitch: Figure | None = None
    """Turn of the chassis against as found, nose up positive."""
    seat_height: Figure | None = None
    lean: Figure | None = None
    """Lean at which the first hard part touches, standing still."""
    lean_ridden: Figure | None = None
    """The same in a steady bend, where springs carry more by 1/cos(lean)."""
    lean_part: str | None = None
    left: Figure | None = None
    """Height of that part over the floor, upright."""
    nose: Figure | None = None
    """Rise of the chassis over the front axle, and over the rear one, against as found."""
    tail: Figure | None = None


class StripPoint(Shape):
    """A spring rate of this end and the frequency it gives."""

    spring_rate: float
    frequency: float


@dataclass(slots=True)
class EndReport:
    """One axle, from the mean sprung mass of its two wheels."""

    end: EndName
    axle_mass: Figure | None = None
    """What both wheels carry together."""
    hub_to_arch: Figure | None = None
    """Mean of both sides."""
    track: Figure | None = None
    """With the wheels of this setup."""
    sprung_mass: Figure | None = None
    spring_rate: Figure | None = None
    motion_ratio: Figure | None = None
    wheel_rate: Figure | None = None
    frequency: Figure | None = None
    frequency_low: Figure | None = None
    frequency_high: Figure | None = None
    """Frequency wanted at this end, from and to; `rate_low` and `rate_high` the spring rates that give them."""
    rate_low: Figure | None = None
    rate_high: Figure | None = None
    stop_touched: Figure | None = None
    """Hub to arch at which the bump stop as found is touched, from shaft and stop."""
    lower_arm_angle: Figure | None = None
    """Outer end up positive."""
    joint_spacer: Figure | None = None
    """Spacer at the ball joint that would level the lower arm."""
    link_length: Figure | None = None
    """Length of the bar's links that leaves its arms as they were found."""
    strip: list[StripPoint] = field(default_factory=list)


@dataclass(slots=True)
class VehicleReport:
    judged_under: str | None = None
    """Load state under which frequencies are judged, where the targets are meant with the load on."""
    damping_low: Figure | None = None
    damping_high: Figure | None = None
    """Low-speed damping wanted, from and to."""
    hop_low: Figure | None = None
    hop_high: Figure | None = None
    """High-speed damping wanted against wheel hop, from and to."""
    split_low: Figure | None = None
    split_high: Figure | None = None
    """Rebound over bump wanted, from and to."""
    split_wanted: Figure | None = None
    """Rebound over bump aimed at."""
    comfort_weight: Figure | None = None
    """Weight of comfort against grip, 0 grip alone, 1 comfort alone."""
    total_mass: Figure | None = None
    front_fraction: Figure | None = None
    left_fraction: Figure | None = None
    cross_fraction: Figure | None = None
    rake: Figure | None = None
    rake_change: Figure | None = None
    frequency_ratio: Figure | None = None
    flat_speed: Figure | None = None
    flat_low: Figure | None = None
    flat_high: Figure | None = None
    sill_front: Figure | None = None
    sill_rear: Figure | None = None
    front_roll_stiffness: Figure | None = None
    rear_roll_stiffness: Figure | None = None
    roll_gradient: Figure | None = None
    front_transfer: Figure | None = None
    """Front share of the load moved to the outer wheels in a steady corner."""
    front_moved: Figure | None = None
    rear_moved: Figure | None = None
    """Load moved to the outer wheel of each axle at 1 g."""


class StationReport(Shape):
    """How far a station's work has come, and what it waits for, in words."""

    station: Station
    state: Literal["untouched", "begun", "done"]
    flag: bool
    waits_for: list[str]


Asks = Literal["rake", "stroke", "travel", "rate", "pressure"] | None


class Wait(Shape):
    """One thing a bench waits for: words, and where it is typed; `asks` is a number that can be asked at once.

    `offer` is a usual value that may stand in for it till then, marked.
    """

    words: str
    station: Station
    anchor: str
    asks: Asks = None
    label: str | None = None
    offer: Mend | None = None


class Report(Shape):
    setup: str
    against: str | None
    load_state: str | None
    corners: dict[Place, CornerReport]
    ends: dict[EndName, EndReport]
    vehicle: VehicleReport
    findings: list[Finding]
    stations: list[StationReport]
    sags: dict[Place, SagReport] = {}
    """Of a two-wheeler's two wheels."""
    steering: SteeringReport | None = None
    waits: dict[str, list[Wait]] = {}
    """By bench, what it waits for."""
    equilibrium: str | None = None
    """Why the vehicle cannot stand, where it cannot."""
