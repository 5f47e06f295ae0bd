"""Parts that a setup holds, by hand: a shorter damper on a car, and leaves that become coilovers."""

from playwright.sync_api import Page, expect

from tests.browser.test_journeys import fill, open_nettle, saved


def pick(page: Page, label: str, option: str, nth: int = 0) -> None:
    """Choose from a list by its words."""
    page.locator(".v-select", has=page.get_by_label(label, exact=True)).nth(nth).locator(".v-field").click()
    page.get_by_role("option", name=option, exact=True).click()


def take(page: Page, name: str) -> None:
    """Take a setup in hand, once the line of them stands."""
    button = page.get_by_role("button", name=f"Setup {name}", exact=True)
    expect(page.get_by_role("status").filter(has_text="saved")).to_be_visible()
    button.click()
    expect(button).to_have_attribute("aria-pressed", "true")


def ladders(page: Page):
    return page.get_by_role("complementary", name="Stance")


def test_a_shorter_damper_moves_droop_and_solid_and_its_body_is_turned(served, watched):
    page, base = watched(), served(demo=True)
    open_nettle(page, base, "6")
    page.get_by_role("tab", name="Rear left").click()
    damper = page.get_by_role("region", name="Damper, rear left")
    expect(damper).to_contain_text("Extended 396, shut 293, eye to pin")
    pick(page, "damper in this setup", "short pair 88")
    # 12 mm shorter extended and 4 shut, over 0.94: droop 50 - 12.8, solid 51 + 4.3
    expect(ladders(page)).to_contain_text("−37")
    expect(ladders(page)).to_contain_text("55")
    expect(damper).to_contain_text("thread engaged 30.0 mm, 20 wanted")
    fill(page, "body, turned to", "230")
    expect(damper).to_contain_text("It turns from 238 to 262")
    expect(page.get_by_label("body, turned to")).to_have_value("230")
    fill(page, "body, turned to", "240")
    expect(ladders(page)).to_contain_text("−31")
    expect(damper).to_contain_text("thread engaged 36.0 mm")
    fill(page, "top mount thicker by", "3")
    expect(ladders(page)).to_contain_text("−34")
    saved(page)
    page.keyboard.press("Escape")
    page.get_by_role("heading", level=1).click()
    page.keyboard.press("s")
    sheet = page.frame_locator("iframe").first
    expect(sheet.get_by_text("Dampers, seats, and what is replaced")).to_be_attached()
    expect(sheet.get_by_text("short pair 88").first).to_be_attached()


def test_leaves_become_coilovers_in_a_plan_and_as_found_stays(served, watched):
    page, base = watched(), served(demo=True)
    page.goto(base)
    page.get_by_role("button", name="Open Sedge").click()
    take(page, "as found")
    page.keyboard.press("2")
    page.get_by_label("on leaf springs").check()
    fill(page, "rate of one, at the axle", "24")
    page.get_by_role("heading", level=1).click()
    page.keyboard.press("3")
    # at the axle a leaf needs no ratio typed
    rear = page.locator('[aria-label="rear"]')
    fill_in(rear, "motion ratio", "")
    expect(ladders(page)).to_contain_text("24.0")
    take(page, "low on springs")
    replaced = page.get_by_role("region", name="rear, what this setup replaces")
    choose_in(page, replaced, "replace another part", "the suspension itself: a conversion")
    choose_in(page, replaced, "layout", "Live axle")
    fill_in(replaced, "between the springs of the axle", "1050")
    choose_in(page, replaced, "replace another part", "arms, links or mounts")
    fill_in(replaced, "spring motion ratio", "0.9")
    expect(replaced.get_by_label("spring motion ratio", exact=True)).to_have_value("0.900")
    choose_in(page, replaced, "replace another part", "travel limits, read again")
    fill_in(replaced, "full droop", "455")
    fill_in(replaced, "damper solid", "330")
    expect(page.get_by_text("A conversion: other mounts on the live axle")).to_be_visible()
    expect(replaced.get_by_label("spring motion ratio", exact=True)).to_have_value("0.900")
    expect(replaced.get_by_label("full droop", exact=True)).to_have_value("455.0")
    saved(page)
    page.get_by_role("heading", level=1).click()
    page.keyboard.press("4")
    page.get_by_role("tab", name="Rear").click()
    page.get_by_role("button", name="rowan 20", exact=False).first.click()
    # 30 N/mm behind 0.9 is 24.3 at the wheel
    expect(ladders(page)).to_contain_text("24.3")
    saved(page)
    take(page, "as found")
    expect(ladders(page)).to_contain_text("24.0")


def fill_in(within, label: str, text: str) -> None:
    field = within.get_by_label(label, exact=True)
    field.fill(text)
    field.press("Enter")


def choose_in(page: Page, within, label: str, option: str) -> None:
    within.locator(".v-select", has=page.get_by_label(label, exact=True)).locator(".v-field").click()
    page.get_by_role("option", name=option, exact=True).click()
    # no hand types before the list is gone
    expect(page.get_by_role("option")).to_have_count(0)
