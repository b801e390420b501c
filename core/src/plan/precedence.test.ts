import { describe, expect, it } from 'vitest'
import { naiveHolder } from '../../test/naive-precedence.ts'
import { seeded } from '../../test/random.ts'
import { readSource } from '../source/read.ts'
import type { Decision, Scope, Target } from './decision.ts'
import { type PartOutcome, type Resolver, resolver } from './outcome.ts'
import { holding, isNarrower } from './precedence.ts'

const target = (scope: Scope, more: Omit<Target, 'colors' | 'scope'> = {}): Target => ({
  colors: ['#ff0000'],
  scope,
  ...more,
})
const decision = (id: string, about: Target): Decision => ({ id, target: about, to: { kind: 'color', color: '#000' } })

describe('a narrower target', () => {
  it.each<[Target, Target]>([
    [target({ width: '(max-width: 600px)' }), target({ width: '(max-width: 900px)' })],
    [target({ width: '(min-width: 900px)' }), target({ width: '(min-width: 600px)' })],
    [target({ selector: 'b' }), target({ selector: 'a, b' })],
    [target({ region: '.foot.dark' }), target({ region: '.foot' })],
    [target({}, { alphas: [1] }), target({}, { alphas: [1, 0.5] })],
    [target({ state: 'hover', file: 'a.css' }), target({ file: 'a.css' })],
    [target({ file: 'a.css' }), target({})],
  ])('%j is narrower than %j', (a, b) => expect([isNarrower(a, b), isNarrower(b, a)]).toEqual([true, false]))

  it.each<[Target, Target]>([
    [target({ width: '(max-width: 600px)' }), target({ width: '(min-width: 900px)' })],
    [target({ width: '(max-width: 600px)' }), target({ width: '(max-width: 60em)' })],
    [target({ region: '.foot' }), target({ region: '.head' })],
    [target({ width: '(max-width: 600px)', state: 'hover' }), target({ width: '(max-width: 500px)' })],
    [target({ state: 'hover' }), target({}, { use: 'text' })],
    [target({ file: 'a.css' }), target({ file: 'a.css' })],
  ])('%j and %j are not', (a, b) => expect([isNarrower(a, b), isNarrower(b, a)]).toEqual([false, false]))
})

it('what does not match changes nothing: of three that go round, whoever is left out leaves the other two as they are', () => {
  const region = decision('region', target({ region: '.x' }))
  const both = decision('both', target({ region: '.x', state: 'hover' }))
  const text = decision('text', target({}, { use: 'text' }))
  // Made in this order: both, text, region.
  expect(holding([both, text, region])?.id).toBe('text')
  expect(holding([text, region])?.id).toBe('region')
  expect(holding([both, region])?.id).toBe('both')
  expect(holding([both, text])?.id).toBe('text')
})

/**
 * From the definition alone, and by nothing that the resolver uses: a point is one selector of a rule's list, with the regions that it stands in and
 * the width of the window.
 */
describe('random plans, held against the definition point by point', () => {
  const SHEET =
    '.nav a, .nav a:hover, p { color: red } .foot .key { color: rgb(255 0 0 / .5); background: red } li:hover { border-color: red }'
  const path = 'a.css'
  const places = readSource({ path, text: SHEET, encoding: 'utf-8' }).occurrences.map((each) => ({ ...each, path }))
  const REGIONS = ['.nav', '.foot', '.dark'] as const
  const WIDTHS = ['(max-width: 600px)', '(max-width: 900px)', '(min-width: 800px)'] as const

  interface Point {
    readonly selector: string
    readonly regions: ReadonlySet<string>
    readonly width: number
  }

  function matches({ use, alphas, scope = {} }: Target, place: (typeof places)[number], point: Point): boolean {
    const { file, selector, state, region, width } = scope
    const isHover = point.selector.includes(':hover')
    const bound = Number(/\d+/.exec(width ?? '0')?.[0])
    return (
      (use === undefined || use === place.use) &&
      (alphas === undefined || alphas.includes(place.alpha ?? -1)) &&
      (file === undefined || file === path) &&
      (selector === undefined || selector === point.selector || selector === place.selector) &&
      (state === undefined || (state === 'hover') === isHover) &&
      (region === undefined || point.regions.has(region)) &&
      (width === undefined || (width.includes('max') ? point.width <= bound : point.width >= bound))
    )
  }

  function naive(decisions: readonly Decision[], place: (typeof places)[number], point: Point): string | null {
    const matching = decisions.filter(({ target: about }) => matches(about, place, point))
    return naiveHolder(matching)?.id ?? null
  }

  function resolved(plan: Resolver, place: (typeof places)[number], point: Point): string | null {
    const list = (place.selector ?? '').split(', ')
    const isOn = ({ part: { selectors, width } }: PartOutcome) =>
      selectors.some(
        ({ at, within: regions }) => list[at] === point.selector && regions.every((each) => point.regions.has(each)),
      ) &&
      (width ?? '').split(' and ').every((each) => matches(target(each === '' ? {} : { width: each }), place, point))
    const outcome = plan.pieces(place).findLast(isOn)?.outcome ?? plan.outcome(place)
    return 'decision' in outcome ? outcome.decision.id : null
  }

  function pointsOf(place: (typeof places)[number]): Point[] {
    return (place.selector ?? '')
      .split(', ')
      .flatMap((selector) =>
        Array.from({ length: 8 }, (_, bits) =>
          REGIONS.filter((region, i) => bits & (1 << i) || selector.startsWith(`${region} `)),
        ).flatMap((regions) => [300, 700, 850, 1000].map((width) => ({ selector, regions: new Set(regions), width }))),
      )
  }

  it('the same decision holds at every point, whatever is taken back in any order', () => {
    const random = seeded(17)
    const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T
    const maybe = <T>(items: readonly T[]): T | undefined => (random() < 0.35 ? pick(items) : undefined)
    const given = (values: object) =>
      Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined))
    let parts = 0
    for (let round = 0; round < 120; round++) {
      const made = Array.from({ length: 6 }, (_, i): Decision => {
        const scope: Scope = given({
          region: maybe(REGIONS),
          width: maybe(WIDTHS),
          state: maybe(['hover', 'rest'] as const),
          selector: maybe(['p', '.nav a', '.nav a, .nav a:hover, p', 'li:hover']),
          file: maybe([path, 'b.css']),
        })
        const about = {
          ...target(scope),
          ...given({ use: maybe(['text', 'ground'] as const), alphas: maybe([[1], [0.5], [1, 0.5]]) }),
        }
        return decision(`${round} ${i}`, about)
      })
      const left = made.filter(() => random() < 0.7)
      for (const decisions of [made, left]) {
        const plan = resolver(decisions, [])
        for (const place of places) {
          parts += plan.pieces(place).length
          for (const point of pointsOf(place)) {
            const wanted = naive(decisions, place, point)
            const got = resolved(plan, place, point)
            if (got !== wanted) expect({ decisions, place: place.selector, point, got }).toEqual({ got: wanted })
          }
        }
      }
    }
    expect(parts).toBeGreaterThan(500)
  })
})
