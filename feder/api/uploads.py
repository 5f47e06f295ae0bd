"""Large files on their way in: sent piece by piece, read behind the answers with progress, stopped when asked."""

import atexit
import contextlib
import logging
import shutil
import tempfile
from collections.abc import Callable
from dataclasses import dataclass, field
from pathlib import Path
from secrets import token_hex
from threading import Event, Lock, Thread
from typing import IO

from feder.core.files.recording_csv import Stopped
from feder.core.numbers.errors import FederError

MOST_BYTES = 2 * 1024**3
MOST_PIECE = 6 * 1024**2
KEPT = 6
log = logging.getLogger(__name__)


class NoUpload(FederError, LookupError):
    """There is no such file on its way in."""

    code = "no upload"

    def __init__(self) -> None:
        super().__init__("This file is not here any more: choose it again", key="file")


class BadPiece(FederError, ValueError):
    """A piece does not follow the one before, or is too large."""

    code = "bad piece"

    def __init__(self, message: str) -> None:
        super().__init__(message, key="file")


@dataclass
class Upload:
    """A file on its way in, and how far its reading has come."""

    id: str
    path: Path
    size: int = 0
    rows: int = 0
    done: bool = False
    trouble: str = ""
    recording: int | None = None
    ends: Event = field(default_factory=Event)
    thread: Thread | None = None


class Uploads:
    """The files on their way in, of one application; they lie in a folder that goes with it."""

    def __init__(self) -> None:
        self._folder: Path | None = None
        self._lock, self._known = Lock(), dict[str, Upload]()

    def begin(self) -> Upload:
        """A new file; the oldest goes where there are too many."""
        with self._lock:
            if self._folder is None:
                self._folder = Path(tempfile.mkdtemp(prefix="feder-uploads-"))
                atexit.register(shutil.rmtree, self._folder, ignore_errors=True)
            made = Upload(token_hex(8), self._folder / token_hex(8))
            made.path.touch()
            self._known[made.id] = made
            old = list(self._known)[:-KEPT]
        for known in old:
            self.drop(known)
        return made

    def of(self, known: str) -> Upload:
        """A file by its id. Raises `NoUpload`."""
        with self._lock:
            found = self._known.get(known)
        if found is None:
            raise NoUpload
        return found

    def append(self, known: str, at: int, piece: bytes) -> Upload:
        """One piece more; sent twice it counts once. Raises `NoUpload`, `BadPiece`."""
        found = self.of(known)
        if len(piece) > MOST_PIECE:
            raise BadPiece(f"a piece may hold {MOST_PIECE // 1024**2} MB at most")
        if at > found.size:
            raise BadPiece("a piece is missing before this one")
        if at + len(piece) > MOST_BYTES:
            raise BadPiece(f"the file is larger than {MOST_BYTES // 1024**3} GB")
        with open(found.path, "r+b") as file:
            file.seek(at)
            file.write(piece)
        found.size = max(found.size, at + len(piece))
        return found

    def head(self, known: str, length: int) -> bytes:
        """The beginning of a file. Raises `NoUpload`."""
        with open(self.of(known).path, "rb") as file:
            return file.read(length)

    def read(self, known: str, work: Callable[[Upload, IO[bytes]], int]) -> Upload:
        """Begin to read a file in a thread of its own; `work` gives the recording it made. Raises `NoUpload`."""
        found = self.of(known)
        if found.thread is not None and found.thread.is_alive():
            return found
        found.rows, found.done, found.trouble, found.recording = 0, False, "", None
        found.ends.clear()
        found.thread = Thread(target=self._run, args=(found, work), daemon=True, name="recording")
        found.thread.start()
        return found

    def drop(self, known: str) -> None:
        """Stop reading a file and forget it."""
        with self._lock:
            found = self._known.pop(known, None)
        if found is None:
            return
        found.ends.set()
        if found.thread is not None:
            found.thread.join(10.0)
        with contextlib.suppress(OSError):
            found.path.unlink()

    def _run(self, found: Upload, work: Callable[[Upload, IO[bytes]], int]) -> None:
        try:
            with open(found.path, "rb") as file:
                found.recording = work(found, file)
        except Stopped:
            found.trouble = "stopped"
        except FederError as error:
            found.trouble = error.message
        except Exception as error:
            log.exception("a recording could not be read")
            found.trouble = f"The file could not be read ({type(error).__name__})"
        finally:
            found.done = True
