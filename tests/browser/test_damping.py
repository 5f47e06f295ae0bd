"""Damping by hand: clicks turned by key, by finger and by number, a bench's file, and the sheet at the end."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.test_journeys import open_nettle, saved

BENCH = "velocity,rebound 2,rebound 6,rebound 12\n-100,-420,-330,-180\n-300,-640,-520,-300\n"


def front(page: Page):
    return page.get_by_role("region", name="damping, front")


def rear(page: Page):
    return page.get_by_role("region", name="damping, rear")


def test_clicks_by_keys_show_what_each_gives_and_end_on_the_sheet(served, watched):
    page, base = watched(), served(demo=True)
    open_nettle(page, base, "7")
    expect(page.get_by_role("heading", level=1)).to_have_text("Damping")
    expect(front(page)).to_contain_text("~0.42")
    expect(front(page)).to_contain_text("~0.54")
    hand = page.get_by_role("slider", name="rebound click, front")
    hand.focus()
    for _ in range(3):
        page.keyboard.press("ArrowRight")
    # three clicks in: 0.54 and a little more than 0.1
    expect(hand).to_have_attribute("aria-valuenow", "5")
    expect(front(page)).to_contain_text("~0.64")
    typed = front(page).get_by_label("bump clicks from fully closed, front")
    typed.fill("19")
    typed.press("Enter")
    expect(front(page).get_by_role("alert")).to_have_text("A whole click from 0 to 18")
    expect(typed).to_have_value("19")
    typed.fill("8")
    typed.press("Enter")
    expect(front(page)).to_contain_text("~0.50")
    expect(rear(page)).to_contain_text("2 short")
    expect(rear(page)).to_contain_text("~18 % firmer")
    expect(page.get_by_role("slider", name="bump click, rear")).to_have_attribute("aria-disabled", "true")
    rear(page).get_by_role("button", name="Set rebound 0").click()
    expect(page.get_by_role("slider", name="rebound click, rear")).to_have_attribute("aria-valuenow", "0")
    expect(page.get_by_role("complementary", name="Stance")).to_contain_text("0.50")
    saved(page)
    page.get_by_role("heading", level=1).click()
    page.keyboard.press("s")
    sheet = page.frame_locator("iframe").first
    expect(sheet.get_by_text("rebound 18, bump 18; from fully closed").first).to_be_attached()
    expect(sheet.get_by_text("damping, body, of critical")).to_be_attached()


@pytest.mark.browser_context_args(has_touch=True)
def test_a_knob_is_dragged_on_a_phone_and_the_offer_taken(served, watched):
    page, base = watched(), served(demo=True)
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(base)
    page.get_by_role("button", name="Open Nettle").click()
    page.wait_for_url("**/springs**")
    page.goto(page.url.replace("/springs", "/damping"))
    hand = page.get_by_role("slider", name="rebound click, front")
    expect(hand).to_have_attribute("aria-valuenow", "8")
    hand.scroll_into_view_if_needed()
    box = hand.bounding_box()
    rule = page.get_by_role("group", name="rebound, front, what each click gives").bounding_box()
    one = rule["width"] / 396 * 324 / 18
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + 20)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] / 2 + 2 * one, box["y"] + 20, steps=5)
    page.mouse.up()
    expect(hand).to_have_attribute("aria-valuenow", "6")
    page.get_by_role("button", name="Set rebound 5, bump 8").click()
    expect(hand).to_have_attribute("aria-valuenow", "5")
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    saved(page)
    page.goto(page.url.replace("/damping", "/sheet"))
    row = page.frame_locator("iframe").first.get_by_role("row").filter(has_text="reb., bump").first
    expect(row).to_contain_text("8, 11")
    expect(row).to_contain_text("5, 8")


def test_curves_of_a_bench_stand_before_the_family_and_a_faulty_file_changes_nothing(served, watched):
    page, base = watched(), served(demo=True)
    open_nettle(page, base, "7")
    page.get_by_role("link", name="Damper", exact=True).click()
    page.get_by_label("curves file, rear").set_input_files(
        {"name": "bad.csv", "mimeType": "text/csv", "buffer": b"velocity,rebound 2\n-100,-300\n-200,-200\n"}
    )
    expect(page.get_by_text(re.compile("must not fall")).first).to_be_visible()
    text = BENCH + "100,150,150,150\n300,250,250,250\n"
    page.get_by_label("curves file, rear").set_input_files(
        {
            "name": "bench.csv",
            "mimeType": "text/csv",
            "buffer": text.replace("rebound 2", "rebound 2 bump 10").encode(),
        }
    )
    expect(page.get_by_text("rebound 2, bump 10")).to_be_visible()
    page.get_by_role("link", name="Clicks", exact=True).click()
    page.get_by_role("tab", name="left", exact=True).click()
    expect(page.get_by_role("figure").nth(1)).to_contain_text("measured")
    # rebound 7 lies between 6 and 12: 165 - 12.5 N at 0.05 m/s
    expect(page.get_by_role("table", name="Damping at both speeds")).to_contain_text("153")
