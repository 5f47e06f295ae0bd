"""Made-up bounce tests of the hatchback, as a logger wrote them: one damper worn, two sound, one not bounced."""

from pathlib import Path

from feder.core.document.base import Place
from feder.core.document.bounce import Bounce, LetGo
from feder.core.files.logger_csv import logger_file
from feder.units.parse import read_cell

FILES = Path(__file__).parent / "bounce"
EACH = 3


def nettle_bounces() -> tuple[Bounce, ...]:
    """Three let-goes of each corner that was bounced; of the worn one the heights off a film too."""
    return (
        Bounce(place=Place.FRONT_LEFT, runs=_runs("front-left"), rest=0.656, low=0.620, next_low=0.644),
        Bounce(place=Place.FRONT_RIGHT, runs=_runs("front-right")),
        Bounce(place=Place.REAR_LEFT, runs=_runs("rear-left")),
    )


def _runs(corner: str) -> tuple[LetGo, ...]:
    runs = []
    for n in range(1, EACH + 1):
        file = FILES / f"{corner}-{n}.csv"
        run = logger_file(file.read_bytes(), read_cell, name=file.name).run
        assert run is not None
        runs.append(run)
    return tuple(runs)
