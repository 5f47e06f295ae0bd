/** The tables that stand on the screen, as rows of text: what a field holds counts as its cell. */
export interface ShownTable {
  title: string
  rows: string[][]
}

const clean = (text: string): string =>
  text
    .replace(/\u2212/g, '-')
    .replace(/\s+/g, ' ')
    .trim()

function cellText(cell: Element): string {
  const words: string[] = []
  const walk = (node: Node): void => {
    if (node.nodeType === Node.TEXT_NODE) words.push(node.textContent ?? '')
    if (!(node instanceof Element)) return
    if (node instanceof HTMLInputElement)
      return void words.push(node.type === 'checkbox' ? (node.checked ? 'yes' : '') : node.value, ' ')
    if (node instanceof HTMLSelectElement) return void words.push(node.selectedOptions[0]?.textContent ?? '')
    // the name of a field stands in the head of its row and column already
    if (node instanceof HTMLLabelElement || node instanceof HTMLButtonElement) {
      if (node.classList.contains('seen-not') || node.classList.contains('qf-what')) return
    }
    node.childNodes.forEach(walk)
    words.push(' ')
  }
  walk(cell)
  return clean(words.join(''))
}

/** Every table under a place, in the order of the screen. */
export function tablesOf(root: ParentNode): ShownTable[] {
  return [...root.querySelectorAll('table')].map((table) => {
    const section = table.closest('section')
    const title =
      table.caption?.textContent ??
      table.getAttribute('aria-label') ??
      section?.getAttribute('aria-label') ??
      section?.querySelector('h2, h3')?.textContent ??
      ''
    const rows = [...table.rows].map((row) =>
      [...row.cells].flatMap((cell) => [cellText(cell), ...Array<string>(Math.max(0, cell.colSpan - 1)).fill('')]),
    )
    return { title: clean(title), rows: rows.filter((r) => r.some((c) => c)) }
  })
}

/** A cell as CSV; text that a spreadsheet would take for a formula is marked as text, a number is not. */
function cell(text: string): string {
  const plain = /^[=+\-@\t]/.test(text) && !/^[+-]?\d[\d.,]*$/.test(text) ? `'${text}` : text
  return /[",\n]/.test(plain) ? `"${plain.replace(/"/g, '""')}"` : plain
}

/** Tables one under the other, each under its name, as CSV. */
export const tablesCsv = (tables: ShownTable[]): string =>
  tables
    .map((t) => [...(t.title ? [[t.title]] : []), ...t.rows].map((row) => row.map(cell).join(',')).join('\n') + '\n')
    .join('\n')
