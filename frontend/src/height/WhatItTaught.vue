<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { api, type Learned, messageOf, placeWords, type Taught } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** Heights as expected with how far they could well lie off, as read, and what they teach: an offer, never taken by itself. */
const vehicle = useVehicle()
const units = useUnits()
const learned = ref<Learned | null>(null)
const trouble = ref('')
const busy = ref(false)
const taken = ref(0)
// what was learnt rests on the document as it was
watch(vehicle.report, () => (learned.value = null))
async function ask(): Promise<void> {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  if (!document || !setup) return
  busy.value = true
  const { data, error } = await api
    .POST('/api/learn', { body: { document, setup: setup.id } })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  busy.value = false
  trouble.value = data ? '' : messageOf(error)
  learned.value = data?.learned ?? null
}
function take(row: Taught): void {
  vehicle.take(`${row.label}, as the heights say`, row.patch ?? [])
  taken.value += 1
}
const mm = (v: number): string => units.show(v, 'm')
const figure = (v: number, row: Taught): string =>
  row.unit === ''
    ? v.toFixed(3)
    : units.show(v, row.unit, { unit: true, ...(row.unit === 'm' ? { kind: 'fine length' as const } : {}) })
const far = computed(() => (learned.value?.rows ?? []).filter((r) => r.read < r.low || r.read > r.high))
</script>

<template>
  <div class="taught">
    <button v-if="!learned" class="act" :disabled="busy" @click="ask">
      {{ busy ? 'Working it out…' : 'Is that what was to be expected?' }}
    </button>
    <p v-if="trouble" role="alert" class="grade-stop">{{ trouble }}</p>
    <template v-if="learned">
      <p>
        <b>{{ learned.ordinary ? 'Nothing needs explaining.' : 'That is farther off than chance.' }}</b>
        <template v-for="(r, i) in learned.rows" :key="r.place"
          >{{ i ? '; ' : ' ' }}{{ placeWords(r.place) }} {{ mm(r.read) }}, expected {{ mm(r.expected) }} ({{
            mm(r.low)
          }}
          to {{ mm(r.high) }})</template
        >.
      </p>
      <p v-if="far.length" class="grade-look">
        Look at {{ far.map((r) => placeWords(r.place)).join(', ') }} before a collar is turned: strut home, ends at
        their steps, pads in, collars counted again, rolled, loaded as weighed.
      </p>
      <ol v-if="learned.causes.length" class="why" aria-label="What could explain it">
        <li v-for="c in learned.causes" :key="c.words + c.place">
          <span
            ><b>{{ Math.min(99, Math.round(c.chance * 100)) }} %</b>
            {{ c.place === 'vehicle' ? '' : `${placeWords(c.place)}: ` }}{{ c.words
            }}<template v-if="c.amount"
              >,
              {{
                c.amount.unit === 'turn'
                  ? `${c.amount.value} turns`
                  : units.show(c.amount.value, c.amount.unit, { unit: true, signed: true })
              }}</template
            ></span
          ><small class="quiet">decided by {{ c.decides }}</small>
        </li>
      </ol>
      <p v-if="!learned.ordinary" class="quiet">
        Find the cause first: nothing is learnt of readings that a mistake explains better.
      </p>
      <p v-else-if="!learned.taught.length" class="quiet">
        No single number is moved by more than its own uncertainty.
      </p>
      <ul v-else>
        <li v-for="t in learned.taught" :key="t.label">
          <span
            >{{ t.label }} is more likely <b>{{ figure(t.after, t) }}</b> than {{ figure(t.before, t) }}, give or take
            {{ figure(t.sure_after, t) }}</span
          ><button class="act" @click="take(t)">Take it over</button>
        </li>
      </ul>
    </template>
    <p v-else-if="taken" role="status" class="quiet">
      Taken over, with how sure it is; later plans rest on it. Undo brings it back.
    </p>
  </div>
</template>

<style scoped>
.taught { border-top: 1px solid var(--rule); margin-top: 8px; padding-top: 8px; display: grid; gap: 6px; justify-items: start; } ol { list-style: none; margin: 0; padding: 0; width: 100%; } ul { list-style: none; margin: 0; padding: 0; width: 100%; } li { display: grid; grid-template-columns: minmax(0, 1fr) auto; align-items: center; gap: 12px; border-top: 1px solid var(--rule); padding: 4px 0; }
</style>
