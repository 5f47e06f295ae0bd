import { ref } from 'vue'

import { api, messageOf, type ShelfDamper } from '@/api/client'

/** The dampers on the shelf, read when they are first asked for. */
export function useShelfDampers() {
  const parts = ref<ShelfDamper[] | null>(null)
  const trouble = ref('')
  async function load(): Promise<void> {
    const { data, error } = await api.GET('/api/dampers').catch((e: unknown) => ({ data: undefined, error: e }))
    if (data) parts.value = data.parts
    trouble.value = data ? '' : messageOf(error)
  }
  return { parts, trouble, load }
}
