"""Open the database: WAL, foreign keys, a backup copy, then migrations."""

import sqlite3
from contextlib import closing
from pathlib import Path
from typing import TYPE_CHECKING, Any

from sqlalchemy import Engine, create_engine, event
from sqlalchemy.orm import Session, sessionmaker

if TYPE_CHECKING:
    from alembic.config import Config

FILE = "feder.sqlite"
NEWEST = "0002"
"""The newest version of the database; a test holds it equal to the newest migration."""
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
    with engine.connect() as connection:
        known = connection.dialect.has_table(connection, "alembic_version")
        now = connection.exec_driver_sql("SELECT version_num FROM alembic_version").scalar() if known else None
    if now == NEWEST:
        return
    if now is not None:
        backup(file, file.with_name(f"{file.stem}-before-{NEWEST}{file.suffix}"))
    from alembic import command  # only now: it takes a quarter of a second, and most starts do not need it

    with engine.begin() as connection:
        config = migrations()
        config.attributes["connection"] = connection
        command.upgrade(config, NEWEST)


def migrations() -> "Config":
    """Alembic's view of the migrations."""
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(_MIGRATIONS).replace("%", "%%"))
    return config


def backup(file: Path, copy: Path) -> None:
    """A consistent copy of a database that may be open."""
    with closing(sqlite3.connect(file)) as source, closing(sqlite3.connect(copy)) as target:
        source.backup(target)
