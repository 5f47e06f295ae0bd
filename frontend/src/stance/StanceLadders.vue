<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'

import { type CornerReport, type Place, placeWords } from '@/api/client'
import TexturePatterns from '@/components/TexturePatterns.vue'
import { useHeights } from '@/composables/useHeights'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import { commonRange, divisionFor, type LadderMarks, marksOf } from './ladder'
import RideWedge from './RideWedge.vue'
import SagMarks from './SagMarks.vue'
import StanceFigures from './StanceFigures.vue'
import TravelLadder from './TravelLadder.vue'

/** The travel ladders of all corners on one scale, each with its wedge. */
const emit = defineEmits<{ ask: [path: string, title: string] }>()
const vehicle = useVehicle()
const heights = useHeights()
const units = useUnits()
const router = useRouter()

const FOUR: Partial<Record<Place, number>> = { front_left: 40, front_right: 134, rear_left: 302, rear_right: 396 }
const TWO: Partial<Record<Place, number>> = { front: 100, rear: 336 }
const TOP = 74
const BOTTOM = 290
const X = computed(() => (vehicle.places.value.length === 2 ? TWO : FOUR))
const places = computed(() => vehicle.places.value)

const report = computed(() => vehicle.shown.value)
const planned = computed(() => !vehicle.isFound.value)
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')

// While a wedge is dragged, scale and limits stand as they were when it was taken up.
const held = reactive<{ place: Place | null; offset: number }>({ place: null, offset: 0 })
const frozen = shallowRef<Partial<Record<Place, CornerReport>> | null>(null)
const shown = (place: Place): CornerReport | undefined => (frozen.value ?? report.value?.corners)?.[place]
const marks = computed(
  () => Object.fromEntries(places.value.map((p) => [p, marksOf(shown(p))])) as Record<Place, LadderMarks>,
)
const ghosts = computed(
  () =>
    Object.fromEntries(
      places.value.map((p) => {
        const travel = shown(p)?.wheel_travel
        return [p, planned.value && travel ? -travel.value * 1000 : null]
      }),
    ) as Record<Place, number | null>,
)
const division = computed(() => divisionFor(units.unit('m').name, units.unit('m').factor))
const range = ref(commonRange([]))
watch(
  [marks, division],
  ([m, d]) => {
    if (!held.place) range.value = commonRange(Object.values(m), d.label)
  },
  { immediate: true },
)
const y = (mm: number): number =>
  TOP + ((range.value.top - mm) / (range.value.top - range.value.bottom)) * (BOTTOM - TOP)
const scale = computed(() => {
  const out: number[] = []
  const step = division.value.label
  for (let n = Math.round(range.value.bottom / step) + 1; n * step < range.value.top + 1; n++) if (n) out.push(n * step)
  return out
})
/** With a load on, a height is not asked for; on two wheels the rider's sag is. */
const rider = computed(() => {
  const carrying = (vehicle.document.value?.loads ?? []).filter((l) => l.items?.length)
  return (
    (carrying.find((l) => l.id === vehicle.document.value?.surveys?.[0]?.conditions?.rider) ?? carrying[0])?.id ?? null
  )
})
const movable = (place: Place): boolean =>
  planned.value &&
  (!vehicle.loadState.value || (places.value.length === 2 && vehicle.loadState.value === rider.value)) &&
  !!report.value?.corners[place]?.hub_to_arch
const heightText = (place: Place): string => {
  const at = report.value?.corners[place]
  return `${placeWords(place)}: ${units.show((at?.floor_to_arch ?? at?.hub_to_arch)?.value, 'm', { unit: true })}`
}

function move(place: Place, travel: number, done: boolean): void {
  if (!held.place) {
    frozen.value = { ...report.value!.corners }
    held.place = place
    heights.begin()
  }
  held.offset = travel
  heights.shift(place, travel / 1000)
  if (!done) return
  held.place = null
  held.offset = 0
  frozen.value = null
  heights.end()
}
function step(place: Place, travel: number): void {
  heights.begin()
  heights.shift(place, travel / 1000)
  heights.end()
}
const offsetOf = (place: Place): number => (held.place && heights.moves(held.place).includes(place) ? held.offset : 0)
function open(place: Place): void {
  void router.push({ path: `/vehicle/${vehicle.id}/height`, hash: places.value.length === 2 ? '' : `#height-${place}` })
}
const askLimit = (place: Place, what: string, words: string): void =>
  emit('ask', `corners.${place}.${what}`, `${words}, ${placeWords(place)}`)
const askFigure = (path: string, title: string): void => emit('ask', path, title)
</script>

<template>
  <div class="drawn ladders-box">
    <svg
      class="ladders"
      viewBox="0 0 464 456"
      preserveAspectRatio="xMidYMin meet"
      role="group"
      aria-label="Travel ladders">
      <TexturePatterns />
      <StanceFigures :x="X" @ask="askFigure" />
      <g v-for="mm in scale" :key="mm">
        <path class="grid" :d="`M0 ${y(mm)}H196M252 ${y(mm)}H464`" />
        <text class="num" x="224" :y="y(mm) + 5" text-anchor="middle">
          {{ mm > 0 ? '+' : '' }}{{ division.write(mm) }}
        </text>
      </g>
      <path class="zero" :class="{ fact }" :d="`M0 ${y(0)}H200M248 ${y(0)}H464`" />
      <text class="cor" :class="{ pl: !fact }" x="224" :y="y(0) + 5.5" text-anchor="middle">ride</text>
      <template v-for="p in places" :key="p">
        <TravelLadder
          :x="X[p]!"
          :top="TOP"
          :bottom="BOTTOM"
          :range="range"
          :marks="marks[p]"
          :division="division"
          :place="p"
          @ask="askLimit" />
        <SagMarks
          v-if="places.length === 2"
          :x="X[p]!"
          :top="TOP"
          :bottom="BOTTOM"
          :range="range"
          :said="report?.sags?.[p]"
          :base="shown(p)?.sag?.value ?? null"
          :fact="fact" />
        <RideWedge
          :x="X[p]!"
          :top="TOP"
          :bottom="BOTTOM"
          :range="range"
          :ghost="ghosts[p]"
          :movable="movable(p)"
          :fact="fact"
          :place="p"
          :offset="offsetOf(p)"
          :height-text="heightText(p)"
          @move="move"
          @step="step"
          @open="open" />
      </template>
    </svg>
  </div>
</template>

<style scoped>
.ladders-box { height: calc(var(--room) - clamp(120px, 0.3 * var(--room), 196px) - var(--carry) - 12px); margin-top: 12px; }
@media (max-width: 1100px) { .ladders-box { grid-area: 1 / 2 / 3 / 3; height: var(--room); margin-top: 0; } }
@media (max-width: 600px) { .ladders-box { height: calc(0.98 * var(--across)); } }
</style>
