import type { Setup } from '@/api/client'

export interface SetupNode {
  key: string
  x: number
  y: number
  /** As it is called, and as much of it as there is room for. */
  name: string
  words: string
  stage: Setup['stage']
  /** Id of the setup there; null where none is made yet. */
  id: string | null
  here: boolean
  up: boolean
}
const STAGES: Setup['stage'][] = ['as found', 'plan', 'fitted', 'settled']
const LEFT = 46
/** From stage to stage where the window is wide; the whole line is three of them and both its ends. */
const WIDE = 112
export const LINE_WIDTH = 2 * LEFT + 3 * WIDE + 12
/** About as wide as a condensed letter at the size of the line. */
const LETTER = 6.4
const MAIN = 30

const cut = (name: string, most: number): string =>
  name.length > most ? `${name.slice(0, Math.max(1, most - 1)).trimEnd()}…` : name

/** Places of the setups: one per stage on the line (the one in hand first), further ones of a stage as forks above. */
export function layoutSetups(
  setups: Setup[],
  here: string,
  width = LINE_WIDTH,
): { nodes: SetupNode[]; links: { d: string; done: boolean }[] } {
  const nodes: SetupNode[] = []
  const links: { d: string; done: boolean }[] = []
  const left = width < 300 ? 30 : LEFT
  const step = Math.min(WIDE, (width - 2 * left) / 3)
  const x = (i: number): number => left + i * step
  const most = Math.floor((step - 4) / LETTER)
  STAGES.forEach((stage, i) => {
    const own = setups.filter((s) => s.stage === stage)
    const main = own[0] ?? null
    if (i > 0) links.push({ d: `M${x(i - 1) + 9} ${MAIN}H${x(i) - 9}`, done: main !== null })
    nodes.push({
      key: stage,
      x: x(i),
      y: MAIN,
      name: main?.name ?? stage,
      words: cut(main?.name ?? stage, most),
      stage,
      id: main?.id ?? null,
      here: main?.id === here,
      up: false,
    })
    own.slice(1, 3).forEach((setup, k) => {
      const at = x(i) + 26 + k * Math.min(70, step * 0.62)
      links.push({
        d: `M${x(i) - 62} ${MAIN}C${x(i) - 42} ${MAIN} ${x(i) - 46} 11 ${x(i) - 26} 11H${at - 7}`,
        done: true,
      })
      nodes.push({
        key: setup.id,
        x: at,
        y: 11,
        name: setup.name,
        words: own.length > 2 ? cut(setup.name, 8) : setup.name,
        stage,
        id: setup.id,
        here: setup.id === here,
        up: true,
      })
    })
  })
  return { nodes, links }
}
