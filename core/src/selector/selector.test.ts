import { describe, expect, it } from 'vitest'
import { readSelector } from './selector.ts'

describe('selectors', () => {
  it.each<[string, string, string[], [number, number, number]]>([
    ['a', 'a', [], [0, 0, 1]],
    ['a:hover', 'a', ['hover'], [0, 1, 1]],
    ['.nav  a:focus-visible:visited', '.nav a', ['focus', 'visited'], [0, 3, 1]],
    ['.header.is-stuck a', '.header.is-stuck a', ['stuck'], [0, 2, 1]],
    ['a:not(:hover)', 'a:not(:hover)', [], [0, 1, 1]],
    ['a:is(:hover, :focus)', 'a:is(:hover, :focus)', ['focus', 'hover'], [0, 1, 1]],
    ['[aria-current="page"]', '[aria-current="page"]', ['current'], [0, 1, 0]],
    ['.menu[aria-expanded=true]', '.menu[aria-expanded=true]', ['open'], [0, 2, 0]],
    [':hover', '*', ['hover'], [0, 1, 0]],
    ['a::before', 'a::before', [], [0, 0, 2]],
    [':where(#x) b:active', ':where(#x) b', ['pressed'], [0, 1, 1]],
    ['#a .b c', '#a .b c', [], [1, 1, 1]],
  ])('%s', (text, subject, states, specificity) => {
    expect(readSelector(text)).toEqual([{ subject, states, specificity }])
  })

  it('are read one by one from a list, and refused as a whole', () => {
    expect(readSelector('a, b:hover')?.map(({ subject }) => subject)).toEqual(['a', 'b'])
    expect(readSelector('a, ]')).toBeNull()
    expect(readSelector(`a${':not('.repeat(5000)}b${')'.repeat(5000)}`)).toBeNull()
  })
})
