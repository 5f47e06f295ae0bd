import { computed, type ComputedRef, ref } from 'vue'

import type { Document, Place, Reading, Survey, WheelRound } from '@/api/client'
import type { Edit, Path } from '@/logic/patch'
import { useVehicle, type VehicleWork } from '@/composables/useVehicle'

export type Quantity = Reading['quantity']
const HOW: Partial<Record<Quantity, Reading['how']>> = { mass: 'scales' }

/** The rounds of readings of the setup in hand: which one is looked at, a new one, and what is written into it. */
export interface Rounds {
  /** Where the rounds of this setup stand among the surveys, the first first. */
  indices: ComputedRef<number[]>
  /** The round looked at, and where it stands; nothing before the first. */
  index: ComputedRef<number | null>
  round: ComputedRef<Survey | null>
  choose: (index: number) => void
  begin: (entry: string | null) => void
  values: (place: Place, quantity: Quantity) => number[]
  read: (place: Place, quantity: Quantity, value: number | null, again?: boolean) => void
  set: (words: string, member: keyof Survey, value: unknown) => void
  condition: (words: string, member: keyof NonNullable<Survey['conditions']>, value: boolean | string) => void
  wheel: (place: Place) => WheelRound | null
  setWheel: (words: string, place: Place, members: Partial<WheelRound>) => void
}

const today = (): string => {
  const now = new Date()
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString()
}

/** `vehicle` is handed over by a page that provides it itself. */
export function useRounds(vehicle: VehicleWork = useVehicle(), newest: () => string | null = () => null): Rounds {
  const chosen = ref<number | null>(null)
  const document_ = computed<Document | null>(() => vehicle.document.value)
  const surveys = computed<Survey[]>(() => document_.value?.surveys ?? [])
  const indices = computed(() =>
    vehicle.isFound.value ? [] : surveys.value.flatMap((s, i) => (i && s.setup === vehicle.setup.value?.id ? [i] : [])),
  )
  const index = computed(() =>
    chosen.value !== null && indices.value.includes(chosen.value) ? chosen.value : (indices.value.at(-1) ?? null),
  )
  const round = computed(() => (index.value === null ? null : (surveys.value[index.value] ?? null)))

  /** A round with nothing in it; who and what is aboard is as it was the last time. */
  function fresh(entry: string | null): Survey {
    const now = today()
    const before = round.value?.conditions ?? surveys.value[0]?.conditions
    const id = `round-${Math.random().toString(36).slice(2, 9)}`
    return {
      id,
      setup: vehicle.setup.value!.id,
      date: now.slice(0, 10),
      time: now.slice(11, 16),
      entry,
      conditions: { ballast: before?.ballast ?? '', fuel: before?.fuel ?? '', reference: before?.reference ?? '' },
      readings: [],
    } as unknown as Survey
  }
  const first = (): Survey[] => (surveys.value.length ? [] : [{ id: 'first', readings: [] } as unknown as Survey])
  function begin(entry: string | null): void {
    const at = surveys.value.length + first().length
    vehicle.edit('a new round of readings', [
      { path: ['surveys'], value: [...surveys.value, ...first(), fresh(entry)] },
    ])
    chosen.value = at
  }
  /** The round to write into, made where there is none yet. */
  function edits(member: keyof Survey, make: (now: Survey) => unknown): Edit[] {
    if (round.value && index.value !== null)
      return [{ path: ['surveys', index.value, member] as Path, value: make(round.value) }]
    const made = fresh(newest())
    return [
      {
        path: ['surveys'],
        value: [...surveys.value, ...first(), { ...made, [member]: make(made) }],
      },
    ]
  }
  const readingsOf = (place: Place, quantity: Quantity): Reading[] =>
    (round.value?.readings ?? []).filter((r) => r.place === place && r.quantity === quantity)
  return {
    indices,
    index,
    round,
    choose: (at) => (chosen.value = at),
    begin,
    values: (place, quantity) => readingsOf(place, quantity).map((r) => r.value),
    read: (place, quantity, value, again = false) =>
      vehicle.edit(
        `${quantity.replaceAll('_', ' ')}, ${place.replace('_', ' ')}`,
        edits('readings', (now) => {
          const all = now.readings ?? []
          const others = again ? all : all.filter((r) => r.place !== place || r.quantity !== quantity)
          return value === null ? others : [...others, { place, quantity, value, how: HOW[quantity] ?? 'tape' }]
        }),
      ),
    set: (words, member, value) =>
      vehicle.edit(
        words,
        edits(member, () => value),
      ),
    condition: (words, member, value) =>
      vehicle.edit(
        words,
        edits('conditions', (now) => ({ ...now.conditions, [member]: value })),
      ),
    wheel: (place) => round.value?.wheels?.find((w) => w.place === place) ?? null,
    setWheel: (words, place, members) =>
      vehicle.edit(
        words,
        edits('wheels', (now) => {
          const was = now.wheels?.find((w) => w.place === place)
          const made = { ...was, ...members, place }
          return [...(now.wheels ?? []).filter((w) => w.place !== place), made]
        }),
      ),
  }
}
