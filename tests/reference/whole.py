"""A whole vehicle worked by another route: plain data in, figures out, nothing of the core imported.

Every element (spring, gas charge, stop, bar arm, air) is a function of the hub's height alone; what it does at the
wheel is the derivative of that, taken by differences. The body's balance is a system of equations given to a general
root finder, with the loads themselves among the unknown. Written from the formulas' page.
"""

from math import asin, cos, pi, sin, sqrt

import numpy as np
from scipy.interpolate import PchipInterpolator
from scipy.optimize import brentq, root

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

    def __init__(self, data, name, survey):
        self.data = end = data["vehicle"]["ends"][name]
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
        self.spring = self.mount(end["spring"]["ratio"])
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


class Wheel:
    """One corner in one setup: its spring's force at the wheel over the hub at the spring, and what it is set by."""

    def __init__(self, whole, place, setup):
        self.whole, self.place = whole, place
        self.end = whole.ends[place.split("_")[0]]
        self.side, self.was = setup["sides"][place], whole.data["setups"][0]["sides"][place]
        self.h0, self.w0 = whole.height[place], whole.load[place]
        self.part = self.side["spring"]
        self.kind = None if self.part is None else self.part["kind"]
        stop = self.end.data["bump_stop"]
        self.stop = None
        if stop:
            trim = self.side["stop"] or {"length": stop["length"], "packer": 0.0}
            squeeze = None
            if stop["points"]:
                table = straight_on([(-1.0, 0.0), (-0.5, 0.0), *((x, f) for x, f in stop["points"])])
                squeeze = lambda x: max(0.0, table(x)) if x > 0 else 0.0  # noqa: E731 - one line of its own
            self.stop = (trim, stop, squeeze)

    # the stop, along one damper
    def shaft(self, h):
        _, stop, _ = self.stop
        return stop["shaft"] - (self.end.damper(h) - self.end.damper(stop["hub_to_arch"]))

    def gap(self, h):
        trim = self.stop[0]
        return self.shaft(h) - trim["packer"] - trim["length"]

    def hub_for(self, travel_left):
        """Hub at which so much of the shaft is used up."""
        at = lambda h: self.gap(h) - travel_left  # noqa: E731
        return brentq(at, 0.02, 1.5, xtol=1e-14)

    def pushes(self, h):
        """Everything but the spring, at the wheel."""
        damper = self.end.damper
        if damper is None:
            return 0.0
        along = self.end.gas
        if self.stop and self.stop[2]:
            along += self.stop[2](-self.gap(h))
        beside = self.side["beside"]
        if beside and self.end.droop is not None:
            pressed = beside["hold"] + damper(h) - damper(self.end.droop)
            along += value(beside["rate"]) * max(0.0, pressed)
        level = self.side["oil_level"]
        fork = self.end.data["fork"]
        if self.end.layout == "fork" and level is not None and fork.get("bore") and self.end.solid is not None:
            area = pi * fork["bore"] ** 2 / 4
            stroke = damper(self.end.solid) - damper(self.end.droop)
            volume = area * (level + stroke)
            slid = damper(h) - damper(self.end.droop)
            if 0 < slid < stroke:
                along += chamber(0.0, area, volume, slid)
        return along * self.end.dampers * -diff(damper, h)

    def metal(self, h, wheel_h):
        """Push of hard limits: damper at the base, tyre at the wheel."""
        e = self.end
        total = 0.0
        if e.droop is not None:
            total += METAL * min(0.0, e.droop - h)
        bump = [lim - at for lim, at in ((e.solid, h), (e.contact, wheel_h)) if lim is not None]
        return total + METAL * max(0.0, max(bump, default=-1.0))

    # what the adjuster makes of a height and a load
    def angle(self, h):
        arm = self.end.data["arm"]
        chassis = arm["chassis"] or 0.0
        left = self.place.endswith("left")
        read = arm["angle"] if left or arm["right_angle"] is None else arm["right_angle"]
        return asin(sin(read - chassis) + (h - arm["hub_to_arch"]) / arm["length"])

    def bar_rate(self):
        p = self.part
        if p["angular_rate"]:
            return value(p["angular_rate"])
        return pi * p["shear_modulus"] * (p["diameter"] ** 4 - p["bore"] ** 4) / (32 * p["effective_length"])

    def on_bar(self):
        return self.kind == "torsion bar"

    def coil_travel(self):
        """A coilover in the place of a bar stands on the damper's mount."""
        return self.end.damper if self.end.layout == "torsion arm" else self.end.spring

    def adjuster_for(self, h, load):
        """Collar, free angle or pressure at which the spring carries a load at a hub."""
        left = load - self.pushes(h)
        if self.on_bar():
            a, r = self.angle(h), self.end.data["arm"]["length"]
            return a + left * r * cos(a) / self.bar_rate()
        travel = self.coil_travel()
        along = left / -diff(travel, h)
        if self.kind == "air":
            x = self.end.spring(h) - self.end.spring(self.end.droop)
            return brentq(lambda p: air(self.part)(p, x) - along, -0.9e5, 5e7, xtol=1e-6)
        return self.room_at(h, 0.0) - self.length_under(along)

    def length_under(self, along):
        force, n = coil(self.part), self.end.springs
        pressed = (
            brentq(lambda x: n * force(x) - along, 0.0, 3.0, xtol=1e-15)
            if along > 0
            else along / (n * value(self.part["rate"]))
        )
        return self.part["free_length"] - pressed

    def room_at(self, h, collar):
        length, at = self.seat
        travel = self.coil_travel()
        return length - collar - (travel(h) - travel(at))

    def spring_at(self, h, adjuster):
        """Force of the spring at the wheel."""
        if self.on_bar():
            a, r = self.angle(h), self.end.data["arm"]["length"]
            return self.bar_rate() * (adjuster - a) / (r * cos(a))
        travel = self.coil_travel()
        if self.kind == "air":
            x = travel(h) - travel(self.end.droop)
            return air(self.part)(adjuster, x) * -diff(travel, h)
        pressed = self.part["free_length"] - self.room_at(h, adjuster)
        return self.end.springs * coil(self.part)(pressed) * -diff(travel, h)


class Whole:
    """The vehicle as found, and in any setup under any load."""

    def __init__(self, data):
        self.data = data
        self.car = data["vehicle"]["kind"] == "car"
        self.places = CORNERS if self.car else ("front", "rear")
        readings = data["surveys"][0]["readings"] if data["surveys"] else []

        def survey(quantity, place):
            return [r["value"] for r in readings if r["place"] == place and r["quantity"] == quantity]

        self.survey = survey
        self.ends = {e: End(data, e, survey) for e in ("front", "rear")}
        self.wheelbase = value(data["vehicle"]["wheelbase"])
        self.height, self.load = {}, {}
        for p in self.places:
            e = self.ends[p.split("_")[0]]
            hub = mean(survey("hub_to_arch", p))
            self.height[p] = e.sags.get("bike") if hub is None else hub
            mass = mean(survey("mass", p))
            self.load[p] = None if mass is None else (mass - e.unsprung) * G
        self.found = {p: self.as_found(p) for p in self.places}

    def mirror(self, p):
        return p.replace("left", "?").replace("right", "left").replace("?", "right")

    def at_base(self, p, heights):
        r = self.ends[p.split("_")[0]].base
        h, o = heights[p], heights[self.mirror(p)]
        return h if r is None else (h + o) / 2 + r * (h - o) / 2

    def base_load(self, p, loads):
        r = self.ends[p.split("_")[0]].base
        w, o = loads[p], loads[self.mirror(p)]
        return w if r is None else (w + o) / 2 + (w - o) / (2 * r)

    def as_found(self, p):
        """A wheel as found, its seat where the spring says it is, and its adjuster."""
        wheel = Wheel(self, p, self.data["setups"][0])
        if wheel.kind == "air" and wheel.side["pressure"] is not None and not self.survey("hub_to_arch", p):
            droop = wheel.end.droop

            def short(h):
                return wheel.spring_at(h, wheel.side["pressure"]) + wheel.pushes(h) - self.load[p]

            self.height[p] = droop if short(droop) >= 0 else brentq(short, wheel.end.solid, droop, xtol=1e-13)
            wheel.h0 = self.height[p]
            wheel.adjuster = wheel.side["pressure"]
            return wheel
        h, load = self.at_base(p, self.height), self.base_load(p, self.load)
        if wheel.kind == "coil":
            collar = wheel.side["collar"] or 0.0
            wheel.seat = self.typed_seat(wheel.side)
            wheel.adjuster = collar
            if wheel.seat is None:
                along = (load - wheel.pushes(h)) / -diff(wheel.coil_travel(), h)
                wheel.seat = (wheel.length_under(along) + collar, h)
        elif wheel.kind is not None:
            wheel.adjuster = wheel.adjuster_for(h, load)
        return wheel

    def typed_seat(self, side):
        seat = side["seat"]
        return (seat["length"], seat["hub_to_arch"]) if seat and seat["length"] and seat["hub_to_arch"] else None

    def dressed(self, setup):
        wheels = {}
        for p in self.places:
            w = wheels[p] = Wheel(self, p, setup)
            w.h0, found = self.height[p], self.found[p]
            if w.kind == "coil":
                w.seat = self.typed_seat(w.side) or getattr(found, "seat", None)
                now, was = w.side["fork_spacer"], found.side["fork_spacer"]
                if w.seat and not self.typed_seat(w.side) and now is not None and was is not None:
                    w.seat = (w.seat[0] - (now - was), w.seat[1])
                if w.part["free_length"] is None and w.part["quoted_drop"] is not None:
                    # as long as makes it shorter by the drop, under the load of the one found
                    travel, h = w.coil_travel(), self.at_base(p, self.height)
                    ratio = -diff(travel, h)
                    along = (self.base_load(p, self.load) - found.pushes(h)) / ratio
                    length = found.length_under(along) - ratio * w.part["quoted_drop"]
                    w.part = {**w.part, "free_length": length + along / value(w.part["rate"])}
            by = {"collar": "collar", "free angle": "free_angle", "pressure": "pressure"}.get(w.side["set_by"])
            w.asked = w.side["hub_to_arch"] if w.side["set_by"] == "height" else None
            w.adjuster = None if by is None else w.side[by]
        return wheels

    def stands(self, index, load_id=None):
        """Wheels with hub, base hub, load and base load: as set, then under a load with the adjusters kept."""
        setup = self.data["setups"][index]
        if index == 0:
            wheels = self.found
            for p in self.places:
                wheels[p].asked = None
            heights, loads = dict(self.height), dict(self.load)
            drops = dict.fromkeys(self.places, 0.0)
        else:
            wheels = self.dressed(setup)
            heights, loads, drops = self.balance(wheels, [])
        if load_id is not None:
            for p in self.places:
                wheels[p].asked = None
                if index and wheels[p].adjuster is None:
                    h, w = self.at_base(p, heights), self.spring_loads(heights, loads)[p]
                    wheels[p].adjuster = wheels[p].adjuster_for(h, w)
            items = next(s["items"] for s in self.data["loads"] if s["id"] == load_id)
            heights, loads, drops = self.balance(wheels, items)
        carried = self.spring_loads(heights, loads)
        for p in self.places:
            w = wheels[p]
            w.hub, w.base_hub, w.now, w.carried = heights[p], self.at_base(p, heights), loads[p], carried[p]
            w.drop = drops[p]
            w.set = w.adjuster if w.adjuster is not None else w.adjuster_for(w.base_hub, w.carried)
        return wheels

    def spring_loads(self, heights, loads):
        """What comes to the springs' places: less the bars, led through live axles."""
        wheel = {}
        for p in self.places:
            e = self.ends[p.split("_")[0]]
            z = self.height[p] - heights[p]
            o = self.mirror(p)
            wheel[p] = loads[p] - e.bar * (z - (self.height[o] - heights[o])) * (o != p)
        return {p: self.base_load(p, wheel) for p in self.places}

    def balance(self, wheels, items):
        """Body plane, wheel travels and loads at which every force and moment agrees."""
        ps, n = self.places, len(self.places)
        x = np.array([0.0 if p.startswith("front") else self.wheelbase for p in ps])
        y = np.array(
            [0.0 if not self.car else (-0.5 if p.endswith("left") else 0.5) * wheels[p].end.track for p in ps]
        )
        shape = np.stack([np.ones(n), x, y][: 3 if self.car else 2], axis=1)
        w0 = np.array([self.load[p] for p in ps])
        added = np.zeros(shape.shape[1])
        for item in items:
            at = [1.0, item["x"] if item["x"] is not None else self.wheelbase / 2, item["y"] or 0.0]
            added += item["mass"] * G * np.array(at[: len(added)])
        held = np.array([np.nan if wheels[p].asked is None else self.height[p] - wheels[p].asked for p in ps])
        rigid = np.array([wheels[p].end.tyre is None for p in ps])
        kt = np.array([wheels[p].end.tyre or 0.0 for p in ps])
        if not np.isnan(held).any() and rigid.all():  # the nearest plane; loads with no twist put in
            body = np.linalg.lstsq(shape, held, rcond=None)[0]
            z = shape @ body
            load = w0 + np.linalg.lstsq(shape.T, added, rcond=None)[0]
            return self.told(ps, z, load, z)

        def errors(u):
            body, z, load = u[: len(added)], u[len(added) : len(added) + n], u[len(added) + n :] * 1e3
            out = list((shape.T @ (load - w0) - added) / 1e3)
            d = shape @ body
            hubs = {p: self.height[p] - z[i] for i, p in enumerate(ps)}
            push = {}
            for p in ps:
                w, h = wheels[p], self.at_base(p, hubs)
                push[p] = (
                    0.0
                    if w.asked is not None
                    else (w.spring_at(h, w.adjuster) + w.pushes(h) + w.metal(h, hubs[p]))
                )
            for i, p in enumerate(ps):
                out.append((z[i] - d[i]) * 1e2 if rigid[i] else (load[i] - w0[i] - kt[i] * (d[i] - z[i])) / 1e3)
                w = wheels[p]
                if w.asked is not None:
                    out.append((z[i] - held[i]) * 1e2)
                    continue
                o, r = self.mirror(p), w.end.base or 1.0
                j = ps.index(o)
                at_wheel = push[p] if o == p else ((1 + r) * push[p] + (1 - r) * push[o]) / 2
                at_wheel += w.end.bar * (z[i] - z[j])
                out.append((load[i] - at_wheel) / 1e3)
            return out

        z0 = np.where(np.isnan(held), 0.0, held)
        b0 = np.linalg.lstsq(shape, z0, rcond=None)[0]
        z0 = np.where(np.isnan(held), shape @ b0, held)
        best = None
        for method, scale in [(m, s) for m in ("hybr", "lm") for s in (1.0, 0.5, 0.0, 1.5)]:
            begin = np.concatenate([b0 * scale, np.where(np.isnan(held), z0 * scale, z0), w0 / 1e3])
            found = root(errors, begin, tol=1e-13, method=method)
            off = float(np.abs(errors(found.x)).max())
            if best is None or off < best[0]:
                best = (off, found.x)
            if off < 1e-9:
                break
        assert best[0] < 1e-6, f"no balance found, {best[0]:.1e} left"
        u = best[1]
        z = u[len(added) : len(added) + n]
        return self.told(ps, z, u[len(added) + n :] * 1e3, shape @ u[: len(added)])

    def told(self, ps, z, load, d):
        return (
            {p: self.height[p] - float(z[i]) for i, p in enumerate(ps)},
            {p: float(load[i]) for i, p in enumerate(ps)},
            {p: float(d[i]) for i, p in enumerate(ps)},
        )


def figures(whole, index, load_id=None):
    """Figures of a setup by their paths in a report, of all that this route knows."""
    wheels, out = whole.stands(index, load_id), {}
    for p, w in wheels.items():
        e, h, m = w.end, w.base_hub, w.now / G
        at = f"corners.{p}."

        def total(at, w=w):
            return w.spring_at(at, w.set) + w.pushes(at)

        k = -diff(total, h, 4e-6)
        out |= {
            at + "mass": m + e.unsprung, at + "sprung_mass": m, at + "corner_load": w.now,
            at + "hub_to_arch": w.hub, at + "wheel_travel": w.h0 - w.hub, at + "drop": w.drop, at + "wheel_rate": k,
        }  # fmt: skip
        floor = mean(whole.survey("floor_to_arch", p))
        if floor is not None:
            out[at + "floor_to_arch"] = floor - w.drop
        if k > 0:
            out[at + "frequency"] = sqrt(k / m) / 2 / pi
            out[at + "static_deflection"] = m * G / k
            if e.tyre:
                out[at + "ride_rate"] = k * e.tyre / (k + e.tyre)
            c = value(e.data["damper_coefficient"])
            if c is not None and e.damper:
                c *= e.dampers * diff(e.damper, w.hub) ** 2
                out[at + "damping_ratio"] = c / (2 * sqrt(k * m))
        if w.on_bar():
            out[at + "free_angle"], out[at + "arm_angle"] = w.set, w.angle(h)
        else:
            ratio = -diff(w.coil_travel(), h)
            out[at + "motion_ratio"] = ratio
            out[at + "spring_force"] = w.spring_at(h, w.set) / ratio
        if w.kind == "air":
            out[at + "pressure"] = w.set
            out[at + "stroke"] = e.spring(h) - e.spring(e.droop)
        if w.kind == "coil":
            length, free = w.room_at(h, w.set), w.part["free_length"]
            out[at + "spring_length"], out[at + "collar"] = length, w.set
            if e.droop is not None:
                held = free - w.room_at(e.droop, w.set)
                out[at + "held_at_droop"] = held
                out[at + "preload_force"] = e.springs * coil(w.part)(held) if held > 0 else 0.0

            def hub_at(wanted, w=w):
                def off(hub):
                    return w.room_at(hub, w.set) - wanted

                return brentq(off, -1.0, 2.0, xtol=1e-14)

            if w.end.data["spring"]["ratio"] is None or w.end.data["spring"]["ratio"]["kind"] not in (
                "sweep",
                "leverage",
            ):
                out[at + "loose"] = h - hub_at(free)
                if w.part["solid_length"] is not None:
                    out[at + "bind"] = h - hub_at(w.part["solid_length"])
        for name, limit, here in (("droop", e.droop, h), ("solid", e.solid, h), ("contact", e.contact, w.hub)):
            if limit is not None:
                out[at + name] = here - limit
        if e.droop is not None:
            out[at + "sag"] = e.droop - w.hub
        if w.stop and e.damper:
            trim, stop, squeeze = w.stop
            share = stop["compressible"] or 0.5
            out[at + "stop_gap"] = w.gap(h)
            out[at + "stop"] = h - w.hub_for(0.0)
            out[at + "hard"] = h - w.hub_for(-share * trim["length"])
            if squeeze and w.gap(h) < 0:
                out[at + "stop_force"] = squeeze(-w.gap(h))
            if e.contact is not None:
                out[at + "stop_longest"] = w.shaft(w.hub) - trim["packer"]
                needs = [w.shaft(e.contact + 0.003)]
                if e.solid is not None:
                    needs.append(w.shaft(min(e.solid, w.hub)))
                out[at + "stop_shortest"] = max(0.0, *((n - trim["packer"]) / (1 - share) for n in needs))
        elif e.data["limits"]["stop"] is not None:
            out[at + "stop"] = h - e.data["limits"]["stop"]
        ends = [(out[at + n], n) for n in ("hard", "solid", "contact", "bind") if at + n in out]
        if (ends and at + "loose" in out) or not ends or w.kind != "coil":
            out |= {at + "bump_travel": min(ends)[0]} if ends else {}
    masses = {p: out[f"corners.{p}.mass"] for p in whole.places}
    total = sum(masses.values())
    out["vehicle.total_mass"] = total
    out["vehicle.front_fraction"] = sum(v for p, v in masses.items() if p.startswith("front")) / total
    for e in ("front", "rear"):
        ps = [p for p in whole.places if p.startswith(e)]
        k, m = (mean([out[f"corners.{p}.{n}"] for p in ps]) for n in ("wheel_rate", "sprung_mass"))
        out[f"ends.{e}.wheel_rate"] = k
        if k > 0:
            out[f"ends.{e}.frequency"] = sqrt(k / m) / 2 / pi
        if whole.car and whole.ends[e].track:
            end = whole.ends[e]
            base = end.track * (end.base or 1.0)
            out[f"vehicle.{e}_roll_stiffness"] = k * base**2 / 2 + end.bar * end.track**2
    if whole.car:
        out["vehicle.left_fraction"] = (masses["front_left"] + masses["rear_left"]) / total
        out["vehicle.cross_fraction"] = (masses["front_right"] + masses["rear_left"]) / total
    drop = {e: mean([wheels[p].drop for p in whole.places if p.startswith(e)]) for e in ("front", "rear")}
    out["vehicle.rake_change"] = np.arctan((drop["front"] - drop["rear"]) / whole.wheelbase)
    if all(f"ends.{e}.frequency" in out for e in ("front", "rear")):
        out["vehicle.frequency_ratio"] = out["ends.rear.frequency"] / out["ends.front.frequency"]
    return out
