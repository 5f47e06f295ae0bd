"""The log's rows: written once, built again at any length, taken back, and carried in an archive."""

import io
import json
import zipfile

import pytest
from sqlalchemy import event

from feder.core.document.base import Place
from feder.core.document.changes import sides_changed
from feder.core.document.entry import Entry
from feder.core.document.setup import Clicks
from feder.core.numbers.errors import BadFile
from feder.demo.settled import settled_nettle
from feder.store.archive import Stores, packed, unpacked
from feder.store.database import open_database
from feder.store.garage import Garage, NoVehicle
from feder.store.instruments import Instruments
from feder.store.log import WHOLE_EVERY, Log, NoEntry
from feder.store.photos import Photos
from feder.store.recordings import Recordings
from feder.store.sheets import Sheets
from feder.store.ticks import Ticks

TOLD = settled_nettle()
START = TOLD.entries[0][0]


@pytest.fixture
def workshop(tmp_path):
    sessions = open_database(tmp_path)
    garage = Garage(sessions)
    return garage, Log(sessions), garage.add(TOLD.document).id, sessions


def at(n):
    """The setup after n changes of a knob."""
    return sides_changed(START, {Place.FRONT_LEFT: {"rebound": Clicks(count=n % 18, of=18)}})


def entry(n, **members):
    return Entry(id=f"e-{n}", at="2026-07-01T10:00", **members)


def filled(log, vehicle, count):
    for n in range(1, count + 1):
        log.write(vehicle, at(n), entry(n), [])


def test_any_state_is_built_again_however_long_the_log(workshop):
    _, log, vehicle, _ = workshop
    count = 2 * WHOLE_EVERY + 7
    filled(log, vehicle, count)
    assert log.count(vehicle, "fitted") == count
    for n in (1, 2, WHOLE_EVERY - 1, WHOLE_EVERY, WHOLE_EVERY + 1, count):
        assert log.state_at(vehicle, f"e-{n}") == at(n)
    assert log.last_state(vehicle, "fitted") == at(count)
    assert log.states_at(vehicle, ["e-3", "nobody"]) == {"e-3": at(3)}


def test_a_page_and_a_state_of_a_long_log_read_no_more_rows_than_of_a_short_one(workshop):
    _, log, vehicle, sessions = workshop
    filled(log, vehicle, 3 * WHOLE_EVERY)
    rows = []
    engine = sessions.kw["bind"]

    @event.listens_for(engine, "after_cursor_execute")
    def _count(conn, cursor, statement, parameters, context, many):
        rows.append(statement)

    page = log.page(vehicle, "fitted")
    assert [e.number for e in page] == list(range(3 * WHOLE_EVERY - 49, 3 * WHOLE_EVERY + 1))
    assert [e.number for e in log.page(vehicle, "fitted", before=3)] == [1, 2]
    log.state_at(vehicle, f"e-{3 * WHOLE_EVERY - 2}")
    assert len(rows) <= 6


def test_the_states_around_an_entry_are_those_it_was_changed_from_and_to(workshop):
    _, log, vehicle, _ = workshop
    filled(log, vehicle, 4)
    assert log.around(vehicle, "e-3") == (at(2), at(3))
    assert log.around(vehicle, "e-1") == (None, at(1))
    with pytest.raises(NoEntry):
        log.around(vehicle, "e-9")


def test_the_same_entry_sent_twice_is_one(workshop):
    _, log, vehicle, _ = workshop
    assert log.write(vehicle, START, entry(1, why="first"), []) == 1
    assert log.write(vehicle, at(2), entry(1, why="again"), []) == 1
    assert log.count(vehicle, "fitted") == 1
    assert log.state_at(vehicle, "e-1") == START
    with pytest.raises(NoVehicle):
        log.write("nobody", START, entry(2), [])


def test_the_newest_entry_is_taken_back_whole_and_an_older_one_loses_its_words(workshop):
    _, log, vehicle, _ = workshop
    filled(log, vehicle, 4)
    log.take_back(vehicle, "e-2")
    assert [e.entry.id for e in log.page(vehicle, "fitted")] == ["e-1", "e-3", "e-4"]
    assert log.state_at(vehicle, "e-3") == at(3)
    log.take_back(vehicle, "e-4")
    assert log.last_state(vehicle, "fitted") == at(3)
    log.write(vehicle, at(9), entry(5), [])
    assert log.page(vehicle, "fitted")[-1].number == 4
    assert log.state_at(vehicle, "e-5") == at(9)
    # done again: the same entry sent once more is there again
    log.write(vehicle, at(2), entry(2), [])
    assert [e.entry.id for e in log.page(vehicle, "fitted")] == ["e-1", "e-2", "e-3", "e-5"]
    with pytest.raises(NoEntry):
        log.take_back(vehicle, "e-4")


def test_words_are_written_anew_and_the_change_stays(workshop):
    _, log, vehicle, _ = workshop
    filled(log, vehicle, 2)
    log.amend(vehicle, entry(1, why="on second thoughts", felt="worse"))
    first = log.page(vehicle, "fitted")[0]
    assert (first.entry.why, first.entry.felt) == ("on second thoughts", "worse")
    assert log.state_at(vehicle, "e-1") == at(1)


def all_of(garage, log, sessions):
    rest = Sheets(sessions), Instruments(sessions), Recordings(sessions)
    return Stores(garage, Ticks(sessions), Photos(sessions), log, *rest)


def test_an_archive_carries_the_log_and_its_states(workshop):
    garage, log, vehicle, sessions = workshop
    filled(log, vehicle, WHOLE_EVERY + 3)
    log.take_back(vehicle, "e-5")
    stores = all_of(garage, log, sessions)
    data = packed(stores, vehicle)
    other = unpacked(stores, data).id
    assert other != vehicle
    assert log.page(other, "fitted") == log.page(vehicle, "fitted")
    for n in (1, 5, WHOLE_EVERY, WHOLE_EVERY + 3):
        assert log.state_at(other, f"e-{n}") == at(n)


@pytest.mark.parametrize(
    "spoilt",
    [
        lambda rows: rows[0].pop("patch"),
        lambda rows: rows[0]["written"].update(at="yesterday"),
        lambda rows: rows[1]["patch"].append({"op": "replace", "path": "/nowhere/at/all", "value": 1}),
        lambda rows: rows[1]["patch"].append({"op": "replace", "path": "/sides/front_left/collar", "value": "x"}),
        lambda rows: rows[0]["changes"]["rows"].append({"words": 1, "nonsense": 2}),
    ],
)
def test_an_archive_with_a_log_at_fault_is_refused_whole(workshop, spoilt):
    garage, log, vehicle, sessions = workshop
    filled(log, vehicle, 3)
    stores = all_of(garage, log, sessions)
    source = zipfile.ZipFile(io.BytesIO(packed(stores, vehicle)))
    told = json.loads(source.read("log.json"))
    spoilt(told["entries"])
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as made:
        for name in set(source.namelist()) - {"manifest.json"}:  # its checksum would speak first
            made.writestr(name, json.dumps(told) if name == "log.json" else source.read(name))
    before = len(garage.listed())
    with pytest.raises(BadFile):
        unpacked(stores, out.getvalue())
    assert len(garage.listed()) == before
