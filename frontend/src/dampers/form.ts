import type { DamperPart } from '@/api/client'

type Maybe = number | null
/** A damper as it is typed: what is not known stays empty. */
export interface DamperFormState {
  code: string
  mounts: string
  extended: Maybe
  shut: Maybe
  body: Maybe
  body_least: Maybe
  body_most: Maybe
  engaged: Maybe
  least_engaged: Maybe
  rod_diameter: Maybe
  gas_pressure: Maybe
  coefficient: Maybe
  carries: 'not told' | 'yes' | 'no'
  rebound: Maybe
  bump: Maybe
  high_bump: Maybe
  both: Maybe
  from: 'fully closed' | 'fully open'
  stop_length: Maybe
  stop_shaft: Maybe
  note: string
}
export const KNOBS = ['rebound', 'bump', 'high_bump', 'both'] as const
export const KNOB_WORDS = {
  rebound: 'rebound clicks',
  bump: 'bump clicks',
  high_bump: 'high-speed bump clicks',
  both: 'clicks of one knob on both',
} as const

/** The form filled with a damper, or empty. */
export function filled(part?: DamperPart | null): DamperFormState {
  const clicks = (acts: string): Maybe => part?.knobs?.find((k) => k.acts === acts)?.clicks ?? null
  return {
    code: part?.code ?? '',
    mounts: part?.mounts ?? '',
    extended: part?.extended ?? null,
    shut: part?.shut ?? null,
    body: part?.body ?? null,
    body_least: part?.body_least ?? null,
    body_most: part?.body_most ?? null,
    engaged: part?.engaged ?? null,
    least_engaged: part?.least_engaged ?? null,
    rod_diameter: part?.rod_diameter ?? null,
    gas_pressure: part?.gas_pressure ?? null,
    coefficient: part?.coefficient?.value ?? null,
    carries: part?.carries_spring == null ? 'not told' : part.carries_spring ? 'yes' : 'no',
    rebound: clicks('rebound'),
    bump: clicks('bump'),
    high_bump: clicks('high_bump'),
    both: clicks('both'),
    from: part?.knobs?.[0]?.counted_from ?? 'fully closed',
    stop_length: part?.stop?.length ?? null,
    stop_shaft: part?.stop?.shaft ?? null,
    note: part?.note ?? '',
  }
}

/** What is missing before the form makes a damper: in words, nothing when it does. */
export function missing(form: DamperFormState): string {
  if (!form.code.trim()) return 'It needs a name or code.'
  if ((form.stop_length === null) !== (form.stop_shaft === null))
    return `Its stop counts once ${form.stop_length === null ? 'its length' : 'the shaft that shows'} is typed too.`
  return ''
}

/** The damper that the form tells; what it had beside that it keeps. */
export function damperOf(form: DamperFormState, was?: DamperPart | null): DamperPart {
  const { rebound, bump, high_bump, both } = form
  const clicks = { rebound, bump, high_bump, both }
  return {
    ...was,
    kind: 'damper',
    code: form.code.trim(),
    mounts: form.mounts.trim(),
    extended: form.extended,
    shut: form.shut,
    body: form.body,
    body_least: form.body_least,
    body_most: form.body_most,
    engaged: form.engaged,
    least_engaged: form.least_engaged,
    rod_diameter: form.rod_diameter,
    gas_pressure: form.gas_pressure,
    carries_spring: form.carries === 'not told' ? null : form.carries === 'yes',
    coefficient: form.coefficient === null ? null : { how: 'typed', ...was?.coefficient, value: form.coefficient },
    stop:
      form.stop_length === null || form.stop_shaft === null
        ? null
        : { ...was?.stop, length: form.stop_length, shaft: form.stop_shaft },
    knobs: KNOBS.filter((acts) => clicks[acts] !== null).map((acts) => ({
      ...was?.knobs?.find((k) => k.acts === acts),
      acts,
      clicks: clicks[acts]!,
      counted_from: form.from,
    })),
    note: form.note,
  }
}
