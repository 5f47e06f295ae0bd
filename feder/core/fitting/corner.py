"""What is to be done at one corner: what differs between two setups there, and what hangs on it."""

from dataclasses import dataclass
from functools import cached_property

from feder.core.benches.index.bench import IndexBench, MoveRow
from feder.core.document.as_found import told
from feder.core.document.base import EndName, Place
from feder.core.document.conversion import EndChange
from feder.core.document.damper import DamperPart
from feder.core.document.document import Document
from feder.core.document.fitting import Fastener, Hangs
from feder.core.document.leaf import LeafPart
from feder.core.document.setup import AirSpringPart, BarSetting, Setup, SideSetup, SpringPart, StopTrim
from feder.core.document.vehicle import End
from feder.core.fitting.step import Done, Hand, Setting, Step, Use
from feder.core.numbers.quantities import G
from feder.core.report.shapes import CornerReport, Figure, Report
from feder.core.standing.facts import side_of

SAME = 5e-5
"""Settings nearer than this are the same, m (or rad)."""
USUAL_COUNT = {"tower nut": 3, "knuckle bolt": 2, "U-bolt nut": 4, "wheel bolt": 5, "top clamp bolt": 1}
HANGS = {
    "brake_hose": ("hose", "brake hose"),
    "wheel_lead": ("lead", "wheel-speed lead"),
    "level_rod": ("rod", "level rod"),
    "damper_cable": ("cable", "damper cable"),
}
"""What hangs on a corner: its member, its name in acts, its words."""


@dataclass(frozen=True)
class Corner:
    """One corner, or one wheel of a two-wheeler, on its way from one setup to another."""

    document: Document
    place: Place
    before: Setup
    after: Setup
    found: Report
    plan: Report
    bench: IndexBench | None = None
    """Of a torsion bar."""
    axle_comes_down: bool = False
    """Whether a live axle comes down for the spring of the other side."""

    @property
    def name(self) -> EndName:
        return self.place.end

    @cached_property
    def end(self) -> End:
        made: End = getattr(self.document.vehicle.ends, self.name)
        return made

    @property
    def change(self) -> EndChange | None:
        """What the new setup replaces of the end, where the old one did not."""
        made: EndChange | None = getattr(self.after, f"{self.name}_end")
        return made if made != getattr(self.before, f"{self.name}_end") else None

    @property
    def layout(self) -> str:
        changed: EndChange | None = getattr(self.before, f"{self.name}_end")
        return changed.layout if changed is not None and changed.layout is not None else self.end.layout

    @property
    def hangs(self) -> Hangs:
        return self.end.hangs

    @property
    def was(self) -> SideSetup:
        return side_of(self.before, self.place)

    @property
    def now(self) -> SideSetup:
        return side_of(self.after, self.place)

    @property
    def told_was(self) -> CornerReport:
        return self.found.corners[self.place]

    @property
    def told(self) -> CornerReport:
        return self.plan.corners[self.place]

    @property
    def told_other(self) -> CornerReport | None:
        return None if self.place.mirror is self.place else self.plan.corners[self.place.mirror]

    @property
    def hand(self) -> Hand:
        """L or R where left and right are two."""
        return "" if self.place.mirror is self.place else "L" if self.place.is_left else "R"

    # what differs

    @cached_property
    def damper(self) -> DamperPart | None:
        """The damper that shall stand here."""
        return self.now.damper or side_of(self.document.setups[0], self.place).damper

    @cached_property
    def damper_was(self) -> DamperPart | None:
        return self.was.damper or side_of(self.document.setups[0], self.place).damper

    @cached_property
    def stop(self) -> StopTrim | None:
        """The stop as it shall be: of this setup, or as found."""
        return self.now.stop or side_of(self.document.setups[0], self.place).stop

    @cached_property
    def differs(self) -> frozenset[str]:
        """Members of this corner that the new setup wants otherwise."""
        found = side_of(self.document.setups[0], self.place)
        members = {name for name in SETTINGS if told(self.now, found, name) != told(self.was, found, name)}
        if self.collar_moves:
            members.add("collar")
        if self.end.layout == "torsion arm" and self._turned:
            members.add("free_angle")
        if self.told.pressure is not None and _apart(self.told.pressure, self.told_was.pressure, 500.0):
            members.add("pressure")
        return frozenset(members)

    @property
    def collar_moves(self) -> bool:
        """Whether collar, cap or preload end elsewhere than they stood."""
        if not isinstance(self.now.spring, SpringPart) or self.told.collar is None:
            return False
        if self.told.angular_rate is not None:
            return False
        return _apart(self.told.collar, self.told_was.collar, SAME)

    @property
    def _turned(self) -> bool:
        return _apart(self.told.free_angle, self.told_was.free_angle, 1e-4)

    @property
    def bar_differs(self) -> bool:
        """Whether the anti-roll bar is hooked otherwise."""
        member = f"{self.name}_bar"
        was, now = (getattr(s, member) or BarSetting() for s in (self.before, self.after))
        return bool(was != now)

    @property
    def converts(self) -> bool:
        return self.change is not None

    @property
    def on_air(self) -> bool:
        return isinstance(self.now.spring, AirSpringPart)

    @property
    def on_leaves(self) -> bool:
        return isinstance(self.was.spring, LeafPart) or isinstance(self.now.spring, LeafPart)

    @property
    def spring_out(self) -> bool:
        """Whether the spring has to come out."""
        return bool(self.differs & {"spring", "second_spring", "stack", "pads", "seat", "fork_spacer"})

    @property
    def damper_out(self) -> bool:
        return bool(self.differs & {"damper", "stop", "top_mount", "body", "shock_length"})

    @property
    def opens(self) -> bool:
        """Whether the corner is taken apart."""
        return self.spring_out or self.damper_out

    @property
    def row(self) -> MoveRow | None:
        """The pair of spline moves taken, or the nearest one."""
        if self.bench is None or not self.bench.rows:
            return None
        return next((r for r in self.bench.rows if r.chosen), self.bench.rows[0])

    # words and numbers

    def covers(self, *members: str) -> tuple[str, ...]:
        """Which of these differ here, as a step tells them."""
        return tuple(f"{self.place.value}.{m}" for m in members if m in self.differs)

    def figure(self, name: str) -> Figure | None:
        made: Figure | None = getattr(self.told, name)
        return made

    def setting(self, words: str, name: str, **how: object) -> Setting:
        """A figure of the plan as it is set here, with the other side's."""
        other = None if self.told_other is None else getattr(self.told_other, name)
        return Setting(words, self.figure(name), other=other, **how)  # type: ignore[arg-type]

    def fastener(self, kind: str) -> Fastener | None:
        return next((f for f in self.document.fasteners if (f.end, f.kind) == (self.name, kind)), None)

    def use(self, kind: str, done: Done, count: int | None = None) -> Use:
        """Fasteners of a kind, as many and as often used as the vehicle's table says."""
        row = self.fastener(kind)
        told = row.count if row is not None and row.count is not None else None
        many = told or count or USUAL_COUNT.get(kind, 1)
        new = None if row is None else row.single_use
        return Use(self.name, kind, many, done, new)

    def step(self, name: str, text: str, short: str, why: str, **more: object) -> Step:
        key = f"{self.place.value}.{name}"
        return Step(key, self.place.value, text, short, why, hand=self.hand, **more)  # type: ignore[arg-type]

    @cached_property
    def _hung(self) -> dict[str, bool | None]:
        """What hangs here, or may, by member; a cable only of a damper that can have one."""
        found = {m: told for m in HANGS if (told := getattr(self.hangs, m)) is not False}
        electronic = any(d is not None and d.modes for d in (self.damper, self.damper_was))
        if not electronic and not found.get("damper_cable"):
            found.pop("damper_cable", None)
        return found

    def hung(self) -> list[str]:
        """What hangs here, or may, by its name in acts."""
        return [HANGS[m][0] for m in self._hung]

    def hung_words(self) -> tuple[list[str], list[str]]:
        """The same in words: what is known to hang here, and what nobody has told yet."""
        return [HANGS[m][1] for m, told in self._hung.items() if told], [
            HANGS[m][1] for m, told in self._hung.items() if told is None
        ]


SETTINGS = (
    *("spring", "second_spring", "beside", "damper", "stop", "pads", "stack", "body", "top_mount", "spacer"),
    *("rebound", "bump", "high_bump", "both", "mode", "fork_spacer", "oil_level", "oil_quantity", "oil_grade"),
    *("clamp", "shock_length", "tyre_pressure", "camber", "caster", "toe", "seat"),
)
"""What a setup tells of a corner and a hand can set; collar, plate and pressure follow from heights and are worked out."""


def as_mass(force: Figure) -> Figure:
    """A force as the mass whose weight it is: what a hand in a workshop can picture."""
    return Figure(float(force.value) / G, "kg", force.assumed)


def _apart(one: Figure | None, two: Figure | None, by: float) -> bool:
    if one is None:
        return False
    return two is None or abs(float(one.value) - float(two.value)) > by
