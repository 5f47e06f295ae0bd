<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { VOverlay } from 'vuetify/components'

import { api, messageOf } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import type { Kind } from '@/units/format'

import { measuredBy, useInstruments } from './useInstruments'

/**
 * What an instrument reads for the field in hand, and the act to take it: at once where it rests, or as soon as it
 * does. Nothing is shown where none of its kind runs.
 */
const props = defineProps<{
  /** The field's name: it says which kind measures it. */
  of: string
  /** Quantity and place, "hub_to_arch front_left": a pad is chosen by it, and a stand-in held there. */
  at?: string
  /** The field in words, for the log of readings. */
  about: string
  kind?: Kind
  decimals?: number
  /** The input it hangs under; without one it stands where it is written. */
  beside?: HTMLElement | null
}>()
const emit = defineEmits<{ take: [value: number] }>()
const units = useUnits()
const instruments = useInstruments()
const kind = measuredBy(props.of)
const place = computed(() => props.at?.split(' ').at(-1) ?? '')
const source = computed(() =>
  instruments.list.value.find((i) => i.kind === kind && i.way !== 'stopped' && (kind !== 'scales' || place.value)),
)
const reading = computed(() => source.value?.readings.find((r) => (kind === 'scales' ? r.name === place.value : true)))
const shown = computed(() => {
  const r = reading.value
  return r ? units.show(r.value, r.si, { kind: props.kind, decimals: props.decimals, unit: true }) : ''
})
const waiting = ref(false)
const refused = ref('')
onMounted(async () => {
  if (!kind || !(await instruments.glance(kind))) return
  await here()
  instruments.watch()
})
/** A stand-in has no hands: it is told where it is held. */
async function here(): Promise<void> {
  waiting.value = false
  refused.value = ''
  if (kind && kind !== 'scales' && props.at && source.value?.simulated) await instruments.held(kind, props.at)
}
watch(() => props.at, here)
watch(
  () => reading.value?.steady,
  (rests) => {
    if (rests && waiting.value) void take()
  },
)
async function take(): Promise<void> {
  if (!source.value || !reading.value) return
  if (!reading.value.steady) return void (waiting.value = !waiting.value)
  waiting.value = false
  const vehicle = /\/vehicle\/([0-9a-f]+)/.exec(location.pathname)?.[1] ?? null
  const { data, error } = await api
    .POST('/api/instruments/{instrument}/take', {
      params: { path: { instrument: source.value.id } },
      body: { name: reading.value.name, about: props.about.slice(0, 120), vehicle },
    })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  refused.value = data ? '' : messageOf(error)
  if (data) emit('take', data.value)
}
defineExpose({ take, live: computed(() => !!reading.value) })
</script>

<template>
  <component
    :is="beside ? VOverlay : 'div'"
    v-if="source"
    v-bind="
      beside
        ? {
            modelValue: true,
            target: beside,
            locationStrategy: 'connected',
            location: 'bottom',
            scrollStrategy: 'reposition',
            scrim: false,
            persistent: true,
            noClickAnimation: true,
            closeOnBack: false,
            retainFocus: false,
            captureFocus: false,
          }
        : {}
    ">
    <span class="live" role="status" aria-live="off">
      <span class="says"
        ><svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
          <path v-if="reading?.steady" class="m-f" d="M1 8h14M1 4v8M15 4v8" />
          <path v-else class="m-f" d="M1 9q2 -9 4 0t4 0t3 0t3 0" /></svg
        ><b v-if="reading" :class="{ old: !reading.steady }">{{ shown }}</b
        ><i>{{ source.words }}{{ reading ? (reading.steady ? '' : ', moving') : ' say nothing' }}</i></span
      >
      <button
        v-if="reading"
        type="button"
        class="act"
        :aria-pressed="waiting || undefined"
        @pointerdown.prevent
        @click="take()">
        {{ waiting ? 'Waits until it rests' : reading.steady ? 'Take' : 'Take when it rests' }}
      </button>
      <span v-if="refused" class="bad" role="alert">{{ refused }}</span>
    </span>
  </component>
</template>

<style scoped>
.live { display: flex; flex-wrap: wrap; align-items: center; gap: 4px 12px; background: var(--sheet); border: 1.5px solid var(--ink); border-radius: var(--corner); padding: 4px 4px 4px 10px; width: max-content; max-width: min(340px, 92vw); text-align: left; }
.says { display: inline-flex; align-items: center; gap: 8px; } .says b { font-size: var(--t-4); font-weight: 600; } .says b.old { color: var(--ink-2); font-weight: 500; } .says i { font-style: normal; color: var(--ink-2); font-size: var(--t-1); }
.m-f { stroke: var(--ink); stroke-width: 1.5; fill: none; } .act { margin-left: auto; padding: 0 12px; } .bad { color: var(--stop); flex-basis: 100%; font-size: var(--t-1); }
</style>
