"""What speaks against a setup on the road it was driven over: simulated, and said so."""

from collections.abc import Iterator

from feder.core.benches.prove.figures import ALL, EndOn
from feder.core.benches.prove.verdict import Both
from feder.core.document.base import ENDS
from feder.core.practice.thresholds import AIR_LOOK, DIVE_LOOK, HARSHER, STOP_HARD
from feder.core.report.shapes import Finding, Mend

SIMULATED = " Simulated, on the road that is chosen."


def run_findings(both: Both, comfort: float, *, braking: bool = False) -> list[Finding]:
    """The findings of a run; `comfort` is how much the brief weighs comfort against grip."""
    return [*_ends(both), *_harsher(both, comfort), *(_dives(both) if braking else ())]


def _ends(both: Both) -> Iterator[Finding]:
    for end in ENDS:
        now, load = both.now.ends[ALL][end], both.loads[end]
        if now.stop_force > STOP_HARD * load:
            yield Finding(
                rule="run_stop_hard",
                grade="look",
                place=end,
                station="prove",
                text="The stop is met with {force}, {share} of what the wheel carries at rest",
                numbers={
                    "force": both.figure(now.stop_force, "N"),
                    "share": both.figure(now.stop_force / load, ""),
                },
                reason="A stop met hard throws the load of the wheel up and down at once." + SIMULATED,
                mend=Mend(
                    text="More bump travel, a stiffer spring, more bump damping, or a softer and longer stop"
                ),
            )
        yield from _off_the_ground(both, end, now)
        if now.topped_times:
            yield Finding(
                rule="run_tops_out",
                grade="look",
                place=end,
                station="prove",
                text="It tops out: {time} at full droop",
                numbers={"time": both.figure(now.topped_time, "s")},
                reason="At full droop the damper hangs on its rod, and the wheel no longer follows the road."
                + SIMULATED,
                mend=Mend(text="More droop travel, less rebound damping, or a higher ride"),
            )


def _off_the_ground(both: Both, end: str, now: EndOn) -> Iterator[Finding]:
    if now.air_time > AIR_LOOK:
        yield Finding(
            rule="run_off_the_ground",
            grade="look",
            place=end,
            station="prove",
            text="A wheel is off the ground for {time}",
            numbers={"time": both.figure(now.air_time, "s")},
            reason="A wheel in the air neither steers nor brakes." + SIMULATED,
            mend=Mend(text="Softer springs, less rebound damping, or slower here"),
        )


def _harsher(both: Both, comfort: float) -> Iterator[Finding]:
    was, now = ([f.ends[ALL][e].comfort for e in ENDS] for f in (both.was, both.now))
    change = sum(now) / sum(was) - 1 if sum(was) > 0 else 0.0
    if comfort >= 0.5 and change > HARSHER:
        yield Finding(
            rule="run_harsher",
            grade="look",
            place="vehicle",
            station="prove",
            text="It rides {change} harsher, and the brief asks for comfort",
            numbers={"change": both.figure(change, "")},
            reason="Weighted acceleration of the body over both axles, against the compared setup." + SIMULATED,
            mend=Mend(
                text="Softer springs, or dampers nearer to the wanted band; or say in the brief that grip counts"
            ),
        )


def _dives(both: Both) -> Iterator[Finding]:
    dive = -both.now.pitch[ALL].down
    if dive > DIVE_LOOK:
        yield Finding(
            rule="run_dives",
            grade="look",
            place="vehicle",
            station="prove",
            text="The nose dives by {dive} in braking",
            numbers={"dive": both.figure(dive, "rad")},
            reason="Much dive takes bump travel at the front and load off the rear before the road does."
            + SIMULATED,
            mend=Mend(text="Stiffer front springs, or more low-speed bump at the front and rebound at the rear"),
        )
