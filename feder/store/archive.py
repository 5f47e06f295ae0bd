"""A vehicle with all that hangs on it, as a ZIP with a manifest and checksums: out, and back in."""

import hashlib
import io
import json
import zipfile
from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime
from pathlib import PurePosixPath
from typing import Any

import numpy as np

from feder import VERSION
from feder.core.document.base import Place
from feder.core.document.document import read_document
from feder.core.files.recording_csv import Recorded
from feder.core.numbers.errors import BadFile, FederError
from feder.store.garage import Garage, Stored
from feder.store.instruments import Instruments
from feder.store.log import Log, checked_rows
from feder.store.photos import Photos, made_anew
from feder.store.recordings import Recordings
from feder.store.sheets import Sheets
from feder.store.ticks import Ticks

DOCUMENT, REST, ENTRIES, MANIFEST = "vehicle.feder.json", "card.json", "log.json", "manifest.json"
SHEETS, TAKEN, RECORDINGS = "sheets.json", "readings.json", "recordings.json"
FORMAT = 2
"""The archive's own format; 1 had no manifest."""
MOST_FILES, MOST_BYTES, MOST_TEXT = 4000, 1024**3, 64 * 1024**2
STATES = ("done", "off", "sound", "not sound", "open")


@dataclass(frozen=True)
class Stores:
    """All that keeps something of a vehicle."""

    garage: Garage
    ticks: Ticks
    photos: Photos
    log: Log
    sheets: Sheets
    instruments: Instruments
    recordings: Recordings


def packed(stores: Stores, vehicle_id: str) -> bytes:
    """The archive of a vehicle. Raises `NoVehicle`."""
    _, text = stores.garage.text(vehicle_id)
    files: dict[str, bytes] = {DOCUMENT: text.encode()}
    pictures = stores.photos.of(vehicle_id)
    names = {p.id: f"pictures/{n:03d}.jpg" for n, p in enumerate(pictures, 1)}
    rest = {
        "ticks": [
            {
                "setup": s,
                **{k: getattr(t, k) for k in ("step", "state", "mark", "who", "reason")},
                "at": t.at.isoformat(),
            }
            for s, t in stores.ticks.every(vehicle_id)
        ],
        "pictures": [{"file": names[p.id], "about": p.about} for p in pictures],
    }
    files[REST] = json.dumps(rest, indent=1).encode()
    files[ENTRIES] = json.dumps({"entries": stores.log.every(vehicle_id)}).encode()
    files |= {names[p.id]: stores.photos.image(vehicle_id, p.id) for p in pictures}
    issued = stores.sheets.every(vehicle_id)
    files[SHEETS] = json.dumps(
        {"sheets": [{**s.told, "file": f"sheets/{s.told['number']:04d}.html"} for s in issued]}, indent=1
    ).encode()
    files |= {f"sheets/{s.told['number']:04d}.html": s.html.encode() for s in issued}
    files[TAKEN] = json.dumps({"readings": stores.instruments.every(vehicle_id)}, indent=1).encode()
    recorded = []
    for n, kept in enumerate(stores.recordings.of(vehicle_id), 1):
        name, (_, made) = f"recordings/{n:03d}.f32", stores.recordings.get(vehicle_id, kept.id)
        recorded.append(
            {
                "file": name, "name": kept.name, "setup": kept.setup, "at": kept.at.isoformat(),
                "places": [p.value for p in made.places], "step": made.step, "gaps": made.gaps,
                "from_standing": kept.from_standing,
            }
        )  # fmt: skip
        files[name] = np.ascontiguousarray(made.travel, dtype="<f4").tobytes()
    files[RECORDINGS] = json.dumps({"recordings": recorded}, indent=1).encode()
    manifest = {
        "format": FORMAT,
        "feder": VERSION,
        "files": {name: {"sha256": _mark(data), "bytes": len(data)} for name, data in files.items()},
    }
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED, compresslevel=4) as made_zip:
        made_zip.writestr(MANIFEST, json.dumps(manifest, indent=1))
        for name, data in files.items():
            made_zip.writestr(name, data)
    return out.getvalue()


def unpacked(stores: Stores, data: bytes) -> Stored:
    """A new vehicle from an archive, refused whole at the first fault.

    Raises:
        BadFile: it is no archive of a vehicle, holds too much, was changed or damaged, is a newer Feder's, or one
            of its files is at fault.
        BadPhoto: one of its pictures is none.
    """
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as read:
            take = _taker(read)
            if take(DOCUMENT) is None:
                raise _bad(f"has no {DOCUMENT} in it")
            _checked(take)
            document = read_document(take(DOCUMENT) or b"")
            rest = _rest(take(REST) or b"{}")
            entries = _entries(take(ENTRIES) or b"{}")
            pictures = [(p["about"], _needed(take, p["file"])) for p in rest["pictures"]]
            issued = [(s, _needed(take, s["file"]).decode()) for s in _rows(take(SHEETS), SHEETS, "sheets")]
            taken = _rows(take(TAKEN), TAKEN, "readings")
            recorded = [_recording(r, take) for r in _rows(take(RECORDINGS), RECORDINGS, "recordings")]
    except (zipfile.BadZipFile, NotImplementedError, RuntimeError, EOFError, OSError, UnicodeDecodeError) as error:
        raise _bad("is no ZIP that can be read") from error
    for _, image in pictures:  # before anything is kept
        made_anew(image)
    stored = stores.garage.add(document)
    try:
        stores.log.put_back(stored.id, entries)
        for tick in rest["ticks"]:
            told = {k: v for k, v in tick.items() if k != "at"}
            stores.ticks.said(stored.id, **told, at=datetime.fromisoformat(tick["at"]))
        for about, image in pictures:
            stores.photos.add(stored.id, about, image)
        stores.sheets.put_back(stored.id, issued)
        stores.instruments.put_back(stored.id, taken)
        for told, made in recorded:
            stores.recordings.add(
                stored.id, str(told["setup"])[:40], str(told["name"])[:120], made,
                from_standing=bool(told["from_standing"]), at=datetime.fromisoformat(told["at"]),
            )  # fmt: skip
    except (ValueError, TypeError, KeyError, AttributeError) as error:
        stores.garage.delete(stored.id)
        raise _bad("has a row that cannot be kept") from error
    return stored


Take = Callable[[str], bytes | None]


def _taker(read: zipfile.ZipFile) -> Take:
    """What reads a file of the archive by its name; nothing where it holds none. Nothing is written anywhere."""
    files = {f.filename: f for f in read.infolist()}
    if len(files) > MOST_FILES or sum(f.file_size for f in files.values()) > MOST_BYTES:
        raise _bad("holds more than a vehicle with its pictures and recordings can")
    for name in files:
        if name.startswith(("/", "\\")) or ".." in PurePosixPath(name.replace("\\", "/")).parts or ":" in name:
            raise _bad(f"has a path that leads out of it: {name[:60]}")

    def take(name: str) -> bytes | None:
        found = files.get(name)
        if found is None:
            return None
        if name.endswith((".json", ".html")) and found.file_size > MOST_TEXT:
            raise _bad(f"has a {name[:60]} that is larger than any")
        with read.open(found) as file:  # what unpacks to more than it says is cut there, and fails its checksum
            return file.read(found.file_size + 1)

    return take


def _checked(take: Take) -> None:
    """Each file against the manifest; an archive of the first format has none."""
    text = take(MANIFEST)
    if text is None:
        return
    try:
        told = json.loads(text)
        made, files = int(told["format"]), dict(told["files"])
        marks = {str(name): str(about["sha256"]) for name, about in files.items()}
    except (ValueError, TypeError, KeyError, AttributeError) as error:
        raise _bad(f"has a {MANIFEST} that cannot be read") from error
    if made > FORMAT:
        raise _bad("was written by a newer Feder: open it there")
    for name, mark in marks.items():
        data = take(name)
        if data is None:
            raise _bad(f"lacks {name[:60]}, which its manifest names")
        if _mark(data) != mark:
            raise _bad(f"was changed or damaged: the checksum of {name[:60]} does not fit")


def _needed(take: Take, name: str) -> bytes:
    data = take(name)
    if data is None:
        raise _bad(f"names a file that it does not hold: {name[:60]}")
    return data


def _rows(text: bytes | None, name: str, member: str) -> list[dict[str, Any]]:
    try:
        rows = json.loads(text or b"{}").get(member, [])
        if not isinstance(rows, list) or not all(isinstance(r, dict) for r in rows):
            raise ValueError("no list of rows")
    except (ValueError, AttributeError) as error:
        raise _bad(f"has a {name} that cannot be read") from error
    return rows


def _recording(told: dict[str, Any], take: Take) -> tuple[dict[str, Any], Recorded]:
    try:
        places = tuple(Place(p) for p in told["places"])
        step, gaps = float(told["step"]), int(told["gaps"])
        datetime.fromisoformat(told["at"])
        travel = np.frombuffer(_needed(take, told["file"]), dtype="<f4").reshape(len(places), -1)
        if not places or not 0 < step < 1 or not travel.size or not np.isfinite(travel).all():
            raise ValueError("no recording")
        told["setup"], told["name"], told["from_standing"]
    except (ValueError, TypeError, KeyError) as error:
        raise _bad(f"has a {RECORDINGS} that cannot be read") from error
    return told, Recorded(places, step, travel, gaps)


def _mark(data: bytes) -> str:
    return hashlib.sha256(data).hexdigest()


def _rest(text: bytes) -> dict[str, list[dict[str, Any]]]:
    """Ticks and pictures as they were told, each with all of its members."""
    try:
        told = json.loads(text)
        ticks = [
            {k: str(t[k])[:200] for k in ("setup", "step", "state", "mark", "who", "reason", "at")}
            for t in told.get("ticks", [])
        ]
        for tick in ticks:
            datetime.fromisoformat(tick["at"])
        pictures = [{k: str(p[k])[:120] for k in ("file", "about")} for p in told.get("pictures", [])]
    except (ValueError, TypeError, KeyError, AttributeError) as error:
        raise _bad(f"has a {REST} that cannot be read") from error
    if any(t["state"] not in STATES for t in ticks):
        raise _bad(f"has a {REST} with a tick that is none")
    return {"ticks": ticks, "pictures": pictures}


def _entries(text: bytes) -> list[dict[str, Any]]:
    """The rows of the log as they were told."""
    try:
        rows: list[dict[str, Any]] = json.loads(text).get("entries", [])
        checked_rows(rows)
    except (ValueError, TypeError, KeyError, AttributeError, FederError) as error:
        raise _bad(f"has a {ENTRIES} that cannot be read") from error
    return rows


def _bad(why: str) -> BadFile:
    return BadFile([{"place": "file", "message": why}])
