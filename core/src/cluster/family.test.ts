import { expect, it } from 'vitest'
import { familyOf } from './family.ts'

it('shades and tints of a colour are its family; greys and other hues are not', () => {
  const others = ['#7a2433', '#943a4b', '#5f1a27', '#e9c9cf', '#8b949a', '#ffffff', '#0b6e74', '#a8521d']
  expect(familyOf('#7a2433', others)).toEqual(['#943a4b', '#5f1a27', '#e9c9cf'])
  expect(familyOf('#777777', others)).toEqual([])
  // Across the end of the circle of hues.
  expect(familyOf('#ff0055', ['#ff3300', '#d9004c'])).toEqual(['#d9004c'])
})
