"""Whole journeys through visible controls: a newcomer's sheet, a change of spring, stale saves, nothing lost."""

import io
import re

import pypdf
import pytest
from playwright.sync_api import Page, expect

from tests.browser.hands import unfold

pytestmark = pytest.mark.filterwarnings("ignore")  # the PDF library's own dependencies warn about themselves


def station(page: Page, words: str) -> None:
    page.get_by_role("navigation", name="Work line").get_by_role("link", name=re.compile(words)).click()
    expect(page.get_by_role("heading", level=1)).to_have_text(words)


def fill(page: Page, label: str, text: str) -> None:
    field = page.get_by_label(label, exact=True)
    field.fill(text)
    field.press("Enter")


def open_nettle(page: Page, base: str, key: str = "4") -> None:
    """Open the demo car and go to a station by its key."""
    page.goto(base)
    page.get_by_role("button", name="Open Nettle").click()
    expect(page.get_by_role("complementary", name="Stance")).to_contain_text("36.9")
    page.keyboard.press(key)


def saved(page: Page) -> None:
    expect(page.get_by_role("status").filter(has_text=re.compile("^saved$"))).to_be_visible()


def test_a_newcomer_makes_a_car_and_gets_a_sheet(served, watched):
    base = served(demo=False)
    page = watched()
    # a workshop's own springs first, as a list
    page.goto(f"{base}/shelf")
    header = "code;rate;free_length;inside_diameter;wire_diameter;active_coils;solid_length"
    rows = "\n".join(f"R{rate};{rate} N/mm;200 mm;60 mm;11 mm;7;99 mm" for rate in (30, 40, 50, 60))
    page.get_by_label("CSV file").set_input_files(
        {
            "name": "springs.csv",
            "mimeType": "text/csv",
            "buffer": f"{header}\n{rows}".encode(),
        }
    )
    expect(page.get_by_text("4 springs put on the shelf")).to_be_visible()
    page.get_by_role("link", name="Garage").click()
    expect(page.get_by_role("heading", name="The garage is empty")).to_be_visible()
    page.get_by_role("button", name="New vehicle").first.click()
    page.get_by_label("its name").fill("Wren")
    page.get_by_role("radio", name="estate").click()
    page.get_by_role("button", name="Make it").click()

    expect(page.get_by_role("heading", level=1)).to_have_text("Brief")
    page.get_by_role("radio", name=re.compile("Sporty road")).click()
    station(page, "Survey")
    for tick in ("Level floor", "Tyre pressures set", "Rolled back and forth"):
        page.get_by_label(tick).check()
    places = ("front left", "front right", "rear left", "rear right")
    for what, values in {
        "weight": (360, 352, 300, "650 lb"),
        "hub to arch": (370, 371, 375, 376),
        "floor to arch": (670, 671, 672, 673),
    }.items():
        for place, value in zip(places, values, strict=True):
            fill(page, f"{what}, {place}", str(value))
    station(page, "Geometry")
    fill(page, "wheelbase", "2.65 m")
    for end, track, unsprung, ratio in (("front", "1480", "38", "0.95"), ("rear", "1470", "36", "0.8")):
        part = page.locator(f'[aria-label="{end}"]')
        part.get_by_label("track").fill(track)
        part.get_by_label("unsprung mass, each corner").fill(unsprung)
        if end == "front":
            part.get_by_label("motion ratio: which way round").click(force=True)
            page.get_by_role("option", name="spring / wheel").click()
        part.get_by_role(
            "textbox", name="motion ratio" if end == "front" else "spring motion ratio", exact=True
        ).fill(ratio)
        for limit, height in (
            ("full droop", "430"),
            ("stop touched", "330"),
            ("damper solid", "312"),
            ("tyre meets arch", "300"),
        ):
            part.get_by_label(limit).fill(height)
    station(page, "Springs")
    for end in ("Front", "Rear"):
        page.get_by_role("tab", name=re.compile(end)).click()
        page.get_by_role("button", name=re.compile("^R40" if end == "Front" else "^R50")).click()
        expect(page.get_by_role("tab", name=re.compile(end))).to_contain_text("R40" if end == "Front" else "R50")
    expect(page.get_by_role("complementary", name="Stance")).to_contain_text(re.compile(r"1\.\d\d"))
    station(page, "Height")
    for end, length in (("front", "230"), ("rear", "240")):
        page.get_by_label(f"seat length, {end}", exact=True).fill(length)
    page.get_by_role("region", name="front left", exact=True).get_by_label("hub to arch").fill("350")
    expect(page.get_by_role("region", name="front right", exact=True).get_by_label("hub to arch")).to_have_value(
        "350"
    )
    expect(
        page.get_by_role("region", name="front left", exact=True).get_by_role("textbox", name="collar")
    ).not_to_have_value("")
    saved(page)
    station(page, "Sheet")
    sheet = page.frame_locator("iframe[title='Setup sheet']")
    expect(sheet.locator("h1")).to_have_text("Wren")
    with page.expect_download(timeout=90_000) as download:
        page.get_by_role("button", name="Download PDF").click()
    text = pypdf.PdfReader(io.BytesIO(download.value.path().read_bytes())).pages[0].extract_text()
    assert "Wren" in text
    assert "R40" in text
    assert "R50" in text
    expect(sheet.get_by_text("sheet 2").first).to_be_visible()


def test_a_change_of_spring_moves_stance_and_sheet_and_can_be_undone(served, watched):
    page = watched()
    open_nettle(page, served(demo=True))
    stance = page.get_by_role("complementary", name="Stance")
    expect(stance).to_contain_text("31.1")
    page.get_by_role("button", name=re.compile("^larch 19")).click()
    expect(stance).to_contain_text("28.5")
    # by hand: root(55000·0.72²/179)/2pi
    expect(stance).to_contain_text("2.01")
    page.keyboard.press("s")
    sheet = page.frame_locator("iframe[title='Setup sheet']")
    expect(sheet.get_by_text("larch 19").first).to_be_visible()
    page.keyboard.press("Control+z")
    expect(sheet.get_by_text("larch 20").first).to_be_visible()
    expect(stance).to_contain_text("31.1")
    page.keyboard.press("Control+Shift+z")
    expect(sheet.get_by_text("larch 19").first).to_be_visible()


def test_the_wedge_asks_for_a_height_and_gets_collar_and_turns(served, watched):
    page = watched()
    open_nettle(page, served(demo=True), "5")
    collar = page.get_by_role("region", name="front left", exact=True).get_by_role("textbox", name="collar")
    expect(collar).to_have_value("24.0")
    wedge = page.get_by_role("slider", name=re.compile("Ride height front left"))
    wedge.focus()
    page.keyboard.press("ArrowUp")  # 1 mm lower, both sides: the collar goes down by 0.96 mm
    expect(collar).to_have_value("23.1")
    expect(page.get_by_role("region", name="front right", exact=True).get_by_label("hub to arch")).to_have_value(
        "353"
    )
    box = wedge.bounding_box()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] + 20, box["y"] + box["height"] / 2 + 40, steps=6)  # down: droop, a higher car
    expect(page.get_by_role("complementary", name="Stance").locator("text=634").first).not_to_be_visible()
    page.mouse.up()
    height = page.get_by_role("region", name="front left", exact=True).get_by_label("hub to arch")
    assert float(height.input_value()) > 360
    page.keyboard.press("Control+z")
    expect(height).to_have_value("353")
    # the other way round: a collar typed in, of this corner alone, fixes all four, and the car tilts
    page.get_by_role("checkbox", name="both sides together").uncheck()
    with page.expect_response(lambda r: "/api/judge" in r.url and r.ok):
        collar.fill("34")
        expect(
            page.get_by_role("region", name="rear right", exact=True).get_by_label("hub to arch")
        ).not_to_have_value("352")
    # the collars are the cause, and the cross weight only follows from them
    findings = page.get_by_role("list", name="Findings")
    line = findings.get_by_role("button", name=re.compile("Collars are set")).first
    expect(line).to_be_visible()
    explains = findings.get_by_role("button", name=re.compile("^explains"))
    expect(page.get_by_text(re.compile("move cross weight"))).to_have_count(0)
    if not explains.count():
        line.click()
    explains.click()
    expect(page.get_by_text(re.compile("move cross weight"))).to_be_visible()


def test_every_figure_of_the_stance_opens_its_working(served, watched):
    page = watched()
    open_nettle(page, served(demo=True))
    stance = page.get_by_role("complementary", name="Stance")
    expect(stance).to_contain_text("36.9")
    figures = stance.get_by_role("button")
    drawer = page.get_by_label("Working")
    for i in range(figures.count()):
        figures.nth(i).focus()
        page.keyboard.press("Enter")
        expect(drawer.get_by_role("heading", level=2)).to_be_visible()
        expect(drawer.locator("li").first).to_be_visible()
        if "~" in (figures.nth(i).text_content() or ""):
            expect(drawer).to_contain_text("~ marks what was estimated")
    expect(figures.filter(has_text="~")).not_to_have_count(0)
    page.keyboard.press("Escape")
    page.get_by_role("list", name="Findings").get_by_role("button").first.click()
    page.get_by_role("button", name="how these numbers come about").click()
    expect(drawer).to_contain_text("The rear spring is the stiffer one")
    expect(drawer.locator("li").first).to_be_visible()
    page.keyboard.press("Escape")


def test_a_stale_save_and_a_reload_lose_nothing(served, watched):
    base = served(demo=True)
    first, second = watched(), watched()
    open_nettle(first, base, "1")
    expect(first.get_by_role("heading", level=1)).to_have_text("Brief")
    second.goto(first.url)
    second.get_by_label("What is wrong now").fill("understeers at the quarry")
    saved(second)
    first.get_by_label("What may not be given up").fill("the ramp of the shed")
    dialog = first.get_by_role("dialog")
    expect(dialog).to_contain_text("saved elsewhere too")
    expect(dialog).to_contain_text("understeers at the quarry")
    expect(dialog).to_contain_text("the ramp of the shed")
    first.reload()  # nothing chosen yet: the question stands, and so do both versions
    expect(dialog).to_contain_text("the ramp of the shed")
    dialog.get_by_role("button", name="Keep mine").click()
    saved(first)
    second.reload()
    expect(second.get_by_label("What may not be given up")).to_have_value("the ramp of the shed")


def test_what_is_typed_while_the_server_is_away_is_kept_and_saved_later(served, watched, context):
    page = watched()
    open_nettle(page, served(demo=True), "1")
    context.route(
        "**/api/vehicles/*", lambda route: route.abort() if route.request.method == "PUT" else route.continue_()
    )
    page.get_by_label("What is wrong now").fill("typed in a tunnel")
    expect(page.get_by_text("kept here, not saved yet")).to_be_visible()
    context.unroute("**/api/vehicles/*")
    page.reload()
    expect(page.get_by_label("What is wrong now")).to_have_value("typed in a tunnel")
    saved(page)


def test_a_field_keeps_what_it_cannot_read_and_says_what_to_write(served, watched):
    page = watched()
    open_nettle(page, served(demo=True), "3")
    unfold(page, "Size of the vehicle")
    base = page.get_by_role("textbox", name="wheelbase")
    base.fill("2440 kg")
    expect(page.get_by_role("alert")).to_contain_text("is a mass (kg); wanted is a length")
    expect(base).to_have_value("2440 kg")
    base.fill("96 1/4 in")
    expect(page.get_by_role("alert")).to_have_count(0)
    base.press("Tab")
    expect(base).to_have_value("2444.75")
    page.get_by_role("button", name="Units").click()
    page.get_by_text("in · lbf/in").click()
    expect(base).to_have_value("96.25")


def test_find_keys_scheme_and_a_refused_file(served, watched):
    page, base = watched(), served(demo=True)
    page.goto(base)
    page.get_by_label("Vehicle file").set_input_files(
        {"name": "x.json", "mimeType": "application/json", "buffer": b'{"format": 9}'}
    )
    expect(page.get_by_role("alert")).to_contain_text("refused whole")
    for left in range(6, -1, -1):
        page.get_by_role("button", name="delete").last.click()
        expect(page.get_by_role("button", name="delete")).to_have_count(left)
    expect(page.get_by_role("heading", name="The garage is empty")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name="Open Nettle")).to_be_visible()
    open_nettle(page, base)
    page.keyboard.press("f")
    page.get_by_role("combobox").fill("motion rat")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", level=1)).to_have_text("Geometry")
    page.get_by_role("button", name="Dark scheme").click()
    assert page.evaluate("document.documentElement.dataset.scheme") == "dark"
    page.get_by_role("heading", level=1).click()
    page.keyboard.press("?")
    expect(page.get_by_role("dialog")).to_contain_text("undo, redo")
