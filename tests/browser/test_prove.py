"""Prove by hand: a run read and stepped, a road put together, reasons, other speeds, clicks found and set, a file taken."""

import re

import numpy as np
from playwright.sync_api import expect

from feder.core.benches.prove.bench import trialled
from feder.core.benches.prove.roads import trial_of
from feder.demo.nettle import nettle
from tests.browser.hands import unfold
from tests.browser.test_journeys import open_nettle, saved


def at_prove(page, base):
    open_nettle(page, base, "8")
    expect(page.get_by_role("heading", level=1)).to_have_text("Prove")
    expect(page.get_by_role("slider", name="Where on the road")).to_be_visible(timeout=90_000)


def row(page, name):
    return page.locator(".verdict tr").filter(has=page.get_by_role("rowheader", name=name))


def test_two_setups_are_driven_read_at_the_cursor_and_explained(served, watched):
    page, base = watched(), served(demo=True)
    at_prove(page, base)
    told = trialled(nettle(), "plan", "found", trial_of(nettle()))
    rear = [f.ends["all"]["rear"] for f in (told.was.figures, told.now.figures)]
    expect(page.locator(".say")).to_contain_text("keeps the rear off its stop and off full droop, but rides")
    comfort = row(page, "Comfort")
    expect(comfort).to_contain_text(f"~{rear[0].comfort:.2f}")
    expect(comfort).to_contain_text(f"~{rear[1].comfort:.2f}")
    expect(comfort).to_contain_text("Look")
    expect(comfort).to_contain_text("put back alone: front springs", timeout=20_000)
    expect(row(page, "Travel")).to_contain_text("rear stop not met")
    # by keys along the road: what stands beside the traces is what was driven there
    slider = page.get_by_role("slider", name="Where on the road")
    slider.focus()
    page.keyboard.press("Home")
    for _ in range(4):
        page.keyboard.press("PageUp")
    page.keyboard.press("ArrowRight")
    at = 4 * round(len(told.distance) / 20) + 1
    expect(slider).to_have_attribute("aria-valuetext", f"{told.distance[at]:.1f} m, {told.time[at]:.2f} s")
    chart = page.get_by_role("group", name="Traces, front")
    front = told.now.traces.front[at] * 1000
    expect(chart).to_contain_text(f"~ {'+' if front > 0 else '−'}{abs(front):.0f} mm")
    pitch = np.degrees(told.was.traces.pitch[at])
    expect(chart).to_contain_text(f"~ {'+' if pitch > 0 else '−'}{abs(pitch):.2f}°")
    page.get_by_role("tab", name="both").click()
    expect(page.get_by_role("group", name="Traces, rear")).to_be_visible()
    # it plays to the end and stops there
    page.get_by_role("button", name="Play").first.click()
    expect(slider.first).to_have_attribute("aria-valuenow", re.compile(r"8[5-7]"), timeout=20_000)


def test_a_road_is_chosen_put_together_and_undone(served, watched, tmp_path):
    page, base = watched(), served(demo=True)
    at_prove(page, base)
    page.get_by_role("radio", name="braking").click()
    expect(row(page, "Pitch")).to_contain_text("nose down")
    expect(page.locator(".say")).to_contain_text(re.compile("dips|alike|grips"))
    page.get_by_role("radio", name="your own").click()
    unfold(page, "Pieces of your own road")
    page.get_by_role("button", name="hole", exact=True).click()
    piece = page.get_by_role("listitem").filter(has_text="hole")
    expect(piece).to_be_visible()
    piece.get_by_role("textbox").nth(1).fill("60")
    piece.get_by_role("textbox").nth(1).press("Enter")
    saved(page)
    page.keyboard.press("Escape")
    profile = tmp_path / "lane.csv"
    profile.write_text(
        "distance,left,right\n" + "\n".join(f"{i / 10},{10 * np.sin(i / 6):.2f},0" for i in range(300))
    )
    page.get_by_label("Road profile, CSV: distance in m, left in mm, right in mm").set_input_files(profile)
    expect(page.get_by_role("listitem").filter(has_text="measured, 29.9 m, 300 heights")).to_be_visible()
    bad = tmp_path / "bad.csv"
    bad.write_text("distance,left\n0,0\n")
    page.get_by_label("Road profile, CSV: distance in m, left in mm, right in mm").set_input_files(bad)
    expect(page.get_by_role("alert")).to_contain_text("heights; a profile needs 3 at least")
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(page.get_by_role("listitem").filter(has_text="measured")).to_have_count(0)
    expect(piece.get_by_role("textbox").nth(1)).to_have_value("60")


def test_a_speed_nobody_drives_and_a_minute_of_road_are_refused_beside_their_field(served, watched):
    page, base = watched(), served(demo=True)
    at_prove(page, base)
    speed = page.get_by_role("textbox", name="Speed")
    speed.fill("500")
    speed.press("Enter")
    expect(
        page.get_by_text("far out", exact=False).or_(page.get_by_text("beyond", exact=False)).first
    ).to_be_visible()
    speed.fill("80")
    speed.press("Enter")
    expect(page.get_by_role("slider", name="Where on the road")).to_have_attribute(
        "aria-valuetext", re.compile("m, ")
    )
    saved(page)


def test_other_speeds_and_a_file_of_all_traces(served, watched):
    page, base = watched(), served(demo=True)
    at_prove(page, base)
    with page.expect_download() as download:
        page.get_by_role("button", name="all traces as a CSV file").click()
    text = download.value.path().read_text()
    assert text.startswith('"# road and speed')
    assert "plan, dry: rear right tyre force [N]" in text
    page.get_by_role("link", name="Other speeds").click()
    expect(page.get_by_role("img", name="Comfort over speed")).to_be_visible(timeout=30_000)


def test_clicks_are_found_set_by_one_tap_and_undone(served, watched):
    page, base = watched(), served(demo=True)
    at_prove(page, base)
    page.get_by_role("link", name="Find clicks").click()
    page.get_by_role("button", name="Look for clicks").click()
    expect(page.get_by_role("progressbar", name="both together")).to_be_visible()
    set_it = page.get_by_role("button", name=re.compile("^Set rear rebound to"))
    expect(page.get_by_role("button", name="Look once more")).to_be_visible(timeout=60_000)
    words = set_it.text_content()
    click = int(re.search(r"to (\d+)", words)[1])
    expect(page.locator(".say")).to_contain_text(f"7 to {click}")
    set_it.click()
    expect(page.get_by_text("Something was changed since")).to_be_visible()
    saved(page)
    page.get_by_role("heading", level=1).click()
    page.keyboard.press("7")
    knob = page.get_by_role("slider", name="rebound click, rear")
    expect(knob).to_have_attribute("aria-valuenow", str(click))
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(knob).to_have_attribute("aria-valuenow", "7")
