"""The store keeps what it was given, refuses a stale save, and copies the file before it changes it."""

import sqlite3

import pytest

from feder.core.document.blank import blank_document
from feder.demo.springs import demo_spring
from feder.store.database import FILE, NEWEST, migrations, open_database
from feder.store.garage import Garage, NoVehicle, StaleSave
from feder.store.parts import Shelf


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
    assert garage.save(stored.id, 2, mine).revision == 3


def test_deleted_vehicles_and_parts_come_back(garage, car, tmp_path):
    stored = garage.add(car)
    garage.delete(stored.id)
    assert garage.all() == []
    with pytest.raises(NoVehicle):
        garage.get(stored.id)
    assert garage.restore(stored.id).document == car
    shelf = Shelf(open_database(tmp_path))
    (part,) = shelf.add([demo_spring(60, 180, 60)])
    shelf.delete(part.id)
    assert shelf.all() == []
    shelf.restore(part.id)
    assert shelf.all() == [part]


def test_opening_again_keeps_the_data_and_an_older_file_is_copied_first(tmp_path, car):
    stored = Garage(open_database(tmp_path)).add(car)
    assert Garage(open_database(tmp_path)).get(stored.id).document == car
    assert [f.name for f in tmp_path.glob("*before*")] == []
    with sqlite3.connect(tmp_path / FILE) as file:  # as if written by a version before the newest
        file.execute("DROP TABLE sheet")
        file.execute("DROP TABLE part")
        file.execute("DROP TABLE vehicle")
        file.execute("CREATE TABLE kept (words TEXT)")
        file.execute("INSERT INTO kept VALUES ('here')")
        file.execute("UPDATE alembic_version SET version_num = '0000'")
    file.close()
    with pytest.raises(Exception, match="0000"):  # alembic's own error for a version it does not know
        open_database(tmp_path)
    (copy,) = tmp_path.glob("*before*")
    with sqlite3.connect(copy) as file:
        assert file.execute("SELECT words FROM kept").fetchone() == ("here",)
    file.close()


def test_every_issued_sheet_has_its_own_number(garage, car):
    stored = garage.add(car)
    assert garage.sheets_issued(stored.id) == 0
    garage.issue_sheet(stored.id, "plan", 1, "<p>")
    assert garage.sheets_issued(stored.id) == 1


def test_foreign_keys_and_write_ahead_log_are_on(tmp_path):
    with open_database(tmp_path)() as session:
        connection = session.connection().exec_driver_sql
        assert connection("PRAGMA foreign_keys").scalar() == 1
        assert connection("PRAGMA journal_mode").scalar() == "wal"


def test_the_newest_version_is_that_of_the_newest_migration():
    from alembic.script import ScriptDirectory

    assert ScriptDirectory.from_config(migrations()).get_current_head() == NEWEST
