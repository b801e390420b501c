import { syntaxOf } from '../source/syntax.ts'
import type { Ledger } from './ledger.ts'

/** What the pages show, each text once with the runs of places that paint it. */
export interface Words {
  readonly texts: readonly string[]
  /** Of each text: indices of runs, as `runsOf` counts them. */
  readonly runs: readonly (readonly number[])[]
}

export const NO_WORDS: Words = { texts: [], runs: [] }

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
export function markWords(
  { texts, runs: runsOfText }: Words,
  runs: Uint32Array,
  text: string,
  marks: Uint8Array,
): void {
  const sought = text.toLowerCase()
  texts.forEach((shown, i) => {
    if (!shown.toLowerCase().includes(sought)) return
    for (const run of runsOfText[i] ?? []) marks.fill(1, runs[run], runs[run + 1] ?? marks.length)
  })
}
