import type { Station } from '@/api/client'

/** Something that can be found: its words as on the screen, other words people use for it, and where it stands. */
export interface Found {
  words: string
  also?: string
  station: Station | 'compare'
  /** What the station shows of several views. */
  view?: string
  hash?: string
}

const BRIEF: Found[] = [
  { words: 'What is it for: use', also: 'purpose target', station: 'brief', hash: '#use' },
  { words: 'What is wrong now', also: 'complaint symptom floats bottoms harsh', station: 'brief', hash: '#complaint' },
  { words: 'What may not be given up', also: 'keep limits', station: 'brief', hash: '#complaint' },
  { words: 'Vehicle, its name', also: 'rename call', station: 'brief' },
]

/** The job card's own. */
const FIT: Found[] = [
  { words: 'Job card, steps to fit', also: 'assembly order checklist tick install work', station: 'fit' },
  { words: 'Torque of a fastener, used once', also: 'bolt nut Nm stretch angle tighten', station: 'fit' },
  { words: 'What hangs on each end', also: 'hose lead sensor rod link clamp bush', station: 'fit', hash: '#hangs' },
  { words: 'Inspection note', also: 'papers authority registration', station: 'fit' },
]
/** Fields of a car that can be found by their words. */
export const FIELDS: Found[] = [
  ...BRIEF,
  ...FIT,
  { words: 'Frequency wanted', also: 'target hertz natural frequency band', station: 'brief', hash: '#use' },
  { words: 'Rear over front wanted', also: 'frequency ratio flat ride', station: 'brief', hash: '#use' },
  { words: 'Held at full droop', also: 'preload seated minimum', station: 'brief', hash: '#use' },
  {
    words: 'Bounce test: how much of a damper is left',
    also: 'worn push let go swings logger film share',
    station: 'damping',
  },
  { words: 'Tyre size', also: 'wheel width aspect rim radius', station: 'geometry' },
  { words: 'Damping wanted, rebound over bump', also: 'target critical zeta', station: 'brief', hash: '#damping' },
  { words: 'Flat ride or stiff front', also: 'school pitch', station: 'brief', hash: '#schools' },
  { words: 'Bump stops: not touched, or as springs', also: 'bumpstop school', station: 'brief', hash: '#schools' },
  { words: 'Frequency counts with or without the tyre', also: 'basis', station: 'brief', hash: '#schools' },
  { words: 'Weight at each corner', also: 'corner weights scales mass balance', station: 'survey', hash: '#weights' },
  { words: 'Hub to arch', also: 'ride height fender wheel centre', station: 'survey', hash: '#heights' },
  { words: 'Floor to arch', also: 'ride height ground fender', station: 'survey', hash: '#heights' },
  { words: 'Sill off floor', also: 'rake rocker', station: 'survey', hash: '#heights' },
  { words: 'Walk round', also: 'measure', station: 'survey' },
  { words: 'Level floor, tyre pressures, rolled', also: 'conditions', station: 'survey' },
  { words: 'Who or what is aboard, fuel', also: 'ballast driver', station: 'survey' },
  { words: 'Known damage', also: 'cracks corrosion leak worn', station: 'survey', hash: '#damage' },
  { words: 'Spring as found: rate, free length', also: 'stock standard oem', station: 'survey', hash: '#as-found' },
  { words: 'Torsion bar as found: diameter, splines', also: 'index', station: 'survey', hash: '#as-found' },
  { words: 'Readings from a file, blank page', also: 'import csv print form', station: 'survey' },
  { words: 'Wheelbase, overhangs, roof height', also: 'dimensions', station: 'geometry', hash: '#dimensions' },
  { words: 'Track', also: 'width tread', station: 'geometry', hash: '#ratios' },
  { words: 'Centre of gravity over the floor', also: 'cg cog', station: 'geometry', hash: '#roll' },
  { words: 'Roll centre over the floor', also: 'rc', station: 'geometry', hash: '#ratios' },
  { words: 'Layout', also: 'strut wishbone live axle divorced torsion', station: 'geometry', hash: '#ratios' },
  { words: 'Motion ratio', also: 'leverage installation ratio lever sweep', station: 'geometry', hash: '#ratios' },
  { words: 'Unsprung mass', also: 'weight wheel brake', station: 'geometry', hash: '#ratios' },
  { words: 'Damper coefficient', also: 'shock absorber damping', station: 'geometry', hash: '#ratios' },
  { words: 'Tyre radius, tyre rate', also: 'tire stiffness', station: 'geometry', hash: '#ratios' },
  { words: 'Anti-roll bar', also: 'sway bar stabiliser arb rate hole', station: 'geometry', hash: '#ratios' },
  { words: 'Full droop', also: 'rebound travel extended hanging', station: 'geometry', hash: '#limits-front' },
  { words: 'Damper solid', also: 'bump travel compressed bottom', station: 'geometry', hash: '#limits-front' },
  { words: 'Tyre meets arch', also: 'contact rub liner', station: 'geometry', hash: '#limits-front' },
  {
    words: 'Bump stop: shaft, length, squeeze, force',
    also: 'jounce bumper',
    station: 'geometry',
    hash: '#limits-front',
  },
  { words: 'Gas pressure of the damper, rod diameter', also: 'charge', station: 'geometry', hash: '#limits-front' },
  { words: 'Friction at the wheel', also: 'stiction', station: 'geometry', hash: '#limits-front' },
  { words: 'Lower arm, length and angle', also: 'wishbone control arm', station: 'geometry', hash: '#limits-front' },
  { words: 'Which way the arm lies', also: 'trailing transverse spacer', station: 'geometry', hash: '#limits-front' },
  { words: 'Spring rate, springs on the shelf', also: 'stiffness choice candidates', station: 'springs' },
  { words: 'Spring on the standard perch', also: 'lowering spring fixed', station: 'springs' },
  { words: 'Load plan: passengers, luggage, trailer', also: 'tow payload plate', station: 'springs', view: 'loads' },
  {
    words: 'Roll, anti-roll bars, load transfer',
    also: 'sway bar stabiliser balance',
    station: 'springs',
    view: 'roll',
  },
  {
    words: 'This setup replaces: conversion, arms, tyre, ball joint, bar links',
    also: 'swap convert coilover leaf balljoint drop link',
    station: 'geometry',
    hash: '#ratios',
  },
  {
    words: 'Alignment adjusters',
    also: 'eccentric camber plate cam bolt slots',
    station: 'geometry',
    hash: '#limits-front',
  },
  { words: 'Leaf springs as found', also: 'leaves cart spring block', station: 'survey', hash: '#as-found' },
  { words: 'Damper in this setup: lengths, body, thread', also: 'shock absorber strut insert', station: 'travel' },
  {
    words: 'Seat stack: pads, plates, rings, top mount',
    also: 'shim spacer isolator',
    station: 'height',
    hash: '#settings',
  },
  {
    words: "Kit's chart, rule at the collar",
    also: 'maker chart datum calliper',
    station: 'height',
    hash: '#settings',
  },
  {
    words: 'Hub to arch asked for',
    also: 'ride height lower raise drop',
    station: 'height',
    hash: '#height-front_left',
  },
  {
    words: 'Collar, turns',
    also: 'perch preload ring nut adjuster coilover',
    station: 'height',
    hash: '#height-front_left',
  },
  {
    words: 'Seat length, thread, lead',
    also: 'spring seat perch pitch',
    station: 'height',
    hash: '#height-front_left',
  },
  { words: 'Splines, plate angle, free angle', also: 'torsion bar index', station: 'height' },
  {
    words: 'Set down: heights read after fitting, what to turn',
    also: 'correction trim measured',
    station: 'settle',
    hash: '',
  },
  { words: 'Corner weights', also: 'scales cross balance wedge diagonal', station: 'settle', hash: '' },
  { words: 'Alignment read-out', also: 'toe camber caster thrust rack tracking', station: 'settle', hash: '' },
  { words: 'Log of changes', also: 'diary notes felt entry settling', station: 'settle', hash: '' },
  { words: 'Range of the kit', also: 'permitted approval', station: 'height', hash: '#settings' },
  { words: 'Wheel spacers', also: 'offset', station: 'height', hash: '#settings' },
  { words: 'Clicks', also: 'rebound bump compression damper adjuster', station: 'height', hash: '#settings' },
  { words: 'Tyre pressure', also: 'tire psi bar', station: 'height', hash: '#settings' },
  { words: 'Camber, toe', also: 'alignment tracking', station: 'height', hash: '#settings' },
  { words: 'Clicks, what each gives', also: 'rebound bump compression adjuster damping', station: 'damping' },
  { words: 'Damper curves, measured or a family', also: 'dyno bench csv shock', station: 'damping', view: 'damper' },
  {
    words: 'Trial run over a road, against another setup',
    also: 'simulation simulate bump braking comfort grip prove',
    station: 'prove',
  },
  { words: 'Find clicks', also: 'optimise best damper setting search', station: 'prove', view: 'clicks' },
  { words: 'Comfort and grip at other speeds', also: 'sweep', station: 'prove', view: 'speeds' },
  { words: 'Bump and droop travel', also: 'rebound jounce limits', station: 'travel' },
  { words: 'Bump stop cut, packers', also: 'bumper shim trim', station: 'travel' },
]
/** The same on two wheels. */
export const FIELDS_OF_TWO: Found[] = [
  ...BRIEF,
  ...FIT,
  { words: 'Sag wanted, lean wanted', also: 'target static rider', station: 'brief', hash: '#use' },
  { words: 'Sag readings: extended, bike alone, rider on', also: 'measure static', station: 'survey' },
  { words: 'Spring, preload, pressure as found', also: 'stock air', station: 'survey', hash: '#as-found' },
  { words: 'Scale under the wheel', also: 'weight mass', station: 'survey', hash: '#as-found' },
  { words: 'Known damage', also: 'leak seals worn', station: 'survey', hash: '#damage' },
  { words: 'Wheelbase, tyre radius', also: 'dimensions tire', station: 'geometry', hash: '#dimensions' },
  { words: 'Rake, offset, trail', also: 'head angle caster steering', station: 'geometry' },
  { words: 'Travel, leverage, linkage', also: 'motion ratio stroke', station: 'geometry' },
  { words: 'Rear arm: length, pivot height', also: 'swingarm', station: 'geometry' },
  { words: 'Hard parts, lean before they touch', also: 'footpeg clearance', station: 'geometry' },
  { words: 'Springs by sag', also: 'rate stiffness choice', station: 'springs' },
  { words: 'Rider, pillion, luggage', also: 'load weight passenger', station: 'springs', view: 'loads' },
  { words: 'Verdict, preload turns, pressure', also: 'sag adjuster', station: 'height' },
  { words: 'Lean, seat height, what it takes', also: 'ground clearance', station: 'height' },
  { words: 'Clicks', also: 'rebound compression damper', station: 'height', hash: '#settings' },
  {
    words: 'Trial run over a road, against another setup',
    also: 'simulation simulate bump braking comfort grip prove',
    station: 'prove',
  },
  { words: 'Find clicks', also: 'optimise best damper setting search', station: 'prove', view: 'clicks' },
  { words: 'Comfort and grip at other speeds', also: 'sweep', station: 'prove', view: 'speeds' },
  { words: 'Oil level, fork spacers, clamp', also: 'fork oil', station: 'height', hash: '#settings' },
  { words: 'Tyre pressure', also: 'tire psi bar', station: 'height', hash: '#settings' },
  { words: 'Travel curve, leverage over the travel', also: 'progression', station: 'travel' },
]
