import { countBy, type Decision, groupBy, ledgerOf, readSource, resolveLedger, standingOf } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { SitePlaces } from './places.ts'
import { becomesText, countOutcomes, partOf, rowOf, rowsOf } from './standing.ts'

const read = (path: string, text: string) => ({ path, ...readSource({ path, text, encoding: 'utf-8' }) })
const places = new SitePlaces(
  ledgerOf([
    read('a.css', 'a{color:#7a2433;background:#7a2433} b{color:#fff}'),
    read('b.css', 'c{border-color:#7A2433}'),
  ]),
  {
    files: [
      { path: 'a.css', id: 'fa' },
      { path: 'b.css', id: 'fb' },
    ],
  } as never,
)
const roles = [{ id: 'p', name: 'primary', color: '#0b6e74' }]
const whole = { id: 'w', target: { colors: ['#7a2433'] }, to: { kind: 'role', role: 'p' } as const }
const line = { id: 'l', target: { colors: ['#7a2433'], use: 'line' as const }, to: { kind: 'keep' as const } }
const cluster = { lead: '#7a2433', members: ['#7a2433'], count: 3, byHand: false }
const all = Array.from({ length: places.length }, (_, index) => places.at(index))
const outcomesOf = (decisions: Decision[], given = roles) => resolveLedger(places.ledger, decisions, given)

describe('places', () => {
  it('know their file and their index', () => {
    expect(all.map(({ path, fileId, index }) => [path, fileId, index])).toEqual([
      ['a.css', 'fa', 0],
      ['a.css', 'fa', 1],
      ['a.css', 'fa', 2],
      ['b.css', 'fb', 3],
    ])
  })

  it('are counted and grouped in the order in which their keys appear', () => {
    expect([...countBy(all, ({ use }) => use)]).toEqual([
      ['text', 2],
      ['ground', 1],
      ['line', 1],
    ])
    expect([...groupBy(all, ({ path }) => path).values()].map((group) => group.length)).toEqual([3, 1])
  })
})

describe('the places of some colours and files', () => {
  it('are found in their order', () => {
    expect([...places.ofColors(['#ffffff', '#7a2433'])]).toEqual([0, 1, 2, 3])
    expect([...places.ofColors(['#123456'])]).toEqual([])
    expect([...places.inFile('b.css')]).toEqual([3])
    expect([...places.inFile('gone.css')]).toEqual([])
    expect(places.at(2)).toBe(places.at(2))
  })
})

describe('how far a plan is', () => {
  it('is told in places that take a role, are kept, or are open', () => {
    expect(standingOf(outcomesOf([whole, line]))).toEqual({
      codes: Uint8Array.from([1, 1, 0, 2]),
      changed: 2,
      kept: 1,
      possible: 0,
    })
  })
})

describe('what becomes of a row', () => {
  it('is told in shares, the largest first', () => {
    const outcomes = outcomesOf([whole, line])
    const row = rowOf(places, countOutcomes(places, outcomes), cluster)
    expect(row.shares).toEqual([
      { kind: 'role', role: roles[0], paint: roles[0]?.color, text: roles[0]?.name, count: 2 },
      { kind: 'keep', role: null, paint: null, text: 'kept', count: 1 },
    ])
    expect(row).toMatchObject({
      count: 3,
      uses: [
        ['text', 1],
        ['ground', 1],
        ['line', 1],
      ],
    })
    expect([...row.indices]).toEqual([0, 1, 3])
    expect(partOf(places, outcomes, row, 'line')).toMatchObject({
      key: '#7a2433 line',
      count: 1,
      spellings: 1,
      open: 0,
    })
    expect(rowOf(places, countOutcomes(places, outcomes), cluster)).toMatchObject({
      key: '#7a2433',
      spellings: 2,
      open: 0,
    })
  })

  it('counts a role that is gone as open', () => {
    expect(rowOf(places, countOutcomes(places, outcomesOf([whole], [])), cluster)).toMatchObject({ open: 3 })
  })

  it('keeps the object of a row that says the same', () => {
    const open = countOutcomes(places, outcomesOf([]))
    const before = rowsOf(places, open, [cluster], null)
    const [row] = before.rows
    const rowOfThem = (...[counted, ...clusters]: [typeof open, ...(typeof cluster)[]]) =>
      rowsOf(places, counted, clusters, before).rows[0]
    expect(rowOfThem(open, { ...cluster })).toBe(row)
    expect(rowOfThem(countOutcomes(places, outcomesOf([])), cluster)).toBe(row)
    expect(rowOfThem(countOutcomes(places, outcomesOf([whole])), cluster)).not.toBe(row)
    expect(rowOfThem(open, { ...cluster, byHand: true })).not.toBe(row)
    expect(rowOfThem(open, { ...cluster, members: ['#7a2433', '#ffffff'], count: 4 })?.count).toBe(4)
  })
})

it('what becomes of a place is said in words, and why it is open', () => {
  const decision = { id: 'd', target: { colors: [] }, to: { kind: 'keep' } } as const
  const role = { id: 'r', name: 'accent', color: 'tan' }
  const color = { r: 0, g: 0, b: 0, alpha: 1 }
  expect(becomesText({ kind: 'open', inPart: false })).toBe('open')
  expect(becomesText({ kind: 'keep', decision })).toBe('kept')
  expect(becomesText({ kind: 'role', decision, role, color, alpha: null })).toBe('accent')
  expect(becomesText({ kind: 'role', decision, role, color, alpha: 0.4 })).toBe('accent at 40 %')
  expect(becomesText({ kind: 'role', decision, role, color, alpha: 1 })).toBe('accent, solid')
  expect(becomesText({ kind: 'color', decision, color, alpha: null, follows: null })).toBe('#000000')
  expect(becomesText({ kind: 'color', decision, color, alpha: null, follows: '#7a2433' })).toBe('follows #7a2433')
  expect(becomesText({ kind: 'inherit', decision })).toBe('the colour of its parent')
  for (const kind of ['role-gone', 'lead-open', 'cannot-inherit'] as const)
    expect(becomesText({ kind, decision })).toMatch(/^open: /)
})
