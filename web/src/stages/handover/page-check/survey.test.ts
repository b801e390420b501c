import { ledgerOf, readSource, resolveLedger, resolverOf } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { SitePlaces } from '../../../work/places.ts'
import { decidedAway } from './decided-away.ts'
import { lostRules, remnantsOf, type Surveyed } from './survey.ts'

const roles = [{ id: 'p', name: 'primary', color: '#0b6e74' }]
const give = (id: string, color: string, more: object = {}) =>
  ({ id, target: { colors: [color], ...more }, to: { kind: 'role', role: 'p' } }) as const

/** What is decided away in a sheet. */
function away(text: string, decisions: readonly ReturnType<typeof give>[], added: string[] = []) {
  const path = 'a.css'
  const { occurrences } = readSource({ path, text, encoding: 'utf-8' })
  const ledger = ledgerOf([{ path, occurrences }])
  const places = new SitePlaces(ledger, { files: [] } as unknown as ConstructorParameters<typeof SitePlaces>[1])
  return decidedAway(places, resolveLedger(ledger, decisions, roles), added)
}

it('a color is decided away when every place of it becomes something else, and nothing becomes it', () => {
  const text = 'a{color:#f00;background:#0f0} b{color:#f00;background:#0b6e74}'
  expect(away(text, [give('a', '#ff0000')])).toEqual({ colors: ['#ff0000'], staying: 0 })
  expect(away(text, [give('a', '#00ff00', { use: 'text' })])).toEqual({ colors: [], staying: 0 })
  expect(away('a{color:#f00;background:#f00}', [give('a', '#ff0000', { use: 'text' })])).toEqual({
    colors: [],
    staying: 1,
  })
  expect(away(text, [give('a', '#ff0000')], ['#ff0000'])).toEqual({ colors: [], staying: 1 })
  // It has the new color already.
  expect(away(text, [give('a', '#0b6e74')])).toEqual({ colors: [], staying: 0 })
})

const survey = (found: Partial<Surveyed['found'][number]>[], rules: Surveyed['rules'] = []): Surveyed => ({
  ...{ kind: 'surveyed', path: '/', elements: 9, isWhole: true, showing: 1, rules },
  found: found.map((each) => ({
    ...{ color: '#f00', what: 'text' as const, source: null, elements: 1, example: 'p' },
    ...each,
  })),
})

it('what is left is told with its reason, the unexplained first', () => {
  const surveys = new Map([
    ['a.html', survey([{ source: '/v%20x.css', elements: 3 }, { source: 'browser' }])],
    ['b.html', survey([{ source: '/v%20x.css', elements: 2 }, { source: '/own.css' }, { source: 'style' }])],
  ])
  expect(
    remnantsOf(surveys, [{ path: 'v x.css' }], resolverOf(['v x.css', 'own.css', 'a.html', 'b.html'])).map(
      ({ reason, path, elements, pages }) => [...[reason, path, elements, pages.length]],
    ),
  ).toEqual([
    ['unknown', 'own.css', 1, 1],
    ['left-out', 'v x.css', 5, 2],
    ['browser', null, 1, 1],
    ['own-style', null, 1, 1],
  ])
})

it('a rule is lost when no element of any page takes it', () => {
  const rule = (selector: string, found: number, taking: number) => {
    return { selector, property: 'color', color: '#f00', found, taking }
  }
  const pages = [survey([], [rule('a', 3, 0), rule('b', 1, 0)]), survey([], [rule('a', 2, 1), rule('b', 4, 0)])]
  expect(lostRules(pages)).toEqual([rule('b', 5, 0)])
})
