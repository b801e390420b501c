import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { ledgerOf } from '../ledger/ledger.ts'
import { readSource } from '../source/read.ts'
import { observe, observeColors, together } from './observation.ts'

const SHEET = `
  body { background: #f6f1e7; color: #23303a }
  /* Warnings */ .note { color: #c2185b; border: 1px solid #c2185b } a:hover { color: #7a2433 }
  .btn--brand { background: #7a2433; color: #fff } .btn--brand:hover { color: #f6f1e7 } h2 { color: #7a2433 }
  :root { --line: #8b949a } hr { border-color: #8b949a } .siteTitle { color: #23303a; background: #fff }`

const { occurrences } = readSource({ path: 'a.css', text: SHEET, encoding: 'utf-8' })

it('counts each use with its subjects, states and names, most places first', () => {
  const { places, uses } = observe(occurrences.filter(({ color }) => color === '#7a2433'))
  expect(places).toBe(3)
  expect([...uses].map(([use, seen]) => [use, seen.places, seen.inStates])).toEqual([
    ['text', 2, 1],
    ['ground', 1, 0],
  ])
  expect(uses.get('text')?.subjects).toMatchObject({ link: 1, heading: 1, control: 0 })
  expect(uses.get('ground')).toMatchObject({ subjects: { control: 1 }, names: { brand: 1, line: 0 } })
})

describe('what is seen', () => {
  it('of each color of a ledger is what is seen of its places', () => {
    const seen = observeColors(ledgerOf([{ path: 'a.css', occurrences }]))
    expect(seen.size).toBe(new Set(occurrences.map(({ color }) => color)).size)
    for (const [key, observation] of seen)
      expect(observation).toEqual(observe(occurrences.filter(({ color }) => color === key)))
  })

  it('of parts together is what is seen of the whole, however it is parted', () => {
    const whole = observe(occurrences)
    const random = seeded(7)
    for (let round = 0; round < 20; round++) {
      const parts = [0, 1, 2].map(() => [] as (typeof occurrences)[number][])
      for (const occurrence of occurrences) parts[Math.floor(random() * 3)]?.push(occurrence)
      const seen = together(parts.map(observe))
      expect(seen).toEqual(whole)
      expect([...seen.uses.keys()]).toEqual([...whole.uses.keys()])
    }
  })
})
