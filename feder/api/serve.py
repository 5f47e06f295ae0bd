"""Serve on this machine only."""

import contextlib
import gc
import os
import sys
from pathlib import Path

from waitress import create_server

from feder.api.app import create_app
from feder.api.rooms import Rooms
from feder.demo.workshop import furnish

PORT = 8440


def serve(*, demo: bool) -> int:
    """Serve until interrupted. With `demo`, an empty database is furnished with the made-up workshop."""
    try:
        port = int(os.environ.get("FEDER_PORT", PORT))
    except ValueError:
        sys.stderr.write("FEDER_PORT must be a number\n")
        return 2
    data = Path(os.environ.get("FEDER_DATA") or Path.cwd() / "data" / ("demo" if demo else "workshop"))
    app = create_app(data)
    if demo:
        found: Rooms = app.extensions["feder"]
        furnish(found.garage, found.shelf)
    try:
        server = create_server(app, host="127.0.0.1", port=port, threads=4, ident="")
    except OSError as error:
        sys.stderr.write(f"Port {port} cannot be used ({error.strerror}). FEDER_PORT chooses another.\n")
        return 1
    gc.freeze()
    sys.stdout.write(f"Feder is at http://127.0.0.1:{port}   (data in {data}; Ctrl-C ends it)\n")
    sys.stdout.flush()
    with contextlib.suppress(KeyboardInterrupt):
        server.run()
    return 0
