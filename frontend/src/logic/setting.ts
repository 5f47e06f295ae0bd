import { SETS } from '@/units/read'

import type { Edit, Path } from './patch'

/** The edits that set members of a corner; one that sets the corner says so, by the table of the core. */
export function setting(corner: Path, members: Record<string, unknown>): Edit[] {
  return Object.entries(members).flatMap(([member, value]) => [
    ...(member in SETS && value !== null ? [{ path: [...corner, 'set_by'], value: SETS[member] }] : []),
    { path: [...corner, member], value },
  ])
}
