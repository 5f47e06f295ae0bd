"""One step of a job card: its words, its settings, what it undoes or does up, and what it leaves for ride height."""

from dataclasses import dataclass, field
from typing import Literal

from feder.core.report.shapes import Figure

Hand = Literal["L", "R", ""]
State = Literal["new", "reused"]
Done = Literal["slack", "out", "hand", "tight", "ride"]
"""What happens to a fastener: slackened and left in, out, done up by hand, to its torque, or left for ride height."""


@dataclass(frozen=True, slots=True)
class Setting:
    """A number or a word that is set in a step, with what the other side is set to."""

    words: str
    value: Figure | None = None
    text: str = ""
    kind: str | None = None
    """How a length is shown: "fine length" to a tenth."""
    signed: bool = False
    other: Figure | None = None
    other_text: str = ""


@dataclass(frozen=True, slots=True)
class Use:
    """Fasteners of a kind that a step touches at one side."""

    end: str
    kind: str
    count: int
    done: Done
    new: bool | None = None
    """Whether they are used once and renewed; nothing where nobody has said so yet."""


@dataclass(frozen=True, slots=True)
class Part:
    """A part that a step puts in."""

    name: str
    code: str = ""
    hand: Hand = ""
    count: int = 1
    state: State = "new"


@dataclass(frozen=True, slots=True)
class Step:
    """One step. `text` has places for `numbers`; the key stays the same as long as the step does."""

    key: str
    group: str
    text: str
    short: str
    why: str
    caution: str = ""
    numbers: dict[str, Figure] = field(default_factory=dict)
    energy: bool = False
    """Whether a loaded spring, a wound bar or pressure is at hand in it."""
    settings: tuple[Setting, ...] = ()
    uses: tuple[Use, ...] = ()
    parts: tuple[Part, ...] = ()
    tools: tuple[str, ...] = ()
    acts: tuple[str, ...] = ()
    """What it does to the vehicle, "verb:thing"."""
    covers: tuple[str, ...] = ()
    """The members of the setups whose difference it brings onto the vehicle, "place.member"."""
    hand: Hand = ""
    """The side it is done at, where left and right are two."""
    look: bool = False
    """Whether a part is judged in it: sound, or not."""
    own: bool = False
    """Whether the workshop wrote it."""
    mark: str = ""
    """Changes with what the step tells to do; a tick holds for the mark it was made under."""
