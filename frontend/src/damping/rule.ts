import type { ClickRule } from '@/api/client'

/** Places on a knob's rule, open at the left, shut at the right; ratios lie between clicks where they fall. */
export interface RuleScale {
  /** Place of a click from shut. */
  click: (fromShut: number) => number
  /** Place of a ratio, also past both ends of the knob; nothing where all clicks give the same. */
  ratio: (value: number) => number | null
}
export function scaleOf(rule: ClickRule, left: number, right: number): RuleScale {
  const step = (right - left) / rule.clicks
  const click = (n: number): number => right - n * step
  const ratios = rule.ratios
  return {
    click,
    ratio: (value) => {
      if (ratios.length < 2) return null
      const last = ratios.length - 1
      const at = ratios.findIndex((r, i) => i > 0 && (ratios[i - 1]! - value) * (r - value) <= 0)
      // past an end it goes on as between the last two clicks there
      const i = at > 0 ? at : Math.abs(value - ratios[0]!) < Math.abs(value - ratios[last]!) ? 1 : last
      const [a, b] = [ratios[i - 1]!, ratios[i]!]
      return a === b ? null : click(i - 1 + (a - value) / (a - b))
    },
  }
}
/** Ratios to be written under a rule: round ones, as far apart as words need. */
export function ticksOf(rule: ClickRule, most = 7): number[] {
  if (rule.ratios.length < 2) return []
  const [low, high] = [Math.min(...rule.ratios), Math.max(...rule.ratios)]
  const step = [0.02, 0.05, 0.1, 0.2, 0.5, 1].find((s) => (high - low) / s <= most) ?? 2
  const first = Math.ceil(low / step - 1e-9)
  return Array.from({ length: Math.max(0, Math.floor(high / step + 1e-9) - first + 1) }, (_, i) => (first + i) * step)
}
/** A click as the damper counts it. */
export const counted = (rule: ClickRule, fromShut: number): number =>
  rule.counted_from === 'fully open' ? rule.clicks - fromShut : fromShut
