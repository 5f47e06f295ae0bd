/** A part's tolerances with that of one member: the one typed with its number, or none. */
export function toleranceOf(
  part: { tolerances?: Record<string, number> } | null | undefined,
  member: string,
  tolerance: number | null,
): Record<string, number> {
  const others = Object.entries(part?.tolerances ?? {}).filter(([name]) => name !== member)
  return Object.fromEntries(tolerance === null ? others : [...others, [member, tolerance]])
}
