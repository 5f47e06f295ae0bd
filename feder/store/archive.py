"""A vehicle with what hangs on it, as a ZIP: its file, the ticks of its job cards, its pictures, its log."""

import io
import json
import zipfile
from datetime import datetime
from typing import Any

from feder.core.document.document import read_document
from feder.core.numbers.errors import BadFile, FederError
from feder.store.garage import Garage, Stored
from feder.store.log import Log, checked_rows
from feder.store.photos import Photos, made_anew
from feder.store.ticks import Ticks

DOCUMENT, REST, ENTRIES = "vehicle.feder.json", "card.json", "log.json"
MOST_FILES, MOST_BYTES = 400, 200 * 1024 * 1024
STATES = ("done", "off", "sound", "not sound", "open")


def packed(garage: Garage, ticks: Ticks, photos: Photos, log: Log, vehicle_id: str) -> bytes:
    """The archive of a vehicle. Raises `NoVehicle`."""
    _, text = garage.text(vehicle_id)
    pictures = photos.of(vehicle_id)
    names = {p.id: f"pictures/{n:03d}.jpg" for n, p in enumerate(pictures, 1)}
    rest = {
        "ticks": [
            {
                "setup": s,
                **{k: getattr(t, k) for k in ("step", "state", "mark", "who", "reason")},
                "at": t.at.isoformat(),
            }
            for s, t in ticks.every(vehicle_id)
        ],
        "pictures": [{"file": names[p.id], "about": p.about} for p in pictures],
    }
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as made:
        made.writestr(DOCUMENT, text)
        made.writestr(REST, json.dumps(rest, indent=1))
        made.writestr(ENTRIES, json.dumps({"entries": log.every(vehicle_id)}))
        for picture in pictures:
            made.writestr(names[picture.id], photos.image(vehicle_id, picture.id))
    return out.getvalue()


def unpacked(garage: Garage, ticks: Ticks, photos: Photos, log: Log, data: bytes) -> Stored:
    """A new vehicle from an archive, refused whole at the first fault.

    Raises:
        BadFile: it is no archive of a vehicle, holds too much, or its vehicle file is at fault.
        BadPhoto: one of its pictures is none.
    """
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as read:
            files = read.infolist()
            if len(files) > MOST_FILES or sum(f.file_size for f in files) > MOST_BYTES:
                raise _bad("holds more than a vehicle with its pictures can")
            whole = {f.filename: read.read(f) for f in files if f.filename in (DOCUMENT, REST, ENTRIES)}
            if DOCUMENT not in whole:
                raise _bad(f"has no {DOCUMENT} in it")
            rest = _rest(whole.get(REST, b"{}"))
            entries = _entries(whole.get(ENTRIES, b"{}"))
            pictures = [(p["about"], read.read(p["file"])) for p in rest["pictures"]]
    except (zipfile.BadZipFile, NotImplementedError, RuntimeError, EOFError) as error:
        raise _bad("is no ZIP that can be read") from error
    except KeyError as error:
        raise _bad(f"names a picture that it does not hold: {error}") from error
    for _, image in pictures:  # before anything is kept
        made_anew(image)
    stored = garage.add(read_document(whole[DOCUMENT]))
    log.put_back(stored.id, entries)
    for tick in rest["ticks"]:
        ticks.said(
            stored.id, **{k: v for k, v in tick.items() if k != "at"}, at=datetime.fromisoformat(tick["at"])
        )
    for about, image in pictures:
        photos.add(stored.id, about, image)
    return stored


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
