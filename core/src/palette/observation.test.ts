import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { ledgerOf } from '../ledger/ledger.ts'
import { readSource } from '../source/read.ts'
import { follower } from '../source/through.ts'
import { listVariables } from '../source/variables.ts'
import { observe, observeColors, together } from './observation.ts'

const SHEET = `
  body { background: #f6f1e7; color: #23303a }
  /* Warnings */ .note { color: #c2185b; border: 1px solid #c2185b } a:hover { color: #7a2433 }
  .btn--brand { background: #7a2433; color: #fff } .btn--brand:hover { color: #f6f1e7 } h2 { color: #7a2433 }
  :root { --line: #8b949a } hr { border-color: var(--line) } .siteTitle { color: #23303a; background: #fff }`

const reading = readSource({ path: 'a.css', text: SHEET, encoding: 'utf-8' })
const { occurrences } = reading
const paintings = follower(listVariables([{ path: 'a.css', reading }]))

it('counts each use with its subjects, states and names, most places first', () => {
  const { places, uses } = observe(
    occurrences.filter(({ color }) => color === '#7a2433'),
    paintings,
  )
  expect(places).toBe(3)
  expect([...uses].map(([use, seen]) => [use, seen.places, seen.inStates])).toEqual([
    ['text', 2, 1],
    ['ground', 1, 0],
  ])
  expect(uses.get('text')?.subjects).toMatchObject({ link: 1, heading: 1, control: 0 })
  expect(uses.get('ground')).toMatchObject({ subjects: { control: 1 }, names: { brand: 1, error: 0 } })
})

it('follows a variable to what takes it, and tells what its name says', () => {
  const { through, uses } = observe(
    occurrences.filter(({ variable }) => variable !== null),
    paintings,
  )
  expect([...through].map(([use, { places }]) => [use, places])).toEqual([['line', 1]])
  expect([...(uses.get('variable')?.called ?? [])]).toEqual([['line', { itself: 1, shades: 0 }]])
})

it('a heading speaks where the names below it say nothing', () => {
  const sheet = '/* Errors, error */ .note { color: #c2185b } .is-success { color: #2f7d4f }'
  const places = readSource({ path: 'a.css', text: sheet, encoding: 'utf-8' }).occurrences
  const seen = observe(places, () => []).uses.get('text')
  expect(seen?.names).toMatchObject({ error: 1, success: 1 })
})

describe('what is seen', () => {
  it('of each color of a ledger is what is seen of its places', () => {
    const seen = observeColors(ledgerOf([{ path: 'a.css', occurrences }]), paintings)
    expect(seen.size).toBe(new Set(occurrences.map(({ color }) => color)).size)
    for (const [key, observation] of seen)
      expect(observation).toEqual(
        observe(
          occurrences.filter(({ color }) => color === key),
          paintings,
        ),
      )
  })

  it('of parts together is what is seen of the whole, however it is parted', () => {
    const whole = observe(occurrences, paintings)
    const random = seeded(7)
    for (let round = 0; round < 20; round++) {
      const parts = [0, 1, 2].map(() => [] as (typeof occurrences)[number][])
      for (const occurrence of occurrences) parts[Math.floor(random() * 3)]?.push(occurrence)
      const seen = together(parts.map((part) => observe(part, paintings)))
      expect(seen).toEqual(whole)
      expect([...seen.uses.keys()]).toEqual([...whole.uses.keys()])
    }
  })
})
