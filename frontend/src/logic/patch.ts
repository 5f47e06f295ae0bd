/** Changes of a document as data: set one member at a path, knowing what stood there. */
export type Path = (string | number)[]
export interface Step {
  path: Path
  before: unknown
  after: unknown
}
/** One change a person made: its words, its steps, and when. */
export interface Patch {
  words: string
  steps: Step[]
  at: number
}

type Node = Record<string | number, unknown>

/** What stands at a path; undefined where the way ends. */
export function valueAt(root: unknown, path: Path): unknown {
  let node = root
  for (const part of path) {
    if (node === null || node === undefined) return undefined
    node = (node as Node)[part]
  }
  return node
}

/** A copy of the document with one member set; everything beside the path is shared. */
export function withValue<T>(root: T, path: Path, value: unknown): T {
  const [head, ...rest] = path
  if (head === undefined) return value as T
  const node = (root ?? (typeof head === 'number' ? [] : {})) as Node
  const copy: Node = Array.isArray(node) ? ([...node] as unknown as Node) : { ...node }
  const child = withValue(node[head], rest, value)
  if (child === undefined && !Array.isArray(node)) delete copy[head]
  else copy[head] = child
  return copy as T
}

/** The steps that set members, each with what it replaces. */
export function stepsFor(root: unknown, changes: { path: Path; value: unknown }[]): Step[] {
  let now = root
  return changes.map(({ path, value }) => {
    const step = { path, before: valueAt(now, path), after: value }
    now = withValue(now, path, value)
    return step
  })
}

export const forward = <T>(root: T, steps: Step[]): T => steps.reduce((doc, s) => withValue(doc, s.path, s.after), root)
export const backward = <T>(root: T, steps: Step[]): T =>
  [...steps].reverse().reduce((doc, s) => withValue(doc, s.path, s.before), root)

/** Whether two patches touch the same members, so that typing and dragging become one undo. */
export function sameMembers(a: Patch, b: Patch): boolean {
  return (
    a.steps.length === b.steps.length &&
    a.steps.every((s, i) => JSON.stringify(s.path) === JSON.stringify(b.steps[i]?.path))
  )
}

/** One patch from two on the same members: first before, last after. */
export const merged = (a: Patch, b: Patch): Patch => ({
  ...b,
  steps: b.steps.map((s, i) => ({ ...s, before: a.steps[i]!.before })),
})

/** Members in which two documents differ, as dotted paths with both values. */
export function differences(
  a: unknown,
  b: unknown,
  path: Path = [],
): { path: string; mine: unknown; theirs: unknown }[] {
  if (JSON.stringify(a) === JSON.stringify(b)) return []
  const both = [a, b].every((v) => typeof v === 'object' && v !== null)
  if (!both) return [{ path: path.join(' › ').replaceAll('_', ' '), mine: a, theirs: b }]
  const keys = new Set([...Object.keys(a as Node), ...Object.keys(b as Node)])
  return [...keys].flatMap((k) => differences((a as Node)[k], (b as Node)[k], [...path, k]))
}
