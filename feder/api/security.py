"""Only this machine's own pages may talk to Feder: Host and Origin are checked, headers are strict."""

from urllib.parse import urlsplit

from flask import Flask, Response, request

from feder.api.errors import refusal

LOCAL = {"127.0.0.1", "localhost", "::1"}
LARGEST_REQUEST = 8 * 1024 * 1024
POLICY = (
    "default-src 'none'; base-uri 'none'; frame-ancestors 'self'; form-action 'self'; script-src 'self'; "
    "connect-src 'self'; font-src 'self'; img-src 'self' data: blob:; "
    "style-src 'self' 'unsafe-inline'; frame-src 'self'"
)


def install(app: Flask) -> None:
    """Refuse foreign Host and Origin headers and set the security headers on every answer."""
    app.config["MAX_CONTENT_LENGTH"] = LARGEST_REQUEST

    @app.before_request
    def _only_local() -> Response | None:
        if _name(request.host) not in LOCAL:
            return refusal(403, "Host", "Feder answers only to this machine")
        origin = request.headers.get("Origin")
        if origin is not None and urlsplit(origin).netloc != request.host:
            return refusal(403, "Origin", "Feder answers only to its own pages")
        return None

    @app.after_request
    def _headers(response: Response) -> Response:
        response.headers["Content-Security-Policy"] = POLICY
        response.headers["X-Content-Type-Options"] = "nosniff"
        response.headers["Referrer-Policy"] = "no-referrer"
        response.headers["Cross-Origin-Opener-Policy"] = "same-origin"
        response.headers["Cross-Origin-Resource-Policy"] = "same-origin"
        response.headers.setdefault("Cache-Control", "no-store")
        return response


def _name(host: str) -> str:
    try:
        return urlsplit(f"//{host}").hostname or ""
    except ValueError:
        return ""
