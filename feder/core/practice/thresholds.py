"""Thresholds: from where on a rule speaks. Each is a starting point of general practice, none a law."""

from math import radians

from feder.core.practice.value import usual

SURE = usual(3.0, "", "Standard deviations by which readings must disagree before it is said that they do.")
# survey
HUB_TOLERANCE = usual(0.004, "m", "Hub heights of one axle, or hub and tyre radius, may differ by this much.")
HEIGHT_OUTLIER = usual(0.015, "m", "Beyond this difference side to side one hub to arch is likely mistyped.")
READINGS_SCATTER = usual(
    0.004, "m", "Spread of repeated readings that asks for another, where they are surer than that."
)
MASSES_SCATTER = usual(3.0, "kg", "The same of repeated weights.")
MORE_REPEATS = usual(
    0.45, "", "Standard deviations by which the spread may grow with each repeat beyond the second."
)
ARMS_APART = usual(0.012, "rad", "Difference of two arms, beside that of their heights, that is asked about.")
MASS_OUTLIER = usual(0.25, "", "Share by which the weights of an axle may differ before one is doubted.")
FRICTION_BAND = usual(0.004, "m", "Friction band of the ride height that is worth a word.")
PRESSURE_DISAGREES = usual(0.10, "", "Share by which an air pressure may miss the one that load and height imply.")
SEAT_DISAGREES = usual(0.003, "m", "Difference of typed and inferred seat length that is asked about.")
PRELOAD_DISAGREES = usual(0.004, "m", "Difference of the preload told from the one that load and sag make.")
WIRE_DISAGREES = usual(0.10, "", "Share by which a rate may miss the one its wire makes.")
AT_CROSSOVER = usual(
    0.03, "", "Share of its crossover force within which a dual-rate spring rides at the crossover."
)
RIDER_DISAGREES = usual(0.08, "", "Share by which sags and scale may disagree about the rider.")
MUCH_FRICTION = usual(0.2, "", "Friction as a share of rider sag from which it hides the spring.")
# damper curves
SLOWEST_READ = usual(0.06, "m/s", "A curve that begins beyond this velocity does not tell low speed.")
LEFT_IN = usual(15.0, "N", "Force of a curve at rest from which gas push or friction was left in it.")
# bounce test
LEFT_WORN = usual(0.7, "", "Share of a damper's curve below which it is worn.")
LEFT_SOUND = usual(0.8, "", "Share of a damper's curve from which it is sound.")
LEFT_TOO_MUCH = usual(1.3, "", "Share of a damper's curve beyond which curve or clicks are doubted.")
# geometry
SWEEP_RESIDUAL = usual(0.001, "m", "How far a pair of a sweep may lie off the curve before it is doubted.")
POINTS_UP = usual(0.005, "rad", "Angle past level from which a lower arm counts as pointing up.")
# springs
SAME_DIAMETER = usual(0.0015, "m", "Inside diameters that fit the same seat differ by no more than this.")
SLENDER = usual(4.0, "", "Free length over mean diameter beyond which a spring between plain seats may bow.")
SEATS_TILTED = usual(0.035, "rad", "Angle between the seats at ride that is asked about.")
DROP_DIFFERS = usual(0.005, "m", "Difference between quoted and computed drop that is asked about.")
THREAD_LEFT = usual(0.006, "m", "Thread left beside a collar below which there is little to correct with.")
THREAD_LEFT_ON_A_BIKE = usual(0.003, "m", "The same above the collar of a two-wheeler's spring.")
SOFT_HELPER = usual(0.35, "", "A spring of at most this share of the main one's rate counts as its helper.")
# height
LOST_LOOK = usual(0.35, "", "Share of bump travel lost to a drop beyond which it is asked about.")
UNEQUAL_COLLARS = usual(0.0015, "m", "Difference of collars on one axle that asks for a reason.")
CROSS_MOVED = usual(0.01, "", "Change of cross weight that is told, as a share of the total.")
PRELOAD_MOVED = usual(0.002, "m", "Change of a collar with the spring kept that is worth a word.")
LEVEL_ENOUGH = usual(0.002, "m", "Difference left to right, and from the target, below which nothing is moved.")
ALIGNMENT_MOVED = usual(0.005, "m", "Change of height after which alignment is due.")
# loads
LADEN = usual(25.0, "kg", "Mass by which springs and scales must differ before another load is suspected.")
LONGER = usual(
    0.008, "m", "Free length more than that found, from which a spring of the same rate is called longer."
)
# corner weights
CROSS_WANTED = usual(0.5, "", "Cross weight aimed at, as a share of the total.")
CROSS_BAND = usual(0.005, "", "How far the cross weight may lie off what is wanted.")
# alignment
SCRUB_LIMIT = usual(
    2.0, "m/km", "Scrub of each wheel of an axle, at half its total toe, from which it eats tyres."
)
CROSS_ANGLE = usual(radians(0.5), "rad", "Difference left less right of camber or caster from which it pulls.")
THRUST_LOOK = usual(radians(0.1), "rad", "Thrust angle from which the rear toes are at fault.")
WHEEL_LOOK = usual(radians(2.0), "rad", "Steering wheel off centre from which it is told.")
CAMBER_OFF = usual(radians(0.5), "rad", "Camber off what is wanted from which it is told.")
CASTER_OFF = usual(radians(0.5), "rad", "Caster off what is wanted from which it is told.")
TOE_OFF = usual(0.0004, "m", "Toe of a wheel off what is wanted, at the rim, from which it is turned.")
TREAD_UNEVEN = usual(0.001, "m", "Difference of tread across a tyre from which its wear is uneven.")
# sags
GAUGE_STEP = usual(500.0, "Pa", "Finest step of a pump's gauge: pressures are set, and called the same, to it.")
RULE_STEP = usual(1e-4, "m", "Finest step of a collar by rule: collars are set, and called the same, to it.")
# torsion bars
PLATE_OFF = usual(0.0175, "rad", "Difference of a plate's reading from its computed angle that is told.")
INDEXED = usual(0.005, "rad", "Change of a free angle with the bar kept that is worth a word.")
PAIR_NEAR = usual(0.002, "m", "Height error below which nothing is said of a pair of spline moves.")
PAIR_EXACT = usual(0.0005, "m", "Height error below which a pair gives the height wanted.")
LEVEL_WINDOW = usual(0.0175, "rad", "Half window of the level where no splines say how fine a step is.")
LEAST_TURN = usual(0.035, "rad", "Least turn of a plate between two readings that a length is made of.")
# travel
DAMPER_LEFT = usual(0.030, "m", "Wheel travel left at one end of a damper below which it stands too near to it.")
LINK_OFF = usual(0.005, "m", "How far a bar's link may miss the length that keeps its arms before it is told.")
STOP_CUT = usual(0.0005, "m", "How closely a bump stop is cut: what is shorter by less is not told.")
# runs over a road
STOP_HARD = usual(0.5, "", "Force of a stop, as a share of the wheel's load at rest, from which it is met hard.")
AIR_LOOK = usual(0.01, "s", "Time off the ground in a run from which it is told.")
HARSHER = usual(0.05, "", "Rise of the weighted acceleration that is held against a brief that asks for comfort.")
DIVE_LOOK = usual(radians(2.0), "rad", "Dive of the nose in braking that is told.")
