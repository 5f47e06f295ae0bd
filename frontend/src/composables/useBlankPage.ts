import { type Ref, ref } from 'vue'

import { api, messageOf } from '@/api/client'

import { printPage } from './usePrinting'
import { useUnits } from './useUnits'
import { useVehicle } from './useVehicle'

/** The blank page of a survey as found, or of a round of a setup, sent to the printer. */
export function useBlankPage(): { print: (setup?: string) => Promise<void>; trouble: Ref<string> } {
  const vehicle = useVehicle()
  const units = useUnits()
  const trouble = ref('')
  async function print(setup?: string): Promise<void> {
    const { data, error } = await api
      .POST('/api/survey/blank', {
        body: { document: vehicle.document.value!, system: units.system.value, setup: setup ?? null },
        parseAs: 'text',
      })
      .catch((e: unknown) => ({ data: undefined, error: e }))
    trouble.value = data ? '' : messageOf(error)
    if (!data) return
    printPage(data as string, setup ? 'Blank page of a round' : 'Blank survey')
  }
  return { print, trouble }
}
