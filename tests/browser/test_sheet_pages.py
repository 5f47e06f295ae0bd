"""The sheet on paper: nothing runs off a page, to the right or below, whatever a setup tells."""

from datetime import date

import pytest

from feder.core.document.damper import DamperPart, Knob
from feder.core.document.document import LoadState
from feder.demo.bramble import bramble
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from feder.sheet.page import sheet_html
from feder.sheet.paper import FONTS
from tests.changes import with_side

VEHICLES = (bramble, finch, magpie, nettle, sedge, tansy, teasel)
OFF = """[...document.querySelectorAll('.page')].flatMap((page, i) => {
  const on = page.getBoundingClientRect(), foot = page.querySelector('.ft').getBoundingClientRect().top
  return [...page.querySelectorAll('td, th, h1, h2, p, caption, svg')]
    .filter((e) => !e.closest('.ft') && e.innerHTML.trim())
    .filter((e) => { const b = e.getBoundingClientRect(); return b.right > on.right - 36 || b.bottom > foot + 1 })
    .map((e) => `page ${i + 1}: ${e.textContent.trim().slice(0, 60)}`)
})"""


def off_page(page, tmp_path, document, setup):
    html = sheet_html(document, setup, "inch", 12, date(2026, 3, 28), FONTS.as_uri())
    file = tmp_path / "sheet.html"
    file.write_text(html, encoding="utf-8")
    page.goto(file.as_uri())
    page.evaluate("document.fonts.ready")
    return page.evaluate(OFF)


@pytest.fixture
def paper(browser):
    page = browser.new_page(viewport={"width": 794, "height": 1122})
    yield page
    page.close()


@pytest.mark.parametrize("made", VEHICLES)
def test_every_setup_of_the_demo_vehicles_is_whole_on_its_pages(paper, tmp_path, made):
    for setup in made().setups:
        assert off_page(paper, tmp_path, made(), setup.id) == [], setup.id


def test_long_words_and_many_states_stay_on_the_paper(paper, tmp_path):
    car = sedge()
    knobs = tuple(Knob(acts=a, clicks=24, locked="left alone " * 6) for a in ("rebound", "bump", "high_bump"))
    part = DamperPart(code="monotube with a reservoir of its own, " * 2, extended=0.52, shut=0.37, knobs=knobs)
    plan = next(s.id for s in car.setups if s.stage == "plan")
    for place in ("front_left", "front_right", "rear_left", "rear_right"):
        car = with_side(car, plan, place, damper=part)
    states = tuple(
        LoadState(**{**car.loads[0].model_dump(), "id": f"s{n}", "name": f"holiday {n} with all of it"})
        for n in range(8)
    )
    assert off_page(paper, tmp_path, car.but(loads=states), plan) == []


CUT = """[...document.querySelectorAll('.page td.box b, .page .corner .n, .page .corner .f')]
  .filter((e) => e.scrollWidth > e.clientWidth + 1 && !e.classList.contains('long') && /^[~−\\d]/.test(e.textContent.trim()))
  .map((e) => e.textContent.trim())"""


@pytest.mark.parametrize("made", [nettle, bramble, magpie])
def test_long_names_leave_the_first_page_whole_and_its_date_readable(paper, tmp_path, made):
    car = made()
    about = "the long description that a club's form asks for, driver aboard, half a tank, spare at home " * 2
    vehicle = car.vehicle.but(name="Nettle of the upper valley, second shell " * 2, description=about[:160])
    setups = tuple(s.but(name="the one with the long arms and the soft front of last summer") for s in car.setups)
    car = car.but(vehicle=vehicle, setups=setups)
    for setup in car.setups[:2]:
        assert off_page(paper, tmp_path, car, setup.id) == []
        assert paper.evaluate(CUT) == []
        # the longest date there is stands whole, that of the survey too
        html = sheet_html(car, setup.id, "inch", 12, date(2026, 9, 27), FONTS.as_uri())
        (tmp_path / "dated.html").write_text(html.replace("survey of 2 June 2026", "survey of 27 September 2026"))
        paper.goto((tmp_path / "dated.html").as_uri())
        assert (
            paper.evaluate("""[...document.querySelectorAll('.page .head td.box')].slice(1, 3)
          .flatMap((e) => [e, e.querySelector('b')]).filter((e) => e.scrollWidth > e.clientWidth + 1).length""")
            == 0
        )
        low = paper.evaluate("document.querySelector('.page .head').getBoundingClientRect().height")
        assert low < 90
