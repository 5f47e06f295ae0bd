import { type Ref, ref } from 'vue'

import { api, messageOf } from '@/api/client'

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
    const frame = window.document.createElement('iframe')
    frame.title = setup ? 'Blank page of a round' : 'Blank survey'
    frame.className = 'seen-not'
    window.document.body.append(frame)
    frame.srcdoc = data as string
    frame.onload = async () => {
      await frame.contentDocument?.fonts.ready
      frame.contentWindow?.print()
      setTimeout(() => frame.remove(), 60_000)
    }
  }
  return { print, trouble }
}
