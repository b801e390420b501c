import { syntaxOf } from '../source/syntax.ts'
import type { Ledger } from './ledger.ts'

/** What the pages show, with the places that paint it. */
export interface Words {
  readonly texts: readonly string[]
  /** Runs that paint the same elements, as `runsOf` counts them: each such set stands here once, however many texts it paints. */
  readonly sets: readonly (readonly number[])[]
  /** Of each text: the sets that paint it, by index. */
  readonly painted: readonly (readonly number[])[]
  /** Paths of pages of which not everything was looked for: they would take more time than their size allows. */
  readonly partly: readonly string[]
}

export const NO_WORDS: Words = { texts: [], sets: [], painted: [], partly: [] }

/** The words of all pages, of what was read of some at a time. */
export function joinWords(some: readonly Words[]): Words {
  let before = 0
  const painted = some.flatMap((words) => {
    const first = before
    before += words.sets.length
    return words.painted.map((sets) => sets.map((set) => first + set))
  })
  return {
    texts: some.flatMap(({ texts }) => texts),
    sets: some.flatMap(({ sets }) => sets),
    painted,
    partly: some.flatMap(({ partly }) => partly),
  }
}

/** The first place of each run: neighbours of one rule are one run; in markup, where each element has its own, each place is, and so is one that gives a variable its value. Linear in the places. */
export function runsOf({ length, columns: { path, selector, variable }, lists: { subjects } }: Ledger): Uint32Array {
  const isMarkup = path.values.map((each) => !SHEETS.has(syntaxOf(each)))
  const none = variable.values.indexOf(null)
  const starts: number[] = []
  for (let at = 0; at < length; at++) {
    const isNew =
      at === 0 ||
      isMarkup[path.codes[at] as number] === true ||
      variable.codes[at] !== none ||
      variable.codes[at - 1] !== none ||
      path.codes[at] !== path.codes[at - 1] ||
      selector.codes[at] !== selector.codes[at - 1] ||
      subjects.codes[at] !== subjects.codes[at - 1]
    if (isNew) starts.push(at)
  }
  return Uint32Array.from(starts)
}

const SHEETS: ReadonlySet<string> = new Set(['css', 'scss', 'sass', 'less', 'stylus'])

/** Marks the places that paint words in which a text is found, whatever the case of its letters. @param runs of the ledger */
export function markWords({ texts, sets, painted }: Words, runs: Uint32Array, text: string, marks: Uint8Array): void {
  const sought = text.toLowerCase()
  const found = new Set<number>()
  texts.forEach((shown, i) => {
    if (shown.toLowerCase().includes(sought)) for (const set of painted[i] ?? []) found.add(set)
  })
  for (const set of found) for (const run of sets[set] ?? []) marks.fill(1, runs[run], runs[run + 1] ?? marks.length)
}
