import { describe, expect, it } from 'vitest'
import { readSource } from '../read.ts'

const read = (path: string, text: string) => {
  const reading = readSource({ path, text, encoding: 'utf-8' })
  for (const { range, raw, confidence } of reading.occurrences) {
    expect(text.slice(range.start, range.end)).toBe(raw)
    expect(confidence).toBe('likely')
  }
  return reading
}
const lines = (path: string, text: string) =>
  read(path, text).occurrences.map(({ raw, property, selector }) => [raw, property, selector])

describe('indented Sass', () => {
  it('is read by its lines', () => {
    const text = `// Brand #111
$brand: #7a2433 !default
$map: ("a": #fff, b: tan)
/* Buttons */
.a
  color: red // #222
  &:hover
    background: linear-gradient(#333,
      #444 50%)
  border:
    color: teal
    width: 1px
.b,
.c
  +button(#555, $c: blue)
  :color gold
=button($c: #666)
  color: darken($c, 10%)
@media print
  d
    @include m(#777)
    color: #888`
    expect(lines('a.sass', text)).toEqual([
      ['#7a2433', '$brand', null],
      ['#fff', '$map', null],
      ['tan', '$map', null],
      ['red', 'color', '.a'],
      ['#333', 'background', '.a:hover'],
      ['#444', 'background', '.a:hover'],
      ['teal', 'border-color', '.a'],
      ['#555', '', '.b, .c'],
      ['blue', '', '.b, .c'],
      ['gold', 'color', '.b, .c'],
      ['#666', '', null],
      ['#777', '@include', 'd'],
      ['#888', 'color', 'd'],
    ])
    expect(read('a.sass', text).occurrences.at(-1)).toMatchObject({ atRules: ['@media print'], heading: 'Buttons' })
  })
})

describe('Stylus', () => {
  it('is read with and without colons, semicolons and braces', () => {
    const text = `brand = #7a2433
$name ?= red
// #111
.a
  color brand
  background #222
  border 1px solid tan;
  &:hover
    color: teal
.b { color: #333; .c { fill: #444 } }
button(c, d = #555)
  color c
.d
  button(#666)
  box-shadow 0 0 1px rgba(0, 0, 0, .5),
    0 0 2px #777
colors = {
  one: #888
  two: navy
}
if brand == #999
  e
    color plum`
    expect(lines('a.styl', text)).toEqual([
      ['#7a2433', 'brand', null],
      ['red', '$name ?', null],
      ['#222', 'background', '.a'],
      ['tan', 'border', '.a'],
      ['teal', 'color', '.a:hover'],
      ['#333', 'color', '.b'],
      ['#444', 'fill', '.b .c'],
      ['#555', 'button', null],
      ['#666', 'button', '.d'],
      ['rgba(0, 0, 0, .5)', 'box-shadow', '.d'],
      ['#777', 'box-shadow', '.d'],
      ['#888', 'one', null],
      ['navy', 'two', null],
      ['plum', 'color', 'e'],
    ])
    expect(
      read('a.styl', text)
        .occurrences.map(({ variable }) => variable)
        .slice(0, 2),
    ).toEqual(['brand', '$name'])
  })
})

it('neither hangs on depth nor on brackets that nothing closes', () => {
  const depth = 3000
  const deep = Array.from({ length: depth }, (_, i) => `${' '.repeat(i % 50)}a(`).join('\n')
  expect(read('a.styl', `${deep}\n\n.z\n  color red`).occurrences.length).toBeLessThanOrEqual(1)
  expect(read('a.sass', `${deep}\n`).occurrences).toEqual([])
})
