import { readSource } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { agreeByPage } from '../src/agreement.ts'
import { siteFiles, textOf } from '../src/files.ts'
import { painted } from '../src/painted.ts'

/** Of many drawings of one kind a fixed share, unless VERIFY=all is set. */
const STEP = process.env.VERIFY === 'all' ? 1 : 8

const KINDS: readonly (readonly [string, RegExp, string, number])[] = [
  ['pages and templates of HTML', /\.html?$/, 'html', 1],
  ['templates of PHP', /\.php$/, 'php', 1],
  ['templates of EJS', /\.ejs$/, 'ejs', 1],
  ['templates of Handlebars', /\.hbs$/, 'hbs', 1],
  ['drawings', /\.svg$/, 'svg', STEP],
]

describe('the audit agrees with the parser of the HTML standard', () => {
  const sum = { ours: 0, theirs: 0, both: 0 }

  it.each(KINDS)('%s', { timeout: 900_000 }, (kind, ending, syntax, step) => {
    const files = siteFiles(ending).filter((_, i) => i % step === 0)
    const total = { ours: 0, theirs: 0, both: 0 }
    for (const file of files) {
      const text = kind === 'drawings' ? textOf(file) : painted(textOf(file))
      const { occurrences } = readSource({ path: `a.${syntax}`, text, encoding: 'utf-8' })
      const found = agreeByPage(`a.${syntax}`, text, occurrences)
      total.ours += found.ours
      total.theirs += found.theirs
      total.both += found.both
      for (const difference of found.differences.slice(0, 3))
        process.stdout.write(`${kind}: ${file.name}: ${difference}\n`)
    }
    for (const key of ['ours', 'theirs', 'both'] as const) sum[key] += total[key]
    const share = (part: number, whole: number) => (whole === 0 ? 1 : part / whole).toFixed(5)
    process.stdout.write(
      `${kind}: ${files.length} files, ${total.ours} places; recall ${share(total.both, total.theirs)}, precision ${share(total.both, total.ours)}\n`,
    )
    expect(files.length).toBeGreaterThan(10)
    expect(total.both).toBeGreaterThanOrEqual(total.theirs * 0.99)
    expect(total.both).toBeGreaterThanOrEqual(total.ours * 0.99)
  })

  it('on enough places to say so', () => expect(sum.ours).toBeGreaterThan(2500))
})
