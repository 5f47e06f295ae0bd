import { inject, type InjectionKey, onScopeDispose, provide, type Ref, shallowRef, type ShallowRef, watch } from 'vue'

import { api, type Document, type Judgement, type Question, type Report } from '@/api/client'
import type { Path } from '@/logic/patch'

export interface Judging {
  /** Causes of what is found, and what load states stop; of the report shown last while the hand rests. */
  judged: ShallowRef<Judgement | null>
  /** The document it is about: its mends fit no other. */
  of: ShallowRef<Document | null>
  /** What is asked of the number typed last, and the field in which it stands. */
  asked: ShallowRef<{ question: Question; field: string } | null>
  /** Numbers at these places were just typed. */
  typed: (paths: Path[]) => void
  /** The question was answered, or is no more. */
  answered: () => void
}
/** How long the hand has to rest before mistakes are looked for. */
const REST = 200

const key: InjectionKey<Judging> = Symbol('judging')
/** What is looked for of the vehicle at work; nothing on a page that has none. */
export const judgingHere = (): Judging | null => inject(key, null)

/** The field that typed last, by its id: fields do not know where their number goes, the document does not know fields. */
let lastField: string | null = null
export const typedIn = (field: string): void => void (lastField = field)
const pointer = (path: Path): string => path.map((part) => `/${part}`).join('')

/** Mistakes looked for off the drag path: once the figures are there and the hand rests. */
export function useJudging(
  what: () => { document: Document; setup: string } | null,
  on: Ref<Report | null>,
  dragging: Ref<boolean>,
): Judging {
  const judged = shallowRef<Judgement | null>(null)
  const of = shallowRef<Document | null>(null)
  const asked = shallowRef<{ question: Question; field: string } | null>(null)
  const stop = new AbortController()
  let timer: ReturnType<typeof setTimeout> | undefined
  let out = false
  let again = false
  let fresh: { paths: Path[]; field: string } | null = null

  async function ask(): Promise<void> {
    if (out) return void (again = true)
    out = true
    do {
      again = false
      const about = what()
      if (!about || dragging.value) break
      const one = await api.POST('/api/judge', { body: about, signal: stop.signal }).catch(() => null)
      if (stop.signal.aborted) return
      if (one?.data) {
        judged.value = one.data.judged
        of.value = about.document
      }
      await askFresh(about)
    } while (again && !stop.signal.aborted)
    out = false
  }
  async function askFresh(about: { document: Document; setup: string }): Promise<void> {
    const mine = fresh
    // typed while this was under way: it is asked of the document that holds it
    if (!mine || what()?.document !== about.document) return
    fresh = null
    const body = { ...about, paths: mine.paths.map(pointer) }
    const two = await api.POST('/api/fresh', { body, signal: stop.signal }).catch(() => null)
    const question = two?.data?.question
    if (question && !fresh) asked.value = { question, field: mine.field }
  }
  watch(on, () => {
    clearTimeout(timer)
    timer = setTimeout(() => void ask(), REST)
  })
  onScopeDispose(() => {
    clearTimeout(timer)
    stop.abort()
  })
  const made: Judging = {
    judged,
    of,
    asked,
    typed: (paths) => {
      asked.value = null
      if (lastField && paths.length && paths.length <= 40) fresh = { paths, field: lastField }
      lastField = null
    },
    answered: () => (asked.value = null),
  }
  provide(key, made)
  return made
}
