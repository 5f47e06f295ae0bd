"""Which figure of the report each finding speaks of, so that its number can be asked "how?"."""

from feder.core.report.shapes import Figure, Finding, Report

# {place} is the finding's own: a corner, or an end where the finding is about an axle
ABOUT = {
    "arm_points_up": "ends.{place}.lower_arm_angle",
    "unsprung_above_corner": "corners.{place}.mass",
    "tyre_in_the_air": "corners.{place}.floor_to_arch",
    "hub_heights_differ": "corners.{place}.floor_to_arch",
    "height_outlier": "corners.{place}_left.hub_to_arch",
    "weight_outlier": "corners.{place}_left.mass",
    "ratio_assumed": "ends.{place}.motion_ratio",
    "odd_unsprung_share": "corners.{place}.mass",
    "odd_total_mass": "vehicle.total_mass",
    "sweep_scattered": "ends.{place}.motion_ratio",
    "solid_above_fitted": "corners.{place}.spring_length",
    "binds_first": "corners.{place}.bind",
    "loose_at_droop": "corners.{place}.held_at_droop",
    "barely_held": "corners.{place}.held_at_droop",
    "frequency_target": "ends.{place}.frequency",
    "flat_ride": "vehicle.frequency_ratio",
    "stiff_front": "vehicle.frequency_ratio",
    "compare_at_the_wheel": "ends.rear.wheel_rate",
    "rests_on_solid": "corners.{place}.solid",
    "rests_on_contact": "corners.{place}.contact",
    "rests_on_bind": "corners.{place}.bind",
    "rests_on_stop": "corners.{place}.stop",
    "topped_out": "corners.{place}.droop",
    "drop_costs": "corners.{place}.lost_fraction",
    "body_beyond_thread": "corners.{place}.thread_engaged",
    "stack_leaves_no_room": "corners.{place}.seat_length",
    "body_outside_range": "corners.{place}.body_length",
    "damper_too_long": "corners.{place}.solid",
    "damper_too_short": "corners.{place}.droop",
    "under_damped": "corners.{place}_left.damping_ratio",
    "damper_out_of_reach": "corners.{place}_left.damping_ratio",
    "worn_damper": "corners.{place}.damping_ratio",
    "over_damped": "corners.{place}_left.damping_ratio",
    "hop_damping": "corners.{place}_left.damping_high",
    "rebound_over_bump": "corners.{place}.split_low",
    "bar_links": "ends.{place}.link_length",
    "tyre_before_solid": "corners.{place}.contact",
    "collar_off_thread": "corners.{place}.collar",
    "unequal_collars": "corners.{place}_left.collar",
    "seat_disagrees": "corners.{place}.collar",
    "heights_off_plane": "corners.front_left.wheel_travel",
    "cross_moved": "vehicle.cross_fraction",
    "load_band_exceeded": "corners.{place}.spring_force",
    "preload_not_stiffer": "ends.{place}.spring_rate",
    "damper_mounts_loaded": "corners.{place}.wheel_rate",
    "plate_reads_otherwise": "corners.{place}.free_angle",
    "indexing_not_stiffer": "corners.{place}_left.free_angle_change",
    "pressure_disagrees": "corners.{place}.pressure",
    "friction_band": "corners.{place}_left.height_band",
    "stop_too_short": "corners.{place}.stop_gap",
    "rider_disagrees": "steering.rider_by_sags",
    "much_friction": "sags.{place}.rider_friction",
    "leans_too_little": "steering.lean_ridden",
    "preload_first": "sags.{place}.rider_sag",
    "spring_too_soft": "sags.{place}.free_sag",
    "spring_too_stiff": "sags.{place}.free_sag",
    "inner_wheel_lifts": "vehicle.front_transfer",
    "collar_not_permitted": "corners.{place}.collar",
    "quoted_drop_differs": "corners.{place}.drop",
    "plate_exceeded": "vehicle.total_mass",
}


def pointed(finding: Finding, report: Report) -> Finding:
    """The finding with the path of its figure, where the report holds that figure."""
    pattern = ABOUT.get(finding.rule)
    if pattern is None:
        return finding
    path = pattern.format(place=finding.place)
    group, *rest = path.split(".")
    holder = getattr(report, group)
    if len(rest) == 2:
        left = f"{rest[0]}_left"
        holder, path = (
            (holder.get(rest[0]), path) if left not in holder else (holder[left], path.replace(rest[0], left))
        )
    known = isinstance(getattr(holder, rest[-1], None), Figure)
    return finding.but(about=path) if known else finding
