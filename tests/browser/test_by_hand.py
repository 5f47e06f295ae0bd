"""Each demo car from an empty survey to its printed sheet, by keys alone and by a finger alone.

The numbers typed are those of the made-up cars; what Feder then has must report the very same figures.
"""

import io
import re
from math import degrees

import pypdf
import pytest
from playwright.sync_api import Locator, Page, expect

from feder.core.document.base import ENDS, PLACES
from feder.core.document.vehicle import End, RatioFromLevers
from feder.core.files.survey_csv import walk_of
from feder.core.report.evaluate import evaluate
from feder.demo.bramble import bramble
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.store.database import open_database
from feder.store.garage import Garage
from tests.browser.hands import Finger, Keyboard
from tests.browser.test_journeys import saved

pytestmark = [
    pytest.mark.filterwarnings("ignore"),  # the PDF library's own dependencies warn about themselves
    pytest.mark.browser_context_args(has_touch=True),
]
LAYOUTS = {
    "strut": "strut, spring on it",
    "divorced": "spring and damper apart",
    "live axle": "live axle",
}
TICKS = ("Level floor", "Tyre pressures set", "Rolled back and forth")
SAME = (
    "mass",
    "hub_to_arch",
    "floor_to_arch",
    "wheel_rate",
    "frequency",
    "damping_ratio",
    "spring_length",
    "collar",
    "droop",
    "stop",
    "solid",
    "contact",
    "stop_gap",
)
Hand = Keyboard | Finger


def mm(value: float) -> str:
    return f"{value * 1e3:.10g}"


def number(value: float) -> str:
    return f"{value:.10g}"


def make(hand: Hand, page: Page, car) -> None:
    hand.press(page.get_by_role("button", name="New vehicle").first)
    dialog = page.get_by_role("dialog")
    vehicle = car.vehicle
    hand.press(dialog.get_by_role("radio", name=vehicle.body))
    for end in ENDS:
        hand.choose(dialog.get_by_label(f"{end} springs"), LAYOUTS[getattr(vehicle.ends, end).layout])
    name = dialog.get_by_label("its name")
    hand.fill(name, vehicle.name)
    if isinstance(hand, Finger):  # Enter in the name makes it
        hand.press(dialog.get_by_role("button", name="Make it"))
    expect(page.get_by_role("heading", level=1)).to_have_text("Brief")
    use = page.get_by_role("radiogroup").get_by_role("radio").filter(has_text=re.compile(car.brief.use[:9], re.I))
    hand.press(use.first)


def walk(hand: Hand, page: Page, car) -> None:
    hand.station("Survey", "2")
    hand.press(page.get_by_role("button", name="Walk round"))
    for tick in TICKS:
        hand.tick(page.get_by_role("checkbox", name=tick))
    hand.press(page.get_by_role("button", name="Begin"))
    readings = {(r.quantity, r.place): r.value for r in car.survey.readings}
    for quantity in ("mass", "hub_to_arch", "floor_to_arch"):
        for place in walk_of(car):
            expect(page.get_by_role("heading", level=2).first).to_contain_text(place.words.capitalize())
            value = readings[quantity, place]
            hand.reading(number(value) if quantity == "mass" else mm(value))
    hand.press(page.get_by_role("button", name="table of all readings"))
    found = page.locator("#as-found")
    for i, end in enumerate(ENDS):
        spring = getattr(car.setups[0].sides, f"{end}_left").spring
        hand.fill(found.get_by_label("rate").nth(i), number(spring.rate.value / 1e3))
        hand.fill(found.get_by_label("free length").nth(i), mm(spring.free_length))


def measure(hand: Hand, page: Page, car) -> None:
    hand.station("Geometry", "3")
    hand.fill(page.get_by_label("wheelbase", exact=True), mm(car.vehicle.wheelbase.value))
    for name in ENDS:
        measure_end(hand, page.locator(f'[aria-label="{name}"]'), getattr(car.vehicle.ends, name))


def measure_end(hand: Hand, part: Locator, end: End) -> None:
    def field(label: str) -> Locator:
        return part.get_by_role("textbox", name=label, exact=True)

    hand.fill(field("track"), mm(end.track))
    hand.fill(field("unsprung mass, each corner"), number(end.unsprung_mass.value))
    label = "spring motion ratio" if end.layout == "divorced" else "motion ratio"
    ratio = end.spring.ratio
    way = part.get_by_label(f"{label}: which way round")
    if isinstance(ratio, RatioFromLevers):
        hand.choose(way, "from levers")
        hand.fill(field("pivot to spring"), mm(ratio.spring_distance))
        hand.fill(field("pivot to wheel"), mm(ratio.wheel_distance))
        hand.fill(field("spring off upright"), number(degrees(ratio.spring_angle)))
    else:
        if end.layout == "strut":
            hand.choose(way, "spring / wheel")
        hand.fill(field(label), number(ratio.value))
    if end.damper:
        hand.fill(field("damper motion ratio"), number(end.damper.ratio.value))
    hand.fill(field("damper coefficient, or blank"), number(end.damper_coefficient.value))
    hand.fill(field("tyre radius, loaded"), mm(end.tyre.radius))
    hand.fill(field("tyre rate, if known"), number(end.tyre.rate.value / 1e3))
    if end.bar:
        hand.fill(field("anti-roll bar rate at its link, or blank"), number(end.bar.rate.value / 1e3))
        hand.fill(field("link / wheel travel of the bar"), number(end.bar.motion_ratio))
    if end.spring_base:
        hand.fill(field("between the springs of the axle"), mm(end.spring_base))
    for label, height in (
        ("full droop", end.limits.droop),
        ("stop touched", end.limits.stop),
        ("damper solid", end.limits.solid),
        ("tyre meets arch", end.limits.contact),
    ):
        if height is not None:
            hand.fill(field(label), mm(height))
    if end.bump_stop:
        if not field("stop as supplied").is_visible():
            hand.press(part.page.locator("summary").filter(has_text="Bump stop and shaft"))
        hand.fill(field("stop as supplied"), mm(end.bump_stop.length))
        hand.fill(field("shaft that shows"), mm(end.bump_stop.shaft))
        hand.fill(field("at hub to arch"), mm(end.bump_stop.hub_to_arch))


def spring(hand: Hand, page: Page, car) -> None:
    hand.station("Springs", "4")
    hand.press(page.get_by_role("button", name="narrow the list"))
    for end in ENDS:
        side = getattr(car.setups[1].sides, f"{end}_left")
        hand.press(page.get_by_role("tab", name=re.compile(end, re.I)))
        if side.spring.code == getattr(car.setups[0].sides, f"{end}_left").spring.code:
            hand.press(page.get_by_role("button", name="keep the spring as found"))
        else:
            rate = number(side.spring.rate.value / 1e3)
            hand.fill(page.get_by_role("textbox", name="rate, from"), rate)
            hand.fill(page.get_by_role("textbox", name="to", exact=True).first, rate)
            hand.press(page.get_by_role("button", name=re.compile(f"^{re.escape(side.spring.code)}")).first)
        if side.set_by == "collar":
            perch = page.get_by_role("checkbox", name="on the standard perch")
            try:  # what was chosen just now may have put it there
                expect(perch).to_be_checked(timeout=8000)
            except AssertionError:
                hand.tick(perch)
            expect(perch).to_be_checked()


def stand(hand: Hand, page: Page, car) -> None:
    """Seats and the heights asked for, where the kit has them."""
    hand.station("Height", "5")
    for end in ENDS:
        side = getattr(car.setups[1].sides, f"{end}_left")
        if side.set_by == "height":
            corner = page.get_by_role("region", name=f"{end} left", exact=True)
            hand.fill(corner.get_by_role("textbox", name="hub to arch"), mm(side.hub_to_arch))
    for end in ENDS:
        seat = getattr(car.setups[1].sides, f"{end}_left").seat
        if seat:
            for label, value in (
                ("seat length", seat.length),
                ("seat length at hub to arch", seat.hub_to_arch),
                ("thread", seat.thread),
                ("collar for one turn", seat.pitch),
            ):
                hand.fill(page.get_by_role("textbox", name=f"{label}, {end}", exact=True), mm(value))


def trim(hand: Hand, page: Page, car) -> None:
    hand.station("Travel", "6")
    for end in ENDS:
        stop = getattr(car.setups[1].sides, f"{end}_left").stop
        if stop:
            hand.press(page.get_by_role("tab", name=f"{end.capitalize()} left"))
            hand.fill(page.get_by_label("length of the bump stop"), mm(stop.length))


def load(hand: Hand, page: Page, car) -> None:
    if not car.loads:
        return
    hand.station("Springs", "4")
    hand.press(page.get_by_role("link", name="Loads"))
    hand.press(page.get_by_role("button", name="New load state"))
    for item in car.loads[0].items:
        hand.fill(page.get_by_role("textbox", name="name of another thing"), item.name)
        hand.fill(page.get_by_role("textbox", name="its mass"), number(item.mass))
        hand.press(page.get_by_role("button", name="carry it"))
        hand.fill(page.get_by_role("textbox", name=f"{item.name}, behind the front axle"), mm(item.x))
        hand.fill(page.get_by_role("textbox", name=f"{item.name}, right of the middle"), mm(item.y))


def sheet(hand: Hand, page: Page, car) -> str:
    hand.station("Sheet", "s")
    expect(page.frame_locator("iframe[title='Setup sheet']").locator("h1").first).to_have_text(car.vehicle.name)
    with page.expect_download(timeout=90_000) as download:
        hand.press(page.get_by_role("button", name="Download PDF"))
    reader = pypdf.PdfReader(io.BytesIO(download.value.path().read_bytes()))
    return "\n".join(p.extract_text() for p in reader.pages)


@pytest.mark.parametrize(("made", "way"), [(nettle, Keyboard), (sedge, Finger), (bramble, Keyboard)])
def test_from_an_empty_survey_to_the_printed_sheet(served, watched, tmp_path, made, way):
    page, car = watched(), made()
    page.goto(served(demo=False, shelf=True))
    hand = way(page)
    make(hand, page, car)
    for step in (walk, measure, spring, stand, trim, load):
        step(hand, page, car)
    saved(page)
    garage = Garage(open_database(tmp_path))
    typed = garage.get(garage.all()[0].id).document
    wanted, found = evaluate(car, car.setups[1].id), evaluate(typed, typed.setups[1].id)
    for place in PLACES:
        for name in SAME:
            one, two = (getattr(r.corners[place], name) for r in (wanted, found))
            assert (one is None) == (two is None), (place, name)
            assert one is None or two.value == pytest.approx(one.value, rel=1e-6, abs=1e-9), (place, name)
    if car.loads:
        state = car.loads[0].id
        wanted, found = (
            evaluate(car, car.setups[1].id, state),
            evaluate(typed, typed.setups[1].id, typed.loads[0].id),
        )
        for place in PLACES:
            assert found.corners[place].mass.value == pytest.approx(wanted.corners[place].mass.value, rel=0.02)
    text = sheet(hand, page, car)
    shown = wanted if not car.loads else evaluate(car, car.setups[1].id)
    for place in PLACES:
        assert f"{shown.corners[place].wheel_rate.value / 1e3:.1f}" in text
        assert f"{shown.corners[place].floor_to_arch.value * 1e3:.0f}" in text
