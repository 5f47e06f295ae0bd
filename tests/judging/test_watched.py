"""What is looked for is listed whole: every rule told, every check made, every mistake guessed."""

import re
from pathlib import Path

from feder.core.causes import judge
from feder.core.causes.guess import Typed
from feder.core.causes.judge import guesses
from feder.core.causes.told import judgement
from feder.core.causes.watched import watched
from feder.core.causes.words import MISTAKES
from feder.core.report.evaluate import evaluate
from feder.core.report.findings import case as findings
from feder.demo.sedge import sedge
from feder.demo.teasel import teasel
from tests.judging.hands import FRONT, REAR, side
from tests.judging.mistakes import MISTAKES as TABLE


def test_a_number_of_any_size_can_be_stood_by():
    """A bar of a hundredth of a millimetre, and a quoted drop longer than its spring: told, and nothing refused."""
    thin = side(teasel(), 0, FRONT, {"spring/diameter": 2.7e-5})
    assert any(f.rule == "odd_bar_diameter" for f in evaluate(thin, "found").findings)
    long = side(sedge(), 1, REAR, {"spring/quoted_drop": 1.5, "spring/free_length": None, "set_by": "collar"})
    assert evaluate(long, "plan").corners["rear_left"].drop is None
    assert judgement(long, "plan").tried == []


def test_a_reason_with_alternatives_says_nothing_twice():
    reasons = {w.rule: w.reason for w in watched()}
    assert reasons["stop_too_short"].count("A stop squeezes to about half its length") == 1
    assert "No length works here" in reasons["stop_too_short"]
    assert not [rule for rule, reason in reasons.items() if not reason.endswith(".")]


def test_every_finding_in_the_sources_is_listed():
    folder = Path(findings.__file__).parent
    named = {
        r for file in folder.glob("*.py") for r in re.findall(r'rule="(\w+)"', file.read_text(encoding="utf-8"))
    }
    assert named <= {w.rule for w in watched()}


def test_every_mistake_that_is_guessed_has_its_sentence_and_every_sentence_its_guess():
    sources = "".join(f.read_text(encoding="utf-8") for f in Path(judge.__file__).parent.glob("*.py"))
    written = set(re.findall(r'"(cause_\w+)"', sources)) - {"cause_floor"}
    assert written == set(MISTAKES)
    guessed = {g.rule for m in TABLE for g in guesses(_typed(m))}
    assert guessed <= set(MISTAKES)
    assert set(MISTAKES) - guessed == set(), "a mistake that no vehicle of the table could hold"


def _typed(mistake):
    document = mistake.honest()
    setup = next((s for s in document.setups if s.id == mistake.setup), document.setups[0])
    return Typed(mistake.made(document), next(s for s in mistake.made(document).setups if s.id == setup.id))
