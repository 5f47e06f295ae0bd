"""The log: entries that fill themselves, how the springs settle, what is due, and any earlier setup again."""

from datetime import date, datetime, timedelta

from flask import Response, make_response, request
from flask_openapi3 import APIBlueprint
from icalendar import Calendar, Event
from pydantic import BaseModel, Field

from feder.api.asked import AboutDocument, answered, file_name
from feder.api.errors import ErrorBody
from feder.api.rooms import rooms
from feder.api.settle import stood_in
from feder.api.wire import Wire
from feder.core.benches.log.apart import Apart, apart
from feder.core.benches.log.changed import ChangedRow, Effect, changed, expected_of
from feder.core.benches.log.curve import Settling, settling_of
from feder.core.benches.log.due import Due, due_of
from feder.core.document.document import Document
from feder.core.document.entry import WORDS, Entry
from feder.core.document.setup import Setup
from feder.core.files.log_csv import log_from_csv, log_to_csv
from feder.core.standing.facts import setup_of
from feder.store.log import Logged

log = APIBlueprint("log", __name__, url_prefix="/api", abp_responses={404: ErrorBody, 422: ErrorBody})
PAGE = 50
RECHECK = "recheck."
"""What stands before a re-check among the ticks of a setup."""


class LogPath(BaseModel):
    vehicle_id: str = Field(max_length=16)
    setup: str = Field(max_length=40)


class EntryPath(BaseModel):
    vehicle_id: str = Field(max_length=16)
    entry: str = Field(max_length=40)


class PageQuery(BaseModel):
    before: int | None = Field(None, ge=1, description="Entries before this number; none: the newest.")


class LogAnswer(Wire):
    entries: list[Logged]
    count: int
    words: list[str]
    """Words offered for what is felt."""


@log.get("/vehicles/<string:vehicle_id>/log/<string:setup>", responses={200: LogAnswer})
def log_page(path: LogPath, query: PageQuery) -> Response:
    """A page of entries, the newest by default."""
    return _page(path.vehicle_id, path.setup, query.before)


def _page(vehicle_id: str, setup: str, before: int | None = None) -> Response:
    found = rooms().log
    entries = found.page(vehicle_id, setup, before, PAGE)
    return answered(LogAnswer(entries=entries, count=found.count(vehicle_id, setup), words=list(WORDS)))


class LogQuestion(AboutDocument):
    setup: str
    vehicle_id: str = Field(max_length=16)


class ChangedAnswer(Wire):
    """What was changed since the last entry, and what it was to do."""

    rows: list[ChangedRow]
    expected: list[Effect]
    first: bool
    """Whether it is the first entry: what was fitted, against as found."""


@log.post("/log/changed", responses={200: ChangedAnswer})
def changed_since(body: LogQuestion) -> Response:
    """What differs between a setup as it stands and as the last entry left it."""
    rows, expected, first = _changed(body.document, body.setup, body.vehicle_id)
    return answered(ChangedAnswer(rows=rows, expected=expected, first=first))


def _changed(document: Document, setup: str, vehicle_id: str) -> tuple[list[ChangedRow], list[Effect], bool]:
    now, before = setup_of(document, setup), rooms().log.last_state(vehicle_id, setup)
    was = before or document.setups[0]
    effects = [] if before is None else expected_of(document, setup, was, now)
    return changed(document, setup, was, now), effects, before is None


class EntryQuestion(LogQuestion):
    """An entry, with the document as it stands: what was changed is found from it."""

    entry: Entry
    unchanged: bool = Field(False, description="An older entry typed in later: nothing was changed by it.")


@log.post("/log/entry", responses={200: LogAnswer})
def write_entry(body: EntryQuestion) -> Response:
    """Write an entry with what was changed since the last one."""
    now = setup_of(body.document, body.setup)
    rows, expected, first = _changed(body.document, body.setup, body.vehicle_id)
    if body.unchanged and not first:
        now, rows, expected = rooms().log.last_state(body.vehicle_id, body.setup) or now, [], []
    rooms().log.write(body.vehicle_id, now, body.entry, rows, expected)
    return _page(body.vehicle_id, body.setup)


class AmendBody(Wire):
    entry: Entry


@log.put("/vehicles/<string:vehicle_id>/entries/<string:entry>", responses={204: None})
def amend_entry(path: EntryPath, body: AmendBody) -> Response:
    """Write the words of an entry anew; its id in the address counts."""
    rooms().log.amend(path.vehicle_id, body.entry.but(id=path.entry))
    return make_response("", 204)


@log.delete("/vehicles/<string:vehicle_id>/entries/<string:entry>", responses={204: None})
def take_back(path: EntryPath) -> Response:
    """Take an entry back."""
    rooms().log.take_back(path.vehicle_id, path.entry)
    return make_response("", 204)


class StateAfter(Wire):
    setup: Setup


@log.get("/vehicles/<string:vehicle_id>/entries/<string:entry>/setup", responses={200: StateAfter})
def setup_after(path: EntryPath) -> Response:
    """The setup as an entry left it, built again from the changes."""
    return answered(StateAfter(setup=rooms().log.state_at(path.vehicle_id, path.entry)))


class ApartQuestion(LogQuestion):
    entry: str = Field(max_length=40)


class ApartAnswer(Wire):
    apart: Apart


@log.post("/log/apart", responses={200: ApartAnswer})
def told_apart(body: ApartQuestion) -> Response:
    """Which of the changes of an entry did how much; of the others only a drive tells, with one put back."""
    before, after = rooms().log.around(body.vehicle_id, body.entry)
    if before is None:
        return answered(ApartAnswer(apart=Apart([], [])))
    return answered(ApartAnswer(apart=apart(body.document, body.setup, before, after)))


class SettlingAnswer(Wire):
    settling: Settling
    due: list[Due]


@log.post("/settling", responses={200: SettlingAnswer})
def settling(body: LogQuestion) -> Response:
    """How each axle settles over the distance since fitting, and what is due again."""
    found, due = _settling(body.document, body.setup, body.vehicle_id)
    return answered(SettlingAnswer(settling=found, due=due))


def _settling(document: Document, setup: str, vehicle_id: str) -> tuple[Settling, list[Due]]:
    entries = {i: e for i in document.rounds_of(setup) if (e := document.surveys[i].entry) is not None}
    set_at = rooms().log.odometers(vehicle_id, list(entries.values()))
    since = {i: set_at[e] for i, e in entries.items() if e in set_at}
    found = settling_of(document, setup, stood_in(document, setup, vehicle_id), since)
    at = setup_of(document, setup)
    read = sorted({(p.date, p.distance) for e in found.ends for p in e.points if p.date is not None})
    if found.fitted_at is not None:
        for told in rooms().log.page(vehicle_id, setup):
            far = None if told.entry.odometer is None else told.entry.odometer - found.fitted_at
            if far is not None and far >= 0:
                read.append((told.entry.at[:10], far))
    ticked = {t.step.removeprefix(RECHECK) for t in rooms().ticks.of(vehicle_id, setup) if t.state == "done"}
    return found, due_of(found, at.fitted_on, sorted(set(read)), ticked)


@log.post("/settling/calendar")
def calendar(body: LogQuestion) -> Response:
    """What is due again as an iCalendar file, each on the day it will be at the pace so far."""
    _, due = _settling(body.document, body.setup, body.vehicle_id)
    name = body.document.vehicle.name
    made = Calendar()
    made.add("prodid", "-//Feder//Re-checks//EN")
    made.add("version", "2.0")
    for row in due:
        if row.day is None or row.done:
            continue
        event, day = Event(), date.fromisoformat(row.day)
        event.add("uid", f"{row.id}-{body.setup}-{body.vehicle_id}@feder")
        event.add("dtstamp", datetime.combine(rooms().today(), datetime.min.time()))
        event.add("summary", f"{name}: {row.words}")
        event.add(
            "description",
            f"About {row.distance / 1000:.0f} km after fitting; the day is reckoned by the pace so far.",
        )
        event.add("dtstart", day)
        event.add("dtend", day + timedelta(days=1))
        made.add_component(event)
    answer = Response(made.to_ical(), mimetype="text/calendar")
    answer.headers["Content-Disposition"] = f'attachment; filename="{file_name(name)}-re-checks.ics"'
    return answer


@log.get("/vehicles/<string:vehicle_id>/log/<string:setup>/csv")
def log_csv(path: LogPath) -> Response:
    """Every entry as CSV."""
    found, document = rooms().log, rooms().garage.get(path.vehicle_id).document
    entries: list[Logged] = []
    before: int | None = None
    while page := found.page(path.vehicle_id, path.setup, before, 1000):
        entries, before = [*page, *entries], page[0].number
    rows = ((e.number, e.entry, "; ".join(r.words for r in e.changes)) for e in entries)
    answer = Response(log_to_csv(rows, document.places), mimetype="text/csv")
    name = file_name(document.vehicle.name)
    answer.headers["Content-Disposition"] = f'attachment; filename="{name}-log.csv"'
    return answer


@log.post("/vehicles/<string:vehicle_id>/log/<string:setup>/csv", responses={200: LogAnswer})
def log_from(path: LogPath) -> Response:
    """Older entries from a CSV, refused whole at the first fault; they change nothing of the setup."""
    found, document = rooms().log, rooms().garage.get(path.vehicle_id).document
    entries = log_from_csv(request.get_data().decode("utf-8", "replace"), document.places)
    state = found.last_state(path.vehicle_id, path.setup) or setup_of(document, path.setup)
    for entry in entries:
        found.write(path.vehicle_id, state, entry, [])
    return _page(path.vehicle_id, path.setup)
