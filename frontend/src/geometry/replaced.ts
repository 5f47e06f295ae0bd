import type { EndChange } from '@/api/client'

export type Part = 'suspension' | 'ratios' | 'limits' | 'tyre and wheel' | 'track' | 'ball joints' | 'anti-roll bar'
/** Parts of an end that a setup can replace, and the members of the document that tell them. */
export const PARTS: { part: Part; words: string; members: (keyof EndChange)[] }[] = [
  { part: 'suspension', words: 'the suspension itself: a conversion', members: ['layout', 'spring_base'] },
  { part: 'ratios', words: 'arms, links or mounts', members: ['spring', 'damper'] },
  { part: 'limits', words: 'travel limits, read again', members: ['limits'] },
  { part: 'tyre and wheel', words: 'tyre and wheel', members: ['tyre', 'unsprung_mass'] },
  { part: 'track', words: 'track', members: ['track'] },
  { part: 'ball joints', words: 'ball joints', members: ['joint_spacer', 'roll_centre'] },
  { part: 'anti-roll bar', words: 'anti-roll bar and its links', members: ['bar', 'link_length'] },
]
/** Whether a member tells something: a part of which every number is blank tells nothing. */
function tells(value: unknown): boolean {
  if (value === null || value === undefined || value === '') return false
  if (typeof value !== 'object') return true
  return Object.entries(value).some(([key, v]) => key !== 'tolerances' && tells(v))
}
/** Which parts a setup replaces. */
export const partsOf = (change: EndChange | null): Part[] =>
  change ? PARTS.filter((p) => p.members.some((m) => tells(change[m]))).map((p) => p.part) : []
