import fc from 'fast-check'
import { expect, it } from 'vitest'
import { rowAt } from './row-window.ts'

it('the row at a distance is the one that covers it, the last beyond all', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 40 }),
      fc.integer({ min: 0, max: 3000 }),
      (heights, distance) => {
        const tops = new Float64Array(heights.length + 1)
        heights.forEach((height, i) => {
          tops[i + 1] = (tops[i] as number) + height
        })
        const row = rowAt(tops, distance)
        const last = heights.length - 1
        if (distance >= (tops[last] as number)) expect(row).toBe(last)
        else {
          expect(tops[row] as number).toBeLessThanOrEqual(distance)
          expect(tops[row + 1] as number).toBeGreaterThan(distance)
        }
      },
    ),
  )
  expect(rowAt(new Float64Array(1), 10)).toBe(0)
})
