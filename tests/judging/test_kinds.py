"""Kinds of mistakes put into cars drawn at random: nine in ten are named first, whatever the car."""

from tests.judging.hands import told
from tests.judging.honest import honest_car
from tests.judging.kinds import KINDS


def named(kind, seeds):
    """Of how many cars the mistake is named first, and in how many it can be made."""
    make, rules = KINDS[kind]
    good = made = 0
    for seed in seeds:
        honest = honest_car(seed)
        mistaken = make(honest, "front" if seed % 2 == 0 else "rear")
        if mistaken is None:
            mistaken = make(honest, "front")
        if mistaken is None:
            continue
        before = {(t.rule, t.place) for t in told(honest, "found")}
        new = [t for t in told(mistaken, "found") if (t.rule, t.place) not in before]
        made += 1
        good += bool(new) and new[0].rule in rules
    return good, made


def test_nine_in_ten_mistakes_are_named_by_their_cause_in_cars_drawn_at_random():
    counts = {kind: named(kind, range(7000, 7006)) for kind in KINDS}
    good, made = (sum(c[i] for c in counts.values()) for i in (0, 1))
    assert made > 100
    assert good >= 0.9 * made, counts
    assert not [k for k, (g, n) in counts.items() if n and g < 0.5 * n], counts
