import { ledgerOf, readSource, statesOf } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { SitePlaces } from '../../../work/places.ts'
import { keyOf, otherStates, stateDecisions } from './other-states.ts'

const text = `
.key { background: #7a2433; color: #fff } .key:hover, .knob:hover { background: #943a4b } .key:focus { background: #943a4b; color: #eee }
.key.late { background: #111 } .other:hover { background: #222 } .key:active { background: #7a2433 }`
const { occurrences } = readSource({ path: 'a.css', text, encoding: 'utf-8' })
const places = new SitePlaces(ledgerOf([{ path: 'a.css', occurrences }]), { files: [] } as never)
const maroon = places.some(places.ofColors(['#7a2433']))
const atRest = maroon.filter(({ signals }) => statesOf(signals).length === 0)

it('offers the states of the same thing that have another colour, of the same property', () => {
  const found = otherStates(atRest, ['#7a2433'], places)
  expect(found.map(({ selector, property, color }) => `${selector} ${property} ${color}`)).toEqual([
    '.key:hover background #943a4b',
    '.key:focus background #943a4b',
  ])
})

it('decides those that are given a role, where the limits hold', () => {
  const [hover, focus] = otherStates(atRest, ['#7a2433'], places)
  if (!hover || !focus) throw new Error('none found')
  const limits = { state: 'rest', region: '.bar', use: 'ground' }
  expect(stateDecisions([hover, focus], new Map([[keyOf(hover), 'dark']]), limits)).toEqual([
    {
      target: { colors: ['#943a4b'], use: 'ground', scope: { region: '.bar', selector: '.key:hover' } },
      to: { kind: 'role', role: 'dark' },
    },
  ])
})
