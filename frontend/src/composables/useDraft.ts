import { reactive, watch } from 'vue'

const PLACE = 'feder-waiting'

/**
 * Numbers that belong together and are kept in the document only when all are typed: until then they wait here,
 * over changes of station and reloads of the tab, so that nothing typed is lost and nothing is filled in unasked.
 */
const waiting = reactive(new Map<string, Record<string, number | null>>(kept()))
watch(waiting, (now) => keep(JSON.stringify([...now])), { deep: true })

/** What waited in this tab before it was loaded anew; a browser that keeps nothing begins with nothing. */
function kept(): [string, Record<string, number | null>][] {
  try {
    return JSON.parse(sessionStorage.getItem(PLACE) ?? '[]') as [string, Record<string, number | null>][]
  } catch {
    return []
  }
}
function keep(text: string): void {
  try {
    sessionStorage.setItem(PLACE, text)
  } catch {
    // it stays while the tab is open
  }
}

export interface Draft<K extends string> {
  /** What waits, or nothing. */
  get: (member: K) => number | null
  /** Set one member; gives the whole once nothing is missing, and forgets it. */
  put: (
    member: K,
    value: number | null,
    rest?: Partial<Record<K, number | null | undefined>>,
  ) => Record<K, number> | null
  /** Members still missing, where one is typed. */
  missing: () => K[]
  /** Put numbers aside that were whole until one of them was cleared. */
  park: (values: Partial<Record<K, number | null | undefined>>) => void
  /** Take out all that waits. */
  take: () => Partial<Record<K, number>>
}

export function useDraft<K extends string>(key: string, members: readonly K[]): Draft<K> {
  const now = (): Record<string, number | null> => waiting.get(key) ?? {}
  return {
    get: (member) => now()[member] ?? null,
    put: (member, value, rest = {}) => {
      const next = { ...now(), [member]: value }
      const whole = Object.fromEntries(members.map((m) => [m, next[m] ?? rest[m] ?? null])) as Record<K, number | null>
      if (members.some((m) => whole[m] === null)) {
        waiting.set(key, next)
        return null
      }
      waiting.delete(key)
      return whole as Record<K, number>
    },
    park: (values) => {
      const kept = Object.entries(values).filter(([m, v]) => members.includes(m as K) && v != null)
      waiting.set(key, { ...now(), ...(Object.fromEntries(kept) as Record<string, number>) })
    },
    take: () => {
      const all = Object.fromEntries(Object.entries(now()).filter(([, v]) => v !== null)) as Partial<Record<K, number>>
      waiting.delete(key)
      return all
    },
    missing: () => (members.some((m) => now()[m] != null) ? members.filter((m) => now()[m] == null) : []),
  }
}
