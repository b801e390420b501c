import Color from 'colorjs.io'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { statesOf } from '../selector/state.ts'
import { readSource } from '../source/read.ts'
import { syntaxOf } from '../source/syntax.ts'
import { FACETS, type Facet, STANDINGS } from './facets.ts'
import type { LedgerPlace } from './fields.ts'
import { type FilePlaces, ledgerOf, placeAt } from './ledger.ts'
import { readQuery } from './query.ts'
import {
  EVERYTHING,
  GROUPINGS,
  type Grouping,
  indexLedger,
  type LedgerView,
  MOST_VALUES,
  viewLedger,
  withStandings,
  withWords,
} from './view.ts'
import { runsOf } from './words.ts'

const random = seeded(5)
const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T

/** Made-up files with every sort of place. */
const FILES = Array.from({ length: 12 }, (_, n): FilePlaces => {
  const path = `${pick(['css', 'vendor'])}/f${n}.${pick(['css', 'scss'])}`
  const hex = () => `#${Math.floor(random() * 40) * 6 + 10}`.padEnd(7, '0')
  const rules = Array.from({ length: 30 }, () => {
    const selector = pick(['.a', '.b a', 'nav:hover', '.c:focus:hover', 'td'])
    const value = pick([hex(), hex().toUpperCase(), 'rgb(1 2 3 / .5)', 'tan', 'white'])
    return `${pick(['/* Links */', '/* Tables */', '', ''])} ${selector} { ${pick(['color', 'background', 'border-color', '--c'])}: ${value} }`
  })
  return { path, ...readSource({ path, text: rules.join('\n'), encoding: 'utf-8' }) }
})
const ledger = ledgerOf(FILES)
const places = Array.from({ length: ledger.length }, (_, i) => placeAt(ledger, i))
const standings = Uint8Array.from(places, () => Math.floor(random() * 3))
const surroundings = {
  standings,
  thirdParty: new Set(places.map(({ path }) => path).filter((path) => path.startsWith('vendor/'))),
  generated: new Set(['css/f3.css']),
}
/** What the pages show: each text is painted by some runs of places. */
const runs = runsOf(ledger)
const shown = {
  texts: ['Book now', 'Links and fares', 'Tables', 'Borderless'],
  sets: Array.from({ length: 4 }, () => Array.from(runs.keys()).filter(() => random() < 0.1)),
  painted: [[0, 3], [1], [2, 3], []],
  partly: [],
}
const shownBy = (place: LedgerPlace) => {
  const run = runs.findLastIndex((first) => first <= place.index)
  return shown.texts.filter((_, i) => shown.painted[i]?.some((set) => shown.sets[set]?.includes(run)))
}
const indexed = withWords(indexLedger(ledger, surroundings), shown)

/** The values of a place in a facet, by its definition. */
function valuesOf(place: LedgerPlace, facet: Facet): readonly string[] {
  switch (facet) {
    case 'standing':
      return [STANDINGS[standings[place.index] as number] as string]
    case 'state':
      return statesOf(place.signals).length > 0 ? statesOf(place.signals) : ['rest']
    case 'file':
      return [place.path]
    case 'syntax':
      return [syntaxOf(place.path)]
    case 'origin':
      return [
        surroundings.thirdParty.has(place.path)
          ? 'third-party'
          : surroundings.generated.has(place.path)
            ? 'generated'
            : 'own',
      ]
    case 'heading':
      return [place.heading ?? '']
    default:
      return [place[facet]]
  }
}

/** ΔE00 by a second library, over CIELAB with white D65; it would take D50 by itself, so that its Lab is given the other's numbers. */
const labs = new Map<string, Color>()
const labOf = (key: string) => {
  const lab = labs.get(key) ?? new Color('lab', new Color(key).to('lab-d65').coords)
  labs.set(key, lab)
  return lab
}
const distance = (a: string, b: string) => labOf(a).deltaE(labOf(b), '2000')

function isFound(place: LedgerPlace, view: LedgerView, but?: Facet): boolean {
  const text = view.text.toLowerCase()
  const words = [
    place.selector,
    place.property,
    place.heading,
    place.variable,
    place.path,
    place.raw,
    ...shownBy(place),
  ]
  return (
    (view.colors?.includes(place.color) ?? true) &&
    (view.near === null || distance(view.near.color, place.color) <= view.near.reach) &&
    words.some((word) => word?.toLowerCase().includes(text)) &&
    FACETS.every((facet) => {
      const chosen = view.chosen[facet] ?? []
      return facet === but || chosen.length === 0 || valuesOf(place, facet).some((value) => chosen.includes(value))
    })
  )
}

function randomView(): LedgerView {
  const chosen: Partial<Record<Facet, string[]>> = {}
  for (const facet of FACETS)
    if (random() < 0.25)
      chosen[facet] = [
        ...new Set(Array.from({ length: 1 + Math.floor(random() * 2) }, () => pick(valuesOf(pick(places), facet)))),
      ]
  return {
    chosen,
    colors: random() < 0.2 ? places.filter(() => random() < 0.3).map(({ color }) => color) : null,
    near: random() < 0.3 ? { color: pick(places).color, reach: random() * 20 } : null,
    text: random() < 0.3 ? pick(['HOVER', 'links', 'f1', '#5', 'nothing', 'border', 'book', 'AND fares']) : '',
    isFamily: false,
    grouping: pick(GROUPINGS),
    whole: null,
  }
}

describe('a view of the ledger', () => {
  it('is what a naive walk over the places finds, facet counts included', () => {
    let shownInAll = 0
    for (let round = 0; round < 120; round++) {
      const view = randomView()
      const viewed = viewLedger(indexed, view)
      const expected = places.filter((place) => isFound(place, view))
      expect([...viewed.shown].toSorted((a, b) => a - b)).toEqual(expected.map(({ index }) => index))
      expect(viewed.colors).toBe(new Set(expected.map(({ color }) => color)).size)
      expect(viewed.groups.counts.reduce((sum, count) => sum + count, 0)).toBe(expected.length)
      for (const facet of FACETS) {
        const counts = new Map<string, number>()
        for (const place of places.filter((each) => isFound(each, view, facet)))
          for (const value of valuesOf(place, facet)) counts.set(value, (counts.get(value) ?? 0) + 1)
        const told = viewed.facets[facet]
          .filter(({ count }) => count > 0)
          .map(({ value, count }) => [value, count] as const)
        expect(new Map(told), facet).toEqual(counts)
      }
      shownInAll += expected.length
    }
    expect(shownInAll).toBeGreaterThan(5000)
  })

  it.each(GROUPINGS)('by %s puts equal places under one group', (grouping: Grouping) => {
    const { shown, groups } = viewLedger(indexed, { ...EVERYTHING, grouping })
    let at = 0
    expect(groups.distances).toBeNull()
    groups.places.forEach((place, i) => {
      const count = groups.counts[i] as number
      const key = (index: number) => {
        const { path, heading } = places[index] as LedgerPlace
        return grouping === 'file' ? `${path} ${heading}` : (places[index] as LedgerPlace)[grouping]
      }
      for (const index of shown.subarray(at, at + count)) expect(key(index)).toBe(key(place))
      at += count
    })
    const names = Array.from(
      groups.places,
      (place) => (places[place] as LedgerPlace)[grouping === 'file' ? 'path' : grouping],
    )
    if (grouping !== 'file') {
      expect(new Set(names).size).toBe(names.length)
      const sizes = [...groups.counts].filter((_, i) => names[i] !== null)
      expect(sizes).toEqual(sizes.toSorted((a, b) => b - a))
      expect(names.indexOf(null) === -1 || names.indexOf(null) === names.length - 1).toBe(true)
    }
  })

  it('around a color has the nearest first, as a second library measures it (colorjs.io, ΔE00, both over D65 Lab)', () => {
    const sought = '#82b030'
    const { groups } = viewLedger(indexed, { ...EVERYTHING, near: { color: sought, reach: 60 }, grouping: 'color' })
    expect(groups.places.length).toBeGreaterThan(8)
    groups.places.forEach((place, i) => {
      expect(groups.distances?.[i]).toBeCloseTo(distance(sought, places[place]?.color as string), 4)
      expect(groups.distances?.[i]).toBeGreaterThanOrEqual(groups.distances?.[i - 1] ?? 0)
    })
  })

  it('keeps a chosen value that no longer is, with no place', () => {
    const { facets, shown } = viewLedger(indexed, { ...EVERYTHING, chosen: { heading: ['Gone'] } })
    expect(shown).toHaveLength(0)
    expect(facets.heading.at(-1)).toEqual({ value: 'Gone', count: 0 })
  })

  it('follows what is decided', () => {
    const decided = withStandings(indexed, new Uint8Array(ledger.length).fill(1))
    expect(viewLedger(decided, EVERYTHING).facets.standing).toEqual([{ value: 'decided', count: ledger.length }])
  })

  it('tells all values of the facet that is asked for, and the most used of the others', () => {
    const text = Array.from(
      { length: 200 },
      (_, i) => `/* H${i} */ a { color: tan } ${i === 150 ? 'b { color: tan }' : ''}`,
    ).join('\n')
    const many = ledgerOf([{ path: 'a.css', ...readSource({ path: 'a.css', text, encoding: 'utf-8' }) }])
    const own = indexLedger(many, { ...surroundings, standings: new Uint8Array(many.length) })
    const some = viewLedger(own, { ...EVERYTHING, chosen: { heading: ['H199'] } }).facets.heading
    expect(some).toHaveLength(MOST_VALUES + 1)
    expect([some[0], some.at(-1)]).toEqual([
      { value: 'H150', count: 2 },
      { value: 'H199', count: 1 },
    ])
    expect(viewLedger(own, { ...EVERYTHING, whole: 'heading' }).facets.heading).toHaveLength(200)
  })

  it('of nothing is empty', () => {
    const none = indexLedger(ledgerOf([]), { ...surroundings, standings: new Uint8Array() })
    expect(viewLedger(none, { ...EVERYTHING, text: 'x' })).toMatchObject({ colors: 0, facets: { use: [] } })
  })
})

it('a view of a text tells of pages whose words are known in part', () => {
  const some = withWords(indexed, { ...shown, partly: ['a.html'] })
  expect([viewLedger(some, EVERYTHING).partly, viewLedger(some, { ...EVERYTHING, text: 'x' }).partly]).toEqual([0, 1])
})

describe('what is typed into the field of search', () => {
  it.each([
    ['#7A2433', 'color #7a2433'],
    ['7a2433', 'color #7a2433'],
    [' 7A2 ', 'color #77aa22'],
    ['7a2433cc', 'color #7a2433'],
    ['rgb(122 36 51 / .5)', 'color #7a2433'],
    ['rebeccapurple;', 'color #663399'],
    ['hsl(350 56% 31%)', 'color #7b2332'],
    ['333', 'color #333333'],
    ['add', 'text add'],
    ['#7a243', 'text #7a243'],
    ['rgb(122 36', 'text rgb(122 36'],
    ['.site-header', 'text .site-header'],
    ['Fares', 'text Fares'],
    ['  ', ''],
  ])('%s is %s', (typed, expected) => {
    const query = readQuery(typed)
    const told = query === null ? '' : query.kind === 'color' ? `color ${query.color}` : `text ${query.text}`
    expect(told).toBe(expected)
  })
})
