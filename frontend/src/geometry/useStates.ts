import { computed, type ComputedRef } from 'vue'

import type { EndName } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import { LAYOUTS } from './layouts'

const NOT = 'not told'

/** How each folded row of Geometry stands, in one line: what was typed, and no more. */
export function useStates(): {
  size: ComputedRef<string>
} & Record<'masses' | 'layout' | 'stop' | 'damper' | 'roll' | 'adjusters', (end: EndName) => string> {
  const vehicle = useVehicle()
  const units = useUnits()
  const about = computed(() => vehicle.document.value!.vehicle)
  const end = (e: EndName) => about.value.ends![e]!
  /** The numbers that are told, the last with its unit; nothing told: so said. */
  const told = (parts: ([string, number | null | undefined, string] | null)[]): string => {
    const known = parts.flatMap((p) => (p && p[1] != null ? [[p[0], p[1], p[2]] as const] : []))
    return (
      known.map(([w, v, si]) => `${w}${units.show(v, si, { unit: true }).replace(/[.,]0(?= )/, '')}`).join(', ') || NOT
    )
  }
  return {
    masses: (e) => {
      const { unsprung_mass: m, tyre } = end(e)
      return told([
        ['', m?.value, 'kg'],
        ['tyre ', tyre?.rate?.value, 'N/m'],
      ])
    },
    layout: (e) => {
      const title = LAYOUTS.find((l) => l.value === end(e).layout)?.title ?? NOT
      return [
        title.split(',')[0]!.toLowerCase(),
        end(e).track == null ? 'track not told' : told([['', end(e).track, 'm']]),
      ].join(', ')
    },
    stop: (e) => {
      const stop = end(e).bump_stop
      return told([
        ['', stop?.length, 'm'],
        ['shaft ', stop?.shaft, 'm'],
      ])
    },
    damper: (e) => {
      const { damper_coefficient: c, gas, friction } = end(e)
      return told([
        [c?.how === 'estimated' ? '~' : '', c?.value, 'N*s/m'],
        ['gas ', gas?.pressure, 'Pa'],
        ['friction ', friction?.value, 'N'],
      ])
    },
    roll: (e) => {
      const { bar, roll_centre: centre } = end(e)
      const parts = told([
        ['bar ', bar?.rate.value, 'N/m'],
        ['roll centre ', centre, 'm'],
      ])
      return bar ? parts : [parts, 'no bar'].filter((w) => w !== NOT).join(', ')
    },
    adjusters: (e) => (end(e).adjusters ?? []).map((a) => `${a.sets} by ${a.how}`).join(', ') || NOT,
    size: computed(() => {
      const { wheelbase, sprung_cg_height: cg } = about.value
      return told([
        ['wheelbase ', wheelbase?.value, 'm'],
        [cg?.how === 'estimated' ? 'centre of gravity ~' : 'centre of gravity ', cg?.value, 'm'],
      ])
    }),
  }
}
