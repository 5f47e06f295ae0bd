"""The mistakes that are looked for, each in a sentence."""

MISTAKES = {
    "cause_unit": "A number typed in another unit than the one shown: kgf/mm, lbf/in, inches, pounds, psi.",
    "cause_power_of_ten": "A zero too many or too few.",
    "cause_ratio_inverted": "A motion ratio told the other way round, or two columns or levers exchanged.",
    "cause_ratio_squared": "The square of a motion ratio typed as the ratio.",
    "cause_mounts_exchanged": "Motion ratios of spring and damper in each other's place.",
    "cause_ends_exchanged": "Weights, heights or ratios of front and rear in each other's place.",
    "cause_sides_exchanged": "Weights of left and right in each other's place.",
    "cause_two_weights_exchanged": "Two corners' weights in each other's place.",
    "cause_whole_axle": "A whole axle's unsprung mass typed for each of its wheels.",
    "cause_sprung_for_unsprung": "The sprung mass typed where the unsprung one belongs.",
    "cause_axle_for_corner": "What an axle weighs typed at each of its wheels.",
    "cause_one_weight": "One corner's weight that does not go with the other three.",
    "cause_one_repeat": "One of several readings of the same thing that does not go with the others.",
    "cause_weighed_otherwise": "Weighed empty and read laden, or the other way round.",
    "cause_hub_and_floor_exchanged": "Hub to arch and floor to arch in each other's place.",
    "cause_floor_for_hub": "A height over the floor typed where one from the hub belongs.",
    "cause_another_point": "One corner read from another point than the others.",
    "cause_one_height": "One height mistyped: a digit, two digits exchanged, a hundred.",
    "cause_two_exchanged": "Two lengths in each other's place: wheelbase and track, stop and shaft, two limits.",
    "cause_diameter_for_radius": "A diameter typed for a radius, or a radius for a diameter.",
    "cause_stroke_for_travel": "A shock's stroke typed as the travel of its wheel.",
    "cause_angle_from_floor": "A head angle from the floor typed as rake.",
    "cause_read_otherwise": "A fork's sag read straight up and told as along the tube, or the other way round.",
    "cause_pulls_exchanged": "Lifted and pressed in each other's place.",
    "cause_states_exchanged": "Readings of bike alone, rider on or fully extended in each other's place.",
    "cause_level_turned": "The level turned round on one side, so that the sign flips.",
}
HOW = "Tried by taking it back. Where the odd numbers agree then, it is told before all that follows from it."
"""How each of them is found."""
