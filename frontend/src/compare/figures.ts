import type { ShowOptions } from '@/units/format'

/** How a figure of the report is written in a comparison, in the order in which it is read. */
export interface Written {
  name: string
  words: string
  options?: ShowOptions
  percent?: boolean
}
export interface Group {
  words: string
  /** Prefix of the paths: every corner, both ends, or the whole vehicle. */
  of: 'corners' | 'ends' | 'vehicle' | 'sags' | 'steering'
  rows: Written[]
}
const fine: ShowOptions = { kind: 'fine length' }
export const GROUPS: Group[] = [
  {
    words: 'Heights and collars',
    of: 'corners',
    rows: [
      { name: 'floor_to_arch', words: 'floor to arch' },
      { name: 'hub_to_arch', words: 'hub to arch' },
      { name: 'hub_measured', words: 'hub to arch, measured' },
      { name: 'mass_measured', words: 'scale, measured', options: { decimals: 1 } },
      { name: 'toe_measured', words: 'toe, read out', options: fine },
      { name: 'camber_measured', words: 'camber, read out', options: { decimals: 1 } },
      { name: 'caster_measured', words: 'caster, read out', options: { decimals: 1 } },
      { name: 'mass', words: 'weight', options: { decimals: 0 } },
      { name: 'collar', words: 'collar', options: fine },
      { name: 'collar_turns', words: 'turns up' },
      { name: 'held_at_droop', words: 'held at droop', options: fine },
      { name: 'spring_length', words: 'spring at ride' },
      { name: 'preload_force', words: 'preload' },
    ],
  },
  {
    words: 'Rates',
    of: 'corners',
    rows: [
      { name: 'spring_rate', words: 'spring rate' },
      { name: 'motion_ratio', words: 'motion ratio', options: { decimals: 3 } },
      { name: 'wheel_rate', words: 'wheel rate' },
      { name: 'ride_rate', words: 'with the tyre' },
      { name: 'frequency', words: 'frequency' },
      { name: 'tyre_frequency', words: 'with the tyre' },
      { name: 'damping_ratio', words: 'damping' },
    ],
  },
  {
    words: 'Travel',
    of: 'corners',
    rows: [
      { name: 'stop', words: 'to the stop' },
      { name: 'solid', words: 'to solid damper' },
      { name: 'contact', words: 'to tyre contact' },
      { name: 'bind', words: 'to coil bind' },
      { name: 'droop', words: 'to full droop' },
      { name: 'bump_travel', words: 'bump travel' },
      { name: 'lost_fraction', words: 'lost to the drop', percent: true },
      { name: 'stop_cornering', words: 'stop met, corner, g', options: { decimals: 2 } },
      { name: 'stop_braking', words: 'stop met, braking, g', options: { decimals: 2 } },
    ],
  },
  {
    words: 'Whole vehicle',
    of: 'vehicle',
    rows: [
      { name: 'frequency_ratio', words: 'rear over front frequency', options: { decimals: 3 } },
      { name: 'flat_speed', words: 'flat-ride speed' },
      { name: 'rake', words: 'rake' },
      { name: 'cross_fraction', words: 'cross weight', percent: true },
      { name: 'front_roll_stiffness', words: 'front roll stiffness' },
      { name: 'rear_roll_stiffness', words: 'rear roll stiffness' },
      { name: 'roll_gradient', words: 'roll' },
      { name: 'front_transfer', words: 'front share of load moved across', percent: true },
    ],
  },
]
const tenth: ShowOptions = { decimals: 1 }
/** The same for two wheels: sags first, then how it stands. */
export const GROUPS_OF_TWO: Group[] = [
  {
    words: 'Sag',
    of: 'sags',
    rows: [
      { name: 'rider_sag', words: 'rider sag', options: tenth },
      { name: 'rider_fraction', words: 'of the travel', percent: true },
      { name: 'free_sag', words: 'free sag', options: tenth },
      { name: 'preload', words: 'preload', options: tenth },
    ],
  },
  {
    words: 'Rates',
    of: 'corners',
    rows: [
      { name: 'spring_rate', words: 'spring rate' },
      { name: 'wheel_rate', words: 'wheel rate' },
      { name: 'frequency', words: 'frequency, alone' },
      { name: 'damping_ratio', words: 'damping' },
      { name: 'pressure', words: 'pressure', options: tenth },
      { name: 'collar', words: 'collar or cap', options: fine },
      { name: 'collar_turns', words: 'turns' },
      { name: 'bump_travel', words: 'travel left, alone' },
    ],
  },
  {
    words: 'How it stands',
    of: 'steering',
    rows: [
      { name: 'rake', words: 'rake', options: tenth },
      { name: 'trail', words: 'trail' },
      { name: 'wheelbase', words: 'wheelbase' },
      { name: 'swingarm', words: 'rear arm', options: tenth },
      { name: 'seat_height', words: 'seat' },
      { name: 'lean', words: 'lean, still', options: tenth },
      { name: 'lean_ridden', words: 'lean in a bend', options: tenth },
    ],
  },
]
const NAMES = new Map<string, Written>(
  [...GROUPS_OF_TWO, ...GROUPS].flatMap((g) => g.rows.map((r) => [`${g.of}.${r.name}`, r] as const)),
)

/** The row a path belongs to, and its place in words. */
export function rowOf(path: string): { row: Written; place: string } | null {
  const [of, ...rest] = path.split('.')
  const name = rest.at(-1)
  const row = NAMES.get(`${of}.${name}`)
  return row ? { row, place: rest.length > 1 ? rest[0]!.replace('_', ' ') : '' } : null
}
