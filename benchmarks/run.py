"""How fast Feder answers, as ratios to a baseline in the same run: a bare arithmetic loop, a bare Flask route.

Absolute times depend on the machine; quote the medians with the baseline beside them.
"""

import json
import statistics
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

from flask import Flask

from feder.api.app import create_app
from feder.core.benches.springs.candidates import candidates
from feder.core.document.document import Document
from feder.core.document.vehicle import BumpStopPart, GasCharge, Mount, RatioFromSweep
from feder.core.formulas.splines import spline_moves
from feder.core.report.evaluate import evaluate
from feder.core.report.uncertainty import uncertainty
from feder.demo.nettle import nettle
from feder.demo.springs import demo_springs


def timed(run: Callable[[], object], times: int = 200, warm: int = 20) -> tuple[float, float]:
    """Median and 95th percentile of one call, in ms."""
    for _ in range(warm):
        run()
    taken = []
    for _ in range(times):
        start = time.perf_counter()
        run()
        taken.append((time.perf_counter() - start) * 1e3)
    taken.sort()
    return statistics.median(taken), taken[int(0.95 * len(taken))]


def arithmetic() -> float:
    """The baseline: ten thousand multiplications and square roots in plain Python."""
    total = 0.0
    for i in range(10_000):
        total += (i * 1.0001) ** 0.5
    return total


def line(name: str, found: tuple[float, float], base: float) -> None:
    median, high = found
    sys.stdout.write(
        f"{name:44} median {median:7.2f} ms   p95 {high:7.2f} ms   {median / base:6.2f} of the baseline\n"
    )


def curved(car: Document) -> Document:
    """The demo car with a swept rear, bump stops and a gas charge."""
    stop = BumpStopPart(
        length=0.06, shaft=0.10, hub_to_arch=0.36, points=((0, 0), (0.01, 200), (0.02, 700), (0.03, 2000))
    )
    sweep = RatioFromSweep(
        points=tuple((0.402 - i * 0.0125, 0.182 - 0.72 * i * 0.0125 - 0.1 * (i * 0.0125) ** 2) for i in range(9))
    )
    gas = GasCharge(pressure=12e5, rod_diameter=0.02)
    ends = car.vehicle.ends
    made = ends.model_copy(
        update={
            "front": ends.front.model_copy(update={"bump_stop": stop, "gas": gas}),
            "rear": ends.rear.model_copy(update={"bump_stop": stop, "gas": gas, "spring": Mount(ratio=sweep)}),
        }
    )
    return car.model_copy(update={"vehicle": car.vehicle.model_copy(update={"ends": made})})


def main() -> None:
    """Print every figure with its ratio."""
    car, shelf = nettle(), demo_springs()
    swept = curved(car)
    base = timed(arithmetic)
    line("baseline: bare arithmetic loop", base, base[0])
    line("evaluate, demo car, alone", timed(lambda: evaluate(car, "plan")), base[0])
    line("evaluate, force tables and a sweep", timed(lambda: evaluate(swept, "plan")), base[0])
    line("evaluate, demo car, against as found", timed(lambda: evaluate(car, "plan", against="found")), base[0])
    line("candidates, shelf of 60", timed(lambda: candidates(car, "plan", "rear", shelf), 50), base[0])

    many = [p.model_copy(update={"code": f"s{i}"}) for i in range(334) for p in shelf]
    line("candidates, shelf of 20,000", timed(lambda: candidates(car, "plan", "rear", many), 20, 2), base[0])
    path = "corners.rear_left.frequency"
    line("uncertainty of one figure", timed(lambda: uncertainty(car, "plan", path), 20, 2), base[0])
    line("spline_moves 36/40", timed(lambda: spline_moves(36, 40, 0.06)), base[0])

    bare = Flask("bare")
    bare.add_url_rule("/", "bare", lambda: "{}", methods=["POST"])
    question = json.dumps({"document": car.model_dump(mode="json"), "setup": "plan", "against": "found"})
    with tempfile.TemporaryDirectory() as folder:
        client = create_app(Path(folder)).test_client()
        route = bare.test_client()
        flask = timed(lambda: route.post("/", data=question, content_type="application/json"))
        line("baseline: bare Flask route", flask, flask[0])
        ask = lambda: client.post("/api/evaluate", data=question, content_type="application/json")  # noqa: E731
        line("POST /api/evaluate, demo car", timed(ask), flask[0])


if __name__ == "__main__":
    main()
