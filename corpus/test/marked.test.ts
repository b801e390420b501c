import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { type Confidence, readSource } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { folderOf } from '../src/files.ts'

/** A string of a published script or settings file, and whether somebody who read it there took it for one that holds a written-out color. */
interface Marked {
  readonly file: string
  readonly start: number
  readonly end: number
  readonly color: boolean
}

const MARKED: readonly Marked[] = JSON.parse(readFileSync(join(import.meta.dirname, '../marked/strings.json'), 'utf8'))

it('scripts and settings are read as somebody marked them by hand', () => {
  const bands = new Map<Confidence | 'none', { right: number; wrong: number }>()
  for (const file of new Set(MARKED.map((each) => each.file))) {
    const [name = '', ...path] = file.split('/')
    const text = readFileSync(join(folderOf(name), ...path), 'utf8')
    const { occurrences } = readSource({ path: file, text, encoding: 'utf-8' })
    for (const { start, end, color } of MARKED.filter((each) => each.file === file)) {
      const found = occurrences.find(({ range }) => range.start >= start && range.end <= end)
      const band = found?.confidence ?? 'none'
      const count = bands.get(band) ?? { right: 0, wrong: 0 }
      bands.set(
        band,
        color === (found !== undefined) ? { ...count, right: count.right + 1 } : { ...count, wrong: count.wrong + 1 },
      )
    }
  }
  for (const [band, { right, wrong }] of bands)
    process.stdout.write(
      `marked by hand, ${band}: ${right} right, ${wrong} wrong (${((100 * right) / (right + wrong)).toFixed(1)} %)\n`,
    )
  const share = (band: Confidence | 'none') => {
    const { right = 0, wrong = 0 } = bands.get(band) ?? {}
    return right / (right + wrong)
  }
  expect(MARKED.length).toBeGreaterThanOrEqual(300)
  expect(share('certain')).toBeGreaterThanOrEqual(0.99)
  expect(share('likely')).toBeGreaterThanOrEqual(0.95)
  // What is not reported should be no color.
  expect(share('none')).toBeGreaterThanOrEqual(0.95)
})
