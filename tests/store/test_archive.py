"""A vehicle's archive: all that hangs on it comes back, yesterday's too; what is damaged, newer or a trap is refused."""

import io
import json
import zipfile
from pathlib import Path

import jsonschema
import numpy as np
import pytest
from PIL import Image

from feder.core.document.base import Place
from feder.core.files.recording_csv import Recorded
from feder.core.numbers.errors import BadFile
from feder.demo.bramble import bramble
from feder.demo.nettle import nettle
from feder.store.archive import Stores, packed, unpacked
from feder.store.database import open_database
from feder.store.garage import Garage
from feder.store.instruments import Instruments
from feder.store.log import Log
from feder.store.photos import Photos
from feder.store.recordings import PART, Recordings
from feder.store.sheets import Sheets
from feder.store.ticks import Ticks

YESTERDAY = Path(__file__).parent / "yesterday"


@pytest.fixture
def stores(tmp_path):
    s = open_database(tmp_path)
    return Stores(Garage(s), Ticks(s), Photos(s), Log(s), Sheets(s), Instruments(s), Recordings(s))


def recorded(count=5000):
    travel = np.random.default_rng(1).normal(0, 0.01, (2, count)).astype("<f4")
    return Recorded((Place.FRONT_LEFT, Place.REAR_LEFT), 0.005, travel, 1)


@pytest.fixture
def whole(stores):
    """A vehicle with a picture, a tick, two sheets, a reading taken and a recording."""
    vehicle = stores.garage.add(nettle()).id
    image = io.BytesIO()
    Image.new("RGB", (60, 40), "navy").save(image, "PNG")
    stores.photos.add(vehicle, "damage.a", image.getvalue())
    stores.ticks.said(vehicle, "plan", "before.stands", "done", "abc", "Ann")
    for n in (1, 2):
        stores.sheets.issue(vehicle, "plan", lambda number, n=n: f"<p>sheet {number}, page {n}, é</p>")
    stores.instruments.took(vehicle, "corner scales", "weight, front left", 308.1, "kg", (308.0, 308.2))
    stores.recordings.add(vehicle, "plan", "hill", recorded(), from_standing=True)
    return vehicle


def test_everything_comes_back(stores, whole):
    other = unpacked(stores, packed(stores, whole)).id
    assert other != whole
    assert stores.garage.get(other).document == stores.garage.get(whole).document
    assert stores.ticks.every(other) == stores.ticks.every(whole)
    assert stores.sheets.every(other) == stores.sheets.every(whole)
    assert stores.sheets.issued(other) == 2
    assert stores.instruments.every(other) == stores.instruments.every(whole)
    assert [p.about for p in stores.photos.of(other)] == ["damage.a"]
    (kept,) = stores.recordings.of(other)
    (was,) = stores.recordings.of(whole)
    assert (kept.name, kept.setup, kept.at, kept.from_standing) == (was.name, was.setup, was.at, True)
    _, made = stores.recordings.get(other, kept.id)
    assert (made.places, made.step, made.gaps) == ((Place.FRONT_LEFT, Place.REAR_LEFT), 0.005, 1)
    assert (made.travel == recorded().travel).all()


def test_the_manifest_is_as_its_schema_says(stores, whole):
    schema = json.loads((Path(__file__).parents[2] / "docs/archive-2.schema.json").read_text())
    made = zipfile.ZipFile(io.BytesIO(packed(stores, whole)))
    told = json.loads(made.read("manifest.json"))
    jsonschema.validate(told, schema)
    assert {*told["files"], "manifest.json"} == set(made.namelist())


def test_a_long_recording_is_kept_in_pieces_and_whole(stores):
    vehicle = stores.garage.add(nettle()).id
    long = recorded(PART + 1234)
    kept = stores.recordings.add(vehicle, "plan", "long", long, from_standing=False)
    _, made = stores.recordings.get(vehicle, kept.id)
    assert made.travel.shape == (2, PART + 1234)
    assert (made.travel == long.travel).all()


@pytest.mark.parametrize("file", sorted(YESTERDAY.glob("*.zip")), ids=lambda p: p.name)
def test_yesterdays_archive_opens_with_nothing_lost(stores, file):
    made = unpacked(stores, file.read_bytes())
    told = zipfile.ZipFile(file)
    assert made.document == bramble()
    assert len(stores.ticks.every(made.id)) == len(json.loads(told.read("card.json"))["ticks"]) > 0
    assert len(stores.photos.of(made.id)) == len(json.loads(told.read("card.json"))["pictures"]) > 0
    assert len(stores.log.every(made.id)) == len(json.loads(told.read("log.json"))["entries"]) > 0


def changed(data, change):
    """The archive with its files changed in place, the manifest with them where the change does that."""
    files = {
        i.filename: zipfile.ZipFile(io.BytesIO(data)).read(i) for i in zipfile.ZipFile(io.BytesIO(data)).infolist()
    }
    change(files)
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as made:
        for name, content in files.items():
            made.writestr(name, content)
    return out.getvalue()


def manifest(files, **more):
    files["manifest.json"] = json.dumps(json.loads(files["manifest.json"]) | more).encode()


def unlisted(files, name, content):
    """A file of other content, no longer in the manifest."""
    told = json.loads(files["manifest.json"])
    told["files"].pop(name, None)
    files["manifest.json"], files[name] = json.dumps(told).encode(), content


@pytest.mark.parametrize(
    ("change", "words"),
    [
        (lambda f: f.update({"sheets/0001.html": b"<p>another</p>"}), "checksum of sheets/0001.html does not fit"),
        (lambda f: f.pop("recordings/001.f32"), "lacks recordings/001.f32"),
        (lambda f: manifest(f, format=3), "newer Feder"),
        (lambda f: f.update({"manifest.json": b"[]"}), "manifest.json that cannot be read"),
        (lambda f: f.update({"../../etc/feder": b"x"}), "leads out of it"),
        (lambda f: f.update({"/etc/feder": b"x"}), "leads out of it"),
        (lambda f: f.update({"c:\\feder": b"x"}), "leads out of it"),
        (lambda f: f.update({f"n{i}": b"" for i in range(4100)}), "holds more"),
        (lambda f: f.update({"bomb": bytes(1024**3 + 1)}), "holds more"),
        (lambda f: unlisted(f, "log.json", bytes(70_000_000)), "larger than any"),
        (
            lambda f: unlisted(f, "recordings/001.f32", b"\x00\x00\xc0\x7f" * 4),
            "recordings.json that cannot be read",
        ),
        (lambda f: unlisted(f, "recordings.json", b'{"recordings": [{"file": "x"}]}'), "recordings.json"),
        (lambda f: unlisted(f, "readings.json", b'{"readings": [{"value": 1}]}'), "row that cannot be kept"),
        (lambda f: unlisted(f, "sheets.json", b'{"sheets": [{"file": "gone.html"}]}'), "does not hold: gone.html"),
        (lambda f: unlisted(f, "sheets.json", b'{"sheets": 4}'), "sheets.json that cannot be read"),
    ],
)
def test_what_is_damaged_newer_or_a_trap_is_refused_and_nothing_is_kept(stores, whole, change, words):
    data = changed(packed(stores, whole), change)
    before = len(stores.garage.listed())
    with pytest.raises(BadFile) as told:
        unpacked(stores, data)
    assert words in told.value.message
    assert len(stores.garage.listed()) == before


def test_a_broken_off_archive_is_no_archive(stores, whole):
    data = packed(stores, whole)
    for cut in (10, len(data) // 2, len(data) - 30):
        with pytest.raises(BadFile):
            unpacked(stores, data[:cut])
