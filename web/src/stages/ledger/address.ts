import {
  FACETS,
  type Facet,
  GROUPINGS,
  type Grouping,
  type LedgerView,
  type OpaqueKey,
  readQuery,
} from '@undo-ink/core'

/** What the address of the ledger says: everything that is needed to come back to it, or to send it. */
export interface LedgerAddress {
  /** As typed into the field of search. */
  readonly typed: string
  /** ΔE00 within which colors are near the one that is sought. */
  readonly reach: number
  readonly chosen: LedgerView['chosen']
  /** null: by color where a color is sought, else by file. */
  readonly grouping: Grouping | null
  /** Leads of the stretch of the bands that is chosen. */
  readonly stretch: readonly OpaqueKey[]
  readonly columns: readonly string[] | null
  /** Whether see-through colors are shown at alpha 1, to see which color they really are. */
  readonly fullStrength: boolean
  /** The place that is selected: its file and where it begins there. */
  readonly place: { readonly path: string; readonly start: number } | null
}

export const REACHES = { least: 0, most: 30, usual: 5 } as const

/** Names of the address beside those of the facets. */
const NAMES = {
  typed: 'find',
  reach: 'reach',
  grouping: 'by',
  stretch: 'cluster',
  columns: 'columns',
  place: 'place',
  strength: 'strength',
}

/** Reads an address. What it says that cannot be is as if it were not there; a value that no longer is stays, and finds nothing. */
export function readAddress(params: URLSearchParams): LedgerAddress {
  const chosen: Partial<Record<Facet, readonly string[]>> = {}
  for (const facet of FACETS) if (params.has(facet)) chosen[facet] = params.getAll(facet)
  const reach = Number(params.get(NAMES.reach) ?? REACHES.usual)
  return {
    typed: params.get(NAMES.typed) ?? '',
    reach: reach >= REACHES.least && reach <= REACHES.most ? reach : REACHES.usual,
    chosen,
    grouping: GROUPINGS.find((each) => each === params.get(NAMES.grouping)) ?? null,
    stretch: params.getAll(NAMES.stretch),
    columns: params.has(NAMES.columns) ? (params.get(NAMES.columns) as string).split(' ').filter(Boolean) : null,
    fullStrength: params.get(NAMES.strength) === 'full',
    place: readPlace(params.get(NAMES.place)),
  }
}

function readPlace(text: string | null): LedgerAddress['place'] {
  const [, path, start] = /^(.+):(\d+)$/.exec(text ?? '') ?? []
  return path === undefined ? null : { path, start: Number(start) }
}

/** Writes an address; what is as it usually is is left out. */
export function writeAddress({
  typed,
  reach,
  chosen,
  grouping,
  stretch,
  columns,
  fullStrength,
  place,
}: LedgerAddress): URLSearchParams {
  const params = new URLSearchParams()
  if (typed !== '') params.set(NAMES.typed, typed)
  if (reach !== REACHES.usual) params.set(NAMES.reach, String(reach))
  for (const facet of FACETS) for (const value of chosen[facet] ?? []) params.append(facet, value)
  if (grouping !== null) params.set(NAMES.grouping, grouping)
  for (const lead of stretch) params.append(NAMES.stretch, lead)
  if (columns !== null) params.set(NAMES.columns, columns.join(' '))
  if (fullStrength) params.set(NAMES.strength, 'full')
  if (place !== null) params.set(NAMES.place, `${place.path}:${place.start}`)
  return params
}

/** The view that an address asks for. @param colors of the stretch that is chosen; null: all @param whole the facet whose values are all shown */
export function viewOf(address: LedgerAddress, colors: readonly OpaqueKey[] | null, whole: Facet | null): LedgerView {
  const query = readQuery(address.typed)
  const near = query?.kind === 'color' ? { color: query.color, reach: address.reach } : null
  return {
    chosen: address.chosen,
    colors,
    near,
    text: query && query.kind !== 'color' ? query.text : '',
    isFamily: query?.kind === 'family',
    grouping: groupingOf(address),
    whole,
  }
}

/** By color where a color is sought, so that the nearest stands first. */
function groupingOf({ grouping, typed }: LedgerAddress): Grouping {
  const kind = readQuery(typed)?.kind
  return grouping ?? (kind === 'color' || kind === 'family' ? 'color' : 'file')
}
