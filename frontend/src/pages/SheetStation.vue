<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from 'vue'

import { useNotices } from '@/composables/useNotices'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** The page itself, as it will print. */
const vehicle = useVehicle()
const units = useUnits()
const notices = useNotices()
const frame = ref<HTMLIFrameElement | null>(null)
const html = ref('')
const trouble = ref('')
const busy = ref(false)
let asked = 0
const body = computed(() =>
  JSON.stringify({
    document: vehicle.document.value,
    setup: vehicle.setup.value?.id,
    system: units.system.value,
    vehicle_id: vehicle.id,
  }),
)
async function send(path: string): Promise<Response | null> {
  const response = await fetch(path, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: body.value,
  }).catch(() => null)
  if (response?.ok) return response
  const answer = response
    ? ((await response.json().catch(() => null)) as { error?: { message?: string } } | null)
    : null
  trouble.value = answer?.error?.message ?? 'Feder does not answer. Is it still running?'
  return null
}
watch(
  body,
  async () => {
    const mine = ++asked
    const response = await send('/api/sheet')
    if (!response || mine !== asked) return
    html.value = await response.text()
    trouble.value = ''
  },
  { immediate: true },
)
async function save(response: Response, otherwise: string): Promise<void> {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(await response.blob())
  link.download = /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? otherwise
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 30000)
}
/** Its figures as a file: for a spreadsheet in the units shown, or as plain data in SI. */
async function plain(kind: 'csv' | 'json'): Promise<void> {
  const response = await send(`/api/sheet/${kind}`)
  if (response) await save(response, `setup-sheet.${kind}`)
}
async function pdf(): Promise<void> {
  busy.value = true
  const response = await send('/api/sheet/pdf')
  busy.value = false
  if (!response) return
  await save(response, 'setup-sheet.pdf')
  notices.say('The sheet was issued and kept with the vehicle')
  asked++
  const fresh = await send('/api/sheet')
  if (fresh) html.value = await fresh.text()
}
const print = (): void => frame.value?.contentWindow?.print()
const size = ref({ scale: 1 })
const height = computed(() => 1123 * Math.max(1, html.value.split('class="page"').length - 1))
const bench = ref<HTMLElement | null>(null)
const observer = new ResizeObserver(
  ([entry]) => (size.value = { scale: Math.min(1.4, entry!.contentRect.width / 794) }),
)
watch(bench, (el) => el && observer.observe(el))
onBeforeUnmount(() => observer.disconnect())
const waits = computed(() => vehicle.report.value?.stations.find((s) => s.station === 'sheet')?.waits_for ?? [])
</script>

<template>
  <div class="bench-top">
    <h1>Sheet</h1>
    <div class="end acts">
      <button class="act go" :disabled="!html" @click="print">Print</button
      ><button class="act" :disabled="busy || !html" @click="pdf">
        {{ busy ? 'Making the PDF…' : 'Download PDF' }}</button
      ><button class="act" :disabled="!html" aria-label="CSV of the figures" @click="plain('csv')">CSV</button
      ><button class="act" :disabled="!html" aria-label="JSON of the figures" @click="plain('json')">JSON</button>
    </div>
  </div>
  <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
  <p v-if="waits.length" class="waits">Still open: {{ waits.join('; ') }}. The sheet shows a dash there.</p>
  <div ref="bench" class="paper" :style="{ height: `${height * size.scale}px` }">
    <iframe
      v-if="html"
      ref="frame"
      title="Setup sheet"
      :srcdoc="html"
      :style="{ transform: `scale(${size.scale})`, height: `${height}px` }"></iframe>
    <p v-else-if="!trouble" class="quiet" role="status">Laying out the sheet…</p>
  </div>
</template>

<style scoped>
.acts { display: flex; flex-wrap: wrap; gap: 10px; }
.waits { margin: 4px 0 8px; color: var(--look); }
.paper { margin-top: 8px; overflow: hidden; }
iframe { width: 794px; border: 1px solid var(--edge); background: #fff; transform-origin: 0 0; }
</style>
