<script setup lang="ts">
import { computed } from 'vue'

import type { Outline } from '@/api/client'

import CycleView from '@/sag/CycleView.vue'

import { draw, sideView } from './sideView'

/** Side elevation from the vehicle's own numbers: plan solid, as found dashed; height changes drawn larger and labelled so. */
const props = defineProps<{
  outline: Outline
  width: number
  height: number
  /** Drop of the body at front and rear axle, m; null when nothing is planned. */
  drop?: { front: number; rear: number } | null
  /** The same of the body drawn dashed, where that one moves too. */
  ghost?: { front: number; rear: number }
  /** How far the wheels are lifted from where they stand, m. */
  lift?: { front: number; rear: number }
  /** Height of the road at a distance behind the front axle, m. */
  road?: (behind: number) => number
  /** How many times larger the drop is drawn. */
  times?: number
  /** Drawn in ink: found or fitted, not planned. */
  fact?: boolean
  /** Of a two-wheeler's fork, from the vertical, rad. */
  rake?: number
  rider?: boolean
}>()
const cycle = computed(() => ['motorcycle', 'bicycle'].includes(props.outline.body))

const scene = computed(() => {
  const o = props.outline
  const total = o.front_overhang + o.wheelbase + o.rear_overhang
  const scale = Math.min(props.width / (total * 1000 + 40), props.height / (o.roof_height * 1000 + 30))
  const left = (props.width - total * 1000 * scale) / 2 + o.front_overhang * 1000 * scale
  const floor = props.height - 1.5
  const times = props.times ?? 1
  const shape = sideView({
    body: o.body,
    wheelbase: o.wheelbase * 1000,
    frontOverhang: o.front_overhang * 1000,
    rearOverhang: o.rear_overhang * 1000,
    tyreRadius: o.tyre_radius * 1000,
    archGap: Math.max(5, ((o.front_arch + o.rear_arch) / 2) * 1000 - 2 * o.tyre_radius * 1000),
    roofHeight: o.roof_height * 1000,
  })
  const d = props.drop
  const sunk = (x: number): number =>
    d ? (d.front + ((d.rear - d.front) * x) / (o.wheelbase * 1000)) * 1000 * times : 0
  const rises = (b: { front: number; rear: number } | undefined, x: number): number =>
    b ? (b.front + ((b.rear - b.front) * x) / (o.wheelbase * 1000)) * 1000 * times : 0
  const found = (x: number, y: number): [number, number] => [
    left + x * scale,
    floor - (y - rises(props.ghost, x)) * scale,
  ]
  const plan = (x: number, y: number): [number, number] => [left + x * scale, floor - (y - (d ? sunk(x) : 0)) * scale]
  const wheel = (x: number) => ({
    x: left + x * 1000 * scale,
    y: floor - (o.tyre_radius * 1000 + (x ? (props.lift?.rear ?? 0) : (props.lift?.front ?? 0)) * 1000 * times) * scale,
    r: o.tyre_radius * 1000 * scale,
  })
  return {
    body: draw(shape.body, plan),
    glass: draw(shape.glass, plan),
    lines: draw(shape.lines, plan),
    ghost: d ? draw(shape.body, found) : '',
    wheels: [wheel(0), wheel(o.wheelbase)],
    floor,
    ground: groundLine(left, scale, floor, times),
  }
})
/** The road under the vehicle, as much higher as the body's drop. */
function groundLine(left: number, scale: number, floor: number, times: number): string {
  if (!props.road) return `M0 ${floor}H${props.width}`
  let d = ''
  for (let px = 0; px <= props.width; px += 3)
    d += `${px ? 'L' : 'M'}${px} ${(floor - props.road((px - left) / scale / 1000) * 1000 * times * scale).toFixed(1)}`
  return d
}
</script>

<template>
  <CycleView v-if="cycle" v-bind="props" />
  <g v-else>
    <g :class="{ 'el-fact': !drop || fact }">
      <path :class="[drop && !fact ? 'el-plan' : 'el-only', { 'el-guess': !outline.own }]" :d="scene.body" />
      <path class="el-glass" :d="scene.glass" />
      <path class="el-trim" :d="scene.lines" />
    </g>
    <path v-if="drop" class="el-found" :d="scene.ghost" />
    <g v-for="w in scene.wheels" :key="w.x">
      <circle class="tyre" :cx="w.x" :cy="w.y" :r="w.r" />
      <circle class="rim" :cx="w.x" :cy="w.y" :r="w.r * 0.62" />
      <circle class="rim" :cx="w.x" :cy="w.y" :r="w.r * 0.1" />
    </g>
    <path class="el-ground" :d="scene.ground" fill="none" />
  </g>
</template>
