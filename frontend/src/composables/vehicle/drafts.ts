import { del, entries, get, set } from 'idb-keyval'

import type { Document } from '@/api/client'

/** What was typed and is not on the server yet: kept in the browser, each tab's own, until it is saved or thrown away. */
export interface Draft {
  vehicle: string
  tab: string
  name: string
  /** The revision it was made from. */
  revision: number
  document: Document
  /** What is on its way to the server: where that is what is stored, the draft goes on from there. */
  sending: Document | null
  at: number
}
const PREFIX = 'draft/'
const TAB = 'feder-tab'
const LOCK = 'feder-tab-'

/** This tab, also after a reload. */
function tabId(): string {
  try {
    const known = sessionStorage.getItem(TAB)
    if (known) return known
    const made = Math.random().toString(36).slice(2, 12)
    sessionStorage.setItem(TAB, made)
    return made
  } catch {
    return 'only'
  }
}
export const tab = tabId()
// held while this tab lives, so that another one knows whose drafts have an owner
void globalThis.navigator?.locks?.request(LOCK + tab, () => new Promise(() => undefined)).catch(() => undefined)

const keyOf = (vehicle: string, of = tab): string => `${PREFIX}${vehicle}/${of}`
export const keep = (draft: Omit<Draft, 'tab'>): Promise<void> =>
  set(keyOf(draft.vehicle), { ...draft, tab } satisfies Draft).catch(() => undefined)
export const own = (vehicle: string): Promise<Draft | undefined> => get<Draft>(keyOf(vehicle)).catch(() => undefined)
export const dropOwn = (vehicle: string): Promise<void> => del(keyOf(vehicle)).catch(() => undefined)
export const drop = (draft: Draft): Promise<void> => del(keyOf(draft.vehicle, draft.tab)).catch(() => undefined)

/** Drafts that no living tab works on: this one's, and those of tabs that are gone. */
export async function waiting(): Promise<Draft[]> {
  const all = await entries<string, Draft>().catch(() => [] as [string, Draft][])
  const held = await globalThis.navigator?.locks?.query().catch(() => null)
  const alive = new Set((held?.held ?? []).map((l) => l.name))
  return all
    .filter(([key, d]) => String(key).startsWith(PREFIX) && (d.tab === tab || !alive.has(LOCK + d.tab)))
    .map(([, d]) => d)
    .sort((a, b) => b.at - a.at)
}
