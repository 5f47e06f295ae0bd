"""Each mistake is named first, and a near neighbour of it is not accused."""

import pytest

from tests.judging.hands import told
from tests.judging.mistakes import MISTAKES


@pytest.mark.parametrize("mistake", MISTAKES, ids=lambda m: m.how)
def test_a_mistake_is_named_first_and_its_neighbour_is_not_accused(mistake):
    honest = mistake.honest()
    before = {(t.rule, t.place) for t in told(honest, mistake.setup, mistake.load)}
    said = told(mistake.made(honest), mistake.setup, mistake.load)
    new = [t for t in said if (t.rule, t.place) not in before] or said
    assert new, "nothing is told"
    assert new[0].rule in mistake.rules, new
    assert new[0].place == mistake.place, new
    near = mistake.near(honest)
    assert not [
        t for t in told(near, mistake.setup, mistake.load) if t.rule in mistake.rules and t.place == mistake.place
    ]
