import { describe, expect, it } from 'vitest'

import { readBench } from './bench'

describe('readings of a bench', () => {
  it.each([
    [
      'mm,N\n10,250\n20,505',
      [
        [0.01, 250],
        [0.02, 505],
      ],
    ],
    [
      '10;250,5\n20;505',
      [
        [0.01, 250.5],
        [0.02, 505],
      ],
    ],
    [
      '10\t250\r\n\r\n20 505',
      [
        [0.01, 250],
        [0.02, 505],
      ],
    ],
  ])('reads %j', (text, pairs) => {
    expect(readBench(text, 0.001, 1)).toEqual({ pairs, wrong: [] })
  })
  it('names what it cannot read and drops nothing silently', () => {
    expect(readBench('squeeze, force\n10, 250\n20, about 500\n30', 0.001, 1).wrong).toEqual(['20, about 500', '30'])
    expect(readBench('10, 250 N', 0.001, 1)).toEqual({ pairs: [], wrong: ['10, 250 N'] })
  })
})
