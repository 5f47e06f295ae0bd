/** The layouts of a car's end, in the words of the screen. */
export const LAYOUTS = [
  { value: 'strut', title: 'Strut, spring on it' },
  { value: 'wishbone', title: 'Wishbones, coilover' },
  { value: 'divorced', title: 'Spring and damper apart' },
  { value: 'torsion arm', title: 'Arm on a torsion bar' },
  { value: 'live axle', title: 'Live axle' },
] as const
