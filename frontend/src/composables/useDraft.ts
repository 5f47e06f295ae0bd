import { reactive } from 'vue'

/**
 * Numbers that belong together and are kept in the document only when all are typed: until then they wait here,
 * over changes of station too, so that nothing typed is lost and nothing is filled in unasked.
 */
const waiting = reactive(new Map<string, Record<string, number | null>>())

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
    missing: () => (members.some((m) => now()[m] != null) ? members.filter((m) => now()[m] == null) : []),
  }
}
