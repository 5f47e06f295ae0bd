import { inject, type InjectionKey, provide, type Ref, ref, shallowRef } from 'vue'

import type { Document } from '@/api/client'

/** Where a figure is found, if not in the report of the setup in hand as weighed. */
export interface At {
  /** A document other than the one in hand, such as one with another spring tried. */
  document?: Document
  setup?: string
  /** The load state whose report is asked about. */
  load?: string | null
}
/** Which figure of the report is being asked "how?"; null while the drawer is closed. */
export interface Working {
  path: Ref<string | null>
  title: Ref<string>
  at: Ref<At>
  ask: (path: string, title: string, at?: At) => void
  close: () => void
}
const key: InjectionKey<Working> = Symbol('working')

export function provideWorking(): Working {
  const path = ref<string | null>(null)
  const title = ref('')
  const at = shallowRef<At>({})
  const working: Working = {
    path,
    title,
    at,
    ask: (asked, words, where) => {
      at.value = where ?? {}
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
