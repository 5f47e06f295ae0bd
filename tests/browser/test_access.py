"""Every screen, dialog and state for a screen reader and for eyes: no violation of any impact, both schemes, three sizes."""

from pathlib import Path

import pytest
from playwright.sync_api import expect

from feder.store.database import open_database
from feder.store.garage import Garage

AXE = Path(__file__).parents[2] / "frontend/node_modules/axe-core/axe.min.js"
CAR = (
    *("brief", "survey", "geometry", "springs", "springs?view=loads", "springs?view=roll", "height", "travel"),
    *(
        "damping",
        "damping?view=bounce",
        "damping?view=damper",
        "prove",
        "prove?view=clicks",
        "prove?view=recordings",
        "fit",
        "sheet",
        "compare",
    ),
    *("settle?setup=fitted", "settle?setup=fitted&view=weights", "settle?setup=fitted&view=alignment"),
    *("settle?setup=fitted&view=log", "setdown", "weigh", "readout", "entry"),
)
BIKE = ("survey", "geometry", "springs", "height", "travel", "damping", "prove", "walk")
BARS = ("height", "springs", "geometry")


def ids(tmp_path):
    return {v.name: v.id for v in Garage(open_database(tmp_path)).listed()}


def violations(page):
    """What is against the rules on the screen as it stands, each with its element."""
    page.evaluate(AXE.read_text(encoding="utf-8"))
    found = page.evaluate("axe.run(document, { resultTypes: ['violations'] })")["violations"]
    return [f"{v['id']}: {n['html'][:160]}" for v in found for n in v["nodes"]]


@pytest.mark.parametrize(
    ("width", "height", "scheme"), [(1280, 800, "light"), (820, 1180, "dark"), (390, 844, "light")]
)
def test_no_screen_breaks_a_rule_of_access(served, watched, tmp_path, width, height, scheme):
    page, base = watched(), served(demo=True)
    page.set_viewport_size({"width": width, "height": height})
    page.emulate_media(color_scheme=scheme, reduced_motion="reduce")
    of = ids(tmp_path)
    screens = ["/", "/shelf", "/words", "/watched", "/devices", "/instruments"]
    screens += [f"/vehicle/{of['Nettle']}/{s}" for s in CAR]
    screens += [f"/vehicle/{of['Magpie']}/{s}" for s in BIKE]
    screens += [f"/vehicle/{of['Tansy']}/{s}" for s in BARS]
    against = {}
    for screen in screens:
        page.goto(base + screen)
        page.wait_for_load_state("networkidle")
        expect(page.get_by_role("heading", level=1).first).to_be_attached()
        if found := violations(page):
            against[screen] = found
    assert against == {}


def test_no_dialog_or_opened_state_breaks_a_rule_of_access(served, watched, tmp_path):
    page, base = watched(), served(demo=True)
    page.emulate_media(color_scheme="dark", reduced_motion="reduce")
    page.goto(f"{base}/vehicle/{ids(tmp_path)['Nettle']}/height")
    against = {}

    def looked(state):
        page.wait_for_load_state("networkidle")
        page.wait_for_timeout(250)  # a card on its way in is neither here nor there
        if found := violations(page):
            against[state] = found

    page.get_by_role("list", name="Findings").get_by_role("button").first.click()
    looked("a finding opened")
    page.get_by_role("button", name="how these numbers come about").click()
    looked("the working beside it")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="wheel rate: what is this?").click()
    looked("a word explained")
    page.keyboard.press("Escape")
    page.get_by_role("heading", name="Height", level=1).click()
    page.keyboard.press("f")
    page.get_by_role("combobox", name="Find").fill("rate")
    looked("finding")
    page.keyboard.press("Escape")
    page.keyboard.press("?")
    looked("keys")
    page.keyboard.press("Escape")
    field = page.get_by_role("region", name="front left").get_by_role("textbox", name="hub to arch", exact=True)
    field.fill("99999")
    field.press("Tab")
    looked("a number refused")
    assert against == {}
