import { inject, type InjectionKey, provide, type Ref, ref, shallowRef } from 'vue'

import type { Document } from '@/api/client'

/** Which figure of the report is being asked "how?"; null while the drawer is closed. */
export interface Working {
  path: Ref<string | null>
  title: Ref<string>
  /** A document other than the one in hand, such as one with another spring tried. */
  instead: Ref<Document | null>
  ask: (path: string, title: string, instead?: Document) => void
  close: () => void
}
const key: InjectionKey<Working> = Symbol('working')

export function provideWorking(): Working {
  const path = ref<string | null>(null)
  const title = ref('')
  const instead = shallowRef<Document | null>(null)
  const working: Working = {
    path,
    title,
    instead,
    ask: (asked, words, other) => {
      instead.value = other ?? null
      path.value = asked
      title.value = words
    },
    close: () => (path.value = null),
  }
  provide(key, working)
  return working
}

export const useWorking = (): Working => {
  const found = inject(key)
  if (!found) throw new Error('working is provided by WorkspacePage')
  return found
}
