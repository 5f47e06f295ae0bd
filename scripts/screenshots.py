"""Take one picture of each main view from the demo data into docs/screenshots/."""

import socket
import sys
import tempfile
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from playwright.sync_api import Browser, Page, sync_playwright
from waitress import create_server

from feder.api.app import create_app
from feder.api.rooms import Rooms
from feder.demo.workshop import furnish

FOLDER = Path(__file__).parents[1] / "docs" / "screenshots"
ARGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
]
# name: (address, scheme, width, height)
VIEWS: dict[str, tuple[str, str, int, int]] = {
    "garage": ("/", "light", 1280, 800),
    "brief": ("{nettle}/brief", "light", 1280, 800),
    "walk-phone": ("{nettle}/survey", "light", 390, 700),
    "geometry": ("{nettle}/geometry", "light", 1280, 800),
    "springs": ("{nettle}/springs", "light", 1280, 800),
    "instruments": ("/instruments", "dark", 1280, 800),
    "springs-820": ("{nettle}/springs", "light", 820, 1180),
    "loads": ("{bramble}/springs?view=loads", "light", 1280, 800),
    "travel": ("{sedge}/travel", "light", 1280, 800),
    "damping": ("{nettle}/damping", "light", 1280, 800),
    "prove": ("{nettle}/prove", "light", 1280, 800),
    "height": ("{nettle}/height", "light", 1280, 800),
    "index": ("{tansy}/height", "light", 1280, 800),
    "sag-phone": ("{magpie}/walk", "light", 390, 844),
    "fit": ("{nettle}/fit", "light", 1280, 800),
    "set-down": ("{nettle}/settle", "light", 1280, 800),
    "log": ("{nettle}/settle?view=log", "light", 1280, 800),
    "sheet": ("{nettle}/sheet", "light", 1280, 800),
    "shelf": ("/shelf", "light", 1280, 800),
}
# buttons pressed before a picture is taken
PRESSED: dict[str, tuple[str, ...]] = {
    "set-down": ("Setup fitted", "round 1"),
    "log": ("Setup fitted",),
    "walk-phone": ("Walk round",),
}


@contextmanager
def served() -> Iterator[str]:
    """The demo on a free port of this machine; yields its address."""
    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder))
        rooms: Rooms = app.extensions["feder"]
        furnish(rooms.garage, rooms.shelf, rooms.dampers, rooms.log)
        with socket.socket() as probe:
            probe.bind(("127.0.0.1", 0))
            port = probe.getsockname()[1]
        server = create_server(app, host="127.0.0.1", port=port)
        threading.Thread(target=server.run, daemon=True).start()
        yield f"http://127.0.0.1:{port}"
        rooms.hub.end()
        server.close()


def settled(page: Page) -> None:
    """Wait until nothing more is asked and fonts are there; readings are asked for while they are looked at."""
    if "/instruments" in page.url:
        page.wait_for_timeout(4000)
    else:
        page.wait_for_load_state("networkidle")
    page.evaluate("document.fonts.ready")
    page.evaluate("document.activeElement?.blur()")
    page.wait_for_timeout(350)


def take(browser: Browser, base: str, name: str, folder: Path) -> None:
    """One picture."""
    address, scheme, width, height = VIEWS[name]
    context = browser.new_context(viewport={"width": width, "height": height}, color_scheme=scheme)  # type: ignore[arg-type]
    page = context.new_page()
    found = page.request.get(f"{base}/api/vehicles").json()["vehicles"]
    if name == "instruments":
        kinds = ["scales", "height", "gauge", "level"]
        page.request.post(f"{base}/api/instruments/simulate", data={"kinds": kinds}, headers={"Origin": base})
    page.goto(base + address.format(**{v["name"].lower(): f"/vehicle/{v['id']}" for v in found}))
    settled(page)
    for button in PRESSED.get(name, ()):
        page.get_by_role("button", name=button, exact=True).click()
        page.wait_for_timeout(600)
        page.get_by_text("foretelling").wait_for(state="hidden")
        settled(page)
    page.screenshot(path=folder / f"{name}.png", animations="disabled")
    context.close()


def main(names: list[str]) -> None:
    """All pictures, or those named."""
    FOLDER.mkdir(parents=True, exist_ok=True)
    with served() as base, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
        for name in names or VIEWS:
            take(browser, base, name, FOLDER)
            sys.stdout.write(f"docs/screenshots/{name}.png\n")
        browser.close()


if __name__ == "__main__":
    main(sys.argv[1:])
