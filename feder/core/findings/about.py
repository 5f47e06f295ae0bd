"""Which figure of the report each finding speaks of, so that its number can be asked "how?"."""

from feder.core.report import Figure, Finding, Report

# {place} is the finding's own: a corner, or an end where the finding is about an axle
ABOUT = {
    "unsprung_above_corner": "corners.{place}.mass",
    "tyre_in_the_air": "corners.{place}.floor_to_arch",
    "hub_heights_differ": "corners.{place}.floor_to_arch",
    "height_outlier": "corners.{place}_left.hub_to_arch",
    "weight_outlier": "corners.{place}_left.mass",
    "ratio_assumed": "ends.{place}.motion_ratio",
    "ratio_inverted": "ends.{place}.motion_ratio",
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
    "tyre_before_solid": "corners.{place}.contact",
    "collar_off_thread": "corners.{place}.collar",
    "unequal_collars": "corners.{place}_left.collar",
    "seat_disagrees": "corners.{place}.collar",
    "heights_off_plane": "corners.front_left.wheel_travel",
    "cross_moved": "vehicle.cross_fraction",
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
        holder = holder.get(rest[0])
    known = isinstance(getattr(holder, rest[-1], None), Figure)
    return finding.model_copy(update={"about": path}) if known else finding
