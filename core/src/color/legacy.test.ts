import { describe, expect, it } from 'vitest'
import { toHex } from './color.ts'
import { legacyColor, legacyLiteral } from './legacy.ts'

describe('legacy color values', () => {
  // Worked out by hand along the steps of HTML §2.4.6.
  it.each([
    ['#fc0', '#ffcc00'],
    ['FFcc00', '#ffcc00'],
    ['red', '#ff0000'],
    ['fff', '#0f0f0f'],
    ['zzz', '#000000'],
    ['#1234567', '#124570'],
    ['chucknorris', '#c00000'],
    ['rgb(1,2,3)', '#001030'],
    ['0000000001', '#000010'],
  ])('%s is %s to a browser', (value, hex) => expect(toHex(legacyColor(value) as never)).toBe(hex))

  it.each(['', ' ', 'transparent'])('%j is none', (value) => expect(legacyColor(value)).toBeNull())

  it('are places only where an author wrote a color out', () => {
    const written = ['#fc0', 'ffcc00', 'Red', '#FFCC00']
    for (const value of written) expect(legacyLiteral(value)).not.toBeNull()
    for (const value of ['fff', '#1234567', 'rgb(1,2,3)', '']) expect(legacyLiteral(value)).toBeNull()
  })
})
