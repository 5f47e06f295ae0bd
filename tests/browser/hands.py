"""Two ways to work a screen through what is seen on it: keys alone, and a finger alone."""

import re

from playwright.sync_api import Locator, Page, expect

MOST_TABS = 500
BEFORE = "e => !!(e.compareDocumentPosition(document.activeElement) & Node.DOCUMENT_POSITION_FOLLOWING)"
HERE = "e => e === document.activeElement || e.contains(document.activeElement)"


class Keyboard:
    """Tab, Enter, Space, digits and letters; the mouse is never touched."""

    def __init__(self, page: Page) -> None:
        self.page = page

    def reach(self, control: Locator) -> None:
        """Tab, or Shift and Tab where it lies before, until the control has the focus."""
        expect(control).to_be_attached()
        element = control.element_handle()
        if element.get_attribute("role") == "tab" and element.evaluate("e => e.tabIndex < 0"):
            return self._walk_tabs(control)
        key = "Shift+Tab" if element.evaluate(BEFORE) else "Tab"
        for _ in range(MOST_TABS):
            if element.evaluate(HERE) or (not element.evaluate("e => e.isConnected") and control.evaluate(HERE)):
                return
            self.page.keyboard.press(key)
        raise AssertionError(f"{control} cannot be reached with Tab")

    def _walk_tabs(self, control: Locator) -> None:
        """A list of tabs is one stop: to the one that is chosen, and on by arrows."""
        tabs = control.locator("xpath=ancestor::*[@role='tablist'][1]").get_by_role("tab")
        self.reach(tabs.and_(self.page.get_by_role("tab", selected=True)))
        for _ in range(tabs.count()):
            if control.evaluate(HERE):
                return
            self.page.keyboard.press("ArrowRight")
        raise AssertionError(f"{control} cannot be reached by arrows")

    def press(self, control: Locator) -> None:
        self.reach(control)
        self.page.keyboard.press("Enter")

    def tick(self, control: Locator) -> None:
        self.reach(control)
        self.page.keyboard.press("Space")

    def fill(self, field: Locator, text: str) -> None:
        self.reach(field)
        self.page.keyboard.press("Control+a")
        self.page.keyboard.type(text)
        self.page.keyboard.press("Enter")

    def choose(self, field: Locator, option: str) -> None:
        self.reach(field)
        self.page.keyboard.press("Enter")
        choices = self.page.get_by_role("option")
        expect(choices.first).to_be_visible()
        for _ in range(choices.count() + 1):
            self.page.keyboard.press("ArrowDown")
            if choices.filter(has_text=option).first.evaluate(HERE):
                break
        self.page.keyboard.press("Enter")
        expect(choices).to_have_count(0)

    def station(self, words: str, key: str) -> None:
        self.page.keyboard.press(f"Alt+{key}")
        expect(self.page.get_by_role("heading", level=1)).to_have_text(words)

    def reading(self, text: str) -> None:
        """One value of the walk round, and on to the next corner."""
        self.page.keyboard.press("Control+a")
        self.page.keyboard.type(text)
        self.page.keyboard.press("Enter")


class Finger:
    """Taps, and what the screen's own keys write."""

    def __init__(self, page: Page) -> None:
        self.page = page

    def press(self, control: Locator) -> None:
        control.scroll_into_view_if_needed()
        control.tap()

    tick = press

    def fill(self, field: Locator, text: str) -> None:
        field.tap()
        field.evaluate("e => e.select()")
        self.page.keyboard.insert_text(text)
        field.evaluate("e => e.blur()")

    def choose(self, field: Locator, option: str) -> None:
        field.tap(force=True)
        self.page.get_by_role("option", name=option, exact=True).tap()
        expect(self.page.get_by_role("option")).to_have_count(0)

    def station(self, words: str, key: str) -> None:
        self.page.get_by_role("navigation", name="Work line").get_by_role(
            "link", name=re.compile(rf"^{key}\s*{words}")
        ).tap()
        expect(self.page.get_by_role("heading", level=1)).to_have_text(words)

    def reading(self, text: str) -> None:
        self.page.get_by_role("button", name="wipe").tap()
        for key in text:
            self.page.get_by_role("button", name=key, exact=True).tap()
        self.page.get_by_role("button", name="Next").tap()


def unfold(page: Page, title: str) -> None:
    """Open a folded row of a bench by its line."""
    page.locator("summary").filter(has_text=title).click()
