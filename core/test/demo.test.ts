import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { cut, link } from '../src/cluster/linkage.ts'
import { type State, statesOf } from '../src/selector/state.ts'
import { linkVariables } from '../src/source/link-variables.ts'
import type { Occurrence, Reading } from '../src/source/occurrence.ts'
import { readSource } from '../src/source/read.ts'
import { syntaxOf } from '../src/source/syntax.ts'

const DEMO = join(import.meta.dirname, '../../demo')
const PATHS = readdirSync(join(DEMO, 'site'), { recursive: true, encoding: 'utf8' }).filter((path) =>
  statSync(join(DEMO, 'site', path)).isFile(),
)
const textOf = (path: string) => readFileSync(join(DEMO, 'site', path), 'utf8')

const FILES = linkVariables(
  PATHS.filter((path) => !path.startsWith('vendor/') && !/^(?:image|font|other)$/.test(syntaxOf(path))).map((path) => ({
    path,
    reading: readSource({ path, text: textOf(path), encoding: 'utf-8' }),
  })),
)

interface Row {
  readonly path: string
  readonly line: number
  readonly text: string
}

/** The table of the faults: each fault with its places. */
const FAULTS = new Map<string, Row[]>()
for (const [, fault = '', path = '', line = '', text = ''] of readFileSync(join(DEMO, 'FAULTS.md'), 'utf8').matchAll(
  /^\| ([^|]*) \| `([^`:]+):(\d+)` \| `(.+)` \|$/gm,
)) {
  const title = fault.trim() || [...FAULTS.keys()].at(-1) || ''
  FAULTS.set(title, [...(FAULTS.get(title) ?? []), { path, line: Number(line), text }])
}

function readingOf(path: string): Reading {
  const reading = FILES.find((file) => file.path === path)?.reading
  if (!reading) throw new Error(`${path} is not read`)
  return reading
}

/** The literals of a row's line or, where the row shows where a rule begins, those of that rule. */
function placesAt({ path, line, text }: Row): readonly Occurrence[] {
  const { occurrences } = readingOf(path)
  const here = occurrences.filter((place) => place.line === line)
  if (here.length > 0 || !text.endsWith('{')) return here
  const end = textOf(path).split('\n').indexOf('}', line) + 1
  return occurrences.filter((place) => place.line > line && place.line < end)
}

const colorsAt = (rows: readonly Row[]) => rows.flatMap((row) => placesAt(row).map(({ color }) => color))
const statesAt = (row: Row) => new Set(placesAt(row).flatMap(({ signals }) => statesOf(signals)))
const inState = (row: Row, state: State) => expect([...statesAt(row)]).toContain(state)
const clustersOf = (colors: readonly string[], tolerance: number) => cut(link(colors), tolerance)
const slipsAt = ({ path, line }: Row) =>
  readingOf(path)
    .findings.filter(({ line: at }) => at === line)
    .map(({ code }) => code)

/** By what each fault is found: what the readings tell of its places. `rows`: in the order of the table. */
const FOUND: Readonly<Record<string, (...rows: readonly Row[]) => void>> = {
  'Near-duplicate blues': (...rows) => {
    expect(new Set(colorsAt(rows)).size).toBe(3)
    expect(clustersOf(colorsAt(rows), 1)).toHaveLength(1)
  },
  'Near-duplicate greys': (...rows) => {
    expect(new Set(colorsAt(rows)).size).toBe(5)
    expect(clustersOf(colorsAt(rows), 2)).toHaveLength(1)
  },
  'The same colour in five notations': (...rows) => {
    const places = rows.flatMap((row) => placesAt(row).slice(0, 1))
    expect(new Set(places.map(({ color }) => color))).toEqual(new Set(['#7a2433']))
    expect(new Set(places.map(({ notation }) => notation))).toHaveLength(5)
  },
  'A hover left in the colour of two owners ago': (row) => inState(row, 'hover'),
  'No visited colour: links of the page have none, those of the aside do': (link, visited) => {
    expect(placesAt(link)).toMatchObject([{ selector: 'a', signals: [] }])
    inState(visited, 'visited')
  },
  "Text of its ground's colour in one state: the late boat's key when it is pointed at": (hovered, late) => {
    inState(hovered, 'hover')
    expect(placesAt(hovered)).toMatchObject([{ use: 'ground', color: '#8f4a12' }])
    expect(placesAt(late)).toMatchObject([{ use: 'text', color: '#8f4a12' }])
  },
  'A header whose links vanish once it is stuck': (row) => inState(row, 'stuck'),
  'A logo whose words vanish once the header is stuck': (words, ground) => {
    for (const row of [words, ground]) inState(row, 'stuck')
    expect(placesAt(words)).toMatchObject([{ use: 'text', color: '#111111' }])
    expect(placesAt(ground)).toMatchObject([{ use: 'ground', color: '#111111' }])
  },
  'Ground and text that switch at different thresholds: 90 and 240 pixels': () =>
    expect(readingOf('timetable.html').behaviors).toMatchObject([
      { kind: 'recolor', trigger: 'scroll', property: 'background-color', threshold: 90 },
      { kind: 'recolor', trigger: 'scroll', property: 'color', threshold: 240 },
    ]),
  'A scroll script that goes back to another colour than the page began with': (script, sheet) => {
    expect(readingOf(script.path).behaviors[0]).toMatchObject({ element: '#tide-bar', below: '#cfe1e9' })
    expect(placesAt(sheet)).toMatchObject([{ selector: '.tide-bar', color: '#cfe0e8' }])
  },
  'A hover that sets opacity, so that any new colour is dimmed': (...rows) => {
    for (const { path, line } of rows) {
      const dimmed = readingOf(path).occurrences.filter(
        ({ line: at, opacity }) => Math.abs(at - line) <= 1 && opacity === 0.8,
      )
      expect(dimmed.map(({ signals }) => statesOf(signals))).toEqual([['hover']])
    }
  },
  'A wide and a narrow booking button that must match, the hover given to one only': (wide, narrow) => {
    inState(wide, 'hover')
    expect(statesAt(narrow).size).toBe(0)
  },
  'A colour that lacks its `#`': (row) => expect(slipsAt(row)).toEqual(['missing-hash']),
  'Values that are no colour: a gradient where only a colour is taken, a name with a slip, a digit lost': (
    gradient,
    name,
    digit,
  ) => {
    expect(slipsAt(gradient)).toEqual(['gradient-as-color'])
    expect(slipsAt(name)).toEqual(['unknown-color-name', 'hex-digits'])
    expect(slipsAt(digit)).toEqual(slipsAt(name))
  },
  'A duel of `!important`': (...rows) =>
    expect(rows.flatMap(placesAt).map(({ important }) => important)).toEqual([true, true]),
  'An inline style that beats the sheet: this button does not change when it is pointed at': (row) =>
    expect(placesAt(row)).toMatchObject([{ selector: 'a.button', specificity: null, property: 'background' }]),
  'A rule that also paints something unintended: two words of the tide bar': (row) =>
    expect(new Set(placesAt(row).map(({ selector }) => selector))).toEqual(new Set(['.timetable th, .tide-bar b'])),
  'A gradient and a solid of one colour': (gradient, solid) => {
    const inGradient = placesAt(gradient).map(({ functions, color }) => [functions[0], color])
    expect(inGradient).toContainEqual(['linear-gradient', '#7a2433'])
    expect(placesAt(solid)).toContainEqual(expect.objectContaining({ color: '#7a2433', functions: [] }))
  },
  'One overlay at three opacities': (...rows) => {
    expect(new Set(colorsAt(rows))).toEqual(new Set(['#23303a']))
    expect(rows.flatMap(placesAt).map(({ alpha }) => alpha)).toEqual([0.6, 0.3, 0.85])
  },
  'White text on a photograph': (row) =>
    expect(placesAt(row)).toMatchObject([{ selector: '.photo', use: 'ground', isWhole: false }]),
  'A handler that goes back to another colour than the sheet gives': ({ path }) =>
    expect(readingOf(path).behaviors).toContainEqual(
      expect.objectContaining({ trigger: 'hover', element: 'button.button', below: '#7a2434' }),
    ),
  'An attribute of old: the ground of a table, and of one of its rows': (...rows) =>
    expect(rows.flatMap(placesAt).map(({ property, literalOnly }) => [property, literalOnly])).toEqual([
      ['background-color', true],
      ['background-color', true],
    ]),
  'A sheet for one old browser only': ({ path }) =>
    expect(readingOf(path).links.map(({ target }) => target)).toContain('css/legacy.css'),
  'Files that no page uses': (...rows) => {
    const linked = new Set(FILES.flatMap(({ reading }) => reading?.links.map(({ target }) => target) ?? []))
    for (const row of rows) {
      expect(placesAt(row).length).toBeGreaterThan(0)
      expect(linked).not.toContain(row.path)
    }
  },
}

describe('the demo', () => {
  it.each([...FAULTS].flatMap(([fault, rows]) => rows.map((row) => [row.path, row.line, row.text, fault] as const)))(
    'has a planted fault at %s:%i',
    (path, line, text) => {
      expect(textOf(path).split('\n')[line - 1]).toContain(text)
    },
  )

  it.each([...FAULTS])('has a fault that is found: %s', (fault, rows) => {
    const find = FOUND[fault]
    if (!find) throw new Error('nothing says by what it is found')
    find(...rows)
  })

  it('lists its faults', () => {
    expect(FAULTS.size).toBeGreaterThanOrEqual(20)
  })

  it('is a site of its size', () => {
    const occurrences = FILES.flatMap(({ reading }) => reading?.occurrences ?? [])
    expect(PATHS.length).toBeGreaterThanOrEqual(25)
    expect(textOf('css/main.css').split('\n').length).toBeGreaterThanOrEqual(800)
    expect(occurrences.length).toBeGreaterThanOrEqual(250)
    expect(new Set(occurrences.map(({ color }) => color)).size).toBeGreaterThanOrEqual(90)
  })
})
