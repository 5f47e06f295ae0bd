<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'

import { api, messageOf, type NewVehicle, type Outline, type StoredVehicle, type VehicleSummary } from '@/api/client'
import PageHead from '@/components/PageHead.vue'
import { useNotices } from '@/composables/useNotices'
import { type Draft, drop, waiting } from '@/composables/vehicle/drafts'
import SideView from '@/stance/SideView.vue'

/** The garage: each vehicle as its drawn outline, with what it waits for. */
const router = useRouter()
const notices = useNotices()
const vehicles = ref<VehicleSummary[] | null>(null)
const trouble = ref('')
const making = ref(false)
const file = ref<HTMLInputElement | null>(null)
const form = reactive<NewVehicle>({ name: '', body: 'hatchback', front: 'strut', rear: 'divorced' })
const bodies = ref<Outline[]>([])
const twoWheels = computed(() => ['motorcycle', 'bicycle'].includes(form.body ?? ''))
const LAYOUTS_OF_TWO = {
  front: [{ value: 'fork', title: 'telescopic fork' }],
  rear: [
    { value: 'linkage', title: 'one shock, on a linkage or arm' },
    { value: 'twin shock', title: 'two shocks' },
  ],
}
const layouts = (end: 'front' | 'rear') => (twoWheels.value ? LAYOUTS_OF_TWO[end] : LAYOUTS)
function choose(body: string): void {
  const was = twoWheels.value
  form.body = body as NewVehicle['body']
  if (twoWheels.value !== was)
    Object.assign(form, twoWheels.value ? { front: 'fork', rear: 'linkage' } : { front: 'strut', rear: 'divorced' })
}
const LAYOUTS = [
  { value: 'strut', title: 'strut, spring on it' },
  { value: 'wishbone', title: 'wishbones, coilover' },
  { value: 'divorced', title: 'spring and damper apart' },
  { value: 'torsion arm', title: 'arm on a torsion bar' },
  { value: 'live axle', title: 'live axle' },
]
async function load(): Promise<void> {
  const { data, error } = await api.GET('/api/vehicles').catch((e: unknown) => ({ data: undefined, error: e }))
  if (data) vehicles.value = data.vehicles
  trouble.value = data ? '' : messageOf(error)
  bodies.value = (await api.GET('/api/vehicles/bodies').catch(() => ({ data: undefined }))).data?.bodies ?? []
}
const unsaved = ref<Draft[]>([])
const draftsOf = (id: string): Draft[] => unsaved.value.filter((d) => d.vehicle === id)
const orphans = computed(() => unsaved.value.filter((d) => !vehicles.value?.some((v) => v.id === d.vehicle)))
async function throwAway(draft: Draft): Promise<void> {
  await drop(draft)
  unsaved.value = await waiting()
  notices.say(`Unsaved work on ${draft.name} was thrown away`)
}
/** What was typed becomes a vehicle of its own; only then is it forgotten here. */
async function keepDraft(draft: Draft): Promise<void> {
  const name = `${draft.name} (unsaved)`.slice(0, 80)
  const body = { ...draft.document, vehicle: { ...draft.document.vehicle, name } }
  const { data, error } = await api
    .POST('/api/vehicles/import', { body: body as never, bodySerializer: (b: unknown) => JSON.stringify(b) } as never)
    .catch((e: unknown) => ({ data: undefined, error: e }))
  if (!data) return void (trouble.value = messageOf(error))
  await drop(draft)
  unsaved.value = await waiting()
  await load()
}
onMounted(() => {
  void waiting().then((found) => (unsaved.value = found))
  document.title = 'Garage · Feder'
  void load()
})
const open = (id: string, station = 'springs'): void => void router.push(`/vehicle/${id}/${station}`)
async function make(): Promise<void> {
  if (!form.name.trim()) return
  const { data, error } = await api
    .POST('/api/vehicles', { body: { ...form, name: form.name.trim() } })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  if (data) open(data.id, 'brief')
  else trouble.value = messageOf(error)
}
async function copy(v: VehicleSummary): Promise<void> {
  const { data, error } = await api
    .POST('/api/vehicles/{vehicle_id}/copy', { params: { path: { vehicle_id: v.id } } })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  if (!data) trouble.value = messageOf(error)
  await load()
}
async function remove(v: VehicleSummary): Promise<void> {
  const { error } = await api
    .DELETE('/api/vehicles/{vehicle_id}', { params: { path: { vehicle_id: v.id } } })
    .catch((e: unknown) => ({ error: e }))
  if (error) return void (trouble.value = messageOf(error))
  await load()
  notices.say(`${v.name} was deleted`, async () => {
    await api.POST('/api/vehicles/{vehicle_id}/restore', { params: { path: { vehicle_id: v.id } } })
    await load()
  })
}
async function importFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  const response = await fetch('/api/vehicles/import', { method: 'POST', body: chosen }).catch(() => null)
  if (response?.ok) return open(((await response.json()) as StoredVehicle).id)
  trouble.value = messageOf(response ? await response.json().catch(() => undefined) : undefined)
}
const when = (text: string): string =>
  new Date(`${text}Z`).toLocaleDateString(undefined, { day: 'numeric', month: 'long', year: 'numeric' })
</script>

<template>
  <div class="page">
    <PageHead here="garage" />
    <main>
      <div class="top">
        <h1>Garage</h1>
        <div class="acts">
          <button class="act go" @click="making = true">New vehicle</button
          ><button class="act" @click="file?.click()">Import a file</button
          ><input
            ref="file"
            type="file"
            accept=".json,.zip,application/json,application/zip"
            class="seen-not"
            aria-label="Vehicle file"
            @change="importFile" />
        </div>
      </div>
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
      <p v-if="vehicles === null && !trouble" class="quiet" role="status">Opening the garage…</p>
      <section v-if="vehicles?.length === 0" class="none">
        <h2>The garage is empty</h2>
        <p>
          Make a vehicle: a name, a body, how its springs stand. Then weigh it, measure its heights, and choose springs
          that exist.
        </p>
        <button class="act go" @click="making = true">New vehicle</button>
      </section>
      <ul v-else-if="vehicles" class="list">
        <li v-for="v in vehicles" :key="v.id" :class="{ shut: v.trouble }">
          <button class="open" @click="open(v.id)">
            <svg viewBox="0 0 330 130" aria-hidden="true">
              <SideView v-if="v.shown" :outline="v.shown.outline" :width="330" :height="128" />
            </svg>
            <span class="name"
              ><span class="seen-not">Open {{ ' ' }}</span
              ><b>{{ v.name }}</b
              ><span class="quiet">{{ v.shown?.description || 'nothing said of it yet' }}</span></span
            >
            <span v-if="v.trouble" class="wait"><b class="grade-stop">Stop</b> {{ v.trouble }}</span>
            <span v-else-if="v.shown" class="wait"
              ><template v-if="v.shown.waits_for"
                >waits for <b>{{ v.shown.waits_for }}</b></template
              ><template v-else>{{ v.shown.setup }} is complete</template></span
            >
          </button>
          <div class="foot">
            <span class="small quiet">{{ when(v.updated) }}</span><router-link
              v-if="['motorcycle', 'bicycle'].includes(v.shown?.outline.body ?? '')"
              class="link"
              :to="`/vehicle/${v.id}/walk`"
              >sag walk</router-link
            ><button v-if="v.shown" class="link" @click="copy(v)">copy</button
            ><a class="link" :href="`/api/vehicles/${v.id}/file`">{{ v.shown ? 'export' : 'as text' }}</a
            ><a
              v-if="v.shown"
              class="link"
              :href="`/api/vehicles/${v.id}/archive`"
              :aria-label="`with pictures: export ${v.name} with its job cards`"
              >with pictures</a
            ><button class="link" @click="remove(v)">delete</button>
          </div>
          <p v-for="d in draftsOf(v.id)" :key="d.tab" class="draft">
            Unsaved, typed {{ when(new Date(d.at).toISOString().slice(0, -1)) }}:
            <button class="link" @click="keepDraft(d)">keep it as a copy</button
            ><button class="link" @click="throwAway(d)">throw it away</button>
          </p>
        </li>
      </ul>
      <p v-for="d in orphans" :key="d.vehicle + d.tab" class="draft">
        Unsaved work on <b>{{ d.name }}</b>, which is not in the garage any more:
        <button class="link" @click="keepDraft(d)">keep it as a vehicle</button
        ><button class="link" @click="throwAway(d)">throw it away</button>
      </p>
    </main>
    <v-dialog v-model="making" aria-label="A new vehicle" max-width="720">
      <v-card class="pa-6">
        <form @submit.prevent="make">
          <h2>New vehicle</h2>
          <label class="lab" for="n-name">its name</label
          ><input id="n-name" v-model="form.name" class="line" maxlength="80" autocomplete="off" autofocus />
          <p class="lab">kind</p>
          <div class="bodies" role="radiogroup" aria-label="Kind">
            <button
              v-for="b in bodies"
              :key="b.body"
              type="button"
              role="radio"
              :aria-checked="form.body === b.body"
              @click="choose(b.body)">
              <svg viewBox="0 0 126 62" aria-hidden="true">
                <SideView :outline="{ ...b, own: true }" :width="126" :height="61" /></svg
              >{{ b.body }}
            </button>
          </div>
          <div class="pair">
            <v-select v-model="form.front" label="front springs" :items="layouts('front')" /><v-select
              v-model="form.rear"
              label="rear springs"
              :items="layouts('rear')" />
          </div>
          <div class="acts mt-5">
            <button class="act go" type="submit" :disabled="!form.name.trim()">Make it</button
            ><button class="act" type="button" @click="making = false">Close</button>
          </div>
        </form>
      </v-card>
    </v-dialog>
  </div>
</template>

<style scoped>
.draft { font-size: var(--t-3); padding: 4px 8px; background: var(--vellum); } .draft .link { margin-left: 10px; min-height: 44px; } .shut svg { opacity: 0; }
.top { display: flex; justify-content: space-between; align-items: center; flex-wrap: wrap; gap: 12px; border-bottom: 1.5px solid var(--ink); padding-bottom: 12px; }
.acts { display: flex; gap: 10px; }
.bad { border-left: 4px solid var(--stop); background: var(--stop-tint); padding: 8px 12px; margin-top: 12px; }
.none { max-width: 60ch; display: grid; gap: 14px; justify-items: start; padding: 48px 0; font-size: var(--t-3); }
.list { list-style: none; padding: 0; margin: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(340px, 1fr)); gap: 0 36px; }
.list li { border-bottom: 1px solid var(--rule); padding: 18px 0 6px; }
.open { display: grid; gap: 8px; width: 100%; }
.open:hover .name b { text-decoration: underline; text-underline-offset: 4px; }
.name { display: grid; line-height: 1.2; } .name b { font-size: 1.5rem; font-weight: 600; }
.wait b { font-weight: 600; }
.foot { display: flex; flex-wrap: wrap; gap: 0 20px; align-items: center; } .foot .small { margin-right: auto; }
.lab { display: block; font-size: var(--t-1); color: var(--ink-2); margin-top: 14px; }
.line { font: inherit; font-size: var(--t-4); height: 44px; width: 100%; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 8px; outline: 0; } .line:focus { border-bottom: 3px solid var(--ink); }
.bodies { display: grid; grid-template-columns: repeat(4, 1fr); gap: 4px; margin: 4px 0 14px; }
.bodies button { padding: 8px 6px; text-align: center; border-bottom: 3px solid transparent; } .bodies button[aria-checked="true"] { border-color: var(--ink); background: var(--vellum); font-weight: 600; }
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 24px; }
</style>
