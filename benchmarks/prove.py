"""How fast a run is, against the same equations in plain C (needs a C compiler); and what a page waits for."""

import ctypes
import statistics
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

import numpy as np

from feder.core.benches.prove.bench import trialled, whys
from feder.core.benches.prove.kernel import march
from feder.core.benches.prove.road import road_of
from feder.core.benches.prove.roads import trial_of
from feder.core.benches.prove.run import STEP, Stop, Switches, _axles, _body, _forces, _wheels, run
from feder.core.benches.prove.search import search
from feder.core.benches.prove.tables import FASTEST, FINE, FINE_SPEED, REACH
from feder.core.benches.prove.vehicle import vehicle_of
from feder.core.document.road import RoadPiece, Trial
from feder.demo.nettle import nettle

LONG = Trial(pieces=(RoadPiece(kind="rough", length=500, road_class="C"),), speed=500 / 30)


def timed(work: Callable[[], object], times: int = 9) -> float:
    work()
    taken = []
    for _ in range(times):
        start = time.perf_counter()
        work()
        taken.append((time.perf_counter() - start) * 1e3)
    return statistics.median(taken)


def compiled() -> Callable[..., None]:
    folder = tempfile.mkdtemp()
    made = Path(folder) / "kernel.so"
    source = Path(__file__).with_name("kernel.c")
    subprocess.run(["cc", "-O2", "-shared", "-fPIC", "-o", str(made), str(source), "-lm"], check=True)
    return ctypes.CDLL(str(made)).march  # type: ignore[no-any-return]


def main() -> int:
    document = nettle()
    vehicle = vehicle_of(document, "plan")
    road, off = road_of(LONG, 1.39), Switches()
    count = 60_000
    grids = np.array([-REACH, FINE, -FASTEST, FINE_SPEED, LONG.speed, road.step, 0.01])
    wheels, axles, body = _wheels(vehicle, LONG, STEP, off), _axles(vehicle), _body(vehicle, LONG, off)
    tables = (
        _forces(vehicle),
        np.array([w.ratio for w in vehicle.wheels]),
        np.array([w.damper for w in vehicle.wheels]),
    )
    times, kept = np.arange(count + 1) * STEP, np.ones(count + 1, bool)
    records, drive, stop = np.zeros((count, 38)), np.zeros((2, 4000)), Stop().flag

    def ours() -> None:
        march(times, kept, 2, body, wheels, axles, *tables, grids, road.heights, drive, records, stop)

    plain, out = compiled(), np.zeros((count, 38))
    pointer = [np.ascontiguousarray(a, float) for a in (body[:3], wheels[:, :10], axles, *tables)]

    def theirs() -> None:
        told = [ctypes.c_void_p(a.ctypes.data) for a in pointer]
        sizes = ctypes.c_int(tables[0].shape[1]), ctypes.c_int(tables[2].shape[1])
        plain(
            ctypes.c_int(count), ctypes.c_double(STEP), *told, *sizes, ctypes.c_void_p(grids.ctypes.data),
            ctypes.c_void_p(road.heights.ctypes.data), ctypes.c_int(road.heights.shape[1]),
            ctypes.c_void_p(out.ctypes.data),
        )  # fmt: skip

    pairs = [(timed(ours, 1), timed(theirs, 1)) for _ in range(11)]
    mine, c = (statistics.median(p[k] for p in pairs) for k in (0, 1))
    apart = float(np.abs(records[:, :3] - out[:, :3]).max())
    ratio = statistics.median(a / b for a, b in pairs)
    print(f"30 s of road, whole car: {mine:.0f} ms, plain C {c:.0f} ms, ratio {ratio:.2f}; apart {apart:.1e} m")
    print(f"a whole run of it: {timed(lambda: run(vehicle, LONG)):.0f} ms")
    own = trial_of(document)
    both = timed(lambda: trialled(document, "plan", "found", own))
    print(f"two runs, figures, verdict and traces: {both:.0f} ms")
    print(f"reasons: {timed(lambda: whys(document, 'plan', 'found', own), 3):.0f} ms")
    found = timed(lambda: search(document, "plan", own, 0.2, Stop(), lambda p: None), 3)
    print(f"722 pairs and both ends together: {found:.0f} ms")
    return 0


if __name__ == "__main__":
    sys.exit(main())
