import fc from 'fast-check'
import { expect, it } from 'vitest'
import { readSource } from '../source/read.ts'
import { ledgerOf } from './ledger.ts'
import { isNearlyColor, readQuery } from './query.ts'
import { distancesTo, labsOf, markHits, markText } from './search.ts'

const text = `/* Fares */ .Fare-table:hover { color: #7a2433 } :root { --brand: #fff } b { border-color: color(display-p3 1 0 0) }`
const ledger = ledgerOf([{ path: 'css/Main.css', ...readSource({ path: 'css/Main.css', text, encoding: 'utf-8' }) }])

const found = (sought: string) => {
  const marks = new Uint8Array(ledger.length)
  markText(ledger, sought, marks)
  return [...marks]
}

it('anything may be typed: it is a colour with a key, a text without ends of white space, or nothing', () => {
  fc.assert(
    fc.property(fc.oneof(fc.string(), fc.stringMatching(/^#?[\da-fA-F]{0,9}$/)), (typed) => {
      const query = readQuery(typed)
      if (query === null) expect(typed.trim()).toBe('')
      else if (query.kind !== 'color') expect(query.text).toBe(typed.trim())
      else expect(query.color).toMatch(/^#[\da-f]{6}$|^color\(srgb /)
    }),
  )
})

it('three, four, six or eight digits are a colour without their #, other numbers of them are none', () => {
  const kinds = [1, 2, 3, 4, 5, 6, 7, 8, 9].map((length) => readQuery('1'.repeat(length))?.kind)
  expect(kinds).toEqual(['text', 'text', 'color', 'color', 'text', 'color', 'text', 'color', 'text'])
})

it('a text is found in the selector, property, heading, variable, file name and literal, whatever its case', () => {
  expect(found('fare-TABLE')).toEqual([1, 0, 0])
  expect(found('fares')).toEqual([1, 1, 1])
  expect(found('border-')).toEqual([0, 0, 1])
  expect(found('--BRAND')).toEqual([0, 1, 0])
  expect(found('main.css')).toEqual([1, 1, 1])
  expect(found('display-p3')).toEqual([0, 0, 1])
  expect(found('nowhere')).toEqual([0, 0, 0])
})

it('hits are marked, and what was marked stays', () => {
  const marks = Uint8Array.from([0, 1, 0])
  markHits(marks, Uint32Array.from([0, 1, 1]), [false, false])
  expect([...marks]).toEqual([0, 1, 0])
  markHits(marks, Uint32Array.from([0, 1, 1]), [true, false])
  expect([...marks]).toEqual([1, 1, 0])
})

it('a colour is as far from itself as nothing, and what is no colour is nowhere near', () => {
  const labs = labsOf(ledger)
  const distances = distancesTo('#7a2433', labs)
  expect(distances[0]).toBe(0)
  expect(distances[1]).toBeGreaterThan(20)
  expect([...distancesTo('nonsense', labs)]).toEqual([Infinity, Infinity, Infinity])
})

it.each([
  ['#7a243', true],
  ['#', true],
  ['rgb(122, 36', true],
  ['oklch(50%)', true],
  ['fares', false],
  ['.red', false],
  ['color', false],
])('%s is nearly a colour: %s', (typed, is) => expect(isNearlyColor(typed)).toBe(is))
