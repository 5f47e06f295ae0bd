"""Set down, on hidden vehicles: do intervals hold, are planted mistakes named, are honest vehicles left alone?

    python -m benchmarks.settle [--count 500] [--seed 1] [--at-once 2]

Half of the vehicles hide one mistake. Corrections are tried on honest ones, by means of four readings.
"""

import argparse
import random
import sys
import time
from concurrent.futures import ProcessPoolExecutor
from typing import Any

from feder.core.benches.settle.learn import learn
from feder.core.benches.settle.setdown import set_down
from feder.core.document.document import Document
from feder.core.document.survey import Check, Reading, Survey
from feder.core.report.evaluate import evaluate_plain
from feder.demo.settled import settled_nettle
from feder.demo.springs import demo_springs
from tests.reference.hidden import CORNERS, MISTAKES, SAYS, decided, drawn

SETUP = "fitted"
NEAR = 0.002


def told_vehicle() -> Document:
    """The demo's fitted car before anything was read of it."""
    car = settled_nettle().document
    fitted = car.setups[-1]
    first = settled_nettle().entries[0][0]
    return car.but(setups=(*car.setups[:-1], first.but(id=fitted.id)), surveys=car.surveys[:1])


def with_round(car: Document, read: dict[str, list[float]], checks: tuple[Check, ...] = ()) -> Document:
    """The document with a round of readings."""
    readings = tuple(
        Reading(place=p, quantity="hub_to_arch", value=v) for p, values in read.items() for v in values
    )
    made = Survey(id="round", setup=SETUP, readings=readings, checks=checks)
    return car.but(surveys=(*car.surveys[:1], made))


def one(seed: int) -> dict[str, Any]:
    """One hidden vehicle: what was said of it, against what it hides."""
    dice, car = random.Random(seed), told_vehicle()
    plain, index = car.model_dump(mode="json"), len(car.setups) - 1
    honest = seed % 2 == 0
    hidden = drawn(plain, index, dice, None if honest else MISTAKES[(seed // 2) % len(MISTAKES)])
    heights = hidden.heights()
    made: dict[str, Any] = {"honest": honest, "mistake": hidden.mistake}
    read = hidden.read(dice, 2 if not honest else 1, heights)
    found = learn(with_round(car, read), SETUP)
    assert found is not None
    if honest:
        made["inside"] = sum(r.low <= r.read <= r.high for r in found.rows)
        made["accused"] = not found.ordinary
        four = hidden.read(dice, 4, heights)
        round_one = set_down(with_round(car, four), SETUP)
        collars = {r.place.value: r.turn.move for r in round_one.rows if r.turn is not None and r.turn.move}
        wanted = {r.place.value: r.wanted for r in round_one.rows}
        after = hidden.stands_at(collars)
        made["worst"] = max(abs(after[p] - (wanted[p] or 0.0)) for p in CORNERS)
        made["turned"] = len(collars)
    else:
        means = {p: sum(v) / len(v) for p, v in read.items()}
        total = sum(float(c.mass.value) for c in evaluate_plain(car, SETUP).corners.values() if c.mass is not None)
        check = Check.model_validate(decided(hidden, means, total))
        springs = demo_springs()
        told = learn(with_round(car, read, (check,)), SETUP, shelf=springs)
        assert told is not None
        first = told.causes[0] if told.causes else None
        place = hidden.place or "vehicle"
        made["noticed"] = not found.ordinary
        made["first"] = (
            first is not None
            and any(w in first.words for w in SAYS[hidden.mistake or ""])
            and (first.place == place or hidden.mistake in ("load", "exchanged"))
        )
        made["said"] = f"{first.place}: {first.words}" if first else "nothing"
        made["hid"] = f"{place}: {hidden.mistake} {hidden.size:.4g}"
    return made


def main() -> None:
    asked = argparse.ArgumentParser(description=__doc__)
    asked.add_argument("--count", type=int, default=500)
    asked.add_argument("--seed", type=int, default=1)
    asked.add_argument("--at-once", type=int, default=2)
    args = asked.parse_args()
    start = time.perf_counter()
    seeds = [args.seed * 100_000 + i for i in range(args.count)]
    with ProcessPoolExecutor(args.at_once) as pool:
        rows = list(pool.map(one, seeds, chunksize=4))
    honest, wrong = [r for r in rows if r["honest"]], [r for r in rows if not r["honest"]]
    out = sys.stdout.write
    inside = sum(r["inside"] for r in honest) / (4 * len(honest))
    out(f"{len(honest)} honest: {inside:.1%} of readings inside their interval (93 to 97 % wanted)\n")
    out(f"  accused of a mistake {sum(r['accused'] for r in honest) / len(honest):.1%} (at most 5 %)\n")
    level = sum(r["worst"] <= NEAR for r in honest) / len(honest)
    turned = sum(r["turned"] for r in honest) / len(honest)
    out(f"  all four within 2 mm after one round {level:.1%} (95 %), {turned:.1f} corners turned\n")
    out(f"{len(wrong)} with a mistake: noticed {sum(r['noticed'] for r in wrong) / len(wrong):.1%}\n")
    first = sum(r["first"] for r in wrong) / len(wrong)
    out(f"  named first, the deciding reading given {first:.1%} (80 %)\n")
    for kind in MISTAKES:
        mine = [r for r in wrong if r["mistake"] == kind]
        if mine:
            out(f"    {kind:10} {sum(r['first'] for r in mine):3} of {len(mine)}\n")
    for r in [r for r in wrong if not r["first"]][:12]:
        out(f"    hid {r['hid']}: said {r['said']}\n")
    out(f"{time.perf_counter() - start:.0f} s\n")


if __name__ == "__main__":
    main()
