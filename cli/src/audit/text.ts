import { append, linkTriple, type Reading } from '@undo-ink/core'
import type { FileKept, Folder } from '../read-folder.ts'
import { count, placeText } from '../text.ts'
import { type Draft, linkedIn } from './draft.ts'
import { hasColor, inOrder } from './piece.ts'

type Drafted = ReturnType<typeof draft>

/** The line of each place, with its color or the three bare numbers that may be one, and the lines of findings. */
export function draft(file: string, reading: Reading) {
  return {
    places: inOrder(reading).map((place) => ({
      color: hasColor(place) ? place.color : { variable: place.variable, raw: place.raw },
      line: `  ${placeText({ ...place, file })}\n`,
    })),
    findings: reading.findings.map(({ line, column, code, excerpt, meaning }) => {
      const what = code === 'and-more' ? excerpt : code
      return `${file}:${line}:${column}  ${what}${meaning === null ? '' : `, likely ${meaning}`}\n`
    }),
  }
}

/** For people: one line for each color, most used first, with the places under it. */
export function* print({ files }: Folder<FileKept<Draft<Drafted>>>): Generator<string> {
  const linked = linkedIn(files)
  const byColor = new Map<string, string[]>()
  let all = 0
  for (const { kept } of files)
    for (const { color, line } of kept?.content.places ?? []) {
      const known = typeof color === 'string' ? color : linkTriple(color, linked)?.color
      if (known === undefined) continue
      append(byColor, known, line)
      all++
    }
  const read = files.filter(({ skipped }) => skipped === null).length
  yield `${count(all, 'place')} in ${count(byColor.size, 'colour')}, in ${read} of ${count(files.length, 'file')}\n`
  const sorted = [...byColor].toSorted(([a, x], [b, y]) => y.length - x.length || (a < b ? -1 : 1))
  for (const [color, lines] of sorted) yield `\n${color}  ${lines.length}\n${lines.join('')}`
  const findings = files.flatMap(({ kept }) => kept?.content.findings ?? [])
  if (findings.length > 0) yield `\n${findings.join('')}`
}
