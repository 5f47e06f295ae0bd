import { inject, type InjectionKey, provide, type Ref, shallowRef } from 'vue'

/** One short message at the foot of the window, with an undo where there is one. */
export interface Notice {
  text: string
  undo?: () => void
  /** What went wrong stays until it is put away by hand. */
  fault?: boolean
}
export interface Notices {
  current: Ref<Notice | null>
  say: (text: string, undo?: () => void) => void
  fail: (text: string) => void
  undo: () => void
  dismiss: () => void
}
const key: InjectionKey<Notices> = Symbol('notices')

export function provideNotices(): Notices {
  const current = shallowRef<Notice | null>(null)
  const notices: Notices = {
    current,
    say: (text, undo) => (current.value = undo ? { text, undo } : { text }),
    fail: (text) => (current.value = { text, fault: true }),
    undo: () => {
      current.value?.undo?.()
      current.value = null
    },
    dismiss: () => (current.value = null),
  }
  provide(key, notices)
  return notices
}

export const useNotices = (): Notices => {
  const found = inject(key)
  if (!found) throw new Error('notices are provided by App')
  return found
}
