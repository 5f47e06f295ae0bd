"""What a page keeps over a reload and what its address says; findings at the head; words explained; paper."""

import re

from playwright.sync_api import expect

from tests.browser.hands import unfold
from tests.browser.test_journeys import saved
from tests.browser.test_typing import stored


def opened(page, base, station="springs", name="Nettle"):
    page.goto(base)
    page.get_by_role("button", name=f"Open {name}").click()
    page.wait_for_url("**/vehicle/**")
    page.goto(re.sub(r"/[a-z]+(\?.*)?$", f"/{station}", page.url))
    expect(page.get_by_role("heading", level=1)).to_be_visible()


def test_setup_undo_and_scroll_survive_a_reload_and_a_look_into_the_garage(served, watched, tmp_path):
    page = watched()
    opened(page, served(demo=True), "height")
    page.get_by_role("button", name="Setup fitted").click()
    expect(page).to_have_url(re.compile("setup=fitted"))
    page.get_by_role("button", name="Setup plan, dry").click()
    expect(page).to_have_url(re.compile("setup=plan"))
    field = page.get_by_role("region", name="rear left").get_by_role("textbox", name="hub to arch", exact=True)
    was = field.input_value()
    field.fill("350")
    saved(page)
    page.locator("#bench").evaluate("e => e.scrollTo(0, 133)")
    page.reload()
    expect(field).to_have_value("350")
    expect(page).to_have_url(re.compile("setup=plan"))
    for _ in range(50):
        if abs(page.locator("#bench").evaluate("e => e.scrollTop") - 133) < 3:
            break
        page.wait_for_timeout(100)
    assert abs(page.locator("#bench").evaluate("e => e.scrollTop") - 133) < 3
    page.get_by_role("heading", name="Height", level=1).click()
    page.keyboard.press("g")
    page.get_by_role("button", name="Open Nettle").click()
    page.get_by_role("button", name=re.compile("^Undo")).click()
    saved(page)
    sides = stored(tmp_path, "Nettle").setups[1].sides
    assert round(sides.rear_left.hub_to_arch * 1000, 3) == float(was)


def test_the_way_back_leads_to_the_setup_that_was_seen_and_a_bench_opens_at_its_top(served, watched):
    page = watched()
    opened(page, served(demo=True), "height")
    page.locator("#bench").evaluate("e => e.scrollTo(0, 400)")
    page.get_by_role("link", name=re.compile(r"^6\s*Travel")).click()
    expect(page.get_by_role("heading", name="Travel", level=1)).to_be_visible()
    assert page.locator("#bench").evaluate("e => e.scrollTop") == 0
    page.goto(page.url.split("?")[0] + "?setup=fitted")
    expect(page.get_by_role("button", name="Setup fitted")).to_have_attribute("aria-pressed", "true")


def test_the_flag_on_the_work_line_opens_the_worst_finding_in_place(served, watched):
    page = watched()
    opened(page, served(demo=True))
    page.get_by_role("link", name="what needs a look in height").click()
    first = page.get_by_role("list", name="Findings").get_by_role("listitem").first
    expect(first.get_by_role("button").first).to_have_attribute("aria-expanded", "true")
    expect(first.get_by_role("button").first).to_be_focused()
    expect(first).to_contain_text("Held by only")
    expect(first.get_by_role("button", name="how these numbers come about")).to_be_visible()
    assert first.bounding_box()["y"] < 250


def test_a_word_says_what_it_is_by_tap_and_by_key_and_is_found_by_other_words(served, watched):
    page = watched()
    opened(page, served(demo=True), "geometry")
    page.get_by_role("button", name="wheel rate: what is this?").press("Enter")
    card = page.get_by_role("dialog", name="What wheel rate means")
    expect(card).to_contain_text("rate times motion ratio squared")
    page.keyboard.press("Escape")
    expect(card).to_have_count(0)
    expect(page.get_by_role("button", name="wheel rate: what is this?")).to_be_focused()
    unfold(page, "Size of the vehicle")
    page.get_by_role("textbox", name="wheelbase").first.press("F1")
    expect(page.get_by_role("dialog", name="What wheelbase means")).to_contain_text("front to rear wheel centre")
    page.keyboard.press("Escape")
    page.get_by_role("heading", name="Geometry", level=1).click()
    page.keyboard.press("f")
    page.get_by_role("combobox", name="Find").fill("poundage")
    page.keyboard.press("Enter")
    expect(page.get_by_role("dialog", name="What spring rate means")).to_be_visible()


def test_printing_from_any_bench_prints_the_sheet_and_the_survey_its_blank_page(served, watched):
    page = watched()
    opened(page, served(demo=True))
    page.keyboard.press("Control+p")
    sheet = page.frame_locator("iframe[title='Setup sheet, to print']")
    expect(sheet.get_by_text("Nettle").first).to_be_attached()
    page.get_by_role("link", name=re.compile(r"^2\s*Survey")).click()
    expect(page.get_by_role("heading", level=1, name="Survey")).to_be_visible()
    page.keyboard.press("Control+p")
    expect(page.locator("iframe[title='Blank survey']")).to_be_attached()
    page.emulate_media(media="print")
    expect(page.get_by_text("This screen is not made for paper")).to_be_visible()
    expect(page.locator(".frame")).to_be_hidden()


def test_where_there_is_little_room_the_bench_has_it_and_the_stance_is_a_strip_that_opens(served, watched):
    page = watched()
    for width, height, least in ((390, 844, 480), (360, 640, 280), (1024, 768, 520), (640, 400, 160)):
        page.set_viewport_size({"width": width, "height": height})
        if width == 390:
            opened(page, served(demo=True), "height")
        box = page.locator("#bench").bounding_box()
        assert box["height"] >= least, (width, height, box)
        assert box["width"] == width
    page.set_viewport_size({"width": 390, "height": 844})
    stance = page.get_by_role("complementary", name="Stance")
    expect(stance.get_by_role("button", name=re.compile(r"^wheel rate, front left: 36\.9"))).to_be_visible()
    expect(stance).not_to_contain_text("nose down")
    stance.get_by_role("button", name="front left in hand; next: front right").click()
    stance.get_by_role("button", name="front right in hand; next: rear left").click()
    expect(stance.get_by_role("button", name=re.compile(r"^wheel rate, rear left: 31\.1"))).to_be_visible()
    page.reload()
    expect(stance.get_by_role("button", name=re.compile("^rear left in hand"))).to_be_visible()
    stance.get_by_role("button", name="open the whole stance over the bench").click()
    expect(stance).to_contain_text("nose down")
    page.keyboard.press("Escape")
    expect(stance).not_to_contain_text("nose down")


def test_a_key_leads_to_the_stance_and_back_and_the_first_tab_skips_to_the_bench(served, watched):
    page = watched()
    opened(page, served(demo=True), "height")
    page.reload()
    expect(page.get_by_role("heading", name="Height", level=1)).to_be_visible()
    page.keyboard.press("Tab")
    expect(page.get_by_role("link", name="to the bench")).to_be_focused()
    page.keyboard.press("Enter")
    expect(page.locator("#bench")).to_be_focused()
    finding = page.get_by_role("list", name="Findings").get_by_role("button").first
    finding.focus()
    page.keyboard.press("v")
    assert page.evaluate("document.querySelector('.stance').contains(document.activeElement)")
    page.keyboard.press("v")
    expect(finding).to_be_focused()
