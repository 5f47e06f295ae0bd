<script setup lang="ts">
import { computed, ref } from 'vue'

import { type DamperPart, endOf, mirrorOf, type Place, placeWords } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import QuantityField from '@/components/QuantityField.vue'
import { useHeights } from '@/composables/useHeights'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import DamperForm from './DamperForm.vue'
import { useShelfDampers } from './useShelfDampers'

/** Which damper stands at a corner in this setup, its body's length and its top mount. */
const props = defineProps<{ place: Place }>()
const vehicle = useVehicle()
const heights = useHeights()
const units = useUnits()
const shelf = useShelfDampers()
void shelf.load()
const typing = ref(false)
const end = computed(() => endOf(props.place))
const side = computed(() => vehicle.setup.value!.sides![props.place]!)
const found = computed(() => vehicle.document.value!.setups[0]!.sides![props.place]!.damper ?? null)
const part = computed<DamperPart | null>(() => side.value.damper ?? found.value)
const corner = computed(() => vehicle.report.value?.corners[props.place])
const places = computed<Place[]>(() =>
  heights.together.value && mirrorOf(props.place) !== props.place
    ? [props.place, mirrorOf(props.place)]
    : [props.place],
)
const words = computed(() => (places.value.length === 2 ? end.value : placeWords(props.place)))
function set(what: string, member: 'damper' | 'top_mount' | 'body', value: unknown): void {
  vehicle.edit(
    `${what}, ${words.value}`,
    places.value.map((p) => ({ path: ['setups', vehicle.setupIndex.value, 'sides', p, member], value })),
  )
}
/** Another damper has another body: one that was turned is as told again. */
function fit(next: DamperPart | null): void {
  typing.value = false
  const members = { damper: next, ...(vehicle.isFound.value ? {} : { body: null }) }
  vehicle.edit(
    `damper, ${words.value}`,
    places.value.flatMap((p) =>
      Object.entries(members).map(([member, value]) => ({
        path: ['setups', vehicle.setupIndex.value, 'sides', p, member],
        value,
      })),
    ),
  )
}
const ITEMS = computed(() => [
  ...(vehicle.isFound.value
    ? [{ title: 'not told', value: 'none' }]
    : [{ title: found.value ? `as found: ${found.value.code}` : 'the one found', value: 'none' }]),
  ...(side.value.damper && !shelf.parts.value?.some((p) => p.part.code === side.value.damper!.code)
    ? [{ title: side.value.damper.code, value: 'own' }]
    : []),
  ...(shelf.parts.value ?? []).map((p) => ({ title: p.part.code, value: String(p.id) })),
  { title: 'another one, typed in…', value: 'typed' },
])
const now = computed(() => {
  if (!side.value.damper) return 'none'
  const known = shelf.parts.value?.find((p) => p.part.code === side.value.damper!.code)
  return known ? String(known.id) : 'own'
})
function pick(value: string): void {
  if (value === 'typed') typing.value = true
  else if (value === 'none') fit(null)
  else if (value !== 'own') fit(shelf.parts.value!.find((p) => String(p.id) === value)!.part)
}
const trouble = ref('')
async function typeBody(length: number | null): Promise<void> {
  if (length === null) return set('damper body', 'body', null)
  const together = places.value.length === 2
  trouble.value =
    (await vehicle.act(`damper body, ${words.value}`, { act: 'set body', place: props.place, length, together })) ?? ''
}
const mm = (v: number | null | undefined): string => (v == null ? '–' : units.show(v, 'm'))
</script>

<template>
  <section class="damper" :aria-label="`Damper, ${placeWords(place)}`">
    <v-select
      :label="vehicle.isFound.value ? 'damper as found' : 'damper in this setup'"
      :items="ITEMS"
      :model-value="now"
      density="compact"
      @update:model-value="pick" />
    <template v-if="!vehicle.isFound.value">
      <QuantityField
        v-if="part?.body != null"
        label="body, turned to"
        of="DamperPart.body"
        kind="fine length"
        :low="part.body_least ?? undefined"
        :high="part.body_most ?? undefined"
        :beyond="`It turns from ${mm(part.body_least)} to ${mm(part.body_most)}`"
        :model-value="corner?.body_length?.value"
        @update:model-value="typeBody" />
      <QuantityField
        v-else
        label="longer than as found"
        of="SideSetup.body"
        kind="fine length"
        hint="shorter: −"
        :model-value="side.body"
        @update:model-value="(v) => set('damper body', 'body', v)" />
      <QuantityField
        label="top mount thicker by"
        of="SideSetup.top_mount"
        kind="fine length"
        hint="than as found"
        :model-value="side.top_mount"
        @update:model-value="(v) => set('top mount', 'top_mount', v)" />
    </template>
    <p v-if="part" class="told">
      Extended {{ mm(part.extended) }}, shut {{ mm(part.shut)
      }}<template v-if="part.mounts">, {{ part.mounts }}</template
      ><template v-if="corner?.thread_engaged"
        >; thread engaged
        <AskFigure
          :figure="corner.thread_engaged"
          :path="`corners.${place}.thread_engaged`"
          :title="`thread engaged, ${placeWords(place)}`"
          :options="{ unit: true, kind: 'fine length' }" /><template v-if="part.least_engaged != null"
          >, {{ mm(part.least_engaged) }} wanted</template
        ></template
      >.
      <button v-if="side.damper" class="link" @click="typing = true">put its numbers right</button>
    </p>
    <p v-if="trouble" class="grade-stop told" role="alert">{{ trouble }}</p>
    <DamperForm :open="typing" :told="now === 'none' ? null : side.damper" keep @close="typing = false" @added="fit" />
  </section>
</template>

<style scoped>
.damper { display: grid; grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr); gap: 8px 20px; align-items: start; border-top: 1.5px solid var(--ink); padding: 8px 0; margin-top: 8px; }
.damper > :first-child { padding-top: 8px; } .told { grid-column: 1 / -1; margin: 0; } .told .link { margin-left: 10px; }
@media (max-width: 600px) { .damper { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); } .damper > :first-child { grid-column: 1 / -1; } }
</style>
