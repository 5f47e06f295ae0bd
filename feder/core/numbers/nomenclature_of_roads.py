"""Names of what a random road is told by, and of what it does to a corner."""

ON_THE_ROAD: dict[str, tuple[str, str]] = {
    "road_class": ("class", "Roughness of a road, from A, a new motorway, to H, hardly a road (ISO 8608)."),
    "wave_number": ("n", "Waves of the road in a metre of it."),
    "class_density": ("Gd(n₀)", "Displacement density of a class of roads at 0.1 cycle/m."),
    "density": ("Gd", "Displacement density of the road, one-sided, over wave number."),
    "comfort_weight": ("|W_k|", "How much a vertical vibration of a frequency counts for a person (ISO 2631-1)."),
    "acceleration": ("a", "Acceleration, root mean square."),
    "road_acceleration": ("a", "Acceleration of the body, root mean square."),
    "weighted_acceleration": ("a_w", "The same as a person weighs it, by Wk."),
    "tyre_load_change": ("F_dyn", "Change of the tyre's load about its mean, root mean square."),
    "tyre_load": ("F_dyn", "Change of the tyre's load about its mean, root mean square."),
    "road_travel": ("z_rel", "Body less wheel, root mean square."),
}
