import { gunzipSync, gzipSync } from 'node:zlib'
import { LIMITS } from '@undo-ink/contracts'
import {
  assembleSite,
  classify,
  decode,
  type FileAbout,
  type FileChoice,
  follower,
  joinWords,
  ledgerOf,
  linkVariables,
  listVariables,
  type OpaqueKey,
  outlineOf,
  type PackedApart,
  packApart,
  packLedger,
  packReading,
  type Reading,
  readSource,
  type ScopePage,
  syntaxOf,
  unpackLedger,
  unpackReading,
  variablesApart,
  type Words,
  wordsOf,
} from '@undo-ink/core'
import type { AuditRow } from '../../db/models.ts'

export interface FileToRead {
  readonly path: string
  readonly bytes: Uint8Array
  readonly choice: FileChoice | null
}

/** What one file is and holds; `body` null: not read. */
export interface FileRead {
  readonly about: FileAbout
  readonly places: number
  readonly body: Uint8Array | null
}

/** The files of a snapshot by path, with what was read of each. */
export type ToAssemble = readonly {
  readonly path: string
  readonly about: FileAbout
  readonly choice: FileChoice | null
  readonly body: Uint8Array | null
}[]

/** What the list of sites tells of a copy. */
export type Totals = Pick<AuditRow, 'places' | 'possible' | 'lead'>

/** What an audit stores, in the form in which it is stored. */
export interface Assembled {
  /** What each file is for its site, in the order given. */
  readonly abouts: readonly FileAbout[]
  readonly files: readonly { readonly path: string; readonly places: number; readonly body: Uint8Array }[]
  readonly ledger: Uint8Array
  readonly apart: Uint8Array
  readonly pages: Uint8Array
  readonly totals: Totals
  /** The pages of HTML, and every file that each reaches. */
  readonly toShow: readonly { readonly path: string; readonly files: readonly string[] }[]
}

/** Some pages of a copy whose ledger is made. */
export interface PagesToRead {
  readonly ledger: Uint8Array
  readonly apart: Uint8Array
  readonly pages: readonly (Assembled['toShow'][number] & { readonly bytes: Uint8Array })[]
}

/** Runs in a worker thread: reads one file. */
export function read({ path, bytes, choice }: FileToRead): FileRead {
  const { source, ...about } = classify(path, bytes, LIMITS.textBytes, choice)
  const reading = source && readSource(source)
  return {
    about,
    places: reading?.occurrences.length ?? 0,
    body: reading && gzipSync(packReading(reading), { level: 1 }),
  }
}

/** Runs in a worker thread: makes the audit of what all files hold, with what can be said only of all together. */
export function assemble(files: ToAssemble): Assembled {
  const held = new Map<string, Reading>()
  const site = assembleSite(
    files.map(({ body, ...file }) => ({
      ...file,
      outline() {
        const reading = body && unpackReading(gunzipSync(body).toString())
        if (reading) held.set(file.path, reading)
        return reading && outlineOf(reading)
      },
    })),
  )
  const read = linkVariables(
    files.flatMap(({ path }, i) => {
      const reading = site.abouts[i]?.skipped === null ? held.get(path) : undefined
      return reading ? [{ path, reading }] : []
    }),
  )
  const readings = read.map(({ path, reading }) => ({ path, ...reading }))
  const painting = readings.filter(({ occurrences }) => occurrences.length > 0)
  return {
    abouts: site.abouts,
    files: painting.map((file) => ({
      path: file.path,
      places: file.occurrences.length,
      body: gzipSync(packLedger(ledgerOf([file])), { level: 1 }),
    })),
    ledger: gzipSync(packLedger(ledgerOf(painting))),
    apart: gzipJson({ ...packApart({ readings, variables: listVariables(read) }), pages: site.pages }),
    pages: gzipJson(site.pages.pages.map(({ path, files, hook }): ScopePage => ({ path, files, hook }))),
    totals: totalsOf(readings),
    toShow: site.pages.pages
      .filter(({ path }) => syntaxOf(path) === 'html')
      .map(({ path, files }) => ({ path, files })),
  }
}

/** Runs in a worker thread: what some pages show, and which places paint it. */
export function words({ ledger, apart, pages }: PagesToRead): Words {
  const unpacked = unpackLedger(gunzipSync(ledger))
  if (!unpacked) throw new Error('the ledger that was just made cannot be read')
  const texts = pages.flatMap(({ path, files, bytes }) => {
    const source = decode(path, bytes)
    return typeof source === 'string' ? [] : [{ path, files, text: source.text }]
  })
  return wordsOf(texts, unpacked, follower(variablesApart(gunzipJson(apart) as PackedApart)))
}

/** Runs in a worker thread: all words of a copy in the form in which they are stored. */
export function packWords(some: readonly Words[]): Uint8Array {
  return gzipJson(joinWords(some))
}

function totalsOf(readings: readonly Reading[]): Totals {
  const counts = new Map<OpaqueKey, number>()
  let [places, possible] = [0, 0]
  for (const { occurrences } of readings)
    for (const { color, confidence } of occurrences) {
      places++
      if (confidence === 'possible') possible++
      counts.set(color, (counts.get(color) ?? 0) + 1)
    }
  const mostUsed = [...counts].toSorted(([a, m], [b, n]) => n - m || (a < b ? -1 : 1)).slice(0, MOST_LEADING)
  return { places, possible, lead: mostUsed.map(([color]) => color) }
}

/** Colors of a copy that are shown in the list of sites. */
const MOST_LEADING = 8

/** At the lowest level, a quarter of the time: what is read again soon is not worth more. */
function gzipJson(value: unknown): Uint8Array {
  return gzipSync(JSON.stringify(value), { level: 1 })
}

function gunzipJson(bytes: Uint8Array): unknown {
  return JSON.parse(gunzipSync(bytes).toString())
}
