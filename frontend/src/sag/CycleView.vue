<script setup lang="ts">
import { computed } from 'vue'

import type { Outline } from '@/api/client'

import { coil, cycleShape, rounded } from './cycle'

/** A motorcycle or bicycle from the side: the chassis moves on its wheels, fork and rear arm follow. */
const props = defineProps<{
  outline: Outline
  width: number
  height: number
  rake?: number
  drop?: { front: number; rear: number } | null
  times?: number
  fact?: boolean
  rider?: boolean
  /** Extended on a stand. */
  stand?: boolean
  /** As in the side view of a car: the other body, wheels that are lifted, the road under them. */
  ghost?: { front: number; rear: number }
  lift?: { front: number; rear: number }
  road?: (behind: number) => number
}>()
const scene = computed(() => {
  const o = props.outline
  const rear = Math.max(o.tyre_radius, o.rear_overhang)
  const total = o.tyre_radius + o.wheelbase + rear + 0.04
  const tall = o.roof_height * (props.rider ? 1.42 : 1.04)
  const scale = Math.min(props.width / (total * 1000), props.height / (tall * 1000 + 10))
  const left = (props.width - total * 1000 * scale) / 2 + (o.tyre_radius + 0.02) * 1000 * scale
  const floor = props.height - 1.5
  const shape = cycleShape({
    body: o.body,
    wheelbase: o.wheelbase * 1000,
    rearOverhang: o.rear_overhang * 1000,
    tyreRadius: o.tyre_radius * 1000,
    height: o.roof_height * 1000,
    rake: props.rake ?? 0.44,
  })
  const d = props.drop
  const times = props.times ?? 1
  const sunk = (x: number): number =>
    d ? (d.front + ((d.rear - d.front) * x) / (o.wheelbase * 1000)) * 1000 * times : 0
  const other = (x: number): number =>
    props.ghost
      ? (props.ghost.front + ((props.ghost.rear - props.ghost.front) * x) / (o.wheelbase * 1000)) * 1000 * times
      : 0
  const at = (x: number, y: number): [number, number] => [left + x * scale, floor - y * scale]
  const found = (x: number, y: number): [number, number] => at(x, y - other(x))
  const plan = (x: number, y: number): [number, number] => at(x, y - sunk(x))
  const wheels = [0, o.wheelbase].map((x) => ({
    x: left + x * 1000 * scale,
    y: floor - (o.tyre_radius + ((x ? props.lift?.rear : props.lift?.front) ?? 0) * times) * 1000 * scale,
    r: o.tyre_radius * 1000 * scale,
  }))
  const line = (points: [number, number][], at: typeof plan): string =>
    points
      .map(
        ([x, y], i) =>
          `${i ? 'L' : 'M'}${at(x, y)
            .map((v) => v.toFixed(1))
            .join(' ')}`,
      )
      .join('')
  const p = (point: [number, number]): [number, number] => plan(...point)
  const [axle, clamp] = [[wheels[0]!.x, wheels[0]!.y] as [number, number], p(shape.clamp)]
  const part = (t: number): string =>
    `${(axle[0] + (clamp[0] - axle[0]) * t).toFixed(1)} ${(axle[1] + (clamp[1] - axle[1]) * t).toFixed(1)}`
  const [seat, peg, bar] = [p(shape.seat), p(shape.peg), p(shape.bar)]
  const up = o.roof_height * 1000 * scale
  let ground = `M0 ${floor}H${props.width}`
  if (props.road)
    for (let px = 0; px <= props.width; px += 3)
      ground =
        (px ? ground : '') +
        `${px ? 'L' : 'M'}${px} ${(floor - props.road((px - left) / scale / 1000) * 1000 * times * scale).toFixed(1)}`
  return {
    wheels,
    floor,
    ground,
    scale,
    body: rounded(shape.body, plan),
    ghost: d ? rounded(shape.body, found) : '',
    frame: shape.lines.map((l) => line(l, plan)),
    ghosts: d ? shape.lines.map((l) => line(l, found)) : [],
    slider: `M${part(0)}L${part(0.46)}`,
    tube: `M${part(0.4)}L${part(1)}`,
    bars: `M${part(0.94)}L${bar[0].toFixed(1)} ${bar[1].toFixed(1)}`,
    arm: `M${p(shape.pivot).join(' ')}L${wheels[1]!.x} ${wheels[1]!.y}`,
    stays: o.body === 'bicycle' ? `M${wheels[1]!.x} ${wheels[1]!.y}L${p(shape.spring[1]).join(' ')}` : '',
    spring: coil(p(shape.spring[0]), p(shape.spring[1]), 4, 0.028 * up),
    thick: Math.max(1.5, 0.045 * up),
    man: props.rider
      ? {
          body: `M${bar[0]} ${bar[1]}L${seat[0] - 0.06 * up} ${seat[1] - 0.42 * up}L${seat[0]} ${seat[1]}L${seat[0] - 0.22 * up} ${seat[1] + 0.12 * up}L${peg[0]} ${peg[1]}h${0.1 * up}`,
          head: [seat[0] - 0.1 * up, seat[1] - 0.53 * up, 0.075 * up],
        }
      : null,
    jack: `M${wheels[1]!.x - 0.5 * (wheels[1]!.x - wheels[0]!.x)} ${floor - 0.24 * up}l${-0.14 * up} ${0.24 * up}M${wheels[1]!.x - 0.5 * (wheels[1]!.x - wheels[0]!.x)} ${floor - 0.24 * up}l${0.14 * up} ${0.24 * up}`,
  }
})
const line = computed(() => (props.drop && !props.fact ? 'el-plan' : 'el-only'))
</script>

<template>
  <g>
    <g v-for="w in scene.wheels" :key="w.x"
      ><circle class="cy-tyre" :cx="w.x" :cy="w.y" :r="w.r * 0.88" :stroke-width="w.r * 0.24" /><circle
        class="cy-rim"
        :cx="w.x"
        :cy="w.y"
        :r="w.r * 0.06"
    /></g>
    <path class="cy-arm" :d="scene.arm" :stroke-width="scene.thick" />
    <path class="cy-fill" :d="scene.arm" :stroke-width="scene.thick - 2" />
    <path v-if="scene.stays" class="cy-line" :d="scene.stays" />
    <path class="cy-slide" :d="scene.slider" :stroke-width="scene.thick" /><path
      class="cy-arm"
      :d="scene.tube"
      :stroke-width="scene.thick * 0.62" /><path
      class="cy-fill"
      :d="scene.tube"
      :stroke-width="Math.max(0.6, scene.thick * 0.62 - 2)" />
    <g :class="{ 'el-fact': !drop || fact }">
      <path v-if="scene.body" :class="[line, { 'el-guess': !outline.own }]" :d="scene.body" />
      <path
        v-for="(l, i) in scene.frame"
        :key="i"
        class="el-trim"
        :class="{ 'cy-frame': !scene.body, plan: !scene.body && drop && !fact }"
        :d="l" />
    </g>
    <path v-if="scene.ghost" class="el-found" :d="scene.ghost" /><template v-if="!scene.body"
      ><path v-for="(l, i) in scene.ghosts" :key="i" class="el-found" :d="l"
    /></template>
    <path class="cy-line" :d="scene.spring" /><path class="cy-bar" :d="scene.bars" />
    <path v-if="stand" class="cy-line" :d="scene.jack" />
    <g v-if="scene.man"
      ><path class="cy-man" :d="scene.man.body" :stroke-width="scene.thick * 0.8" /><circle
        class="cy-head"
        :cx="scene.man.head[0]"
        :cy="scene.man.head[1]"
        :r="scene.man.head[2]"
    /></g>
    <path class="el-ground" :d="scene.ground" fill="none" />
  </g>
</template>

<style scoped>
.cy-tyre { fill: none; stroke: var(--tyre); } .cy-rim { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.25; }
.cy-arm { stroke: var(--ink); fill: none; stroke-linecap: round; } .cy-fill { stroke: var(--sheet); fill: none; stroke-linecap: round; } .cy-slide { stroke: var(--tyre); stroke-linecap: round; fill: none; }
.cy-line { fill: none; stroke: var(--ink); stroke-width: 1.25; stroke-linejoin: round; } .cy-bar { fill: none; stroke: var(--ink); stroke-width: 2.5; stroke-linecap: round; }
.cy-frame { fill: none; stroke: var(--ink); stroke-width: 3; stroke-linejoin: round; stroke-linecap: round; } .cy-frame.plan { stroke: var(--plan); }
.cy-man { fill: none; stroke: var(--ink); stroke-linejoin: round; stroke-linecap: round; } .cy-head { fill: var(--ink); }
</style>
