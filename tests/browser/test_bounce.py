"""The bounce test by hand: a worn corner read, the release moved by keys, files taken, the plan with what is left, the sheet."""

import math
import re

from playwright.sync_api import expect

from feder.demo.bounces import FILES
from tests.browser.test_journeys import open_nettle, saved


def at_bounce(page, base):
    open_nettle(page, base, "7")
    page.get_by_role("link", name="Bounce").click()
    expect(page.get_by_role("list", name="corners")).to_be_visible()


def corner(page, name):
    return page.get_by_role("list", name="corners").get_by_role("listitem").filter(has_text=name)


def test_a_worn_corner_is_told_and_the_plan_made_with_what_is_left(served, watched):
    page, base = watched(), served(demo=True)
    at_bounce(page, base)
    # as drawn up apart for these files: 0.19 where a sound one reads 0.54; 46 % left; the plan gets 0.19 for 0.42
    expect(page.get_by_text("it reads 0.19 where a sound one reads ~0.54")).to_be_visible()
    expect(corner(page, "front left")).to_contain_text(re.compile(r"~46 %.*~0.42 → ~0.19.*Worn"))
    expect(corner(page, "front right")).to_contain_text(re.compile(r"0.61.*~0.61.*~100 %.*Sound"))
    expect(corner(page, "rear left")).to_contain_text(re.compile(r"0.57.*~0.59.*~97 %.*~0.34 → ~0.33.*Sound"))
    expect(corner(page, "rear right")).to_contain_text("bounce it")
    page.get_by_role("button", name="Plan with ~46 %").click()
    stance = page.get_by_role("complementary", name="Stance")
    expect(stance).to_contain_text("~0.19")
    expect(page.get_by_text("of the damper's curve is left")).to_be_visible()
    saved(page)
    page.get_by_role("heading", level=1).click()
    page.keyboard.press("s")
    sheet = page.frame_locator("iframe").first
    row = sheet.locator("tr", has_text="planned with what is left, %")
    expect(row.locator("td")).to_have_text(["planned with what is left, %", "46", "–", "–", "–"])
    page.go_back()
    page.get_by_role("button", name="Plan with the whole damper").click()
    expect(stance).to_contain_text("~0.42")


def test_the_release_is_moved_by_keys_and_by_the_mouse(served, watched):
    page, base = watched(), served(demo=True)
    at_bounce(page, base)
    grip = page.get_by_role("slider", name="let go")
    expect(grip).to_have_attribute("aria-valuetext", "2.17 s")
    grip.focus()
    page.keyboard.press("ArrowLeft")
    expect(grip).to_have_attribute("aria-valuetext", "2.16 s")
    box = grip.bounding_box()
    page.mouse.move(box["x"] + 12, box["y"] + 8)
    page.mouse.down()
    page.mouse.move(box["x"] + 60, box["y"] + 8, steps=4)
    page.mouse.up()
    expect(grip).to_have_attribute("aria-valuetext", re.compile(r"2.[4-9]\d s"))
    page.keyboard.press("Control+z")
    expect(grip).to_have_attribute("aria-valuetext", "2.16 s")


def test_a_corner_is_bounced_by_file_and_by_hand(served, watched, tmp_path):
    page, base = watched(), served(demo=True)
    page.set_viewport_size({"width": 390, "height": 844})
    at_bounce(page, base)
    corner(page, "rear right").get_by_role("button").click()
    expect(page.get_by_text("Rear right is not bounced yet")).to_be_visible()
    # a file whose columns are not as guessed: seen, and put right before it is taken
    told = [line.split(",") for line in (FILES / "rear-left-1.csv").read_text().splitlines()[1:]]
    odd = tmp_path / "odd.csv"
    odd.write_text(
        "time [s],arch volts,position [mm]\n" + "".join(f"{t},{i % 3},{h}\n" for i, (t, h) in enumerate(told))
    )
    page.get_by_label("let-go file").set_input_files(odd)
    dialog = page.get_by_role("dialog", name="Logger file")
    expect(dialog).to_contain_text("520 lines")
    dialog.get_by_role("combobox", name="reading").press("Enter")
    page.get_by_role("option", name="position").click()
    dialog.get_by_role("button", name="Take it").click()
    expect(page.get_by_role("tab", name="let-go 1, odd.csv")).to_contain_text("0.57")
    expect(corner(page, "rear right")).to_contain_text("0.57")
    # by hand at the same corner; the file stands before it
    for words, height in (("rest", "648"), ("a, let go at", "618"), ("b, next low", "630")):
        page.get_by_label(words, exact=True).fill(height)
    page.get_by_label("b, next low", exact=True).blur()
    decrement = math.log(30 / 18)
    ratio = decrement / math.sqrt(4 * math.pi**2 + decrement**2)
    expect(page.get_by_role("region", name="By hand")).to_contain_text(f"{ratio:.2f}")
    page.get_by_label("b, next low", exact=True).fill("660")
    page.get_by_label("b, next low", exact=True).blur()
    expect(page.get_by_text("b must lie between a and rest")).to_be_visible()
    saved(page)
    page.reload()
    expect(page.get_by_text("b must lie between a and rest")).to_have_count(0)
    corner(page, "rear right").get_by_role("button").click()
    expect(page.get_by_label("b, next low", exact=True)).to_have_value("660")


def test_a_file_that_is_none_changes_nothing(served, watched, tmp_path):
    page, base = watched(), served(demo=True)
    at_bounce(page, base)
    still = tmp_path / "still.csv"
    still.write_text("time,height\n" + "".join(f"{i},650\n" for i in range(40)))
    page.get_by_label("let-go file").set_input_files(still)
    dialog = page.get_by_role("dialog", name="Logger file")
    expect(dialog.get_by_role("alert")).to_contain_text("1 s lie between readings")
    expect(dialog.get_by_role("button", name="Take it")).to_be_disabled()
    dialog.get_by_role("button", name="leave it").click()
    expect(page.get_by_role("tab", name=re.compile("let-go"))).to_have_count(3)
