import { between, type Change } from '@/logic/patch'

/**
 * What travels of a document: it goes whole once; after that the server knows it by its state, and a question says only
 * what changed since. Nobody who asks needs to know: a body with a `document` is packed on its way out.
 */
const states = new WeakMap<object, string>()
let last: { document: object; state: string } | null = null
const sent = new Map<string, { document: object; body: Record<string, unknown> }>()
const LONGEST_PATCH = 6000
/** What a server says that knows another document under that name, or none. */
const AGAIN = new Set(['unknown base', 'bad patch'])

/** The server calls this document so. */
export function learn(document: object, state: string): void {
  states.set(document, state)
  last = { document, state }
}

/** What the server calls this document, where it told. */
export const stateOf = (document: object): string | undefined => states.get(document)

/** Nothing is known any more, as after a restart of the server. */
export function forget(): void {
  last = null
}

/** A body as it travels. */
export function packed(body: unknown): string {
  const document = (body as { document?: object } | null)?.document
  if (!document || typeof document !== 'object') return JSON.stringify(body)
  const rest = { ...(body as Record<string, unknown>) }
  delete rest.document
  const text = JSON.stringify({ ...based(document), ...rest })
  sent.set(text, { document, body: body as Record<string, unknown> })
  if (sent.size > 40) sent.delete(sent.keys().next().value!)
  return text
}
function based(document: object): { document: object } | { base: string; patch: Change[] } {
  const state = states.get(document)
  if (state && last) return { base: state, patch: [] }
  if (!last) return { document }
  const patch = between(last.document, document)
  return JSON.stringify(patch).length > LONGEST_PATCH ? { document } : { base: last.state, patch }
}

/** A question as it goes out; where the server does not know the state it names, or its changes do not fit, it goes again with the whole document. */
export async function exchanged(request: Request, fetch: (r: Request) => Promise<Response>): Promise<Response> {
  const text = request.method === 'GET' ? '' : await request.clone().text()
  const known = sent.get(text)
  const answer = await fetch(request.clone())
  if (!known) return answer
  sent.delete(text)
  if (!answer.ok && AGAIN.has((await codeOf(answer)) ?? '')) {
    forget()
    return exchangedWhole(request, known, fetch)
  }
  return learned(answer, known.document)
}
async function exchangedWhole(
  request: Request,
  known: { document: object; body: Record<string, unknown> },
  fetch: (r: Request) => Promise<Response>,
): Promise<Response> {
  const { url, method, headers, signal } = request
  const body = JSON.stringify(known.body)
  return learned(await fetch(new Request(url, { method, headers, signal, body })), known.document)
}
async function learned(answer: Response, document: object): Promise<Response> {
  if (!answer.ok || !answer.headers.get('Content-Type')?.includes('json')) return answer
  const { state, patch } = (await answer.clone().json()) as { state?: string; patch?: unknown }
  if (state && !patch) learn(document, state)
  return answer
}
async function codeOf(answer: Response): Promise<string | undefined> {
  const body = (await answer
    .clone()
    .json()
    .catch(() => null)) as { error?: { code?: string } } | null
  return body?.error?.code
}
