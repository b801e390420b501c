import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { readSource } from '../src/source/read.ts'
import { syntaxOf } from '../src/source/syntax.ts'

const DEMO = join(import.meta.dirname, '../../demo')
const PATHS = readdirSync(join(DEMO, 'site'), { recursive: true, encoding: 'utf8' }).filter((path) =>
  statSync(join(DEMO, 'site', path)).isFile(),
)
const textOf = (path: string) => readFileSync(join(DEMO, 'site', path), 'utf8')

describe('the demo', () => {
  it.each(
    [...readFileSync(join(DEMO, 'FAULTS.md'), 'utf8').matchAll(/\| `([^`:]+):(\d+)` \| `(.+)` \|$/gm)].map(
      ([, path = '', line = '', text = '']) => [path, Number(line), text] as const,
    ),
  )('has a planted fault at %s:%i', (path, line, text) => {
    expect(textOf(path).split('\n')[line - 1]).toContain(text)
  })

  it('lists its faults', () => {
    const rows = readFileSync(join(DEMO, 'FAULTS.md'), 'utf8').match(/^\| [^|]*\w[^|]* \| `/gm) ?? []
    expect(rows.length).toBeGreaterThanOrEqual(20)
  })

  it('is a site of its size', () => {
    const read = PATHS.filter((path) => !path.startsWith('vendor/') && !/^(?:image|font|other)$/.test(syntaxOf(path)))
    const occurrences = read.flatMap((path) => readSource({ path, text: textOf(path), encoding: 'utf-8' }).occurrences)
    expect(PATHS.length).toBeGreaterThanOrEqual(25)
    expect(textOf('css/main.css').split('\n').length).toBeGreaterThanOrEqual(800)
    expect(occurrences.length).toBeGreaterThanOrEqual(250)
    expect(new Set(occurrences.map(({ color }) => color)).size).toBeGreaterThanOrEqual(90)
  })
})
