import type { Document, Place, SideSetup } from '@/api/client'
import type { Edit } from '@/logic/patch'

/** Parts as found that were cleared in this window, until they are told anew: what copies of them are held against. */
const cleared = new Map<string, unknown>()
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a ?? null) === JSON.stringify(b ?? null)

/**
 * What was on the vehicle, told anew at some corners: setups that hold a copy of it follow, and those that have a part of
 * their own keep it. A plan that has none yet takes it over where `fill` says so. One that is cleared, to be typed anew,
 * leaves the copies as they are till then.
 */
export function foundAnew<M extends 'spring' | 'second_spring' | 'stop'>(
  document: Document,
  places: readonly Place[],
  member: M,
  made: (place: Place, was: SideSetup) => SideSetup[M] | null,
  fill = false,
): Edit[] {
  return places.flatMap((place) => {
    const was = document.setups[0]!.sides?.[place] ?? {}
    const now = made(place, was)
    const key = `${document.vehicle?.name} ${place} ${member}`
    const before = was[member] ?? cleared.get(key) ?? null
    if (now === null) cleared.set(key, before)
    else cleared.delete(key)
    return document.setups.flatMap((setup, i) => {
      const here = setup.sides?.[place]?.[member] ?? null
      const copy = now !== null && here !== null && same(here, before)
      return i === 0 || copy || (fill && here === null)
        ? [{ path: ['setups', i, 'sides', place, member], value: now }]
        : []
    })
  })
}
