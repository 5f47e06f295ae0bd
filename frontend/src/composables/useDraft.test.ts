import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'

beforeEach(() => {
  sessionStorage.clear()
  vi.resetModules()
})
const fresh = async () => (await import('./useDraft')).useDraft

describe('numbers that count only together', () => {
  it('wait one by one, say what is missing, and come out whole', async () => {
    const draft = (await fresh())('arm', ['length', 'angle', 'height'] as const)
    expect(draft.put('angle', 0.2, { height: 0.35 })).toBeNull()
    expect(draft.get('angle')).toBe(0.2)
    expect(draft.missing()).toEqual(['length', 'height'])
    expect(draft.put('length', 0.4, { height: 0.35 })).toEqual({ length: 0.4, angle: 0.2, height: 0.35 })
    expect(draft.get('angle')).toBeNull()
  })

  it('are put aside when one of them is cleared, and taken up by the next', async () => {
    const use = await fresh()
    const draft = use('gas', ['pressure', 'rod'] as const)
    draft.park({ pressure: 9e5, rod: null })
    expect(use('gas', ['pressure', 'rod'] as const).get('pressure')).toBe(9e5)
    expect(draft.missing()).toEqual(['rod'])
    expect(draft.put('rod', 0.014)).toEqual({ pressure: 9e5, rod: 0.014 })
    draft.park({ pressure: 8e5 })
    expect(draft.take()).toEqual({ pressure: 8e5 })
    expect(draft.take()).toEqual({})
  })

  it('are there still after the tab was loaded anew, each vehicle its own', async () => {
    ;(await fresh())('one seat', ['height', 'x'] as const).put('height', 0.8)
    await nextTick()
    vi.resetModules()
    const use = await fresh()
    expect(use('one seat', ['height', 'x'] as const).get('height')).toBe(0.8)
    expect(use('other seat', ['height', 'x'] as const).get('height')).toBeNull()
  })

  it('begin with nothing where the browser keeps nothing or something else', async () => {
    sessionStorage.setItem('feder-waiting', '{broken')
    const draft = (await fresh())('arm', ['length', 'angle'] as const)
    expect(draft.missing()).toEqual([])
    expect(draft.put('length', 1)).toBeNull()
  })
})
