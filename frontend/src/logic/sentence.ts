import type { Figure } from '@/api/client'
import { percent, show, type System } from '@/units/format'

/** A finding's sentence with its numbers in the reader's units: "{held}" becomes "0.5 mm". */
export function sentence(text: string, numbers: Record<string, Figure> | undefined, system: System): string {
  return text.replace(/\{(\w+)\}/g, (_, name: string) => {
    const figure = numbers?.[name]
    if (!figure) return name
    const mark = figure.assumed ? '~' : ''
    if (figure.unit === '') return mark + (/ratio/.test(name) ? show(figure.value, '', system) : percent(figure.value))
    const small = figure.unit === 'm' && Math.abs(figure.value) < 0.02
    const text = show(figure.value, figure.unit, system, {
      unit: true,
      ...(small ? { kind: 'fine length' as const } : {}),
    })
    return mark + text.replace(/\.0+(?= |$)/, '')
  })
}
