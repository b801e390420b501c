import { gunzipSync, gzipSync } from 'node:zlib'
import { LIMITS } from '@undo-ink/contracts'
import {
  type Classified,
  classify,
  decode,
  type FileChoice,
  ledgerOf,
  linkChannels,
  listPages,
  listVariables,
  packLedger,
  type Reading,
  readSource,
  syntaxOf,
  unpackLedger,
  type Words,
  wordsOf,
} from '@undo-ink/core'
import type { Tally } from '../../db/models.ts'

export interface FileToRead {
  readonly path: string
  readonly bytes: Uint8Array
  readonly choice: FileChoice | null
}

/** What one file is and holds; `body` null: not read. */
export interface FileRead {
  readonly about: Omit<Classified, 'source'>
  readonly places: number
  readonly body: Uint8Array | null
}

/** The files of a snapshot by path; the bodies of those that were read. */
export interface ToAssemble {
  readonly paths: readonly string[]
  readonly read: readonly { readonly path: string; readonly body: Uint8Array }[]
}

/** What an audit stores, in the form in which it is stored. */
export interface Assembled {
  readonly files: readonly { readonly path: string; readonly places: number; readonly body: Uint8Array }[]
  readonly ledger: Uint8Array
  readonly apart: Uint8Array
  readonly tallies: readonly Tally[]
  /** The pages of HTML, and every file that each reaches. */
  readonly pages: readonly { readonly path: string; readonly files: readonly string[] }[]
}

/** Some pages of a copy whose ledger is made. */
export interface PagesToRead {
  readonly ledger: Uint8Array
  readonly pages: readonly (Assembled['pages'][number] & { readonly bytes: Uint8Array })[]
}

/** Runs in a worker thread: reads one file. */
export function read({ path, bytes, choice }: FileToRead): FileRead {
  const { source, ...about } = classify(path, bytes, LIMITS.textBytes, choice)
  const reading = source && readSource(source)
  return { about, places: reading?.occurrences.length ?? 0, body: reading && gzipJson(reading) }
}

/** Runs in a worker thread: makes the audit of what all files hold, with what can be said only of all together. */
export function assemble({ paths, read }: ToAssemble): Assembled {
  const files = linkChannels(read.map(({ path, body }) => ({ path, reading: gunzipJson(body) as Reading })))
  const readings = files.map(({ path, reading }) => ({ path, ...reading }))
  const held = readings.filter(({ occurrences }) => occurrences.length > 0)
  const sitePages = listPages(files, paths)
  return {
    files: held.map((file) => ({
      path: file.path,
      places: file.occurrences.length,
      body: gzipSync(packLedger(ledgerOf([file])), { level: 1 }),
    })),
    ledger: gzipSync(packLedger(ledgerOf(held))),
    apart: gzipJson({
      readings: readings.flatMap(apartOf),
      variables: listVariables(files),
      pages: sitePages,
    }),
    tallies: tally(readings),
    pages: sitePages.pages.filter(({ path }) => syntaxOf(path) === 'html').map(({ path, files }) => ({ path, files })),
  }
}

/** Runs in a worker thread: what some pages show, and which places paint it. */
export function words({ ledger, pages }: PagesToRead): Words {
  const unpacked = unpackLedger(gunzipSync(ledger))
  if (!unpacked) throw new Error('the ledger that was just made cannot be read')
  const texts = pages.flatMap(({ path, files, bytes }) => {
    const source = decode(path, bytes)
    return typeof source === 'string' ? [] : [{ path, files, text: source.text }]
  })
  return wordsOf(texts, unpacked)
}

/** Runs in a worker thread: all words of a copy in the form in which they are stored. */
export function packWords(some: readonly Words[]): Uint8Array {
  return gzipJson({ texts: some.flatMap(({ texts }) => texts), runs: some.flatMap(({ runs }) => runs) })
}

/** What is listed of one file apart from its places; nothing where there is nothing. */
function apartOf({ path, keywords, computed, behaviors, findings }: Reading & { readonly path: string }) {
  const some = keywords.length + computed.length + behaviors.length + findings.length > 0
  return some ? [{ path, keywords, computed, behaviors, findings }] : []
}

function tally(readings: readonly Reading[]): Tally[] {
  const counts = new Map<string, Tally>()
  for (const { occurrences } of readings) {
    for (const { color, use } of occurrences) {
      const key = `${color} ${use}`
      counts.set(key, { color, use, count: (counts.get(key)?.count ?? 0) + 1 })
    }
  }
  return [...counts.values()]
}

/** At the lowest level, a quarter of the time: what is read again soon is not worth more. */
function gzipJson(value: unknown): Uint8Array {
  return gzipSync(JSON.stringify(value), { level: 1 })
}

function gunzipJson(bytes: Uint8Array): unknown {
  return JSON.parse(gunzipSync(bytes).toString())
}
