import { describe, expect, it } from 'vitest'

import { tablesCsv, tablesOf } from './tables'

const page = (html: string): ParentNode => {
  const root = document.createElement('div')
  root.innerHTML = html
  return root
}

describe('tables on the screen as CSV', () => {
  it('takes what is written, typed, chosen and ticked, under the name of the table', () => {
    const root = page(`<section aria-label="Weights"><table>
      <tr><th>what</th><th>front  left</th><th>fits</th></tr>
      <tr><th>weight</th><td><label class="seen-not">weight, front left</label><input value="308.5"> kg</td>
        <td><input type="checkbox" checked></td></tr>
      <tr><th>read by</th><td><select><option>tape</option><option selected>laser</option></select></td><td></td></tr>
    </table></section><p>no table</p>`)
    expect(tablesOf(root)).toEqual([
      {
        title: 'Weights',
        rows: [
          ['what', 'front left', 'fits'],
          ['weight', '308.5 kg', 'yes'],
          ['read by', 'laser', ''],
        ],
      },
    ])
  })
  it('keeps columns apart where a cell spans several, and leaves empty rows out', () => {
    const root = page(
      '<table><caption>Spans</caption><tr><td colspan="2">a</td><td>b</td></tr><tr><td></td></tr></table>',
    )
    expect(tablesCsv(tablesOf(root))).toBe('Spans\na,,b\n')
  })
  it('writes numbers as numbers and starts no formula', () => {
    const csv = tablesCsv([
      { title: '', rows: [['−22'.replace('−', '-'), '+0.4', '=SUM(A1)', '-x', '@y', 'a "b", c']] },
    ])
    expect(csv).toBe(`-22,+0.4,'=SUM(A1),'-x,'@y,"a ""b"", c"\n`)
  })
  it('writes a true minus sign as a hyphen that spreadsheets read', () => {
    expect(tablesCsv(tablesOf(page('<table><tr><td>−1.25</td></tr></table>')))).toBe('-1.25\n')
  })
})
