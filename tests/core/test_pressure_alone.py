"""A bicycle of which only pressure and sag were read: the pressure for the sag wanted, marked."""

import pytest

from feder.core.benches.acts import TellNeeds
from feder.core.document.blank import blank_document
from feder.core.document.survey import Reading, Survey
from feder.core.report.evaluate import evaluate
from tests.changes import applied, with_end, with_side


def read(front=(0.163, 0.040), rear=(0.512, 0.050), pressure=None):
    bike = blank_document("new", "bicycle", "fork", "linkage")
    readings = []
    for end, (top, sag) in (("front", front), ("rear", rear)):
        for quantity, value in (("extended", top), ("bike", top - 0.004), ("rider", top - sag)):
            readings += [
                Reading(place=end, quantity=f"{quantity}_{pull}", value=value) for pull in ("lifted", "pressed")
            ]
    bike = bike.but(surveys=(Survey(id="first", readings=tuple(readings)),))
    bike = with_end(with_end(bike, "rear", travel=0.145), "front", travel=0.150)
    for end, p in (pressure or {}).items():
        bike = with_side(bike, "found", end, pressure=p)
    return bike


def test_the_same_load_on_less_sag_asks_for_as_much_more_pressure():
    sags = evaluate(read(pressure={"rear": 12.0e5}), "plan").sags["rear"]
    wanted = 0.275 * 0.145  # trail: 25 to 30 % of the travel
    assert sags.target.value == pytest.approx(wanted)
    assert sags.wanted_pressure.value == pytest.approx(12.0e5 * 0.050 / wanted)
    assert sags.wanted_pressure.assumed
    assert sags.verdict is None


def test_the_phone_asks_for_the_pressure_and_then_answers():
    bike = read()
    waits = evaluate(bike, "plan").waits["verdict rear"]
    assert "pressure" in {w.asks for w in waits}
    told = applied(bike, "plan", TellNeeds(act="tell needs", end="rear", pressure=11.0e5))
    assert told.setups[0].sides.rear.pressure == 11.0e5
    report = evaluate(told, "plan")
    assert report.sags["rear"].wanted_pressure.value == pytest.approx(11.0e5 * 0.050 / (0.275 * 0.145))
    assert "pressure" not in {w.asks for w in report.waits["verdict rear"]}


def test_without_pressure_or_sag_nothing_is_guessed():
    assert evaluate(read(), "plan").sags["rear"].wanted_pressure is None
    flat = read(rear=(0.512, 0.0), pressure={"rear": 12.0e5})
    assert evaluate(flat, "plan").sags["rear"].wanted_pressure is None
