import type { Directive } from 'vue'

const STEP: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }
const kept = new WeakMap<HTMLElement, MutationObserver>()
const tabsOf = (list: HTMLElement): HTMLElement[] => [...list.querySelectorAll<HTMLElement>('[role="tab"]')]

/** One stop for the whole list: only what is chosen is in the order of Tab. */
function settle(list: HTMLElement): void {
  const tabs = tabsOf(list)
  const here = tabs.find((t) => t.getAttribute('aria-selected') === 'true') ?? tabs[0]
  for (const tab of tabs) {
    const index = tab === here ? 0 : -1
    if (tab.tabIndex !== index) tab.tabIndex = index
  }
}

function pressed(event: KeyboardEvent): void {
  const list = event.currentTarget as HTMLElement
  const tabs = tabsOf(list).filter((t) => !(t as HTMLButtonElement).disabled)
  const at = tabs.indexOf(event.target as HTMLElement)
  const to = event.key === 'Home' ? 0 : event.key === 'End' ? tabs.length - 1 : at + (STEP[event.key] ?? NaN)
  if (at < 0 || Number.isNaN(to) || event.ctrlKey || event.altKey || event.metaKey) return
  event.preventDefault()
  event.stopPropagation()
  const next = tabs[(to + tabs.length) % tabs.length]!
  next.click()
  next.focus()
}

/** A list of tabs is one stop for Tab; arrows walk it and choose, Home and End lead to its ends. */
export const vRoving: Directive<HTMLElement> = {
  mounted(list) {
    settle(list)
    const watching = new MutationObserver(() => settle(list))
    watching.observe(list, { subtree: true, childList: true, attributeFilter: ['aria-selected'] })
    kept.set(list, watching)
    list.addEventListener('keydown', pressed)
  },
  unmounted(list) {
    kept.get(list)?.disconnect()
    list.removeEventListener('keydown', pressed)
  },
}
