import type { Term } from '@/api/client'

const holds = (text: string, word: string): boolean =>
  new RegExp(`(^|[^\\p{L}])${word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}s?($|[^\\p{L}])`, 'iu').test(text)

/** The term that a label speaks of: its own word, else the longest one within it. */
export function termIn(label: string, terms: Term[]): Term | null {
  const text = label.trim().toLowerCase()
  if (!text) return null
  const exact = terms.find((t) => t.word === text || t.others?.some((o) => o.toLowerCase() === text))
  if (exact) return exact
  const within = terms.filter((t) => holds(text, t.word)).sort((a, b) => b.word.length - a.word.length)
  return within[0] ?? null
}
