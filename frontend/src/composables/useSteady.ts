import { computed, type ComputedRef } from 'vue'

/** A computed value that keeps its identity while it says the same, so that nothing is drawn again for it. */
export function useSteady<T>(make: () => T): ComputedRef<T> {
  return computed<T>((before) => {
    const now = make()
    return before !== undefined && JSON.stringify(before) === JSON.stringify(now) ? before : now
  })
}
