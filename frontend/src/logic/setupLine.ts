import type { Setup } from '@/api/client'

export interface SetupNode {
  key: string
  x: number
  y: number
  words: string
  stage: Setup['stage']
  /** Id of the setup there; null where none is made yet. */
  id: string | null
  here: boolean
  up: boolean
}
const STAGES: Setup['stage'][] = ['as found', 'plan', 'fitted', 'settled']
const LEFT = 46
const STEP = 112
const MAIN = 30

/** Places of the setups: one per stage on the line (the one in hand first), further ones of a stage as forks above. */
export function layoutSetups(
  setups: Setup[],
  here: string,
): { nodes: SetupNode[]; links: { d: string; done: boolean }[] } {
  const nodes: SetupNode[] = []
  const links: { d: string; done: boolean }[] = []
  const x = (i: number): number => LEFT + i * STEP
  STAGES.forEach((stage, i) => {
    const own = setups.filter((s) => s.stage === stage)
    const main = own[0] ?? null
    if (i > 0) links.push({ d: `M${x(i - 1) + 9} ${MAIN}H${x(i) - 9}`, done: main !== null })
    nodes.push({
      key: stage,
      x: x(i),
      y: MAIN,
      words: main?.name ?? stage,
      stage,
      id: main?.id ?? null,
      here: main?.id === here,
      up: false,
    })
    own.slice(1, 3).forEach((setup, k) => {
      const at = x(i) + 26 + k * 70
      links.push({
        d: `M${x(i) - 62} ${MAIN}C${x(i) - 42} ${MAIN} ${x(i) - 46} 11 ${x(i) - 26} 11H${at - 7}`,
        done: true,
      })
      nodes.push({
        key: setup.id,
        x: at,
        y: 11,
        words: setup.name,
        stage,
        id: setup.id,
        here: setup.id === here,
        up: true,
      })
    })
  })
  return { nodes, links }
}
