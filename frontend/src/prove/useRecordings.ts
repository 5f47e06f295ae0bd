import { onMounted, ref, shallowRef } from 'vue'

import { api, messageOf, type Place, type RecordingShown, type UploadShown } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

/** Bytes sent at a time. */
const PIECE = 4 * 1024 * 1024
const LOOK = 300

export interface Columns {
  places: Partial<Record<Place, number>>
  time: number | null
  rate: number | null
  unit: string
  time_unit: string
  bump_positive: boolean
  from_standing: boolean
}

/** The recordings of the vehicle, and a file on its way in: sent piece by piece, looked at, read with progress. */
export function useRecordings() {
  const vehicle = useVehicle()
  const list = shallowRef<RecordingShown[]>([])
  const trouble = ref('')
  const file = shallowRef<File | null>(null)
  const upload = shallowRef<UploadShown | null>(null)
  const sent = ref(0)
  const phase = ref<'idle' | 'sending' | 'choosing' | 'reading'>('idle')
  let stopped = false

  async function load(): Promise<void> {
    const { data, error } = await api
      .GET('/api/recordings', { params: { query: { vehicle: vehicle.id } } })
      .catch((e: unknown) => ({ data: undefined, error: e }))
    if (data) list.value = data.recordings
    trouble.value = data ? '' : messageOf(error)
  }
  onMounted(load)
  const path = () => ({ path: { file: upload.value!.id } })

  async function send(chosen: File): Promise<boolean> {
    stopped = false
    trouble.value = ''
    file.value = chosen
    sent.value = 0
    phase.value = 'sending'
    const begun = await api.POST('/api/recordings/files').catch((e: unknown) => ({ data: undefined, error: e }))
    if (!begun.data) return away(begun.error)
    upload.value = begun.data
    for (let at = 0; at < chosen.size && !stopped; at += PIECE) {
      const body = await chosen.slice(at, at + PIECE).arrayBuffer()
      const answer = await fetch(`/api/recordings/files/${upload.value.id}?at=${at}`, { method: 'PUT', body }).catch(
        () => null,
      )
      if (!answer?.ok) return away(answer ? await answer.json().catch(() => null) : new TypeError('away'))
      sent.value = Math.min(1, (at + PIECE) / chosen.size)
    }
    if (stopped) return false
    phase.value = 'choosing'
    return true
  }
  function away(error: unknown): false {
    trouble.value = messageOf(error)
    phase.value = 'idle'
    return false
  }
  async function read(setup: string, columns: Columns): Promise<number | null> {
    phase.value = 'reading'
    const body = { vehicle: vehicle.id, setup, name: file.value!.name.slice(0, 120), ...columns } as never
    const begun = await api
      .POST('/api/recordings/files/{file}/read', { params: path(), body })
      .catch((e: unknown) => ({ data: undefined, error: e }))
    if (!begun.data) {
      trouble.value = messageOf(begun.error)
      phase.value = 'choosing'
      return null
    }
    upload.value = begun.data
    while (!upload.value.done && !stopped) {
      await new Promise((r) => setTimeout(r, LOOK))
      const { data } = await api
        .GET('/api/recordings/files/{file}', { params: path() })
        .catch(() => ({ data: undefined }))
      if (data) upload.value = data
    }
    if (stopped) return null
    trouble.value = upload.value.trouble
    phase.value = upload.value.trouble ? 'choosing' : 'idle'
    await load_(upload.value.trouble)
    return upload.value.recording
  }
  async function load_(kept: string): Promise<void> {
    await load()
    if (kept) trouble.value = kept
  }
  async function stop(): Promise<void> {
    stopped = true
    phase.value = 'idle'
    trouble.value = ''
    if (upload.value) await api.DELETE('/api/recordings/files/{file}', { params: path() }).catch(() => null)
    upload.value = null
  }
  const about = (recording: number) => ({ path: { recording }, query: { vehicle: vehicle.id } })
  async function remove(recording: number): Promise<void> {
    const { data } = await api
      .DELETE('/api/recordings/{recording}', { params: about(recording) })
      .catch(() => ({ data: undefined }))
    if (data) list.value = data.recordings
  }
  async function back(recording: number): Promise<void> {
    const { data } = await api
      .POST('/api/recordings/{recording}/back', { params: about(recording) })
      .catch(() => ({ data: undefined }))
    if (data) list.value = data.recordings
  }
  return { list, trouble, file, upload, sent, phase, load, send, read, stop, remove, back }
}
