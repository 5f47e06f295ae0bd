import { api, messageOf } from '@/api/client'

import { useNotices } from './useNotices'
import { useUnits } from './useUnits'
import type { VehicleWork } from './useVehicle'

/** A page of the server to the printer, by a frame of its own: never a cut screen. */
export function printPage(html: string, title: string): void {
  const frame = window.document.createElement('iframe')
  frame.title = title
  frame.className = 'seen-not'
  window.document.body.append(frame)
  frame.srcdoc = html
  frame.onload = async () => {
    await frame.contentDocument?.fonts.ready
    frame.contentWindow?.print()
    setTimeout(() => frame.remove(), 60_000)
  }
}

/** Ctrl+P on a bench: the sheet of the setup in hand, and on the survey as found its blank page. */
export function usePrinting(vehicle: VehicleWork): (station: string) => Promise<void> {
  const units = useUnits()
  const notices = useNotices()
  return async (station) => {
    const [document, setup] = [vehicle.document.value, vehicle.setup.value]
    if (!document || !setup) return
    const system = units.system.value
    const blank = station === 'survey'
    const { data, error } = await (
      blank
        ? api.POST('/api/survey/blank', { body: { document, system }, parseAs: 'text' })
        : api.POST('/api/sheet', {
            body: { document, setup: setup.id, system, vehicle_id: vehicle.id },
            parseAs: 'text',
          })
    ).catch((e: unknown) => ({ data: undefined, error: e }))
    if (data === undefined) return notices.fail(messageOf(error))
    printPage(data as string, blank ? 'Blank survey' : 'Setup sheet, to print')
  }
}
