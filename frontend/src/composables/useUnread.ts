import { computed, onMounted, type Ref, reactive, ref, watch } from 'vue'

const PLACE = 'feder-unread'

/** Text that is typed in a field and not taken yet, with why. */
export interface Unread {
  text: string
  why: string
}
const all = reactive(new Map<string, Unread>(stored()))
watch(all, (now) => store(JSON.stringify([...now])), { deep: true })

function stored(): [string, Unread][] {
  try {
    return JSON.parse(localStorage.getItem(PLACE) ?? '[]') as [string, Unread][]
  } catch {
    return []
  }
}
function store(text: string): void {
  try {
    localStorage.setItem(PLACE, text)
  } catch {
    // it stays while the tab is open
  }
}
/** Page and view a field stands on, without what is only looked at. */
const here = (): string => location.pathname + location.search

/** How many numbers typed on a page of this vehicle, or on any of them, were not taken yet; and on which pages. */
export function unreadUnder(prefix: Ref<string>) {
  return computed(() => [...all.keys()].filter((k) => k.startsWith(prefix.value)).map((k) => k.split('|')[0]!))
}

/**
 * What is typed in a field and cannot be taken yet waits with its page, its words and its place among fields of the same
 * words: over leaving the page, loading it anew and starting the browser again, until it is taken or thrown away.
 */
export function useUnread(input: Ref<HTMLInputElement | null>, words: () => string, found: (kept: Unread) => void) {
  const key = ref('')
  onMounted(() => {
    // the fields of a page come together: once they stand, each knows its place
    setTimeout(() => {
      // a window that is closed is thrown away with all that is in it
      if (!input.value?.isConnected || input.value.closest('[role=dialog], .v-overlay')) return
      const same = [...document.querySelectorAll<HTMLInputElement>('input.qf-in')].filter(
        (i) => i.labels?.[0]?.textContent === words(),
      )
      key.value = [here(), words(), same.indexOf(input.value)].join('|')
      const kept = all.get(key.value)
      if (kept) found(kept)
    }, 0)
  })
  return {
    keep: (text: string, why: string): void => {
      if (key.value) all.set(key.value, { text, why })
    },
    drop: (): void => {
      if (key.value) all.delete(key.value)
    },
  }
}
