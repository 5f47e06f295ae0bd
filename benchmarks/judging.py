"""Looking for mistakes, beside working out the figures: how long it takes, on sound and on mistaken vehicles.

python -m benchmarks.judging [--cars 30]
"""

import argparse
import sys
import time
from collections.abc import Callable
from functools import partial
from statistics import median

from feder.core.causes.told import judgement
from feder.core.document.document import Document
from feder.core.report.evaluate import evaluate
from tests.judging.hands import told
from tests.judging.honest import honest_car, honest_cycle
from tests.judging.kinds import KINDS
from tests.judging.mistakes import MISTAKES
from tests.judging.test_honest import accused


def once(run: Callable[[], object]) -> float:
    start = time.perf_counter()
    run()
    return (time.perf_counter() - start) * 1e3


def fresh(document: Document) -> Document:
    """The same content in other objects: nothing that was kept of it counts."""
    return Document.model_validate_json(document.model_dump_json())


def times(table: list[tuple[Document, str]]) -> tuple[float, float, float]:
    """Median of the figures, median and slowest of the judgement, ms."""
    figures: list[float] = []
    judged: list[float] = []
    for document, setup in table:
        for ask, taken in ((evaluate, figures), (judgement, judged)):
            taken.append(once(partial(ask, fresh(document), setup)))
    return median(figures), median(judged), max(judged)


def named(cars: int) -> tuple[int, int]:
    """Of how many mistakes put into drawn cars the cause is told first."""
    good = made = 0
    for seed in range(9000, 9000 + cars):
        honest = honest_car(seed)
        before = {(t.rule, t.place) for t in told(honest, "found")}
        for make, rules in KINDS.values():
            mistaken = make(honest, "front" if seed % 2 == 0 else "rear") or make(honest, "front")
            if mistaken is None:
                continue
            new = [t for t in told(mistaken, "found") if (t.rule, t.place) not in before]
            made += 1
            good += bool(new) and new[0].rule in rules
    return good, made


def main() -> None:
    asked = argparse.ArgumentParser(description=__doc__)
    asked.add_argument("--cars", type=int, default=30)
    cars = asked.parse_args().cars
    sound = [(m.honest(), m.setup) for m in MISTAKES]
    wrong = [(m.made(m.honest()), m.setup) for m in MISTAKES]
    for words, table in (("sound", sound), ("mistaken", wrong)):
        figures, judged, slowest = times(table)
        share = judged / figures
        sys.stdout.write(
            f"{words}: judgement {judged:.0f} ms, {share:.1f} of the figures; slowest {slowest:.0f} ms\n"
        )
    good, made = named(cars)
    sys.stdout.write(f"named first in drawn cars: {good} of {made}\n")
    for make, count in ((honest_car, 10 * cars), (honest_cycle, 5 * cars)):
        accusing = sum(bool(accused(make(seed))) for seed in range(20_000, 20_000 + count))
        sys.stdout.write(f"{make.__name__}s accused: {accusing} of {count}\n")


if __name__ == "__main__":
    main()
