"""Demo vehicles that were fitted, set down and driven: their rounds of readings and their logs."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from math import radians
from typing import Any

from feder.core.document.alignment import AlignmentAdjuster, AtHeight, ToeRod
from feder.core.document.base import PLACES, WHEELS, Place, RateValue, Tolerances
from feder.core.document.changes import sides_changed
from feder.core.document.document import Document
from feder.core.document.entry import Entry, WheelPressure
from feder.core.document.setup import Clicks, Setup, SpringPart
from feder.core.document.survey import Conditions, Reading, Survey, SurveyQuantity, WheelRound
from feder.core.document.vehicle import End
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.tansy import tansy

KM = 1000.0


@dataclass(frozen=True)
class Settled:
    """A vehicle with the entries of its logs, each with the setup as it left it."""

    document: Document
    entries: Sequence[tuple[Setup, Entry]] = field(default_factory=tuple)


def _readings(quantity: SurveyQuantity, values: Mapping[Place, float | Sequence[float]]) -> list[Reading]:
    made = []
    for place, told in values.items():
        many = told if isinstance(told, Sequence) else (told,)
        how: Any = "scales" if quantity == "mass" else "tape"
        made += [Reading(place=place, quantity=quantity, value=v, how=how) for v in many]
    return made


def _mm(*values: float | Sequence[float]) -> dict[Place, float | Sequence[float]]:
    """Heights of the four corners, told in mm."""
    return {
        p: tuple(w / KM for w in v) if isinstance(v, Sequence) else v / KM
        for p, v in zip(PLACES, values, strict=True)
    }


_READY = Conditions(
    level_floor=True,
    pressures_set=True,
    rolled=True,
    loaded=True,
    ballast="driver aboard, helmet on the rear shelf",
    fuel="half tank",
)
_NETTLE_AT = 148_210 * KM


def settled_nettle() -> Settled:
    """Nettle on its kit: a strut not home at first, and 620 km since."""
    car = nettle()
    start = _nettle_fitted(car)
    states = [start]
    moves: tuple[dict[Place, dict[str, Any]], ...] = (
        {p: {"rebound": Clicks(count=10, of=18)} for p in PLACES[:2]},
        {Place.REAR_LEFT: {"collar": 0.0051}, Place.REAR_RIGHT: {"collar": 0.0029}},
        {Place.REAR_LEFT: {"collar": 0.0066}, Place.REAR_RIGHT: {"collar": 0.0044}},
        {
            **{p: {"rebound": Clicks(count=9, of=18)} for p in PLACES[2:]},
            **{p: {"tyre_pressure": 1.8e5} for p in PLACES[:2]},
        },
        {p: {"bump": Clicks(count=9, of=18)} for p in PLACES[:2]},
    )
    for move in moves:
        states.append(sides_changed(states[-1], move))
    entries = [
        _entry("nettle-1", "2026-06-13T17:40", 0, "the plan; right front strut home at the second try"),
        _entry(
            "nettle-2", "2026-06-21T10:15", 85, "sucked down over the ripples behind the quarry", "better",
            ("follows",), air=24, cold=(1.9, 1.9, 1.8, 1.8),
        ),
        _entry(
            "nettle-3", "2026-06-28T11:30", 210, "nervous when braking downhill", "worse", ("lazy", "calm"),
            air=26, cold=(1.9, 1.9, 1.8, 1.8),
        ),
        _entry(
            "nettle-4", "2026-07-05T09:50", 330, "back to where it was: it would not turn", "better",
            ("turns in",), surface="damp", air=17, cold=(1.9, 1.9, 1.8, 1.8),
        ),
        _entry(
            "nettle-5", "2026-07-12T15:05", 455, "rear bushes renewed, and more rebound with them", "better",
            ("drives out",), air=28, cold=(1.8, 1.8, 1.8, 1.8),
        ),
        _entry(
            "nettle-6", "2026-07-26T10:20", 620, "the kerb at the quarry", "no difference", (), air=25,
            cold=(1.8, 1.8, 1.8, 1.8), hot=(2.1, 2.15, 2.05, 2.05), time=94.6, where="hill, dry run",
        ),
    ]  # fmt: skip
    rounds = [
        _nettle_round("first", "2026-06-13", "16:10", 0, None, _mm((355.0, 355.0), (361.0, 360.0), 350.5, 352.5)),
        _nettle_round("home", "2026-06-13", "17:30", 0, "nettle-1", _mm(355.0, 354.5, 350.5, 352.5)),
        _nettle_round("june-21", "2026-06-21", "10:00", 85, "nettle-1", _mm(354.0, 353.0, 350.0, 352.5)),
        _nettle_round("june-28", "2026-06-28", "12:10", 210, "nettle-3", _mm(353.0, 352.0, 348.0, 350.0)),
        _nettle_round("july-5", "2026-07-05", "10:20", 330, "nettle-4", _mm(352.0, 352.0, 350.0, 351.5)),
        _nettle_round("july-12", "2026-07-12", "15:40", 455, "nettle-5", _mm(352.0, 351.0, 350.0, 352.0)),
        _nettle_round(
            "july-26", "2026-07-26", "11:00", 620, "nettle-6", _mm(351.5, 351.5, 350.0, 351.0),
            masses=(313.0, 294.5, 203.0, 200.5), wheels=_nettle_read_out(),
        ),
    ]  # fmt: skip
    ends = car.vehicle.ends
    vehicle = car.vehicle.but(
        steering_ratio=15.4,
        ends=ends.but(front=_nettle_front(ends.front), rear=_nettle_rear(ends.rear)),
    )
    made = car.but(vehicle=vehicle, setups=(*car.setups, states[-1]), surveys=(*car.surveys, *rounds))
    return Settled(made, list(zip(states, entries, strict=True)))


def _nettle_fitted(car: Document) -> Setup:
    """The plan as fitted: springs put on the bench first, seats read by calliper, collars by rule to a tenth."""
    plan = car.setups[1]
    collars = dict(zip(PLACES, (0.0240, 0.0214, 0.0066, 0.0044), strict=True))
    sides: dict[Place, dict[str, Any]] = {}
    for place in PLACES:
        side = getattr(plan.sides, place.value)
        spring: SpringPart = side.spring
        sides[place] = {
            "set_by": "collar",
            "collar": collars[place],
            "spring": spring.but(
                rate=RateValue(value=spring.rate.value, how="bench"), tolerances=Tolerances(free_length=0.0004)
            ),
            "seat": side.seat.but(tolerances=Tolerances(length=0.0005, hub_to_arch=0.0005)),
            "caster": radians(4.5) if place.end == "front" else None,
        }
    return sides_changed(
        plan.but(
            id="fitted", name="fitted", stage="fitted", parent="plan", fitted_on="2026-06-13", odometer=_NETTLE_AT
        ),
        sides,
    )


def _nettle_front(end: End) -> End:
    pairs = (
        (0.384, -0.5, 0.9),
        (0.364, -0.75, 0.5),
        (0.344, -1.05, -0.1),
        (0.324, -1.45, -0.9),
        (0.304, -1.9, -1.9),
    )
    return end.but(
        toe_rod=ToeRod(arm=0.118, lead=0.0015, behind=True),
        adjusters=(AlignmentAdjuster(how="plate", sets="camber", least=radians(-3.2), most=radians(-0.4)),),
        over_height=_pairs(pairs),
    )


def _nettle_rear(end: End) -> End:
    pairs = ((0.378, -1.0, 0.7), (0.358, -1.25, 1.0), (0.338, -1.6, 1.4), (0.318, -2.0, 1.9))
    return end.but(
        toe_rod=ToeRod(arm=0.300, lead=0.0025, behind=True),
        adjusters=(
            AlignmentAdjuster(
                how="eccentric", sets="camber", least=radians(-2.6), most=radians(-0.6), step=radians(0.15)
            ),
        ),
        over_height=_pairs(pairs),
    )


def _pairs(told: Sequence[tuple[float, float, float]]) -> tuple[AtHeight, ...]:
    return tuple(AtHeight(hub_to_arch=h, camber=radians(c), toe=t / KM) for h, c, t in told)


def _nettle_read_out() -> tuple[WheelRound, ...]:
    """After new bushes one rear link was turned the wrong way: the axle points aside, camber has no part in it."""
    told = (
        (-0.4, -2.5, 4.4, (4.9, 5.6, 5.8)),
        (-0.6, -2.4, 4.6, (5.2, 5.6, 5.7)),
        (2.5, -1.8, None, (5.8, 6.0, 6.0)),
        (-0.6, -1.9, None, (5.9, 6.0, 6.0)),
    )
    return tuple(
        WheelRound(
            place=p, toe=toe / KM, camber=radians(camber), caster=None if caster is None else radians(caster),
            tread_inner=tread[0] / KM, tread_middle=tread[1] / KM, tread_outer=tread[2] / KM,
        )
        for p, (toe, camber, caster, tread) in zip(PLACES, told, strict=True)
    )  # fmt: skip


def _nettle_round(
    name: str,
    date: str,
    time: str,
    km: float,
    entry: str | None,
    heights: Mapping[Place, float | Sequence[float]],
    masses: Sequence[float] | None = None,
    wheels: tuple[WheelRound, ...] = (),
) -> Survey:
    readings = _readings("hub_to_arch", heights)
    if masses is not None:
        readings += _readings("mass", dict(zip(PLACES, masses, strict=True)))
    weighed = masses is not None
    return Survey(
        id=f"fitted-{name}",
        setup="fitted",
        date=date,
        time=time,
        odometer=_NETTLE_AT + km * KM,
        entry=entry,
        conditions=_READY.but(bars_unhooked=weighed, pads_level=weighed),
        readings=tuple(readings),
        wheels=wheels,
        set_aside=entry is None,
    )


def _entry(
    name: str,
    at: str,
    km: float,
    why: str,
    felt: Any = None,
    words: tuple[str, ...] = (),
    *,
    start: float = _NETTLE_AT,
    surface: Any = "dry",
    air: float | None = None,
    cold: Sequence[float] = (),
    hot: Sequence[float] = (),
    time: float | None = None,
    where: str = "",
    places: Sequence[Place] = PLACES,
) -> Entry:
    pressures = tuple(
        WheelPressure(
            place=p,
            cold=cold[i] * 1e5 if i < len(cold) else None,
            hot=hot[i] * 1e5 if i < len(hot) else None,
        )
        for i, p in enumerate(places)
        if cold or hot
    )
    return Entry(
        id=name, at=at, odometer=start + km * KM, why=why, felt=felt, words=words, surface=surface, air=air,
        pressures=pressures, time=time, where=where,
    )  # fmt: skip


_TANSY_AT = 212_480 * KM


def settled_tansy() -> Settled:
    """Tansy on its turned bars: one round of corrections at the plates' adjusters, no second pull."""
    car = tansy()
    start = car.setups[1].but(
        id="turned", name="turned", stage="fitted", parent="plan", fitted_on="2026-03-14", odometer=_TANSY_AT
    )
    left, right = 0.3596268, 0.3515799
    turned = sides_changed(
        start,
        {
            Place.REAR_LEFT: {"set_by": "free angle", "free_angle": left - radians(0.3), "hub_to_arch": 0.322},
            Place.REAR_RIGHT: {"set_by": "free angle", "free_angle": right + radians(0.2), "hub_to_arch": 0.322},
        },
    )
    entries = [
        _entry("tansy-1", "2026-03-14T16:00", 0, "level when empty", start=_TANSY_AT, air=9),
        _entry(
            "tansy-2", "2026-03-14T17:10", 0, "one round at the adjusters: left down, right up", start=_TANSY_AT,
            air=9,
        ),
    ]  # fmt: skip
    heights = (
        ("first", "15:20", "tansy-1", _mm(345.5, 346.5, 325.0, 320.0)),
        ("second", "17:40", "tansy-2", _mm(345.5, 346.5, 322.5, 321.5)),
    )
    rounds = tuple(
        Survey(
            id=f"turned-{name}",
            setup="turned",
            date="2026-03-14",
            time=time,
            odometer=_TANSY_AT,
            entry=entry,
            conditions=_READY.but(ballast="driver aboard, load room empty"),
            readings=tuple(_readings("hub_to_arch", values)),
        )
        for name, time, entry, values in heights
    )
    made = car.but(setups=(*car.setups, turned), surveys=(*car.surveys, *rounds))
    return Settled(made, [(start, entries[0]), (turned, entries[1])])


_MAGPIE_AT = 31_870 * KM


def settled_magpie() -> Settled:
    """Magpie's day at a track: five turns, one thing at a time but once."""
    bike = magpie()
    start = bike.setups[1].but(
        id="ridden", name="ridden", stage="fitted", parent="plan", fitted_on="2026-08-01", odometer=_MAGPIE_AT
    )
    moves: tuple[dict[Place, dict[str, Any]], ...] = (
        {},
        {Place.REAR: {"rebound": Clicks(count=10, of=24)}},
        {Place.FRONT: {"bump": Clicks(count=9, of=20)}},
        {Place.FRONT: {"clamp": 0.009}, Place.REAR: {"tyre_pressure": 2.3e5}},
        {Place.REAR: {"rebound": Clicks(count=9, of=24)}},
    )
    told: tuple[tuple[str, float, str, Any, tuple[str, ...], float, tuple[float, float]], ...] = (
        ("09:40", 0, "as it was fitted", None, (), 78.9, (2.45, 2.70)),
        ("10:50", 31, "rear pumps over the bumps out of the hairpin", "better", ("follows",), 78.1, (2.50, 2.75)),
        ("11:55", 58, "dives on the brakes into the first bend", "better", ("calm",), 77.6, (2.50, 2.75)),
        ("14:10", 90, "slow to turn; the rear slid", "much better", ("turns in", "drives out"), 76.8, (2.5, 2.6)),
        ("15:30", 121, "still a little loose at the rear", "no difference", (), 76.9, (2.50, 2.60)),
    )  # fmt: skip
    states: list[Setup] = []
    entries: list[Entry] = []
    for n, ((time, km, why, felt, words, lap, hot), move) in enumerate(zip(told, moves, strict=True), 1):
        states.append(sides_changed(states[-1] if states else start, move))
        entries.append(
            _entry(
                f"magpie-{n}", f"2026-08-08T{time}", km, why, felt, words, start=_MAGPIE_AT, air=27, hot=hot,
                cold=(2.3, 2.5 if n < 4 else 2.3), time=lap, where="short circuit", places=WHEELS,
            )
        )  # fmt: skip
    sags: dict[SurveyQuantity, tuple[float, float]] = {
        "extended_lifted": (0.148, 0.604),
        "extended_pressed": (0.148, 0.604),
        "rider_lifted": (0.116, 0.572),
        "rider_pressed": (0.110, 0.564),
    }
    readings = [r for q, values in sags.items() for r in _readings(q, dict(zip(WHEELS, values, strict=True)))]
    first = Survey(
        id="ridden-first",
        setup="ridden",
        date="2026-08-01",
        time="18:20",
        odometer=_MAGPIE_AT,
        entry="magpie-1",
        conditions=Conditions(level_floor=True, pressures_set=True, rolled=True, loaded=True, rider="solo"),
        readings=tuple(readings),
    )
    made = bike.but(setups=(*bike.setups, states[-1]), surveys=(*bike.surveys, first))
    return Settled(made, list(zip(states, entries, strict=True)))
