"""The store keeps what it was given, refuses a stale save, and copies the file before it changes it."""

import json
import os
import shutil
import sqlite3
from concurrent.futures import ThreadPoolExecutor
from contextlib import closing
from datetime import datetime

import pytest
from alembic import command
from sqlalchemy import Engine, create_engine, event

from feder.core.document.blank import blank_document
from feder.core.document.document import BadDocument
from feder.demo.springs import demo_spring
from feder.store.database import FILE, NEWEST, UnusableDatabase, migrations, open_database
from feder.store.garage import Garage, NoVehicle, StaleSave, Stored
from feder.store.parts import spring_shelf
from feder.store.sheets import Sheets
from feder.store.tables import VehicleRow


@pytest.fixture
def garage(tmp_path):
    return Garage(open_database(tmp_path))


def test_a_document_comes_back_whole(garage, car):
    stored = garage.add(car)
    assert garage.get(stored.id).document == car
    assert stored.revision == 1


def test_a_stale_save_overwrites_nothing(garage, car):
    stored = garage.add(car)
    mine = blank_document("mine", "van", "strut", "strut")
    theirs = blank_document("theirs", "van", "strut", "strut")
    garage.save(stored.id, 1, theirs)
    with pytest.raises(StaleSave) as refused:
        garage.save(stored.id, 1, mine)
    assert refused.value.stored.document == theirs
    assert garage.get(stored.id).document == theirs
    assert garage.save(stored.id, 2, mine) == 3


def test_deleted_vehicles_and_parts_come_back(garage, car, tmp_path):
    stored = garage.add(car)
    garage.delete(stored.id)
    assert garage.all() == []
    with pytest.raises(NoVehicle):
        garage.get(stored.id)
    assert garage.restore(stored.id).document == car
    shelf = spring_shelf(open_database(tmp_path))
    (part,) = shelf.add([demo_spring(60, 180, 60)])
    shelf.delete(part.id)
    assert shelf.all() == []
    shelf.restore(part.id)
    assert shelf.all() == [part]


def at_version(folder, version, car):
    """A database as that version left it, with a vehicle, a part and an issued sheet in it."""
    engine = create_engine(f"sqlite:///{folder / FILE}")
    with engine.begin() as connection:
        config = migrations()
        config.attributes["connection"] = connection
        command.upgrade(config, version)
    with engine.begin() as connection:
        text = connection.exec_driver_sql
        row = ("abc", "Nettle", "car", car.model_dump_json(), 7, "2026-01-02 03:04:05")
        text("INSERT INTO vehicle (id, name, kind, document, revision, updated) VALUES (?, ?, ?, ?, ?, ?)", row)
        text(
            "INSERT INTO part (id, code, document) VALUES (1, 'k', ?)",
            (demo_spring(60, 180, 60).model_dump_json(),),
        )
        text(
            "INSERT INTO sheet (vehicle_id, setup, number, issued, html) VALUES ('abc', 'plan', 3, '2026-01-02', '<p>')"
        )
    engine.dispose()


def whole(folder, car):
    """Whether everything that `at_version` put in is there, in the newest version."""
    sessions = open_database(folder)
    assert Garage(sessions).get("abc") == Stored("abc", 7, datetime(2026, 1, 2, 3, 4, 5), car)
    assert [listed.name for listed in Garage(sessions).listed()] == ["Nettle"]
    assert [p.part for p in spring_shelf(sessions).all()] == [demo_spring(60, 180, 60)]
    assert Sheets(sessions).issued("abc") == 3
    return True


@pytest.mark.parametrize("version", ["0001", "0002", "0003"])
def test_every_older_database_opens_with_all_that_is_in_it_and_is_kept_as_it_was(tmp_path, car, version):
    at_version(tmp_path, version, car)
    assert whole(tmp_path, car)
    assert whole(tmp_path, car)  # the second time there is nothing to do
    (copy,) = tmp_path.glob(f"feder-{version}-*.sqlite")
    with closing(sqlite3.connect(copy)) as file:
        assert file.execute("SELECT version_num FROM alembic_version").fetchone() == (version,)
        assert file.execute("SELECT revision FROM vehicle").fetchone() == (7,)


def test_a_migration_killed_after_any_statement_leaves_a_database_that_opens(tmp_path, car):
    """A child stops dead after its n-th statement to the database; what it leaves behind must open whole."""
    n = 0
    while True:
        n += 1
        folder = tmp_path / str(n)
        folder.mkdir()
        at_version(folder, "0001", car)
        child = os.fork()
        if child == 0:  # pragma: no cover - ends within
            left = [n]

            def count(_statement, left=left):
                left[0] -= 1
                if left[0] == 0:
                    os._exit(9)

            event.listen(Engine, "connect", lambda c, _r: c.set_trace_callback(count))
            sqlite3.connect = traced(sqlite3.connect, count)
            open_database(folder)
            os._exit(0)
        _, status = os.waitpid(child, 0)
        assert whole(folder, car), n
        for copy in folder.glob("feder-0001-*.sqlite"):
            with closing(sqlite3.connect(copy)) as file:
                assert file.execute("SELECT revision FROM vehicle").fetchone() == (7,)
        if os.waitstatus_to_exitcode(status) == 0:
            break
        shutil.rmtree(folder)
    assert n > 20


def traced(connect, count):
    """Connections that count their statements."""

    def made(*args, **named):
        connection = connect(*args, **named)
        connection.set_trace_callback(count)
        return connection

    return made


@pytest.mark.parametrize(
    ("write", "says"),
    [
        (lambda f: f.write_bytes(b"no database at all, just words" * 100), "cannot be read as a database"),
        (lambda f: sqlite3.connect(f).executescript("CREATE TABLE other (x); "), "not one of Feder's"),
        (
            lambda f: sqlite3.connect(f).executescript(
                "CREATE TABLE alembic_version (version_num); INSERT INTO alembic_version VALUES ('9999');"
            ),
            "newer Feder",
        ),
    ],
)
def test_a_file_that_is_no_database_of_ours_is_refused_and_left_alone(tmp_path, write, says):
    write(tmp_path / FILE)
    before = (tmp_path / FILE).read_bytes()
    with pytest.raises(UnusableDatabase, match=says):
        open_database(tmp_path)
    assert (tmp_path / FILE).read_bytes() == before


def test_one_vehicle_that_cannot_be_read_shuts_none_of_the_others(tmp_path, car):
    sessions = open_database(tmp_path)
    garage = Garage(sessions)
    good, bad, newer = (garage.add(car).id for _ in range(3))
    with sessions.begin() as session:
        row = session.get(VehicleRow, bad)
        row.document, row.summary = "{half a document", None
        row = session.get(VehicleRow, newer)
        row.document, row.summary = json.dumps({"format": 99, "vehicle": {"name": "from tomorrow"}}), None
    listed = {v.id: v for v in Garage(sessions).listed()}
    assert listed[good].trouble is None
    assert json.loads(listed[good].summary)["setup"] == "plan, dry"
    assert "is not JSON" in listed[bad].trouble
    assert "newer Feder" in listed[newer].trouble
    assert garage.text(bad)[1] == "{half a document"
    with pytest.raises(BadDocument):
        garage.get(bad)
    garage.delete(bad)
    assert {v.id for v in garage.listed()} == {good, newer}


def test_a_summary_follows_the_document_and_the_rules(tmp_path, car):
    sessions = open_database(tmp_path)
    garage = Garage(sessions, "1")
    stored = garage.add(car)
    assert json.loads(garage.listed()[0].summary)["description"] == car.vehicle.description
    garage.save(stored.id, 1, car.but(vehicle=car.vehicle.but(description="other words")))
    assert json.loads(garage.listed()[0].summary)["description"] == "other words"
    with sessions.begin() as session:
        session.get(VehicleRow, stored.id).summary = "{}"
    assert garage.listed()[0].summary == "{}"  # kept: not made again
    assert json.loads(Garage(sessions, "2").listed()[0].summary)["setup"] == "plan, dry"


def test_every_issued_sheet_has_its_own_number_and_one_that_cannot_be_made_gives_it_back(tmp_path, car):
    sessions = open_database(tmp_path)
    stored, sheets = Garage(sessions).add(car), Sheets(sessions)
    assert sheets.issued(stored.id) == 0
    with ThreadPoolExecutor(4) as pool:
        made = list(pool.map(lambda _: sheets.issue(stored.id, "plan", lambda n: f"<p>{n}"), range(8)))
    assert sorted(made) == sorted(f"<p>{n}" for n in range(1, 9))
    with pytest.raises(ZeroDivisionError):
        sheets.issue(stored.id, "plan", lambda n: str(1 / 0))
    assert sheets.issued(stored.id) == 8
    with pytest.raises(NoVehicle):
        sheets.issue("nobody", "plan", str)


def test_the_shelf_is_read_again_only_when_it_changed(tmp_path):
    sessions = open_database(tmp_path)
    shelf, other = spring_shelf(sessions), spring_shelf(sessions)
    (part,) = shelf.add([demo_spring(60, 180, 60)])
    first = shelf.all()
    assert shelf.all()[0].part is first[0].part
    other.delete(part.id)
    assert shelf.all() == []
    other.restore(part.id)
    assert shelf.all() == first


def test_every_save_is_on_the_disk_before_it_is_acknowledged(tmp_path):
    with open_database(tmp_path)() as session:
        assert session.connection().exec_driver_sql("PRAGMA synchronous").scalar() == 2


def test_foreign_keys_and_write_ahead_log_are_on(tmp_path):
    with open_database(tmp_path)() as session:
        connection = session.connection().exec_driver_sql
        assert connection("PRAGMA foreign_keys").scalar() == 1
        assert connection("PRAGMA journal_mode").scalar() == "wal"


def test_the_newest_version_is_that_of_the_newest_migration():
    from alembic.script import ScriptDirectory

    assert ScriptDirectory.from_config(migrations()).get_current_head() == NEWEST
