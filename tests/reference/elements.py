"""What stands at the end of a vehicle, by another route: mounts, springs, air, each a function of hub to arch."""

import re
from math import cos, pi

import numpy as np
from scipy.interpolate import PchipInterpolator

G, ATMOSPHERE, STEEL = 9.80665, 101325.0, 79.3e9
CORNERS = ("front_left", "front_right", "rear_left", "rear_right")
USUAL_RATIO = {"strut": 0.95, "wishbone": 0.65}
METAL = 1e8
E = 2e-6


def mean(values):
    return sum(values) / len(values) if values else None


def value(held):
    return None if held is None else held["value"]


def diff(f, at, step=E):
    return (f(at + step) - f(at - step)) / (2 * step)


def straight_on(points):
    """A shape-preserving cubic through points, going on straight beyond them."""
    x, y = (np.array(v, dtype=float) for v in zip(*points, strict=True))
    curve = PchipInterpolator(x, y)
    slope = curve.derivative()

    def force(at):
        if at < x[0]:
            return y[0] + float(slope(x[0])) * (at - x[0])
        if at > x[-1]:
            return y[-1] + float(slope(x[-1])) * (at - x[-1])
        return float(curve(at))

    return force


class End:
    """One end: how spring and damper move with the hub, and the heights at which things are met."""

    def __init__(self, data, name, survey, setup=None):
        self.data = end = data["vehicle"]["ends"][name] if setup is None else in_setup(data, name, setup)
        self.name, self.layout = name, end["layout"]
        rake = end["fork"]["rake"] if end.get("fork") else 0.0
        along = self.layout == "fork" and end["fork"].get("read") != "vertical"
        self.read = cos(rake) if along else 1.0
        self.rake = rake
        limits = end["limits"]
        self.sags = {}
        for state in ("extended", "bike", "rider"):
            pulls = [mean(survey(f"{state}_{pull}", name)) for pull in ("lifted", "pressed")]
            known = [p for p in pulls if p is not None]
            if known:
                self.sags[state] = mean(known) * self.read
        self.droop = limits["droop"] if limits["droop"] is not None else self.sags.get("extended")
        self.solid = limits["solid"]
        if self.solid is None and end["travel"] is not None and self.droop is not None:
            self.solid = self.droop - end["travel"] * (cos(rake) if self.layout == "fork" else 1.0)
        self.contact = limits["contact"]
        self.unsprung = value(end["unsprung_mass"])
        self.tyre = value(end["tyre"]["rate"])
        self.track = end["track"]
        self.base = None
        if self.layout == "live axle" and end["spring_base"] is not None and self.track:
            self.base = end["spring_base"] / self.track
        self.springs = 2.0 if self.layout == "twin shock" else 1.0
        if self.layout == "fork":
            self.springs = float(end["fork"]["legs"])
        self.dampers = 2.0 if self.layout in ("fork", "twin shock") else 1.0
        self.damped = float(end["fork"]["damped"]) if self.layout == "fork" else self.dampers
        sides = (setup or data["setups"][0])["sides"]
        leaves = any((sides[p]["spring"] or {}).get("kind") == "leaf" for p in sides if p.startswith(name))
        self.spring = self.mount(end["spring"]["ratio"] or (LEAF_ON_AXLE if leaves else None))
        self.damper = self.spring if end["damper"] is None else self.mount(end["damper"]["ratio"])
        self.gas = 0.0
        if end["gas"]:
            self.gas = end["gas"]["pressure"] * pi * end["gas"]["rod_diameter"] ** 2 / 4
        self.bar = 0.0
        if end["bar"]:
            self.bar = value(end["bar"]["rate"]) * (end["bar"].get("motion_ratio") or 1.0) ** 2

    def mount(self, ratio):
        """Travel of a spring or damper, pressed positive, as a function of hub to arch; its origin does not matter."""
        if self.layout == "fork":
            return lambda h: -h / cos(self.rake)
        if ratio is None:
            return None
        match ratio["kind"]:
            case "ratio":
                v = ratio["value"] if ratio["convention"] == "spring per wheel" else 1 / ratio["value"]
                return lambda h: -v * h
            case "assumed":
                return lambda h: -USUAL_RATIO[self.layout] * h
            case "levers":
                v = ratio["spring_distance"] / ratio["wheel_distance"] * cos(ratio["spring_angle"])
                return lambda h: -v * h
            case "sweep":
                h, length = np.array(ratio["points"]).T
                degree = {2: 1, 3: 2, 4: 2}.get(len(h), 3)
                fit = np.polynomial.Polynomial.fit(h, length, degree)
                return lambda at: -float(fit(at))
            case "leverage":
                z, leverage = np.array(ratio["points"]).T
                travel = np.polynomial.Polynomial.fit(z, 1 / leverage, min(3, len(z) - 1)).integ()
                return lambda at: float(travel(self.droop - at) - travel(0.0))
        raise AssertionError(ratio)


def moulded(size):
    """Half the rim and the height of the side, of a size written as 205/55 R16."""
    width, side, rim = (int(n) for n in re.findall(r"\d+", size)[:3])
    return rim * 0.0254 / 2 + side / 100 * width / 1000


def radius(tyre):
    """As read, or 0.97 of what the size gives."""
    if tyre["radius"] is not None or not tyre["size"]:
        return tyre["radius"]
    return 0.97 * moulded(tyre["size"])


def in_setup(data, name, setup):
    """What stands at an end in a setup: as found, with what the setup has in its place."""
    end = dict(data["vehicle"]["ends"][name])
    change = setup[name + "_end"]
    if change is None:
        return end
    if change["layout"] is not None:
        end |= dict.fromkeys(("damper", "damper_coefficient", "gas", "friction", "bump_stop", "lower_arm",
                              "roll_centre", "spring_base"))  # fmt: skip
        end["spring"] = {"ratio": None}
        end["limits"] = {**end["limits"], "droop": None, "stop": None, "solid": None}
    found_tyre = end["tyre"]
    found_radius = radius(found_tyre)
    for part in ("limits", "tyre"):
        told = {k: v for k, v in (change[part] or {}).items() if v is not None}
        end[part] = {**end[part], **told}
    now = found_radius
    if (change["tyre"] or {}).get("radius") is not None:
        now = change["tyre"]["radius"]
    elif (change["tyre"] or {}).get("size"):
        now = 0.97 * moulded(change["tyre"]["size"])
        if found_tyre["radius"] is not None and found_tyre["size"]:
            now = found_radius + now - 0.97 * moulded(found_tyre["size"])
    moved = now is not None and found_radius is not None
    if moved and not (change["limits"] or {}).get("contact") and end["limits"]["contact"] is not None:
        end["limits"]["contact"] += now - found_radius
    end["tyre"] = {**end["tyre"], "radius": now}
    whole = ("layout", "spring", "damper", "track", "spring_base", "unsprung_mass", "friction", "bump_stop", "bar",
             "roll_centre")  # fmt: skip
    return end | {k: change[k] for k in whole if change[k] is not None}


LEAF_ON_AXLE = {"kind": "ratio", "value": 1.0, "convention": "spring per wheel"}


def coil(part):
    """Force of one coil spring over its deflection."""
    k = value(part["rate"])
    if part["points"]:
        curve = straight_on([(-1.0, 0.0), (-0.5, 0.0), *part["points"]])
        return lambda x: max(0.0, curve(x))
    if part["tender_rate"] and part["tender_travel"]:
        t = part["tender_rate"]
        force = t * part["tender_travel"]
        knee = force / k + part["tender_travel"]
        soft = k * t / (k + t)
        return lambda x: max(0.0, soft * x if x < knee else force + k * (x - knee))
    return lambda x: k * max(0.0, x)


def leaf_rate(part):
    if part["sagged"]:
        (high, light), (low, heavy) = part["sagged"]
        return (heavy - light) / (high - low)
    if part["rate"]:
        return value(part["rate"])
    return 8 * part["modulus"] * part["leaves"] * part["width"] * part["thickness"] ** 3 / 3 / part["length"] ** 3


def chamber(p, area, volume, x):
    return ((p + ATMOSPHERE) * volume / (volume - area * x) - ATMOSPHERE) * area


def air(part):
    volume = part["volume"] - part["spacers"] * part["spacer_volume"]

    def force(p, x):
        total = chamber(p, part["area"], volume, x)
        if part["negative_area"] is not None:
            a, v, at = part["negative_area"], part["negative_volume"], part["equalise_at"]
            port = (p + ATMOSPHERE) * volume / (volume - part["area"] * at)
            total -= (port * (v + a * at) / (v + a * x) - ATMOSPHERE) * a
        return total

    return force
