import { describe, expect, it } from 'vitest'
import { linkVariables } from './link-variables.ts'
import { readSource } from './read.ts'
import { listVariables } from './variables.ts'

const link = (files: Record<string, string>) =>
  linkVariables(
    Object.entries(files).map(([path, text]) => ({ path, reading: readSource({ path, text, encoding: 'utf-8' }) })),
  )
const uses = (files: Record<string, string>) =>
  Object.fromEntries(listVariables(link(files)).map(({ name, uses }) => [name, uses]))

describe('bare channels in a variable', () => {
  const occurrences = (files: Record<string, string>) =>
    link(files).flatMap(({ reading }) => reading.occurrences.map(({ raw, notation, color }) => [raw, notation, color]))

  it('are a color where a color function takes them, across files and through chains', () => {
    expect(
      occurrences({
        'a.css': ':root{--rgb: 13, 110, 253;--hsl:222 47% 11%;--base:1 2 3;--size:1 2 3;--b:var(--base)}',
        'b.css': 'a{color:rgba(var(--rgb),.5);fill:hsl(var(--hsl) / var(--a));stroke:rgb(var(--b));inset:var(--size)}',
      }),
    ).toEqual([
      ['13, 110, 253', 'rgb-channels', '#0d6efd'],
      ['222 47% 11%', 'hsl-channels', '#0f1729'],
      ['1 2 3', 'rgb-channels', '#010203'],
    ])
    expect(occurrences({ 'a.scss': '$x: 1, 2, 3; a { --c: #{$x}; color: rgba($x, .5) }' })[0]?.[1]).toBe('rgb-channels')
    expect(occurrences({ 'a.css': ':root{--r:1,2,3}a{color:rgb(var(--r), 1, 2)}' })).toEqual([])
  })
})

describe('a color function', () => {
  const read = (value: string, path = 'a.css') => readSource({ path, text: `a{color:${value}}`, encoding: 'utf-8' })

  it.each([
    ['rgb(var(--r), 1, 2)', 'rgb'],
    ['rgb(from var(--x) r g b)', 'rgb'],
    ['color-mix(in srgb, var(--a), var(--b))', 'color-mix'],
    ['hsl(var(--x))', 'hsl'],
  ])('%s with variable channels is listed as computed', (value, computedBy) => {
    expect(read(value).computed.map(({ raw, computedBy }) => [raw, computedBy])).toEqual([[value, computedBy]])
    expect(read(value).occurrences).toEqual([])
  })

  it.each([
    'rgb(1 2 3 / var(--a))',
    'rgba(1, 2, 3, var(--a, .5))',
    'hsl(1 2% 3% / calc(1 - var(--a)))',
    'rgba(1, 2, 3, $a)',
  ])('%s with a variable alpha alone is a color', (value) => {
    const { occurrences, computed } = read(value, 'a.scss')
    expect(occurrences.map(({ raw, alpha }) => [raw, alpha])).toEqual([[value, null]])
    expect(computed).toEqual([])
  })

  it('computes with the literals in it', () => {
    const { occurrences } = read('darken(mix(#123456, $x), 10%) linear-gradient(#fff, rgba(#000, .5))', 'a.scss')
    expect(occurrences.map(({ raw, computedWith }) => [raw, computedWith])).toEqual([
      ['#123456', 'mix'],
      ['#fff', null],
      ['#000', 'rgba'],
    ])
  })
})

describe('variables', () => {
  it('are listed once with all that define and take them, across files and through chains', () => {
    const files = {
      'a.scss': '$brand: #7a2433; $link: $brand; $size: 2px;',
      'b.scss': '.a { color: $brand; &:hover { border: $size solid $link } } .b { fill: $link }',
      'c.css': ':root{--x:tan;--y:var(--x)}a{color:var(--y,red)}',
    }
    expect(uses(files)).toEqual({ $brand: 3, $link: 2, '--x': 1, '--y': 1 })
    const brand = listVariables(link(files)).find(({ name }) => name === '$brand')
    expect(brand?.definitions.map(({ file, line, column, raw }) => [file, line, column, raw])).toEqual([
      ['a.scss', 1, 1, '$brand'],
    ])
    expect(brand?.references.map(({ file, property, variable }) => [file, property, variable])).toEqual([
      ['a.scss', '$link', '$link'],
      ['b.scss', 'color', null],
    ])
  })

  it('neither hang on circles nor count one place twice', () => {
    expect(uses({ 'a.css': ':root{--a:var(--b, #f00);--b:var(--a)}a{color:var(--a)}' })).toEqual({ '--a': 1, '--b': 1 })
    const diamond =
      ':root{--x:#fff;--l:var(--x);--r:var(--x);--g:linear-gradient(var(--l),var(--r))}a{background:var(--g)}'
    expect(uses({ 'a.css': diamond })['--x']).toBe(1)
    const chain = (length: number) => {
      const links = Array.from({ length }, (_, i) => `--v${i + 1}:var(--v${i})`).join(';')
      return uses({ 'a.css': `:root{--v0:red;${links}}a{color:var(--v${length})}` })
    }
    expect(chain(1000)['--v0']).toBe(1)
    // Beyond two million steps only direct uses are counted.
    expect(Object.keys(chain(5000))).toHaveLength(5001)
  })
})
