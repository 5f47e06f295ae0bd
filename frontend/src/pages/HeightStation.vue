<script setup lang="ts">
import { computed } from 'vue'

import { coilOf, type CornerReport, type EndName, type Place, PLACES, placeWords, type SideSetup } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import FindingList from '@/components/FindingList.vue'
import QuantityField from '@/components/QuantityField.vue'
import WaitsFor from '@/components/WaitsFor.vue'
import { useHeights } from '@/composables/useHeights'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import HeightSettings from '@/height/HeightSettings.vue'
import IndexBench from '@/torsion/IndexBench.vue'

/** Heights asked for, collars answered, and back; seats, clicks and alignment of this setup. */
const vehicle = useVehicle()
const heights = useHeights()
const units = useUnits()
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.station === 'height'))
const corner = (p: Place) => vehicle.report.value?.corners[p]
const side = (p: Place): SideSetup => vehicle.setup.value!.sides![p]!
const takeBody = (p: Place): Promise<string | null> =>
  vehicle.act(`damper body, ${heights.together.value ? p.split('_')[0] : placeWords(p)}`, {
    act: 'take body',
    place: p,
    together: heights.together.value,
  })
const ENDS: EndName[] = ['front', 'rear']
const onBar = (e: EndName): boolean =>
  vehicle.document.value?.vehicle.ends?.[e]?.layout === 'torsion arm' &&
  !coilOf(vehicle.setup.value?.sides?.[e === 'front' ? 'front_left' : 'rear_left'])
const coils = computed(() => PLACES.filter((p) => !onBar(p.startsWith('front') ? 'front' : 'rear')))
/** What the heights wait for, where one is not known. */
const waiting = computed(() => ENDS.flatMap((e) => vehicle.report.value?.waits?.[`height ${e}`] ?? []))
const seatKnown = (p: Place): boolean => !!corner(p)?.seat_length
/** Rows that only some vehicles have. */
const any = (of: (c: CornerReport) => unknown): boolean => coils.value.some((p) => !!corner(p) && !!of(corner(p)!))
const has = computed(() => ({
  rule: any((c) => c.collar_rule),
  reach: any((c) => c.reach_low && c.reach_high),
  body: any((c) => c.body_change),
}))
const FIGURES = [
  { key: 'collar_turns', words: 'turns up', title: 'turns', options: { decimals: 1 } },
  {
    key: 'spring_length',
    words: 'spring at ride',
    title: 'spring length',
    options: { unit: true, kind: 'fine length' },
  },
  {
    key: 'held_at_droop',
    words: 'held at droop',
    title: 'held at droop',
    options: { unit: true, kind: 'fine length' },
  },
  { key: 'mass', words: 'scale would show', title: 'weight', options: { unit: true, decimals: 0 } },
] as const
const labels = computed(() => [
  vehicle.isFound.value ? 'hub to arch' : 'hub to arch wanted',
  'body',
  'collar',
  ...FIGURES.map((f) => f.words),
  ...(has.value.rule ? ['collar by rule'] : []),
  ...(has.value.reach ? ['the kit reaches'] : []),
  ...(has.value.body ? ['then the damper body'] : []),
])
const vehicleFigures = computed(() => vehicle.report.value?.vehicle)
</script>

<template>
  <div class="bench-top">
    <h1>Height</h1>
    <span class="quiet">type a height, a collar, or a change: -20 from as found</span>
    <v-checkbox
      class="end"
      label="both sides together"
      :model-value="heights.together.value"
      @update:model-value="(v) => (heights.together.value = !!v)" />
  </div>
  <FindingList :findings="findings" :stations="['height']" />
  <p v-if="vehicle.isFound.value" class="say">
    <b class="grade-look">Look</b> As found is what was measured. Take the plan in the heading to ask for heights.
  </p>
  <p v-if="waiting.length" class="say"><WaitsFor :waits="waiting" /></p>
  <template v-for="e in ENDS" :key="e"><IndexBench v-if="onBar(e)" :end="e" /></template>
  <div class="four" :style="{ '--rows': labels.length + 1 }">
    <div class="labels" aria-hidden="true">
      <span />
      <span v-for="l in labels" :key="l">{{ l }}</span>
    </div>
    <section v-for="p in coils" :id="`height-${p}`" :key="p" class="corner" :aria-label="placeWords(p)">
      <h3 aria-level="2">{{ placeWords(p) }}</h3>
      <div class="cell field">
        <span class="lab">hub to arch</span>
        <QuantityField
          label="hub to arch"
          hide-label
          strong
          of="SideSetup.hub_to_arch"
          :clearable="false"
          :computed-value="side(p).set_by === 'collar'"
          :readonly="vehicle.isFound.value"
          :model-value="
            side(p).set_by !== 'collar' && !vehicle.isFound.value
              ? (side(p).hub_to_arch ?? corner(p)?.hub_to_arch?.value)
              : corner(p)?.hub_to_arch?.value
          "
          changes
          @change="(by) => heights.askChange(p, by)"
          @update:model-value="(v) => v !== null && heights.ask(p, v)" />
      </div>
      <div class="cell">
        <span class="lab">body</span>
        <span
          ><AskFigure
            :figure="corner(p)?.drop && { ...corner(p)!.drop!, value: -corner(p)!.drop!.value }"
            :path="`corners.${p}.drop`"
            :title="`body drop, ${placeWords(p)}`"
            :options="{ signed: true }" /><small v-if="corner(p)?.hub_to_arch?.was != null" class="quiet"
            >, was {{ units.show(corner(p)!.hub_to_arch!.was!, 'm') }}</small
          ></span
        >
      </div>
      <div class="cell field">
        <span class="lab">collar</span>
        <QuantityField
          label="collar"
          hide-label
          strong
          of="SideSetup.collar"
          kind="fine length"
          :clearable="false"
          :computed-value="side(p).set_by !== 'collar'"
          :readonly="vehicle.isFound.value || !seatKnown(p)"
          :model-value="corner(p)?.collar?.value"
          @update:model-value="(v) => v !== null && heights.askCollar(p, v)" />
      </div>
      <div v-for="f in FIGURES" :key="f.key" class="cell">
        <span class="lab">{{ f.words }}</span>
        <AskFigure
          :figure="corner(p)?.[f.key]"
          :path="`corners.${p}.${f.key}`"
          :title="`${f.title}, ${placeWords(p)}`"
          :options="f.options" />
      </div>
      <div v-if="has.rule" class="cell">
        <span class="lab">by rule</span>
        <AskFigure
          :figure="corner(p)?.collar_rule"
          :path="`corners.${p}.collar_rule`"
          :title="`collar by rule, ${placeWords(p)}`"
          :options="{ unit: true, kind: 'fine length' }" />
      </div>
      <div v-if="has.reach" class="cell">
        <span class="lab">kit reaches</span>
        <span v-if="corner(p)?.reach_low && corner(p)?.reach_high">
          <AskFigure
            :figure="corner(p)!.reach_low"
            :path="`corners.${p}.reach_low`"
            :title="`lowest height of the kit, ${placeWords(p)}`" />
          to
          <AskFigure
            :figure="corner(p)!.reach_high"
            :path="`corners.${p}.reach_high`"
            :title="`highest height of the kit, ${placeWords(p)}`" /><small
            v-if="corner(p)!.hub_to_arch?.was != null"
            class="quiet below"
            >drops {{ units.show(corner(p)!.hub_to_arch!.was! - corner(p)!.reach_high!.value, 'm') }} to
            {{ units.show(corner(p)!.hub_to_arch!.was! - corner(p)!.reach_low!.value, 'm') }}</small
          ></span
        >
      </div>
      <div v-if="has.body" class="cell">
        <span class="lab">then the damper body, to hold the spring at droop</span>
        <span v-if="corner(p)?.body_change">
          <AskFigure
            :figure="corner(p)!.body_change"
            :path="`corners.${p}.body_change`"
            :title="`change of the body length, ${placeWords(p)}`"
            :options="{ signed: true, kind: 'fine length' }" />
          <button
            v-if="!vehicle.isFound.value && Math.abs(corner(p)!.body_change!.value) > 5e-5"
            class="link taking"
            :aria-label="`take it: that length of the damper body, ${placeWords(p)}`"
            @click="takeBody(p)">
            take it
          </button></span
        >
      </div>
    </section>
  </div>
  <p v-if="vehicleFigures?.cross_fraction" class="say">
    Cross weight
    <AskFigure
      :figure="vehicleFigures.cross_fraction"
      path="vehicle.cross_fraction"
      title="cross weight"
      as-percent
      :options="{ decimals: 1 }" />, front
    <AskFigure
      :figure="vehicleFigures.front_fraction"
      path="vehicle.front_fraction"
      title="front share"
      as-percent
      :options="{ decimals: 1 }" />, left
    <AskFigure
      :figure="vehicleFigures.left_fraction"
      path="vehicle.left_fraction"
      title="left share"
      as-percent
      :options="{ decimals: 1 }" />.
    <span v-if="!vehicle.isFound.value" id="fitted" class="quiet"
      >Once it stands:
      <router-link class="link" :to="`/vehicle/${vehicle.id}/settle`">set down, what to turn</router-link>.</span
    >
  </p>
  <HeightSettings />
</template>

<style scoped>
.taking { margin-left: 8px; }
.four { display: grid; grid-template-columns: 128px repeat(4, minmax(0, 1fr)); grid-template-rows: repeat(var(--rows), auto); column-gap: 10px; border-top: 1.5px solid var(--ink); padding: 6px 0; }
.corner, .labels { display: grid; grid-row: 1 / span var(--rows); grid-template-rows: subgrid; align-items: center; }
.labels { color: var(--ink-2); line-height: 1.15; } h3 { margin: 0; text-align: right; padding-right: 8px; }
.cell :deep(.fig) { align-items: center; } @media (pointer: fine) { .cell :deep(.fig) { min-height: 28px; } }
.cell { text-align: right; min-height: 24px; padding: 1px 8px 1px 0; font-weight: 500; line-height: 1.15; } .cell.field { padding: 2px 0; } .cell small { font-weight: 400; } .below { display: block; }
.lab { display: none; }
.say { margin: 4px 0; font-size: var(--t-3); }
@media (max-width: 620px) {
  .four { grid-template-columns: minmax(0, 1fr); grid-template-rows: none; } .labels { display: none; }
  .corner { grid-row: auto; grid-template-rows: none; border-bottom: 1px solid var(--rule); padding: 8px 0; } h3 { text-align: left; }
  .cell { display: grid; grid-template-columns: minmax(0, 1fr) auto; align-items: center; gap: 8px; padding: 2px 0; } .cell.field { grid-template-columns: minmax(0, 1fr) 150px; }
  .lab { display: block; text-align: left; color: var(--ink-2); font-weight: 400; }
}
</style>
