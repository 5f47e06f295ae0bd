"""What all tests share: the demo car, and an application on a fresh database for each test."""

import os
from datetime import date
from pathlib import Path

import pytest
from hypothesis import HealthCheck, settings

from feder.api.app import create_app
from feder.api.rooms import Rooms
from feder.core.document.document import Document
from feder.demo.nettle import nettle
from feder.demo.workshop import furnish

# compiled once for all that run beside each other
os.environ.setdefault("NUMBA_CACHE_DIR", str(Path(__file__).parents[1] / ".setup" / "compiled"))

settings.register_profile("feder", deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
settings.load_profile("feder")


@pytest.fixture
def car() -> Document:
    return nettle()


@pytest.fixture
def app(tmp_path: Path):
    made = create_app(tmp_path, today=lambda: date(2026, 6, 14))
    made.testing = True
    return made


@pytest.fixture
def furnished(app):
    rooms: Rooms = app.extensions["feder"]
    furnish(rooms.garage, rooms.shelf, rooms.dampers, rooms.log)
    return app


@pytest.fixture
def client(furnished):
    return furnished.test_client()
