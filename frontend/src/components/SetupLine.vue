<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'

import type { Setup } from '@/api/client'
import { useSteady } from '@/composables/useSteady'
import { useVehicle } from '@/composables/useVehicle'
import { layoutSetups, LINE_WIDTH, type SetupNode } from '@/logic/setupLine'

/** The line of setups: as found, plan, fitted, settled; branches as small forks above it. */
const vehicle = useVehicle()
const box = ref<HTMLElement | null>(null)
// as wide as there is room for, so that no name is scaled
const { width: room } = useElementSize(box)
const width = computed(() => Math.min(LINE_WIDTH, Math.max(230, (Math.round(room.value) || 500) - 48)))
const line = useSteady(() =>
  layoutSetups(vehicle.document.value?.setups ?? [], vehicle.setup.value?.id ?? '', width.value),
)
/** Its name; where it is cut, what is seen of it as well, so that a voice can call it. */
const called = (n: SetupNode): string => (n.words === n.name ? n.name : `${n.name}: ${n.words}`)
const current = computed(() => vehicle.setup.value)

function open(node: SetupNode): void {
  if (node.id) return vehicle.selectSetup(node.id)
  if (current.value) add(current.value, node.stage, node.stage)
}
function add(from: Setup, stage: Setup['stage'], name: string): void {
  const setups = vehicle.document.value!.setups
  const base = stage.replaceAll(' ', '-')
  let id = base
  for (let n = 2; setups.some((s) => s.id === id); n++) id = `${base}-${n}`
  // what was set by height on paper is a fact once fitted; it is carried over and corrected by measuring
  vehicle.edit(`new setup, ${name}`, [
    { path: ['setups', setups.length], value: { ...from, id, name, stage, parent: from.id } },
  ])
  vehicle.selectSetup(id)
}
function branch(): void {
  if (!current.value) return
  const from =
    current.value.stage === 'as found'
      ? current.value
      : (vehicle.document.value!.setups.find((s) => s.id === current.value!.parent) ?? current.value)
  const copy = { ...current.value, parent: from.id }
  add({ ...copy, id: from.id } as Setup, 'plan', `${current.value.name} 2`.slice(0, 80))
}
const renaming = ref(false)
const newName = ref('')
function rename(): void {
  newName.value = current.value?.name ?? ''
  renaming.value = true
}
function renamed(): void {
  const name = newName.value.trim()
  if (!name) return
  vehicle.edit('name of the setup', [{ path: ['setups', vehicle.setupIndex.value, 'name'], value: name.slice(0, 80) }])
  renaming.value = false
}
const removable = computed(
  () =>
    !!current.value &&
    vehicle.setupIndex.value > 0 &&
    !vehicle.document.value!.setups.some((s) => s.parent === current.value!.id),
)
function remove(): void {
  const setups = vehicle.document.value!.setups
  const gone = current.value!
  const rest = setups.filter((s) => s.id !== gone.id)
  vehicle.selectSetup(rest.at(-1)!.id)
  vehicle.edit(`delete setup ${gone.name}`, [{ path: ['setups'], value: rest }])
}
</script>

<template>
  <div ref="box" class="line">
    <svg :width="width" height="60" :viewBox="`0 0 ${width} 60`" role="group" aria-label="Setups">
      <path v-for="(l, i) in line.links" :key="i" :class="l.done ? 'h-real' : 'h-todo'" :d="l.d" />
      <g
        v-for="n in line.nodes"
        :key="n.key"
        class="node"
        role="button"
        tabindex="0"
        :aria-label="n.id ? `Setup ${called(n)}` : `Make the setup ${called(n)} from this one`"
        :aria-pressed="n.here"
        @click="open(n)"
        @keydown.enter="open(n)"
        @keydown.space.prevent="open(n)">
        <rect :x="n.x - 36" :y="n.up ? 0 : n.y - 16" width="72" :height="n.up ? 24 : 46" fill="transparent" />
        <path v-if="n.here" :class="['h-here', { fact: n.stage !== 'plan' }]" :d="`M${n.x} ${n.y - 8}l8 8-8 8-8-8z`" />
        <circle v-else-if="n.id" class="h-ring" :cx="n.x" :cy="n.y" r="5" />
        <path v-else class="h-cross" :d="`M${n.x - 5} ${n.y}h10M${n.x} ${n.y - 5}v10`" />
        <text
          :class="['h-w', { 'h-cur': n.here, fact: n.stage !== 'plan', 'h-none': !n.id }]"
          :x="n.up ? n.x + 11 : n.x"
          :y="n.up ? n.y + 5 : n.y + 22"
          :text-anchor="n.up ? 'start' : 'middle'">
          {{ n.words }}
        </text>
      </g>
    </svg>
    <v-menu>
      <template #activator="{ props: menu }"
        ><button v-bind="menu" class="tool" aria-label="More for this setup">
          <svg class="ic" width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
            <path d="M4 10h.01M10 10h.01M16 10h.01" stroke-width="3" />
          </svg></button
      ></template>
      <v-list>
        <v-list-item title="Compare with another setup" :to="`/vehicle/${vehicle.id}/compare`" />
        <v-list-item title="Branch: try another way" @click="branch" />
        <v-list-item title="Rename this setup" @click="rename" />
        <v-list-item title="Delete this setup" :disabled="!removable" @click="remove" />
      </v-list>
    </v-menu>
    <v-dialog v-model="renaming" aria-label="Rename the setup" max-width="440">
      <v-card class="pa-6">
        <form @submit.prevent="renamed">
          <label for="setup-name"><h2>Name of this setup</h2></label>
          <input id="setup-name" v-model="newName" class="name" maxlength="80" autocomplete="off" autofocus />
          <div class="acts">
            <button class="act go" type="submit" :disabled="!newName.trim()">Keep it</button
            ><button class="act" type="button" @click="renaming = false">Close</button>
          </div>
        </form>
      </v-card>
    </v-dialog>
  </div>
</template>

<style scoped>
.line { display: flex; align-items: center; flex: 1 1 300px; min-width: 0; max-width: 500px; }
.h-real { stroke: var(--ink); stroke-width: 1.5; fill: none; }
.h-todo { stroke: var(--edge); stroke-width: 1; stroke-dasharray: 2 4; fill: none; }
.h-ring { fill: var(--vellum); stroke: var(--ink); stroke-width: 1.5; }
.h-here { fill: var(--plan); }
.h-here.fact { fill: var(--ink); }
.h-cross { stroke: var(--ink-2); stroke-width: 1.25; }
svg .h-w { font-size: var(--t-2); fill: var(--ink); }
svg .h-cur { font-weight: 600; fill: var(--plan); }
svg .h-cur.fact { fill: var(--ink); }
svg .h-none { fill: var(--ink-3); }
.node { cursor: pointer; }
.name { font: inherit; font-size: var(--t-4); height: 44px; width: 100%; margin-top: 10px; border: 0; border-bottom: 3px solid var(--ink); background: var(--sheet); color: var(--ink); padding: 0 8px; outline: 0; }
.acts { display: flex; gap: 10px; margin-top: 16px; }
.tool { width: 44px; height: 44px; display: grid; place-items: center; }
@media (max-width: 900px) { svg .h-w { font-size: var(--t-1); } }
</style>
