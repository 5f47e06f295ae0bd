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
