import { onScopeDispose, type Ref, ref, shallowRef, watch, type WatchSource } from 'vue'

import { messageOf } from '@/api/client'

export interface Answer<T> {
  found: Ref<T | null>
  trouble: Ref<string>
  /** Whether anything has come back yet. */
  asked: Ref<boolean>
  /** Whether what was found answers the newest question: a button that acts on an answer not shown waits for it. */
  current: Ref<boolean>
  again: () => void
}

/** An answer of the server kept up with what it rests on: one question out at a time, then only the newest. */
export function useAnswer<T>(
  question: (signal: AbortSignal) => Promise<{ data?: T; error?: unknown }> | null,
  on: WatchSource[],
): Answer<T> {
  const found = shallowRef<T | null>(null)
  const trouble = ref('')
  const asked = ref(false)
  const current = ref(false)
  const stop = new AbortController()
  let out = false
  let more = false
  async function ask(): Promise<void> {
    current.value = false
    if (out) return void (more = true)
    out = true
    do {
      more = false
      const pending = question(stop.signal)
      if (!pending) {
        found.value = null
        break
      }
      const { data, error } = await pending.catch((e: unknown) => ({ data: undefined, error: e }))
      if (stop.signal.aborted) return
      if (data !== undefined) {
        found.value = data
        trouble.value = ''
      } else trouble.value = messageOf(error)
      asked.value = true
    } while (more)
    out = false
    current.value = true
  }
  watch(on, () => void ask(), { immediate: true })
  onScopeDispose(() => stop.abort())
  return { found, trouble, asked, current, again: () => void ask() }
}
