import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

import { describe, expect, it } from 'vitest'

import { FIELDS, FIELDS_OF_TWO, type Found } from './fields'
import { found } from './find'
import { STATIONS } from './stations'

const hits = (fields: Found[], text: string): string[] =>
  found(
    fields.map((f) => ({ ...f, kind: f.station })),
    text,
  ).map((f) => f.words)

describe('find', () => {
  it.each([
    ['sway bar', 'Anti-roll bar'],
    ['droop', 'Full droop'],
    ['rate', 'Spring rate, springs on the shelf'],
    ['ride height', 'Hub to arch'],
    ['corner weights', 'Weight at each corner'],
    ['leverage', 'Motion ratio'],
    ['tire', 'Tyre radius, tyre rate'],
    ['alignment', 'Camber, toe'],
    ['bumper', 'Bump stop: shaft, length, squeeze, force'],
  ])('finds by other words people use: %s', (text, words) => {
    expect(hits(FIELDS, text)).toContain(words)
  })
  it('puts what is called so before what is also called so', () => {
    const all = [
      { words: 'Anti-roll bar', kind: 'geometry', also: 'rate' },
      { words: 'Spring rate', kind: 'springs' },
    ]
    expect(found(all, 'rate').map((h) => h.words)).toEqual(['Spring rate', 'Anti-roll bar'])
    expect(found(all, 'rate nothing')).toEqual([])
    expect(found(all, '  ', 1)).toHaveLength(1)
  })
  it('leads to stations and places that are there', () => {
    const stations = new Set<string>(STATIONS.map((s) => s.id))
    const src = join(__dirname, '..')
    const pages = readdirSync(src, { recursive: true, encoding: 'utf8' })
      .filter((f) => f.endsWith('.vue'))
      .map((f) => readFileSync(join(src, f), 'utf8'))
      .join('\n')
    for (const f of [...FIELDS, ...FIELDS_OF_TWO]) {
      expect(stations, f.words).toContain(f.station)
      if (!f.hash) continue
      const id = f.hash.slice(1)
      const stem = id.replace(/(front_left|front)$/, '')
      const there = [`id="${id}"`, `'${id}'`, `anchor: '${id}'`, `:id="\`${stem}\${`].some((words) =>
        pages.includes(words),
      )
      expect(there, `${f.words}: ${f.hash}`).toBe(true)
    }
  })
})
