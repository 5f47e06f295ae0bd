"""Settle by hand: a strut found and mended, turns taken and undone with their entry, scales, a rack, a log, a phone."""

import re
import time

from playwright.sync_api import expect

from feder.store.database import open_database
from feder.store.garage import Garage
from feder.store.log import Log
from tests.browser.hands import Keyboard
from tests.browser.test_journeys import saved
from tests.browser.test_typing import stored


def opened(page, base, name="Nettle", setup="fitted", view=""):
    page.goto(base)
    page.get_by_role("button", name=f"Open {name}").click()
    page.wait_for_url("**/vehicle/**")
    page.goto(re.sub(r"/[a-z]+$", "/settle", page.url) + (f"?view={view}" if view else ""))
    expect(page.get_by_role("heading", name="Settle", level=1)).to_be_visible()
    page.get_by_role("button", name=f"Setup {setup}").click()


def written(tmp_path, name="Nettle", setup="fitted"):
    """The entries of a setup's log as they lie in the database."""
    sessions = open_database(tmp_path)
    vehicle = next(v.id for v in Garage(sessions).listed() if v.name == name)
    return Log(sessions).page(vehicle, setup)


def soon(told, wanted):
    """Wait for what another request brings into the database."""
    for _ in range(200):
        if told() == wanted:
            return
        time.sleep(0.1)
    assert told() == wanted


def fill(page, label, text):
    field = page.get_by_role("textbox", name=label, exact=True)
    field.fill(text)
    field.press("Enter")


def test_the_front_right_is_found_explained_and_mended(served, watched, tmp_path):
    page = watched()
    opened(page, served(demo=True))
    page.get_by_role("button", name="round 1", exact=True).click()
    view = page.get_by_role("tabpanel")
    expect(view).to_contain_text("front right stands 6.5 mm above where it should")
    expect(view).to_contain_text("wait for the cause")
    causes = page.get_by_role("region", name="What could explain it")
    first = causes.get_by_role("listitem").first
    expect(first).to_contain_text("front right: strut not home in its foot")
    expect(first).to_contain_text("427.0 it was this, 420.0 it was not")
    fill(page, "hub to arch with the wheel hanging", "427")
    expect(first).to_contain_text(re.compile(r"9\d in 100"))
    expect(view).to_contain_text("An earlier round, told as it stood then")
    page.get_by_role("button", name="round 2", exact=True).click()
    expect(page.get_by_role("region", name="What could explain it")).to_have_count(0)
    expect(view).not_to_contain_text("strange")
    saved(page)
    checks = stored(tmp_path, "Nettle").surveys[1].checks
    assert [(c.about, c.place, c.value) for c in checks] == [("hanging", "front_right", 0.427)]


def test_turns_taken_are_written_with_their_entry_and_undone_with_it(served, watched, tmp_path):
    page = watched()
    opened(page, served(demo=True))
    hand = Keyboard(page)
    view = page.get_by_role("tabpanel")
    expect(view).to_contain_text("turns up")
    hand.press(page.get_by_role("button", name="rear left, may be turned: hold it"))
    expect(view).to_contain_text("collar held")
    hand.press(page.get_by_role("button", name="Taken: turned so"))
    saved(page)
    soon(lambda: len(written(tmp_path)), 7)
    car = stored(tmp_path, "Nettle")
    sides = car.setups[-1].sides
    assert sides.front_left.collar > 0.0245
    assert sides.rear_left.collar == 0.0066
    assert sides.front_left.hub_to_arch == 0.354
    assert not car.surveys[-1].conditions.rolled
    last = written(tmp_path)[-1]
    assert last.entry.why.startswith("set down, round 7")
    assert {r.words for r in last.changes} == {"front collar"}
    page.get_by_role("button", name=re.compile("Undo")).click()
    saved(page)
    soon(lambda: len(written(tmp_path)), 6)
    assert stored(tmp_path, "Nettle").setups[-1].sides.front_left.collar == 0.024
    page.get_by_role("button", name=re.compile("Redo")).click()
    saved(page)
    soon(lambda: len(written(tmp_path)), 7)
    assert stored(tmp_path, "Nettle").setups[-1].sides.front_left.collar == sides.front_left.collar
    assert written(tmp_path)[-1].changes == last.changes


def test_a_new_round_leaves_the_earlier_ones_and_reads_twice(served, watched, tmp_path):
    page = watched()
    opened(page, served(demo=True))
    page.get_by_role("button", name="new round").click()
    view = page.get_by_role("tabpanel")
    expect(page.get_by_role("button", name="round 8")).to_have_attribute("aria-pressed", "true")
    before = stored(tmp_path, "Nettle").surveys
    for place, hub in (("front left", "354"), ("front right", "355"), ("rear left", "352"), ("rear right", "351")):
        fill(page, f"hub to arch, {place}, as set down", hub)
    expect(view).to_contain_text("Every corner read stands near enough")
    page.get_by_role("button", name="read again").first.click()
    fill(page, "hub to arch, front left, as set down, once more", "355")
    expect(page.get_by_role("textbox", name="hub to arch, front left, as set down", exact=True)).to_have_value(
        "354.5"
    )
    fill(page, "odometer at this round", "149000")
    page.get_by_text("Pressures of this round").click()
    fill(page, "tyre pressure, cold, rear right, in this round", "1.85")
    saved(page)
    car = stored(tmp_path, "Nettle")
    assert car.surveys[: len(before)] == before
    made = car.surveys[-1]
    assert (made.setup, made.entry, made.odometer) == ("fitted", "nettle-6", 149_000_000)
    assert [r.value for r in made.readings if r.place == "front_left"] == [0.354, 0.355]
    assert [(w.place, w.pressure_cold) for w in made.wheels] == [("rear_right", 185_000)]


def test_a_car_is_weighed_and_its_diagonal_set(served, watched, tmp_path):
    page = watched()
    opened(page, served(demo=True), view="weights")
    view = page.get_by_role("tabpanel")
    expect(view).to_contain_text("49.2 %")
    page.get_by_role("button", name="new round").click()
    expect(view).to_contain_text("Not ticked yet: bars unhooked")
    for words in ("bars unhooked", "driver, fuel", "pressures", "pads level", "rolled on"):
        page.get_by_role("checkbox", name=words, exact=True).check()
    page.get_by_label("or paste the four of them").fill("FL 312.5, FR 293,5; rl 203 RR 201")
    page.get_by_role("button", name="Take", exact=True).click()
    expect(page.get_by_role("textbox", name="scale, front right")).to_have_value("293.5")
    expect(view).to_contain_text("49.2 %")
    page.get_by_role("button", name="rear left collar, free: lock it").click()
    page.get_by_role("button", name="rear right collar, free: lock it").click()
    rows = page.get_by_role("table").get_by_role("row")
    expect(rows).to_have_count(2)
    expect(rows.nth(1)).to_contain_text("Fronts, heights first")
    page.get_by_role("button", name="Taken: turned so").click()
    saved(page)
    expect(view).to_contain_text("Not ticked yet: rolled on")
    car = stored(tmp_path, "Nettle")
    assert car.setups[-1].sides.front_left.collar < 0.024 < 0.0265
    assert car.setups[-1].sides.rear_left.collar == 0.0066
    soon(lambda: written(tmp_path)[-1].entry.why, "corner weights, 49.2 % to 50.0 %")


def test_a_read_out_from_a_rack_is_shown_taken_and_judged(served, watched, tmp_path):
    page = watched()
    opened(page, served(demo=True), view="alignment")
    view = page.get_by_role("tabpanel")
    expect(view).to_contain_text("The rear axle points 0.23° to the right")
    order = page.get_by_role("region", name="What to turn, in this order")
    expect(order).to_contain_text("rear toe, at the links")
    # 300 mm of lever, 1.8 mm at a rim of 380, a lead of 2.5 mm
    expect(order).to_contain_text("0.57 turn shorter")
    page.get_by_role("button", name="new round").click()
    rack = tmp_path / "rack.csv"
    rack.write_text(
        "wheel,toe mm,camber deg,caster deg\nFL,-0.5,-2.5,4.5\nFR,-0.5,-2.4,4.4\nRL,0.6,-1.8,\nRR,0.6,-1.9,\n"
    )
    page.get_by_label("read-out from a CSV").set_input_files(rack)
    expect(view).to_contain_text("4 wheels in the file")
    page.get_by_role("button", name="Take them into this round").click()
    expect(page.get_by_role("textbox", name="toe rear left", exact=True)).to_have_value("0.6")
    expect(view).not_to_contain_text("points")
    expect(page.get_by_role("region", name="What it does, running straight")).to_contain_text("1.6 m/km")
    fill(page, "caster front right", "3.6")
    expect(view).to_contain_text("it pulls to the right")


def test_an_entry_fills_itself_and_any_state_comes_back_as_a_branch(served, watched, tmp_path):
    page = watched()
    opened(page, served(demo=True), view="log")
    view = page.get_by_role("tabpanel")
    expect(view).to_contain_text("both collars")
    entries = page.get_by_role("list", name="Entries")
    expect(entries).to_contain_text("several changes")
    expect(entries).to_contain_text("rear expected −2.1, read −2.2")
    page.keyboard.press("7")
    clicks = page.get_by_label("bump clicks from fully closed, front")
    clicks.fill("8")
    clicks.press("Enter")
    saved(page)
    page.goto(page.url.split("/damping")[0] + "/settle?view=log")
    page.get_by_role("button", name="Setup fitted").click()
    new = page.get_by_role("button", name=re.compile("^New entry"))
    expect(new).to_contain_text("front bump clicks from shut 9 to 8")
    new.click()
    form = page.get_by_role("form", name="Entry of the log")
    form.get_by_role("radio", name="better", exact=True).click()
    form.get_by_role("button", name="follows").click()
    form.get_by_label("why").fill("less hop at the quarry kerb")
    page.reload()
    page.get_by_role("button", name="Setup fitted").click()
    page.get_by_role("button", name=re.compile("^New entry")).click()
    expect(form.get_by_label("why")).to_have_value("less hop at the quarry kerb")
    form.get_by_role("button", name="Keep entry 7").click()
    expect(entries).to_contain_text("less hop at the quarry kerb")
    last = written(tmp_path)[-1]
    assert (last.entry.felt, last.entry.words, last.changes[0].words) == (
        "better",
        ("follows",),
        "front bump clicks from shut",
    )
    page.get_by_role("button", name="return to entry 3").click()
    soon(lambda: stored(tmp_path, "Nettle").setups[-1].stage, "plan")
    branch = stored(tmp_path, "Nettle").setups[-1]
    assert (branch.stage, branch.parent, branch.sides.rear_left.collar) == ("plan", "fitted", 0.0051)


def test_a_phone_reads_four_heights_and_says_what_to_turn(served, watched, tmp_path):
    page = watched()
    page.set_viewport_size({"width": 390, "height": 640})
    base = served(demo=True)
    page.goto(base)
    page.get_by_role("button", name="Open Nettle").click()
    page.wait_for_url("**/vehicle/**")
    page.goto(page.url.rsplit("/", 1)[0] + "/setdown")
    page.get_by_role("button", name="new round").click()
    expect(page.locator("header")).to_contain_text("round 8")
    expect(page.get_by_text(re.compile("expected 35"))).to_be_visible()
    for keys in ("355", "352", "351"):
        for key in keys:
            page.get_by_role("button", name=key, exact=True).click()
        page.get_by_role("button", name=re.compile("Next|Done")).click()
        if page.get_by_role("alert").count():
            page.get_by_role("button", name=re.compile("Next|Done")).click()
    for key in "372":
        page.get_by_role("button", name=key, exact=True).click()
    page.get_by_role("button", name=re.compile("Done")).click()
    expect(page.get_by_role("alert")).to_contain_text("strange")
    page.get_by_role("button", name="read again").click()
    for key in "371":
        page.get_by_role("button", name=key, exact=True).click()
    page.get_by_role("button", name=re.compile("Done")).click()
    expect(page.get_by_role("alert")).to_contain_text("a third time")
    page.get_by_role("button", name=re.compile("Done")).click()
    expect(page.get_by_role("heading", name="What to turn")).to_be_visible()
    expect(page.get_by_role("main")).to_contain_text("find the cause first")
    saved_at = stored(tmp_path, "Nettle").surveys[-1]
    assert [r.value for r in saved_at.readings if r.place == "front_right"] == [0.372, 0.371]


def test_an_entry_written_while_the_bench_is_away_is_sent_when_it_is_back(served, watched, tmp_path):
    page = watched()
    page.set_viewport_size({"width": 390, "height": 844})
    base = served(demo=True)
    page.goto(base)
    page.get_by_role("button", name="Open Magpie").click()
    page.wait_for_url("**/vehicle/**")
    page.goto(page.url.rsplit("/", 1)[0] + "/entry")
    expect(page.get_by_role("button", name="Keep entry 6")).to_be_visible()
    page.route("**/api/**", lambda route: route.abort())
    page.get_by_role("radio", name="worse", exact=True).click()
    page.get_by_label("why").fill("wet now")
    page.get_by_role("button", name="Keep entry 6").click()
    expect(page.get_by_text("Kept here", exact=True)).to_be_visible()
    assert len(written(tmp_path, "Magpie", "ridden")) == 5
    page.unroute("**/api/**")
    soon(lambda: [e.entry.why for e in written(tmp_path, "Magpie", "ridden")][5:], ["wet now"])
    expect(page.get_by_text("Kept here", exact=True)).to_have_count(0)


def test_the_views_fit_a_phone_and_are_reached_by_their_keys(served, watched):
    page = watched()
    opened(page, served(demo=True))
    page.keyboard.press("4")
    expect(page.get_by_role("heading", level=1)).to_have_text("Springs")
    page.keyboard.press("0")
    expect(page.get_by_role("heading", level=1)).to_have_text("Settle")
    page.get_by_role("tab", name="Set down").focus()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_role("tab", name="Corner weights")).to_have_attribute("aria-selected", "true")
    page.set_viewport_size({"width": 390, "height": 844})
    for name in ("Set down", "Corner weights", "Alignment", "Log"):
        page.get_by_role("tab", name=name).click()
        expect(page.get_by_role("tabpanel")).to_contain_text(re.compile(r"\w"))
        assert page.evaluate(
            "document.querySelector('.bench').scrollWidth <= document.querySelector('.bench').clientWidth"
        )


def test_scales_are_read_round_the_car_in_one_hand(served, watched, tmp_path):
    page = watched()
    page.set_viewport_size({"width": 390, "height": 640})
    base = served(demo=True)
    opened(page, base)
    page.goto(page.url.split("/settle")[0] + "/weigh")
    expect(page.get_by_role("heading", name="front left, scale")).to_be_visible()
    page.get_by_role("button", name="new round").click()
    expect(page.get_by_role("checkbox", name="bars unhooked")).not_to_be_checked()
    page.get_by_role("checkbox", name="bars unhooked").check()
    for word, weight in (("rear left", "312.5"), ("rear right", "203"), ("front right", "201"), ("", "293")):
        for key in weight:
            page.get_by_role("button", name=key, exact=True).click()
        page.get_by_role("button", name=re.compile(f"^Next {word}" if word else "^Done")).click()
    expect(page.get_by_role("heading", name="All is read")).to_be_visible()
    saved(page)
    made = stored(tmp_path, "Nettle").surveys[-1]
    assert {r.place.value: r.value for r in made.readings} == {
        "front_left": 312.5,
        "rear_left": 203,
        "rear_right": 201,
        "front_right": 293,
    }
    assert made.conditions.bars_unhooked
    page.get_by_role("link", name="what to turn").click()
    expect(page).to_have_url(re.compile(r"setup=fitted"))  # the setup in hand came along
    expect(page.get_by_role("textbox", name="scale, rear right")).to_have_value("201.0")


def test_a_rack_is_read_in_one_hand_with_its_signs_and_a_wrong_number_stays(served, watched, tmp_path):
    page = watched()
    page.set_viewport_size({"width": 390, "height": 640})
    opened(page, served(demo=True))
    page.goto(page.url.split("/settle")[0] + "/readout")
    page.get_by_role("button", name="new round").click()
    field = page.get_by_role("textbox")
    field.fill("999")
    page.get_by_role("button", name=re.compile("^Next")).click()
    expect(page.get_by_role("alert")).to_contain_text("far outside what a vehicle has")
    expect(field).to_have_value("999")
    for key in ("1", ".", "2", "minus"):
        page.get_by_role("button", name=key, exact=True).click()
    expect(field).to_have_value("-1.2")
    page.get_by_role("button", name=re.compile("^Next front left, camber")).click()
    page.get_by_role("button", name="minus").click()
    page.get_by_role("button", name="2", exact=True).click()
    page.get_by_role("button", name=re.compile("^Next front left, caster")).click()
    saved(page)
    wheel = stored(tmp_path, "Nettle").surveys[-1].wheels[0]
    assert (wheel.place.value, wheel.toe) == ("front_left", -0.0012)
    assert round(wheel.camber, 4) == -0.0349


def test_what_a_wheel_is_wanted_at_is_typed_with_its_tolerance(served, watched, tmp_path):
    page = watched()
    opened(page, served(demo=True), view="alignment")
    fill(page, "toe wanted, rear left, in +", "1.0 +- 2")
    saved(page)
    side = stored(tmp_path, "Nettle").setups[-1].sides.rear_left
    assert (round(side.toe, 6), round(side.within.toe, 6)) == (0.001, 0.002)


def test_the_blank_page_of_a_round_goes_to_the_printer_with_what_is_wanted(served, watched):
    page = watched()
    opened(page, served(demo=True))
    page.get_by_role("button", name="blank page").click()
    blank = page.frame_locator("iframe[title='Blank page of a round']")
    expect(blank.get_by_role("heading", name="Round of readings: Nettle, fitted")).to_be_attached()
    expect(blank.get_by_role("row", name=re.compile("hub to arch wanted"))).to_contain_text("354.0")
