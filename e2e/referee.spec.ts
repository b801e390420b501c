import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { applyEdits, parseColor, readSource, resolver, rewriteFile } from '@undo-ink/core'

const CSS_FOLDER = join(import.meta.dirname, '../demo/site/css')

/** Values of every notation, right and wrong in one way each: Chromium decides which are colors. */
const PIECES = ['rgb', 'rgba', 'hsl', 'hsla', 'hwb', 'lab', 'lch', 'oklab', 'oklch'].flatMap((name) =>
  [
    '1 2 3',
    '1, 2, 3',
    '1 2, 3',
    '1 2',
    '1 2 3 4',
    '1 2 3 / .5',
    '1, 2, 3, .5',
    '10% 20% 30%',
    '10%, 20%, 30%',
    '10 20% 30%',
    '10, 20%, 30%',
    'none 2 3',
    '1deg 20% 30%',
    '1turn, 20%, 30%',
    '1e1 2 3',
    '-1 400 3',
    '1 2 3 / 200%',
    '',
    '1 2 3 /',
    '1px 2 3',
    '10% 2 3',
    '1 2 3 / none',
  ].map((channels) => `${name}(${channels})`),
)
const OTHERS = [
  '#fff',
  '#ffff',
  '#fffff',
  '#ffffff',
  '#ffffff7',
  '#ffffff77',
  '#ggg',
  'red',
  'RED',
  'reds',
  'rebeccapurple',
  'color(srgb 1 0 0)',
  'color(display-p3 1 0 0 / .5)',
  'color(srgb 1 0)',
  'color(nope 1 0 0)',
  'color(xyz 10% 0 0)',
  'cc0000',
  'rgb (1 2 3)',
]

test('Chromium takes for a color just what the reader takes', async ({ page }) => {
  const values = [...PIECES, ...OTHERS]
  const theirs = await page.evaluate((all) => all.map((value) => CSS.supports('color', value)), values)
  const ours = values.map((value) => parseColor(value) !== null)
  expect(values.filter((_, i) => ours[i] !== theirs[i])).toEqual([])
  expect(ours.filter(Boolean).length).toBeGreaterThan(60)
})

test('Chromium takes every literal of the demo for a color', async ({ page }) => {
  const sheets = readdirSync(CSS_FOLDER).map((name) => readFileSync(join(CSS_FOLDER, name), 'utf8'))
  const raws = sheets.flatMap((text) =>
    readSource({ path: 'a.css', text, encoding: 'utf-8' }).occurrences.flatMap(({ raw, inner, notation }) =>
      inner === null && notation !== 'argb' ? [raw.replace(/var\([^)]*\)/, '1')] : [],
    ),
  )
  expect(raws.length).toBeGreaterThan(150)
  const refused = await page.evaluate((all) => all.filter((value) => !CSS.supports('color', value)), raws)
  expect(refused).toEqual([])
})

test('Chromium takes a rule that is added, whatever stands before it', async ({ page }) => {
  const ends = [
    '',
    'b{}',
    'b{};',
    'b',
    'b, ',
    'b{}}',
    '}',
    '@import "none.css"',
    '@layer x',
    'b{} x; @import "none.css";',
  ]
  const more = [
    'b{} // c',
    'b{}\u00a0',
    '/* b */;',
    '<!-- b{} -->',
    '@media print{}',
    '@charset "utf-8";',
    'b{}/',
    'b,;',
  ]
  const insertion = { id: '1', path: 'a.css', selector: 'u', property: 'color', to: { color: '#0a5a8c' } } as const
  const plan = { resolver: resolver([], []), corrections: [], insertions: [insertion] }
  for (const text of [...ends, ...more]) {
    const { edits } = rewriteFile({ path: 'a.css', text, encoding: 'utf-8' }, [], plan)
    expect(edits.edits, text).toHaveLength(1)
    const color = await page.evaluate(
      (sheet) => {
        document.body.innerHTML = '<style></style><u>x</u>'
        const [style, element] = document.body.children as unknown as [HTMLStyleElement, HTMLElement]
        style.textContent = sheet
        return getComputedStyle(element).color
      },
      applyEdits(text, edits),
    )
    expect(color, text).toBe('rgb(10, 90, 140)')
  }
})
