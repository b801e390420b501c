import { describe, expect, it } from 'vitest'
import { readSource } from '../read.ts'
import { findInValue } from './value.ts'

const found = (value: string, takes: Parameters<typeof findInValue>[1] = 'custom') =>
  findInValue(value, takes).flatMap(({ start, end, found: hit, confidence }) =>
    'computedBy' in hit ? [] : [[value.slice(start, end), confidence]],
  )

describe('names where a preprocessor gives values', () => {
  it.each<[string, [string, string][]]>([
    [
      '("a": red, b: blue)',
      [
        ['red', 'likely'],
        ['blue', 'likely'],
      ],
    ],
    ['(a: (b: tan), red: 1px)', [['tan', 'likely']]],
    ['(a: red blue)', []],
    ['(red, blue)', []],
    [
      'mix(red, blue)',
      [
        ['red', 'certain'],
        ['blue', 'certain'],
      ],
    ],
    ['font(black)', []],
    ['map.get($m, red)', []],
    ['"red"', []],
  ])('%s', (value, expected) => expect(found(value)).toEqual(expected))

  it('are taken in arguments that are named', () => {
    expect(found('($c: red, $w: bold)', 'unknown')).toEqual([['red', 'likely']])
    expect(found('(@c: red; @d: 2px)', 'unknown')).toEqual([['red', 'likely']])
    expect(found('(red)', 'unknown')).toEqual([])
  })
})

describe('what a function does with a color', () => {
  const computedWith = (value: string) =>
    readSource({ path: 'a.scss', text: `a{color:${value}}`, encoding: 'utf-8' }).occurrences.map(
      (each) => each.computedWith,
    )

  it.each([
    ['#fff', null],
    ['linear-gradient(#fff, $x)', null],
    ['-webkit-gradient(linear, from(#fff))', null],
    ['var(--x, #fff)', null],
    ['darken(#fff, 1%)', 'darken'],
    ['color.adjust(#fff, $alpha: -.5)', 'color.adjust'],
    ['rgba(#fff, .5)', 'rgba'],
    ['rgb(from #fff r g b)', 'rgb'],
    ['color-mix(in srgb, #fff, $x)', 'color-mix'],
    ['light-dark(#fff, $x)', 'light-dark'],
    ['my-own(#fff)', 'my-own'],
    ['linear-gradient(shade(#fff, 2%), $x)', 'shade'],
    ['shade(linear-gradient(#fff, $x), 2%)', 'shade'],
  ])('%s', (value, expected) => expect(computedWith(value)).toEqual([expected]))
})

describe('the neighbouring opacity', () => {
  const opacities = (text: string) =>
    readSource({ path: 'a.css', text, encoding: 'utf-8' }).occurrences.map(({ opacity }) => opacity)

  it('is that of the same rule, wherever it stands in it', () => {
    expect(opacities('a{color:red;opacity:.5}b{opacity:50%;color:red}c{color:red}')).toEqual([0.5, 0.5, null])
    expect(opacities('a{color:red;&:hover{opacity:.3;color:tan}}')).toEqual([null, 0.3])
    expect(opacities('a{opacity:var(--o);color:red}')).toEqual([null])
  })
})
