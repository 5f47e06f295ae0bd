"""Evidence: what looks wrong of a document, each with a weight, and which mistakes could show like it."""

from dataclasses import dataclass

from feder.core.document.document import Document, LoadState
from feder.core.numbers.working import untraced
from feder.core.report.doubts.check import Check
from feder.core.report.doubts.doubts import checks_of
from feder.core.report.evaluate import judged_case
from feder.core.report.findings.odd import seen_by
from feder.core.report.findings.rules import findings_of
from feder.core.report.shapes import Finding, Report

Key = tuple[str, str]
"""A rule and an end (or the vehicle)."""
WEIGHTS = {
    "tyre_in_the_air": 2.0,
    "hub_heights_differ": 1.5,
    "height_outlier": 1.5,
    "weight_outlier": 1.0,
    "scattered_readings": 1.0,
    "limits_out_of_order": 2.0,
    "seat_disagrees": 1.5,
    "weighed_otherwise": 1.5,
    "preload_disagrees": 1.0,
    "pressure_disagrees": 1.2,
    "rider_disagrees": 1.2,
    "sags_out_of_order": 2.0,
    "pressed_over_lifted": 2.0,
    "arms_apart": 2.0,
    "level_turned": 2.0,
    "plate_reads_otherwise": 1.2,
    "unsprung_above_corner": 3.0,
    "plate_exceeded": 1.2,
    "topped_out": 1.5,
    "rests_on_solid": 1.5,
    "rests_on_contact": 1.0,
    "rests_on_bind": 1.5,
    "rests_on_stop": 0.7,
    "cannot_stand": 2.5,
    "collar_off_thread": 1.0,
    "solid_above_fitted": 2.0,
    "binds_first": 0.5,
    "sweep_without_curve": 3.0,
    "sweep_scattered": 1.2,
    "wire_disagrees": 1.2,
    "ratio_of_nothing": 3.0,
    "air_out_of_reach": 1.5,
    "loose_at_droop": 0.3,
    "quoted_drop_differs": 0.8,
    "stop_too_short": 0.4,
    "tyre_before_solid": 0.4,
    "frequency_target": 0.3,
    "flat_ride": 0.2,
    "cross_moved": 0.2,
    "heights_off_plane": 0.4,
    "points_no_table": 0.5,
}
"""How much a finding says that some number is wrong, beside an odd number that counts 1 and more."""
FOLLOWS = frozenset(
    {
        "binds_first", "collar_off_thread", "loose_at_droop", "stop_too_short", "tyre_before_solid", "frequency_target",
        "flat_ride", "cross_moved", "heights_off_plane", "rests_on_stop", "rests_on_solid", "rests_on_contact",
        "rests_on_bind", "topped_out", "cannot_stand", "quoted_drop_differs",
    }
)  # fmt: skip
"""What a plan may show without any mistake in what was typed: it goes with a cause, and asks for none."""
ASKS = 0.9
"""Evidence from which it is worth looking for a cause."""
_SPRUNG = {
    "odd_frequency", "odd_frequencies_apart", "odd_squeezed", "odd_squeezed_now", "odd_held_as_found", "odd_rates_apart",
    "seat_disagrees", "weighed_otherwise", "preload_disagrees", "rider_disagrees", "solid_above_fitted", "rests_on_bind",
    "binds_first", "collar_off_thread", "cannot_stand", "odd_preload", "odd_damping", "plate_reads_otherwise",
    "air_out_of_reach", "pressure_disagrees", "loose_at_droop", "quoted_drop_differs", "odd_wound",
}  # fmt: skip
_DROOP = {"odd_droop_travel", "topped_out", "limits_out_of_order", "odd_held_as_found", "cannot_stand"}
_SOLID = {"odd_bump_travel", "rests_on_solid", "limits_out_of_order", "cannot_stand"}
_CONTACT = {"rests_on_contact", "tyre_before_solid", "limits_out_of_order", "odd_bump_travel"}
_STOP = {"odd_stop_gap", "stop_too_short", "rests_on_stop", "limits_out_of_order"}
_STANDS = _DROOP | _SOLID | _CONTACT | _STOP
_HEIGHTS = _STANDS | {
    "tyre_in_the_air", "hub_heights_differ", "height_outlier", "odd_hub_to_arch", "odd_floor_to_arch",
    "odd_height_asked", "heights_off_plane", "collar_off_thread", "scattered_readings",
}  # fmt: skip
_MASSES = {
    "odd_unsprung_share", "odd_total_mass", "odd_front_share", "odd_left_share", "odd_cross", "weight_outlier",
    "plate_exceeded", "unsprung_above_corner",
}  # fmt: skip
_BARS = {"odd_bar_diameter", "odd_bar_length", "odd_arm_length", "odd_wound"}
FAMILIES: dict[str, frozenset[str]] = {
    name: frozenset(rules)
    for name, rules in {
        "springs": _SPRUNG,
        "bars": _SPRUNG | _BARS,
        "wire": {"wire_disagrees", "odd_spring_index"},
        "ratios": _SPRUNG
        | {"odd_spring_ratio", "odd_damper_ratio", "odd_damper_further", "odd_stroke", "sweep_without_curve"}
        | {"sweep_scattered", "rests_on_stop", "stop_too_short", "odd_stop_gap"},
        "masses": _SPRUNG | _MASSES,
        "sides": {"odd_left_share", "odd_cross", "weight_outlier", "seat_disagrees", "odd_unsprung_share"},
        "corner": {"odd_cross", "odd_left_share", "weight_outlier", "odd_unsprung_share", "seat_disagrees"}
        | {"plate_exceeded", "odd_total_mass", "odd_front_share"},
        "repeats": {"scattered_readings"} | _MASSES | _HEIGHTS,
        "heights": _HEIGHTS,
        "one height": _HEIGHTS,
        "lengths": {"odd_wheelbase", "odd_track", "odd_wheelbase_over_track", "odd_cg_height"},
        "tyre": {"odd_tyre_rate", "odd_tyre_radius", "tyre_in_the_air", "odd_tyre_pressure"},
        "limits": _STANDS,
        "droop": _DROOP,
        "solid": _SOLID,
        "contact": _CONTACT,
        "stop": _STOP,
        "roll": {"odd_roll_centre"},
        "travel": {"odd_travel", "odd_stroke", "odd_rider_sag", "odd_rake", "topped_out", "rests_on_solid"},
        "damping": {"odd_damping", "under_damped", "over_damped", "damper_out_of_reach", "hop_damping"},
        "rider": {"odd_rider", "rider_disagrees"},
        "sags": {
            "sags_out_of_order",
            "pressed_over_lifted",
            "odd_rider_sag",
            "rider_disagrees",
            "preload_disagrees",
        }
        | {"odd_preload", "topped_out"},
        "arm": {
            "level_turned",
            "arms_apart",
            "plate_reads_otherwise",
            "odd_arm_below",
            "cannot_stand",
            "odd_wound",
        },
    }.items()
}
"""What each family of guesses could show like."""


@dataclass(frozen=True, slots=True)
class Evidence:
    """What looks wrong: checks that were made, findings that speak, and the weight of each."""

    checks: tuple[Check, ...]
    findings: tuple[Finding, ...]
    report: Report
    weights: dict[Key, float]

    @property
    def total(self) -> float:
        return sum(self.weights.values())

    @property
    def asks(self) -> bool:
        """Whether enough looks wrong by itself to look for a cause."""
        return sum(w for (rule, _), w in self.weights.items() if rule not in FOLLOWS) >= ASKS

    @property
    def off_middle(self) -> float:
        """How far the numbers lie from the middle of what is usual, all together."""
        return sum(c.off_middle for c in self.checks)


def end_of(place: str) -> str:
    return place.split("_")[0]


def evidence_of(document: Document, setup: str, load: LoadState | None = None) -> Evidence:
    """What looks wrong in a setup and as found. Raises what `evaluate` raises."""
    with untraced():
        case = judged_case(document, setup, None if load is None else load.id, strips=False)
        checks, findings = tuple(checks_of(seen_by(case))), tuple(findings_of(case))
    weights: dict[Key, float] = {}

    def add(rule: str, place: str, weight: float) -> None:
        key = (rule, end_of(place))
        weights[key] = max(weights.get(key, 0.0), weight)

    # what is stood by is no finding, and so no evidence
    told = {(f.rule, f.place) for f in findings}
    for check in checks:
        if check.amount > 0 and any((f"odd_{check.key}", p) in told for p in _shares(check.place)):
            add(f"odd_{check.key}", check.place, check.amount if check.grade != "note" else 0.95)
    for finding in findings:
        if finding.rule in WEIGHTS:
            add(finding.rule, finding.place, WEIGHTS[finding.rule])
    return Evidence(checks, findings, case.report, weights)


def _shares(place: str) -> tuple[str, ...]:
    return (place, end_of(place), "vehicle")
