import { type Ref, ref } from 'vue'

import { api, messageOf, type Photo } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

const kept = new Map<string, Ref<Photo[]>>()

/** The pictures of the vehicle at work, asked for once. */
export function usePhotos() {
  const vehicle = useVehicle()
  const path = { vehicle_id: vehicle.id }
  let all = kept.get(vehicle.id)
  if (!all) {
    all = ref<Photo[]>([])
    kept.set(vehicle.id, all)
    void api.GET('/api/vehicles/{vehicle_id}/photos', { params: { path } }).then(
      ({ data }) => data && (all!.value = data.photos),
      () => kept.delete(vehicle.id),
    )
  }
  const found = all
  /** Hang a picture on something; the sentence of a refusal, or nothing. */
  async function add(about: string, file: File): Promise<string | null> {
    const answer = await fetch(`/api/vehicles/${vehicle.id}/photos?about=${encodeURIComponent(about)}`, {
      method: 'POST',
      body: file,
      headers: { 'Content-Type': 'application/octet-stream' },
    }).catch(() => null)
    const body = (await answer?.json().catch(() => null)) as { photos?: Photo[] } | null
    if (!answer?.ok || !body?.photos) return messageOf(body)
    found.value = body.photos
    return null
  }
  async function remove(photo: number): Promise<void> {
    const { data } = await api.DELETE('/api/vehicles/{vehicle_id}/photos/{photo}', {
      params: { path: { ...path, photo } },
    })
    if (data) found.value = data.photos
  }
  return { all: found, add, remove }
}
