import { onScopeDispose, ref, type Ref, shallowRef, type ShallowRef } from 'vue'

import { api, type Document, messageOf, type Outline, type Report } from '@/api/client'
import type { components } from '@/api/schema'

export interface Question {
  document: Document
  setup: string
  against: string | null
  load_state: string | null
  /** Whether the report as weighed is wanted beside the one under the load. */
  weighed: boolean
}
export type Evaluated = Pick<components['schemas']['EvaluateAnswer'], 'report' | 'loaded' | 'outline'>
export interface Asking {
  report: ShallowRef<Report | null>
  /** The report under the load carried. */
  loaded: ShallowRef<Report | null>
  /** The document the report was made from: what is drawn from both must use this one, not a newer. */
  reported: ShallowRef<Document | null>
  outline: ShallowRef<Outline | null>
  trouble: Ref<string | null>
  /** An answer that came with something else; where a question is out already it is asked anew. */
  took: (document: Document, answer: Evaluated) => void
  /** Ask now: under a dragging hand, or because something else is looked at. */
  ask: () => Promise<void>
  /** Ask once the typing rests. */
  askSoon: () => void
}
const TYPING_RESTS = 120

/** The live report of a document: one question is out at a time, then only the newest is asked. */
export function useAsking(question: () => Question | null): Asking {
  const report = shallowRef<Report | null>(null)
  const loaded = shallowRef<Report | null>(null)
  const reported = shallowRef<Document | null>(null)
  const outline = shallowRef<Outline | null>(null)
  const trouble = ref<string | null>(null)
  const stop = new AbortController()
  let out = false
  let again = false
  let timer: ReturnType<typeof setTimeout> | undefined

  async function ask(): Promise<void> {
    clearTimeout(timer)
    if (out) return void (again = true)
    out = true
    do {
      again = false
      const asked = question()
      if (!asked) break
      const { data, error } = await api
        .POST('/api/evaluate', { body: asked, signal: stop.signal })
        .catch((e: unknown) => ({ data: undefined, error: e }))
      if (stop.signal.aborted) return
      if (data) show(asked.document, data)
      else trouble.value = messageOf(error)
    } while (again)
    out = false
  }
  function show(document: Document, answer: Evaluated): void {
    if (answer.report) {
      reported.value = document
      report.value = answer.report
    }
    outline.value = answer.outline
    loaded.value = answer.loaded ?? null
    trouble.value = null
  }
  function took(document: Document, answer: Evaluated): void {
    clearTimeout(timer)
    if (out) again = true
    else show(document, answer)
  }
  onScopeDispose(() => {
    clearTimeout(timer)
    stop.abort()
  })
  const askSoon = (): void => {
    clearTimeout(timer)
    timer = setTimeout(() => void ask(), TYPING_RESTS)
  }
  return { report, loaded, reported, outline, trouble, took, ask, askSoon }
}
