<script setup lang="ts">
import { computed } from 'vue'

import { coilOf, type EndName, type SagReport } from '@/api/client'

import PhoneNeeds from './PhoneNeeds.vue'
import SagLane from './SagLane.vue'
import { ringed, useSag } from './useSag'
import { ENDS } from './walk'

/** What to turn, in one hand: the move, the sags then, and what they say of the spring. */
const emit = defineEmits<{ again: []; back: [] }>()
const { vehicle, units, sags, side, about, isAir, along, mm, pumped } = useSag()
const band = (s: SagReport, of: 'free' | 'rider'): [number, number] | null => {
  const [l, h] = [s[`${of}_low_along`], s[`${of}_high_along`]]
  return l && h ? [l.value * 1000, h.value * 1000] : null
}
const most = (s: SagReport): number =>
  Math.max(60, Math.ceil(((s.rider_read_along?.value ?? 0.05) * 1000 * 1.15) / 10) * 10)
const m = (f: { value: number } | null | undefined): number | null => (f ? f.value * 1000 : null)
const move = (e: EndName, s: SagReport): string => {
  if (s.wanted_pressure) return pumped(s.wanted_pressure.value)
  if (s.wanted_turns)
    return `${Math.abs(s.wanted_turns.value).toFixed(1)} turns ${s.wanted_turns.value >= 0 ? 'in' : 'out'}`
  return s.wanted_move
    ? `${mm(Math.abs(s.wanted_move.value))} ${units.unit('m').written} ${s.wanted_move.value >= 0 ? 'more' : 'less'}`
    : ''
}
const whereTo = (e: EndName, s: SagReport): string => {
  if (!s.wanted_collar || !s.wanted_move) return isAir(e) ? 'wheel off the floor, then cycle it' : ''
  if (!s.collar_told) return 'from where it stands'
  const pitch = side(e).seat?.pitch
  const [now, then] = [s.wanted_collar.value - s.wanted_move.value, s.wanted_collar.value]
  const part = about(e)?.layout === 'fork' ? 'cap' : 'collar'
  return pitch
    ? `${part} ${(now / pitch).toFixed(1)} to ${(then / pitch).toFixed(1)}${side(e).seat?.thread ? ` of ${(side(e).seat!.thread! / pitch).toFixed(0)}` : ''}${about(e)?.layout === 'fork' && about(e)?.fork?.legs !== 1 ? ', both legs' : ''}`
    : `${part} ${mm(now)} to ${mm(then)}`
}
const judge = (s: SagReport): string =>
  ({ fits: 'the spring fits', 'too soft': 'spring too soft', 'too stiff': 'spring too stiff', 'preload first': '' })[
    s.verdict ?? 'fits'
  ]
const free = (s: SagReport): string => {
  const b = band(s, 'free')
  if (!b) return ''
  return `, ${s.verdict === 'too soft' ? 'under' : s.verdict === 'too stiff' ? 'over' : 'within'} ${b[0].toFixed(0)}–${b[1].toFixed(0)}`
}
const said = computed(() => vehicle.report.value?.steering)
const planned = computed(() => !vehicle.isFound.value)
const take = (): Promise<string | null> =>
  vehicle.act('sags wanted', { act: 'take sags', ends: [...ENDS], load_state: vehicle.loadState.value })
</script>

<template>
  <main class="pad">
    <h1 class="seen-not">Verdict of the sags</h1>
    <p v-if="said?.rider_by_sags" class="who">
      The sags carry {{ said.rider_by_sags.assumed ? '~' : ''
      }}{{ units.show(said.rider_by_sags.value, 'kg', { unit: true, decimals: 1 })
      }}<template v-if="said.rider_told"
        >; told are {{ units.show(said.rider_told.value, 'kg', { unit: true, decimals: 0 }) }}</template
      >.
    </p>
    <section v-for="e in ENDS" :key="e" :aria-label="`${e} verdict`">
      <h2>
        {{ e === 'front' ? 'Front' : 'Rear' }}
        <span class="quiet">{{ units.unit('m').written }} {{ along(e) ? 'on the tube' : 'at the axle' }}</span>
      </h2>
      <template v-if="sags(e)?.verdict || sags(e)?.wanted_pressure">
        <p class="turn" :class="{ fact: !planned }">
          <template v-if="sags(e)!.wanted_move?.assumed || sags(e)!.wanted_pressure?.assumed">~</template
          >{{ move(e, sags(e)!) }}
        </p>
        <p class="to">
          {{ whereTo(e, sags(e)!) }}<b v-if="sags(e)!.off_thread" class="grade-look"> past its thread</b>
        </p>
        <SagLane
          :width="358"
          :most="most(sags(e)!)"
          :free-band="band(sags(e)!, 'free')"
          :rider-band="band(sags(e)!, 'rider')"
          :free="m(sags(e)!.free_then_along)"
          :rider="m(sags(e)!.target_along)"
          :found-free="m(sags(e)!.free_read_along)"
          :found-rider="m(sags(e)!.rider_read_along)"
          selected
          scale
          :look="ringed(sags(e)!.verdict)" />
        <p class="say">
          <template v-if="sags(e)!.rider_read_along"
            >Rider {{ mm(sags(e)!.rider_read_along!.value) }} to
            <b>{{ mm(sags(e)!.target_along!.value) }}</b>. </template
          ><template v-if="sags(e)!.rider_measured_along"
            >Read with the plan on it: rider <b>{{ mm(sags(e)!.rider_measured_along!.value) }}</b><template
              v-if="sags(e)!.free_measured_along"
              >, alone <b>{{ mm(sags(e)!.free_measured_along!.value) }}</b></template
            >. </template
          ><template v-if="!sags(e)!.verdict"
            >By pressure and sag alone; the chambers, under Survey, make it sure. </template
          ><template v-if="sags(e)!.free_then_along"
            >Alone then
            <b :class="{ 'grade-look': ringed(sags(e)!.verdict) }">{{ mm(sags(e)!.free_then_along!.value) }}</b>{{
              free(sags(e)!)
            }}<template v-if="!isAir(e)"
              >: <b :class="{ 'grade-look': ringed(sags(e)!.verdict) }">{{ judge(sags(e)!) }}</b></template
            >.</template
          ><template v-if="ringed(sags(e)!.verdict) && sags(e)!.wanted_rate">
            It has {{ units.show(coilOf(side(e))?.rate.value, 'N/m') }}, wanted
            <b>{{ units.show(sags(e)!.wanted_rate!.value, 'N/m', { unit: true }) }}</b>.</template
          >
        </p>
      </template>
      <PhoneNeeds v-else :end="e" />
    </section>
    <p class="care">
      <b class="grade-look">Look</b> Turn collars and caps with the wheel off the floor and the bike strapped; let air
      out before anything is opened.
    </p>
    <div class="acts">
      <button v-if="planned" class="big" @click="emit('again')">Turned.<br />Read again</button
      ><button
        v-if="planned"
        class="big go"
        :disabled="!ENDS.some((e) => sags(e)?.verdict || sags(e)?.wanted_pressure)"
        @click="take">
        <b>Set the plan so</b><span>{{ vehicle.setup.value?.name }}</span></button
      ><router-link v-else class="big go" :to="`/vehicle/${vehicle.id}/height`"><b>To the bench</b></router-link>
    </div>
    <p class="ways">
      <button class="link" @click="emit('back')">back to the readings</button>
      <router-link class="link" :to="`/vehicle/${vehicle.id}/height`">springs on the shelf</router-link>
    </p>
  </main>
</template>

<style scoped>
.pad { padding: 4px 16px 16px; } .who { font-size: var(--t-3); } h2 { font-size: 1.5rem; border-top: 1px solid var(--rule); padding-top: 8px; margin-top: 8px; } h2 span { font-size: var(--t-3); font-weight: 400; } .turn { font-size: 2.125rem; font-weight: 600; color: var(--plan); line-height: 1.1; } .turn.fact { color: var(--ink); } .to { font-size: var(--t-3); color: var(--ink-2); } .say { font-size: var(--t-3); line-height: 1.3; } .care { margin: 12px 0; }
.ways { display: flex; flex-wrap: wrap; gap: 0 18px; } .acts { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; } .big { border: 1px solid var(--ink); min-height: 68px; display: grid; place-content: center; text-align: center; font-size: var(--t-3); color: var(--ink); text-decoration: none; } .go { background: var(--ink); color: var(--ground); } .go:disabled { background: none; color: var(--ink-3); border-color: var(--rule); } .go span { font-size: var(--t-1); }
</style>
