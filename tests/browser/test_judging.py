"""A mistake made by hand: asked about at its field, leading at the head of every bench, taken back by one tap."""

import pytest
from playwright.sync_api import expect

from tests.browser.hands import unfold
from tests.browser.test_access import violations
from tests.browser.test_journeys import open_nettle, saved, station
from tests.browser.test_typing import stored

pytestmark = pytest.mark.filterwarnings("ignore")


def typed_twice(page, base):
    """The whole rear axle's unsprung mass typed for one wheel."""
    open_nettle(page, base, "3")
    unfold(page, "Masses and tyres")
    field = page.get_by_label("unsprung mass, each corner").nth(1)
    field.fill("56")
    return field


def test_a_number_just_typed_is_asked_about_and_one_tap_puts_it_right(served, watched, tmp_path):
    page = watched()
    field = typed_twice(page, served(demo=True))
    asked = page.get_by_role("group", name="unsprung mass, each corner: is it so?")
    # 56 of the 197 kg that the lighter rear wheel weighs
    expect(asked).to_contain_text("28 % of the weight here is unsprung")
    assert not violations(page)
    asked.get_by_role("button", name="Make it 28 kg each").click()
    expect(asked).to_have_count(0)
    expect(field).to_have_value("28.0")
    saved(page)
    assert stored(tmp_path, "Nettle").vehicle.ends.rear.unsprung_mass.value == 28
    page.get_by_role("button", name="Undo").click()
    expect(field).to_have_value("56.0")


def test_a_mistake_leads_at_the_bench_where_its_consequences_show(served, watched, tmp_path):
    page = watched()
    typed_twice(page, served(demo=True))
    station(page, "Springs")
    findings = page.get_by_role("list", name="Findings")
    first = findings.get_by_role("listitem").first
    expect(first).to_contain_text("56 kg unsprung at each wheel: the whole axle's, typed for one wheel")
    expect(first).to_contain_text("14 % instead of 28 %")
    assert not violations(page)
    # what follows from it is folded under it, and nowhere else
    expect(page.get_by_text("flat ride wants")).to_have_count(0)
    first.get_by_role("button", name="explains").click()
    expect(first.get_by_text("flat ride wants")).to_be_visible()
    first.get_by_role("button", name="Make it 28 kg each").click()
    expect(page.get_by_text("typed for one wheel")).to_have_count(0)
    saved(page)
    assert stored(tmp_path, "Nettle").vehicle.ends.rear.unsprung_mass.value == 28


def test_whoever_says_that_it_is_so_is_not_asked_again(served, watched, tmp_path):
    page = watched()
    typed_twice(page, served(demo=True))
    page.get_by_role("group", name="unsprung mass, each corner: is it so?").get_by_role(
        "button", name="it is so"
    ).click()
    saved(page)
    station(page, "Springs")
    expect(page.get_by_text("flat ride wants")).to_be_visible()
    expect(page.get_by_text("typed for one wheel")).to_have_count(0)
    kept = stored(tmp_path, "Nettle")
    assert {s.value for s in kept.stood_by} >= {56.0}
    assert kept.vehicle.ends.rear.unsprung_mass.value == 56


def test_all_that_is_looked_for_can_be_read_and_searched(served, watched):
    page = watched()
    page.goto(served(demo=True) + "/watched")
    expect(page.get_by_role("heading", name="Mistakes")).to_be_visible()
    assert not violations(page)
    page.get_by_label("find a rule by its words").fill("bump stop squeezed")
    expect(page.get_by_text("At ride height the bump stop is squeezed by")).to_be_visible()
    expect(page.get_by_role("heading", name="Mistakes")).to_have_count(0)
    page.get_by_label("find a rule by its words").fill("no such rule")
    expect(page.get_by_text("No rule by these words")).to_be_visible()
