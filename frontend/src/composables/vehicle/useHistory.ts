import { computed, type ComputedRef, ref, type Ref, shallowRef } from 'vue'

import { emptyHistory, type Gesture, type History, pushed, redone, undone } from '@/logic/history'
import { applied, type Patch } from '@/logic/patch'

export interface Undoing<T> {
  /** Keep a change that was made. */
  keep: (patch: Patch) => void
  /** The document with the last change taken back, or with the last one taken back done again; nothing where there is none. */
  back: (document: T) => T | null
  forth: (document: T) => T | null
  clear: () => void
  /** Both stacks as they are, and as they were before a reload. */
  all: () => History
  recall: (history: History) => void
  canUndo: ComputedRef<string | null>
  canRedo: ComputedRef<string | null>
  /** Whether a hand is dragging something: what is not under it may wait. */
  dragging: Ref<boolean>
  /** Changes from here to the end are one gesture, undone by itself, however slow the hand. */
  begin: () => void
  end: () => void
}

/** Undo and redo of one document. */
export function useHistory<T>(): Undoing<T> {
  const history = shallowRef(emptyHistory())
  const dragging = ref(false)
  let gesture: Gesture = 'none'
  const set = (to: Gesture): void => {
    gesture = to
    dragging.value = to !== 'none'
  }
  return {
    keep: (patch) => {
      history.value = pushed(history.value, patch, gesture)
      if (gesture === 'first') gesture = 'within'
    },
    back: (document) => {
      const found = undone(history.value)
      if (!found) return null
      history.value = found.history
      found.patch.beside?.undo()
      return applied(document, found.patch.undo)
    },
    forth: (document) => {
      const found = redone(history.value)
      if (!found) return null
      history.value = found.history
      found.patch.beside?.redo()
      return applied(document, found.patch.redo)
    },
    clear: () => (history.value = emptyHistory()),
    all: () => history.value,
    recall: (before) => (history.value = before),
    canUndo: computed(() => history.value.done.at(-1)?.words ?? null),
    canRedo: computed(() => history.value.undone.at(-1)?.words ?? null),
    dragging,
    begin: () => set('first'),
    end: () => set('none'),
  }
}
