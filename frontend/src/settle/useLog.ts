import { get, set } from 'idb-keyval'
import { computed, inject, type InjectionKey, onScopeDispose, provide, type Ref, ref, shallowRef, watch } from 'vue'

import { api, type ChangedRow, type Document, isAway, type LogEntry, type Logged, messageOf } from '@/api/client'
import { useVehicle, type VehicleWork } from '@/composables/useVehicle'
import type { Beside } from '@/logic/patch'

/** What is on its way to the log: written here first, sent when Feder answers. */
type Job =
  | { kind: 'write'; setup: string; entry: LogEntry; document: Document; unchanged: boolean }
  | { kind: 'amend'; entry: LogEntry }
  | { kind: 'back'; entry: string }
const EVERY = 4000

export interface LogWork {
  entries: Ref<Logged[]>
  count: Ref<number>
  words: Ref<string[]>
  /** Whether the log was asked for and came. */
  known: Ref<boolean>
  /** What was changed since the newest entry. */
  changes: Ref<ChangedRow[]>
  /** Whether nothing was written yet: what was changed is told against as found. */
  isFirst: Ref<boolean>
  waiting: Ref<number>
  trouble: Ref<string>
  newest: Ref<string | null>
  blank: () => LogEntry
  write: (entry: LogEntry, document: Document, unchanged?: boolean) => void
  amend: (entry: LogEntry) => void
  takeBack: (id: string) => void
  older: () => Promise<void>
  /** An act on the vehicle together with the entry that tells of it: undone and done again as one. */
  along: (why: string) => { before: () => void; beside: Beside; after: () => void }
}
const key: InjectionKey<LogWork> = Symbol('log')

export const localNow = (): string => {
  const now = new Date()
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}
export const entryId = (): string => `e-${Math.random().toString(36).slice(2, 12)}`

/** `vehicle` is handed over by a page that provides it itself. */
export function provideLog(vehicle: VehicleWork = useVehicle()): LogWork {
  const setup = computed(() => (vehicle.isFound.value ? null : (vehicle.setup.value?.id ?? null)))
  const entries = shallowRef<Logged[]>([])
  const count = ref(0)
  const words = shallowRef<string[]>([])
  const known = ref(false)
  const changes = shallowRef<ChangedRow[]>([])
  const isFirst = ref(false)
  const trouble = ref('')
  const store = `log/${vehicle.id}`
  const jobs = shallowRef<Job[]>([])
  const keep = (): void => void set(store, jobs.value).catch(() => undefined)

  async function refresh(): Promise<void> {
    const of = setup.value
    if (!of || jobs.value.length) return
    const { data } = await api
      .GET('/api/vehicles/{vehicle_id}/log/{setup}', {
        params: { path: { vehicle_id: vehicle.id, setup: of }, query: {} },
      })
      .catch(() => ({ data: undefined }))
    if (!data || of !== setup.value || jobs.value.length) return
    const oldest = data.entries[0]?.number ?? 0
    // pages of older entries that were asked for stay
    entries.value = [
      ...entries.value.filter((e) => e.number < oldest && data.count > data.entries.length),
      ...data.entries,
    ]
    count.value = data.count
    words.value = data.words
    known.value = true
  }
  async function compare(): Promise<void> {
    const [document, of] = [vehicle.document.value, setup.value]
    if (!document || !of || jobs.value.length) return
    const { data } = await api
      .POST('/api/log/changed', { body: { document, setup: of, vehicle_id: vehicle.id } })
      .catch(() => ({ data: undefined }))
    if (!data || of !== setup.value || jobs.value.length) return
    changes.value = data.rows
    isFirst.value = data.first
  }
  async function sent(job: Job): Promise<{ away: boolean; said: string }> {
    const path = { vehicle_id: vehicle.id, entry: job.kind === 'back' ? job.entry : job.entry.id }
    const { error } = await (
      job.kind === 'write'
        ? api.POST('/api/log/entry', {
            body: {
              document: job.document,
              setup: job.setup,
              vehicle_id: vehicle.id,
              entry: job.entry,
              unchanged: job.unchanged,
            },
          })
        : job.kind === 'amend'
          ? api.PUT('/api/vehicles/{vehicle_id}/entries/{entry}', { params: { path }, body: { entry: job.entry } })
          : api.DELETE('/api/vehicles/{vehicle_id}/entries/{entry}', { params: { path } })
    ).catch((e: unknown) => ({ error: e ?? {} }))
    return { away: error !== undefined && isAway(error), said: error === undefined ? '' : messageOf(error) }
  }
  let sending = false
  async function send(): Promise<void> {
    if (sending) return
    sending = true
    while (jobs.value.length) {
      const { away, said } = await sent(jobs.value[0]!)
      if (away) break
      trouble.value = said
      jobs.value = jobs.value.slice(1)
      keep()
    }
    sending = false
    await Promise.all([refresh(), compare()])
  }
  function queue(job: Job): void {
    jobs.value = [...jobs.value, job]
    keep()
    void send()
  }
  void get<Job[]>(store)
    .catch(() => undefined)
    .then((kept) => {
      jobs.value = [...(kept ?? []), ...jobs.value]
      void send()
    })
  watch(setup, () => {
    entries.value = []
    known.value = false
    changes.value = []
    void send()
  })
  let rests: ReturnType<typeof setTimeout> | undefined
  watch(vehicle.report, () => {
    clearTimeout(rests)
    rests = setTimeout(() => void compare(), 250)
  })
  const timer = window.setInterval(() => void (jobs.value.length ? send() : refresh()), EVERY)
  onScopeDispose(() => {
    clearInterval(timer)
    clearTimeout(rests)
  })

  const blank = (): LogEntry => ({ id: entryId(), at: localNow(), why: '', words: [], pressures: [] }) as LogEntry
  function write(entry: LogEntry, document: Document, unchanged = false): void {
    const of = setup.value
    if (of) queue({ kind: 'write', setup: of, entry, document, unchanged })
  }
  async function older(): Promise<void> {
    const [of, first] = [setup.value, entries.value[0]?.number]
    if (!of || !first) return
    const { data } = await api
      .GET('/api/vehicles/{vehicle_id}/log/{setup}', {
        params: { path: { vehicle_id: vehicle.id, setup: of }, query: { before: first } },
      })
      .catch(() => ({ data: undefined }))
    if (data && of === setup.value) entries.value = [...data.entries, ...entries.value]
  }
  function along(why: string): { before: () => void; beside: Beside; after: () => void } {
    const entry = { ...blank(), why }
    const tell = (): void => write(entry, vehicle.document.value!)
    return {
      // the state before the first change is what was fitted: without it nothing leads back there
      before: () => {
        if (known.value && !count.value && !jobs.value.length)
          write({ ...blank(), why: 'as it was fitted' }, vehicle.document.value!)
      },
      after: tell,
      beside: { undo: () => queue({ kind: 'back', entry: entry.id }), redo: () => void Promise.resolve().then(tell) },
    }
  }
  const work: LogWork = {
    entries,
    count,
    words,
    known,
    changes,
    isFirst,
    waiting: computed(() => jobs.value.length),
    trouble,
    newest: computed(() => {
      const last = jobs.value.findLast((j) => j.kind === 'write')
      return last?.kind === 'write' ? last.entry.id : (entries.value.at(-1)?.entry.id ?? null)
    }),
    blank,
    write,
    amend: (entry) => queue({ kind: 'amend', entry }),
    takeBack: (entry) => queue({ kind: 'back', entry }),
    older,
    along,
  }
  provide(key, work)
  return work
}

export function useLog(): LogWork {
  const work = inject(key)
  if (!work) throw new Error('no log here')
  return work
}
