import { describe, expect, it } from 'vitest'

import { boundsOf, plainNumber, SETS } from './read'

describe('a plain number', () => {
  it('is read here as the server reads it, to the last digit', () => {
    expect(plainNumber('71', 0.001)).toBe(0.071)
    expect(plainNumber(' 352.5 ', 0.001)).toBe(0.3525)
    expect(plainNumber('−20', 0.001)).toBe(-0.02)
    expect(plainNumber('-.5', 0.0254)).toBeCloseTo(-0.0127, 12)
    expect(plainNumber('60', 1000)).toBe(60000)
    expect(plainNumber('3.', 1)).toBe(3)
  })
  it('is nothing else: what carries words, a comma or a fraction is read by the server', () => {
    for (const text of ['', '12 mm', '2 1/4', '1,500', '1.2.3', '1e3', '21 30', '--2', '9'.repeat(30)])
      expect(plainNumber(text, 1)).toBeNull()
  })
})

describe('what a field takes', () => {
  it('comes from the core by the name it has in the document', () => {
    expect(boundsOf('End.track')).toEqual({ si: 'm', low: 0.3, high: 4 })
    expect(() => boundsOf('End.colour')).toThrow('no bounds')
    expect(SETS['hub_to_arch']).toBe('height')
  })
})
