import table from './table.json'

export type System = keyof typeof table.systems
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
  'N*m/deg': 'N·m/°',
  'N*m/rad': 'N·m/rad',
}
const dimensions = Object.entries(table.dimensions) as [string, { si: string; units: Record<string, number> }][]

export const SYSTEMS: { id: System; words: string }[] = [
  { id: 'metric', words: 'mm · N/mm' },
  { id: 'inch', words: 'in · lbf/in' },
  { id: 'kgf', words: 'mm · kgf/mm' },
]

/** The unit a system shows for an SI unit: its name in the table, its factor, its decimals. */
export function unitShown(
  si: string,
  system: System,
  kind?: Kind,
): { name: string; written: string; factor: number; decimals: number } {
  const [name, dimension] = dimensions.find(([, d]) => d.si === si) ?? ['ratio', { si: '', units: { '': 1 } }]
  const row = (table.systems[system] as Record<string, (string | number)[]>)[kind ?? name] ?? [si, 3]
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
