import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { readCopy } from './plan-copies.ts'
import { check } from './plan-referee.ts'
import { pageOfSelectors } from './selector-page.ts'

const SITE = join(import.meta.dirname, '../demo/site')

test('a random plan on the demo paints every element as it says', async ({ page }) => {
  const files = new Map(
    readdirSync(SITE, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => join(entry.parentPath, entry.name))
      .map((file) => [file.slice(SITE.length + 1), readFileSync(file)] as const),
  )
  const copy = readCopy(files)
  const told = await check(page, copy, 'index.html', [1, 2, 3, 5])
  test.info().annotations.push({ type: 'checked', description: JSON.stringify(told) })
  expect(told.changed).toBeGreaterThan(500)
  expect(told.inPart).toBeGreaterThan(20)
  expect(told.gradients).toBeGreaterThan(20)
})

const require = createRequire(join(import.meta.dirname, '../corpus/package.json'))

/** `npm run verify` takes them all, and more plans. */
const IS_ALL = process.env.VERIFY === 'all'
const SHEETS = ['picnic/picnic.min.css', 'milligram/dist/milligram.css', 'spectre.css/dist/spectre.css']

for (const sheet of IS_ALL ? SHEETS : SHEETS.slice(0, 1))
  test(`a random plan on ${sheet} paints every element as it says`, async ({ page }) => {
    const css = readFileSync(require.resolve(sheet))
    const html = pageOfSelectors(css.toString('utf8'), 'a.css')
    const copy = readCopy(
      new Map([
        ['index.html', Buffer.from(html)],
        ['a.css', css],
      ]),
    )
    const told = await check(page, copy, 'index.html', IS_ALL ? [11, 12, 13, 14, 15, 16, 17, 18] : [11, 12])
    test.info().annotations.push({ type: 'checked', description: JSON.stringify(told) })
    expect(told.changed).toBeGreaterThan(500)
  })
