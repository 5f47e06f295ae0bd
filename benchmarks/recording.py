"""A recording of ten million lines: read, kept and held against a setup, beside a plain read of the same numbers.

python benchmarks/recording.py [lines]
"""

import sys
import tempfile
import time
from pathlib import Path

import numpy as np

from feder.core.benches.prove.recorded import read_against
from feder.core.benches.prove.vehicle import vehicle_of
from feder.core.document.base import PLACES
from feder.core.files.recording_csv import Chosen, read_recording
from feder.demo.nettle import nettle
from feder.store.database import open_database
from feder.store.garage import Garage
from feder.store.recordings import Recordings
from feder.units.parse import read_cell

BLOCK = 200_000


def main(lines: int) -> None:
    """Times of each step in s, and how many times a plain read they last."""
    rng = np.random.default_rng(1)
    with tempfile.TemporaryDirectory() as folder:
        file = Path(folder) / "long.csv"
        block = "\n".join(",".join(f"{x:.2f}" for x in row) for row in rng.normal(0, 8, (BLOCK, 4))) + "\n"
        file.write_text("fl,fr,rl,rr\n" + block * (lines // BLOCK))
        begun = time.perf_counter()
        with open(file, encoding="utf-8") as text:
            next(text)
            np.loadtxt(text, delimiter=",", max_rows=BLOCK * 5)
        plain = (time.perf_counter() - begun) * lines / (BLOCK * 5)
        sessions = open_database(Path(folder))
        vehicle = Garage(sessions).add(nettle()).id
        heard: list[int] = []

        def told(rows: int) -> bool:
            heard.append(rows)
            return True

        begun = time.perf_counter()
        with open(file, "rb") as data:
            made = read_recording(
                data, Chosen(dict(zip(PLACES, range(4), strict=True)), rate=1000.0), read_cell, told
            )
        read = time.perf_counter() - begun
        begun = time.perf_counter()
        Recordings(sessions).add(vehicle, "plan", "long", made, from_standing=True)
        kept = time.perf_counter() - begun
        begun = time.perf_counter()
        read_against(made.places, made.step, made.travel, 0, vehicle_of(nettle(), "plan"), from_standing=True)
        held = time.perf_counter() - begun
    told_of = f"{read / plain:.1f} of a plain read, progress told {len(heard)} times"
    sys.stdout.write(
        f"{lines} lines: read {read:.1f} s ({told_of}), kept {kept:.1f} s, held against a setup {held:.1f} s\n"
    )


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else 10_000_000)
