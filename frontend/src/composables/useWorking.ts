import { inject, type InjectionKey, provide, type Ref, ref } from 'vue'

/** Which figure of the report is being asked "how?"; null while the drawer is closed. */
export interface Working {
  path: Ref<string | null>
  title: Ref<string>
  ask: (path: string, title: string) => void
  close: () => void
}
const key: InjectionKey<Working> = Symbol('working')

export function provideWorking(): Working {
  const path = ref<string | null>(null)
  const title = ref('')
  const working: Working = {
    path,
    title,
    ask: (asked, words) => {
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
