"""Instruments by hand: stand-ins started, taken in a field, in walks and by Enter; a spring run; a recording read."""

import csv
import json
import re
from pathlib import Path

import numpy as np
import pytest
from playwright.sync_api import expect

from feder.store.database import open_database
from feder.store.garage import Garage
from tests.browser.test_access import violations
from tests.browser.test_journeys import saved
from tests.instruments.stand_in import until


def of(tmp_path, name):
    return {v.name: v.id for v in Garage(open_database(tmp_path)).listed()}[name]


def readings(tmp_path, vehicle, place, quantity, survey=0):
    told = Garage(open_database(tmp_path)).get(vehicle).document.surveys[survey].readings
    return [r.value for r in told if r.place == place and r.quantity == quantity]


@pytest.fixture
def stopped(served):
    """After a test no stand-in of it goes on."""
    made = []

    def start(page, base):
        made.append((page, base))

    yield start
    for page, base in made:
        for i in page.request.get(f"{base}/api/instruments").json()["instruments"]:
            page.request.delete(f"{base}/api/instruments/{i['id']}", headers={"Origin": base})


def near(values, value, by):
    return len(values) == 1 and abs(values[0] - value) <= by


def begun(page, base, stopped, *kinds):
    """Stand-ins as the vehicle looked at last, started from the page."""
    page.goto(f"{base}/instruments")
    stopped(page, base)
    for kind in kinds:
        page.get_by_role("button", name=re.compile(f"Simulate .*: {kind}")).click()
        expect(
            page.get_by_role("listitem", name=kind, exact=False).get_by_role("button", name=re.compile("^Stop"))
        ).to_be_visible()


def test_what_pads_and_gauge_read_is_taken_in_fields_and_on_the_walk(served, watched, tmp_path, stopped):
    page, base = watched(), served(demo=True)
    car = of(tmp_path, "Nettle")
    page.goto(f"{base}/vehicle/{car}/survey")
    expect(page.get_by_role("heading", level=1)).to_have_text("Survey")
    begun(page, base, stopped, "corner scales", "height gauge")
    scales = page.get_by_role("listitem", name="Corner scales")
    expect(scales).to_contain_text("as Nettle")
    expect(scales).to_contain_text("steady")
    expect(scales).to_contain_text(re.compile(r"1010\.\d in all|1009\.\d in all"))
    expect(scales).to_contain_text("A pad is not a stand")
    page.goto(f"{base}/vehicle/{car}/survey?setup=plan")
    # in a field: the pad of the corner the cursor stands in
    field = page.get_by_role("textbox", name="weight, rear left", exact=True)
    field.fill("250")
    field.press("Tab")
    saved(page)
    field.focus()
    expect(page.get_by_text("corner scales", exact=False)).to_be_visible()
    assert violations(page) == []
    page.get_by_role("button", name="Take", exact=True).click()
    saved(page)
    assert until(lambda: near(readings(tmp_path, car, "rear_left", "mass"), 207, 0.4))
    # an empty field takes on Enter
    field.fill("")
    field.press("Enter")
    expect(field).to_have_value(re.compile(r"20[67]"))
    saved(page)
    # a gauge is somewhere else for another field: it is waited for until it rests there
    height = page.get_by_role("textbox", name="hub to arch, rear right", exact=True)
    height.fill("400")
    height.press("Tab")
    height.focus()
    page.get_by_role("button", name=re.compile("^Take")).click()
    expect(height).to_have_value(re.compile(r"36[56]"))
    assert until(lambda: near(readings(tmp_path, car, "rear_right", "hub_to_arch"), 0.366, 5e-4))
    # on the walk Enter takes, and goes on to the next corner
    page.get_by_role("button", name="Walk round").click()
    page.get_by_role("button", name="weight", exact=True).click()
    expect(page.get_by_role("button", name="Take", exact=True)).to_be_visible()
    page.locator("input.big").fill("")
    page.keyboard.press("Enter")
    expect(page.locator("#walk-at")).to_have_text("Rear left, weight")
    assert until(lambda: near(readings(tmp_path, car, "front_left", "mass"), 308, 0.4))
    # what was taken is kept with its raw readings
    page.goto(f"{base}/instruments")
    log = page.get_by_role("row").filter(has_text="weight, front left")
    expect(log).to_contain_text("308.")
    told = page.request.get(f"{base}/api/instruments/taken?vehicle={car}").json()["taken"]
    assert len(told) == 4
    assert all(len(t["raw"]) >= 1 for t in told)


def test_a_spring_is_run_kept_and_stands_on_the_shelf(served, watched, tmp_path, stopped):
    page, base = watched(), served(demo=True)
    begun(page, base, stopped, "spring bench")
    bench = page.get_by_role("listitem", name="Spring bench")
    expect(bench).to_contain_text("A pressed spring holds energy")
    bench.get_by_role("button", name="Start a run").click()
    expect(bench).to_contain_text("10 points")
    # the made-up spring: 40.4 N/mm
    expect(bench.locator(".val")).to_have_text(re.compile(r"40\.[2-6]\s*N/mm"))
    bench.get_by_role("button", name="Keep as a part…").click()
    dialog = page.get_by_role("dialog", name="Keep as a part")
    page.wait_for_timeout(400)
    assert violations(page) == []
    dialog.get_by_role("button", name="Keep", exact=True).click()
    expect(dialog.get_by_role("alert")).to_contain_text("needs a code")
    dialog.get_by_role("textbox", name="code").fill("off the hillclimber")
    dialog.get_by_role("textbox", name="free length").fill("200 mm")
    dialog.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_text("off the hillclimber is on the shelf of springs")).to_be_visible()
    page.goto(f"{base}/shelf")
    page.get_by_role("searchbox", name="Find on the shelf").fill("hillclimber")
    expect(page.get_by_text("off the hillclimber").first).to_be_visible()


def test_a_device_that_is_not_there_says_so_and_can_be_tested_and_removed(served, watched, stopped):
    page, base = watched(), served(demo=True)
    page.goto(f"{base}/instruments")
    stopped(page, base)
    page.get_by_role("button", name="Connect pressure gauge").click()
    dialog = page.get_by_role("dialog", name="Connect an instrument")
    page.wait_for_timeout(400)
    assert violations(page) == []
    dialog.get_by_label("serial port or network address").fill("in the drawer")
    dialog.get_by_role("button", name="Connect", exact=True).click()
    expect(dialog.get_by_role("alert")).to_contain_text("needs a serial port such as")
    dialog.get_by_label("serial port or network address").fill("127.0.0.1:9")
    dialog.get_by_role("button", name="Connect", exact=True).click()
    gauge = page.get_by_role("listitem", name="Pressure gauge")
    expect(gauge).to_contain_text("nothing listens there")
    gauge.get_by_role("button", name="Test").click()
    expect(gauge).to_contain_text("No line came yet")
    assert violations(page) == []
    gauge.get_by_role("button", name="remove this instrument").click()
    expect(page.get_by_role("button", name="Connect pressure gauge")).to_be_visible()


def test_a_recording_is_chosen_read_and_laid_beside_the_run(served, watched, tmp_path):
    page, base = watched(), served(demo=True)
    car = of(tmp_path, "Nettle")
    t = np.arange(0, 60, 0.005)
    swing = np.zeros(t.size)
    omega = 2 * np.pi * 1.85
    for start in range(4, 58, 6):
        s = np.maximum(t - start, 0)
        swing += np.where(t >= start, 30 * np.exp(-0.4 * omega * s) * np.cos(omega * np.sqrt(1 - 0.16) * s), 0)
    file = tmp_path / "hill.csv"
    with open(file, "w", newline="") as out:
        rows = csv.writer(out, delimiter=";")
        rows.writerow(["Time [s]", "A", "Front left [mm]"])
        rows.writerows([f"{a:.3f}", "x", f"{b:.3f}"] for a, b in zip(t, swing, strict=True))
    page.goto(f"{base}/vehicle/{car}/prove?setup=plan&view=recordings")
    expect(page.get_by_text("Nothing is recorded yet")).to_be_visible(timeout=90_000)
    page.get_by_label("Recording file").set_input_files(file)
    form = page.get_by_role("region", name="Columns of the file")
    expect(form.get_by_label("column front left is")).to_have_value("front_left")
    expect(form.get_by_label("column time is")).to_have_value("time")
    assert violations(page) == []
    form.get_by_role("button", name="Read it").click()
    table = page.locator("table").filter(has=page.get_by_role("columnheader", name="front left"))
    expect(table).to_be_visible()
    assert violations(page) == []
    expect(table.get_by_role("row").filter(has_text="most bump")).to_contain_text("+30")
    expect(table.get_by_role("row").filter(has_text="body frequency")).to_contain_text(re.compile(r"1\.8[3-7]"))
    expect(table.get_by_role("row").filter(has_text="damping of critical")).to_contain_text(
        re.compile(r"0\.(39|40|41)")
    )
    expect(table.get_by_role("row").filter(has_text="damping of critical")).to_contain_text("9 swings")
    kept = page.request.get(f"{base}/api/recordings?vehicle={car}").json()["recordings"]
    assert [(k["name"], k["setup"], round(k["seconds"])) for k in kept] == [("hill.csv", "plan", 60)]
    # put away, and back by its notice
    page.get_by_role("button", name="put it away").click()
    expect(page.get_by_text("Nothing is recorded yet")).to_be_visible()
    page.get_by_role("button", name="Undo", exact=True).last.click()
    expect(table).to_be_visible()


def test_the_tables_of_a_bench_and_the_sheet_are_taken_as_files(served, watched, tmp_path):
    page, base = watched(), served(demo=True)
    car = of(tmp_path, "Nettle")
    page.goto(f"{base}/vehicle/{car}/survey?setup=plan")
    expect(page.get_by_role("textbox", name="weight, rear left", exact=True)).to_have_value("207")
    page.keyboard.press("Escape")
    page.get_by_role("heading", level=1).click()
    page.keyboard.press("f")
    page.locator("input#find").fill("tables csv")
    with page.expect_download() as download:
        page.keyboard.press("Enter")
    rows = list(csv.reader(Path(download.value.path()).read_text("utf-8").splitlines()))
    weights = next(r for r in rows if r and r[0].startswith("weight"))
    assert [c.split()[0] for c in weights[1:5]] == ["308", "298", "207", "197"]
    page.goto(f"{base}/vehicle/{car}/sheet?setup=plan")
    with page.expect_download() as download:
        page.get_by_role("button", name="JSON of the figures").click()
    told = json.loads(Path(download.value.path()).read_text("utf-8"))
    assert (told["vehicle"], told["setup"]["id"]) == ("Nettle", "plan")
    with page.expect_download() as download:
        page.get_by_role("button", name="CSV of the figures").click()
    rows = list(csv.DictReader(Path(download.value.path()).read_text("utf-8").splitlines()))
    row = next(r for r in rows if r["path"] == "corners.front_left.wheel_rate")
    assert float(row["value"]) == pytest.approx(40 * 0.96**2)
