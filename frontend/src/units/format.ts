import table from './table.json'

type Base = keyof typeof table.systems
/** One of the three systems; behind it what has a unit of its own: "metric;pressure=psi". */
export type System = string
export type Kind = keyof (typeof table.systems)['metric']

export interface ShowOptions {
  /** Which row of the system, where it is not the unit's own dimension: "fine length" for collars and gaps. */
  kind?: Kind
  decimals?: number
  signed?: boolean
  unit?: boolean
}

const WRITTEN: Record<string, string> = {
  'cm^2': 'cm²',
  'cm^3': 'cm³',
  'in^2': 'in²',
  'in^3': 'in³',
  deg: '°',
  'N*s/m': 'N·s/m',
  'lbf*s/in': 'lbf·s/in',
  'kgf*s/mm': 'kgf·s/mm',
  'N*m': 'N·m',
  'lbf*ft': 'lbf·ft',
  'kgf*m': 'kgf·m',
  'deg/g': '°/g',
  'kg*m^2': 'kg·m²',
  'm/s^2': 'm/s²',
  'N*m/deg': 'N·m/°',
  'N*m/rad': 'N·m/rad',
}
const dimensions = Object.entries(table.dimensions) as [string, { si: string; units: Record<string, number> }][]

export const SYSTEMS: { id: Base; words: string }[] = [
  { id: 'metric', words: 'mm · N/mm' },
  { id: 'inch', words: 'in · lbf/in' },
  { id: 'kgf', words: 'mm · kgf/mm' },
]

type Rows = Record<string, (string | number)[]>
const groups = table.groups as Record<string, string[]>
const everySystem = Object.values(table.systems) as Rows[]
const made = new Map<System, Rows>()
/** Every row of a system, its own choices put in; what is not known leaves the row as it is. */
function rowsOf(system: System): Rows {
  const kept = made.get(system)
  if (kept) return kept
  const [base = 'metric', ...own] = system.split(';')
  const rows: Rows = { ...((table.systems as Record<string, Rows>)[base] ?? table.systems.metric) }
  for (const choice of own) {
    const [group = '', unit = ''] = choice.split('=')
    for (const name of groups[group] ?? []) {
      const row = everySystem.map((r) => r[name]).find((r) => r?.[0] === unit)
      if (row) rows[name] = row
    }
  }
  made.set(system, rows)
  return rows
}
/** What may have a unit of its own, the units there are for it, and which of them is shown. */
export const choicesOf = (system: System): { group: string; units: string[]; now: string }[] =>
  Object.entries(groups).map(([group, names]) => ({
    group,
    units: [...new Set(everySystem.map((r) => String(r[names[0]!]![0])))],
    now: String(rowsOf(system)[names[0]!]![0]),
  }))
/** The system with another unit for one quantity; chosen as the system has it, the choice is dropped. */
export function withUnit(system: System, group: string, unit: string): System {
  const [base = 'metric', ...own] = system.split(';')
  const rest = own.filter((c) => !c.startsWith(`${group}=`))
  const usual = choicesOf(base).find((c) => c.group === group)?.now
  return [base, ...(unit === usual ? rest : [...rest, `${group}=${unit}`])].join(';')
}
/** A unit as it is written. */
export const writtenUnit = (unit: string): string => WRITTEN[unit] ?? unit
/** The system in words: lengths and rates as they are shown. */
export const systemWords = (system: System): string =>
  ['m', 'N/m'].map((si) => unitShown(si, system).written).join(' · ')
export const baseOf = (system: System): string => system.split(';')[0]!

/** The unit a system shows for an SI unit: its name in the table, its factor, its decimals. */
export function unitShown(
  si: string,
  system: System,
  kind?: Kind,
): { name: string; written: string; factor: number; decimals: number } {
  const [name, dimension] = dimensions.find(([, d]) => d.si === si) ?? ['ratio', { si: '', units: { '': 1 } }]
  const row = rowsOf(system)[kind ?? name] ?? [si, 3]
  const unit = String(row[0])
  return { name: unit, written: WRITTEN[unit] ?? unit, factor: dimension.units[unit] ?? 1, decimals: Number(row[1]) }
}

/** A value in SI as a person reads it: rounded, with a true minus sign; a dash for nothing. */
export function show(value: number | null | undefined, si: string, system: System, options: ShowOptions = {}): string {
  if (value === null || value === undefined) return '–'
  const unit = unitShown(si, system, options.kind)
  const text = (value / unit.factor).toFixed(options.decimals ?? unit.decimals)
  const zero = /^-?0(\.0*)?$/.test(text)
  const plain = zero ? text.replace('-', '') : text.replace('-', '−')
  const signed = options.signed && !zero && value > 0 ? `+${plain}` : plain
  if (!options.unit || !unit.written) return signed
  return unit.written === '°' ? `${signed}°` : `${signed} ${unit.written}`
}

/** A value in SI in a unit of the table, whatever system is shown. */
export function inUnit(value: number, unit: string): number {
  const factor = dimensions.map(([, d]) => d.units[unit]).find((f) => f !== undefined)
  return value / (factor ?? 1)
}

/** A ratio as a percentage. */
export const percent = (
  value: number | null | undefined,
  options: { signed?: boolean; decimals?: number } = {},
): string =>
  value === null || value === undefined
    ? '–'
    : `${show(value * 100, '', 'metric', { decimals: options.decimals ?? 0, ...options })} %`
