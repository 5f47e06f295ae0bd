<script setup lang="ts">
import type { EndName, SagReport } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import { useWorking } from '@/composables/useWorking'

import { ringed, useSag } from './useSag'
import { ENDS } from './walk'

/** Three steps for each end: preload or pressure to the rider sag wanted, the bike alone then, and what it says of the spring. */
const { vehicle, loadName, waitsFor, units, sags, side, about, isAir, mm, pumped } = useSag()
const working = useWorking()
const band = (s: SagReport, of: 'free' | 'rider'): string => {
  const [low, high] = [s[`${of}_low_along`], s[`${of}_high_along`]]
  return low && high ? `${mm(low.value, 0)}–${mm(high.value, 0)}` : ''
}
const where = (e: EndName, s: SagReport): string => {
  const seat = side(e).seat
  const now = (s.wanted_collar!.value - s.wanted_move!.value) / (seat?.pitch ?? 1)
  const then = s.wanted_collar!.value / (seat?.pitch ?? 1)
  if (!seat?.pitch)
    return `${mm(s.wanted_collar!.value - s.wanted_move!.value)} to ${mm(s.wanted_collar!.value)} ${units.unit('m').written}`
  return `${about(e)?.layout === 'fork' ? 'cap' : 'collar'} ${now.toFixed(1)} to ${then.toFixed(1)}${seat.thread ? ` of ${(seat.thread / seat.pitch).toFixed(0)}` : ''}`
}
const turned = (v: number): string =>
  `${Math.abs(v).toFixed(1)} ${Math.abs(v) === 1 ? 'turn' : 'turns'} ${v >= 0 ? 'in' : 'out'}`
const within = (s: SagReport): string =>
  band(s, 'free')
    ? `${s.verdict === 'too soft' ? 'under' : s.verdict === 'too stiff' ? 'over' : 'within'} ${band(s, 'free')}`
    : ''
const take = (e: EndName): Promise<string | null> =>
  vehicle.act(`sag wanted, ${e}`, { act: 'take sags', ends: [e], load_state: vehicle.loadState.value })
const spring = (e: EndName): string => {
  const s = side(e).spring
  return s?.kind === 'coil'
    ? `${(about(e)?.layout === 'fork' && about(e)?.fork?.legs !== 1) || about(e)?.layout === 'twin shock' ? '2 × ' : ''}${units.show(s.rate.value, 'N/m')}`
    : ''
}
</script>

<template>
  <section class="verdict" aria-label="Verdict">
    <div class="steps">
      <span></span
      ><span
        ><b class="n">1</b>{{ ENDS.every(isAir) ? 'pressure' : 'preload' }} for the rider sag wanted<template
          v-if="loadName"
          >, {{ loadName }}</template
        ></span
      ><span><b class="n">2</b>bike alone then</span
      ><span
        ><b class="n">3</b>so the spring<template v-if="!ENDS.every(isAir)"
          >, {{ units.unit('N/m').written }}</template
        ></span
      >
    </div>
    <div v-for="e in ENDS" :key="e" class="row">
      <b class="e">{{ e === 'front' ? 'Front' : 'Rear' }}</b>
      <template v-if="sags(e)?.verdict || sags(e)?.wanted_pressure">
        <span class="c">
          <button
            v-if="sags(e)!.wanted_pressure"
            class="plan"
            @click="working.ask(`sags.${e}.wanted_pressure`, `Pressure for the sag wanted, ${e}`)">
            {{ sags(e)!.wanted_pressure!.assumed ? '~' : '' }}{{ pumped(sags(e)!.wanted_pressure!.value) }}
          </button>
          <button
            v-else-if="sags(e)!.wanted_turns"
            class="plan"
            @click="working.ask(`sags.${e}.wanted_turns`, `Turns for the sag wanted, ${e}`)">
            {{ sags(e)!.wanted_turns!.assumed ? '~' : '' }}{{ turned(sags(e)!.wanted_turns!.value) }}
          </button>
          <button
            v-else-if="sags(e)!.wanted_move"
            class="plan"
            @click="working.ask(`sags.${e}.wanted_move`, `Preload for the sag wanted, ${e}`)">
            {{ sags(e)!.wanted_move!.assumed ? '~' : '' }}{{ mm(Math.abs(sags(e)!.wanted_move!.value)) }}
            {{ units.unit('m').written }} {{ sags(e)!.wanted_move!.value >= 0 ? 'more' : 'less' }}
          </button>
          <button v-if="!vehicle.isFound.value && !sags(e)!.set_so" class="link" @click="take(e)">set it so</button>
          <span class="quiet w all"
            >rider to
            <AskFigure
              :figure="sags(e)!.target_along"
              :path="`sags.${e}.target_along`"
              :title="`Rider sag wanted, ${e}`"
              :options="{ decimals: 1 }" /><template v-if="sags(e)!.wanted_move && sags(e)!.collar_told"
              >; {{ where(e, sags(e)!) }}</template
            ><template v-else-if="sags(e)!.wanted_move">; from where it stands</template
            ><b v-if="sags(e)!.off_thread" class="grade-look"> past its thread</b></span
          >
        </span>
        <span class="c"
          ><span class="v" :class="{ look: ringed(sags(e)!.verdict) }"
            ><AskFigure
              :figure="sags(e)!.free_then_along"
              :path="`sags.${e}.free_then_along`"
              :title="`Free sag then, ${e}`"
              :options="{ decimals: 1 }" /></span
          ><span class="quiet w">{{ within(sags(e)!) }}</span></span
        >
        <span class="c"
          ><b class="v" :class="{ look: ringed(sags(e)!.verdict) }">{{
            sags(e)!.verdict === 'fits' ? 'stays' : (sags(e)!.verdict ?? 'not known')
          }}</b
          ><span v-if="spring(e)" class="quiet w"
            >{{ spring(e)
            }}<template v-if="sags(e)!.wanted_rate"
              >, ideal
              <AskFigure
                :figure="sags(e)!.wanted_rate"
                :path="`sags.${e}.wanted_rate`"
                :title="`Spring rate wanted, ${e}`" /></template></span
        ></span>
      </template>
      <span v-else class="say quiet">Waits for {{ waitsFor(e) }}.</span>
    </div>
  </section>
</template>

<style scoped>
.steps, .row { display: grid; grid-template-columns: 56px minmax(0, 1.45fr) minmax(0, 0.75fr) minmax(0, 1.1fr); gap: 0 14px; align-items: center; } .steps { color: var(--ink-2); padding-top: 6px; } .steps span { display: flex; gap: 7px; align-items: center; }
.n { display: inline-grid; place-items: center; width: 20px; height: 20px; border-radius: 50%; background: var(--ink); color: var(--ground); font-size: var(--t-1); flex: none; }
.row { min-height: 52px; } .e { font-size: var(--t-3); } .c { display: flex; flex-wrap: wrap; gap: 0 8px; align-items: baseline; } .w { line-height: 1.15; } .all { width: 100%; } .c .link { min-height: 36px; }
.plan { color: var(--plan); font-size: var(--t-4); font-weight: 600; text-decoration: underline dotted 1px; text-underline-offset: 4px; min-height: 36px; text-align: left; } .v { font-size: var(--t-4); font-weight: 600; } .look { color: var(--look); }
.say { grid-column: 2 / 5; }
@media (max-width: 760px) { .steps { display: none; } .row { grid-template-columns: 56px 1fr; border-top: 1px solid var(--rule); } .row .c, .say { grid-column: 2; } }
</style>
