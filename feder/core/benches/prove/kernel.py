"""The equations of motion, stepped by Runge and Kutta's fourth order; compiled, and kept compiled.

Heave, pitch (nose up) and roll (left side up) of the body, and the height of each wheel, all from where the
vehicle stands still. Wheels come axle by axle, left before right; on two wheels each axle has one.
"""

from typing import Any

import numpy as np
from numba import njit

COLUMNS = 6
"""Columns of a record that are the body's: heave, pitch, roll and their accelerations."""
OF_WHEEL = 8
"""Columns of each wheel: height, road, travel, damper velocity, force of the dampers, tyre force, squash of
the tyre, rub."""


@njit(cache=True, nogil=True, inline="always", error_model="numpy")
def _read(table: Any, row: int, at: float) -> Any:
    """A table's value at a place counted in its steps; straight on beyond its ends."""
    last = table.shape[1] - 2
    i = int(at)
    if at < 0.0:
        i = 0
    elif i > last:
        i = last
    return table[row, i] + (table[row, i + 1] - table[row, i]) * (at - i)


@njit(cache=True, nogil=True, error_model="numpy")
def _slopes(
    t: float, state: Any, made: Any, read: Any, per: int, body: Any, wheels: Any, axles: Any,
    springs: Any, ratios: Any, dampers: Any, grids: Any, road: Any, drive: Any,
) -> None:  # fmt: skip
    """Velocities and accelerations at a state; what was read on the way goes into `read`."""
    n = wheels.shape[0]
    m, pitch_inertia, roll_inertia, pitch_moment, roll_moment = body[0], body[1], body[2], body[3], body[4]
    speed, road_step, drive_step = grids[4], grids[5], grids[6]
    k = t / drive_step
    along, across = _read(drive, 0, k), _read(drive, 1, k)
    lift, turn, lean = -m * 9.80665, pitch_moment * along, roll_moment * across
    half = 3 + n
    for a in range(n // per):
        one = a * per
        base, bar = axles[a, 0], axles[a, 1]
        # heights of body and wheel, their travel and its speed
        for i in range(one, one + per):
            x, y = wheels[i, 0], wheels[i, 1]
            read[i, 2] = state[3 + i] - (state[0] + x * state[1] + y * state[2])
            read[i, 8] = state[half + 3 + i] - (state[half] + x * state[half + 1] + y * state[half + 2])
        for i in range(one, one + per):
            other = one + one + per - 1 - i
            travel = 0.5 * ((1 + base) * read[i, 2] + (1 - base) * read[other, 2])
            moving = 0.5 * ((1 + base) * read[i, 8] + (1 - base) * read[other, 8])
            at = (travel - grids[0]) / grids[1]
            ratio = _read(ratios, i, at)
            damped = _read(dampers, i, (ratio * moving - grids[2]) / grids[3])
            slip = moving / wheels[i, 6]
            rub = wheels[i, 5] * min(1.0, max(-1.0, slip))
            read[i, 3], read[i, 4], read[i, 7] = ratio * moving, damped, rub
            read[i, 9] = _read(springs, i, at) + damped * ratio + rub
        for i in range(one, one + per):
            other = one + one + per - 1 - i
            push = 0.5 * ((1 + base) * read[i, 9] + (1 - base) * read[other, 9])
            push += bar * (read[i, 2] - read[other, 2])
            read[i, 10] = push
        for i in range(one, one + per):
            distance = (speed * t - wheels[i, 7]) / road_step
            side = int(wheels[i, 8])
            height, rising = 0.0, 0.0
            if distance > 0.0:
                last = road.shape[1] - 1
                if distance >= last:
                    height = road[side, last]
                else:
                    j = int(distance)
                    step = road[side, j + 1] - road[side, j]
                    height, rising = road[side, j] + step * (distance - j), step / road_step * speed
            squash = wheels[i, 9] + height - state[3 + i]
            tyre = 0.0
            if squash > 0.0:
                tyre = max(0.0, wheels[i, 3] * squash + wheels[i, 4] * (rising - state[half + 3 + i]))
            read[i, 0], read[i, 1], read[i, 5], read[i, 6] = state[3 + i], height, tyre, squash
            # links carry their share of what a manoeuvre moves straight to the tyre
            links = wheels[i, 10] * along + wheels[i, 11] * across
            read[i, 11] = tyre - read[i, 10] - links - wheels[i, 12] * across - wheels[i, 2] * 9.80665
            lift += read[i, 10] + links
            turn += wheels[i, 0] * (read[i, 10] + links)
            lean += wheels[i, 1] * (read[i, 10] + links)
        for i in range(one, one + per):
            other = one + one + per - 1 - i
            made[half + 3 + i] = axles[a, 2] * read[i, 11]
            if per == 2:
                made[half + 3 + i] += axles[a, 3] * read[other, 11]
    for j in range(half):
        made[j] = state[half + j]
    made[half] = lift / m
    made[half + 1] = turn / pitch_inertia
    made[half + 2] = lean / roll_inertia if roll_inertia > 0.0 else 0.0


@njit(cache=True, nogil=True, error_model="numpy")
def march(
    times: Any, kept: Any, per: int, body: Any, wheels: Any, axles: Any, springs: Any, ratios: Any, dampers: Any,
    grids: Any, road: Any, drive: Any, records: Any, stop: Any,
) -> int:  # fmt: skip
    """Steps through `times`; where `kept`, a record is written. The number of records made, fewer when stopped."""
    n = wheels.shape[0]
    size = 2 * (3 + n)
    half = 3 + n
    state, trial = np.zeros(size), np.zeros(size)
    k1, k2, k3, k4 = np.zeros(size), np.zeros(size), np.zeros(size), np.zeros(size)
    read = np.zeros((n, 12))
    made = 0
    for step in range(times.size - 1):
        t, h = times[step], times[step + 1] - times[step]
        _slopes(t, state, k1, read, per, body, wheels, axles, springs, ratios, dampers, grids, road, drive)
        if kept[step]:
            if stop[0] != 0:
                return made
            for j in range(3):
                records[made, j] = state[j]
                records[made, 3 + j] = k1[half + j]
            for i in range(n):
                for j in range(8):
                    records[made, 6 + 8 * i + j] = read[i, j]
            made += 1
        for j in range(size):
            trial[j] = state[j] + 0.5 * h * k1[j]
        _slopes(
            t + 0.5 * h, trial, k2, read, per, body, wheels, axles, springs, ratios, dampers, grids, road, drive
        )
        for j in range(size):
            trial[j] = state[j] + 0.5 * h * k2[j]
        _slopes(
            t + 0.5 * h, trial, k3, read, per, body, wheels, axles, springs, ratios, dampers, grids, road, drive
        )
        for j in range(size):
            trial[j] = state[j] + h * k3[j]
        _slopes(t + h, trial, k4, read, per, body, wheels, axles, springs, ratios, dampers, grids, road, drive)
        for j in range(size):
            state[j] += h / 6.0 * (k1[j] + 2.0 * k2[j] + 2.0 * k3[j] + k4[j])
    return made


@njit(cache=True, nogil=True, error_model="numpy")
def march_quarter(
    step: float, count: int, wheel: Any, spring: Any, ratios: Any, dampers: Any, grids: Any, road: Any,
    accelerations: Any, tyres: Any, travels: Any, stop: Any, done: Any,
) -> Any:  # fmt: skip
    """One corner alone, with as many dampers as `dampers` has rows, one behind the other; the number made."""
    mass, unsprung, rate, damping, rub, slipping, rest = (
        wheel[0], wheel[1], wheel[2], wheel[3], wheel[4], wheel[5], wheel[6],
    )  # fmt: skip
    g, speed, road_step = 9.80665, grids[4], grids[5]
    state, trial = np.zeros(4), np.zeros(4)
    k = np.zeros((4, 4))
    for row in range(dampers.shape[0]):
        if stop[0] != 0:
            return row
        for j in range(4):
            state[j] = 0.0
        for s in range(count):
            for stage in range(4):
                part = 0.0 if stage == 0 else (1.0 if stage == 3 else 0.5)
                for j in range(4):
                    trial[j] = state[j] + (part * step * k[stage - 1, j] if stage > 0 else 0.0)
                travel, moving = trial[1] - trial[0], trial[3] - trial[2]
                at = (travel - grids[0]) / grids[1]
                ratio = _read(ratios, 0, at)
                push = _read(spring, 0, at) + _read(dampers, row, (ratio * moving - grids[2]) / grids[3]) * ratio
                push += rub * min(1.0, max(-1.0, moving / slipping))
                distance = speed * (s + part) * step / road_step
                height, rising = 0.0, 0.0
                last = road.shape[1] - 1
                if distance >= last:
                    height = road[0, last]
                else:
                    j = int(distance)
                    height = road[0, j] + (road[0, j + 1] - road[0, j]) * (distance - j)
                    rising = (road[0, j + 1] - road[0, j]) / road_step * speed
                squash = rest + height - trial[1]
                tyre = 0.0
                if squash > 0.0:
                    tyre = max(0.0, rate * squash + damping * (rising - trial[3]))
                k[stage, 0], k[stage, 1] = trial[2], trial[3]
                k[stage, 2], k[stage, 3] = push / mass - g, (tyre - push) / unsprung - g
                if stage == 0:
                    accelerations[row, s], tyres[row, s], travels[row, s] = k[0, 2], tyre, travel
            for j in range(4):
                state[j] += step / 6.0 * (k[0, j] + 2.0 * k[1, j] + 2.0 * k[2, j] + k[3, j])
        done[0] = row + 1
    return dampers.shape[0]
