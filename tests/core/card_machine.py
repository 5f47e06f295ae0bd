"""A vehicle as a heap of parts and supports, which refuses any step that its state does not allow.

It knows nothing of how a card is made: only what falls, tears, springs or is forgotten.
"""

from dataclasses import dataclass, field


class Refused(Exception):
    """A step that would drop, tear or forget something."""


@dataclass
class Wheel:
    """One corner, or one wheel."""

    layout: str
    hooked: set[str]
    rubber: bool
    """Whether arm bushes have to be slack before the arm comes down."""
    spring: bool
    """Whether the spring is loaded as it hangs."""
    air: bool = False
    bar: bool = False
    leaf: bool = False
    on: bool = True
    arm: str = "hangs"
    out: set[str] = field(default_factory=set)
    slack: set[str] = field(default_factory=set)
    hand: set[str] = field(default_factory=set)
    marked: set[str] = field(default_factory=set)
    unit_in: bool = True
    closed: bool = True
    parts: set[str] = field(default_factory=lambda: {"spring", "damper", "unit", "bar", "legs"})
    loaded: bool = True
    pressed: bool = True
    plate: bool = True


class Vehicle:
    """The whole, from standing as found to standing as planned."""

    def __init__(self, wheels: dict[str, Wheel], *, car: bool) -> None:
        self.wheels, self.car = wheels, car
        self.support, self.bolts, self.rolled, self.aligned = "ground", "tight", False, True
        self.looked: set[str] = set()

    def do(self, step) -> None:
        """All acts of a step, in their order."""
        where = step.key.split(".")[0]
        wheel = self.wheels.get(where)
        for act in step.acts:
            verb, thing = act.split(":")
            try:
                getattr(self, f"_{verb}")(thing, wheel, step)
            except Refused as refused:
                raise Refused(f"{step.key}, {act}: {refused}") from None
        for use in step.uses:
            if use.done == "ride" and self.support == "ground":
                raise Refused(f"{step.key}: {use.kind} is left for later on the ground")

    def finished(self) -> None:
        """Refuses a vehicle that is left undone."""
        need(self.support == "ground", "it still stands on its stands")
        need(self.bolts == "tight", "wheel bolts are not tight")
        for place, wheel in self.wheels.items():
            need(wheel.on, f"{place}: wheel off")
            need(not wheel.out, f"{place}: {wheel.out} out")
            need(not wheel.slack, f"{place}: {wheel.slack} slack")
            need(not wheel.hand, f"{place}: {wheel.hand} by hand")
            need(not self._hanging(wheel), f"{place}: {self._hanging(wheel)} unhooked")
            need(wheel.unit_in and wheel.closed, f"{place}: the unit is not in")
            need(wheel.arm == "hangs", f"{place}: a jack is left under the arm")
            need(wheel.plate or not wheel.bar, f"{place}: plate off")
            need("spring" in wheel.parts or wheel.bar, f"{place}: nothing carries")
            need(wheel.loaded or not wheel.bar or "bar" not in wheel.parts, f"{place}: the bar carries nothing")
            need(wheel.pressed or not wheel.air, f"{place}: no air")

    # what a hand does

    def _look(self, thing, _wheel, _step):
        self.looked.add(thing)

    def _drive(self, _thing, _wheel, _step):
        self.finished()

    def _workshop(self, _thing, _wheel, _step):
        pass

    def _set(self, thing, wheel, step):
        if thing == "alignment":
            self.aligned = True
        if (
            thing in ("collar", "free angle")
            and wheel is not None
            and wheel.layout != "fork"
            and wheel.loaded
            and wheel.spring
        ):
            need(step.energy and step.caution, "turned under load without a word of caution")
        if thing == "oil" and not wheel.air:
            need("spring" not in wheel.parts, "the level is read with the springs out")
        if thing == "clamp":
            need({"top clamp", "bottom clamp"} <= wheel.slack, "the tubes are held")
        if thing == "body" and wheel.layout in ("divorced", "live axle", "torsion arm"):
            need("eye" in wheel.out, "a body held at both ends does not turn")

    def _support(self, thing, _wheel, _step):
        if thing == "stands":
            need(self.bolts == "slack", "wheel bolts do not come loose on stands")
            need("survey" in self.looked, "nobody kept how it stood")
        if thing == "ground":
            for place, wheel in self.wheels.items():
                need(wheel.on, f"{place}: no wheel")
                need(not wheel.out, f"{place}: {wheel.out} out")
                need(wheel.hand <= {"bush", "eye", "tower", "spring eye"}, f"{place}: {wheel.hand} only by hand")
                need(not self._hanging(wheel), f"{place}: {self._hanging(wheel)} unhooked")
                need(wheel.arm == "hangs", f"{place}: arm on a jack")
                need(wheel.unit_in and wheel.closed and "spring" in wheel.parts, f"{place}: not together")
        else:
            need(self.support == "ground", "it is up already")
        self.support = thing

    def _roll(self, _thing, _wheel, _step):
        need(self.support == "ground", "it cannot roll on stands")
        need(self.bolts == "tight", "wheel bolts are not tight")
        self.rolled = True

    def _wheel(self, thing, wheel, _step):
        if thing == "on" and wheel is None:
            for other in self.wheels.values():
                other.on = True
            self.bolts = "hand" if self.bolts == "slack" else self.bolts
            return
        need(self.support != "ground", "it stands on this wheel")
        need(not self.car or self.bolts == "slack", "its bolts are tight")
        if not self.car and thing == "off":
            need("hose" not in wheel.hooked, "the caliper holds the wheel")
        if thing == "on":
            need("legs" in wheel.parts and "bottom clamp" not in wheel.slack, "the legs are not held")
        wheel.on = thing == "on"

    def _hanging(self, wheel):
        return getattr(wheel, "unhooked", set())

    def _unhook(self, thing, wheel, _step):
        need(self.support != "ground", "not on the ground")
        need(not self.car or not wheel.on, "the wheel is in the way")
        wheel.unhooked = self._hanging(wheel) | {thing}
        wheel.hooked.discard(thing)

    def _hook(self, thing, wheel, _step):
        need(thing in self._hanging(wheel), "it was never off")
        need(wheel.unit_in and wheel.arm in ("hangs", "held"), "what it hangs on is not in its place")
        wheel.unhooked.discard(thing)
        wheel.hooked.add(thing)

    def _slack(self, thing, wheel, _step):
        if thing == "wheel bolt":
            need(self.support == "ground", "on stands the wheel turns")
            self.bolts = "slack"
            return
        if thing == "arm bolt":
            need(not wheel.on, "the wheel is in the way")
        if "clamp" in thing:
            need(self.support == "strap", "the bike comes down on its nose")
        if thing == "arm bolt":
            wheel.rubber = False
            wheel.hand.add("bush")
        wheel.slack.add(thing)

    def _tight(self, thing, wheel, _step):
        if thing == "wheel bolt":
            need(self.support == "ground", "the wheel turns in the air")
            self.bolts = "tight"
            return
        if thing == "tower" and wheel is None:
            for other in self.wheels.values():
                other.hand.discard("tower")
            return
        if thing in ("foot", "head", "eye", "tower"):
            need(wheel.unit_in, "the unit is not in")
        if thing == "eye":
            need(wheel.arm != "lowered", "the holes do not meet")
        if thing == "plate":
            wheel.plate = True
        if thing == "cap":
            need("spring" in wheel.parts, "the leg is empty")
        if thing == "top clamp":
            need("cap" not in wheel.out, "a tight clamp holds the cap's thread")
        wheel.out.discard(thing)
        wheel.slack.discard(thing)
        wheel.hand.discard(thing)

    def _hand(self, thing, wheel, _step):
        need(thing in wheel.out, "it is not out")
        if thing == "eye":
            need(wheel.arm != "lowered", "the holes do not meet")
        wheel.out.discard(thing)
        wheel.hand.add(thing)

    def _mark(self, thing, wheel, _step):
        if wheel is not None:
            wheel.marked.add(thing)

    def _tie(self, _thing, wheel, _step):
        need("foot" in wheel.out, "nothing to tie yet")
        wheel.arm = "tied"

    def _untie(self, _thing, wheel, _step):
        need(wheel.unit_in, "the hub has nothing to hold it")
        wheel.arm = "hangs"

    def _hold(self, _thing, wheel, _step):
        need(self.support != "ground", "on the ground it carries")
        wheel.arm = "held"

    def _free(self, _thing, wheel, _step):
        need("eye" not in wheel.out, "nothing holds the arm but the jack")
        wheel.arm = "hangs"

    def _lower(self, _thing, wheel, step):
        need(wheel.arm == "held", "nothing carries it down")
        need("eye" in wheel.out, "the damper holds it")
        need(not wheel.hooked & {"hose", "lead", "rod", "link", "cable"}, f"{wheel.hooked} is torn")
        need(not wheel.rubber, "the bushes are twisted")
        if wheel.layout == "live axle" and not wheel.leaf:
            mirror = step.key.split(".")[0]
            other = self.wheels[mirror.replace("left", "*").replace("right", "left").replace("*", "right")]
            need("eye" in other.out, "the other damper holds the axle askew")
        wheel.arm = "lowered"

    def _raise(self, _thing, wheel, _step):
        need(wheel.arm in ("held", "lowered"), "no jack is under it")
        need("spring" in wheel.parts or wheel.bar, "the spring lies on the bench")
        wheel.arm = "held"

    def _out(self, thing, wheel, _step):
        if thing in ("foot",):
            need(not wheel.hooked & {"hose", "lead", "rod", "link", "cable"}, f"{wheel.hooked} is torn")
            need(not wheel.rubber, "the bushes are twisted")
            need("foot" in wheel.marked, "nobody finds camber again")
        if thing == "eye":
            need(wheel.arm == "held", "the arm falls")
        if thing == "tower" and wheel.layout == "strut":
            need("foot" in wheel.out, "the foot still holds")
        if thing == "plate":
            need("bar" in wheel.marked, "no mark to go back to")
            need(not wheel.loaded, "the bar is wound")
            wheel.plate = False
            return
        if thing == "cap":
            need("top clamp" in wheel.slack, "the clamp holds the cap's thread")
            need(not wheel.air or not wheel.pressed, "under pressure the cap flies off")
            wheel.loaded = False
        if thing in ("U-bolt", "spring eye"):
            need(not wheel.loaded, "the leaf is under load")
        wheel.out.add(thing)

    def _take(self, thing, wheel, _step):
        if thing == "unit":
            held = {"strut": {"foot", "tower"}, "wishbone": {"eye", "tower"}}.get(wheel.layout, {"eye", "head"})
            need(held <= wheel.out, f"held by {held - wheel.out}")
            wheel.unit_in = False
        if thing == "spring":
            need(not wheel.loaded or not wheel.spring, "it is loaded")
            need(not wheel.air or not wheel.pressed, "it is under pressure")
        if thing == "damper" and wheel.layout in ("divorced", "live axle", "torsion arm"):
            need({"eye", "rod"} <= wheel.out, "it is held")
        if thing == "bar":
            need(not wheel.plate, "the plate holds it")
        if thing == "legs":
            need({"top clamp", "bottom clamp"} <= wheel.slack, "the clamps hold them")
            need(not wheel.on, "the wheel is in")
        wheel.parts.discard(thing)

    def _put(self, thing, wheel, _step):
        if thing == "unit":
            need(wheel.closed, "its rod nut is off")
            wheel.unit_in = True
        if thing in ("spring", "stop") and wheel.layout in ("strut", "wishbone"):
            need(not wheel.closed, "the unit is shut")
        if thing == "spring" and wheel.layout in ("divorced", "live axle"):
            need(wheel.arm == "lowered", "there is no room")
        if thing == "legs":
            need("cap" not in wheel.out, "they spill")
        if thing == "bar":
            need(not wheel.plate, "the plate is on")
        wheel.parts.add(thing)

    def _unload(self, _thing, wheel, step):
        if wheel.layout in ("strut", "wishbone", "linkage", "twin shock"):
            need(not wheel.unit_in, "it is still in the vehicle")
        else:
            need(wheel.arm == "lowered", "the arm is up")
        if wheel.spring:
            need(step.energy and step.caution, "a loaded spring without a word of caution")
        wheel.loaded = False

    def _load(self, _thing, wheel, _step):
        need("spring" in wheel.parts or wheel.bar, "there is no spring")
        if wheel.bar and "bar" in wheel.parts:
            need(wheel.plate, "the plate is off")
        wheel.loaded = True

    def _open(self, _thing, wheel, _step):
        need(not wheel.unit_in, "it is still in the vehicle")
        need(not wheel.loaded or not wheel.spring, "the nut of the rod holds a loaded spring")
        wheel.closed = False
        wheel.parts.discard("spring")

    def _close(self, _thing, wheel, _step):
        need("spring" in wheel.parts, "no spring is in it")
        wheel.closed = True

    def _air(self, thing, wheel, step):
        if thing == "out":
            need(step.energy and step.caution, "pressure without a word of caution")
        else:
            need("cap" not in wheel.out and wheel.unit_in, "it is open")
        wheel.pressed = thing == "in"
        wheel.loaded = thing == "in"

    def _ride(self, _thing, _wheel, _step):
        need(self.support == "ground" and self.rolled, "not at ride height yet")
        for wheel in self.wheels.values():
            wheel.slack.discard("arm bolt")
            wheel.hand -= {"eye", "bush", "spring eye"}


def need(held: bool, why: str) -> None:
    if not held:
        raise Refused(why)
