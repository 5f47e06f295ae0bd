"""Terms of damping, alignment, settling and setting down."""

ON_THE_GROUND: dict[str, tuple[str, str]] = {
    # damping and alignment
    "factor": ("√(k₁/k₀)", "Factor by which the damping must change."),
    "toe": ("e_t", "Toe of one wheel at the rim, in positive."),
    "rim_diameter": ("D_rim", "Diameter of the rim, at which toe is measured."),
    "toe_angle": ("δ", "Toe of one wheel as an angle."),
    "scrub": ("s_c", "Sideways slip over a kilometre."),
    "left_toe": ("δ_l", "Toe of the left wheel as an angle, in positive."),
    "right_toe": ("δ_r", "Toe of the right wheel as an angle, in positive."),
    "front_left_toe": ("δ_fl", "Toe of the front left wheel as an angle, in positive."),
    "front_right_toe": ("δ_fr", "Toe of the front right wheel as an angle, in positive."),
    "rear_left_toe": ("δ_rl", "Toe of the rear left wheel as an angle, in positive."),
    "rear_right_toe": ("δ_rr", "Toe of the rear right wheel as an angle, in positive."),
    "thrust": ("τ_r", "Direction in which the rear axle drives, against the centre line, right positive."),
    "steering_ratio": ("i_s", "Turn of the steering wheel over the turn of the road wheels."),
    "wheel_angle": ("δ_w", "Turn of the steering wheel."),
    "toe_change": ("Δδ", "Change of toe wanted, in positive."),
    "steering_arm": ("r_s", "Distance from the steering axis to the joint of the tie rod."),
    "lead": ("p", "Travel of a thread in one turn."),
    "camber_change": ("Δγ", "Change of camber wanted, top out positive."),
    "distance": ("l", "Distance over which the camber is changed."),
    "shift": ("e", "Sideways shift of the mount or bolt."),
    "scatter": ("s_h", "Usual scatter of one height reading."),
    "settled_height": ("h∞", "Height at which the springs end."),
    "remaining": ("Δh", "What is still to come."),
    "distance_constant": ("d₀", "Distance over which what is to come falls to 37 %."),
}
