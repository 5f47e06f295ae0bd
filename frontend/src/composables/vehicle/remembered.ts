import type { Document } from '@/api/client'
import { stateOf } from '@/api/wire'
import type { History } from '@/logic/history'

/**
 * What this tab still knows of a vehicle after a reload, or after a look into the garage: which setup was in hand, under
 * which load, and what can be undone. Kept only for the document it belongs to.
 */
export interface Remembered {
  setup: string
  load: string | null
  history: History
  /** The document as it was, told by the server's name for it and by its own text. */
  state: string | null
  print: string
}
const MOST_PATCHES = 60
const MOST_TEXT = 400_000
const keyOf = (vehicle: string): string => `feder-here ${vehicle}`

/** A short print of a text (FNV-1a over its letters): enough to see that nothing changed meanwhile. */
function printOf(document: Document): string {
  let hash = 0x811c9dc5
  const text = JSON.stringify(document)
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return `${text.length}:${(hash >>> 0).toString(36)}`
}

/** Changes that took something along elsewhere (an entry of the log) end what can be undone after a reload. */
function kept(history: History): History {
  const last = history.done.findLastIndex((p) => p.beside)
  const next = history.undone.findLastIndex((p) => p.beside)
  return { done: history.done.slice(last + 1).slice(-MOST_PATCHES), undone: history.undone.slice(next + 1) }
}

export function remember(vehicle: string, document: Document, setup: string, load: string | null, of: History): void {
  let history = kept(of)
  try {
    if (JSON.stringify(history).length > MOST_TEXT) history = { done: [], undone: [] }
    const made: Remembered = { setup, load, history, state: stateOf(document) ?? null, print: printOf(document) }
    sessionStorage.setItem(keyOf(vehicle), JSON.stringify(made))
  } catch {
    // a full or shut store loses only the way back
  }
}

/** What was remembered, its history only where the document is still the one it belongs to. */
export function recalled(vehicle: string, document: Document, state: string | null): Remembered | null {
  try {
    const found = JSON.parse(sessionStorage.getItem(keyOf(vehicle)) ?? 'null') as Remembered | null
    if (!found) return null
    const same = (state !== null && found.state === state) || found.print === printOf(document)
    return same ? found : { ...found, history: { done: [], undone: [] } }
  } catch {
    return null
  }
}
