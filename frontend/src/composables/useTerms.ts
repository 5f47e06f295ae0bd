import { computed, type ComputedRef, type Ref, shallowRef } from 'vue'

import { api, type Term } from '@/api/client'
import { termIn } from '@/logic/terms'

const known = shallowRef<Term[]>([])
let asked: Promise<void> | null = null
/** The card that is open: its term, and what it hangs on. */
const open = shallowRef<{ term: Term; at: DOMRect; from: Element | null } | null>(null)

export interface Terms {
  all: Ref<Term[]>
  open: Ref<{ term: Term; at: DOMRect; from: Element | null } | null>
  show: (term: Term, from: Element) => void
  close: () => void
  of: (label: () => string) => ComputedRef<Term | null>
}

/** The words of the trade, asked for once: what a label means, told where it stands. */
export function useTerms(): Terms {
  asked ??= api
    .GET('/api/terms')
    .then(({ data }) => void (known.value = data?.terms ?? []))
    .catch(() => void (asked = null))
  return {
    all: known,
    open,
    show: (term, from) => (open.value = { term, at: from.getBoundingClientRect(), from }),
    close: () => {
      const from = open.value?.from
      open.value = null
      if (from instanceof HTMLElement || from instanceof SVGElement) from.focus({ preventScroll: true })
    },
    of: (label) => computed(() => termIn(label(), known.value)),
  }
}
