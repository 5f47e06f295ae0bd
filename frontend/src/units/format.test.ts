import { describe, expect, it } from 'vitest'

import { sentence } from '@/logic/sentence'

import { choicesOf, percent, show, systemWords, withUnit } from './format'

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

describe('a unit of its own', () => {
  it('is shown for its quantity and leaves the others', () => {
    const system = withUnit('metric', 'pressure', 'psi')
    expect(system).toBe('metric;pressure=psi')
    expect(show(2e5, 'Pa', system, { unit: true })).toBe('29.0 psi')
    expect(show(0.354, 'm', system, { unit: true })).toBe('354 mm')
    expect(show(0.0254, 'm', withUnit(system, 'length', 'in'), { kind: 'fine length' })).toBe('1.000')
  })
  it('is dropped where it is chosen as the system has it, and of two the last counts', () => {
    expect(withUnit('metric;pressure=psi', 'pressure', 'bar')).toBe('metric')
    expect(withUnit('metric;pressure=psi;mass=lb', 'mass', 'kg')).toBe('metric;pressure=psi')
    expect(choicesOf('inch;mass=kg').find((c) => c.group === 'mass')).toMatchObject({ now: 'kg' })
    expect(systemWords('metric;rate=lbf/in')).toBe('mm · lbf/in')
  })
})
