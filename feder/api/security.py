"""Only this machine's own pages and paired devices may talk to Feder: Host and Origin are checked."""

from ipaddress import ip_address
from urllib.parse import urlsplit

from flask import Flask, Response, request

from feder.api.errors import refusal
from feder.api.pairing import COOKIE
from feder.api.rooms import rooms

LOCAL = {"127.0.0.1", "localhost", "::1"}
LARGEST_REQUEST = 8 * 1024 * 1024
POLICY = (
    "default-src 'none'; base-uri 'none'; frame-ancestors 'self'; form-action 'self'; script-src 'self'; "
    "connect-src 'self'; font-src 'self'; img-src 'self' data: blob:; "
    "style-src 'self' 'unsafe-inline'; frame-src 'self'"
)


PAIRING = "/api/pair"
OF_A_PHONE = "/api/pair/device"
OF_THE_BENCH = ("/api/instruments", "/api/instruments/simulate")
"""What opens ports and starts processes is asked by the machine itself alone."""


def install(app: Flask, network: str | None = None) -> None:
    """Refuse foreign Host and Origin headers and set the security headers on every answer.

    At the `network` address only paired devices are answered; pages are, so that a phone can type its code.
    """
    app.config["MAX_CONTENT_LENGTH"] = LARGEST_REQUEST

    @app.before_request
    def _only_local() -> Response | None:
        name = _name(request.host)
        if name not in LOCAL and (network is None or name != network.lower()):
            return refusal(403, "Host", "Feder answers only to this machine")
        if name in LOCAL and not _is_loopback(request.remote_addr):
            return refusal(403, "Host", "This name is for the machine itself")
        origin = request.headers.get("Origin")
        if origin is not None and urlsplit(origin).netloc != request.host:
            return refusal(403, "Origin", "Feder answers only to its own pages")
        return None if name in LOCAL else _only_paired()

    @app.after_request
    def _headers(response: Response) -> Response:
        response.headers["Content-Security-Policy"] = POLICY
        response.headers["X-Content-Type-Options"] = "nosniff"
        response.headers["Referrer-Policy"] = "no-referrer"
        response.headers["Cross-Origin-Opener-Policy"] = "same-origin"
        response.headers["Cross-Origin-Resource-Policy"] = "same-origin"
        response.headers.setdefault("Cache-Control", "no-store")
        return response


def _only_paired() -> Response | None:
    """At the network address: pages for all, pairing by code, everything else for paired devices."""
    if not request.path.startswith("/api/") or (request.path == OF_A_PHONE and request.method == "POST"):
        return None
    if request.path.startswith(PAIRING):
        return refusal(403, "pairing", "Codes and devices are seen to on the bench screen")
    if request.path in OF_THE_BENCH and request.method != "GET":
        return refusal(403, "instruments", "Instruments are connected on the bench screen")
    token = request.cookies.get(COOKIE)
    if token is None or not rooms().devices.knows(token):
        return refusal(401, "pairing", "This device is not paired; type the code from the bench screen")
    return None


def _is_loopback(address: str | None) -> bool:
    try:
        return address is not None and ip_address(address).is_loopback
    except ValueError:
        return False


def _name(host: str) -> str:
    try:
        return urlsplit(f"//{host}").hostname or ""
    except ValueError:
        return ""
