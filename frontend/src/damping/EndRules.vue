<script setup lang="ts">
import { computed } from 'vue'

import { type EndName, type Place } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

import KnobRule from './KnobRule.vue'
import { counted } from './rule'
import { useBenches } from './useBenches'

/** The knobs of an end, what they give together, and what is offered. */
const props = defineProps<{ end: EndName; side: 'both' | 'left' | 'right' }>()
const vehicle = useVehicle()
const benches = useBenches()
const bench = computed(() => benches.of(props.end))
const place = computed(() =>
  vehicle.places.value.length === 2 || props.side === 'both' ? null : (`${props.end}_${props.side}` as Place),
)
const mark = computed(() => (bench.value?.assumed || bench.value?.beyond.length ? '~' : ''))
let turning = false
let asked: Promise<unknown> = Promise.resolve()
let newest: Record<string, number> | null = null
/** One act at a time: while one is on its way only the newest is asked next. */
function turn(clicks: Record<string, number>, done: boolean): void {
  if (!turning) vehicle.beginGesture()
  turning = !done
  newest = clicks
  asked = asked.then(async () => {
    const next = newest
    newest = null
    if (next)
      await vehicle.act(`clicks, ${props.end}`, {
        act: 'turn clicks',
        end: props.end,
        place: place.value,
        clicks: next,
      })
  })
  if (done) void asked.then(() => vehicle.endGesture())
}
const offers = computed(() =>
  Object.fromEntries(
    (bench.value?.rules ?? []).flatMap((r) => (r.offered === null || r.offered === r.now ? [] : [[r.acts, r.offered]])),
  ),
)
const words = computed(() =>
  (bench.value?.rules ?? [])
    .filter((r) => r.acts in offers.value)
    .map((r) => `${r.acts === 'both' ? 'it to' : r.acts.replace('_', '-speed ')} ${counted(r, r.offered!)}`)
    .join(', '),
)
const setMode = (mode: string | null): void =>
  vehicle.edit(
    `mode of the dampers, ${props.end}`,
    (place.value ? [place.value] : vehicle.places.value.filter((p) => p.startsWith(props.end))).map((p) => ({
      path: ['setups', vehicle.setupIndex.value, 'sides', p, 'mode'],
      value: mode,
    })),
  )
defineExpose({ offers })
</script>

<template>
  <section class="end" :aria-label="`damping, ${end}`">
    <div class="lead">
      <b>{{ end === 'front' ? 'Front' : 'Rear' }}</b>
      <template v-if="bench"
        ><span class="ratio" :class="{ 'grade-look': bench.judged && bench.judged !== 'in' }">{{
          bench.ratio === null ? '–' : `${mark}${bench.ratio.toFixed(2)}`
        }}</span
        ><small class="quiet"
          >mean of both{{ ' '
          }}<template v-if="bench.found_ratio !== null"><br />was {{ bench.found_ratio.toFixed(2) }}</template></small
        ><small
          >wanted{{ ' ' }}<br /><b>{{ bench.band_low.toFixed(2) }}–{{ bench.band_high.toFixed(2) }}</b></small
        ></template
      >
    </div>
    <div class="knobs">
      <p v-if="benches.trouble(end)" class="grade-stop">{{ benches.trouble(end) }}</p>
      <p v-else-if="!benches.asked(end)" class="quiet" role="status">Working out the clicks…</p>
      <p v-else-if="!bench" class="quiet">No damper is told here: choose one, or type it in, under Damper.</p>
      <template v-else>
        <v-select
          v-if="bench.modes.length"
          class="mode"
          label="mode"
          density="compact"
          :items="[...bench.modes]"
          :model-value="bench.mode"
          @update:model-value="setMode" />
        <p v-if="bench.waits" class="quiet">Damping waits for {{ bench.waits }}.</p>
        <p v-for="f in bench.faults" :key="f" class="grade-stop">{{ f }}</p>
        <KnobRule
          v-for="r in bench.rules"
          :key="r.acts"
          :rule="r"
          :end="end"
          :assumed="!!mark"
          :fact="vehicle.setup.value?.stage !== 'plan'"
          :movable="true"
          @turn="(click, done) => turn({ [r.acts]: click }, done)" />
        <p v-if="bench.firmer" class="small">
          Out of reach with the knobs at their end: it would need valving {{ mark
          }}{{ Math.abs((bench.firmer - 1) * 100).toFixed(0) }} % {{ bench.firmer > 1 ? 'firmer' : 'softer' }}.
        </p>
        <button v-if="Object.keys(offers).length" class="act set" @click="turn(offers, true)">Set {{ words }}</button>
      </template>
    </div>
  </section>
</template>

<style scoped>
.end { display: grid; grid-template-columns: 92px minmax(0, 1fr); gap: 12px; border-top: 1px solid var(--rule); padding: 8px 0; } .lead { display: grid; align-content: start; gap: 2px; line-height: 1.15; } .ratio { font-size: var(--t-5); font-weight: 600; }
.mode { max-width: 260px; align-self: start; }
.knobs { display: grid; align-content: start; gap: 4px; min-width: 0; grid-template-columns: minmax(0, 1fr); } .set { justify-self: end; }
@media (max-width: 620px) { .end { grid-template-columns: minmax(0, 1fr); } .lead { grid-template-columns: auto auto auto auto; justify-content: start; align-items: baseline; gap: 12px; } .lead br { display: none; } }
</style>
