"""A log of ten thousand entries against one of a hundred: a page, the newest state, one entry more.

python -m benchmarks.log [--long 10000]
"""

import argparse
import sys
import tempfile
import time
from collections.abc import Callable, Iterator
from pathlib import Path
from statistics import median

from feder.core.document.base import Place
from feder.core.document.changes import sides_changed
from feder.core.document.entry import Entry
from feder.core.document.setup import Clicks, Setup
from feder.demo.settled import settled_nettle
from feder.store.database import open_database
from feder.store.garage import Garage
from feder.store.log import Log


def at(start: Setup, n: int) -> Setup:
    return sides_changed(start, {Place.FRONT_LEFT: {"rebound": Clicks(count=n % 18, of=18)}})


def timed(run: Callable[[], object], times: int = 40) -> float:
    taken = []
    for _ in range(times):
        start = time.perf_counter()
        run()
        taken.append((time.perf_counter() - start) * 1e3)
    return median(taken)


def main() -> None:
    asked = argparse.ArgumentParser(description=__doc__)
    asked.add_argument("--long", type=int, default=10_000)
    counts = (100, asked.parse_args().long)
    told, found = settled_nettle(), {}
    start = told.entries[0][0]
    with tempfile.TemporaryDirectory() as folder:
        sessions = open_database(Path(folder))
        garage, log = Garage(sessions), Log(sessions)
        for count in counts:
            vehicle = garage.add(told.document).id
            for n in range(1, count + 1):
                log.write(vehicle, at(start, n), Entry(id=f"e-{n}", at="2026-07-01T10:00"), [])
            more = iter(range(count + 1, count + 1000))

            def one_more(vehicle: str = vehicle, more: Iterator[int] = more) -> None:
                n = next(more)
                log.write(vehicle, at(start, n), Entry(id=f"e-{n}", at="2026-07-01T10:00"), [])

            found[count] = {
                "page": timed(lambda v=vehicle: log.page(v, "fitted")),
                "newest state": timed(lambda v=vehicle: log.last_state(v, "fitted")),
                "one entry more": timed(one_more),
            }
    for name, short in found[counts[0]].items():
        long = found[counts[1]][name]
        sys.stdout.write(
            f"{name:16} {short:7.2f} ms of {counts[0]}, {long:7.2f} ms of {counts[1]}: {long / short:.2f}\n"
        )


if __name__ == "__main__":
    main()
