"""Honest vehicles drawn at random within what vehicles have, read with the scatter of tape, scales and hands.

What stands on their wheels is worked out here from loads and lengths alone, so that their numbers agree but for scatter.
"""

from math import cos, pi, radians

import numpy as np

from feder.core.document.base import PLACES, WHEELS, DampingValue, LengthValue, MassValue, RateValue
from feder.core.document.brief import Brief
from feder.core.document.document import Document, LoadItem, LoadState
from feder.core.document.setup import Seat, Setup, Sides, SideSetup, SpringPart, TorsionBarPart
from feder.core.document.survey import SAG_QUANTITIES, Conditions, Reading, Survey
from feder.core.document.vehicle import (
    BumpStopPart,
    End,
    Ends,
    Fork,
    Limits,
    Mount,
    Plate,
    RatioFromLeverage,
    RatioTyped,
    Swingarm,
    TorsionArm,
    Tyre,
    Vehicle,
)

G = 9.80665
TAPE, SCALES = 1.5e-3, 1.0
SHEAR = 79.3e9
DONE = Conditions(level_floor=True, pressures_set=True, rolled=True)
LAYOUTS = (
    ("strut", "divorced"),
    ("strut", "live axle"),
    ("wishbone", "wishbone"),
    ("strut", "torsion arm"),
    ("wishbone", "live axle"),
)
RATIOS = {"strut": (0.90, 0.99), "wishbone": (0.50, 0.85), "divorced": (0.55, 0.95)}
USES = {
    "comfort road": (1.0, 1.4),
    "sporty road": (1.2, 1.7),
    "fast road, track days": (1.4, 2.2),
    "load carrier": (1.1, 1.8),
}


def honest_car(seed: int) -> Document:
    """A car as found on its standard springs, with a plan that changes nothing."""
    draw = np.random.default_rng(seed)
    use = str(draw.choice(list(USES)))
    front_layout, rear_layout = LAYOUTS[int(draw.integers(len(LAYOUTS)))]
    total, front = draw.uniform(650, 2200), draw.uniform(0.46, 0.64)
    left = 0.5 + draw.normal(0, 0.006)
    cross = draw.normal(0, 0.003) * total
    mass = dict(
        zip(
            PLACES,
            (total * front * left - cross / 2, total * front * (1 - left) + cross / 2, total * (1 - front) * left + cross / 2, total * (1 - front) * (1 - left) - cross / 2),
            strict=True,
        )
    )  # fmt: skip
    base = draw.uniform(2.2, 3.0)
    frequency = draw.uniform(*USES[use])
    ends, found, heights = {}, {}, {}
    for name, layout, share, hz in (
        ("front", front_layout, front, frequency),
        ("rear", rear_layout, 1 - front, frequency * draw.uniform(0.95, 1.3)),
    ):
        places = [p for p in PLACES if p.end == name]
        each = total * share / 2
        unsprung = each * (draw.uniform(0.14, 0.23) if layout == "live axle" else draw.uniform(0.075, 0.15))
        hub, radius = draw.uniform(0.33, 0.46), draw.uniform(0.27, 0.34)
        droop, bump = draw.uniform(0.045, 0.10), draw.uniform(0.055, 0.11)
        rate = (2 * pi * hz) ** 2 * (each - unsprung)
        ratio = draw.uniform(*RATIOS.get(layout, (1.0, 1.0)))
        droop = min(droop, (each - unsprung) * G / rate + 0.03)  # standard springs are hardly loose at droop
        tops = {p: hub + draw.normal(0, 0.002) for p in places}
        heights |= {p: (tops[p], radius) for p in places}
        solid = hub - bump
        damper = round(draw.uniform(0.7, 0.97), 3) if layout in ("divorced", "live axle", "torsion arm") else None
        # a sound stop is hard a little before the damper is solid: half of it squeezed
        stop_gap = max((damper or round(ratio, 3)) * bump * 0.92 - 0.0225, 0.004)
        ends[name] = End(
            layout=layout,
            track=draw.uniform(1.30, 1.60),
            spring=Mount(ratio=RatioTyped(value=round(ratio, 3), how="sweep")) if layout in RATIOS else Mount() if layout == "torsion arm" else Mount(ratio=RatioTyped(value=1.0, how="sweep")),
            damper=None if damper is None else Mount(ratio=RatioTyped(value=damper, how="sweep")),
            spring_base=draw.uniform(0.85, 1.1) if layout == "live axle" else None,
            unsprung_mass=MassValue(value=round(unsprung, 1), how="scales"),
            damper_coefficient=DampingValue(value=round(2 * draw.uniform(0.2, 0.5) * (rate * (each - unsprung)) ** 0.5 / 0.7), how="estimated"),
            limits=Limits(droop=hub + droop, solid=solid, contact=solid - draw.uniform(0.005, 0.02)),
            tyre=Tyre(radius=round(radius + draw.normal(0, 0.0015), 4), rate=RateValue(value=round(draw.uniform(170e3, 260e3)), how="maker")),
            bump_stop=BumpStopPart(length=0.045, shaft=0.045 + stop_gap, hub_to_arch=hub),
            arm=_arm(draw, hub) if layout == "torsion arm" else None,
        )  # fmt: skip
        part, true, free = _standing(draw, layout, ends[name], each - unsprung, rate, ratio)
        for p in places:
            length = None if free is None else free - (mass[p] - unsprung) * G / ratio / true
            found[p] = SideSetup(spring=part, **_seat(draw, part, length, tops[p]))
    readings = []
    for place in PLACES:
        hub, radius = heights[place]
        for _ in range(int(draw.integers(1, 3))):
            readings.append(
                Reading(
                    place=place, quantity="mass", value=round(mass[place] + draw.normal(0, SCALES)), how="scales"
                )
            )
            readings.append(
                Reading(place=place, quantity="hub_to_arch", value=round(hub + draw.normal(0, TAPE), 3))
            )
            readings.append(
                Reading(place=place, quantity="floor_to_arch", value=round(hub + radius + draw.normal(0, TAPE), 3))
            )
    sides = {p.value: found[p] for p in PLACES}
    return Document(
        vehicle=Vehicle(
            name=f"honest {seed}",
            wheelbase=LengthValue(value=base),
            ends=Ends(**ends),
            plate=Plate(gross=round(total * 1.3)),
        ),
        brief=Brief(use=use),
        surveys=(Survey(id="found", conditions=DONE, readings=tuple(readings)),),
        setups=(Setup(id="found", name="as found", stage="as found", sides=Sides(**sides)),),
    )


def _arm(draw, hub):
    angle = radians(draw.uniform(4, 14))
    return TorsionArm(
        length=round(draw.uniform(0.33, 0.45), 3),
        angle=angle,
        right_angle=angle + draw.normal(0, radians(0.1)),
        chassis=radians(draw.uniform(-1, 1)),
        hub_to_arch=hub,
    )


def _standing(draw, layout, end, sprung, rate, ratio):
    """The axle's springs as told, what their rate is in truth, and their free length."""
    if layout == "torsion arm":
        angular = rate * (end.arm.length * cos(end.arm.angle - end.arm.chassis)) ** 2
        diameter = (angular * 32 * 1.0 / (pi * SHEAR)) ** 0.25
        return TorsionBarPart(code="bar", diameter=round(diameter, 4), effective_length=1.0), angular, None
    # what the maker says of its rate is a few per cent off
    true = rate / ratio**2
    free = round(draw.uniform(0.19, 0.26) + sprung * G / ratio / true, 3)
    told = RateValue(value=round(true * (1 + draw.normal(0, 0.02))), how="maker")
    return SpringPart(code="standard", rate=told, free_length=free), true, free


def _seat(draw, part, length, hub):
    """Sometimes the room for the spring was read too, with its collar."""
    if not isinstance(part, SpringPart) or draw.random() < 0.5:
        return {}
    collar = round(draw.uniform(0.005, 0.03), 3)
    # the same spring on both sides: its own load made its length, so the seat is read off this side
    return {
        "seat": Seat(
            length=round(length + collar + draw.normal(0, TAPE), 3), hub_to_arch=hub, thread=0.06, pitch=0.002
        ),
        "collar": collar,
    }


def honest_cycle(seed: int) -> Document:
    """A motorcycle on coils with its rider, read lifted and pressed."""
    draw = np.random.default_rng(seed)
    rake = radians(draw.uniform(23, 28))
    total, front = draw.uniform(130, 260), draw.uniform(0.46, 0.52)
    rider, on_rear = draw.uniform(60, 110), draw.uniform(0.58, 0.68)
    ends, sides, readings = {}, {}, []
    for place, share in zip(WHEELS, (front, 1 - front), strict=True):
        each, is_front = total * share, place.value == "front"
        unsprung = each * draw.uniform(0.13, 0.2)
        travel = draw.uniform(0.12, 0.16)
        ratio = 1 / cos(rake) if is_front else draw.uniform(0.38, 0.50)
        free, extra = draw.uniform(0.012, 0.026), rider * (1 - on_rear if is_front else on_rear) * G
        load, pressed = (each - unsprung) * G, draw.uniform(0.012, 0.030)
        rate = load / (free + pressed)  # at the wheel
        travel = max(travel, (free + extra / rate) / 0.55)
        coil, preload = rate / ratio**2, pressed * ratio
        legs = 2 if is_front else 1
        friction = draw.uniform(0.0015, 0.004)
        for state, sag in (("extended", 0.0), ("bike", free), ("rider", free + extra / rate)):
            for pull, sign in (("lifted", 1), ("pressed", -1)):
                read = 0.5 - sag + (0 if state == "extended" else sign * friction)
                readings.append(
                    Reading(place=place, quantity=f"{state}_{pull}", value=round(read + draw.normal(0, TAPE), 3))
                )
        readings.append(
            Reading(place=place, quantity="mass", value=round(each + draw.normal(0, SCALES)), how="scales")
        )
        part = SpringPart(
            code="coil",
            rate=RateValue(value=round(coil / legs * (1 + draw.normal(0, 0.02))), how="maker"),
            free_length=0.25,
        )
        sides[place.value] = SideSetup(spring=part, preload=max(round(preload + draw.normal(0, 0.001), 4), 0.0))
        ends[place.value] = (
            End(layout="fork", fork=Fork(rake=rake, read="vertical"), travel=travel, unsprung_mass=MassValue(value=unsprung), tyre=Tyre(radius=0.3))
            if is_front
            else End(
                layout="linkage",
                spring=Mount(ratio=RatioFromLeverage(points=((0.0, 1 / ratio), (travel / 2, 1 / ratio), (travel, 1 / ratio)))),
                swingarm=Swingarm(length=0.55, pivot_height=0.4),
                travel=travel,
                unsprung_mass=MassValue(value=unsprung),
                tyre=Tyre(radius=0.31),
            )
        )  # fmt: skip
    assert set(SAG_QUANTITIES) <= {r.quantity for r in readings}
    return Document(
        vehicle=Vehicle(
            kind="motorcycle",
            body="motorcycle",
            name=f"honest {seed}",
            wheelbase=LengthValue(value=draw.uniform(1.35, 1.5)),
            ends=Ends(**ends),
        ),
        brief=Brief(use="road motorcycle"),
        surveys=(Survey(id="found", conditions=DONE, readings=tuple(readings)),),
        loads=(LoadState(id="rider", name="rider", items=(LoadItem(name="rider", mass=round(rider + draw.normal(0, 0.5), 1)),)),),
        setups=(Setup(id="found", name="as found", stage="as found", sides=Sides(**sides)),),
    )  # fmt: skip


def read_again(document: Document, seed: int) -> Document:
    """The same vehicle, every reading taken anew: the value told, with the scatter of its kind."""
    draw = np.random.default_rng(seed)
    survey = document.surveys[0]
    made = tuple(
        r.but(value=r.value + draw.normal(0, SCALES if r.quantity == "mass" else TAPE)) for r in survey.readings
    )
    return document.but(surveys=(survey.but(readings=made), *document.surveys[1:]))
