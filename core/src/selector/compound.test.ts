import { expect, it } from 'vitest'
import { partsOfCompound } from './compound.ts'

it('every element of a compound also belongs to its parts', () => {
  expect(partsOfCompound('a.key.late')).toEqual(['a.key', 'a.late', '.key.late', 'a', '.key', '.late'])
  expect(partsOfCompound('#top[lang|="en"]')).toEqual(['#top', '[lang|="en"]'])
})

it('other selectors have none that are surely so', () => {
  for (const subject of ['a', '.key', '*', '.notice a', '.a > .b', 'a::before', ':not(.a)', '.a.b.c.d.e.f', ''])
    expect(partsOfCompound(subject)).toEqual([])
})
