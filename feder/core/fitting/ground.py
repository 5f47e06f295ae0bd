"""What is done with the weight on the wheels, and after: bushes at ride height, readings, alignment, the first drive."""

from collections.abc import Iterator

from feder.core.document.base import ENDS, EndName
from feder.core.document.setup import BarSetting
from feder.core.fitting.corner import Corner
from feder.core.fitting.step import Setting, Step, Use
from feder.core.report.shapes import Figure


def _step(group: str, name: str, text: str, short: str, why: str, **more: object) -> Step:
    return Step(f"{group}.{name}", group, text, short, why, **more)  # type: ignore[arg-type]


def ground_steps(corners: list[Corner], *, lifts: bool, uses: list[Use]) -> Iterator[Step]:
    """The steps with the weight on the wheels. `uses` are all of the steps before."""
    car = corners[0].document.vehicle.kind == "car"
    off = any(c.differs or c.converts for c in corners) and lifts
    if off and car:
        yield _step(
            "ground",
            "down",
            "Wheels on, bolts by hand; down off the stands, slowly",
            "down",
            "Pulled tight while it hangs, a wheel sits askew.",
            caution="Nothing under the car any more: stands, tools, feet.",
            acts=("wheel:on", "support:ground"),
        )
        yield _step(
            "ground",
            "wheel_bolts",
            "Wheel bolts, crosswise, in two rounds",
            "wheel bolts",
            "Crosswise they pull the wheel flat.",
            uses=tuple(c.use("wheel bolt", "tight") for c in corners),
            acts=("tight:wheel bolt",),
        )
    elif off:
        yield _step(
            "ground",
            "down",
            "Straps off, bike down on its wheels; pushed down twice at each end",
            "down",
            "It finds its height only once it has moved.",
            acts=("support:ground",),
        )
    towers = [u for u in uses if u.kind == "tower nut" and u.done == "hand"]
    if towers:
        yield _step(
            "ground",
            "tower_nuts",
            "Tower nuts",
            "tower nuts",
            "By hand they hold while it is lowered, not on the road.",
            uses=tuple(Use(u.end, u.kind, u.count, "tight") for u in towers),
            acts=("tight:tower",),
        )
    yield from _tyres(corners)
    if lifts:
        yield _step(
            "ground",
            "rolled",
            "Driver or ballast aboard as weighed; rolled back and forth"
            if car
            else "Rolled, both ends pushed down and let rise",
            "rolled",
            "Tyres scrubbed sideways hold the body high.",
            acts=("roll:vehicle",),
        )
    yield from _bushes(corners, uses)
    yield from _bars(corners)
    if lifts:
        yield _heights(corners, car=car)
        yield _step(
            "ground",
            "pedal",
            "Pedal firm; rings, hoses and leads seen once more"
            if car
            else "Levers firm; bars from stop to stop, no cable taut",
            "pedal, leads",
            "The last look before it moves.",
            acts=("look:brakes",),
        )
        yield _step(
            "ground",
            "nothing_over",
            "Nothing left over; the old single-use fasteners counted and thrown away",
            "nothing over",
            "A washer left on the bench is missing in the car.",
            acts=("look:rest",),
        )


def _tyres(corners: list[Corner]) -> Iterator[Step]:
    settings = [
        Setting(c.place.words, Figure(c.now.tyre_pressure, "Pa"))
        for c in corners
        if "tyre_pressure" in c.differs and c.now.tyre_pressure is not None
    ]
    covers = tuple(x for c in corners for x in c.covers("tyre_pressure"))
    if covers:
        yield _step(
            "ground",
            "tyres",
            "Tyres cold, to their pressures",
            "tyres",
            "Height and rate of the tyre are part of the plan.",
            settings=tuple(settings),
            acts=("set:tyres",),
            covers=covers,
        )


def _bushes(corners: list[Corner], uses: list[Use]) -> Iterator[Step]:
    """Every fastener left for ride height; where it cannot be reached, the height to which the arm is jacked."""
    ride: dict[tuple[str, str], Use] = {}
    for use in uses:
        if use.done == "ride":
            before = ride.get((use.end, use.kind))
            ride[use.end, use.kind] = Use(
                use.end, use.kind, use.count + (before.count if before else 0), "tight", use.new
            )
    if not ride:
        return
    heights = tuple(
        Setting(c.place.words, h, kind=None) for c in corners if (h := c.told.hub_to_arch) is not None and c.opens
    )
    yield _step(
        "ground",
        "bushes",
        "Weight on the wheels: every bolt in rubber. Where one is out of reach: wheel off, arm jacked to its hub to arch",
        "bushes tight",
        "A rubber bush tightened hanging is wound up on the road: it adds rate, and tears.",
        caution="Wheel bolts to their torque first; on ramps or over a pit, never under a car on a jack.",
        settings=heights,
        uses=tuple(ride.values()),
        acts=("ride:bushes",),
    )


def _bars(corners: list[Corner]) -> Iterator[Step]:
    done: set[EndName] = set()
    for corner in corners:
        if corner.name in done or not corner.bar_differs:
            continue
        done.add(corner.name)
        setting = getattr(corner.after, f"{corner.name}_bar") or BarSetting()
        words = (
            "unhooked, links tied away"
            if not setting.hooked
            else f"links in {setting.hole or 'the hole as found'}, without twist"
        )
        yield _step(
            "ground",
            f"{corner.name}_bar",
            f"{corner.name.capitalize()} anti-roll bar: {words}",
            "bar set",
            "Hooked with the car at rest the bar holds neither side up.",
            caution="No drive on the road with a bar unhooked." if not setting.hooked else "",
            uses=(corner.use("link nut", "tight", 2),) if setting.hooked else (),
            acts=("set:bar",),
            covers=(f"{corner.name}.bar",),
        )


def _heights(corners: list[Corner], *, car: bool) -> Step:
    if car:
        settings = tuple(
            Setting(c.place.words, h)
            for c in corners
            if (h := c.told.floor_to_arch or c.told.hub_to_arch) is not None
        )
        text = "Floor to arch read, rolled first"
    else:
        told = corners[0].plan.sags
        settings = tuple(
            Setting(c.place.words, s.rider_sag_along)
            for c in corners
            if (s := told.get(c.place)) is not None and s.rider_sag_along is not None
        )
        text = "Rider on: sags read, lifted and pressed"
    return _step(
        "ground",
        "heights",
        text,
        "heights read",
        "It says whether all is home, before anybody drives.",
        settings=settings,
        acts=("look:heights",),
    )


def after_steps(corners: list[Corner], *, lifts: bool) -> Iterator[Step]:
    """Alignment, lamps, the first drive, the second look."""
    car = corners[0].document.vehicle.kind == "car"
    covers = tuple(x for c in corners for x in c.covers("camber", "caster", "toe"))
    settings = tuple(
        Setting(
            f"{c.place.words} {name}",
            Figure(value, unit),
            kind="fine length" if unit == "m" else None,
            signed=True,
        )
        for c in corners
        for name, unit in (("camber", "rad"), ("caster", "rad"), ("toe", "m"))
        if (value := getattr(c.now, name)) is not None and name in c.differs
    )
    if covers or (lifts and car):
        yield _step(
            "after",
            "alignment",
            "Alignment, before any distance",
            "alignment",
            "Every change of height changes camber and toe; toe eats tyres within days.",
            settings=settings,
            acts=("set:alignment",),
            covers=covers,
        )
    if not lifts:
        return
    if car:
        yield _step(
            "after",
            "headlamps",
            "Headlamps aimed",
            "headlamps",
            "A body that stands lower shines lower, or higher.",
            acts=("set:lamps",),
        )
    yield _step(
        "after",
        "first_drive",
        "First drive slow: brakes, noise, rubbing at full lock"
        if car
        else "First ride slow: brakes, noise, the fork from stop to stop",
        "first drive",
        "What is loose tells within the first kilometre.",
        acts=("drive:slow",),
    )
    again = "Then wheel bolts, rings and paint marks again" if car else "Then axle, clamps and shock bolts again"
    yield _step(
        "after",
        "again",
        f"{again}, after 50 km",
        "checked again",
        "New faces settle, and the bolt is loose by as much.",
        acts=("look:bolts",),
    )
    yield _step(
        "after",
        "settle",
        "Heights until they are flat; then torque and alignment again"
        if car
        else "Sags again after the first days",
        "to Settle",
        "Springs take a set for some hundred km.",
        acts=("look:settled",),
    )
    yield _step(
        "after",
        "papers",
        "Inspection or papers, where local rules ask",
        "papers",
        "Rules differ from place to place.",
        acts=("look:papers",),
    )


def ends_of(corners: list[Corner]) -> tuple[EndName, ...]:
    """The ends at which anything is done."""
    return tuple(e for e in ENDS if any(c.name == e and (c.differs or c.converts) for c in corners))
