"""On a phone's screen: every typed number can be read whole."""

import pytest
from playwright.sync_api import expect

STATIONS = ("brief", "survey", "geometry", "springs", "height", "travel", "damping", "prove")
CUT = """[...document.querySelectorAll('input.qf-in')]
  .filter((i) => i.value && i.offsetParent && i.scrollWidth > i.clientWidth + 1)
  .map((i) => (i.labels[0]?.textContent || i.getAttribute('aria-label')) + ': ' + i.value)"""
"""A click 11 of which a 1 is seen is worse than none."""


@pytest.mark.parametrize("station", STATIONS)
def test_no_number_is_cut_at_390_pixels(served, watched, station):
    base = served(demo=True, shelf=True)
    page = watched()
    page.set_viewport_size({"width": 390, "height": 844})
    for row in page.request.get(f"{base}/api/vehicles").json()["vehicles"]:
        page.goto(f"{base}/vehicle/{row['id']}/{station}")
        expect(page.get_by_text("saved", exact=True)).to_be_visible()
        page.wait_for_load_state("networkidle")
        assert page.evaluate(CUT) == []


@pytest.mark.parametrize(("width", "height"), [(390, 844), (360, 640), (640, 400)])
def test_the_station_in_hand_stands_on_the_work_line_in_sight(served, watched, width, height):
    base = served(demo=True)
    page = watched()
    page.set_viewport_size({"width": width, "height": height})
    vehicle = page.request.get(f"{base}/api/vehicles").json()["vehicles"][0]["id"]
    for station in ("sheet", "brief", "damping"):
        page.goto(f"{base}/vehicle/{vehicle}/{station}")
        here = page.get_by_role("navigation", name="Work line").locator("[aria-current=step]")
        expect(here).to_be_in_viewport(ratio=0.9)
