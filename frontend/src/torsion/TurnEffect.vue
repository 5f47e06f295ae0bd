<script setup lang="ts">
import { computed } from 'vue'

import { type IndexBench, type Place, placeWords } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { percent } from '@/units/format'

/** Small corrections: what one turn at this side alone does to every corner and to the cross weight. */
const props = defineProps<{ bench: IndexBench; place: Place }>()
const units = useUnits()
const effect = computed(() => props.bench.effect ?? null)
const mm = (p: string): string =>
  units.show(effect.value?.heights?.[p as Place], 'm', { signed: true, kind: 'fine length' })
const others = computed(() => Object.keys(effect.value?.heights ?? {}).filter((p) => p !== props.place))
</script>

<template>
  <p v-if="effect" class="effect">
    {{ effect.turn ? 'One turn' : 'Half a degree' }} up at this side alone: <b>{{ mm(place) }}</b> here,
    {{ others.map((p) => `${mm(p)} ${placeWords(p)}`).join(', ') }} {{ units.unit('m', 'fine length').written
    }}<template v-if="effect.cross != null"
      >; cross weight <b>{{ percent(effect.cross, { signed: true, decimals: 2 }) }}</b></template
    >.
  </p>
</template>

<style scoped>
.effect { font-size: var(--t-3); margin-top: 8px; }
</style>
