import { expect, it } from 'vitest'
import { colorAt, isImageName } from './pixels.ts'

it('a pixel is told by its row and column, and what is see-through as nothing', () => {
  const data = Uint8ClampedArray.from([1, 2, 3, 255, 255, 255, 255, 255, 0, 0, 0, 0, 122, 36, 51, 128])
  const pixels = { width: 2, data }
  expect(colorAt(pixels, 0, 0)).toBe('#010203')
  expect(colorAt(pixels, 1, 0)).toBe('#ffffff')
  expect(colorAt(pixels, 0, 1)).toBeNull()
  expect(colorAt(pixels, 1, 1)).toBe('#7a2433')
})

it.each([
  ['a.PNG', true],
  ['logo.svg', true],
  ['a.css', false],
  ['png', false],
])('%s may be an image: %s', (name, is) => expect(isImageName(name)).toBe(is))
