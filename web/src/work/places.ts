import type { Snapshot } from '@undo-ink/contracts'
import {
  type ApartReading,
  append,
  type Behavior,
  type Column,
  type Computed,
  countBy,
  groupBy,
  type Keyword,
  type Ledger,
  type LedgerPlace,
  listAt,
  listsIn,
  type PlacedFinding,
  partsOfCompound,
  placeAt,
  type Use,
} from '@undo-ink/core'

/** A place of the ledger with the id of its file. */
export interface PlaceOf extends LedgerPlace {
  readonly fileId: string
}

/** All places of a site, by file and position: kept in columns, made into objects as they are asked for. */
export class SitePlaces {
  readonly ledger: Ledger
  private readonly fileIds: ReadonlyMap<string, string>
  private readonly made: PlaceOf[] = []
  /** The places of each color, by its code. */
  private readonly byColor: (code: number) => Uint32Array
  private readonly byPath: (code: number) => Uint32Array
  /** Of each color, by its code: how often it has each use, and each spelling, by their codes. */
  private readonly uses: readonly ReadonlyMap<number, number>[]
  private readonly spellings: readonly ReadonlyMap<number, number>[]
  private readonly alphas: readonly ReadonlyMap<number, number>[]
  private byList: ((code: number) => Uint32Array) | null = null
  private bySubject: ReadonlyMap<string, readonly number[]> | null = null
  private byWholeList: ReadonlyMap<string, number> | null = null
  private longer: ReadonlyMap<string, readonly string[]> | null = null
  private readonly colorCodes: ReadonlyMap<string, number>
  private readonly pathCodes: ReadonlyMap<string, number>

  constructor(ledger: Ledger, { files }: Pick<Snapshot, 'files'>) {
    this.ledger = ledger
    this.fileIds = new Map(files.map(({ path, id }) => [path, id]))
    this.byColor = placesByCode(ledger.columns.color.codes, ledger.columns.color.values.length)
    this.byPath = placesByCode(ledger.columns.path.codes, ledger.columns.path.values.length)
    this.uses = this.tally(ledger.columns.use.codes)
    this.spellings = this.tally(ledger.columns.raw.codes)
    this.alphas = this.tally(ledger.columns.alpha.codes)
    this.colorCodes = codesOf(ledger.columns.color)
    this.pathCodes = codesOf(ledger.columns.path)
  }

  get length(): number {
    return this.ledger.length
  }

  /** The same object each time. @param index 0 to length - 1 */
  at(index: number): PlaceOf {
    const known = this.made[index]
    if (known) return known
    const place = placeAt(this.ledger, index)
    const made = { ...place, fileId: this.fileId(place.path) }
    this.made[index] = made
    return made
  }

  /** Empty: the copy has no such file. */
  fileId(path: string): string {
    return this.fileIds.get(path) ?? ''
  }

  some(indices: Iterable<number>): PlaceOf[] {
    return Array.from(indices, (index) => this.at(index))
  }

  /** How many places each color has. */
  counts(): Map<string, number> {
    return new Map(this.ledger.columns.color.values.map((key, code) => [key, this.byColor(code).length]))
  }

  /** The colors that have a use in some place. */
  usedAs(use: Use): string[] {
    const { color, use: column } = this.ledger.columns
    const code = column.values.indexOf(use)
    return color.values.filter((_, at) => (this.uses[at]?.get(code) ?? 0) > 0)
  }

  /** Indices of the places of some colors, in their order. */
  ofColors(colors: readonly string[]): Uint32Array {
    const lists = colors.map((color) => this.byColor(this.colorCodes.get(color) ?? -1))
    if (lists.length === 1) return lists[0] as Uint32Array
    const all = new Uint32Array(lists.reduce((sum, { length }) => sum + length, 0))
    let at = 0
    for (const list of lists) {
      all.set(list, at)
      at += list.length
    }
    return all.sort()
  }

  /** All places of some files that paint one of some subjects, by file. Linear in the lists of subjects. */
  ofSubjects(files: Iterable<string>, wanted: ReadonlySet<string>): Map<string, PlaceOf[]> {
    const lists = listsIn(this.ledger, 'subjects')
    const codes = lists.flatMap((list, code) => (list.some((subject) => wanted.has(subject)) ? [code] : []))
    return this.ofLists(codes, files)
  }

  /** All places that paint a subject of some of the same files, or one of its kin, by file. Takes no longer on a large site. */
  around(some: readonly PlaceOf[], kin: ReadonlySet<string>): Map<string, PlaceOf[]> {
    const index = (this.bySubject ??= this.listsBySubject())
    const lists = new Set(some.flatMap((place) => this.listOf(place) ?? []))
    for (const subject of kin) for (const code of index.get(subject) ?? []) lists.add(code)
    return this.ofLists([...lists], new Set(some.map((place) => place.path)))
  }

  /** The code of a place's list of subjects; of what a variable paints, that of what it stands for. undefined: no other place has it. */
  private listOf({ index, subjects }: PlaceOf): number | undefined {
    const list = JSON.stringify(subjects)
    if (JSON.stringify(listAt(this.ledger, 'subjects', index)) === list) return this.ledger.lists.subjects.codes[index]
    this.byWholeList ??= new Map(listsIn(this.ledger, 'subjects').map((each, code) => [JSON.stringify(each), code]))
    return this.byWholeList.get(list)
  }

  /** The places of some files that stand under some lists of subjects, by file. */
  private ofLists(lists: readonly number[], files: Iterable<string>): Map<string, PlaceOf[]> {
    const { path } = this.ledger.columns
    const { codes, ends } = this.ledger.lists.subjects
    const index = (this.byList ??= placesByCode(codes, ends.length))
    const wantedFiles = new Set(Array.from(files, (file) => this.pathCodes.get(file) ?? -1))
    const found = lists.flatMap((code) => [...index(code)]).filter((at) => wantedFiles.has(path.codes[at] as number))
    return groupBy(this.some(found.toSorted((a, b) => a - b)), (place) => place.path)
  }

  /** Of each subject the lists that it stands in; without those with combinators that stand alone only, which are most and which their places lead to. */
  private listsBySubject(): Map<string, number[]> {
    const lists = listsIn(this.ledger, 'subjects')
    const shared = new Set(lists.filter(({ length }) => length > 1).flat())
    const index = new Map<string, number[]>()
    lists.forEach((list, code) => {
      for (const subject of list) {
        if (subject.includes(' ') && !shared.has(subject)) continue
        append(index, subject, code)
      }
    })
    return index
  }

  /** Subjects whose elements some rule of the others can paint too: of `.key` also `.key.late`, and of that also `.late`. */
  kinOf(subjects: Iterable<string>): Set<string> {
    const longer = (this.longer ??= this.longerSubjects())
    const whole = [...subjects].flatMap((subject) => [subject, ...(longer.get(subject) ?? [])])
    return new Set(whole.flatMap((subject) => [subject, ...partsOfCompound(subject)]))
  }

  /** Of each part of a compound those that it is a part of. */
  private longerSubjects(): Map<string, string[]> {
    this.bySubject ??= this.listsBySubject()
    const longer = new Map<string, string[]>()
    for (const subject of this.bySubject.keys())
      for (const part of partsOfCompound(subject)) append(longer, part, subject)
    return longer
  }

  /** Of each color, by its code: how often each value of a column stands at its places. Linear in the places. */
  tally(codes: Uint32Array): readonly ReadonlyMap<number, number>[] {
    return this.ledger.columns.color.values.map((_, code) => countCodes(this.byColor(code), codes))
  }

  /** The same of some colors together. @param tallies of each color, by its code */
  tallyOf(colors: readonly string[], tallies: readonly ReadonlyMap<number, number>[]): ReadonlyMap<number, number> {
    const own = colors.flatMap((color) => tallies[this.colorCodes.get(color) ?? -1] ?? [])
    if (own.length === 1 && own[0]) return own[0]
    const all = new Map<number, number>()
    for (const tally of own) for (const [code, count] of tally) all.set(code, (all.get(code) ?? 0) + count)
    return all
  }

  usesOf(colors: readonly string[]): ReadonlyMap<number, number> {
    return this.tallyOf(colors, this.uses)
  }

  /** How see-through some colors are written, 0 to 1, the most opaque first. */
  alphasOf(colors: readonly string[]): number[] {
    const { values } = this.ledger.columns.alpha
    return [...this.tallyOf(colors, this.alphas).keys()].flatMap((code) => values[code] ?? []).toSorted((a, b) => b - a)
  }

  /** Number of ways in which some colors are written. */
  spellingsOf(colors: readonly string[]): number {
    return this.tallyOf(colors, this.spellings).size
  }

  /** Indices of the places of a file. */
  inFile(path: string): Uint32Array {
    return this.byPath(this.pathCodes.get(path) ?? -1)
  }
}

function codesOf({ values }: Column<string>): Map<string, number> {
  return new Map(values.map((value, code) => [value, code]))
}

/** The places of each code, in their order; of a code that is none, none. Twice four bytes a place. @param distinct codes */
function placesByCode(codes: Uint32Array, distinct: number): (code: number) => Uint32Array {
  const ends = new Uint32Array(distinct)
  for (const code of codes) ends[code] = (ends[code] as number) + 1
  for (let code = 1; code < distinct; code++) ends[code] = (ends[code] as number) + (ends[code - 1] as number)
  const order = new Uint32Array(codes.length)
  const starts = ends.slice()
  for (let at = codes.length - 1; at >= 0; at--) order[--(starts[codes[at] as number] as number)] = at
  return (code) => order.subarray(starts[code] ?? 0, ends[code] ?? 0)
}

/** How often each code stands at some places, most of which often have one and the same. */
function countCodes(indices: Uint32Array, codes: Uint32Array): ReadonlyMap<number, number> {
  const [first] = indices
  if (first === undefined) return new Map()
  const code = codes[first] as number
  return indices.every((index) => codes[index] === code)
    ? new Map([[code, indices.length]])
    : countBy(indices, (index) => codes[index] as number)
}

export type InFile<T> = T & { readonly path: string }

/** A place that takes another color than one written there: a keyword, or a function of variables. */
export type Taking = InFile<Keyword | Computed>

/** All of them. Of a large site they are many and seldom looked at: they are listed when they are asked for. */
export interface AllTaking {
  readonly count: number
  list(): readonly Taking[]
}

/** Lists what takes another color once. @param readings gives what each file holds */
export function allTaking(count: number, readings: () => readonly ApartReading[]): AllTaking {
  let listed: readonly Taking[] | null = null
  return {
    count,
    list() {
      listed ??= takingOf(readings())
      return listed
    },
  }
}

/** What takes another color. */
export function takingOf(readings: readonly Pick<ApartReading, 'path' | 'keywords' | 'computed'>[]): Taking[] {
  return readings.flatMap(({ path, keywords, computed }) =>
    [...keywords, ...computed].map((each) => ({ ...each, path })),
  )
}

/** What scripts do, and findings in the received texts. */
export function toldOf(readings: readonly Pick<ApartReading, 'path' | 'behaviors' | 'findings'>[]): {
  readonly behaviors: readonly InFile<Behavior>[]
  readonly findings: readonly InFile<PlacedFinding>[]
} {
  return {
    behaviors: readings.flatMap(({ path, behaviors }) => behaviors.map((behavior) => ({ ...behavior, path }))),
    findings: readings.flatMap(({ path, findings }) => findings.map((finding) => ({ ...finding, path }))),
  }
}
