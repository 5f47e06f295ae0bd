import { merged, type Patch, sameMembers } from './patch'

/** Undo and redo as two stacks of patches. Quick changes of the same members become one. */
export interface History {
  done: Patch[]
  undone: Patch[]
}
export const emptyHistory = (): History => ({ done: [], undone: [] })

const TOGETHER = 1200
const MOST = 500

/** `apart` keeps a new gesture from joining the one before. */
export function pushed(history: History, patch: Patch, apart = false): History {
  const last = history.done.at(-1)
  const joins = !apart && last !== undefined && patch.at - last.at < TOGETHER && sameMembers(last, patch)
  const done = joins ? [...history.done.slice(0, -1), merged(last, patch)] : [...history.done, patch]
  return { done: done.slice(-MOST), undone: [] }
}

export function undone(history: History): { history: History; patch: Patch } | null {
  const patch = history.done.at(-1)
  if (!patch) return null
  return { patch, history: { done: history.done.slice(0, -1), undone: [...history.undone, patch] } }
}

export function redone(history: History): { history: History; patch: Patch } | null {
  const patch = history.undone.at(-1)
  if (!patch) return null
  return { patch, history: { done: [...history.done, { ...patch, at: 0 }], undone: history.undone.slice(0, -1) } }
}
