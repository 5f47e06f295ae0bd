"""Searches that run behind the answers: started, looked at, stopped."""

from collections import OrderedDict
from collections.abc import Callable
from dataclasses import dataclass, field
from secrets import token_hex
from threading import Lock, Thread

from feder.core.benches.prove.run import Stop
from feder.core.benches.prove.search import Progress
from feder.core.numbers.errors import FederError

KEPT = 8
"""Searches that are remembered; an older one is stopped and forgotten."""


class UnknownSearch(FederError):
    """A search was asked for that is not known, or no longer."""

    code = "unknown search"

    def __init__(self) -> None:
        super().__init__("this search is no longer known: start it again", key="search")


@dataclass
class Search:
    """One search: how far it has come, and what ends it."""

    id: str
    comfort: float
    stop: Stop = field(default_factory=Stop)
    progress: Progress = field(default_factory=Progress)


class Searches:
    """The searches of one application; one runs at a time, a new one stops the one before."""

    def __init__(self) -> None:
        self._lock, self._known = Lock(), OrderedDict[str, Search]()

    def start(self, comfort: float, work: Callable[[Search], None]) -> Search:
        """Begin a search; `work` does it, in a thread of its own."""
        made = Search(token_hex(8), comfort)
        with self._lock:
            for other in self._known.values():
                other.stop.set()
            self._known[made.id] = made
            while len(self._known) > KEPT:
                self._known.popitem(last=False)
        Thread(target=self._run, args=(made, work), daemon=True, name="search").start()
        return made

    def of(self, known: str) -> Search:
        """A search by its id. Raises `UnknownSearch`."""
        with self._lock:
            found = self._known.get(known)
        if found is None:
            raise UnknownSearch
        return found

    @staticmethod
    def _run(search: Search, work: Callable[[Search], None]) -> None:
        try:
            work(search)
        except FederError as error:
            search.progress.trouble = error.message
        except Exception:
            search.progress.trouble = "the search broke off; please report it"
            raise
        finally:
            search.progress.finished = True
