"""What the service does, on stderr: never a word of a document. FEDER_LOG sets how much."""

import logging
import os
import sys
import time

from flask import Flask, Response, g, request

log = logging.getLogger("feder.api")
LEVELS = ("debug", "info", "warning", "error")


def configure() -> None:
    """Log to stderr from the level in FEDER_LOG on: warning unless told."""
    level = os.environ.get("FEDER_LOG", "warning").lower()
    if level not in LEVELS:
        sys.stderr.write(f"FEDER_LOG must be one of {', '.join(LEVELS)}; taken as warning\n")
        level = "warning"
    handler = logging.StreamHandler(sys.stderr)
    handler.setFormatter(logging.Formatter("%(asctime)s %(levelname)s %(name)s: %(message)s"))
    root = logging.getLogger("feder")
    root.handlers, root.propagate = [handler], False
    root.setLevel(level.upper())


def install(app: Flask) -> None:
    """Tell of each request its method, path, status and time."""

    @app.before_request
    def _start() -> None:
        g.started = time.perf_counter()

    @app.after_request
    def _told(response: Response) -> Response:
        if log.isEnabledFor(logging.INFO):
            took = (time.perf_counter() - g.get("started", time.perf_counter())) * 1e3
            log.info("%s %s %s %.0f ms", request.method, request.path, response.status_code, took)
        return response
