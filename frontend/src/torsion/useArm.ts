import { computed, ref } from 'vue'

import type { EndName, TorsionArm } from '@/api/client'
import { useDraft } from '@/composables/useDraft'
import type { VehicleWork } from '@/composables/useVehicle'

export const ARM = ['length', 'angle', 'hub_to_arch'] as const
export const ARM_MORE = ['right_angle', 'chassis'] as const
export type ArmMember = (typeof ARM)[number] | (typeof ARM_MORE)[number]

/** The arm of a torsion bar at one end: it stands in the document once its length and left angle are told; till then they wait. */
export function useArm(vehicle: VehicleWork, end: EndName) {
  const arm = computed(() => vehicle.document.value?.vehicle.ends?.[end]?.arm ?? null)
  const found = (side: string): number | null =>
    vehicle.document.value?.surveys?.[0]?.readings?.find(
      (r) => r.quantity === 'hub_to_arch' && r.place === `${end}_${side}`,
    )?.value ?? null
  const draft = useDraft(`${vehicle.id} ${end} arm`, ARM)
  const more = useDraft(`${vehicle.id} ${end} arm more`, ARM_MORE)
  /** What else was told of an arm whose length or angle was cleared. */
  const rest = ref<TorsionArm | null>(null)
  const write = (value: TorsionArm | null): void =>
    vehicle.edit(`${end} arm`, [{ path: ['vehicle', 'ends', end, 'arm'], value }])
  const set = (values: Partial<TorsionArm>): void => {
    if (arm.value) write({ ...arm.value, ...values })
  }
  function put(member: ArmMember, value: number | null): void {
    if (member === 'right_angle' || member === 'chassis') {
      if (arm.value) return set({ [member]: value })
      return void more.put(member, value)
    }
    if (arm.value && value === null) {
      const { length, angle, hub_to_arch } = arm.value
      draft.park({ length, angle, hub_to_arch, [member]: null })
      rest.value = arm.value
      return write(null)
    }
    if (arm.value) return write({ ...arm.value, [member]: value })
    const whole = draft.put(member, value, { hub_to_arch: found('left') })
    if (!whole) return
    const others = Object.fromEntries(ARM_MORE.map((m) => [m, more.get(m)]).filter(([, v]) => v !== null))
    more.take()
    write({ motion: 'trailing', ...rest.value, ...others, ...whole } as TorsionArm)
  }
  const get = (member: ArmMember): number | null => {
    if (arm.value) return arm.value[member] ?? null
    return member === 'right_angle' || member === 'chassis' ? more.get(member) : draft.get(member)
  }
  return { arm, found, put, set, get }
}
