import { inject, type InjectionKey, provide, type Ref, ref } from 'vue'

import { baseOf, inUnit, type Kind, show, type ShowOptions, type System, SYSTEMS, unitShown } from '@/units/format'

export interface Units {
  system: Ref<System>
  choose: (system: System) => void
  show: (value: number | null | undefined, si: string, options?: ShowOptions) => string
  /** A value in SI in a unit of the table. */
  in: (value: number, unit: string) => number
  unit: (si: string, kind?: Kind) => { name: string; written: string; factor: number; decimals: number }
}
const key: InjectionKey<Units> = Symbol('units')
const STORED = 'feder-units'

/** The unit system in which everything is shown and bare numbers are read. */
export function provideUnits(): Units {
  const stored = localStorage.getItem(STORED)
  const system = ref<System>(stored && SYSTEMS.some((s) => s.id === baseOf(stored)) ? stored : 'metric')
  const units: Units = {
    system,
    choose: (chosen) => {
      system.value = chosen
      localStorage.setItem(STORED, chosen)
    },
    show: (value, si, options) => show(value, si, system.value, options),
    in: inUnit,
    unit: (si, kind) => unitShown(si, system.value, kind),
  }
  provide(key, units)
  return units
}

export const useUnits = (): Units => {
  const found = inject(key)
  if (!found) throw new Error('units are provided by App')
  return found
}
