import { readSource } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { type Agreement, agreeByCompiler, agreeByEngine, agreeByTokens } from '../src/agreement.ts'
import { type CorpusFile, corpusFiles, sample, textOf } from '../src/files.ts'

/**
 * Recall and precision of the audit on published frameworks and themes, against routes that know nothing of its readers. What is left out on
 * purpose, and why, is told in docs/reading.md. Here a seeded sample; `npm run verify` takes every file.
 */
const ROUTES: readonly (readonly [string, (file: CorpusFile) => boolean, Route, number])[] = [
  ['CSS by the tokens of CSS Syntax 3', isCss, async (_, ...rest) => agreeByTokens(...rest), 0.999],
  ["CSS by another engine's visitor", isCss, async (_, ...rest) => agreeByEngine(...rest), 0.999],
  ['SCSS by the parser of Sass', ({ syntax }) => syntax === 'scss', compiler, 0.99],
  ['Less by the parser of Less', ({ syntax }) => syntax === 'less', compiler, 0.99],
]

type Route = (
  file: CorpusFile,
  text: string,
  occurrences: ReturnType<typeof readSource>['occurrences'],
) => Promise<Agreement>

function isCss({ syntax }: CorpusFile): boolean {
  return syntax === 'css'
}

function compiler(file: CorpusFile, text: string, occurrences: Parameters<Route>[2]): Promise<Agreement> {
  return agreeByCompiler(file.syntax as 'scss' | 'less', text, occurrences)
}

describe('the audit agrees', () => {
  it.each(ROUTES)('%s', { timeout: 900_000 }, async (name, chosen, route, wanted) => {
    const files = sample(corpusFiles().filter(chosen))
    const total = { ours: 0, theirs: 0, both: 0 }
    const refused: string[] = []
    for (const file of files) {
      const text = textOf(file)
      const reading = readSource({ path: `a.${file.syntax}`, text, encoding: 'utf-8' })
      // To the other routes a drawing in an address is a string.
      const occurrences = reading.occurrences.filter(({ inner }) => inner === null)
      const found = await route(file, text, occurrences).catch((error: Error) => error.message)
      if (typeof found === 'string') refused.push(`${file.name}: ${found.slice(0, 80)}`)
      else {
        total.ours += found.ours
        total.theirs += found.theirs
        total.both += found.both
        for (const difference of found.differences.slice(0, 3)) say(`${name}: ${file.name}: ${difference}`)
      }
    }
    const recall = total.both / total.theirs
    const precision = total.both / total.ours
    say(
      `${name}: ${files.length} files, ${total.ours} places; recall ${recall.toFixed(5)}, precision ${precision.toFixed(5)}; refused by the other side: ${refused.length}`,
    )
    expect(total.ours).toBeGreaterThan(100)
    // The parser of Sass does not know all of Sass yet: it gives up on some sheets.
    expect(refused.length).toBeLessThan(files.length * 0.25)
    expect(recall).toBeGreaterThanOrEqual(wanted)
    expect(precision).toBeGreaterThanOrEqual(wanted)
  })
})

function say(line: string): void {
  process.stdout.write(`${line}\n`)
}
