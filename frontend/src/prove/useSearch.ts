import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'

import { api, messageOf, type SearchShown } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

const EVERY = 250

/** A search for clicks: begun, looked at while it runs, stopped; what it has found so far stays. */
export function useSearch() {
  const vehicle = useVehicle()
  const search = shallowRef<SearchShown | null>(null)
  const id = ref('')
  const trouble = ref('')
  /** The state of the document it was begun for: what is changed since makes it old. */
  const of = shallowRef<unknown>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  onScopeDispose(() => clearTimeout(timer))
  const running = computed(() => !!search.value && !search.value.finished)
  const old = computed(() => !!search.value && of.value !== vehicle.reported.value)

  function take(data: { id: string; search: unknown } | undefined, error: unknown): void {
    if (!data) return void (trouble.value = messageOf(error))
    id.value = data.id
    search.value = data.search as SearchShown
    trouble.value = search.value.trouble
    if (!search.value.finished) timer = setTimeout(() => void look(), EVERY)
  }
  async function look(): Promise<void> {
    const { data, error } = await api
      .GET('/api/prove/search/{id}', { params: { path: { id: id.value } } })
      .catch((e: unknown) => ({ data: undefined, error: e }))
    take(data, error)
  }
  async function begin(comfort: number | null): Promise<void> {
    clearTimeout(timer)
    const [document, setup] = [vehicle.reported.value, vehicle.report.value?.setup]
    if (!document || !setup) return
    of.value = document
    const body = { document, setup, load_state: vehicle.loadState.value, comfort }
    const { data, error } = await api
      .POST('/api/prove/search', { body })
      .catch((e: unknown) => ({ data: undefined, error: e }))
    take(data, error)
  }
  async function stop(): Promise<void> {
    clearTimeout(timer)
    await api.POST('/api/prove/search/{id}/stop', { params: { path: { id: id.value } } }).catch(() => null)
    void look()
  }
  watch(
    () => vehicle.setupId.value,
    () => {
      clearTimeout(timer)
      search.value = null
      trouble.value = ''
    },
  )
  return { search, trouble, running, old, begin, stop }
}
