"""Starting points by use: frequency bands, sags, flat ride. All editable in the brief."""

Pair = tuple[float, float]

FREQUENCY_BANDS: dict[str, Pair] = {
    "comfort road": (1.0, 1.3),
    "sporty road": (1.3, 1.7),
    "fast road, track days": (1.7, 2.3),
    "circuit": (2.0, 2.8),
    "load carrier": (1.2, 1.6),
}
"""Wheel-rate frequency in Hz by use; general practice."""
LOADED_USES = ("load carrier",)
"""Uses whose band is meant with the load on."""
SAG_BANDS: dict[str, dict[str, Pair]] = {
    "road motorcycle": {
        "front rider": (0.030, 0.040),
        "rear rider": (0.030, 0.040),
        "front free": (0.015, 0.025),
        "rear free": (0.005, 0.015),
    },
    "track motorcycle": {
        "front rider": (0.025, 0.035),
        "rear rider": (0.025, 0.035),
        "front free": (0.015, 0.025),
        "rear free": (0.005, 0.010),
    },
    "off-road motorcycle": {
        "front rider": (0.065, 0.080),
        "rear rider": (0.095, 0.105),
        "front free": (0.025, 0.035),
        "rear free": (0.030, 0.040),
    },
}
"""Sag in m as it is read (fork: along the tube) by use of a motorcycle; general practice."""
SAG_SHARES: dict[str, Pair] = {
    "cross-country": (0.20, 0.25),
    "trail": (0.25, 0.30),
    "enduro and downhill": (0.28, 0.35),
}
"""Rider sag of a bicycle as a share of the travel, both ends; general practice."""
FLAT_RIDE: Pair = (1.05, 1.20)
"""Rear over front frequency at which pitch dies out; general practice."""
_TWO_WHEELS: Pair = (0.3, 0.5)
DAMPING_BANDS: dict[str, Pair] = {
    "comfort road": (0.2, 0.3),
    "sporty road": (0.3, 0.45),
    "fast road, track days": (0.4, 0.6),
    "circuit": (0.5, 0.75),
    "load carrier": (0.25, 0.4),
    "road motorcycle": _TWO_WHEELS,
    "track motorcycle": _TWO_WHEELS,
    "off-road motorcycle": _TWO_WHEELS,
    "cross-country": _TWO_WHEELS,
    "trail": _TWO_WHEELS,
    "enduro and downhill": _TWO_WHEELS,
}
"""Low-speed damping ratio of the body by use, mean of bump and rebound; general practice."""
HOP_BAND: Pair = (0.2, 0.4)
"""High-speed damping ratio against wheel hop; general practice."""
SPLIT_BAND: Pair = (1.5, 3.0)
SPLIT = 1.8
"""Rebound over bump, and what is aimed at unless told; general practice."""
COMFORT_WEIGHTS: dict[str, float] = {
    "comfort road": 0.7,
    "sporty road": 0.5,
    "fast road, track days": 0.35,
    "circuit": 0.2,
    "load carrier": 0.5,
    "road motorcycle": 0.4,
    "track motorcycle": 0.2,
    "off-road motorcycle": 0.4,
    "cross-country": 0.4,
    "trail": 0.5,
    "enduro and downhill": 0.3,
}
"""Weight of comfort against grip by use, from grip alone (0) to comfort alone (1); general practice."""
LOW_SPEED, HIGH_SPEED = 0.05, 0.30
"""Damper velocities in m/s at which low and high speed are judged."""
