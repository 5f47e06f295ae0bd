<script setup lang="ts">
import { computed } from 'vue'

import type { components } from '@/api/schema'
import { type EndName, placeWords } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import QuantityField from '@/components/QuantityField.vue'
import { useVehicle } from '@/composables/useVehicle'

/** What sets camber, caster and toe at an end, within which values, and what a turn or a mark gives. */
type Adjuster = components['schemas']['AlignmentAdjuster']
const props = defineProps<{ end: EndName }>()
const vehicle = useVehicle()
const all = computed<Adjuster[]>(() => vehicle.document.value!.vehicle.ends![props.end]!.adjusters ?? [])
const put = (made: Adjuster[]): void =>
  vehicle.edit(`${props.end} alignment adjusters`, [{ path: ['vehicle', 'ends', props.end, 'adjusters'], value: made }])
const set = (i: number, members: Partial<Adjuster>): void =>
  put(all.value.map((a, k) => (k === i ? { ...a, ...members } : a)))
const HOW = ['eccentric', 'slots', 'plate', 'cam bolt', 'washers', 'adjustable arm', 'adjustable rod']
const SETS = ['camber', 'caster', 'toe'] as const
const free = computed(() => SETS.filter((s) => !all.value.some((a) => a.sets === s)))
const turned = computed(() =>
  vehicle.places.value
    .filter((p) => p.startsWith(props.end))
    .flatMap((p) =>
      SETS.map((s) => {
        const corner = vehicle.shown.value?.corners[p]
        return {
          words: `${s}, ${placeWords(p)}`,
          path: `corners.${p}.${s}`,
          steps: corner?.[`${s}_steps`],
          left: corner?.[`${s}_left`],
        }
      }),
    )
    .filter((t) => t.steps || t.left),
)
const NUMBERS = [
  { member: 'least', words: 'from' },
  { member: 'most', words: 'to' },
  { member: 'step', words: 'one turn or mark gives' },
] as const
</script>

<template>
  <div class="more">
    <div v-for="(a, i) in all" :key="a.sets" class="adjuster">
      <v-select
        :label="`${a.sets} by`"
        :items="HOW"
        :model-value="a.how"
        density="compact"
        @update:model-value="(v) => set(i, { how: v as Adjuster['how'] })" />
      <QuantityField
        v-for="n in NUMBERS"
        :key="n.member"
        :label="`${a.sets}, ${n.words}`"
        :of="`AlignmentAdjuster.least ${a.sets}`"
        :decimals="a.sets === 'toe' ? undefined : 1"
        :low="n.member === 'step' ? 0 : undefined"
        :kind="a.sets === 'toe' ? 'fine length' : undefined"
        :model-value="a[n.member]"
        @update:model-value="(v) => set(i, { [n.member]: v })" />
      <button class="link" :aria-label="`no adjuster of ${a.sets}, ${end}`" @click="put(all.filter((_, k) => k !== i))">
        take out
      </button>
    </div>
    <p v-for="t in turned" :key="t.words" class="small turned">
      {{ t.words }}:
      <template v-if="t.steps"
        ><AskFigure
          :figure="t.steps"
          :path="`${t.path}_steps`"
          :title="t.words"
          :options="{ decimals: 1, signed: true }" />
        steps from as found<template v-if="t.left">, </template></template
      ><template v-if="t.left"
        ><AskFigure :figure="t.left" :path="`${t.path}_left`" :title="`${t.words}, left`" :options="{ decimals: 1 }" />
        left</template
      >
    </p>
    <button v-for="s in free" :key="s" class="link another" @click="put([...all, { how: 'eccentric', sets: s }])">
      {{ s }} can be set
    </button>
    <p class="small quiet">
      Camber that a plate or slots give is set before the strut goes in, where that is allowed; the rest at the
      alignment bench.
    </p>
  </div>
</template>

<style scoped>
.adjuster { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 12px; align-items: end; border-bottom: 1px solid var(--rule); padding-bottom: 6px; }
.another { margin-right: 16px; }
</style>
