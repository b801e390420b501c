import type { Audit, Snapshot } from '@undo-ink/contracts'
import {
  type Behavior,
  type Column,
  type Computed,
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

/** Places that have one value of a field in common, file by file: found in a sorted list, which costs four bytes a place. */
class SharedInFile {
  private readonly order: Uint32Array
  private readonly paths: Uint32Array
  private readonly codes: Uint32Array

  /** @param paths codes of the files, rising @param codes of the field @param distinct how many there are */
  constructor(paths: Uint32Array, codes: Uint32Array, distinct: number) {
    this.paths = paths
    this.codes = codes
    const starts = new Uint32Array(distinct + 1)
    for (let at = 0; at < codes.length; at++) bump(starts, (codes[at] as number) + 1)
    for (let code = 0; code < distinct; code++)
      starts[code + 1] = (starts[code + 1] as number) + (starts[code] as number)
    this.order = new Uint32Array(codes.length)
    // By value, and within one as they stand: by file and position.
    for (let at = 0; at < codes.length; at++) {
      const code = codes[at] as number
      this.order[starts[code] as number] = at
      bump(starts, code)
    }
  }

  /** Indices of the places of a file that have a value. */
  of(path: number, code: number): Uint32Array {
    return this.order.subarray(this.firstFrom(path, code), this.firstFrom(path + 1, code))
  }

  /** Those of all files, in their order. */
  ofAll(code: number): Uint32Array {
    return this.order.subarray(this.firstFrom(0, code), this.firstFrom(0, code + 1))
  }

  private firstFrom(path: number, code: number): number {
    let [low, high] = [0, this.order.length]
    while (low < high) {
      const middle = (low + high) >> 1
      const place = this.order[middle] as number
      const own = this.codes[place] as number
      if (own < code || (own === code && (this.paths[place] as number) < path)) low = middle + 1
      else high = middle
    }
    return low
  }
}

function bump(counts: Uint32Array, code: number): void {
  counts[code] = (counts[code] as number) + 1
}

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
  private readonly byColor: readonly Uint32Array[]
  private readonly byPath: readonly Uint32Array[]
  /** Of each color, by its code: how often it has each use, and each spelling, by their codes. */
  private readonly uses: readonly ReadonlyMap<number, number>[]
  private readonly spellings: readonly ReadonlyMap<number, number>[]
  private readonly alphas: readonly ReadonlyMap<number, number>[]
  private byList: SharedInFile | null = null
  private bySubject: ReadonlyMap<string, readonly number[]> | null = null
  private byWholeList: ReadonlyMap<string, number> | null = null
  private longer: ReadonlyMap<string, readonly string[]> | null = null
  private readonly colorCodes: ReadonlyMap<string, number>
  private readonly pathCodes: ReadonlyMap<string, number>

  constructor(ledger: Ledger, snapshot: Snapshot) {
    this.ledger = ledger
    this.fileIds = new Map(snapshot.files.map(({ path, id }) => [path, id]))
    this.byColor = indicesByCode(ledger.columns.color)
    this.byPath = indicesByCode(ledger.columns.path)
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
    return new Map(this.ledger.columns.color.values.map((key, code) => [key, this.byColor[code]?.length ?? 0]))
  }

  /** The colors that have a use in some place. */
  usedAs(use: Use): string[] {
    const { color, use: column } = this.ledger.columns
    const code = column.values.indexOf(use)
    return color.values.filter((_, at) => (this.uses[at]?.get(code) ?? 0) > 0)
  }

  /** Indices of the places of some colors, in their order. */
  ofColors(colors: readonly string[]): Uint32Array {
    const lists = colors.map((color) => this.byColor[this.colorCodes.get(color) ?? -1] ?? new Uint32Array())
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
    const index = (this.byList ??= new SharedInFile(path.codes, codes, ends.length))
    const wantedFiles = new Set(Array.from(files, (file) => this.pathCodes.get(file) ?? -1))
    const found = lists
      .flatMap((code) => [...index.ofAll(code)])
      .filter((at) => wantedFiles.has(path.codes[at] as number))
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
        const known = index.get(subject)
        if (known) known.push(code)
        else index.set(subject, [code])
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
      for (const part of partsOfCompound(subject)) {
        const known = longer.get(part)
        if (known) known.push(subject)
        else longer.set(part, [subject])
      }
    return longer
  }

  /** Of each color, by its code: how often each value of a column stands at its places. Linear in the places. */
  tally(codes: Uint32Array): readonly ReadonlyMap<number, number>[] {
    return this.byColor.map((indices) => countCodes(indices, codes))
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
    return this.byPath[this.pathCodes.get(path) ?? -1] ?? new Uint32Array()
  }
}

function codesOf({ values }: Column<string>): Map<string, number> {
  return new Map(values.map((value, code) => [value, code]))
}

function indicesByCode({ codes, values }: Column<unknown>): Uint32Array[] {
  const counts = new Uint32Array(values.length)
  for (let at = 0; at < codes.length; at++) counts[codes[at] as number] = (counts[codes[at] as number] as number) + 1
  const lists = Array.from(counts, (count) => new Uint32Array(count))
  counts.fill(0)
  for (let at = 0; at < codes.length; at++) {
    const code = codes[at] as number
    ;(lists[code] as Uint32Array)[counts[code] as number] = at
    counts[code] = (counts[code] as number) + 1
  }
  return lists
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

/** What is listed apart from the places. */
export interface Apart {
  readonly taking: readonly Taking[]
  readonly behaviors: readonly InFile<Behavior>[]
  readonly findings: readonly InFile<PlacedFinding>[]
}

/** What takes another color, what scripts do, and findings in the received texts. */
export function apartOf({ readings }: Audit): Apart {
  return {
    behaviors: readings.flatMap(({ path, behaviors }) => behaviors.map((behavior) => ({ ...behavior, path }))),
    taking: readings.flatMap(({ path, keywords, computed }) =>
      [...keywords, ...computed].map((each) => ({ ...each, path })),
    ),
    findings: readings.flatMap(({ path, findings }) => findings.map((finding) => ({ ...finding, path }))),
  }
}

export function countBy<T, K>(items: Iterable<T>, key: (item: T) => K): Map<K, number> {
  const counts = new Map<K, number>()
  for (const item of items) counts.set(key(item), (counts.get(key(item)) ?? 0) + 1)
  return counts
}

export function groupBy<T, K>(items: Iterable<T>, key: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const item of items) {
    const group = groups.get(key(item))
    if (group) group.push(item)
    else groups.set(key(item), [item])
  }
  return groups
}
