import type { Place, Setup, SideSetup } from '@/api/client'

/** Collars as they were really set, by place, in m. */
export type ReallySet = Partial<Record<Place, number | null>>
export const KNOBS = ['rebound', 'bump', 'high_bump', 'both'] as const
/** Clicks as they were really set, by place and knob. */
export type ReallyClicked = Record<string, number | null>

/** A fitted setup of a plan: the same parts and settings, with what was really set, the day and the odometer. */
export function fittedFrom(
  plan: Setup,
  setups: Setup[],
  day: string | null,
  odometer: number | null,
  set: ReallySet,
  clicked: ReallyClicked = {},
): Setup {
  const taken = new Set(setups.map((s) => s.id))
  const number = (n: number): string => (n === 1 ? 'fitted' : `fitted-${n}`)
  let n = 1
  while (taken.has(number(n))) n += 1
  const names = new Set(setups.map((s) => s.name))
  const called = `fitted, ${plan.name}`
  const name = names.has(called) ? `${called} ${n}` : called
  const sides = { ...plan.sides } as Record<Place, SideSetup>
  for (const [place, collar] of Object.entries(set) as [Place, number | null][]) {
    if (collar === null || collar === undefined) continue
    sides[place] = { ...sides[place], collar, set_by: 'collar' }
  }
  for (const place of Object.keys(sides) as Place[])
    for (const knob of KNOBS) {
      const count = clicked[`${place} ${knob}`]
      const told = sides[place]?.[knob]
      if (told && count !== null && count !== undefined) sides[place] = { ...sides[place], [knob]: { ...told, count } }
    }
  return {
    ...plan,
    id: number(n),
    name: name.slice(0, 80),
    stage: 'fitted',
    parent: plan.id,
    sides: sides as Setup['sides'],
    fitted_on: day,
    odometer,
  }
}
