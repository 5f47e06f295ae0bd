import { merged, type Patch, sameMembers } from './patch'

/** Undo and redo as two stacks of patches. Quick changes of the same members become one. */
export interface History {
  done: Patch[]
  undone: Patch[]
}
export const emptyHistory = (): History => ({ done: [], undone: [] })

const TOGETHER = 1200
const MOST = 500

/** How a change stands to the one before: the first of a gesture, within one (however slow the hand), or neither. */
export type Gesture = 'first' | 'within' | 'none'

export function pushed(history: History, patch: Patch, gesture: Gesture = 'none'): History {
  const last = history.done.at(-1)
  const joins =
    last !== undefined &&
    !last.beside &&
    !patch.beside &&
    (gesture === 'within' || (gesture === 'none' && patch.at - last.at < TOGETHER && sameMembers(last, patch)))
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
