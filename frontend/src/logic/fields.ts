/** The same on two wheels. */
export const FIELDS_OF_TWO: typeof FIELDS = [
  { words: 'Use, sag targets, lean wanted', station: 'brief', hash: '#use' },
  { words: 'What is wrong now', station: 'brief', hash: '#complaint' },
  { words: 'Sag readings, extended, bike alone, rider on', station: 'survey', hash: '' },
  { words: 'Spring, preload, pressure as found, weights', station: 'survey', hash: '#as-found' },
  { words: 'Known damage', station: 'survey', hash: '#damage' },
  { words: 'Wheelbase, tyre radius', station: 'geometry', hash: '#dimensions' },
  { words: 'Rake, offset, travel, leverage, rear arm', station: 'geometry', hash: '' },
  { words: 'Verdict, turns, pressure, springs by sag', station: 'height', hash: '' },
  { words: 'Lean, seat height, what it takes', station: 'height', hash: '' },
  { words: 'Clicks, oil level, spacers, tyre pressure', station: 'height', hash: '#settings' },
]
/** Fields that can be found by name: the station they stand at, and the anchor there. */
export const FIELDS: { words: string; station: string; hash: string }[] = [
  { words: 'Use, frequency target', station: 'brief', hash: '#use' },
  { words: 'What is wrong now', station: 'brief', hash: '#complaint' },
  { words: 'Flat ride or stiff front', station: 'brief', hash: '#schools' },
  { words: 'Corner weights', station: 'survey', hash: '#weights' },
  { words: 'Heights, floor to arch, hub to arch', station: 'survey', hash: '#heights' },
  { words: 'Known damage', station: 'survey', hash: '#damage' },
  { words: 'Spring as found', station: 'survey', hash: '#as-found' },
  { words: 'Wheelbase, track, overhang', station: 'geometry', hash: '#dimensions' },
  { words: 'Motion ratio', station: 'geometry', hash: '#ratios' },
  { words: 'Unsprung mass', station: 'geometry', hash: '#ratios' },
  { words: 'Damper coefficient', station: 'geometry', hash: '#ratios' },
  { words: 'Travel limits: droop, stop, solid, tyre contact', station: 'geometry', hash: '#limits-front' },
  { words: 'Collar, turns', station: 'height', hash: '#height-front_left' },
  { words: 'Seat length', station: 'height', hash: '#height-front_left' },
  { words: 'Measured after fitting, correction', station: 'height', hash: '#fitted' },
  { words: 'Range of the kit, wheel spacers', station: 'height', hash: '#settings' },
  { words: 'Clicks, tyre pressure, camber, toe', station: 'height', hash: '#settings' },
]
