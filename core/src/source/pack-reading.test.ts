import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { classify } from './classify.ts'
import { packReading, unpackReading } from './pack-reading.ts'
import { readSource } from './read.ts'

const DEMO = fileURLToPath(new URL('../../../demo/site', import.meta.url))
const read = (path: string, text: string) => readSource({ path, text, encoding: 'utf-8' })
const times = (count: number, of: (i: number) => string) => Array.from({ length: count }, (_, i) => of(i)).join('')

describe('a packed reading', () => {
  const demo = readdirSync(DEMO, { recursive: true, encoding: 'utf8' }).filter((path) =>
    statSync(join(DEMO, path)).isFile(),
  )

  it('is unpacked as it was, of every file of the demo', () => {
    let places = 0
    for (const path of demo) {
      const { source } = classify(path, readFileSync(join(DEMO, path)), 1_000_000)
      if (!source) continue
      const reading = readSource(source)
      expect(unpackReading(packReading(reading))).toStrictEqual(reading)
      places += reading.occurrences.length
    }
    expect(places).toBeGreaterThan(150)
  })

  it('keeps the lists of a rule shared', () => {
    const { occurrences, references } = unpackReading(
      packReading(read('a.css', '.a, .b { color: red; background: #fff; fill: var(--a) } .c { color: red }')),
    )
    expect(occurrences[0]?.subjects).toBe(occurrences[1]?.subjects)
    expect(occurrences[2]?.subjects).toEqual(['.c'])
    expect(references[0]).toStrictEqual(
      read('a.css', '.a, .b { color: red; background: #fff; fill: var(--a) }').references[0],
    )
  })

  // Most were found by attacks; without tables the first takes 4,000 times its length, the others 15 to 107 times.
  it.each([
    [
      'many selectors with many colors',
      'a.css',
      `${times(3000, (i) => `.a${i}:hover b,`)}c{${times(3000, () => 'color:#fff;')}}`,
    ],
    ['short hashes', 'a.css', `a{background:${times(20_000, () => '#fff ')}}`],
    ['words', 'a.css', `a{background:${times(20_000, () => 'red ')}}`],
    ['light-dark()', 'a.css', `a{color:${times(10_000, () => 'light-dark(red,tan)')}}`],
    ['var() that does not end', 'a.css', `a{color:${times(20_000, () => 'var(--a,')}`],
    [
      ':not(:has()) within one another',
      'a.css',
      `${':not(:has('.repeat(500)}a${'))'.repeat(500)}${'{color:red}a'.repeat(500)}`,
    ],
    [
      'conditions within one another',
      'a.css',
      `${times(300, (i) => `@media (min-width:${i}px){a{color:red}`)}${'}'.repeat(300)}`,
    ],
    ['styles', 'a.html', times(3000, () => '<style>a{color:red}</style>')],
    ['tables', 'a.html', times(3000, () => '<table bgcolor=red><td bgcolor=tan>')],
    ['variables', 'a.css', `:root{${times(5000, (i) => `--a${i}:var(--a${i + 1},#fff);`)}}`],
  ])('takes at most eight times the text: %s', (_, path, text) => {
    const reading = read(path, text)
    const packed = packReading(reading)
    expect(reading.occurrences.length + reading.references.length).toBeGreaterThan(100)
    expect(packed.length).toBeLessThan(8 * text.length)
    const { occurrences, references } = unpackReading(packed)
    expect(occurrences.at(-1)).toStrictEqual(reading.occurrences.at(-1))
    expect(references.at(-1)).toStrictEqual(reading.references.at(-1))
  })
})
