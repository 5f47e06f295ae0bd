const PLACE = 'feder-last'

/** The vehicle this tab worked at last, and the station: the way back from the shelf. */
export interface Last {
  id: string
  name: string
  station: string
}
export function rememberVehicle(last: Last): void {
  try {
    sessionStorage.setItem(PLACE, JSON.stringify(last))
  } catch {
    // without it there is no way back but the garage
  }
}
export function lastVehicle(): Last | null {
  try {
    return JSON.parse(sessionStorage.getItem(PLACE) ?? 'null') as Last | null
  } catch {
    return null
  }
}
