<script setup lang="ts">
/** A small drawing where it tells more than words. */
defineProps<{ word: string }>()
const DRAWN: Record<
  string,
  { width: number; paths: { d: string; bold?: boolean; dash?: boolean }[]; texts: [number, number, string][] }
> = {
  'ride frequency': {
    width: 240,
    paths: [
      { d: 'M4 22C19 -2 34 -2 49 22S79 46 94 22S124 -2 139 22', bold: true },
      { d: 'M4 58C11 40 19 40 26 58S41 76 49 58S64 40 72 58S87 76 94 58S109 40 117 58S132 76 139 58', bold: true },
      { d: 'M4 4V76M94 4V76', dash: true },
    ],
    texts: [
      [150, 26, '1 Hz, soft'],
      [150, 62, '2 Hz, firm'],
    ],
  },
  'motion ratio': {
    width: 240,
    paths: [
      { d: 'M16 60H200', bold: true },
      { d: 'M110 60V18M96 18h28M96 50l28 -6l-28 -6l28 -6l-28 -6l28 -6', bold: true },
      { d: 'M16 60a6 6 0 1 1 -0.1 0M200 42a18 18 0 1 1 -0.1 0' },
    ],
    texts: [
      [2, 44, 'pivot'],
      [128, 30, 'spring: 0.5'],
      [168, 20, 'wheel: 1'],
    ],
  },
  'hub to arch': {
    width: 200,
    paths: [
      { d: 'M20 40C24 8 116 8 120 40', bold: true },
      { d: 'M70 26a26 26 0 1 0 0.1 0' },
      { d: 'M70 17V52M65 17h10M65 52h10', bold: true },
      { d: 'M10 78H130' },
    ],
    texts: [[84, 40, 'this']],
  },
  'floor to arch': {
    width: 200,
    paths: [
      { d: 'M20 40C24 8 116 8 120 40', bold: true },
      { d: 'M70 26a26 26 0 1 0 0.1 0' },
      { d: 'M70 17V78M65 17h10M65 78h10', bold: true },
      { d: 'M10 78H130' },
    ],
    texts: [[84, 66, 'this']],
  },
  camber: {
    width: 220,
    paths: [
      { d: 'M54 10l14 62h-18l-14 -62z', bold: true },
      { d: 'M150 10l-14 62h18l14 -62z', bold: true },
      { d: 'M10 74H200' },
      { d: 'M50 4V74M154 4V74', dash: true },
    ],
    texts: [[72, 22, 'top in: minus']],
  },
  toe: {
    width: 220,
    paths: [
      { d: 'M40 18l12 44h-10l-12 -44z', bold: true },
      { d: 'M110 18l-12 44h10l12 -44z', bold: true },
      { d: 'M75 4V76', dash: true },
    ],
    texts: [
      [128, 28, 'out: minus'],
      [128, 48, '(ahead is up)'],
    ],
  },
  droop: {
    width: 220,
    paths: [{ d: 'M30 8h60M60 8v20M48 28h24v28h-24zM60 56v14', bold: true }, { d: 'M60 70a9 9 0 1 0 0.1 0' }],
    texts: [
      [84, 68, 'wheel in the air'],
      [84, 34, 'damper fully out'],
    ],
  },
  'cross weight': {
    width: 200,
    paths: [
      { d: 'M20 8h26v24h-26zM20 50h26v24h-26z' },
      { d: 'M86 8h26v24h-26zM86 50h26v24h-26z' },
      { d: 'M44 52L88 30', bold: true },
    ],
    texts: [
      [118, 26, 'front right'],
      [118, 66, 'rear right'],
    ],
  },
}
</script>

<template>
  <svg
    v-if="DRAWN[word]"
    class="drawn"
    :width="DRAWN[word]!.width"
    height="84"
    :viewBox="`0 0 ${DRAWN[word]!.width} 84`"
    aria-hidden="true">
    <path v-for="p in DRAWN[word]!.paths" :key="p.d" :d="p.d" :class="{ bold: p.bold, dash: p.dash }" />
    <text v-for="[x, y, t] in DRAWN[word]!.texts" :key="t" :x="x" :y="y">{{ t }}</text>
  </svg>
</template>

<style scoped>
.drawn { display: block; max-width: 100%; } path { fill: none; stroke: var(--ink-2); stroke-width: 1.25; } .bold { stroke: var(--ink); stroke-width: 2; } .dash { stroke-dasharray: 3 3; } text { font-size: .875rem; fill: var(--ink); }
</style>
