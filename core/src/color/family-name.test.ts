import { describe, expect, it } from 'vitest'
import { isFamilyName, isOfFamily } from './family-name.ts'
import { parseColor } from './literal.ts'
import { COLOR_NAMES } from './names.ts'

const color = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>

describe('a family of colors, as people call it', () => {
  // The names of CSS Color 4 §6.1 that have the family's word in them say what their authors saw.
  it.each(['red', 'orange', 'green', 'blue', 'violet', 'pink', 'turquoise', 'cyan', 'gold'])(
    'most names of CSS with %s in them are of it',
    (family) => {
      const named = [...COLOR_NAMES.keys()].filter((name) => name.endsWith(family) && !/grey|gray/.test(name))
      const found = named.filter((name) => isOfFamily(color(name), family))
      expect(named.length).toBeGreaterThan(0)
      expect(found.length / named.length, `${named.filter((each) => !found.includes(each))}`).toBeGreaterThanOrEqual(
        0.6,
      )
    },
  )

  it('holds brand colours under the words that people use', () => {
    const said: Record<string, string[]> = {
      blue: ['#1d5f9e', '#4e73df', '#0d6efd'],
      maroon: ['#7a2433', '#5f1a27'],
      purple: ['#6f42c1', '#6610f2'],
      teal: ['#0b6e74', '#20c997'],
      grey: ['#6c757d', '#d8dcdf'],
      white: ['#ffffff', '#fafafa'],
      black: ['#000000', '#111111'],
    }
    for (const [name, colors] of Object.entries(said))
      for (const each of colors) expect(isOfFamily(color(each), name), `${each} ${name}`).toBe(true)
    expect(isOfFamily(color('#1d5f9e'), 'green')).toBe(false)
    expect(isOfFamily(color('#ffffff'), 'blue')).toBe(false)
    expect(isFamilyName('Blue')).toBe(true)
    expect(isFamilyName('constructor')).toBe(false)
  })
})
