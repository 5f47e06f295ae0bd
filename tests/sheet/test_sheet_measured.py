"""On the sheet measured is measured: readings of the setup and of the vehicle as found, not what Feder makes of them."""

import re
from datetime import date

from feder.core.document.base import PLACES, Place, RateValue
from feder.core.document.document import LoadItem, LoadState
from feder.core.document.fitting import Damage
from feder.core.document.vehicle import Plate
from feder.core.report.evaluate import evaluate
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.sheet.page import sheet_html
from feder.sheet.paper import FONTS
from tests.changes import set_down, with_side


def page(document, setup):
    return sheet_html(document, setup, "metric", 3, date(2026, 6, 14), FONTS.as_uri())


def rows(html, corner):
    """Cells of one corner's table by the words of its row."""
    table = html.split(f'<td colspan="2">{corner}</td>')[1].split("</table>")[0]
    found = {}
    for row in re.findall(r"<tr.*?</tr>", table, re.DOTALL):
        cells = [re.sub(r"<[^>]+>|\s+", " ", c).strip() for c in re.findall(r"<td.*?</td>", row, re.DOTALL)]
        found[cells[0]] = cells[1:]
    return found


def fitted(car):
    setup = car.setups[1].but(id="fitted", name="fitted", stage="fitted", parent="plan")
    return car.but(setups=(*car.setups, setup))


def test_a_fitted_car_shows_what_was_measured_beside_what_was_computed():
    car = set_down(fitted(nettle()), "fitted", dict(zip(PLACES, (0.341, 0.342, 0.343, 0.344), strict=True)))
    car = car.but(surveys=(*car.surveys[:-1], set_down(car, "fitted", {Place.FRONT_LEFT: 251.4}, "mass").surveys[-1].but(
        readings=(*car.surveys[-1].readings, *set_down(car, "fitted", {Place.FRONT_LEFT: 251.4}, "mass").surveys[-1].readings)
    )))  # fmt: skip
    html, report = page(car, "fitted"), evaluate(car, "fitted")
    table = rows(html, "front left")
    assert table[""] == ["found", "calc.", "read"]
    assert table["hub to arch"][1:] == [f"{report.corners['front_left'].hub_to_arch.value * 1e3:.0f}", "341"]
    assert table["floor to arch"][2] == ""
    assert "251" in html.split('<td colspan="2">front left</td>')[1][:60]
    plan = rows(page(car, "plan"), "front left")
    assert plan[""] == ["found", "plan", "as fitted"]
    assert "341" not in plan["hub to arch"]


def test_the_track_is_that_of_the_wheels_on_it():
    car = nettle()
    for place in ("front_left", "front_right"):
        car = with_side(car, "plan", place, spacer=0.012)
    before, after = (car.vehicle.ends.front.track, car.vehicle.ends.front.track + 0.024)
    assert f"track {after * 1e3:.0f} front, {car.vehicle.ends.rear.track * 1e3:.0f} rear" in page(car, "plan")
    assert f"track {before * 1e3:.0f} front" in page(car, "found")


def test_what_was_read_as_found_carries_no_mark_of_the_plan():
    car = nettle()
    guessed = car.setups[1].sides.rear_left.spring.but(rate=RateValue(value=60e3, how="estimated"))
    html = page(with_side(car, "plan", "rear_left", spring=guessed), "plan")
    table = rows(html, "rear left")
    assert table["wheel rate"][1].startswith("~")
    assert not table["wheel rate"][0].startswith("~")


def test_a_sag_as_found_is_the_one_read():
    bike = magpie()
    html = page(bike, "plan")
    text = re.sub(r"\s+", " ", re.sub(r"<[^>]+>", " ", html))
    # front read along the tube: 148 less the mean of 108 and 102; rear 604 less that of 560 and 551
    assert "rider sag 43.0 " in text
    assert "rider sag 48.5 " in text
    assert "bike alone 26.0 " in text
    assert "bike alone 16.5 " in text


def test_damage_stands_once_and_a_load_over_the_plate_among_the_cautions():
    car = nettle()
    survey = car.surveys[0].but(damages=(Damage(id="a", part="left tower", state="corroded"),))
    state = LoadState(id="full", name="holiday", items=(LoadItem(name="bags", mass=160, x=2.4, y=0.0),))
    car = car.but(surveys=(survey,), loads=(*car.loads, state))
    mass = sum(c.mass.value for c in evaluate(car, "plan", "full").corners.values())
    plate = Plate(gross=mass - 1, front_axle=2000, rear_axle=2000)
    html = page(car.but(vehicle=car.vehicle.but(plate=plate)), "plan")
    assert html.count("left tower, corroded") == 1
    cautions = html.split("<h2>Cautions</h2>")[1].split("<h2>Notes")[0]
    assert f"holiday: in all {mass:.0f}, the plate allows {mass - 1:.0f} kg." in cautions
    wide = car.but(vehicle=car.vehicle.but(plate=plate.but(gross=mass + 1)))
    assert "holiday: in all" not in page(wide, "plan")
