<script setup lang="ts">
import { computed, onScopeDispose, ref, watch } from 'vue'

import { api, messageOf, type Uncertainty, type WorkingLine } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { useWorking } from '@/composables/useWorking'
import terms from '@/units/terms.json'

import MathText from './MathText.vue'

/** How a figure came about: formula, numbers put in, source; what was given last. */
const vehicle = useVehicle()
const working = useWorking()
const units = useUnits()
const lines = ref<WorkingLine[]>([])
const trouble = ref('')
let asked = 0

const about = () => ({
  document: working.at.value.document ?? vehicle.document.value!,
  setup: working.at.value.setup ?? vehicle.setup.value!.id,
  load_state: working.at.value.load ?? null,
})
watch(
  [working.path, working.at, vehicle.report, units.system],
  async ([path]) => {
    if (!path || !vehicle.document.value || !vehicle.setup.value) return
    const mine = ++asked
    const { data, error } = await api
      .POST('/api/working', { body: { ...about(), path, system: units.system.value } })
      .catch((e: unknown) => ({ data: undefined, error: e }))
    if (mine !== asked) return
    lines.value = data?.lines ?? []
    trouble.value = data ? '' : messageOf(error)
  },
  { immediate: true },
)

// how sure it is: asked a moment later, off the path of dragging
const sure = ref<Uncertainty | null>(null)
let wait: ReturnType<typeof setTimeout> | undefined
watch(
  [working.path, working.at, vehicle.report],
  ([path]) => {
    sure.value = null
    clearTimeout(wait)
    if (!path) return
    wait = setTimeout(async () => {
      if (!vehicle.document.value || !vehicle.setup.value) return
      const { data } = await api
        .POST('/api/uncertainty', { body: { ...about(), path } })
        .catch(() => ({ data: undefined }))
      if (working.path.value === path) sure.value = data?.found ?? null
    }, 250)
  },
  { immediate: true },
)
onScopeDispose(() => clearTimeout(wait))
const shown = (v: number, unit: string): string =>
  units.show(v, unit, {
    unit: true,
    ...(unit === 'm' ? { kind: 'fine length' as const } : {}),
    decimals: unit === '' ? 3 : unit === 'm' || unit === 'kg' ? 1 : undefined,
  })

const steps = computed(() => lines.value.filter((l) => !l.given).reverse())
const given = computed(() => lines.value.filter((l) => l.given))
const value = (l: WorkingLine): string => {
  if (l.unit === 'turn') return `${l.value.toFixed(2)} turns`
  const kind = l.unit === 'm' ? ('fine length' as const) : undefined
  return units.show(l.value, l.unit, {
    unit: true,
    ...(kind ? { kind } : {}),
    ...(l.unit === '' ? { decimals: 3 } : {}),
  })
}
const meaning = (name: string): string => (terms as Record<string, { meaning: string }>)[name]?.meaning ?? ''
</script>

<template>
  <v-navigation-drawer
    :model-value="!!working.path.value"
    location="right"
    temporary
    width="500"
    :scrim="false"
    aria-label="Working"
    @update:model-value="(open: boolean) => open || working.close()">
    <section class="drawer" aria-live="polite">
      <header>
        <h2>{{ working.title.value }}</h2>
        <button class="act" @click="working.close()">Close</button>
      </header>
      <p v-if="trouble" class="grade-stop">{{ trouble }}</p>
      <p v-else-if="!lines.length" class="quiet">Read directly; there is nothing to work out.</p>
      <div v-if="sure && sure.shares?.length" class="sure">
        <p class="eq">
          <b>{{ shown(sure.value, sure.unit) }} ± {{ shown(sure.standard, sure.unit) }}</b>
          <span class="quiet">standard uncertainty</span>
        </p>
        <p class="small quiet">What moves it most; the first is the one to take again.</p>
        <div v-for="s in sure.shares.slice(0, 5)" :key="s.document_path" class="share">
          <span
            >{{ s.label }} <i>± {{ shown(s.tolerance, s.unit) }}</i></span
          ><span class="bar"><i :style="{ width: `${Math.max(2, (s.share ?? 0) * 100)}%` }"></i></span
          ><b>{{ Math.round((s.share ?? 0) * 100) }} %</b>
        </div>
      </div>
      <ol>
        <li v-for="(l, i) in steps" :key="i">
          <template v-if="l.solved"
            ><p class="eq">
              <b><MathText :text="l.symbol" /></b> from {{ l.formula }}
            </p>
            <p class="put small">with {{ l.substituted }}</p></template
          >
          <template v-else
            ><p class="eq">
              <b><MathText :text="l.symbol" /></b> = <MathText :text="l.formula" />
            </p>
            <p v-if="l.substituted" class="eq put">= <MathText :text="l.substituted" /></p
          ></template>
          <p class="eq res">= {{ l.assumed ? '~' : '' }}{{ value(l) }}</p>
          <p class="src">
            <template v-if="l.meaning">{{ l.meaning }} </template><span class="from">{{ l.source }}</span>
          </p>
        </li>
      </ol>
      <template v-if="given.length">
        <h3>Put in</h3>
        <dl>
          <template v-for="(l, i) in given" :key="i">
            <dt :title="meaning(l.name)">{{ l.symbol }}</dt>
            <dd>
              {{ l.assumed ? '~' : '' }}{{ value(l) }}<span class="from">{{ l.source }}</span>
            </dd>
          </template>
        </dl>
        <p v-if="given.some((l) => l.assumed)" class="small quiet">
          ~ marks what was estimated or assumed; it is carried to every figure that rests on it.
        </p>
      </template>
    </section>
  </v-navigation-drawer>
</template>

<style scoped>
.drawer { padding: 14px 24px 32px; }
header { display: flex; align-items: center; justify-content: space-between; gap: 12px; padding-bottom: 10px; border-bottom: 1.5px solid var(--ink); }
h2::first-letter { text-transform: uppercase; }
ol { list-style: none; padding: 0; margin: 0 0 14px; }
li { padding: 10px 0; border-bottom: 1px solid var(--rule); }
.eq { font-size: var(--t-3); line-height: 1.35; overflow-wrap: anywhere; }
.put { color: var(--ink-2); }
.eq.res { font-weight: 600; }
.src { font-size: var(--t-1); color: var(--ink-2); padding-top: 3px; }
.from { display: block; color: var(--ink-3); font-size: var(--t-1); }
.sure { padding: 10px 0; border-bottom: 1.5px solid var(--ink); }
.share { display: grid; grid-template-columns: 1fr 84px 44px; gap: 10px; align-items: center; padding: 3px 0; }
.share i { font-style: normal; color: var(--ink-2); font-size: var(--t-1); }
.share b { text-align: right; font-weight: 500; }
.bar { height: 8px; border: 1px solid var(--edge); } .bar i { display: block; height: 100%; background: var(--ink); }
dl { display: grid; grid-template-columns: 1fr auto; margin: 6px 0 10px; }
dt, dd { margin: 0; padding: 6px 0; border-bottom: 1px solid var(--rule); }
dt { padding-right: 12px; }
dd { text-align: right; font-weight: 500; }
</style>
