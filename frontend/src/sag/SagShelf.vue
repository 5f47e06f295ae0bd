<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { api, type EndName, type SagCandidate } from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'
import { sentence } from '@/logic/sentence'

import SagLane from './SagLane.vue'
import { ringed, useSag } from './useSag'

/** The shelf's springs at one end, each preloaded for the rider sag wanted: where the bike alone then stands. */
const props = defineProps<{ end: EndName }>()
const { vehicle, units, sags, side, mm } = useSag()
const all = ref(false)
watch(
  () => props.end,
  () => (all.value = false),
)
const { found, trouble, asked } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  return document && setup
    ? api.POST('/api/sag/shelf', { body: { document, setup: setup.id, end: props.end, all_diameters: all.value } })
    : null
}, [vehicle.report, () => props.end, all])
const s = computed(() => sags(props.end))
const read = computed(() => s.value?.read_factor ?? 1)
const band = (of: 'free' | 'rider'): [number, number] | null => {
  const [l, h] = [s.value?.[`${of}_low`], s.value?.[`${of}_high`]]
  return l && h ? [(l.value / read.value) * 1000, (h.value / read.value) * 1000] : null
}
const most = computed(() => Math.max(60, Math.ceil(((band('rider')?.[1] ?? 40) * 1.4) / 10) * 10))
const along = (v: number | null | undefined): number | null => (v == null ? null : (v / read.value) * 1000)
const GRADES = { stop: 'Stop', look: 'Look', note: 'Note' } as const
const says = (r: SagCandidate): string => sentence(r.says, r.numbers, units.system.value)
const take = (r: SagCandidate): Promise<string | null> =>
  vehicle.act(`spring ${r.part.code}, ${props.end}`, {
    act: 'take sag spring',
    end: props.end,
    part: r.part,
    collar: r.collar,
  })
</script>

<template>
  <section class="shelf" :aria-label="`${end} springs on the shelf`">
    <div class="head">
      <span
        >{{ end }} springs<template
          v-if="
            side(end).spring?.kind === 'coil' &&
            (side(end).spring as { inside_diameter?: number | null }).inside_diameter &&
            !all
          "
          >, inside
          {{
            units.show((side(end).spring as { inside_diameter: number }).inside_diameter, 'm', { unit: true })
          }}</template
        ></span
      ><span class="r">Hz, rider on</span><span class="r">preload<br />{{ units.unit('m').written }}</span
      ><span class="lanehead"
        >bike alone
        <svg width="12" height="12" aria-hidden="true"><circle class="ring" cx="6" cy="6" r="4.500" /></svg> rider on
        <svg width="14" height="12" aria-hidden="true"><path class="wedge fact" d="M7 11L1 2h12z" /></svg></span
      ><span>first thing against it</span>
    </div>
    <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
    <p v-else-if="!asked" class="quiet" role="status">Trying the shelf…</p>
    <p v-else-if="!found?.rows.length" class="say">
      Nothing to try yet: the bench wants this end's sags, its coil spring with a free length, and springs of its
      diameter on the <router-link class="link" to="/shelf">shelf</router-link>.
    </p>
    <button
      v-for="r in found?.rows ?? []"
      :key="`${r.part.code} ${r.part.rate.value}`"
      class="crow"
      :class="{ sel: r.chosen }"
      :disabled="vehicle.isFound.value"
      :aria-pressed="r.chosen"
      @click="take(r)">
      <span class="part"
        ><b>{{ r.part.code }}</b
        ><i
          >{{ units.show(r.part.rate.value, 'N/m', { unit: true })
          }}<template v-if="r.turns !== null">, {{ r.turns!.toFixed(1) }} turns</template></i
        ></span
      >
      <span class="r">{{ r.frequency?.toFixed(2) ?? '–' }}</span><span class="r">{{ mm(r.preload) }}</span>
      <SagLane
        :width="268"
        :most="most"
        :free-band="band('free')"
        :rider-band="band('rider')"
        :free="along(r.free_sag)"
        :rider="along(r.rider_sag)"
        :found-free="r.chosen ? along(s?.free_read?.value) : null"
        :found-rider="r.chosen ? along(s?.rider_read?.value) : null"
        :selected="r.chosen"
        :look="ringed(r.verdict)" />
      <span class="why"
        ><b v-if="r.grade" :class="`grade-${r.grade}`">{{ GRADES[r.grade] }}</b> {{ says(r)
        }}<template v-if="!r.grade">nothing</template></span
      >
    </button>
    <p class="foot quiet">
      <template v-if="found">{{ found.rows.length }} of {{ found.on_shelf }} on the shelf</template>
      <button class="link" @click="all = !all">{{ all ? 'only what fits the seat' : 'every diameter' }}</button>
      <router-link class="link" to="/shelf">type in another spring</router-link>
    </p>
  </section>
</template>

<style scoped>
.shelf { border-top: var(--l-mid) solid var(--ink); margin-top: 6px; } .head, .crow { display: grid; grid-template-columns: minmax(120px, 1fr) 48px 56px 268px minmax(0, 1.1fr); gap: 0 10px; align-items: center; } .head { min-height: 38px; color: var(--ink-2); line-height: 1.1; }
.lanehead { display: flex; align-items: center; gap: 6px; } .ring { fill: none; stroke: var(--ink); stroke-width: 2; }
.crow { width: 100%; min-height: 48px; border-top: 1px solid var(--rule); text-align: left; } .crow.sel { background: var(--plan-tint); } .crow.sel .part b { color: var(--plan); } .part b { display: block; font-size: var(--t-3); font-weight: 600; line-height: 1.1; } .part i { font-style: normal; font-size: var(--t-1); color: var(--ink-2); }
.r { text-align: right; font-size: var(--t-3); } .head .r { font-size: var(--t-1); } .why { line-height: 1.15; } .foot { display: flex; gap: 20px; align-items: center; border-top: 1px solid var(--rule); } .say { font-size: var(--t-3); margin: 8px 0; }
@media (max-width: 760px) { .head { display: none; } .crow { grid-template-columns: 1fr auto; padding: 6px 0; } .crow .lane { grid-column: 1 / 3; } .crow > .r { display: none; } .why { grid-column: 1 / 3; } }
</style>
