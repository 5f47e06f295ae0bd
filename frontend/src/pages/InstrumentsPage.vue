<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { api, type InstrumentKind, type TakenRow } from '@/api/client'
import PageHead from '@/components/PageHead.vue'
import TermWord from '@/components/TermWord.vue'
import { useUnits } from '@/composables/useUnits'
import ConnectDialog from '@/instruments/ConnectDialog.vue'
import InstrumentPicture from '@/instruments/InstrumentPicture.vue'
import InstrumentRow from '@/instruments/InstrumentRow.vue'
import { KINDS } from '@/instruments/kinds'
import { useInstruments } from '@/instruments/useInstruments'
import { lastVehicle } from '@/logic/last'

/** Instruments of the workshop: connected or simulated, with their last readings, and what was taken off them. */
const units = useUnits()
const instruments = useInstruments()
const connecting = ref<InstrumentKind | 'any' | null>(null)
const busy = ref(false)
const said = ref('')
const taken = ref<TakenRow[]>([])
const last = lastVehicle()
const rest = computed(() => KINDS.filter((k) => instruments.missing.value.includes(k.kind)))
const words = computed(() => (last ? `as ${last.name}` : 'as a made-up car'))
onMounted(() => {
  document.title = 'Instruments · Feder'
  instruments.watch()
  void log()
})
async function log(): Promise<void> {
  const { data } = await api.GET('/api/instruments/taken').catch(() => ({ data: undefined }))
  taken.value = data?.taken ?? []
}
async function simulate(kinds: InstrumentKind[]): Promise<void> {
  busy.value = true
  await instruments.simulate(kinds, last?.id ?? null)
  busy.value = false
}
watch(said, (now) => now && setTimeout(() => (said.value = ''), 8000))
const when = (text: string): string =>
  new Date(`${text}Z`).toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
const raw = (r: TakenRow): string =>
  r.raw
    .slice(0, 8)
    .map((v) => units.show(v, r.si, { decimals: r.si === 'kg' || r.si === 'm' ? 1 : undefined }))
    .join(' ') + (r.raw.length > 8 ? ` and ${r.raw.length - 8} more` : '')
</script>

<template>
  <div class="page">
    <PageHead here="instruments" />
    <main>
      <div class="top">
        <h1>Instruments</h1>
        <p class="acts">
          <button class="act" :disabled="busy || !rest.length" @click="simulate(rest.map((k) => k.kind))">
            {{
              busy ? 'Starting…' : rest.length === KINDS.length ? 'Simulate all' : 'Simulate the rest'
            }}</button><button class="act go" @click="connecting = 'any'">Connect an instrument</button>
        </p>
      </div>
      <p v-if="instruments.trouble.value" class="bad" role="alert">{{ instruments.trouble.value }}</p>
      <p v-if="said" class="said" role="status">{{ said }}</p>
      <p v-if="!instruments.loaded.value && !instruments.trouble.value" class="quiet" role="status">
        Looking for instruments…
      </p>
      <div class="two-sides">
        <ul v-if="instruments.loaded.value" class="list" aria-label="Instruments">
          <InstrumentRow
            v-for="i in instruments.list.value"
            :key="i.id"
            :instrument="i"
            :instruments="instruments"
            @kept="(w) => (said = w)" />
          <li v-for="k in rest" :key="k.kind" class="none" :aria-label="k.words">
            <InstrumentPicture :kind="k.kind" />
            <div class="nm">
              <h2>{{ k.words }}</h2>
              <p>not connected · {{ k.says }}</p>
            </div>
            <button class="act" :aria-label="`Connect ${k.words.toLowerCase()}`" @click="connecting = k.kind">
              Connect</button
            ><button
              class="link"
              :disabled="busy"
              :aria-label="`Simulate ${words}: ${k.words.toLowerCase()}`"
              @click="simulate([k.kind])">
              Simulate {{ words }}
            </button>
          </li>
        </ul>
        <section class="log">
          <div class="top two">
            <h2>Readings taken</h2>
            <a v-if="taken.length" class="link" href="/api/instruments/taken.csv" download>as CSV</a>
          </div>
          <p v-if="!taken.length" class="quiet">
            None yet. A field that a running instrument measures offers its reading while the cursor stands in it; here
            is kept what was taken, with the raw readings it is the mean of.
          </p>
          <div v-else class="table">
            <table>
              <thead>
                <tr>
                  <th><TermWord words="taken" /></th>
                  <th><TermWord words="of" /></th>
                  <th class="n"><TermWord words="value" /></th>
                  <th><TermWord words="raw readings" /></th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="r in taken.slice(0, 60)" :key="r.id">
                  <td>{{ when(r.at) }}</td>
                  <td>{{ r.about }}</td>
                  <td class="n">{{ units.show(r.value, r.si, { unit: true }) }}</td>
                  <td class="small quiet">{{ raw(r) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>
      </div>
    </main>
    <ConnectDialog
      v-if="connecting"
      :kind="connecting === 'any' ? null : connecting"
      :instruments="instruments"
      @close="connecting = null" />
  </div>
</template>

<style scoped>
.top { display: flex; flex-wrap: wrap; align-items: center; justify-content: space-between; gap: 8px 20px; border-bottom: 1.5px solid var(--ink); padding-bottom: 12px; } .acts { display: flex; flex-wrap: wrap; gap: 10px; } .list { padding: 0; margin: 0; max-width: 900px; }
.none { display: grid; grid-template-columns: 60px minmax(0, 1fr) auto auto; gap: 10px; align-items: center; min-height: 74px; border-bottom: 1px solid var(--rule); } .nm p { color: var(--ink-2); font-size: var(--t-1); }
.log { margin-top: 20px; max-width: 900px; min-width: 0; } @media (min-width: 1240px) { .two-sides { display: grid; grid-template-columns: minmax(0, 820px) minmax(0, 1fr); column-gap: 32px; align-items: start; } .log { margin-top: 10px; } } .two { padding-bottom: 0; } .table { overflow-x: auto; } table { width: 100%; border-collapse: collapse; } th { text-align: left; font-weight: 400; color: var(--ink-2); padding: 6px 12px 6px 0; } td { border-top: 1px solid var(--rule); padding: 6px 12px 6px 0; } .n { text-align: right; white-space: nowrap; }
.bad { border-left: 4px solid var(--stop); background: var(--stop-tint); padding: 8px 12px; margin-top: 12px; } .said { border-left: 4px solid var(--ink); background: var(--vellum); padding: 8px 12px; margin-top: 12px; }
@media (max-width: 600px) { .none { grid-template-columns: 48px minmax(0, 1fr); row-gap: 0; } .none .act { grid-column: 1 / 3; } .none .link { grid-column: 1 / 3; justify-self: center; } }
</style>
