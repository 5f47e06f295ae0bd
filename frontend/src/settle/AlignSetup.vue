<script setup lang="ts">
import { computed } from 'vue'

import type { EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useVehicle } from '@/composables/useVehicle'

/** What turns toe at each end, the steering ratio, and camber and toe read at several heights. Asked once. */
const vehicle = useVehicle()
const ENDS: EndName[] = ['front', 'rear']
const about = (e: EndName) => vehicle.document.value?.vehicle.ends?.[e]
const rod = (e: EndName) => about(e)?.toe_rod ?? null
const draft = computed(() => Object.fromEntries(ENDS.map((e) => [e, rod(e)])))
function setRod(e: EndName, member: 'arm' | 'lead' | 'behind', value: number | boolean | null): void {
  const usual = { arm: e === 'front' ? 0.12 : 0.3, lead: 0.0015, behind: true }
  const made = value === null && member !== 'behind' ? null : { ...usual, ...draft.value[e], [member]: value }
  vehicle.edit(`toe rod, ${e}`, [{ path: ['vehicle', 'ends', e, 'toe_rod'], value: made }])
}
const rows = (e: EndName) => about(e)?.over_height ?? []
function setRow(e: EndName, i: number, member: 'hub_to_arch' | 'camber' | 'toe', value: number | null): void {
  const now = [...rows(e)]
  if (member === 'hub_to_arch' && value === null) now.splice(i, 1)
  else if (i < now.length) now[i] = { ...now[i]!, [member]: value }
  else if (member === 'hub_to_arch') now.push({ hub_to_arch: value!, camber: null, toe: null })
  vehicle.edit(`${member.replaceAll('_', ' ')} over height, ${e}`, [
    { path: ['vehicle', 'ends', e, 'over_height'], value: now },
  ])
}
</script>

<template>
  <details class="setup">
    <summary>What turns it, and what it does over height</summary>
    <QuantityField
      class="ratio"
      label="steering ratio, steering wheel over road wheels"
      of="Vehicle.steering_ratio"
      :decimals="1"
      :model-value="vehicle.document.value?.vehicle.steering_ratio"
      @update:model-value="
        (v) => vehicle.edit('steering ratio', [{ path: ['vehicle', 'steering_ratio'], value: v }])
      " />
    <section v-for="e in ENDS" :key="e" :aria-label="`Toe rods, ${e}`">
      <h3 aria-level="2">{{ e }}</h3>
      <div class="rods">
        <QuantityField
          label="lever, wheel’s axis to the rod"
          of="ToeRod.arm"
          :model-value="rod(e)?.arm"
          @update:model-value="(v) => setRod(e, 'arm', v)" /><QuantityField
          label="lead, a turnbuckle’s both pitches"
          of="ToeRod.lead"
          kind="fine length"
          :decimals="2"
          :model-value="rod(e)?.lead"
          @update:model-value="(v) => setRod(e, 'lead', v)" />
        <label v-if="rod(e)" class="tick"
          ><input
            type="checkbox"
            :checked="rod(e)!.behind"
            @change="setRod(e, 'behind', ($event.target as HTMLInputElement).checked)" />
          behind the axis: longer turns the wheel in</label
        >
      </div>
      <table class="pairs">
        <caption class="small quiet">
          camber and toe of one wheel read at several heights, raised and lowered by the jack
        </caption>
        <thead>
          <tr>
            <th><TermWord words="hub to arch" /></th>
            <th><TermWord words="camber" /></th>
            <th><TermWord words="toe" /></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, i) in [...rows(e), null]" :key="i">
            <td>
              <QuantityField
                hide-label
                :label="`hub to arch of pair ${i + 1}, ${e}`"
                of="AtHeight.hub_to_arch"
                :model-value="r?.hub_to_arch"
                @update:model-value="(v) => setRow(e, i, 'hub_to_arch', v)" />
            </td>
            <td>
              <QuantityField
                hide-label
                :label="`camber of pair ${i + 1}, ${e}`"
                of="AtHeight.camber"
                :readonly="!r"
                :decimals="2"
                :model-value="r?.camber"
                @update:model-value="(v) => setRow(e, i, 'camber', v)" />
            </td>
            <td>
              <QuantityField
                hide-label
                :label="`toe of pair ${i + 1}, ${e}`"
                of="AtHeight.toe"
                kind="fine length"
                :readonly="!r"
                :model-value="r?.toe"
                @update:model-value="(v) => setRow(e, i, 'toe', v)" />
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </details>
</template>

<style scoped>
.setup { margin-top: 10px; border-top: 1.5px solid var(--ink); } summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; font-weight: 600; } .ratio { max-width: 320px; } .rods { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 16px; } .tick { grid-column: 1 / 3; display: flex; gap: 8px; align-items: center; min-height: 44px; } .tick input { width: 20px; height: 20px; accent-color: var(--ink); } .pairs { width: 100%; border-collapse: collapse; table-layout: fixed; margin: 6px 0 12px; } caption { text-align: left; } th { font-weight: 400; text-align: right; font-size: var(--t-1); } td { padding: 2px 4px; }
</style>
