import { expect, it } from 'vitest'
import { contrast } from './contrast.ts'
import { parseColor } from './literal.ts'

const ratio = (a: string, b: string) => contrast(parseColor(a) as never, parseColor(b) as never)

// WCAG 2.2: black on white is 21:1; #767676 and #777777 on white are the well-known neighbours of 4.5:1 (understanding document of 1.4.3).
it.each([
  ['#000', '#fff', 21],
  ['#fff', '#fff', 1],
  ['#767676', '#fff', 4.54],
  ['#777777', '#fff', 4.48],
])('%s on %s is %f', (a, b, expected) => {
  expect(ratio(a, b)).toBeCloseTo(expected, 2)
  expect(ratio(b, a)).toBe(ratio(a, b))
})
