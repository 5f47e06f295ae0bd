"""What is typed stays: keys on the walk, numbers that count only together, readings of a plan beside those as found."""

import pytest
from playwright.sync_api import expect

from feder.demo.magpie import magpie
from feder.store.database import open_database
from feder.store.garage import Garage
from tests.browser.hands import unfold
from tests.browser.test_journeys import open_nettle, saved, station

pytestmark = pytest.mark.filterwarnings("ignore")


def stored(tmp_path, name):
    """The document of a demo vehicle as it lies in the garage."""
    garage = Garage(open_database(tmp_path))
    (row,) = [r for r in garage.listed() if r.name == name]
    return garage.get(row.id).document


def test_the_walk_keeps_its_keys_and_replaces_what_was_refused(served, watched, tmp_path):
    page = watched()
    open_nettle(page, served(demo=True), "2")
    page.get_by_role("button", name="Walk round").click()
    page.get_by_role("button", name="hub to arch", exact=True).click()
    field = page.locator(".walk input.big")
    # a key on the screen, then keys of the keyboard: none of them leads away to another station
    page.get_by_role("button", name="3", exact=True).click()
    page.keyboard.type("71")
    expect(field).to_have_value("371")
    page.keyboard.press("Backspace")
    page.get_by_role("button", name="erase the last digit").click()
    page.get_by_role("button", name="7", exact=True).click()
    page.get_by_role("button", name="8", exact=True).click()
    expect(field).to_have_value("378")
    expect(page.get_by_role("heading", level=1)).to_have_text("Survey")
    page.get_by_role("button", name="wipe").click()
    page.keyboard.type("3770 mm")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert").first).to_be_visible()
    page.keyboard.type("377")
    expect(field).to_have_value("377")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Rear left, hub to arch")).to_be_visible()
    saved(page)
    readings = stored(tmp_path, "Nettle").surveys[0].readings
    assert [r.value for r in readings if (r.place, r.quantity) == ("front_left", "hub_to_arch")] == [0.377]


def test_numbers_that_count_only_together_wait_over_stations_and_a_reload(served, watched, tmp_path):
    page = watched()
    open_nettle(page, served(demo=True), "3")
    rear = page.locator('[aria-label="rear"]')
    unfold(page, "Bars and roll")
    length = rear.get_by_label("lower arm, length")
    length.fill("340")
    length.press("Enter")
    station(page, "Survey")
    station(page, "Geometry")
    expect(length).to_have_value("340")
    page.reload()
    expect(length).to_have_value("340")
    expect(page.get_by_text("Counts once the angle is typed too")).to_be_visible()
    rear.get_by_label("lower arm, angle as found, outer end up +").fill("-8")
    rear.get_by_label("lower arm, angle as found, outer end up +").press("Enter")
    saved(page)
    arm = stored(tmp_path, "Nettle").vehicle.ends.rear.lower_arm
    assert (arm.length, arm.hub_to_arch) == (0.34, pytest.approx(0.368, abs=0.003))
    # cleared again, the rest of it is not thrown away
    length.fill("")
    length.press("Enter")
    expect(rear.get_by_label("lower arm, angle as found, outer end up +")).to_have_value("−8.0")


def test_a_number_that_only_the_server_can_read_waits_for_it_over_leaving_and_a_reload(served, watched, tmp_path):
    page = watched()
    open_nettle(page, served(demo=True), "2")
    page.route("**/api/quantity", lambda route: route.abort())
    field = page.get_by_label("hub to arch, front left", exact=True)
    field.fill("14 7/8 in +- 1/16")
    field.press("Enter")
    expect(page.get_by_role("alert").first).to_contain_text("Feder does not answer")
    station(page, "Geometry")
    waits = page.get_by_role("link", name="a number is not taken yet")
    expect(waits).to_be_visible()
    page.reload()
    waits.click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Survey")
    expect(field).to_have_value("14 7/8 in +- 1/16")
    expect(page.get_by_label("hub to arch, front right", exact=True)).to_have_value("374")
    page.unroute("**/api/quantity")
    field.press("End")
    field.press("Space")
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(waits).to_have_count(0)
    saved(page)
    (reading,) = [
        r
        for r in stored(tmp_path, "Nettle").surveys[0].readings
        if (r.place, r.quantity) == ("front_left", "hub_to_arch")
    ]
    assert reading.value == pytest.approx(14.875 * 0.0254, abs=1e-9)
    assert reading.tolerance == pytest.approx(0.0254 / 16, abs=1e-9)
    page.reload()
    expect(field).to_have_value("377.82 ± 1.5875")


def test_what_cannot_be_read_stays_as_typed_until_it_is_put_right(served, watched):
    page = watched()
    open_nettle(page, served(demo=True), "3")
    unfold(page, "Size of the vehicle")
    field = page.get_by_label("wheelbase", exact=True)
    field.fill("2440 kg")
    expect(page.get_by_role("alert").first).to_contain_text("is a mass")
    station(page, "Survey")
    station(page, "Geometry")
    expect(field).to_have_value("2440 kg")
    expect(page.get_by_role("alert").first).to_contain_text("is a mass")
    field.press("Escape")
    expect(field).to_have_value("2440")
    station(page, "Survey")
    station(page, "Geometry")
    expect(field).to_have_value("2440")
    expect(page.get_by_role("alert")).to_have_count(0)


def test_turned_and_read_again_the_first_readings_stay(served, watched, tmp_path):
    page = watched()
    page.set_viewport_size({"width": 390, "height": 844})
    base = served(demo=True)
    page.goto(base)
    page.get_by_role("button", name="Open Magpie").click()
    page.wait_for_url("**/vehicle/**")
    page.goto(page.url.rsplit("/", 1)[0] + "/walk")
    page.get_by_role("button", name="Turned.").click()
    expect(page.locator("header")).to_contain_text("read again")
    page.locator(".field input").fill("128.5")
    page.get_by_role("button", name="Next").click()
    saved(page)
    document = stored(tmp_path, "Magpie")
    assert document.surveys[0] == magpie().surveys[0]
    assert [(r.place, r.quantity, r.value) for r in document.surveys[-1].readings] == [
        ("front", "bike_lifted", 0.1285)
    ]
    assert document.surveys[-1].setup == "plan"
