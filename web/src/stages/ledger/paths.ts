import type { OpaqueKey } from '@undo-ink/core'
import type { PlaceOf } from '../../work/places.ts'
import { type LedgerAddress, readAddress, writeAddress } from './address.ts'

/** Where the places of a site stand, those of a view that is given in part. */
export function placesPath(siteId: string, part: Partial<LedgerAddress>): string {
  const address = { ...readAddress(new URLSearchParams()), ...part }
  return `/sites/${siteId}/ledger/places?${writeAddress(address)}`
}

/** Where one place stands among all. */
export function placePath(siteId: string, { path, range }: Pick<PlaceOf, 'path' | 'range'>): string {
  return placesPath(siteId, { place: { path, start: range.start } })
}

/** Where a color has its page. */
export function colorPath(siteId: string, color: OpaqueKey): string {
  return `/sites/${siteId}/ledger/colors/${encodeURIComponent(color)}`
}

/** Where a cluster is decided. */
export function mappingPath(siteId: string, lead: OpaqueKey): string {
  return `/sites/${siteId}/mapping/clusters?row=${encodeURIComponent(lead)}`
}

/** Where a page is looked at. */
export function lookPath(siteId: string, page: string): string {
  return `/sites/${siteId}/look?page=${encodeURIComponent(page)}`
}
