/** Of all that can be found those that hold every word typed: by their own words first, then by words people also use. */
export function found<T extends { words: string; kind: string; also?: string }>(
  all: T[],
  text: string,
  most = 12,
): T[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const holds = (where: string): boolean => words.every((w) => where.toLowerCase().includes(w))
  const rank = (h: T): number => (holds(h.words) ? 0 : holds(`${h.words} ${h.kind}`) ? 1 : 2)
  return all
    .filter((h) => holds(`${h.words} ${h.kind} ${h.also ?? ''}`))
    .map((h, i) => ({ h, i, rank: rank(h) }))
    .sort((a, b) => a.rank - b.rank || a.i - b.i)
    .slice(0, most)
    .map(({ h }) => h)
}
