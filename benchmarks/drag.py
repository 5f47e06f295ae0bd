"""How a drag feels in the real interface: the wedge, the frequency mark and the cut line, in headless Chromium.

For each event of a drag: script, style and layout time of the page, whether the mark had moved by the next frame,
and how long until the server's figures stood in the stance. Tasks over 50 ms are counted. The baseline is the same
page with a pointer moved over it and nothing dragged.
"""

import re
import statistics
import sys

from playwright.sync_api import CDPSession, Page, sync_playwright

from scripts.screenshots import ARGS, served, settled

EVENTS = 60
STEP = 2
WATCH = """() => {
  window.long = 0
  new PerformanceObserver((l) => (window.long += l.getEntries().length)).observe({ type: 'longtask' })
  const stance = document.querySelector('.ladders')
  window.told = []
  let at = 0
  addEventListener('pointermove', () => (at = performance.now()), true)
  new MutationObserver((all) => {
    if (at && all.some((m) => m.type !== 'attributes')) { window.told.push(performance.now() - at); at = 0 }
  }).observe(stance, { subtree: true, characterData: true, childList: true })
}"""
FRAME = "() => new Promise((r) => requestAnimationFrame(() => setTimeout(r, 0)))"


def busy(session: CDPSession) -> float:
    """Script, style and layout time of the page so far, ms."""
    metrics = {m["name"]: m["value"] for m in session.send("Performance.getMetrics")["metrics"]}
    return 1e3 * sum(metrics[n] for n in ("ScriptDuration", "RecalcStyleDuration", "LayoutDuration"))


def drag(page: Page, grip: str, moved: str, direction: tuple[int, int], name: str, base: float) -> float:
    """Drag one mark to and fro; prints a line and returns the median per event, ms."""
    session = page.context.new_cdp_session(page)
    session.send("Performance.enable")
    page.evaluate(WATCH)
    box = page.locator(grip).first.bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    first, taken, late = [], [], 0
    place = f"() => JSON.stringify(document.querySelector({moved!r})?.getBoundingClientRect())"
    for i in range(EVENTS):
        k = STEP * (i + 1 if i < EVENTS / 2 else EVENTS - i - 1)
        before, was = page.evaluate(place), busy(session)
        page.mouse.move(x + direction[0] * k, y + direction[1] * k)
        page.evaluate(FRAME)
        late += page.evaluate(place) == before
        first.append(busy(session) - was)
        page.wait_for_timeout(90)  # until the figures are there: the next event starts from a quiet page
        taken.append(busy(session) - was)
    page.mouse.up()
    told = sorted(page.evaluate("window.told"))
    median = statistics.median(taken)
    high = told[int(0.95 * len(told))] if told else float("nan")
    ratio = f"{median / base:5.1f} of the baseline" if base else "the baseline"
    parts = (
        f"{name:28} {statistics.median(first):5.1f} ms to the next frame",
        f"{median:5.1f} ms with the answer, {ratio}",
        f"{EVENTS - late} of {EVENTS} in the next frame",
        f"figures p50 {statistics.median(told) if told else float('nan'):4.0f} p95 {high:4.0f} ms ({len(told)})",
        f"{page.evaluate('window.long')} tasks over 50 ms",
    )
    sys.stdout.write(f"{'; '.join(parts)}\n")
    return median


def main() -> None:
    """All three drags on the demo car, and the wedge of a motorcycle with its rider on."""
    with served() as base, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(base)
        page.get_by_role("button", name="Open Nettle").click()
        settled(page)
        home = re.sub(r"/springs.*", "", page.url)

        def at(station: str) -> None:
            page.goto(f"{home}/{station}")
            settled(page)

        at("springs")
        plain = drag(page, "h1", ".ladders .wedge", (1, 0), "pointer over the page", 0.0)
        at("springs")
        drag(page, ".ladders .grip", ".ladders .wedge", (0, 1), "wedge of the front left", plain)
        at("springs")
        drag(
            page,
            "[role=slider][aria-label^='rear frequency']",
            ".mark.on .tip",
            (1, 0),
            "mark of the rear frequency",
            plain,
        )
        at("travel")
        drag(page, "svg.travel .grip", "svg.travel .grip", (0, 1), "cut of the bump stop", plain)
        page.goto(base)
        page.get_by_role("button", name="Open Magpie").click()
        settled(page)
        drag(page, ".ladders .grip", ".ladders .wedge", (0, 1), "rider sag of a two-wheeler", plain)
        browser.close()


if __name__ == "__main__":
    main()
