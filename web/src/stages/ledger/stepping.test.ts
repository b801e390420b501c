import { ledgerOf, readSource, resolveLedger } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { SitePlaces } from '../../work/places.ts'
import { countOutcomes, rowOf } from '../../work/standing.ts'
import { neighbour, placesAlong, STEPS } from './stepping.ts'

const read = (path: string, text: string) => ({ path, ...readSource({ path, text, encoding: 'utf-8' }) })
const places = new SitePlaces(
  ledgerOf([
    read('a.css', 'a{color:#7a2433} b{color:#7a2434} c{color:#fff}'),
    read('b.css', 'a{color:#7a2433} b{color:#fff}'),
  ]),
  { files: [] } as never,
)
const cluster = { lead: '#7a2433', members: ['#7a2433', '#7a2434'], count: 3, byHand: false }
const rows = [rowOf(places, countOutcomes(places, resolveLedger(places.ledger, [], [])), cluster)]

describe('stepping from a place to its like', () => {
  it.each([
    ['colour', [0, 3]],
    ['cluster', [0, 1, 3]],
    ['file', [0, 1, 2]],
  ] as const)('goes along the places of one %s', (step, indices) => {
    expect([...placesAlong(step, places.at(0), places, rows)]).toEqual(indices)
  })

  it('goes along the colour alone while no clusters are known', () => {
    expect([...placesAlong('cluster', places.at(0), places, [])]).toEqual([0, 3])
  })

  it('goes around the end of the site, both ways', () => {
    const along = Uint32Array.from([0, 1, 3])
    expect([1, -1].map((direction) => neighbour(along, 3, direction as 1 | -1))).toEqual([0, 1])
    expect([1, -1].map((direction) => neighbour(along, 0, direction as 1 | -1))).toEqual([1, 3])
    expect(neighbour(Uint32Array.from([5]), 5, 1)).toBe(5)
  })

  it('has a key for each way', () => expect(STEPS).toHaveLength(3))
})
