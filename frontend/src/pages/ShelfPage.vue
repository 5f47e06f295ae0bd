<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, messageOf, type ShelfDamper, type ShelfPart } from '@/api/client'
import PageHead from '@/components/PageHead.vue'
import DamperForm from '@/dampers/DamperForm.vue'
import DamperTable from '@/dampers/DamperTable.vue'
import { useShelfDampers } from '@/dampers/useShelfDampers'
import SpringForm from '@/springs/SpringForm.vue'
import { useNotices } from '@/composables/useNotices'
import { useUnits } from '@/composables/useUnits'
import { vRoving } from '@/logic/roving'

/** The shelf: springs and dampers that the workshop has or can get. */
type Kind = 'springs' | 'dampers'
const kind = ref<Kind>('springs')
const dampers = useShelfDampers()
const damping = ref(false)
const damper = ref<ShelfDamper | null>(null)
function editDamper(part: ShelfDamper | null): void {
  damper.value = part
  damping.value = true
}
async function removeDamper(part: ShelfDamper): Promise<void> {
  const path = { part_id: part.id }
  await api.DELETE('/api/dampers/{part_id}', { params: { path } })
  await dampers.load()
  notices.say(`${part.part.code} is off the shelf; setups keep their copies`, async () => {
    await api.POST('/api/dampers/{part_id}/restore', { params: { path } })
    await dampers.load()
  })
}
function damperAdded(): void {
  damping.value = false
  void dampers.load()
}
const add = (): void => {
  if (kind.value === 'dampers') return editDamper(null)
  edited.value = null
  adding.value = true
}
const SOURCE = { springs: '/api/shelf', dampers: '/api/dampers' }
const notices = useNotices()
const units = useUnits()
const parts = ref<ShelfPart[] | null>(null)
const text = ref('')
const trouble = ref('')
const faults = ref<{ place: string; message: string }[]>([])
const adding = ref(false)
const edited = ref<ShelfPart | null>(null)
function edit(id: number): void {
  edited.value = parts.value?.find((p) => p.id === id) ?? null
  adding.value = true
}
const file = ref<HTMLInputElement | null>(null)
async function load(): Promise<void> {
  const { data, error } = await api.GET('/api/shelf').catch((e: unknown) => ({ data: undefined, error: e }))
  if (data) parts.value = data.parts
  else trouble.value = messageOf(error)
}
onMounted(() => {
  document.title = 'Shelf · Feder'
  void load()
  void dampers.load()
})
const headers = computed(() => [
  { title: 'spring', key: 'code' },
  { title: `rate, ${units.unit('N/m').written}`, key: 'rate', align: 'end' as const },
  { title: `free length, ${units.unit('m').written}`, key: 'free_length', align: 'end' as const },
  { title: `inside, ${units.unit('m').written}`, key: 'inside_diameter', align: 'end' as const },
  { title: `wire, ${units.unit('m').written}`, key: 'wire_diameter', align: 'end' as const },
  { title: 'active coils', key: 'active_coils', align: 'end' as const },
  { title: `solid, ${units.unit('m').written}`, key: 'solid_length', align: 'end' as const },
  { title: '', key: 'acts', sortable: false, align: 'end' as const },
])
const items = computed(() => (parts.value ?? []).map((p) => ({ ...p.part, rate: p.part.rate.value, id: p.id })))
async function remove(id: number, code: string): Promise<void> {
  await api.DELETE('/api/shelf/{part_id}', { params: { path: { part_id: id } } })
  await load()
  notices.say(`${code} is off the shelf; setups keep their copies`, async () => {
    await api.POST('/api/shelf/{part_id}/restore', { params: { path: { part_id: id } } })
    await load()
  })
}
async function importFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  const response = await fetch(`${SOURCE[kind.value]}/import`, {
    method: 'POST',
    body: await chosen.arrayBuffer(),
  }).catch(() => null)
  const body = (await response?.json().catch(() => null)) as {
    parts?: unknown[]
    replaced?: number
    error?: { message: string; faults: { place: string; message: string }[] }
  } | null
  trouble.value = response?.ok ? '' : messageOf(body)
  faults.value = response?.ok ? [] : (body?.error?.faults ?? [])
  if (response?.ok) {
    const replaced = body?.replaced ? `, ${body.replaced} of them in the place of those with the same code` : ''
    notices.say(`${body?.parts?.length} ${kind.value} put on the shelf${replaced}`)
    await (kind.value === 'springs' ? load() : dampers.load())
  }
}
function added(): void {
  adding.value = false
  void load()
}
</script>

<template>
  <div class="page">
    <PageHead here="shelf" />
    <main>
      <div class="top">
        <h1>Shelf</h1>
        <input
          v-model="text"
          class="find"
          type="search"
          :placeholder="kind === 'springs' ? 'find: 60-180, or 55' : 'find: a name, or eye to eye'"
          aria-label="Find on the shelf" />
        <div class="acts">
          <button class="act go" @click="add">{{ kind === 'springs' ? 'Add a spring' : 'Add a damper' }}</button><button
            class="act"
            @click="file?.click()">
            Import CSV</button
          ><a class="act" :href="`${SOURCE[kind]}/file`">Export CSV</a
          ><input
            ref="file"
            type="file"
            accept=".csv,text/csv"
            class="seen-not"
            aria-label="CSV file"
            @change="importFile" />
        </div>
      </div>
      <div v-if="trouble" class="bad" role="alert">
        <p>{{ trouble }}</p>
        <ul v-if="faults.length > 1">
          <li v-for="f in faults.slice(0, 20)" :key="f.place + f.message">{{ f.place }}: {{ f.message }}</li>
        </ul>
      </div>
      <div v-roving class="kinds" role="tablist" aria-label="What is on the shelf">
        <button
          v-for="k in ['springs', 'dampers'] as const"
          :key="k"
          class="tab"
          role="tab"
          :aria-selected="k === kind"
          @click="kind = k">
          {{ k === 'springs' ? 'Springs' : 'Dampers' }}
          {{ (k === 'springs' ? parts : dampers.parts.value)?.length ?? '' }}
        </button>
      </div>
      <p v-if="kind === 'dampers'" class="small quiet hint">
        A CSV file has a header row: code, extended, shut, mounts, body, body_least, body_most, engaged, least_engaged,
        rod_diameter, gas_pressure, coefficient, rebound_clicks, bump_clicks, counted_from, stop_length, stop_shaft,
        note. Only the code is needed; a length without a unit is in mm, a pressure in bar.
      </p>
      <p v-else class="small quiet hint">
        A CSV file has a header row: code, rate, free_length, inside_diameter, wire_diameter, active_coils,
        solid_length, note. Code and rate are needed; a number without a unit is in N/mm or mm.
      </p>
      <template v-if="kind === 'dampers'">
        <p v-if="dampers.trouble.value" class="bad" role="alert">{{ dampers.trouble.value }}</p>
        <DamperTable
          v-else-if="dampers.parts.value"
          :parts="dampers.parts.value"
          :text="text"
          @edit="editDamper"
          @remove="removeDamper" />
        <p v-else class="quiet" role="status">Reading the shelf…</p>
      </template>
      <v-data-table
        v-else-if="parts"
        :headers="headers"
        :items="items"
        :search="text"
        density="compact"
        :items-per-page="50"
        item-value="id"
        no-data-text="Nothing on the shelf by these letters">
        <template #[`item.code`]="{ item }"
          ><b class="strong">{{ item.code }}</b></template
        >
        <template #[`item.rate`]="{ item }">{{ units.show(item.rate, 'N/m') }}</template>
        <template #[`item.free_length`]="{ item }">{{ units.show(item.free_length, 'm') }}</template>
        <template #[`item.inside_diameter`]="{ item }">{{ units.show(item.inside_diameter, 'm') }}</template>
        <template #[`item.wire_diameter`]="{ item }">{{
          units.show(item.wire_diameter, 'm', { kind: 'fine length' })
        }}</template>
        <template #[`item.active_coils`]="{ item }">{{ item.active_coils?.toFixed(1) ?? '–' }}</template>
        <template #[`item.solid_length`]="{ item }">{{ units.show(item.solid_length, 'm') }}</template>
        <template #[`header.acts`]><span class="seen-not">edit or delete</span></template>
        <template #[`item.acts`]="{ item }"
          ><button class="link edit" :aria-label="`Edit ${item.code}`" @click="edit(item.id)">edit</button
          ><button class="link" :aria-label="`Delete ${item.code}`" @click="remove(item.id, item.code)">
            delete
          </button></template
        >
      </v-data-table>
      <p v-else-if="!trouble" class="quiet" role="status">Reading the shelf…</p>
    </main>
    <DamperForm :open="damping" :part="damper" @close="damping = false" @added="damperAdded" />
    <SpringForm :open="adding" :part="edited" @close="adding = false" @added="added" />
  </div>
</template>

<style scoped>
.top { display: flex; align-items: center; flex-wrap: wrap; gap: 12px 24px; border-bottom: 1.5px solid var(--ink); padding-bottom: 12px; }
.acts { display: flex; gap: 10px; margin-left: auto; } .acts a { text-decoration: none; }
.find { font: inherit; font-size: var(--t-3); height: 44px; width: 280px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 10px; outline: 0; } .find:focus { border-bottom: 3px solid var(--ink); }
.bad { border-left: 4px solid var(--stop); background: var(--stop-tint); padding: 8px 12px; margin-top: 12px; } .bad ul { margin: 4px 0 0; }
.kinds { display: flex; border-bottom: 1px solid var(--rule); } .tab { min-height: 44px; padding: 0 14px; border-bottom: 3px solid transparent; font-size: var(--t-3); } .tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
.edit { margin-right: 16px; }
:deep(td:first-child), :deep(td:last-child) { white-space: nowrap; }
@media (max-width: 600px) { .page, main { min-width: 0; max-width: 100vw; } .acts { flex-wrap: wrap; margin-left: 0; } .find { width: 100%; } }
@media (max-width: 900px) { :deep(td), :deep(th) { padding: 0 6px !important; } }
.hint { margin: 10px 0; }
:deep(.v-table) { background: transparent; font-size: var(--t-3); }
</style>
