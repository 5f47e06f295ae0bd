"""The job card by hand: worked on bench and phone at once, put off, changed under the hand, and ended as a fitted setup."""

import io
import re

import pytest
from PIL import Image
from playwright.sync_api import expect

from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.tansy import tansy
from tests.browser.hands import Keyboard
from tests.changes import with_side


def opened(page, base, width=1280, height=800):
    page.set_viewport_size({"width": width, "height": height})
    page.goto(base)
    page.get_by_role("button", name="Open Nettle").click()
    page.wait_for_url("**/springs**")
    page.goto(page.url.replace("/springs", "/fit"))
    expect(page.get_by_role("heading", name="Fit", level=1)).to_be_visible()


def group(page, words):
    page.get_by_role("navigation", name="Groups of the card").get_by_role("button", name=words).click()


def box(page, words):
    return page.get_by_role("checkbox", name=re.compile(words))


def test_a_corner_is_worked_by_keys_the_caution_read_first(served, watched):
    page = watched()
    opened(page, served(demo=True))
    hand = Keyboard(page)
    hand.press(page.get_by_role("navigation", name="Groups of the card").get_by_role("button", name="Front left"))
    hand.tick(box(page, "^1 Wheel off"))
    hand.tick(box(page, "Brake hose, wheel-speed lead and level rod off the strut"))
    seventh = page.get_by_role("listitem").filter(has_text="Rod nut off only when")
    # (308 - 34) kg on 0.96, less 26 N/mm over 44 mm of wheel: 1700 N
    expect(seventh).to_contain_text("173 kg in the spring as it hangs: back off evenly, 65 mm")
    expect(box(page, "Rod nut off only when")).to_have_count(0)
    hand.press(page.get_by_role("button", name="Read it, go on"))
    expect(box(page, "Rod nut off only when")).to_have_count(1)
    hand.press(page.get_by_role("button", name="why").nth(2))
    hand.press(page.get_by_role("button", name="Put off"))
    hand.press(page.get_by_role("button", name="done already"))
    expect(page.get_by_text("2 of 75 done, 1 put off")).to_be_visible()
    page.reload()
    expect(page.get_by_text("2 of 75 done, 1 put off")).to_be_visible()
    # a torque is blank until the maker's is typed, and stands on every step of its kind
    part = page.get_by_role("button", name="spring larch 26")
    for state in ("here", "sound", "not sound", "to buy"):
        hand.press(part)
        expect(part).to_have_text(state)
    field = page.get_by_role("textbox", name="torque of clamp bolt, front")
    expect(field).to_have_value("")
    hand.fill(field, "59 lbf·ft")
    page.keyboard.press("Enter")
    expect(field).to_have_value("79.99")  # 59 · 1.3558
    expect(page.get_by_text(re.compile("torques 1 of"))).to_be_visible()


@pytest.mark.browser_context_args(has_touch=True)
def test_bench_and_phone_work_one_card_and_lose_no_tick(served, watched):
    bench, phone, base = watched(), watched(), served(demo=True)
    opened(bench, base)
    opened(phone, base, 390, 844)
    group(phone, "Rear left")
    phone.get_by_role("button", name="Read it, go on").first.tap()
    expect(phone.get_by_role("article")).to_contain_text("step 1 of 12")
    phone.get_by_role("checkbox", name="Done").tap()
    expect(phone.get_by_role("article")).to_contain_text("step 2 of 12")
    group(bench, "Rear left")
    expect(box(bench, "^1 Wheel off")).to_have_attribute("aria-checked", "true")
    box(bench, "^2 ").click()
    for _ in range(5):
        phone.get_by_role("button", name="next").tap()
    group(phone, "On the ground")
    expect(phone.get_by_role("navigation", name="Groups of the card")).to_contain_text("2 of 12")
    assert phone.evaluate("document.documentElement.scrollWidth") <= 390


def test_ticks_made_while_feder_is_away_are_kept_and_sent(served, watched):
    page = watched()
    opened(page, served(demo=True))
    page.route("**/ticks", lambda route: route.abort())
    box(page, "^1 Heights").click()
    expect(page.get_by_text("1 not saved yet")).to_be_visible()
    page.reload()
    expect(page.get_by_text("1 not saved yet")).to_be_visible()
    page.unroute("**/ticks")
    expect(page.get_by_text("1 not saved yet")).to_have_count(0)
    page.reload()
    expect(page.get_by_text("1 of 75 done")).to_be_visible()


def test_a_plan_changed_under_the_card_lets_its_ticks_fall_and_says_which(served, watched):
    page, base = watched(), served(demo=True)
    opened(page, base)
    group(page, "Front left")
    page.get_by_role("button", name="Read it, go on").click()
    for words in ("^1 Wheel off", "Collar up from"):
        box(page, words).click()
    expect(page.get_by_text("2 of 75 done")).to_be_visible()
    page.goto(page.url.replace("/fit", "/height"))
    field = page.get_by_role("region", name="front left", exact=True).get_by_label("hub to arch")
    field.fill("348")
    page.keyboard.press("Enter")
    expect(page.get_by_text("saved", exact=True)).to_be_visible()
    page.goto(page.url.replace("/height", "/fit"))
    expect(page.get_by_text("The plan changed since")).to_contain_text("collar")
    expect(page.get_by_text("1 of 75 done")).to_be_visible()


def test_a_picture_hangs_on_a_step_and_damage_stands_at_the_head_until_dealt_with(served, watched):
    page = watched()
    opened(page, served(demo=True))
    page.get_by_label("Known damage: which part").fill("top mount cracked")
    page.keyboard.press("Enter")
    head = page.locator("p.stop")
    expect(head).to_contain_text("top mount cracked")
    out = io.BytesIO()
    Image.new("RGB", (60, 40), "grey").save(out, "PNG")
    row = page.get_by_role("listitem").filter(has_text="top mount cracked")
    row.locator("input[type=file]").set_input_files(
        {"name": "mount.png", "mimeType": "image/png", "buffer": out.getvalue()}
    )
    expect(row.get_by_alt_text("picture")).to_be_visible()
    row.locator("input[type=file]").set_input_files(
        {"name": "mount.png", "mimeType": "image/png", "buffer": b"none"}
    )
    expect(row.get_by_role("alert")).to_have_text("This is no picture that can be read: JPEG, PNG or WebP")
    row.get_by_role("button", name="sound after all").click()
    expect(head).to_have_count(0)
    expect(row).to_contain_text("sound after all")


def test_the_end_of_the_card_names_what_is_open_and_makes_the_fitted_setup(served, watched):
    page = watched()
    opened(page, served(demo=True))
    page.get_by_role("button", name="It stands: make the fitted setup").click()
    end = page.get_by_role("region", name="End of the card")
    expect(end).to_contain_text("75 steps are not ticked")
    end.get_by_label("collar, front left").fill("23.5")
    page.keyboard.press("Enter")
    end.get_by_label("odometer").fill("48120")
    page.keyboard.press("Enter")
    end.get_by_role("button", name="Make the fitted setup").click()
    page.wait_for_url("**/height**")
    expect(page.get_by_text("saved", exact=True)).to_be_visible()
    row = page.request.get(
        page.url.split("/vehicle/")[0] + "/api/vehicles/" + page.url.split("/vehicle/")[1].split("/")[0]
    ).json()
    made = row["document"]["setups"][-1]
    assert (made["stage"], made["parent"], made["odometer"]) == ("fitted", "plan", 48_120_000)
    assert made["sides"]["front_left"]["collar"] == pytest.approx(0.0235)
    assert made["sides"]["front_left"]["set_by"] == "collar"
    assert made["sides"]["front_right"]["set_by"] == "height"


def worked_on_a_phone(page, base, document, words):
    """The card of one corner or wheel, one step after the other, by the thumb alone."""
    page.set_viewport_size({"width": 360, "height": 780})
    made = page.request.post(f"{base}/api/vehicles/import", data=document.model_dump_json())
    page.goto(f"{base}/vehicle/{made.json()['id']}/fit")
    nav = page.get_by_role("navigation", name="Groups of the card").get_by_role("button", name=words, exact=False)
    nav.first.tap()
    if page.get_by_role("button", name="Read it, go on").count():
        page.get_by_role("button", name="Read it, go on").first.tap()
    article = page.get_by_role("article")
    expect(article).to_contain_text(words)
    count = int(re.search(r"step 1 of (\d+)", article.inner_text())[1])
    for n in range(1, count + 1):
        expect(article).to_contain_text(f"step {n} of {count}")
        assert page.evaluate("document.documentElement.scrollWidth") <= 360
        page.get_by_role("checkbox", name="Done").tap()
    expect(nav.first).to_contain_text(f"{count} of {count}")


@pytest.mark.browser_context_args(has_touch=True)
def test_a_fork_a_torsion_bar_and_a_spring_beside_its_damper_on_a_phone_alone(served, watched):
    base = served(demo=False)
    fork = magpie().setups[0].sides.front.spring
    bike = with_side(magpie(), "plan", "front", spring=fork.but(code="fork 34"), oil_level=0.115, clamp=0.008)
    for document, words in ((bike, "Front"), (tansy(), "Rear left"), (nettle(), "Rear left")):
        worked_on_a_phone(watched(), base, document, words)
