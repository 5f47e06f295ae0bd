import type { Station } from '@/api/client'

/** The stations that are built, with the key that opens each; numbers of the others stay free. */
export const STATIONS: { id: Station; words: string; key: string }[] = [
  { id: 'brief', words: 'Brief', key: '1' },
  { id: 'survey', words: 'Survey', key: '2' },
  { id: 'geometry', words: 'Geometry', key: '3' },
  { id: 'springs', words: 'Springs', key: '4' },
  { id: 'height', words: 'Height', key: '5' },
  { id: 'travel', words: 'Travel', key: '6' },
  { id: 'damping', words: 'Damping', key: '7' },
  { id: 'prove', words: 'Prove', key: '8' },
  { id: 'fit', words: 'Fit', key: '9' },
  { id: 'settle', words: 'Settle', key: '0' },
  { id: 'sheet', words: 'Sheet', key: 's' },
]
