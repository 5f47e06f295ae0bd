import { mount } from '@vue/test-utils'
import { computed, defineComponent, h, ref, shallowRef } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'

import { type Document, type Place, PLACES, type Report, WHEELS } from '@/api/client'
import { provideUnits } from '@/composables/useUnits'
import type { VehicleWork } from '@/composables/useVehicle'
import { provideNotices } from '@/composables/useNotices'
import { provideWorking } from '@/composables/useWorking'
import { changed, type Change, type Edit, edited } from '@/logic/patch'

/** A vehicle at work without a server, for tests of what stands on the bench: what is edited is kept, acts are noted. */
export interface FakeWork extends VehicleWork {
  /** Words of every edit, and acts that were asked for. */
  edits: string[]
  acts: unknown[]
}
export function fakeVehicle(document: Document, report: Partial<Report> = {}, setup = 'plan'): FakeWork {
  const now = shallowRef<Document | null>(document)
  const setupId = ref(setup)
  const index = computed(() => now.value!.setups.findIndex((s) => s.id === setupId.value))
  const edits: string[] = []
  const acts: unknown[] = []
  const two = document.vehicle.kind !== 'car' && document.vehicle.kind !== undefined
  const told = {
    setup,
    corners: {},
    ends: {},
    vehicle: {},
    findings: [],
    stations: [],
    waits: {},
    ...report,
  } as unknown as Report
  return {
    id: 'v',
    edits,
    acts,
    document: now,
    report: ref(told),
    reported: now,
    shown: computed(() => told),
    loadState: ref(null),
    carry: () => undefined,
    outline: ref(null),
    setup: computed(() => now.value!.setups[index.value] ?? null),
    places: computed<Place[]>(() => [...(two ? WHEELS : PLACES)]),
    setupIndex: index,
    setupId,
    isFound: computed(() => index.value === 0),
    against: computed(() => 'found'),
    saveState: ref('saved'),
    trouble: computed(() => null),
    missing: ref(false),
    stale: ref(null),
    canUndo: ref(null),
    canRedo: ref(null),
    dragging: ref(false),
    judging: {
      judged: shallowRef(null),
      of: shallowRef<Document | null>(document),
      asked: shallowRef(null),
      typed: () => undefined,
      answered: () => undefined,
    },
    edit: (words: string, list: Edit[]) => {
      edits.push(words)
      now.value = edited(now.value!, words, list, 0).document
    },
    take: (words: string, changes: Change[]) => {
      edits.push(words)
      now.value = changed(now.value!, words, changes, 0).document
    },
    act: async (_words: string, act: unknown) => {
      acts.push(act)
      return null
    },
    beginGesture: () => undefined,
    endGesture: () => undefined,
    undo: () => undefined,
    redo: () => undefined,
    selectSetup: (id: string) => (setupId.value = id),
    keepMine: async () => undefined,
    takeTheirs: async () => undefined,
    keepBoth: async () => null,
  } as unknown as FakeWork
}

const tick = {
  props: ['modelValue', 'label', 'disabled'],
  emits: ['update:modelValue'],
  template: `<label><input type="checkbox" :aria-label="label || $attrs['aria-label']" :checked="modelValue" :disabled="disabled" @change="$emit('update:modelValue', $event.target.checked)"/>{{ label }}</label>`,
}
const area = {
  props: ['modelValue', 'label'],
  emits: ['update:modelValue'],
  template: `<textarea :aria-label="label || $attrs['aria-label']" :value="modelValue" @input="$emit('update:modelValue', $event.target.value)"/>`,
}
const choice = {
  props: ['modelValue', 'items', 'label'],
  emits: ['update:modelValue'],
  template: `<select :aria-label="label || $attrs['aria-label']" :value="modelValue" @change="$emit('update:modelValue', $event.target.value)"><option v-for="i in items" :key="i.value ?? i" :value="i.value ?? i">{{ i.title ?? i }}</option></select>`,
}

/** A component under the providers of App, its Vuetify fields as plain ones. */
export function put(component: object, props: Record<string, unknown> = {}, setup: () => void = () => undefined) {
  const Host = defineComponent({
    setup() {
      provideUnits()
      provideWorking()
      provideNotices()
      setup()
      return () => h(component, props)
    },
  })
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)', component: { template: '<i/>' } }],
  })
  const stubs = {
    VCheckbox: tick,
    VTextarea: area,
    VTextField: area,
    VSelect: choice,
    VDialog: { template: '<div><slot/></div>' },
    VCard: { template: '<div><slot/></div>' },
  }
  return mount(Host, { attachTo: document.body, global: { plugins: [router], stubs } })
}
/** The field of these words, and typing in it. */
export function field(host: ReturnType<typeof put>, label: string, nth = 0) {
  const found = host.findAll('label.qf-l').filter((l) => l.text() === label)[nth]
  if (!found)
    throw new Error(
      `no field "${label}"; there are ${host
        .findAll('label.qf-l')
        .map((l) => l.text())
        .join(' | ')}`,
    )
  return host.get<HTMLInputElement>(`[id="${found.attributes('for')}"]`)
}
