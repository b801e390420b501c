import { describe, expect, it } from 'vitest'
import type { Takes } from './property.ts'
import { findInValue } from './value.ts'

const literals = (value: string, takes: Takes) =>
  findInValue(value, takes).filter(({ found }) => !('computedBy' in found))
const found = (value: string, takes: Takes = 'color') =>
  literals(value, takes).map(({ start, end }) => value.slice(start, end))

describe('colors within a value', () => {
  it.each<[string, string[]]>([
    ['#fff', ['#fff']],
    ['1px solid RED', ['RED']],
    ['linear-gradient(to right, #7a2433 0%, rgb(1 2 3 / 50%))', ['#7a2433', 'rgb(1 2 3 / 50%)']],
    ['0 0 2px rgba(0,0,0,.5), inset 0 1px #fff', ['rgba(0,0,0,.5)', '#fff']],
    ['var(--red, #123456)', ['#123456']],
    ['var(--red)', []],
    ['var(--red, var(--blue, teal))', ['teal']],
    ['color-mix(in srgb, white 20%, hsl(10 20% 30%))', ['white', 'hsl(10 20% 30%)']],
    ['rgb(from gold r g b / .5)', ['gold']],
    ['rgb(var(--r), 1, 2)', []],
    ['light-dark(#fff, #000)', ['#fff', '#000']],
    ['url(#fff) red', ['red']],
    ['url("a.png#fff") #ABC', ['#ABC']],
    ['/* red */ blue /* #fff */', ['blue']],
    ['"red #fff"', []],
    ['re\\64', ['re\\64']],
    ['#12345', []],
    ['#fff !important', ['#fff']],
    ['color(display-p3 1 0 0)', ['color(display-p3 1 0 0)']],
    ['rgb(1 2 3', []],
    ['drop-shadow(0 0 1px tan)', ['tan']],
    [
      "progid:DXImageTransform.Microsoft.gradient(startColorstr='#80ff0000', endColorstr=#00FF00, GradientType=0)",
      ['#80ff0000', '#00FF00'],
    ],
    ['"progid:DXImageTransform.Microsoft.Shadow(color=red, direction=135) alpha(opacity=50)"', ['red']],
    ["progid:DXImageTransform.Microsoft.AlphaImageLoader(src='#abc.png', sizingMethod='scale')", []],
  ])('%s', (value, expected) => expect(found(value)).toEqual(expected))

  it('reads the eight digits of old filters with their alpha in front', () => {
    const [hit] = findInValue("progid:x(startColorstr='#800000ff')", 'color')
    expect(hit?.found).toMatchObject({ notation: 'argb', color: { r: 0, g: 0, b: 1, alpha: 128 / 255 } })
  })

  it('lists keywords apart', () => {
    const hits = findInValue('1px solid currentColor, transparent, ButtonFace', 'color')
    expect(hits.map((hit) => hit.found)).toEqual([
      { keyword: 'currentcolor' },
      { keyword: 'transparent' },
      { keyword: 'buttonface' },
    ])
  })

  it('tells the functions around each', () => {
    expect(findInValue('linear-gradient(var(--a, #fff), red)', 'image').map((hit) => hit.functions)).toEqual([
      ['linear-gradient', 'var'],
      ['linear-gradient'],
    ])
  })
})

describe('what a place takes', () => {
  it.each<[Takes, string, string[]]>([
    ['image', 'red', []],
    ['image', '#fff', []],
    ['image', 'linear-gradient(red, #fff)', ['red', '#fff']],
    ['none', '#fff', []],
    ['unknown', 'red #fff rgb(1 2 3)', ['#fff', 'rgb(1 2 3)']],
    ['custom', 'red', ['red']],
    ['custom', '1px solid red', ['red']],
    ['custom', '0 2px 4px black', ['black']],
    ['custom', 'bold red', []],
    ['custom', 'red blue green things', []],
    ['custom', 'linear-gradient(red, blue)', ['red', 'blue']],
    ['custom', 'bold #fff', ['#fff']],
    ['custom', '13, 110, 253', []],
  ])('%s: %s', (takes, value, expected) => expect(found(value, takes)).toEqual(expected))
})

it('takes time in proportion to the value', () => {
  const depth = 20_000
  expect(findInValue(`${'f('.repeat(depth)}#fff${')'.repeat(depth)}`, 'color')).toHaveLength(1)
  expect(findInValue('rgb('.repeat(depth), 'color')).toEqual([])
})
