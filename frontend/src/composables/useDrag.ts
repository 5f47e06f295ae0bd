import { useRafFn } from '@vueuse/core'
import { ref, type Ref } from 'vue'

export interface Drag {
  dragging: Ref<boolean>
  down: (event: PointerEvent) => void
  move: (event: PointerEvent) => void
  up: (event: PointerEvent) => void
}
export interface DragOptions {
  /** Whether it may be taken up; called with the event, its target focused after. */
  start: (event: PointerEvent) => boolean
  /** Once a frame: how far the pointer has come from where it was taken up, in the drawing's own units. */
  to: (dx: number, dy: number) => void
  end: () => void
}

/** A part of a drawing under a pointer: captured, moved once a frame, told in the drawing's own units. */
export function useDrag(options: DragOptions): Drag {
  const dragging = ref(false)
  let from = { x: 0, y: 0, scale: { x: 1, y: 1 } }
  let now: { x: number; y: number } | null = null
  const tell = (): void => {
    if (!dragging.value || !now) return
    options.to((now.x - from.x) * from.scale.x, (now.y - from.y) * from.scale.y)
    now = null
  }
  const frames = useRafFn(tell, { immediate: false })
  return {
    dragging,
    down: (event) => {
      if (!options.start(event)) return
      const target = event.currentTarget as SVGElement
      target.setPointerCapture(event.pointerId)
      target.focus()
      const matrix = (target as SVGGraphicsElement).ownerSVGElement?.getScreenCTM()
      from = { x: event.clientX, y: event.clientY, scale: { x: 1 / (matrix?.a || 1), y: 1 / (matrix?.d || 1) } }
      now = null
      dragging.value = true
      frames.resume()
    },
    move: (event) => {
      if (dragging.value) now = { x: event.clientX, y: event.clientY }
    },
    up: () => {
      if (!dragging.value) return
      tell() // the last place counts, also between two frames
      frames.pause()
      dragging.value = false
      options.end()
    },
  }
}
