import createClient from 'openapi-fetch'

import type { components, paths } from './schema'

type Schemas = components['schemas']
export type Document = Schemas['Document']
export type Setup = Schemas['Setup']
export type SideSetup = Schemas['SideSetup']
export type SpringPart = Schemas['SpringPart']
export type Report = Schemas['Report']
export type CornerReport = Schemas['CornerReport']
export type EndReport = Schemas['EndReport']
export type Figure = Schemas['Figure']
export type Finding = Schemas['Finding']
export type StationReport = Schemas['StationReport']
export type Candidate = Schemas['Candidate']
export type Outline = Schemas['Outline']
export type WorkingLine = Schemas['WorkingLine']
export type Uncertainty = Schemas['Uncertainty']
export type VehicleSummary = Schemas['VehicleSummary']
export type StoredVehicle = Schemas['StoredVehicle']
export type ShelfPart = Schemas['ShelfPart']
export type NewVehicle = Schemas['NewVehicle']
export type Reading = Schemas['Reading']
export type Place = Schemas['Place']
export type EndName = 'front' | 'rear'
export type Station = StationReport['station']

export const PLACES: Place[] = ['front_left', 'front_right', 'rear_left', 'rear_right']
export const placeWords = (place: string): string => place.replace('_', ' ')
export const endOf = (place: Place): EndName => (place.startsWith('front') ? 'front' : 'rear')
export const mirrorOf = (place: Place): Place =>
  (place.endsWith('left') ? place.replace('left', 'right') : place.replace('right', 'left')) as Place

export const api = createClient<paths>({ baseUrl: window.location.origin, fetch: (request) => globalThis.fetch(request) })

/** The sentence of an error answer, or a plain one when the server did not answer. */
export function messageOf(error: unknown): string {
  const body = error as { error?: { message?: string } } | undefined
  return body?.error?.message ?? 'Feder does not answer. What you typed is kept here; is it still running?'
}
