"""Every rule, in the order in which findings of one grade are told."""

from feder.core.report.findings import geometry, height, index, sag, settings, spring_part, springs, survey, travel
from feder.core.report.findings.about import pointed
from feder.core.report.findings.case import Case, Rule
from feder.core.report.shapes import Finding

RULES: tuple[Rule, ...] = (
    survey.known_damage,
    survey.plate_exceeded,
    geometry.unsprung_above_corner,
    survey.hub_off_floor,
    survey.side_to_side,
    survey.scattered_readings,
    survey.not_prepared,
    geometry.ratio_of_nothing,
    geometry.ratio_assumed,
    geometry.ratio_inverted,
    geometry.limits_out_of_order,
    springs.solid_above_fitted,
    springs.binds_first,
    springs.held_at_droop,
    springs.frequency_target,
    springs.front_to_rear,
    springs.rates_not_at_wheel,
    springs.unlike_sides,
    springs.may_bow,
    springs.quoted_drop_differs,
    springs.load_band_exceeded,
    springs.added_load_outside,
    springs.springs_swapped,
    index.bar_on_wrong_side,
    height.preload_not_stiffer,
    index.indexing_not_stiffer,
    index.plate_reads_otherwise,
    springs.damper_mounts_loaded,
    sag.pressure_disagrees,
    sag.preload_disagrees,
    spring_part.points_no_table,
    spring_part.past_its_points,
    spring_part.rides_at_crossover,
    spring_part.wire_disagrees,
    spring_part.solid_not_told,
    index.slack_at_droop,
    index.unlike_bars,
    sag.air_out_of_reach,
    height.cannot_stand,
    height.rests_on_limit,
    travel.tyre_before_stop,
    travel.wheels_further_out,
    height.collar_reach,
    height.collar_not_permitted,
    springs.inner_wheel_lifts,
    travel.drop_costs,
    height.heights_off_plane,
    height.cross_moved,
    height.unequal_collars,
    height.collar_unknown,
    survey.seat_disagrees,
    travel.stop_too_short,
    travel.arm_points_up,
    geometry.level_of_arm,
    index.arm_out_of_reach,
    survey.friction_band,
    sag.sags_out_of_order,
    sag.rider_disagrees,
    sag.much_friction,
    sag.sag_verdict,
    sag.ends_out_of_balance,
    sag.leans_too_little,
    settings.knob_left_alone,
    settings.clicks_past_range,
    settings.clicks_from_both_ends,
    geometry.sweep_doubted,
    settings.alignment_due,
    settings.toe_wears,
)
_ORDER = {"stop": 0, "look": 1, "note": 2}


def findings_of(case: Case) -> list[Finding]:
    """Everything that speaks against a setup or is worth knowing, worst first."""
    found = [pointed(finding, case.report) for rule in RULES for finding in rule(case)]
    return sorted(found, key=lambda f: _ORDER[f.grade])
