"""Steering, rear arm, seat and lean of a two-wheeler in one setup."""

from collections.abc import Callable
from math import atan, cos

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.cursor import number
from feder.core.document.setup import Setup
from feder.core.document.vehicle import HardPart
from feder.core.formulas.chassis import Chassis, Pose, clamp_moved, fork_slide, pose_of, travel_with_shock
from feder.core.formulas.steering import lean_clearance, trail
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.working import solved, untraced
from feder.core.report.shapes import SteeringReport, figure
from feder.core.solvers.root import crossing
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import Facts, setup_of, side_at
from feder.core.standing.springing.kinds import springing
from feder.core.standing.stand import StandingVehicle

PLANE = "rigid chassis on two tyres: the floor touches both"
BEND = "lean = atan(height / half width), springs under load / cos(lean)"
MOST_RAKE = 1.5
"""Rake up to which a trail is told, rad."""
MOST_LEAN = 1.4
"""Lean up to which a part is looked for, rad."""


def steering_report(facts: Facts, setup_id: str, stood: StandingVehicle) -> SteeringReport | None:
    """The figures of a two-wheeler; nothing on four wheels."""
    if facts.document.vehicle.kind == "car":
        return None
    made, setup = SteeringReport(), setup_of(facts.document, setup_id)
    chassis, inputs = _chassis(facts)
    moves = _moves(facts, setup, stood)
    if chassis is None or moves is None:
        return made
    try:
        stands = pose_of(chassis, *moves.values())
    except OutOfRange:
        return made
    inputs = {**inputs, **moves}

    def found(value: float, name: str, unit: str) -> float:
        return solved(value, name, unit, equation=PLANE, inputs=inputs, source="plane geometry of the chassis")

    rake = found(stands.rake, "rake", "rad")
    made.rake = figure(rake, "rad")
    made.wheelbase = figure(found(stands.wheelbase, "wheelbase", "m"), "m")
    made.pitch = figure(found(stands.pitch, "pitch", "rad"), "rad")
    base = chassis.wheelbase
    made.nose = figure(found(stands.height_of(0, chassis.front_radius) - chassis.front_radius, "rise", "m"), "m")
    made.tail = figure(found(stands.height_of(base, chassis.rear_radius) - chassis.rear_radius, "rise", "m"), "m")
    if stands.arm_angle is not None:
        made.swingarm = figure(found(stands.arm_angle, "arm_angle", "rad"), "rad")
    fork = facts.ends["front"].end.fork
    if fork is not None and fork.offset is not None and 0 <= rake < MOST_RAKE:
        offset = number(facts.ends["front"].at.fork.offset, "fork offset")
        made.trail = figure(trail(inputs["front tyre radius"], rake, offset), "m")
    seat = facts.document.vehicle.seat
    if seat is not None:
        height = stands.height_of(seat.x, seat.height)
        place = facts.at.vehicle.seat
        at = number(place.height, "seat height as found", source="tape")
        where = number(place.x, "seat behind the front axle", source="tape")
        seated = {**inputs, "seat height as found": at, "seat behind the front axle": where}
        made.seat_height = figure(
            solved(height, "saddle_height", "m", equation=PLANE, inputs=seated, source="plane geometry"), "m"
        )
    _lean(made, facts, stood, stands, chassis, inputs, moves)
    return made


def _chassis(facts: Facts) -> tuple[Chassis | None, dict[str, float]]:
    """The chassis as found, and the numbers it is made of."""
    fork, arm = facts.ends["front"].end.fork, facts.ends["rear"].end.swingarm
    radii = {}
    for name in ENDS:
        radius = facts.ends[name].tyre_radius
        if radius is None:
            return None, {}
        radii[f"{name} tyre radius"] = radius
    if facts.wheelbase is None or fork is None:
        return None, {}
    rake = number(facts.ends["front"].at.fork.rake, "rake as found", source="typed in, bike alone")
    inputs = {"wheelbase as found": facts.wheelbase, "rake as found": rake, **radii}
    length = height = None
    if arm is not None:
        at = facts.ends["rear"].at.swingarm
        length = number(at.length, "rear arm", source="tape")
        height = number(at.pivot_height, "pivot over the floor", source="tape")
        inputs |= {"rear arm": length, "pivot over the floor": height}
    made = Chassis(
        float(facts.wheelbase),
        float(rake),
        float(radii["front tyre radius"]),
        float(radii["rear tyre radius"]),
        None if length is None else float(length),
        None if height is None else float(height),
    )
    return made, inputs


def _moves(facts: Facts, setup: Setup, stood: StandingVehicle) -> dict[str, float] | None:
    """How far the fork has slid in and the rear axle come up, from as found, settings of height included."""
    front, rear = stood.corners[Place.FRONT], stood.corners[Place.REAR]
    fork = facts.ends["front"].end.fork
    if front.travel is None or rear.travel is None or fork is None:
        return None
    made = moves_of(facts, setup, front.travel, rear.travel)
    return {"fork slid in": made[0], "rear axle up": made[1]}


def moves_of(facts: Facts, setup: Setup, front_travel: float, rear_travel: float) -> tuple[float, float]:
    """Fork slide and rear axle rise from as found, of the wheels' travels and of the heights a setup changes."""
    fork, index = facts.ends["front"].at.fork, facts.document.setups.index(setup)

    def read(end: EndName, member: str, words: str) -> tuple[float, float] | None:
        now, was = (side_at(facts.at, i, Place(end))[member] for i in (index, 0))
        if not was or not now:
            return None
        return number(now, words, source="set"), number(was, f"{words} as found", source="tape")

    rake = number(fork.rake, "rake as found")
    clamp = read("front", "clamp", "tubes over the clamp")
    raised = 0.0 if clamp is None else clamp_moved(*clamp)
    slide = fork_slide(front_travel, rake, raised)
    shock, coupling, hub = read("rear", "shock_length", "shock length"), facts.ends["rear"].spring, None
    if shock is not None and shock[0] != shock[1]:
        hub = facts.corners[Place.REAR].hub_to_arch
        ratio = coupling.ratio(None if hub is None else hub - rear_travel)
        if ratio:
            return slide, travel_with_shock(rear_travel, *shock, ratio)
    return slide, rear_travel


def _lean(
    made: SteeringReport,
    facts: Facts,
    stood: StandingVehicle,
    stands: Pose,
    chassis: Chassis,
    inputs: dict[str, float],
    moves: dict[str, float],
) -> None:
    """The first hard part to touch, standing still and in a steady bend."""
    parts = facts.document.vehicle.hard_parts
    still = []
    for i, part in enumerate(parts):
        height = stands.height_of(part.x, part.height)
        if height <= 0:
            continue
        at = facts.at.vehicle.hard_parts[i]
        numbers = {
            **inputs,
            f"{part.name}, height as found": number(at.height, f"{part.name}, height as found", source="tape"),
            f"{part.name}, behind the front axle": number(
                at.x, f"{part.name}, behind the front axle", source="tape"
            ),
        }
        left = solved(
            height, "height", "m", equation=PLANE, inputs=numbers, source="plane geometry of the chassis"
        )
        width = number(at.half_width, f"{part.name}, half width", source="tape")
        still.append((lean_clearance(left, width), left, width, part))
    if not still:
        return
    angle, left, width, part = min(still, key=lambda row: float(row[0]))
    made.lean, made.left, made.lean_part = figure(angle, "rad"), figure(left, "m"), part.name
    bend = _bend(facts, stood, chassis, moves, [p for *_, p in still])
    if bend is None:
        return
    corners = stood.corners
    loads = {f"{p.value} load": c.load for p, c in corners.items() if c.load is not None}
    named = {"half width": width, "height, upright": left, **loads}
    made.lean_ridden = figure(
        solved(
            bend,
            "lean",
            "rad",
            equation=BEND,
            inputs=named,
            residual_unit="rad",
            source="steady bend, found by bracketing; tyres taken as thin",
        ),
        "rad",
    )


def _bend(
    facts: Facts,
    stood: StandingVehicle,
    chassis: Chassis,
    moves: dict[str, float],
    parts: list[HardPart],
) -> float | None:
    """Lean at which the first part touches in a steady bend: the springs carry 1/cos(lean) of their load."""
    rake = float(chassis.rake)
    front, rear = moves.values()
    deeper = [_deeper(stood.corners[p]) for p in (Place.FRONT, Place.REAR)]
    if None in deeper:
        return None

    def touches(lean: float) -> float:
        """Lean that the heights would allow, less this lean."""
        shifts = [further(lean) for further in deeper if further is not None]
        try:
            stands = pose_of(chassis, float(front) + shifts[0] / cos(rake), float(rear) + shifts[1])
        except OutOfRange:
            return -lean
        return min(atan(max(0.0, stands.height_of(p.x, p.height)) / p.half_width) for p in parts) - lean

    with untraced():
        return crossing(touches, 0.0, MOST_LEAN, 1e-6)


def _deeper(corner: StandingCorner) -> Callable[[float], float] | None:
    """How much further in a wheel stands in a bend than upright, over its lean."""
    if corner.load is None or corner.hub_to_arch is None or corner.facts.hub_to_arch is None:
        return None
    kept = corner.but(fixed=True)
    curve, load = springing(kept).curve(kept), float(corner.load)
    if curve is None:
        return None
    upright = float(corner.facts.hub_to_arch) - float(corner.hub_to_arch)
    solid = corner.facts.end.solid
    most = upright + 0.3 if solid is None else float(corner.facts.hub_to_arch) - float(solid)

    def deeper(lean: float) -> float:
        return crossing(lambda z: load / cos(lean) - curve.force(z), upright, max(most, upright), 1e-7) - upright

    return deeper
