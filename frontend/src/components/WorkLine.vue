<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'

import type { Station, StationReport } from '@/api/client'
import { STATIONS } from '@/logic/stations'

/** The stations in the order of the job on a drawn line, each with its mark: untouched, begun, done, needs a look. */
const props = defineProps<{ here: Station | 'compare'; reports: StationReport[]; vehicleId: string }>()
const stations = computed(() =>
  STATIONS.map((s) => {
    const report = props.reports.find((r) => r.station === s.id)
    return { ...s, state: report?.state ?? 'untouched', flag: report?.flag ?? false, waits: report?.waits_for[0] ?? '' }
  }),
)
const say = (s: { state: string; flag: boolean; waits: string }): string =>
  `${s.state}${s.flag ? ', needs a look' : ''}${s.waits ? `; waits for ${s.waits}` : ''}`
const line = ref<HTMLElement | null>(null)
/** Where the line is longer than the window, the station in hand stands in its middle. */
async function shown(): Promise<void> {
  await nextTick()
  const [whole, one] = [
    line.value?.getBoundingClientRect(),
    line.value?.querySelector('.here')?.getBoundingClientRect(),
  ]
  if (whole && one) line.value!.scrollLeft += one.left + one.width / 2 - (whole.left + whole.width / 2)
}
onMounted(shown)
watch(() => props.here, shown)
</script>

<template>
  <nav ref="line" class="work" aria-label="Work line">
    <span v-for="(s, i) in stations" :key="s.id" class="place"
      ><router-link
        class="st"
        :class="{ here: s.id === here }"
        :to="`/vehicle/${vehicleId}/${s.id}`"
        :title="say(s)"
        :aria-current="s.id === here ? 'step' : undefined">
        <i v-if="i > 0" class="seg" :class="{ done: stations[i - 1]!.state === 'done' }"></i>
        <svg width="34" height="34" viewBox="-17 -17 34 34" aria-hidden="true">
          <circle r="11" fill="var(--vellum)" />
          <path v-if="s.id === here" class="mk-here" d="M-12 -21h24l-12 10z" />
          <circle v-if="s.state === 'done'" r="7.500" class="mk-fill" />
          <template v-else-if="s.state === 'begun'">
            <circle r="7.500" class="mk-ring" />
            <path class="mk-fill" d="M0 -7.500a7.500 7.500 0 0 0 0 15z" />
          </template>
          <path v-else class="mk-cross" d="M-6 0h12M0 -6v12" />
        </svg>
        <span class="wd"
          ><i class="key">{{ s.key }}</i
          >{{ s.words }}<span class="seen-not">, {{ say(s) }}</span></span
        > </router-link
      ><router-link
        v-if="s.flag"
        class="flag"
        :to="{ path: `/vehicle/${vehicleId}/${s.id}`, hash: '#findings' }"
        :aria-label="`what needs a look in ${s.words.toLowerCase()}`"
        ><svg width="26" height="34" viewBox="-3 -17 26 34" aria-hidden="true">
          <path class="mk-flag" d="M0 5V-15l15 5-15 5" /></svg></router-link
    ></span>
  </nav>
</template>

<style scoped>
.work { display: flex; border-top: var(--l-mid) solid var(--ink); background: var(--vellum); padding: 0 24px; overflow-x: auto; scrollbar-width: none; }
.place { flex: 1 1 0; min-width: 104px; position: relative; }
.flag { position: absolute; top: 0; left: calc(50% + 6px); width: 44px; height: 44px; padding-top: 5px; } .flag svg { margin-left: -9px; pointer-events: none; }
.st { height: calc(var(--h-work) - 2px); display: flex; flex-direction: column; align-items: center; text-decoration: none; padding-top: 5px; position: relative; font-size: var(--t-3); }
.st:focus-visible { outline-offset: -3px; }
.st.here { font-weight: 600; }
.seg { pointer-events: none; position: absolute; top: 21px; right: calc(50% + 15px); width: calc(100% - 30px); border-top: 1px solid var(--edge); }
.seg.done { border-top: 2.25px solid var(--ink); }
svg { position: relative; }
.key { font-style: normal; font-weight: 400; color: var(--ink-3); font-size: var(--t-1); margin-right: 7px; }
.mk-fill { fill: var(--ink); }
.mk-ring { fill: none; stroke: var(--ink); stroke-width: 1.75; }
.mk-cross { stroke: var(--ink-2); stroke-width: 1.5; fill: none; }
.mk-flag { fill: var(--look-fill); stroke: var(--ink); stroke-width: 1.75; stroke-linejoin: round; }
.mk-here { fill: var(--ink); }
@media (max-height: 700px) { .st { padding-top: 0; } .st svg { height: 26px; } .seg { top: 14px; } .flag { top: -6px; } }
@media (max-width: 1100px) { .work { padding: 0 4px; } .place { min-width: 88px; } }
@media (min-width: 601px) and (max-width: 900px) { .place { min-width: 73px; } .st { font-size: var(--t-2); } .key { margin-right: 4px; } }
</style>
