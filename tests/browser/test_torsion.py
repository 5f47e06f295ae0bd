"""A torsion-bar car set from its readings to the level's verdict, on both sides, through what is on the screen."""

import io
import re

import pypdf
import pytest
from playwright.sync_api import expect

from feder.core.benches.index.bench import index_bench
from feder.core.document.base import Place
from feder.core.report.evaluate import evaluate
from feder.demo.tansy import tansy
from tests.browser.hands import Keyboard
from tests.browser.test_journeys import saved
from tests.changes import with_side

pytestmark = pytest.mark.filterwarnings("ignore")  # the PDF library's own dependencies warn about themselves


def test_from_readings_of_bar_and_arm_to_a_verified_plate_on_both_sides(served, watched):
    page = watched()
    page.goto(served(demo=False))
    hand = Keyboard(page)
    hand.press(page.get_by_role("button", name="New vehicle").first)
    dialog = page.get_by_role("dialog")
    hand.press(dialog.get_by_role("radio", name="estate"))
    hand.choose(dialog.get_by_label("rear springs"), "arm on a torsion bar")
    hand.fill(dialog.get_by_label("its name"), "Own")
    expect(page.get_by_role("heading", level=1)).to_have_text("Brief")

    hand.station("Geometry", "3")
    hand.fill(page.get_by_label("wheelbase", exact=True), "2520")
    for name, fields in (
        (
            "front",
            (
                ("track", "1415"),
                ("unsprung mass, each corner", "33"),
                ("motion ratio", "0.95"),
                ("full droop", "418"),
            ),
        ),
        ("rear", (("track", "1400"), ("unsprung mass, each corner", "27"), ("full droop", "430"))),
    ):
        part = page.locator(f'[aria-label="{name}"]')
        for label, text in fields:
            if label == "motion ratio":
                hand.choose(part.get_by_label("motion ratio: which way round"), "spring / wheel")
            hand.fill(part.get_by_role("textbox", name=label, exact=True), text)
    rear = page.locator('[aria-label="rear"]')
    for label, text in (
        ("arm, bar axis to wheel centre", "400"),
        ("left arm reads", "8 deg 36"),
        ("at hub to arch", "352"),
        ("chassis reads", "0.6"),
        ("plate adjusts up by", "1.2"),
        ("one turn is", "0.4"),
    ):
        hand.fill(rear.get_by_role("textbox", name=label, exact=True), text)

    hand.station("Survey", "2")
    for place, kg, hub in (
        ("front left", "350", "346"),
        ("front right", "350", "346"),
        ("rear left", "260", "352"),
        ("rear right", "260", "352"),
    ):
        hand.fill(page.get_by_label(f"weight, {place}"), kg)
        hand.fill(page.get_by_label(f"hub to arch, {place}"), hub)
    found = page.locator("#as-found")
    hand.fill(found.get_by_label("rate", exact=True), "21")
    hand.fill(found.get_by_label("free length", exact=True), "352")
    for label, text in (
        ("bar diameter", "25"),
        ("effective length", "980"),
        ("inner splines", "36"),
        ("outer splines", "40"),
    ):
        hand.fill(found.get_by_role("textbox", name=label), text)

    hand.station("Springs", "4")
    hand.press(page.get_by_role("tab", name=re.compile("^Rear")))
    row = page.get_by_role("row").filter(has_text="as found, rear")
    expect(row).to_contain_text("19.")
    hand.press(row.get_by_role("button", name="take it"))
    hand.press(page.get_by_role("tab", name=re.compile("^Front")))
    hand.press(page.get_by_role("button", name="keep the spring as found"))

    hand.station("Height", "5")
    bench = page.get_by_role("region", name="Index bench, rear")
    hand.fill(bench.get_by_role("textbox", name="rear left, hub to arch wanted"), "322")
    reads = {}
    for side, bar, plate in (("Left", "anticlockwise", "clockwise"), ("Right", "clockwise", "anticlockwise")):
        hand.press(bench.get_by_role("tab", name=side))
        first = bench.get_by_role("table", name="Spline moves").get_by_role("row").nth(1)
        expect(first).to_contain_text(re.compile(rf"\d {bar}.*\d {plate}"))
        hand.press(first.get_by_role("button"))
        must = bench.get_by_role("region", name="What the level shows")
        reads[side] = float(must.locator("b").first.inner_text().removesuffix("°"))
        level = must.get_by_role("textbox", name="the level shows")
        hand.fill(level, f"{reads[side] + 10:.1f}")
        expect(must).to_contain_text(f"one spline off At the inner end: turn back, bar 1 spline {bar}")
        hand.fill(level, f"{-reads[side]:.1f}")
        expect(must).to_contain_text("level turned")
        hand.fill(level, f"{reads[side] + 0.2:.1f}")
        expect(must).to_contain_text("Good This is the pair")
    assert reads["Left"] == pytest.approx(reads["Right"], abs=0.05)
    expect(bench).to_contain_text("The wound bar drives the hub down")
    with page.expect_download() as chart:
        hand.press(bench.get_by_role("button", name="index chart of this vehicle, CSV"))
    lines = chart.value.path().read_text().splitlines()
    assert lines[0].startswith("inner,outer,change deg")
    assert len(lines) == 26

    saved(page)
    hand.station("Sheet", "s")
    with page.expect_download(timeout=90_000) as download:
        hand.press(page.get_by_role("button", name="Download PDF"))
    text = "\n".join(
        p.extract_text() for p in pypdf.PdfReader(io.BytesIO(download.value.path().read_bytes())).pages
    )
    assert "Torsion bars" in text
    assert f"{reads['Left']:.1f}" in text


def test_a_bolt_adjuster_answers_in_turns_and_a_load_sets_both_plates(served, watched):
    page = watched()
    base = served(demo=True)
    page.goto(base)
    page.get_by_role("button", name="Open Teasel").click()
    page.get_by_role("navigation", name="Work line").get_by_role("link", name=re.compile("Height")).click()
    bench = page.get_by_role("region", name="Index bench, front")
    expect(bench).to_contain_text(re.compile(r"turns of the bolt\s*~2\.8\s*tighter"))
    expect(bench).not_to_contain_text("spline")
    page.goto(base)
    page.get_by_role("button", name="Open Tansy").click()
    page.get_by_role("navigation", name="Work line").get_by_role("link", name=re.compile("Height")).click()
    bench = page.get_by_role("region", name="Index bench, rear")
    before = bench.get_by_role("textbox", name="or free plate angle")
    expect(before).to_have_value("20.6")
    bench.get_by_role("radio", name="market round").click()
    expect(before).not_to_have_value("20.6")
    bench.get_by_role("button", name="Set both plates for this").click()
    page.get_by_role("complementary", name="Stance").get_by_role("radio", name="market round").click()
    car = tansy()
    for place in (Place.REAR_LEFT, Place.REAR_RIGHT):
        wanted = index_bench(tansy(), "plan", place, "market").free_wanted
        car = with_side(car, "plan", place.value, set_by="free angle", free_angle=float(wanted.value))
    corner = evaluate(car, "plan", "market").corners[Place.REAR_LEFT]
    assert corner.hub_to_arch.value == pytest.approx(0.322, abs=1e-5)
    told = f"{corner.floor_to_arch.value * 1e3:.0f}"
    expect(page.get_by_role("complementary", name="Stance").get_by_text(told, exact=True)).not_to_have_count(0)
