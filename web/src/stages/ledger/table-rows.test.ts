import fc from 'fast-check'
import { expect, it } from 'vitest'
import { placeInRow, rowOfPlace, rowsOf } from './table-rows.ts'

it('rows and places lead to each other, whatever the groups', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 5 }), { minLength: 1, maxLength: 30 }), (counts) => {
      const rows = rowsOf({ places: new Uint32Array(), counts: Uint32Array.from(counts), distances: null })
      const expected = counts.flatMap((count, group) => [null, ...Array.from({ length: count }, () => group)])
      expect(rows.count).toBe(expected.length)
      let position = 0
      expected.forEach((group, row) => {
        const told = placeInRow(rows, row)
        if (group === null) expect(told.position).toBeNull()
        else {
          expect(told).toEqual({ group, position })
          expect(rowOfPlace(rows, position)).toBe(row)
          position++
        }
      })
    }),
  )
})
