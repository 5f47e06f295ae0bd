"""Findings on two wheels: each fires on one document and not on its near neighbour."""

from math import radians

import pytest

from feder.core.document.base import RateValue
from feder.core.document.brief import Band, Targets
from feder.core.document.setup import Clicks
from feder.core.report.evaluate import evaluate
from feder.demo.magpie import magpie
from tests.changes import with_side
from tests.documents import roadster


def told(document, setup="plan", load=None):
    return {(f.rule, f.place) for f in evaluate(document, setup, load).findings}


def sprung(rate, free_sag):
    """The roadster's fork with another spring, preloaded to a free sag."""
    part = roadster().setups[0].sides.front.spring.model_copy(update={"rate": RateValue(value=rate)})
    return with_side(roadster(), "plan", "front", spring=part, set_by="height", hub_to_arch=0.620 - free_sag)


def balanced(front, rear):
    """The roadster with bands that put each end above (+1) or below (-1) its rider sag, or within."""
    sags = {e: evaluate(roadster(), "plan", "rider").corners[e].sag.value for e in ("front", "rear")}
    bands = {}
    for end, off in (("front", front), ("rear", rear)):
        middle = sags[end] - off * 0.010
        bands[f"{end}_rider_sag"] = Band(low=middle - 0.004, high=middle + 0.004)
    bike = roadster()
    brief = bike.brief.model_copy(update={"targets": Targets(**bands)})
    return bike.model_copy(update={"brief": brief})


def read(place, quantity, value):
    """The demo motorcycle with one sag reading changed."""
    bike = magpie()
    survey = bike.surveys[0]
    changed = tuple(
        r.model_copy(update={"value": value}) if (r.place, r.quantity) == (place, quantity) else r
        for r in survey.readings
    )
    return bike.model_copy(update={"surveys": (survey.model_copy(update={"readings": changed}),)})


def weighing(mass):
    """The demo motorcycle with another rider told."""
    bike = magpie()
    solo = bike.loads[0]
    item = solo.items[0].model_copy(update={"mass": mass})
    return bike.model_copy(update={"loads": (solo.model_copy(update={"items": (item,)}), *bike.loads[1:])})


def leaning(degrees):
    bike = magpie()
    return bike.model_copy(
        update={"brief": bike.brief.model_copy(update={"targets": Targets(lean=radians(degrees))})}
    )


def held(place):
    return float(evaluate(magpie(), "found").corners[place].held_at_droop.value)


# rule: place, setup, load state, where it fires, a near neighbour where it does not
CASES = {
    "preload_disagrees": (
        # weighed, the shock's 90 N/mm and its sag make a preload near to its collar of 12 mm
        "rear", "found", None,
        lambda: with_side(magpie(), "found", "rear", collar=held("rear") + 0.0045),
        lambda: with_side(magpie(), "found", "rear", collar=held("rear") + 0.0035),
    ),
    "sags_out_of_order": (
        "rear", "found", None,
        lambda: read("rear", "rider_lifted", 0.640), lambda: read("rear", "rider_lifted", 0.562),
    ),
    "rider_disagrees": ("vehicle", "plan", None, lambda: weighing(80), lambda: weighing(94)),
    "much_friction": (
        "front", "found", None,
        lambda: read("front", "rider_lifted", 0.124), lambda: read("front", "rider_lifted", 0.109),
    ),
    "preload_first": ("front", "plan", "rider", lambda: sprung(8500, 0.028), lambda: sprung(8500, 0.020)),
    "spring_too_soft": ("front", "plan", "rider", lambda: sprung(5000, 0.008), lambda: sprung(8500, 0.020)),
    "spring_too_stiff": ("front", "plan", "rider", lambda: sprung(16000, 0.028), lambda: sprung(8500, 0.020)),
    "ends_out_of_balance": ("vehicle", "plan", "rider", lambda: balanced(1, -1), lambda: balanced(1, 0)),
    "leans_too_little": ("vehicle", "plan", "two-up", lambda: leaning(42), lambda: leaning(38)),
    "knob_left_alone": (
        "rear", "plan", None,
        lambda: with_side(magpie(), "plan", "rear", high_bump=Clicks(count=1, of=4, alone=True)), magpie,
    ),
}  # fmt: skip


@pytest.mark.parametrize("rule", CASES)
def test_a_rule_fires_where_it_should_and_not_next_door(rule):
    place, setup, load, fires, quiet = CASES[rule]
    assert (rule, place) in told(fires(), setup, load)
    assert (rule, place) not in told(quiet(), setup, load)


@pytest.mark.parametrize("rule", CASES)
def test_a_finding_reads_whole(rule):
    _, setup, load, fires, _ = CASES[rule]
    for finding in evaluate(fires(), setup, load).findings:
        assert finding.text.format(**{k: v.value for k, v in finding.numbers.items()})
        assert finding.reason.endswith(".")


def test_a_lean_short_of_the_one_wanted_under_any_load_is_told_in_every_view_with_its_name():
    bike = leaning(42)
    leans = {s.id: evaluate(bike, "plan", s.id).steering.lean_ridden.value for s in bike.loads}
    worst = min(leans, key=leans.get)
    named = next(s.name for s in bike.loads if s.id == worst)
    for load in (None, *leans):
        (finding,) = [f for f in evaluate(bike, "plan", load).findings if f.rule == "leans_too_little"]
        assert finding.text.startswith(f"{named}: the ")
        assert finding.numbers["lean"].value == pytest.approx(leans[worst], abs=1e-6)


def test_sags_in_findings_are_those_a_tape_along_the_fork_shows():
    bike = read("front", "rider_lifted", 0.124)
    (finding,) = [f for f in evaluate(bike, "found").findings if f.rule == "much_friction"]
    assert finding.numbers["both"].value == pytest.approx(0.124 - 0.102)
    tubed = evaluate(magpie(), "found", "solo")
    rule = next(f for f in tubed.findings if f.rule == "preload_first" and f.place == "front")
    assert rule.numbers["sag"].value == pytest.approx(tubed.sags["front"].rider_sag_along.value)
    assert (rule.numbers["low"].value, rule.numbers["high"].value) == pytest.approx((0.030, 0.040))


def test_a_sag_on_the_edge_of_its_band_is_within_it():
    sag = evaluate(roadster(), "plan", "rider").sags["rear"].rider_sag.value
    for off, fires in ((4e-8, False), (-4e-8, False), (1.2e-4, True)):
        band = Band(low=sag - 0.010, high=sag - off if off > 0 else sag + abs(off))
        bike = roadster()
        bike = bike.but(brief=bike.brief.but(targets=Targets(rear_rider_sag=band)))
        assert (("preload_first", "rear") in told(bike, "plan", "rider")) == fires


@pytest.mark.parametrize(("collar", "words"), [(0.0100, "Cap in by"), (0.0005, "Cap out by")])
def test_a_forks_adjuster_is_its_cap(collar, words):
    bike = with_side(magpie(), "plan", "front", collar=collar)
    (finding,) = [
        f for f in evaluate(bike, "plan").findings if f.rule == "preload_not_stiffer" and f.place == "front"
    ]
    assert finding.text.startswith(words)
    assert finding.numbers["moved"].value == pytest.approx(abs(collar - 0.003))
