<script setup lang="ts">
import { computed } from 'vue'

import { type Place, placeWords } from '@/api/client'
import { useDrag } from '@/composables/useDrag'

/**
 * The wedge at ride height on a travel ladder, and the ghost of as found; dragged or moved with the arrow keys it asks
 * for another height (up is bump: a lower car). It stands apart from the ladder so that a drag draws nothing else.
 */
const props = defineProps<{
  x: number
  top: number
  bottom: number
  /** Range of the scale, mm of wheel travel. */
  range: { top: number; bottom: number }
  /** Travel of as found from this ride height, mm; null when it is the setup itself. */
  ghost: number | null
  movable: boolean
  fact: boolean
  place: Place
  heightText: string
  /** How far the wedge stands from zero while it is dragged, mm. */
  offset: number
}>()
const emit = defineEmits<{
  /** Wheel travel asked for from the ride height at the start, mm; `done` on release. */
  move: [place: Place, travel: number, done: boolean]
  /** One step of the keyboard, mm. */
  step: [place: Place, travel: number]
  open: [place: Place]
}>()
const y = (mm: number): number =>
  props.top + ((props.range.top - mm) / (props.range.top - props.range.bottom)) * (props.bottom - props.top)
const within = (mm: number): number => Math.min(props.range.top, Math.max(props.range.bottom, mm))
const label = computed(() => placeWords(props.place))

let pending = 0
const { down, move, up } = useDrag({
  start: () => props.movable,
  to: (_dx, dy) => {
    const mm = (-dy * (props.range.top - props.range.bottom)) / (props.bottom - props.top)
    pending = Math.round(mm * 2) / 2
    emit('move', props.place, pending, false)
  },
  end: () => {
    emit('move', props.place, pending, true)
    pending = 0
  },
})
function pressed(event: KeyboardEvent): void {
  if (!props.movable) return
  const step = { ArrowUp: 1, ArrowDown: -1, PageUp: 5, PageDown: -5 }[event.key]
  if (step !== undefined) {
    event.preventDefault()
    emit('step', props.place, step)
  } else if (event.key === 'Enter' || /^\d$/.test(event.key)) {
    event.preventDefault()
    event.stopPropagation()
    emit('open', props.place)
  }
}
</script>

<template>
  <g>
    <path
      v-if="ghost !== null && Math.abs(ghost - offset) > 0.3"
      class="ghost"
      :d="`M${x - 15} ${y(within(ghost))}l-15 -8v16z`" />
    <path class="wedge" :class="{ fact }" :d="`M${x - 13} ${y(within(offset))}l-18 -9.500v19z`" />
    <rect
      v-if="movable"
      class="grip"
      role="slider"
      tabindex="0"
      :aria-label="`Ride height ${label}; arrow up lowers by 1 mm`"
      :aria-valuetext="heightText"
      aria-orientation="vertical"
      :aria-valuenow="Math.round(offset)"
      :aria-valuemin="range.bottom"
      :aria-valuemax="range.top"
      :x="x - 36"
      :y="y(within(offset)) - 22"
      width="54"
      height="44"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up"
      @keydown="pressed"
      @dblclick="emit('open', place)" />
    <rect v-if="movable" class="focus-ring" :x="x - 34" :y="y(within(offset)) - 13" width="52" height="26" />
  </g>
</template>
