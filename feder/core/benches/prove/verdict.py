"""Two runs over the same road held against each other: rows of figures, each judged, and one sentence on top."""

from dataclasses import dataclass
from typing import Literal

from feder.core.benches.prove.figures import ALL, EndOn, Figures
from feder.core.document.base import ENDS, EndName
from feder.core.numbers.frozen import Frozen
from feder.core.report.shapes import Figure

Judged = Literal["better", "look", "same"]
RowName = Literal["comfort", "grip", "travel", "pitch", "roll", "dampers"]
WORTH = 0.02
"""Share of a figure from which a change is worth a word."""
WORTH_LOAD = 0.005
"""The same of the swing of a tyre's load, of the load at rest."""
WORTH_TRAVEL, WORTH_ANGLE, WORTH_TIME = 0.002, 0.0009, 0.05
"""The same of travel in m, of pitch and roll in rad, and of the time until pitch dies in s."""
GRAZE = 0.02
"""Share of a wheel's load up to which a stop that is touched is not met."""
HOT = 1.15
"""Factor of a damper's watts from which it runs hotter."""


class RunCell(Frozen):
    """A figure of one end, or of the body: as in the compared setup, and now."""

    words: str
    was: Figure
    now: Figure
    judged: Judged = "same"


class RunRow(Frozen):
    """One row of the verdict: what it tells of each end, whether it is better, and in words what changed."""

    name: RowName
    cells: list[RunCell]
    judged: Judged
    text: str
    numbers: dict[str, Figure]


class RunVerdict(Frozen):
    """The rows, and one sentence that says the worse things as plainly as the better ones."""

    text: str
    numbers: dict[str, Figure]
    rows: list[RunRow]


@dataclass(frozen=True)
class Both:
    """Figures of both runs, and whether they rest on an assumption."""

    now: Figures
    was: Figures
    loads: dict[EndName, float]
    """Tyre load of one wheel at rest."""
    assumed: bool = True

    def figure(self, value: float, unit: str) -> Figure:
        return Figure(float(value), unit, self.assumed)

    def ends(self, part: str = ALL) -> list[tuple[EndName, EndOn, EndOn]]:
        return [(e, self.was.ends[part][e], self.now.ends[part][e]) for e in ENDS]

    @property
    def parts(self) -> list[str]:
        """The stretches by themselves, where there is more than one."""
        own = [p for p in self.now.stretches if p != ALL]
        return own if len(own) > 1 else []


def verdict_of(both: Both, name: str, manoeuvre: str | None = None) -> RunVerdict:
    """The verdict on a setup of a name against the compared one."""
    rows = [_comfort(both), _grip(both), _travel(both), _pitch(both), _dampers(both)]
    if manoeuvre is not None:
        rows = [_pitch(both), _roll(both), _grip(both), _travel(both)]
    text, numbers = _sentence(both, rows, name)
    return RunVerdict(text=text, numbers=numbers, rows=rows)


def _relative(was: float, now: float) -> float:
    return (now - was) / was if was > 0 else 0.0


def _judged(change: float, worth: float) -> Judged:
    return "same" if abs(change) < worth else "look" if change > 0 else "better"


def _worst(marks: list[Judged]) -> Judged:
    return "look" if "look" in marks else "better" if "better" in marks else "same"


def _comfort(both: Both) -> RunRow:
    cells = [
        RunCell(
            words=end,
            was=both.figure(was.comfort, "m/s^2"),
            now=both.figure(now.comfort, "m/s^2"),
            judged=_judged(_relative(was.comfort, now.comfort), WORTH),
        )
        for end, was, now in both.ends()
    ]
    said = []
    for part in both.parts or [ALL]:
        each = [f"{end} {_signed(_relative(was.comfort, now.comfort))}" for end, was, now in both.ends(part)]
        said.append((f"{part} " if both.parts else "") + ", ".join(each))
    return RunRow(
        name="comfort",
        cells=cells,
        judged=_worst([c.judged for c in cells]),
        text="; ".join(said),
        numbers={},
    )


def _signed(change: float) -> str:
    """A change in percent, with its sign."""
    whole = round(100 * change)
    return f"~{'+' if whole > 0 else '−' if whole < 0 else ''}{abs(whole)} %"


def _grip(both: Both) -> RunRow:
    cells = [
        RunCell(
            words=end,
            was=both.figure(was.grip, ""),
            now=both.figure(now.grip, ""),
            judged=_judged(now.grip - was.grip, WORTH_LOAD),
        )
        for end, was, now in both.ends()
    ]
    said = []
    better, worse = _on_parts(both)
    if both.parts and better and worse:
        said.append(f"worse on {' and '.join(worse)}, better on {' and '.join(better)}")
    numbers: dict[str, Figure] = {}
    for end, was, now in both.ends():
        if was.air_time or now.air_time:
            numbers[f"{end}_air"], numbers[f"{end}_air_was"] = (
                both.figure(now.air_time, "s"), both.figure(was.air_time, "s"),
            )  # fmt: skip
            said.append(f"{end} off the ground {{{end}_air}}, was {{{end}_air_was}}")
    for end, was, now in both.ends():
        if not said and min(was.least, now.least) >= 0:
            numbers[f"{end}_least"] = both.figure(now.least / both.loads[end], "")
    if not said:
        said = ["least load of a wheel: front {front_least}, rear {rear_least} of what it carries at rest"]
    return RunRow(
        name="grip", cells=cells, judged=_worst([c.judged for c in cells]), text="; ".join(said),
        numbers=numbers,
    )  # fmt: skip


def _on_parts(both: Both) -> tuple[list[str], list[str]]:
    """The stretches on which the mean swing of the loads is less, and those on which it is more."""
    better: list[str] = []
    worse: list[str] = []
    for part in both.parts:
        change = sum(now.grip - was.grip for _, was, now in both.ends(part)) / 2
        if abs(change) >= WORTH_LOAD / 2:
            (worse if change > 0 else better).append(part)
    return better, worse


def met(both: Both, end: EndName, on: EndOn) -> bool:
    """Whether a stop is met harder than grazed."""
    return on.stop_force > GRAZE * both.loads[end]


def _travel(both: Both) -> RunRow:
    cells = [
        RunCell(words=end, was=both.figure(was.bump, "m"), now=both.figure(now.bump, "m"))
        for end, was, now in both.ends()
    ]
    marks: list[Judged] = []
    said: list[str] = []
    numbers: dict[str, Figure] = {}
    for end, was, now in both.ends():
        numbers[f"{end}_force"], numbers[f"{end}_force_was"] = (
            both.figure(now.stop_force, "N"), both.figure(was.stop_force, "N"),
        )  # fmt: skip
        if met(both, end, now) != met(both, end, was):
            marks.append("look" if met(both, end, now) else "better")
            said.append(
                f"{end} stop met, {{{end}_force}}; it was not" if met(both, end, now)
                else f"{end} stop not met, was with {{{end}_force_was}}"
            )  # fmt: skip
        elif met(both, end, now):
            harder = _relative(was.stop_force, now.stop_force)
            marks.append(_judged(harder, 0.1))
            said.append(f"{end} stop {{{end}_force}}, was {{{end}_force_was}}")
        if bool(now.topped_times) != bool(was.topped_times):
            marks.append("look" if now.topped_times else "better")
            said.append(f"{end} {'tops out, it did not' if now.topped_times else 'no longer tops out'}")
        elif now.topped_times:
            said.append(f"{end} tops out in both")
    if not said:
        said = ["no stop met, no end topped out"]
    return RunRow(name="travel", cells=cells, judged=_worst(marks), text="; ".join(said), numbers=numbers)


def _pitch(both: Both) -> RunRow:
    was, now = both.was.pitch[ALL], both.now.pitch[ALL]
    cells = [
        RunCell(
            words=words, was=both.figure(a, "rad"), now=both.figure(b, "rad"), judged=_judged(b - a, WORTH_ANGLE)
        )
        for words, a, b in (("nose down", -was.down, -now.down), ("nose up", was.up, now.up))
    ]
    marks = [c.judged for c in cells]
    numbers, text = {}, "pitch as a whole {rms}, was {rms_was}, root mean square"
    numbers["rms"], numbers["rms_was"] = both.figure(now.rms, "rad"), both.figure(was.rms, "rad")
    if was.dies is not None and now.dies is not None:
        marks.append(_judged(now.dies - was.dies, WORTH_TIME))
        numbers["dies"], numbers["dies_was"] = both.figure(now.dies, "s"), both.figure(was.dies, "s")
        text = "dies in {dies}, was {dies_was}"
    elif (was.dies is None) != (now.dies is None) and was.peak and now.peak:
        text = "it was still swinging when the next came, now it dies" if was.dies is None else (
            "still swinging when the next comes; it died before"
        )  # fmt: skip
        marks.append("better" if was.dies is None else "look")
    return RunRow(name="pitch", cells=cells, judged=_worst(marks), text=text, numbers=numbers)


def _roll(both: Both) -> RunRow:
    was, now = both.was.pitch[ALL].roll, both.now.pitch[ALL].roll
    cells = [RunCell(words="most", was=both.figure(was, "rad"), now=both.figure(now, "rad"))]
    return RunRow(name="roll", cells=cells, judged=_judged(now - was, WORTH_ANGLE), text="", numbers={})


def _dampers(both: Both) -> RunRow:
    cells = [
        RunCell(words=end, was=both.figure(was.watts, "W"), now=both.figure(now.watts, "W"))
        for end, was, now in both.ends()
    ]
    numbers = {f"{end}_fast": both.figure(now.fast, "") for end, _, now in both.ends()}
    hot = [now.watts > HOT * was.watts for _, was, now in both.ends()]
    cool = [now.watts * HOT < was.watts for _, was, now in both.ends()]
    return RunRow(
        name="dampers",
        cells=cells,
        judged="look" if any(hot) else "better" if any(cool) else "same",
        text=("hotter; " if any(hot) else "cooler; " if any(cool) else "no hotter; ")
        + "faster than 0.25 m/s for {front_fast} of the time front, {rear_fast} rear",
        numbers=numbers,
    )


def _sentence(both: Both, rows: list[RunRow], name: str) -> tuple[str, dict[str, Figure]]:
    """Better things first, then the worse ones behind a "but"; grip by stretch in a sentence of its own."""
    better: list[str] = []
    worse: list[str] = []
    numbers: dict[str, Figure] = {}
    known = {r.name: r for r in rows}
    kept = [e for e, was, now in both.ends() if met(both, e, was) and not met(both, e, now)]
    hit = [e for e, was, now in both.ends() if met(both, e, now) and not met(both, e, was)]
    free = [e for e, was, now in both.ends() if was.topped_times and not now.topped_times]
    tops = [e for e, was, now in both.ends() if now.topped_times and not was.topped_times]
    if kept and kept == free:
        better.append(f"keeps the {' and '.join(kept)} off its stop and off full droop")
        kept = free = []
    for ends, words, into in (
        (kept, "keeps the {} off its stop", better), (free, "keeps the {} off full droop", better),
        (hit, "meets the {} stop", worse), (tops, "tops out at the {}", worse),
    ):  # fmt: skip
        if ends:
            into.append(words.format(" and ".join(ends)))
    if "comfort" in known:
        change = sum(_relative(was.comfort, now.comfort) for _, was, now in both.ends()) / 2
        if abs(change) >= WORTH:
            numbers["ride"] = both.figure(abs(change), "")
            (worse if change > 0 else better).append(f"rides {{ride}} {'harsher' if change > 0 else 'softer'}")
    was, now = both.was.pitch[ALL], both.now.pitch[ALL]
    if abs(was.down - now.down) >= WORTH_ANGLE:
        (worse if now.down < was.down else better).append(
            "dips deeper at the nose" if now.down < was.down else "dips less at the nose"
        )
    if "roll" in known and known["roll"].judged != "same":
        (worse if known["roll"].judged == "look" else better).append(
            "rolls more" if known["roll"].judged == "look" else "rolls less"
        )
    good, bad = _on_parts(both)
    last = ""
    if good and bad:
        last = f" It grips better on {' and '.join(good)}, worse on {' and '.join(bad)}."
    else:
        change = sum(n.grip - w.grip for _, w, n in both.ends()) / 2
        if abs(change) >= WORTH_LOAD:
            (worse if change > 0 else better).append(f"grips {'worse' if change > 0 else 'better'}")
    said = _listed(better) + (", but " if better and worse else "") + _listed(worse)
    if not said:
        return f"“{name}” and what it is held against are alike on this road.{last}", numbers
    return f"“{name}” {said}.{last}", numbers


def _listed(clauses: list[str]) -> str:
    return clauses[0] if len(clauses) == 1 else ", ".join(clauses[:-1]) + " and " + clauses[-1] if clauses else ""
