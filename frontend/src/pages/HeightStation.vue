<script setup lang="ts">
import { computed } from 'vue'

import { coilOf, type EndName, type Place, PLACES, placeWords, type SideSetup } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import FindingList from '@/components/FindingList.vue'
import QuantityField from '@/components/QuantityField.vue'
import WaitsFor from '@/components/WaitsFor.vue'
import { useHeights } from '@/composables/useHeights'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import CollarDrawing from '@/height/CollarDrawing.vue'
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
  <FindingList :findings="findings" />
  <p v-if="vehicle.isFound.value" class="say">
    <b class="grade-look">Look</b> As found is what was measured. Take the plan in the heading to ask for heights.
  </p>
  <p v-if="waiting.length" class="say"><WaitsFor :waits="waiting" /></p>
  <template v-for="e in ENDS" :key="e"><IndexBench v-if="onBar(e)" :end="e" /></template>
  <div class="four">
    <section
      v-for="p in coils"
      :id="`height-${p}`"
      :key="p"
      class="corner"
      :class="p.endsWith('right') ? 'right' : 'left'"
      :aria-label="placeWords(p)">
      <CollarDrawing :corner="corner(p)" :side="side(p)" :fact="vehicle.setup.value?.stage !== 'plan'" />
      <div class="facts">
        <h3 aria-level="2">{{ placeWords(p) }}</h3>
        <div class="pair">
          <QuantityField
            label="hub to arch"
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
          <QuantityField
            label="collar"
            strong
            of="SideSetup.collar"
            kind="fine length"
            :clearable="false"
            :computed-value="side(p).set_by !== 'collar'"
            :readonly="vehicle.isFound.value || !seatKnown(p)"
            :model-value="corner(p)?.collar?.value"
            @update:model-value="(v) => v !== null && heights.askCollar(p, v)" />
        </div>
        <dl>
          <dt>collar, turns up</dt>
          <dd>
            <AskFigure
              :figure="corner(p)?.collar_turns"
              :path="`corners.${p}.collar_turns`"
              :title="`turns, ${placeWords(p)}`"
              :options="{ decimals: 1 }" />
          </dd>
          <template v-if="corner(p)?.collar_rule"
            ><dt>by rule</dt>
            <dd>
              <AskFigure
                :figure="corner(p)!.collar_rule"
                :path="`corners.${p}.collar_rule`"
                :title="`collar by rule, ${placeWords(p)}`"
                :options="{ unit: true, kind: 'fine length' }" /></dd
          ></template>
          <dt>body</dt>
          <dd>
            <AskFigure
              :figure="corner(p)?.drop && { ...corner(p)!.drop!, value: -corner(p)!.drop!.value }"
              :path="`corners.${p}.drop`"
              :title="`body drop, ${placeWords(p)}`"
              :options="{ unit: true, signed: true }" />
          </dd>
          <dt>spring at ride</dt>
          <dd>
            <AskFigure
              :figure="corner(p)?.spring_length"
              :path="`corners.${p}.spring_length`"
              :title="`spring length, ${placeWords(p)}`"
              :options="{ unit: true, kind: 'fine length' }" />
          </dd>
          <dt>held at droop</dt>
          <dd>
            <AskFigure
              :figure="corner(p)?.held_at_droop"
              :path="`corners.${p}.held_at_droop`"
              :title="`held at droop, ${placeWords(p)}`"
              :options="{ unit: true, kind: 'fine length' }" />
          </dd>
          <template v-if="corner(p)?.reach_low && corner(p)?.reach_high"
            ><dt>
              kit reaches<small v-if="corner(p)!.hub_to_arch?.was != null"
                >drops {{ units.show(corner(p)!.hub_to_arch!.was! - corner(p)!.reach_high!.value, 'm') }} to
                {{ units.show(corner(p)!.hub_to_arch!.was! - corner(p)!.reach_low!.value, 'm', { unit: true }) }}</small
              >
            </dt>
            <dd>
              <AskFigure
                :figure="corner(p)!.reach_low"
                :path="`corners.${p}.reach_low`"
                :title="`lowest height of the kit, ${placeWords(p)}`" />
              to
              <AskFigure
                :figure="corner(p)!.reach_high"
                :path="`corners.${p}.reach_high`"
                :title="`highest height of the kit, ${placeWords(p)}`"
                :options="{ unit: true }" /></dd
          ></template>
          <template v-if="corner(p)?.body_change"
            ><dt>then the damper body, to hold the spring at droop</dt>
            <dd>
              <AskFigure
                :figure="corner(p)!.body_change"
                :path="`corners.${p}.body_change`"
                :title="`change of the body length, ${placeWords(p)}`"
                :options="{ unit: true, signed: true, kind: 'fine length' }" />
              <button
                v-if="!vehicle.isFound.value && Math.abs(corner(p)!.body_change!.value) > 5e-5"
                class="link taking"
                :aria-label="`take it: that length of the damper body, ${placeWords(p)}`"
                @click="takeBody(p)">
                take it
              </button>
            </dd></template
          >
          <dt>scale would show</dt>
          <dd>
            <AskFigure
              :figure="corner(p)?.mass"
              :path="`corners.${p}.mass`"
              :title="`weight, ${placeWords(p)}`"
              :options="{ unit: true, decimals: 0 }" />
          </dd>
        </dl>
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
      :options="{ decimals: 1 }" />. Heights, loads and collars come from the balance of the whole vehicle.
  </p>
  <p v-if="!vehicle.isFound.value" id="fitted" class="quiet mt-3">
    Once it stands: <router-link class="link" :to="`/vehicle/${vehicle.id}/settle`">set down</router-link>, what to
    turn, and what could explain it.
  </p>
  <HeightSettings />
</template>

<style scoped>
.taking { margin-left: 10px; }
.four { display: grid; grid-template-columns: 1fr 1fr; border-top: 1.5px solid var(--ink); }
.corner { display: grid; grid-template-columns: 92px minmax(0, 1fr); gap: 12px; padding: 10px 0; border-bottom: 1px solid var(--rule); }
.corner.right { padding-left: 18px; border-left: 1px solid var(--rule); } .corner.left { padding-right: 18px; }
@media (max-width: 620px) { .four { grid-template-columns: minmax(0, 1fr); } .corner.right { padding-left: 0; border-left: 0; } .corner.left { padding-right: 0; } }
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 10px; }
dl { display: grid; grid-template-columns: 1fr auto; margin: 6px 0 0; align-items: baseline; }
dt { color: var(--ink-2); } dt small { display: block; font-size: var(--t-1); line-height: 1.1; } dd { margin: 0; text-align: right; font-weight: 500; }
.say { margin: 8px 0; font-size: var(--t-3); }
</style>
