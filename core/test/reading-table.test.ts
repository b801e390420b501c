import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { READERS } from '../src/source/read.ts'

const page = readFileSync(join(import.meta.dirname, '../../docs/reading.md'), 'utf8')
const rows = [...page.matchAll(/^\| (\w+) \| (yes|no) \|/gm)].map(([, syntax, read]) => [syntax, read])

it('docs/reading.md has one true row for each syntax', () => {
  const expected = Object.entries(READERS).map(([syntax, reader]) => [syntax, reader ? 'yes' : 'no'])
  expect(rows.toSorted()).toEqual(expected.toSorted())
})
