"""Open the database: WAL, foreign keys, every save on the disk; a newer version is made beside the old one."""

import fcntl
import os
import sqlite3
from collections.abc import Iterator
from contextlib import closing, contextmanager
from datetime import UTC, datetime
from pathlib import Path
from typing import TYPE_CHECKING, Any

from sqlalchemy import create_engine, event
from sqlalchemy.orm import Session, sessionmaker

from feder.core.numbers.errors import FederError

if TYPE_CHECKING:
    from alembic.config import Config

FILE = "feder.sqlite"
NEWEST = "0007"
"""The newest version of the database; a test holds it equal to the newest migration."""
_MIGRATIONS = Path(__file__).parent / "migrations"


class UnusableDatabase(FederError):
    """The file is no database of this Feder; the sentence says what to do."""

    code = "unusable database"


def open_database(folder: Path) -> sessionmaker[Session]:
    """A session maker on the database in `folder`, brought to the newest version.

    An older file is copied, the copy migrated and checked, and only then put in its place; the old one stays
    beside it under a name of its own. A power cut at any moment leaves the old file or the new one, whole.

    Raises:
        UnusableDatabase: the file is no database, or a newer Feder wrote it.
    """
    folder.mkdir(parents=True, exist_ok=True)
    file = folder / FILE
    with _alone(folder):
        if _version(file) != NEWEST:
            _migrate(file)
    engine = create_engine(f"sqlite:///{file}")
    event.listen(engine, "connect", _on_connect)
    return sessionmaker(engine, expire_on_commit=False)


def _on_connect(connection: Any, _record: Any) -> None:
    cursor = connection.cursor()
    for pragma in ("journal_mode=WAL", "foreign_keys=ON", "busy_timeout=5000", "synchronous=FULL"):
        cursor.execute(f"PRAGMA {pragma}")
    cursor.close()


@contextmanager
def _alone(folder: Path) -> Iterator[None]:
    """Two starts at once take turns; the lock goes with the process."""
    with open(folder / ".feder-start", "w", encoding="utf-8") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        yield


def _version(file: Path) -> str | None:
    """The version of an existing database; nothing where there is no file yet."""
    if not file.exists() or file.stat().st_size == 0:
        return None
    try:
        with closing(sqlite3.connect(file)) as connection:
            tables = {row[0] for row in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
            if "alembic_version" not in tables:
                raise UnusableDatabase(
                    f"{file} is a database, but not one of Feder's; move it, or choose another folder"
                )
            row = connection.execute("SELECT version_num FROM alembic_version").fetchone()
    except sqlite3.DatabaseError as error:
        raise UnusableDatabase(f"{file} cannot be read as a database; restore a copy, or move it away") from error
    version = None if row is None else str(row[0])
    if version is None or version > NEWEST:
        raise UnusableDatabase(f"{file} was written by a newer Feder; start that one, or choose another folder")
    return version


def _migrate(file: Path) -> None:
    """Make the newest version beside the file and put it in its place."""
    from alembic import command  # only now: it takes a quarter of a second, and most starts do not need it

    made = file.with_name(f"{file.stem}.making{file.suffix}")
    made.unlink(missing_ok=True)
    old = _version(file)
    if old is not None:
        _keep(file, old)
        backup(file, made)
    engine = create_engine(f"sqlite:///{made}")
    try:
        with engine.begin() as connection:
            config = migrations()
            config.attributes["connection"] = connection
            command.upgrade(config, NEWEST)
    finally:
        engine.dispose()
    with closing(sqlite3.connect(made)) as connection:
        told = connection.execute("PRAGMA integrity_check").fetchone()[0]
        broken = connection.execute("PRAGMA foreign_key_check").fetchall()
    if told != "ok" or broken or _version(made) != NEWEST:
        raise UnusableDatabase(f"{file} could not be brought to the newest version; nothing was changed ({told})")
    if old is not None:
        with closing(sqlite3.connect(file)) as connection:  # leaves no log behind that the new file would take up
            connection.execute("PRAGMA wal_checkpoint(TRUNCATE)")
            connection.execute("PRAGMA journal_mode=DELETE")
    _sync(made)
    made.replace(file)
    _sync(file.parent)


def _keep(file: Path, version: str) -> None:
    """A copy of the old file that no later one overwrites."""
    stamp = datetime.now(UTC).strftime("%Y%m%d-%H%M%S")
    kept = file.with_name(f"{file.stem}-{version}-{stamp}-{os.getpid()}{file.suffix}")
    part = kept.with_suffix(".part")
    part.unlink(missing_ok=True)
    backup(file, part)
    _sync(part)
    part.replace(kept)


def _sync(path: Path) -> None:
    """What was written is on the disk."""
    handle = os.open(path, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)


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
