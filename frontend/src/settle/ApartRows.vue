<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, type Figure, type Logged, placeWords } from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import TermWord from '@/components/TermWord.vue'

/** Several changes in one entry: what moved, and how much of it each change alone does. */
const props = defineProps<{ entry: Logged }>()
const emit = defineEmits<{ close: [] }>()
const vehicle = useVehicle()
const units = useUnits()
const box = ref<HTMLElement | null>(null)
onMounted(() => box.value?.scrollIntoView({ block: 'nearest' }))
const asked = computed(() => props.entry.entry.id)
const { found, trouble } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  return document && setup
    ? api.POST('/api/log/apart', { body: { document, setup: setup.id, vehicle_id: vehicle.id, entry: asked.value } })
    : null
}, [asked])
const apart = computed(() => found.value?.apart ?? null)
const plain = (v: number, unit: string, signed = false): string =>
  unit === 'm'
    ? units.show(v, unit, { kind: 'fine length', unit: true, signed })
    : unit
      ? units.show(v, unit, { decimals: 2, unit: true, signed })
      : units.show(v, '', { decimals: 3, signed })
const shown = (f: Figure): string => plain(f.value, f.unit)
</script>

<template>
  <section ref="box" class="apart" :aria-label="`Entry ${entry.number}: which change did what`">
    <p class="head">
      <b>Entry {{ entry.number }}: which change did what</b><button class="link" @click="emit('close')">close</button>
    </p>
    <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
    <p v-else-if="!apart" class="quiet" role="status">working it out…</p>
    <template v-else>
      <table v-if="apart.moved.length">
        <thead>
          <tr>
            <th><TermWord words="what moved" /></th>
            <th><TermWord words="before" /></th>
            <th><TermWord words="after" /></th>
            <th><TermWord words="each change alone" /></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in apart.moved" :key="`${m.place} ${m.words}`">
            <th scope="row">{{ m.words }}, {{ m.place ? placeWords(m.place) : '' }}</th>
            <td>{{ shown(m.before) }}</td>
            <td>{{ shown(m.after) }}</td>
            <td class="by">
              <span v-for="c in m.by" :key="c.words"
                >{{ c.words }} <b>{{ plain(c.effect, m.after.unit, true) }}</b></span
              >
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="apart.silent.length">
        <b class="grade-note">Note</b> {{ apart.silent.join(', ') }}: no figure moves by it, or none is known without
        its curve. Only a drive with it put back tells what it did.
      </p>
      <p v-else-if="!apart.moved.length">No height, frequency, damping or travel moves by these changes.</p>
      <p class="small quiet">Computed, one change taken over at a time. What was felt may still come of either.</p>
    </template>
  </section>
</template>

<style scoped>
.apart { border-top: 1.5px solid var(--ink); margin-top: 8px; padding-bottom: 6px; } .head { display: flex; gap: 16px; align-items: center; } .head .link { margin-left: auto; } table { width: 100%; border-collapse: collapse; } th { font-weight: 400; text-align: left; padding: 3px 10px 3px 0; } thead th { font-size: var(--t-1); color: var(--ink-2); } td { padding: 3px 12px 3px 0; white-space: nowrap; } td.by { white-space: normal; } .by span { margin-right: 16px; white-space: nowrap; } tbody tr { border-top: 1px solid var(--rule); }
@media (max-width: 700px) { td, .by span { white-space: normal; } .by span { display: block; } }
</style>
