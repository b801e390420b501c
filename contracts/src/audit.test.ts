import { linkVariables, listVariables, packApart, readSource, variablesApart } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { apartIn, readAudit } from './audit.ts'

const CSS = `:root { --a: #7a2433; --b: var(--a) } a, b:hover { color: var(--b, transparent); background: color-mix(in srgb, var(--a), var(--b)) }
@media print { a { color: currentColor; color: rgb(from var(--a) r g b) } } .c { colr: ; color: #ggg }`
const SCRIPT = "window.addEventListener('scroll', () => { bar.style.background = scrollY > 40 ? '#fff' : 'red' })"
const files = linkVariables(
  [
    ['a.css', CSS],
    ['b.css', '.d { fill: transparent; color: var(--a) }'],
    ['c.js', SCRIPT],
  ].map(([path = '', text = '']) => ({ path, reading: readSource({ path, text, encoding: 'utf-8' }) })),
)
const readings = files.map(({ path, reading: { keywords, computed, behaviors, findings } }) => ({
  ...{ path, keywords, computed, behaviors, findings },
}))
const pages = { pages: [], unused: [], leftOut: [] }
const apart = { readings, variables: listVariables(files) }
const bytesOf = (audit: unknown) => new TextEncoder().encode(JSON.stringify(audit))
const sent = () => JSON.parse(JSON.stringify({ ...packApart(apart), pages }))

it('is read as it was, through the form in which it is sent', () => {
  const { variables } = apart
  const all = (list: (reading: (typeof readings)[number]) => readonly unknown[]) => readings.flatMap(list).length
  expect(all(({ keywords }) => keywords)).toBe(3)
  expect(all(({ computed }) => computed)).toBeGreaterThan(0)
  expect(all(({ behaviors }) => behaviors)).toBe(1)
  expect(all(({ findings }) => findings)).toBeGreaterThan(0)
  expect(variables.map(({ definitions, references }) => [definitions.length, references.length])).toEqual([
    [1, 4],
    [1, 2],
  ])
  const audit = readAudit(bytesOf(sent()))
  expect(audit).toMatchObject({ pages, variables: variables.map(({ name, uses }) => ({ name, uses })) })
  expect(audit.wholeReadings()).toStrictEqual(readings)
  expect(audit.taking).toBe(all(({ keywords }) => keywords) + all(({ computed }) => computed))
  expect(audit.readings).toStrictEqual(readings.map(({ path, behaviors, findings }) => ({ path, behaviors, findings })))
  expect(variablesApart(apartIn(audit.bytes))).toStrictEqual(variables)
})

it.each<[string, (audit: ReturnType<typeof sent>) => void]>([
  ['a code that leads nowhere', ({ packed }) => (packed.lists.references.columns.rule.numbers[0] = 99)],
  ['a value that is none', ({ packed }) => (packed.lists.keywords.columns.line = { all: 'x' })],
  ['a rule that is none', ({ packed }) => (packed.rules.columns.subjects.values[0] = [1])],
  ['a column that is too short', ({ packed }) => packed.lists.keywords.columns.start.numbers.pop()],
  ['a column too many', ({ packed }) => (packed.lists.computed.columns.more = { all: 1 })],
  ['a list that is not there', ({ packed }) => delete packed.lists.definitions],
])('is refused with %s', (_, spoil) => {
  const audit = sent()
  spoil(audit)
  expect(() => readAudit(bytesOf(audit))).toThrow()
})
