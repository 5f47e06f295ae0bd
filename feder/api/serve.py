"""Serve on this machine, and where FEDER_HOST says so to paired devices on the workshop's network."""

import contextlib
import gc
import os
import sys
from ipaddress import ip_address
from pathlib import Path

from platformdirs import user_data_path
from waitress import create_server

from feder.api import logs
from feder.api.app import create_app
from feder.api.compiling import compile_behind
from feder.api.rooms import Rooms
from feder.api.security import LOCAL
from feder.core.numbers.errors import FederError
from feder.demo.workshop import furnish

PORT = 8440


def serve(*, demo: bool) -> int:
    """Serve until interrupted. With `demo`, an empty database is furnished with the made-up workshop.

    FEDER_HOST is one of this machine's own addresses, at which paired devices may ask; without it only this
    machine is answered.
    """
    try:
        port = int(os.environ.get("FEDER_PORT", PORT))
    except ValueError:
        sys.stderr.write("FEDER_PORT must be a number\n")
        return 2
    data = data_folder(demo=demo)
    host = os.environ.get("FEDER_HOST") or None
    if host is not None and not _is_own_kind(host):
        sys.stderr.write("FEDER_HOST must be one address of this machine, such as 192.168.1.20\n")
        return 2
    logs.configure()
    try:
        app = create_app(data, host=host, port=port)
    except FederError as error:
        sys.stderr.write(f"{error.message}\n")
        return 1
    rooms_of: Rooms = app.extensions["feder"]
    if demo:
        furnish(rooms_of.garage, rooms_of.shelf, rooms_of.dampers, rooms_of.log)
    try:
        listen = f"127.0.0.1:{port}" + ("" if host is None else f" {f'[{host}]' if ':' in host else host}:{port}")
        server = create_server(app, listen=listen, threads=4, ident="")
    except OSError as error:
        where = "" if host is None else f" at 127.0.0.1 and {host}"
        sys.stderr.write(f"Port {port} cannot be used{where} ({error.strerror}). FEDER_PORT chooses another.\n")
        return 1
    gc.freeze()
    compile_behind(data)
    sys.stdout.write(f"Feder is at http://127.0.0.1:{port}   (data in {data}; Ctrl-C ends it)\n")
    if host is not None:
        sys.stdout.write(f"Paired devices find it at {rooms_of.address}; pair them under Devices\n")
    sys.stdout.flush()
    try:
        with contextlib.suppress(KeyboardInterrupt):
            server.run()
    finally:
        rooms_of.hub.end()
    return 0


def data_folder(*, demo: bool) -> Path:
    """Where the database lies: FEDER_DATA, or a folder of Feder's own among the user's data."""
    told = os.environ.get("FEDER_DATA")
    return Path(told) if told else user_data_path("feder", appauthor=False) / ("demo" if demo else "workshop")


def _is_own_kind(host: str) -> bool:
    """Whether an address can be served at: one machine's, not all of them at once and not a name."""
    try:
        address = ip_address(host)
    except ValueError:
        return False
    return not address.is_unspecified and not address.is_multicast and host not in LOCAL
