import { applyPatch, compare, type Operation } from 'fast-json-patch'

/** Changes of a document as JSON Patch (RFC 6902). Everything beside what they touch is shared, not copied. */
export type Path = (string | number)[]
export interface Edit {
  path: Path
  value: unknown
}
/** One operation, as the server sends and takes it. */
export interface Change {
  op: 'add' | 'replace' | 'remove'
  path: string
  value?: unknown
}
/** One change a person made: its words, what does it, what takes it back, and when. */
export interface Patch {
  words: string
  redo: Change[]
  undo: Change[]
  at: number
  /** What goes with it elsewhere (an entry of the log): taken back and done again together with it. */
  beside?: Beside
}
export interface Beside {
  undo: () => void
  redo: () => void
}

type Node = Record<string | number, unknown>

const pointer = (path: Path): string =>
  path.map((part) => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('')
const parts = (path: string): string[] =>
  path
    .split('/')
    .slice(1)
    .map((part) => part.replaceAll('~1', '/').replaceAll('~0', '~'))

/** The operation that sets one member, or replaces one entry of a list; nothing instead of a value takes it away. */
export function put(root: unknown, { path, value }: Edit): Change {
  const last = path.at(-1)!
  const holder = path.slice(0, -1).reduce<unknown>((node, part) => (node as Node | undefined)?.[part], root)
  if (Array.isArray(holder)) return { op: Number(last) < holder.length ? 'replace' : 'add', path: pointer(path), value }
  return value === undefined ? { op: 'remove', path: pointer(path) } : { op: 'add', path: pointer(path), value }
}

/** A copy that may be changed where these operations lead; members missing on the way are made. */
function opened<T>(root: T, changes: Change[]): T {
  const made = { ...(root as Node) }
  const fresh = new Set<unknown>([made])
  for (const change of changes) {
    let node = made as Node
    for (const part of parts(change.path).slice(0, -1)) {
      let child = node[part] as Node | undefined | null
      if (!fresh.has(child)) {
        child = Array.isArray(child) ? ([...(child as unknown[])] as unknown as Node) : { ...child }
        fresh.add(child)
        node[part] = child
      }
      node = child as Node
    }
  }
  return made as T
}

/** A document after some operations. */
export function applied<T>(root: T, changes: Change[]): T {
  const known = changes.filter((c) => c.op !== 'remove' || has(root, c.path))
  return applyPatch(opened(root, known), known as Operation[], false, true).newDocument
}
function has(root: unknown, path: string): boolean {
  const all = parts(path)
  const holder = all.slice(0, -1).reduce<unknown>((node, part) => (node as Node | undefined)?.[part], root)
  return holder !== null && typeof holder === 'object' && all.at(-1)! in holder
}

/** What leads from one document to another. */
export const between = (from: unknown, to: unknown): Change[] => compare(from as object, to as object) as Change[]

/** A change by its edits, and the document with it. */
export function edited<T>(root: T, words: string, edits: Edit[], at: number): { document: T; patch: Patch } {
  const document = edits.reduce((now, edit) => applied(now, [put(now, edit)]), root)
  return { document, patch: { words, redo: between(root, document), undo: between(document, root), at } }
}

/** The same by operations that came from the server. */
export function changed<T>(root: T, words: string, changes: Change[], at: number): { document: T; patch: Patch } {
  const document = applied(root, changes)
  return { document, patch: { words, redo: between(root, document), undo: between(document, root), at } }
}

/** Whether two patches touch the same members, so that typing and dragging become one undo. */
export function sameMembers(a: Patch, b: Patch): boolean {
  const touched = (p: Patch): string => [...new Set(p.redo.map((c) => c.path))].sort().join('\n')
  return touched(a) === touched(b)
}

/** One patch from two: on the same members what takes back the first and does the last, else both in their order. */
export const merged = (a: Patch, b: Patch): Patch =>
  sameMembers(a, b) ? { ...b, undo: a.undo } : { ...b, redo: [...a.redo, ...b.redo], undo: [...b.undo, ...a.undo] }

/** A copy of a document with one member set. */
export const withValue = <T>(root: T, path: Path, value: unknown): T => applied(root, [put(root, { path, value })])

/** Members in which two documents differ, as words with both values; a setup and a place are called by name. */
export function differences(mine: unknown, theirs: unknown): { path: string; mine: unknown; theirs: unknown }[] {
  const at = (root: unknown, path: string): unknown =>
    parts(path).reduce<unknown>((node, part) => (node as Node | undefined)?.[part], root)
  return between(mine, theirs).map(({ path }) => ({
    path: wordsOf(mine, path),
    mine: at(mine, path),
    theirs: at(theirs, path),
  }))
}
const SILENT = new Set(['setups', 'sides', 'vehicle', 'ends', 'value', 'surveys'])
function wordsOf(root: unknown, path: string): string {
  const words: string[] = []
  let node: unknown = root
  for (const part of parts(path)) {
    node = (node as Node | undefined)?.[part]
    const named = (node as { name?: unknown } | undefined)?.name
    if (typeof named === 'string' && /^\d+$/.test(part)) words.push(named)
    else if (/^\d+$/.test(part)) words.push(`no. ${Number(part) + 1}`)
    else if (!SILENT.has(part)) words.push(part.replaceAll('_', ' '))
  }
  return words.join(', ')
}
