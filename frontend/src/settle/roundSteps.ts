import { type Place, placeWords } from '@/api/client'
import { WALK } from '@/logic/walk'

import type { Rounds } from './useRounds'

/** One reading of a round taken in the hand: which it is, where it is kept, and how it is written. */
export interface RoundStep {
  id: string
  place: Place
  words: string
  says: string
  of: string
  kind?: 'fine length'
  decimals?: number
  signed?: boolean
  value: (rounds: Rounds) => number | null
  keep: (rounds: Rounds, value: number) => void
}

/** The four scales, round the car. */
export const SCALES: RoundStep[] = WALK.map((place) => ({
  id: `scale ${place}`,
  place,
  words: 'scale',
  says: 'Once it stands still; bars off their links, hands off the car.',
  of: 'Survey.mass',
  decimals: 1,
  value: (r) => r.values(place, 'mass')[0] ?? null,
  keep: (r, v) => r.read(place, 'mass', v),
}))

/** The read-out of a rack, wheel by wheel; toe in mm at the rim or as an angle. */
export function readOut(angles: boolean): RoundStep[] {
  return WALK.flatMap((place) => {
    const toe = angles ? ('toe_angle' as const) : ('toe' as const)
    const rows = [
      { member: toe, words: 'toe', says: 'One wheel. Toe-in plus, toe-out minus.' },
      { member: 'camber' as const, words: 'camber', says: 'Top out plus, top in minus.' },
      ...(place.startsWith('front')
        ? [{ member: 'caster' as const, words: 'caster', says: 'Top rearward plus.' }]
        : []),
    ]
    return rows.map(({ member, words, says }) => ({
      id: `${member} ${place}`,
      place,
      words,
      says,
      of: `WheelRound.${member}`,
      ...(member === 'toe' ? { kind: 'fine length' as const } : { decimals: member === 'toe_angle' ? 2 : 1 }),
      signed: true,
      value: (r: Rounds) => r.wheel(place)?.[member] ?? null,
      keep: (r: Rounds, v: number) =>
        r.setWheel(`${words}, ${placeWords(place)}`, place, {
          [member]: v,
          ...(member === 'toe' ? { toe_angle: null } : member === 'toe_angle' ? { toe: null } : {}),
        }),
    }))
  })
}
