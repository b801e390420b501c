import { describe, expect, it } from 'vitest'
import { hasPseudoElement, limitedTo } from './limit.ts'
import { parseSelectorList } from './parse.ts'
import { readSelectors, splitList } from './selector.ts'
import { statesOf } from './state.ts'

describe('selectors', () => {
  // Specificities: Selectors 4 §17 and its examples.
  it.each<[string, string, string[], [number, number, number]]>([
    ['a', 'a', [], [0, 0, 1]],
    ['a:hover', 'a', ['hover'], [0, 1, 1]],
    ['A:HOVER', 'A', ['hover'], [0, 1, 1]],
    ['.nav  a:focus-visible:visited', '.nav a', ['focus', 'visited'], [0, 3, 1]],
    ['.nav>a , b'.slice(0, 6), '.nav > a', [], [0, 1, 1]],
    ['.header.is-stuck a', '.header.is-stuck a', ['stuck'], [0, 2, 1]],
    ['a:not(:hover)', 'a:not(:hover)', [], [0, 1, 1]],
    ['a:is(:hover, :focus)', 'a:is(:hover, :focus)', ['focus', 'hover'], [0, 1, 1]],
    ['[aria-current="page"]', '[aria-current="page"]', ['current'], [0, 1, 0]],
    ['.menu[aria-expanded=true]', '.menu[aria-expanded=true]', ['open'], [0, 2, 0]],
    ["details[open] > .a[ title = 'x, (y]' i ]", "details[open] > .a[ title = 'x, (y]' i ]", ['open'], [0, 3, 1]],
    [':hover', '*', ['hover'], [0, 1, 0]],
    ['.a :hover > b', '.a * > b', ['hover'], [0, 2, 1]],
    ['a::before', 'a::before', [], [0, 0, 2]],
    ['a:hover:first-letter', 'a:first-letter', ['hover'], [0, 1, 2]],
    [':where(#x) b:active', ':where(#x) b', ['pressed'], [0, 1, 1]],
    ['#a .b c', '#a .b c', [], [1, 1, 1]],
    [':is(em, #foo)', ':is(em, #foo)', [], [1, 0, 0]],
    ['.qux:where(em, #foo#bar#baz)', '.qux:where(em, #foo#bar#baz)', [], [0, 1, 0]],
    [':nth-child(even of li, .item)', ':nth-child(even of li, .item)', [], [0, 2, 0]],
    [':not(em, strong#foo)', ':not(em, strong#foo)', [], [1, 0, 1]],
    ['.a\\:b.c\\31 0', '.a\\:b.c\\31 0', [], [0, 2, 0]],
    ['svg|a *|b', 'svg|a *|b', [], [0, 0, 2]],
    ['*+html .x', '* + html .x', [], [0, 1, 1]],
    ['.btn-#{$name}.@{x}-y', '.btn-#{$name}.@{x}-y', [], [0, 2, 0]],
    ['&-sub:hover', '&-sub', ['hover'], [0, 1, 0]],
    ['> %card', '> %card', [], [0, 1, 0]],
    ['é .ü', 'é .ü', [], [0, 1, 1]],
    ['a/* x, y */.b /* z */ > c', 'a.b > c', [], [0, 1, 2]],
  ])('%s', (text, subject, states, specificity) => {
    const [read, ...more] = readSelectors(text) ?? []
    expect(more).toEqual([])
    expect({ ...read, signals: statesOf(read?.signals ?? []) }).toEqual({ subject, signals: states, specificity })
  })

  it('keep what they ask for as it is written, whether anybody knows what that is or not', () => {
    expect(readSelectors('.bar-stuck[Data-On="1"] a:HOVER:not(.x):nth-child(2):has(.y:focus), li')).toMatchObject([
      { signals: ['.bar-stuck', '.y', ':focus', ':hover', '[data-on=1]'] },
      { signals: [] },
    ])
  })

  it('are told one by one, each where it stands', () => {
    const list = '/* one, */ a ,\n b:is(c, d)/* two */, [x="],"]'
    expect(splitList(list)).toEqual(['a', 'b:is(c, d)', '[x="],"]'])
    for (const { text, start, end, compounds } of parseSelectorList(list) ?? []) {
      expect(list.slice(start, end)).toBe(text)
      for (const each of compounds.flatMap(({ simple }) => simple))
        expect(list.slice(each.start, each.end)).toBe(each.text)
    }
  })

  it.each([
    'a, ]',
    'a,',
    ', a',
    '',
    ' ',
    'a >',
    'a > > b',
    '50%',
    '.a..b',
    '.mixin(@a)',
    '.a when (@dark)',
    'a:hover(',
    '[x',
    `a${':not('.repeat(60)}b${')'.repeat(60)}`,
  ])('none are read from %j', (text) => expect(readSelectors(text)).toBeNull())

  it('of any length take time in proportion', () => {
    for (const text of [
      'a '.repeat(200_000),
      `${'.a'.repeat(200_000)}`,
      `${'('.repeat(200_000)}`,
      'a,'.repeat(200_000),
    ])
      parseSelectorList(text)
  })

  it('are limited before what is no element, with nothing between', () => {
    expect(limitedTo('a:hover', ['.x'])).toBe('a:hover:where(.x, .x *)')
    expect(limitedTo('.a ~ b::before:hover', ['.x', 'y'])).toBe('.a ~ b:where(.x, .x *):where(y, y *)::before:hover')
    expect(limitedTo('::selection', ['.x'])).toBe(':where(.x, .x *)::selection')
    expect(['a::before', 'a:after', 'a::slotted(b)', 'a:hover', '[x="::y"]'].map(hasPseudoElement)).toEqual([
      true,
      true,
      true,
      false,
      false,
    ])
  })
})
