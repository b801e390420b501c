import { apartIn, placesCsv, placesJson, wordsSchema } from '@undo-ink/contracts'
import {
  follower,
  type IndexedLedger,
  indexLedger,
  type LedgerView,
  observeColors,
  placeAt,
  suggester,
  together,
  unpackLedger,
  variablesApart,
  viewLedger,
  withStandings,
  withWords,
} from '@undo-ink/core'
import type {
  ExportFormat,
  LedgerAnswer,
  LedgerAsk,
  SeenColors,
  SuggestionQuestion,
  Suggestions,
} from './ledger-desk.ts'

let indexed: IndexedLedger | null = null
let apart: Uint8Array | null = null
let observed: SeenColors | null = null
/** What suggests in the palette that was asked for last, by its text. */
let suggesting: { readonly palette: string; readonly suggest: ReturnType<typeof suggester> } | null = null

/** Keeps the whole ledger of a site, and answers views of it. */
addEventListener('message', ({ data }: MessageEvent<LedgerAsk>) => {
  switch (data.kind) {
    case 'open': {
      const ledger = unpackLedger(data.bytes)
      const surroundings = { ...data, standings: new Uint8Array(ledger?.length ?? 0) }
      indexed = ledger && indexLedger(ledger, surroundings)
      return
    }
    case 'standings':
      indexed = indexed && withStandings(indexed, data.standings)
      return
    case 'words':
      indexed = indexed && withWords(indexed, wordsSchema.parse(JSON.parse(new TextDecoder().decode(data.bytes))))
      return
    case 'view': {
      if (!indexed) return
      const viewed = viewLedger(indexed, data.view)
      const answer: LedgerAnswer = { kind: 'viewed', id: data.id, viewed }
      const { places, counts, distances } = viewed.groups
      const columns = [...new Set([viewed.shown, places, counts])].map(({ buffer }) => buffer)
      postMessage(answer, { transfer: distances ? [...columns, distances.buffer] : columns })
      return
    }
    case 'export': {
      if (!indexed) return
      const answer: LedgerAnswer = { kind: 'exported', file: exported(indexed, data.view, data.format) }
      postMessage(answer)
      return
    }
    case 'apart':
      apart = data.bytes
      return
    case 'observe': {
      const answer: LedgerAnswer = { kind: 'observed', seen: seenColors() }
      postMessage(answer)
      return
    }
    case 'suggest': {
      const answer: LedgerAnswer = { kind: 'suggested', suggestions: suggestionsFor(data) }
      postMessage(answer)
    }
  }
})

/** Looked for once. */
function seenColors(): SeenColors {
  if (!observed && indexed && apart) {
    observed = observeColors(indexed.ledger, follower(variablesApart(apartIn(apart))))
    apart = null
  }
  return observed ?? new Map()
}

function suggestionsFor({ roles, clusters }: SuggestionQuestion): Suggestions {
  const seen = seenColors()
  const palette = JSON.stringify(roles)
  if (suggesting?.palette !== palette) suggesting = { palette, suggest: suggester(roles) }
  return suggesting.suggest(
    clusters.map(({ lead, members }) => ({ lead, seen: together(members.flatMap((key) => seen.get(key) ?? [])) })),
  )
}

/** The places of a view, in its order, as the command line writes them too. */
function exported(indexed: IndexedLedger, view: LedgerView, format: ExportFormat): Blob {
  const { ledger } = indexed
  const { shown } = viewLedger(indexed, view)
  function* places() {
    for (const at of shown) {
      const { index, ...place } = placeAt(ledger, at)
      yield place
    }
  }
  return format === 'csv'
    ? new Blob([...placesCsv(places())], { type: 'text/csv' })
    : new Blob([...placesJson(places())], { type: 'application/json' })
}
