import { type IndexedLedger, indexLedger, unpackLedger, viewLedger, withStandings } from '@undo-ink/core'
import type { LedgerAnswer, LedgerAsk } from './ledger-desk.ts'

let indexed: IndexedLedger | null = null

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
    case 'view': {
      if (!indexed) return
      const viewed = viewLedger(indexed, data.view)
      const answer: LedgerAnswer = { id: data.id, viewed }
      const { places, counts, distances } = viewed.groups
      const columns = [...new Set([viewed.shown, places, counts])].map(({ buffer }) => buffer)
      postMessage(answer, { transfer: distances ? [...columns, distances.buffer] : columns })
    }
  }
})
