"""Open the database: WAL, foreign keys, a backup copy, then migrations."""

import sqlite3
from contextlib import closing
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from alembic.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Engine, create_engine, event
from sqlalchemy.orm import Session, sessionmaker

FILE = "feder.sqlite"
_MIGRATIONS = Path(__file__).parent / "migrations"


def open_database(folder: Path) -> sessionmaker[Session]:
    """A session maker on the database in `folder`, brought to the newest version.

    Before a migration changes an existing file, it is copied beside itself.
    """
    folder.mkdir(parents=True, exist_ok=True)
    file = folder / FILE
    engine = create_engine(f"sqlite:///{file}")
    event.listen(engine, "connect", _on_connect)
    _migrate(engine, file)
    return sessionmaker(engine, expire_on_commit=False)


def _on_connect(connection: Any, _record: Any) -> None:
    cursor = connection.cursor()
    for pragma in ("journal_mode=WAL", "foreign_keys=ON", "busy_timeout=5000", "synchronous=NORMAL"):
        cursor.execute(f"PRAGMA {pragma}")
    cursor.close()


def _migrate(engine: Engine, file: Path) -> None:
    config = Config()
    config.set_main_option("script_location", str(_MIGRATIONS).replace("%", "%%"))
    newest = ScriptDirectory.from_config(config).get_current_head()
    with engine.connect() as connection:
        now = MigrationContext.configure(connection).get_current_revision()
    if now == newest:
        return
    if now is not None:
        backup(file, file.with_name(f"{file.stem}-before-{newest}{file.suffix}"))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")


def backup(file: Path, copy: Path) -> None:
    """A consistent copy of a database that may be open."""
    with closing(sqlite3.connect(file)) as source, closing(sqlite3.connect(copy)) as target:
        source.backup(target)
