<script setup lang="ts">
import { computed } from 'vue'

/** A road's sign: its own profile, or the course of an acceleration with its g. */
const props = defineProps<{ name: string }>()
const rough = (seed: number, high: number): string => {
  let [d, x] = ['M0 17', 0]
  while (x < 54) {
    x += 2
    d += `L${x} ${(17 + high * (Math.sin(x * 1.31 + seed) + Math.sin(x * 0.53 + 2 * seed) + 0.7 * Math.sin(x * 2.3))).toFixed(1)}`
  }
  return d
}
const SIGNS: Record<string, string> = {
  bump: 'M0 20H14Q27 -8 40 20H54',
  step: 'M0 20H27V8H54',
  hole: 'M0 12H23V21H31V12H54',
  waves: 'M0 15Q7 3 13 15T26 15T39 15T52 15H54',
  cross_waves: 'M0 15Q7 6 13 15T26 15T39 15T52 15M0 15Q7 24 13 15T26 15T39 15T52 15',
  sweep: 'M0 15Q8 4 15 15T28 15T37 15T43 15T47 15T50 15T52 15T54 15',
  rough_b: rough(1, 1),
  rough_c: rough(3, 2),
  rough_d: rough(5, 3.2),
  braking: 'M4 22L11 8H43L50 22',
  driving: 'M4 8L11 22H43L50 8',
  corner: 'M4 22L11 8H43L50 22',
  slalom: 'M2 15Q14 -2 27 15T52 15',
  own:
    'M0 18H5Q9 4 13 18H19Q23 4 27 18H30' +
    rough(2, 2)
      .slice(1)
      .split('L')
      .slice(16)
      .map((p) => `L${p}`)
      .join(''),
}
const path = computed(() => SIGNS[props.name] ?? SIGNS.own!)
const g = computed(() => ['braking', 'driving', 'corner', 'slalom'].includes(props.name))
</script>

<template>
  <svg width="46" height="24" viewBox="0 0 54 26" aria-hidden="true">
    <path class="line" :d="path" />
    <text v-if="g" x="27" y="20" text-anchor="middle">g</text>
  </svg>
</template>

<style scoped>
.line { fill: none; stroke: var(--ink); stroke-width: 1.5; stroke-linejoin: round; } text { font-size: 1.05rem; }
</style>
