import { inject, type InjectionKey, provide, type Ref, ref, watchEffect } from 'vue'
import { useTheme } from 'vuetify'

export type Scheme = 'light' | 'dark'
export interface SchemeChoice {
  scheme: Ref<Scheme>
  toggle: () => void
}
const key: InjectionKey<SchemeChoice> = Symbol('scheme')
const STORED = 'feder-scheme'

/** Light or dark: the user's choice, else the system's. */
export function provideScheme(): SchemeChoice {
  const theme = useTheme()
  const stored = localStorage.getItem(STORED)
  const system = window.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
  const scheme = ref<Scheme>(stored === 'dark' || stored === 'light' ? stored : system)
  watchEffect(() => {
    theme.change(scheme.value)
    document.documentElement.dataset.scheme = scheme.value
  })
  const choice: SchemeChoice = {
    scheme,
    toggle: () => {
      scheme.value = scheme.value === 'dark' ? 'light' : 'dark'
      localStorage.setItem(STORED, scheme.value)
    },
  }
  provide(key, choice)
  return choice
}

export const useScheme = (): SchemeChoice => {
  const found = inject(key)
  if (!found) throw new Error('the scheme is provided by App')
  return found
}
