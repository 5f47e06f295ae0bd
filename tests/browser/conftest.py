"""The real application in headless Chromium from Debian, served on a free port of this machine."""

import contextlib
import socket
import threading
from pathlib import Path

import pytest
from playwright.sync_api import BrowserContext, Page, expect
from waitress import create_server, wasyncore

from feder.api.app import FRONT_END, create_app
from feder.api.rooms import Rooms
from feder.demo.springs import demo_springs
from feder.demo.workshop import furnish
from scripts.screenshots import ARGS

PATIENCE = 30_000
"""How long a busy machine may take for anything, ms; a quick one never waits."""
expect.set_options(timeout=PATIENCE)
TELL_BREACHES = """document.addEventListener('securitypolicyviolation',
  (e) => console.error('policy: ' + e.violatedDirective + ' ' + e.blockedURI))"""


@pytest.fixture(scope="session")
def browser_type_launch_args():
    return {"executable_path": "/usr/bin/chromium", "args": ARGS}


def run_until_closed(server) -> None:
    """Serve; closing the server from another thread ends its loop with an error that means just that."""
    with contextlib.suppress(OSError):
        server.run()


@pytest.fixture
def served(tmp_path: Path):
    """Serve a fresh database; returns a function that starts it, furnished or empty."""
    assert (FRONT_END / "index.html").is_file(), "the front end is not built: make setup"
    servers = []

    def start(*, demo: bool, shelf: bool = False, network: str | None = None) -> str:
        """With `network`, an address of loopback stands for the one on the workshop's network."""
        with socket.socket() as probe:
            probe.bind(("127.0.0.1", 0))
            port = probe.getsockname()[1]
        app = create_app(tmp_path, host=network, port=port)
        rooms: Rooms = app.extensions["feder"]
        if shelf:
            rooms.shelf.add(demo_springs())
        if demo:
            furnish(rooms.garage, rooms.shelf, rooms.dampers, rooms.log)
        server = create_server(app, listen=" ".join(f"{a}:{port}" for a in ("127.0.0.1", network) if a))
        loop = threading.Thread(target=run_until_closed, args=(server,), daemon=True)
        loop.start()
        servers.append((server, loop))
        return f"http://127.0.0.1:{port}"

    yield start
    for server, loop in servers:
        # a thread still answering would write to a pipe that is closed: its number may be another file's by then
        server.task_dispatcher.shutdown()
        server.close()
        loop.join(5)
        wasyncore.close_all(server.map if hasattr(server, "map") else server._map, ignore_all=True)


@pytest.fixture
def watched(context: BrowserContext):
    """Make pages whose console errors and policy breaches fail the test."""
    faults: list[str] = []

    def make() -> Page:
        page = context.new_page()
        page.set_default_timeout(PATIENCE)
        page.set_viewport_size({"width": 1280, "height": 800})
        page.on(
            "console",
            lambda m: (
                faults.append(m.text)
                if m.type == "error"
                and not any(code in m.text for code in ("401", "409", "422", "429", "ERR_FAILED"))
                else None
            ),
        )
        page.on("pageerror", lambda e: faults.append(str(e)))
        page.on(
            "requestfailed", lambda r: faults.append(f"{r.url} {r.failure}") if "127.0.0.1" not in r.url else None
        )
        page.add_init_script(TELL_BREACHES)
        return page

    yield make
    assert not faults
