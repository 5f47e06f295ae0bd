import members from './members.json'
import table from './table.json'

/** What a field takes: its SI unit and the bounds that vehicles have, by its name in the document. */
export interface Bounds {
  si: string
  low: number
  high: number
}
const typed = members.typed as unknown as Record<string, [string, number, number]>
export function boundsOf(of: string): Bounds {
  const found = typed[of]
  if (!found) throw new Error(`no bounds are known for ${of}`)
  return { si: found[0], low: found[1], high: found[2] }
}
/** Texts that have a form of their own: the form, and how it is told. */
const texts = members.texts as unknown as Record<string, [string, string]>
export function writtenAs(of: string): { pattern: RegExp; says: string } {
  const found = texts[of]
  if (!found) throw new Error(`no form is known for ${of}`)
  return { pattern: new RegExp(found[0]), says: found[1] }
}
/** What goes where a field is left blank. */
export const USUAL = members.usual
/** Members of a corner that set it, and what it is then set by. */
export const SETS = members.sets as Record<string, string>

const PLAIN = /^\s*([-+−]?)(\d+\.?\d*|\.\d+)\s*$/
/**
 * A plain number in the unit shown, in SI: what needs no server. Nothing for anything else: fractions, units, degrees
 * and minutes are read there.
 */
export function plainNumber(text: string, factor: number): number | null {
  const found = PLAIN.exec(text)
  if (!found || text.length > 20) return null
  const value = Number(found[2]) * (found[1] === '-' || found[1] === '−' ? -1 : 1)
  const parts = Math.round(1 / factor)
  // through the exact whole number where there is one, so that 71 mm is 0.071 m, as the server reads it
  return parts >= 1 && Math.abs(parts * factor - 1) < 1e-15 ? value / parts : value * factor
}
export const FAR_OUT = 'This is far outside what a vehicle has; check the unit'
export { table }
