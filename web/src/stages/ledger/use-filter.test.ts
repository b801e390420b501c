import { expect, it } from 'vitest'
import type { PlaceOf } from '../../work/places.ts'
import { passes } from './use-filter.ts'

const place = (use: string, ...states: string[]) => ({ use, states }) as unknown as PlaceOf

it('a choice limits, none does not, rest means no state', () => {
  expect(passes(place('text', 'hover'), { use: null, state: null })).toBe(true)
  expect(passes(place('text', 'hover'), { use: 'text', state: 'hover' })).toBe(true)
  expect(passes(place('text', 'hover'), { use: 'ground', state: 'hover' })).toBe(false)
  expect(passes(place('text', 'hover'), { use: 'text', state: 'rest' })).toBe(false)
  expect(passes(place('text'), { use: null, state: 'rest' })).toBe(true)
})
