"""Each bench as it is used: the shelf, branches of a setup, a measured sweep, layouts that hold at every width."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.hands import unfold
from tests.browser.test_journeys import fill, open_nettle, saved, station

STATIONS = (
    "brief",
    "survey",
    "geometry",
    "springs",
    "springs?view=loads",
    "springs?view=roll",
    "height",
    "travel",
    "compare",
    "sheet",
)


def test_a_spring_from_its_wire_goes_on_the_shelf_and_can_be_taken_off_and_put_back(served, watched):
    page = watched()
    page.goto(served(demo=True) + "/shelf")
    page.get_by_role("button", name="Add a spring").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_role("tab", name="From its wire").click()
    dialog.get_by_label("its name or code").fill("own wind")
    for label, text in (
        ("wire diameter", "11"),
        ("inside diameter", "60"),
        ("active coils", "6.8"),
        ("free length", "180"),
    ):
        dialog.get_by_role("textbox", name=label).fill(text)
    # by hand: 79300·11⁴/(8·71³·6.8) = 59.6 N/mm; solid 8.8·11 = 97 mm
    expect(dialog).to_contain_text("59.6 N/mm, solid at 97 mm")
    dialog.get_by_role("button", name="Put it on the shelf").click()
    page.get_by_label("Find on the shelf").fill("own wind")
    rows = page.get_by_role("row").filter(has_text="own wind")
    expect(rows).to_have_count(1)
    expect(rows).to_contain_text("59.6")
    page.get_by_role("button", name="Delete own wind").click()
    expect(rows).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(rows).to_have_count(1)


def test_a_faulty_parts_list_is_refused_with_every_line_at_fault(served, watched):
    page = watched()
    page.goto(served(demo=True) + "/shelf")
    page.get_by_label("CSV file").set_input_files(
        {"name": "x.csv", "mimeType": "text/csv", "buffer": b"code,rate\na,60\nb,soft\nc,12 kg\n"}
    )
    alert = page.get_by_role("alert")
    expect(alert).to_contain_text("line 3, rate")
    expect(alert).to_contain_text("line 4, rate: is a mass")
    expect(page.get_by_role("row").filter(has_text=re.compile(r"^a\b"))).to_have_count(0)


def test_a_branch_is_another_way_and_leaves_the_plan_alone(served, watched):
    page = watched()
    open_nettle(page, served(demo=True))
    page.get_by_role("button", name="More for this setup").click()
    page.get_by_text("Branch: try another way").click()
    expect(page.get_by_role("button", name="Setup plan, dry 2")).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name="More for this setup").click()
    page.get_by_text("Rename this setup").click()
    page.get_by_label("Name of this setup").fill("wet plan")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("button", name="Setup wet plan")).to_be_visible()
    page.get_by_role("button", name=re.compile("^larch 18")).click()
    stance = page.get_by_role("complementary", name="Stance")
    expect(stance).to_contain_text("25.9")
    page.get_by_role("button", name="Setup plan, dry", exact=True).click()
    expect(stance).to_contain_text("31.1")
    expect(stance).not_to_contain_text("25.9")
    page.get_by_role("button", name="Setup as found").click()
    expect(page.get_by_text("as found is measured, not chosen")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^larch 18"))).to_be_disabled()


def test_a_sweep_typed_in_bends_the_wheel_rate_and_a_slip_is_found(served, watched):
    page = watched()
    open_nettle(page, served(demo=True), "3")
    rear = page.locator('[aria-label="rear"]')
    rear.get_by_label("spring motion ratio: which way round").click(force=True)
    page.get_by_role("option", name="from a sweep").click()
    # s = 0.66 z + 0.5 z², read at 402, 382, 362, 342, 322 mm hub to arch
    for i, z in enumerate((0, 20, 40, 60, 80), start=1):
        rear.get_by_role("textbox", name=f"hub to arch, step {i}", exact=True).fill(str(402 - z))
        seat = 182 - (0.66 * z + 0.5 * z * z / 1000)
        rear.get_by_role("textbox", name=f"between the seats, step {i}", exact=True).fill(f"{seat:.2f}")
    stance = page.get_by_role("complementary", name="Stance")
    # at 50 mm of travel MR = 0.71, the linkage adds force times slope: 60·0.71² + 2472·1.0/1000 = 32.7 N/mm
    expect(stance).to_contain_text("32.7")
    rear.get_by_role("textbox", name="between the seats, step 3", exact=True).fill("149")
    expect(page.get_by_text(re.compile("One pair of the sweep lies"))).to_be_visible()
    saved(page)
    page.reload()
    expect(rear.get_by_role("textbox", name="hub to arch, step 5", exact=True)).to_have_value("322.0")


def test_a_live_axle_asks_for_its_spring_base_and_a_bar_shows_no_new_rate(served, watched):
    page = watched()
    open_nettle(page, served(demo=True), "3")
    rear = page.locator('[aria-label="rear"]')
    unfold(page, "Layout and track")
    rear.get_by_label("layout").click(force=True)
    page.get_by_role("option", name="Live axle").click()
    expect(page.get_by_role("link", name=re.compile("Geometry"))).to_have_attribute(
        "title", re.compile("distance between the springs")
    )
    rear.get_by_role("textbox", name="between the springs of the axle").fill("95 cm")
    expect(page.get_by_role("link", name=re.compile("Geometry"))).to_have_attribute("title", re.compile("^done"))
    unfold(page, "Bars and roll")
    rear.get_by_role("textbox", name=re.compile("anti-roll bar rate")).fill("20 N/mm")
    expect(rear.get_by_role("textbox", name="link / wheel travel of the bar")).to_have_value("1.00")
    # a bar works in roll; in heave the wheel rate stays
    expect(page.get_by_role("complementary", name="Stance")).to_contain_text("31.1")


def test_damage_stops_the_plan_and_an_outlier_is_asked_about(served, watched):
    page = watched()
    open_nettle(page, served(demo=True), "2")
    fill(page, "floor to arch, rear right", "664")
    # hub at 664 - 366 = 298, tyre radius 288
    expect(page.get_by_text(re.compile("the tyre hangs 10 mm in the air"))).to_be_visible()
    fill(page, "floor to arch, rear right", "646")
    expect(page.get_by_text(re.compile("the tyre hangs"))).to_have_count(0)
    page.get_by_role("textbox", name=re.compile("^Known damage")).fill("left top mount cracked")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Known damage: left top mount cracked")).to_be_visible()
    station(page, "Sheet")
    expect(
        page.frame_locator("iframe[title='Setup sheet']").get_by_text(re.compile("left top mount cracked")).first
    ).to_be_visible()
    station(page, "Survey")
    page.get_by_role("button", name="new one").click()
    expect(page.get_by_text("Known damage: left top mount cracked")).to_have_count(0)
    expect(page.get_by_role("region", name="Known damage")).to_contain_text("left top mount cracked")


def test_the_strip_is_stepped_and_dragged_to_springs_that_exist(served, watched):
    page = watched()
    open_nettle(page, served(demo=True))
    mark = page.get_by_role("slider", name=re.compile("^rear frequency"))
    # a step leads to the next spring that exists: the shelf has to be there first
    expect(page.get_by_role("button", name=re.compile("^larch 19"))).to_be_visible()
    mark.focus()
    page.keyboard.press("ArrowLeft")
    rear = page.get_by_role("tab", name=re.compile("^Rear"))
    expect(rear).to_contain_text("55 N/mm")
    page.keyboard.press("ArrowRight")
    expect(rear).to_contain_text("60 N/mm")
    # the mark goes where the report says; only once it stands there can a hand take it
    expect(page.get_by_role("group", name="Frequency strip")).to_contain_text("rear 2.13 Hz")
    page.wait_for_load_state("networkidle")
    box = mark.bounding_box()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + 40)
    page.mouse.down()
    page.mouse.move(box["x"] - 140, box["y"] + 40, steps=8)
    page.mouse.up()
    expect(rear).to_contain_text(re.compile(r"larch \d+\s+(35|40|45) N/mm"))
    page.keyboard.press("Control+z")
    expect(rear).to_contain_text("60 N/mm")


def test_what_differs_left_to_right_was_meant_to_and_stays(served, watched):
    page = watched()
    open_nettle(page, served(demo=True), "5")
    unfold(page, "Clicks")
    clicks = page.locator("#clicks")
    clicks.get_by_role("button", name="left and right differ").click()
    rebound = [clicks.get_by_role("textbox", name=f"rebound clicks, front {side}") for side in ("left", "right")]
    bump = [clicks.get_by_role("textbox", name=f"bump clicks, front {side}") for side in ("left", "right")]
    rebound[0].fill("6")
    rebound[0].press("Enter")
    expect(rebound[1]).to_have_value("8")
    page.get_by_role("checkbox", name="both sides together").check()
    # both sides go together: what is alike follows, what was parted does not
    bump[0].fill("9")
    bump[0].press("Enter")
    expect(bump[1]).to_have_value("9")
    rebound[0].fill("5")
    rebound[0].press("Enter")
    expect(rebound[0]).to_have_value("5")
    expect(rebound[1]).to_have_value("8")
    saved(page)


@pytest.mark.parametrize(("width", "height", "scheme"), [(1280, 800, "light"), (820, 1180, "dark")])
def test_no_bench_runs_out_of_its_window(served, watched, width, height, scheme):
    page = watched()
    page.emulate_media(color_scheme=scheme)
    page.set_viewport_size({"width": width, "height": height})
    open_nettle(page, served(demo=True))
    address = page.url.rsplit("/", 1)[0]
    for name in STATIONS:
        page.goto(f"{address}/{name}")
        expect(page.get_by_role("heading", level=1)).to_be_visible()
        expect(page.get_by_role("complementary", name="Stance")).to_contain_text("36.9")
        over = page.evaluate(
            """() => [...document.querySelectorAll('.bench, .stance, .head, .work')]
              .filter((e) => e.scrollWidth > e.clientWidth + 1).map((e) => e.className)"""
        )
        assert over == [], (name, over)
        small = page.evaluate(
            """() => [...document.querySelectorAll('.head button, .work a, .bench button, .head a')]
              .filter((e) => e.offsetParent && !e.closest('svg') && e.getBoundingClientRect().height < 28).map((e) => e.textContent)"""
        )
        assert [s for s in small if s.strip() and "kg" not in s and s.strip() != "Nettle"] == [], (name, small)
