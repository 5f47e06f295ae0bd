"""The figures of the job card by hand: what is in a spring as it hangs, how far it is backed off, where it is just touched."""

from math import radians

import pytest

from feder.core.document.fitting import Damage, OwnCard, OwnPlace, OwnStep, OwnWords
from feder.core.document.setup import BarSetting, StopTrim
from feder.core.fitting.card import card_of
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.tansy import tansy
from tests.changes import with_side

G = 9.80665
FRONT = {"front_left": (308, 376), "front_right": (298, 374)}
REAR = {"rear_left": (207, 368), "rear_right": (197, 366)}


def steps(car, setup="plan"):
    return {s.key: s for s in card_of(car, setup).steps()}


@pytest.mark.parametrize(("place", "read"), FRONT.items())
def test_a_struts_old_spring_as_it_hangs(place, read):
    (mass, hub), ratio, rate, droop = read, 0.96, 26e3, 420
    at_ride = (mass - 34) * G / ratio
    left = at_ride - rate * ratio * (droop - hub) / 1e3
    step = steps(nettle())[f"{place}.apart"]
    assert step.energy
    assert step.numbers["force"].value == pytest.approx(left / G, abs=0.01)
    assert step.numbers["by"].value == pytest.approx(left / rate, abs=1e-5)


@pytest.mark.parametrize(("place", "read"), REAR.items())
def test_a_spring_beside_its_damper_by_what_the_jack_feels_and_how_far_it_comes_down(place, read):
    (mass, hub), ratio, rate, droop = read, 0.72, 28e3, 402
    at_ride = (mass - 28) * G / ratio
    left = at_ride - rate * ratio * (droop - hub) / 1e3
    told = steps(nettle())
    assert told[f"{place}.damper_bolt_out"].numbers["force"].value == pytest.approx(left * ratio / G, abs=0.01)
    assert told[f"{place}.arm_down"].numbers["way"].value == pytest.approx(left / rate / ratio, abs=1e-5)


def test_the_collar_is_told_with_the_other_side_and_where_the_spring_is_just_touched():
    told = steps(nettle())
    seats = {"front_left": (0.024006, 0.021378), "front_right": (0.021378, 0.024006)}
    plan = nettle().setups[1]
    for place, (mine, other) in seats.items():
        sets = {s.words: s for s in told[f"{place}.collar"].settings}
        assert sets["collar"].value.value == pytest.approx(mine, abs=2e-5)
        assert sets["collar"].other.value == pytest.approx(other, abs=2e-5)
        side = getattr(plan.sides, place)
        # at full length of the damper the room between the seats, less the spring: what is left to turn
        assert sets["spring just touched at"].value.value == pytest.approx(0.01736, abs=1e-5)
        assert sets["turns"].value.value == pytest.approx(sets["collar"].value.value / side.seat.pitch, abs=1e-6)
    assert not told["front_left.mount_on"].energy  # the spring is laid in loose: no compressor


def test_stops_springs_and_pressures_are_those_of_the_plan_at_their_own_corner():
    car = nettle()
    for k, place in enumerate(("front_left", "front_right", "rear_left", "rear_right")):
        car = with_side(
            car,
            "plan",
            place,
            stop=StopTrim(length=0.021 + 0.002 * k, packer=0.001 * k),
            tyre_pressure=1.71e5 + 1e4 * k,
        )
    told = steps(car)
    for k, (place, key) in enumerate(
        (
            ("front_left", "spring_on"),
            ("front_right", "spring_on"),
            ("rear_left", "damper_in"),
            ("rear_right", "damper_in"),
        )
    ):
        stop = next(s for s in told[f"{place}.{key}"].settings if s.words == "stop, cut to")
        assert stop.value.value == pytest.approx(0.021 + 0.002 * k)
        packed = [s.value.value for s in told[f"{place}.{key}"].settings if s.words == "packer under it"]
        assert packed == ([pytest.approx(0.001 * k)] if k else [])
        tyre = next(s for s in told["ground.tyres"].settings if s.words == place.replace("_", " "))
        assert tyre.value.value == pytest.approx(1.71e5 + 1e4 * k)
    codes = {
        p: next(
            s.text for s in told[f"{p}.spring_{'on' if 'front' in p else 'in'}"].settings if s.words == "spring"
        )
        for p in ("front_left", "rear_right")
    }
    assert codes == {"front_left": "larch 26", "rear_right": "larch 20"}


def test_what_hangs_is_named_what_is_not_there_is_left_out_and_what_nobody_told_is_to_be_looked_for():
    car = nettle()
    told = steps(car)["front_left.unhook"]
    assert told.text == "Brake hose, wheel-speed lead and level rod off the strut"
    ends = car.vehicle.ends
    hangs = ends.front.hangs.but(level_rod=False, wheel_lead=None)
    car = car.but(vehicle=car.vehicle.but(ends=ends.but(front=ends.front.but(hangs=hangs))))
    told = steps(car)["front_left.unhook"]
    assert told.text == "Brake hose off the strut; look for a wheel-speed lead too"
    assert told.acts == ("unhook:hose", "unhook:lead")


def test_torsion_bars_tell_moves_level_and_what_the_puller_holds():
    told = steps(tansy())
    sets = {s.words: s for s in told["rear_left.moves"].settings}
    assert "level must show" in sets
    assert sets["level must show"].value.unit == "rad"
    assert sets["from outside"].text
    order = [k.split(".")[1] for k in told if k.startswith("rear_left.")]
    assert (
        order.index("marks")
        < order.index("off_ledge")
        < order.index("free_read")
        < order.index("bar_out")
        < order.index("moves")
        < order.index("on_ledge")
        < order.index("damper_bolt_in")
    )


def test_a_shocks_collar_and_its_spring_as_it_hangs():
    told = steps(magpie())
    force = told["rear.spring_off"].numbers
    found = magpie().setups[0].sides.rear
    assert force["force"].value == pytest.approx(found.spring.rate.value * force["by"].value / G, rel=1e-6)
    assert told["rear.collar"].energy


def test_alignment_is_told_per_corner_signed():
    told = {s.words: s.value.value for s in steps(nettle())["after.alignment"].settings}
    assert told["front left camber"] == pytest.approx(radians(-2.5))
    assert told["rear right toe"] == pytest.approx(0.0007)


def test_the_workshops_own_steps_words_and_gaps_stay_with_the_vehicle():
    own = OwnCard(
        own=(OwnStep(id="a", group="ground", after="ground.wheel_bolts", words="Photograph of the odometer"),),
        words=(OwnWords(step="before.pushed", words="Rock it hard at the tow eye"),),
        places=(OwnPlace(step="before.pushed", after="before.stops_cut"), OwnPlace(step="after.papers")),
        hidden=("after.headlamps",),
    )
    card = card_of(nettle().but(card=own), "plan")
    keys = [s.key for s in card.steps()]
    assert keys[keys.index("ground.wheel_bolts") + 1] == "own.a"
    assert next(s.text for s in card.steps() if s.key == "before.pushed") == "Rock it hard at the tow eye"
    assert "after.headlamps" not in keys
    assert keys[keys.index("before.stops_cut") + 1] == "before.pushed"
    assert next(k for k in keys if k.startswith("after.")) == "after.papers"
    assert len(set(keys)) == len(keys) == len(list(card_of(nettle(), "plan").steps()))
    assert card.hidden == 1


def test_a_mark_changes_with_what_is_set_and_with_nothing_else():
    car = nettle()
    before = {k: s.mark for k, s in steps(car).items()}
    assert {k: s.mark for k, s in steps(car.but(notes="another word")).items()} == before
    side = car.setups[1].sides.front_left
    after = {
        k: s.mark
        for k, s in steps(with_side(car, "plan", "front_left", hub_to_arch=side.hub_to_arch - 0.004)).items()
    }
    changed = {k for k in before if before[k] != after[k]}
    assert "front_left.collar" in changed
    assert "front_left.wheel_off" not in changed
    assert "rear_left.spring_in" not in changed


def test_a_bar_unhooked_is_said_with_its_caution_and_damage_stands_at_the_head():
    car = nettle()
    setups = (car.setups[0], car.setups[1].but(front_bar=BarSetting(hooked=False)))
    survey = car.surveys[0].but(damages=(Damage(id="a", place="front_right", part="top mount", state="cracked"),))
    card = card_of(car.but(setups=setups, surveys=(survey,)), "plan")
    step = next(s for s in card.steps() if s.key == "ground.front_bar")
    assert "No drive on the road" in step.caution
    assert [d.part for d in card.damages] == ["top mount"]


def test_the_kit_is_held_against_the_plan_in_numbers_that_take_the_readers_units():
    told = {s.words: s for s in steps(nettle())["before.unpacked"].settings}
    assert told["front left"].text == "larch 26"
    assert told["rear right, free"].value.value == pytest.approx(0.180)
    assert told["rear right, wire"].value.value == pytest.approx(0.011)
    assert told["front right, coils"].text == "6.0"
