import { describe, expect, it } from 'vitest'

import { sentence } from '@/logic/sentence'

import { percent, show } from './format'

describe('figures', () => {
  it('are written as on the sheet', () => {
    expect(show(-0.022, 'm', 'metric')).toBe('−22')
    expect(show(-0.0001, 'm', 'metric', { signed: true })).toBe('0')
    expect(show(36864, 'N/m', 'inch', { unit: true })).toBe('210 lbf/in')
    expect(show(0.0085535, 'rad', 'metric', { unit: true })).toBe('0.49°')
    expect(show(null, 'm', 'metric')).toBe('–')
    expect(percent(0.1421, { signed: true })).toBe('+14 %')
  })
  it('fill a sentence with the reader’s units and keep the mark of an estimate', () => {
    const numbers = {
      held: { value: 0.0024, unit: 'm', assumed: true },
      wanted: { value: 0.003, unit: 'm' },
      over: { value: 0.0426, unit: '' },
    }
    expect(sentence('Held by only {held}; {wanted} wanted, {over}', numbers, 'metric')).toBe(
      'Held by only ~2.4 mm; 3 mm wanted, 4 %',
    )
  })
})
