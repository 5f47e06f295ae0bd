import type { InstrumentKind } from '@/api/client'

/** The kinds of instruments, as they are listed. */
export const KINDS: { kind: InstrumentKind; words: string; says: string }[] = [
  { kind: 'scales', words: 'Corner scales', says: 'a pad under each wheel' },
  { kind: 'level', words: 'Level', says: 'camber, arms, plates' },
  { kind: 'height', words: 'Height gauge', says: 'hub or floor to arch, sag' },
  { kind: 'spring_bench', words: 'Spring bench', says: 'rate and curve of a spring' },
  { kind: 'damper_bench', words: 'Damper bench', says: 'force over speed at its clicks' },
  { kind: 'logger', words: 'Travel logger', says: 'wheel travel on the road' },
  { kind: 'gauge', words: 'Pressure gauge', says: 'tyres and air springs' },
]
