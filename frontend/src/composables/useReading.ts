import { readonly, ref, watch } from 'vue'

import { api } from '@/api/client'

export const NO_TOLERANCE = 'No tolerance is kept here: type the number alone'
const out = ref(0)

/** How many typed quantities the server is still reading: until they are read, not all that was typed is saved. */
export const reading = readonly(out)

/** What the words typed say, as the core reads them. */
export async function readQuantity(asked: {
  text: string
  unit: string
  bare: string | null
  low: number | null
  high: number | null
}) {
  out.value++
  try {
    return await api.POST('/api/quantity', { body: asked })
  } catch (error: unknown) {
    return { data: undefined, error }
  } finally {
    // after the listener has had its turn, so that "saved" is not shown in between
    setTimeout(() => out.value--, 0)
  }
}

const PATIENCE = 1500

/** Once all that was typed is read, or patience ends: a page left earlier would take the answer's listeners with it. */
export function allRead(): Promise<void> {
  if (!out.value) return Promise.resolve()
  return new Promise((done) => {
    const end = (): void => {
      stop()
      clearTimeout(late)
      done()
    }
    const stop = watch(out, (n) => {
      if (!n) end()
    })
    const late = setTimeout(end, PATIENCE)
  })
}
