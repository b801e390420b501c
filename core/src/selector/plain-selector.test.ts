import { describe, expect, it } from 'vitest'
import { readPlainSelector } from './plain-selector.ts'
import { parseSelector } from './selector.ts'

describe('a selector without round brackets', () => {
  it.each([
    'a',
    '*',
    'a b > c + d ~ e',
    '.a.b#c::before',
    'a:before, b:first-line',
    '.nav  .is-open>a:hover:focus-visible',
    '[type=text], a[href^="x"][open], [aria-current=page]',
    ':hover > :visited',
    '.-a_b-1, --x',
    'a,b,c',
    '* + *',
    '.current-item a:active',
  ])('%s is read as the parser reads it', (list) => {
    expect(readPlainSelector(list)).not.toBeNull()
    expect(readPlainSelector(list)).toEqual(parseSelector(list))
  })

  it.each([
    'a:not(.b)',
    'a\\:b',
    'a, ',
    '',
    '&:hover',
    'a >',
    '> a',
    '50%',
    'a[b="c,d"]',
    '.a..b',
    'a b{',
    'é',
    'a|b',
    '.1a',
  ])('%s is left to the parser', (list) => expect(readPlainSelector(list)).toBeNull())
})
