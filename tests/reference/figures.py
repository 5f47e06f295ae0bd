"""The figures of a report as the other route has them."""

from math import pi, sqrt

import numpy as np
from scipy.optimize import brentq

from tests.reference.elements import G, coil, diff, mean


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
            c = w.coefficient
            if c is not None and e.damper:
                c *= e.damped * diff(e.damper, w.hub) ** 2
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
        if w.kind == "coil" and not w.part.get("is_leaf"):
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
            end = wheels[ps[0]].end
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
