import { beforeEach, describe, expect, it, vi } from 'vitest'

import { exchanged, forget, learn, packed } from './wire'

const whole = { vehicle: { name: 'a' }, setups: [{ collar: 1 }, { collar: 2 }] }
const answer = (body: unknown, status = 200): Response =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } })
const asked = (body: unknown): Request => new Request('http://h/api/evaluate', { method: 'POST', body: packed(body) })

describe('what travels of a document', () => {
  beforeEach(forget)
  it('is all of it once, then only what changed, then nothing but its state', async () => {
    expect(JSON.parse(packed({ document: whole, setup: 'plan' }))).toEqual({ document: whole, setup: 'plan' })
    await exchanged(asked({ document: whole, setup: 'plan' }), async () => answer({ state: 's1' }))
    expect(JSON.parse(packed({ document: whole }))).toEqual({ base: 's1', patch: [] })
    const next = { ...whole, setups: [whole.setups[0], { collar: 3 }] }
    expect(JSON.parse(packed({ document: next }))).toEqual({
      base: 's1',
      patch: [{ op: 'replace', path: '/setups/1/collar', value: 3 }],
    })
  })
  it.each(['unknown base', 'bad patch'])('goes again whole where the server says %s, and is learned', async (code) => {
    learn(whole, 'old')
    const seen: unknown[] = []
    const fetch = vi.fn(async (r: Request) => {
      seen.push(JSON.parse(await r.text()))
      return seen.length === 1 ? answer({ error: { code } }, 409) : answer({ state: 'new' })
    })
    const found = await exchanged(asked({ document: whole, setup: 'plan' }), fetch)
    expect(await found.json()).toEqual({ state: 'new' })
    expect(seen).toEqual([
      { base: 'old', patch: [], setup: 'plan' },
      { document: whole, setup: 'plan' },
    ])
    expect(JSON.parse(packed({ document: whole }))).toEqual({ base: 'new', patch: [] })
  })
  it('leaves a save that came too late, and a body without a document, alone', async () => {
    learn(whole, 'known')
    const late = await exchanged(asked({ document: whole, revision: 1 }), async () =>
      answer({ error: { code: 'stale' } }, 409),
    )
    expect(late.status).toBe(409)
    expect(packed({ text: '12 mm' })).toBe('{"text":"12 mm"}')
    expect(packed(null)).toBe('null')
  })
  it('is whole again where the change is larger than the document is worth', () => {
    learn(whole, 'known')
    const other = { ...whole, notes: 'x'.repeat(9000) }
    expect(JSON.parse(packed({ document: other }))).toEqual({ document: other })
  })
  it('does not take the state of an act for that of the document it was asked of', async () => {
    await exchanged(asked({ document: whole, act: {} }), async () => answer({ state: 'after', patch: [] }))
    expect(JSON.parse(packed({ document: whole }))).toEqual({ document: whole })
  })
})
