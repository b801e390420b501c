import { expect, it } from 'vitest'
import { readSource } from './read.ts'
import { follower } from './through.ts'
import { listVariables } from './variables.ts'

/** Where the value of a variable shows, as `selector property`, `~` where something else is made of it. */
function endsOf(variable: string, ...sheets: readonly (readonly [string, string])[]): string[] {
  const files = sheets.map(([path, text]) => ({ path, reading: readSource({ path, text, encoding: 'utf-8' }) }))
  const found = follower(listVariables(files))(variable)
  return found.map(({ selector, property, taken }) => `${selector} ${property}${taken === 'plain' ? '' : ' ~'}`)
}

it('follows a custom property through others and across files', () => {
  const tokens = ['tokens.css', ':root { --brand: #7a2433; --header: var(--brand) }'] as const
  const site = ['site.css', '.a { color: var(--brand) } .b:hover { background: var(--header, #fff) }'] as const
  expect(endsOf('--brand', tokens, site)).toEqual(['.a color', '.b:hover background'])
  expect(endsOf('--header', tokens, site)).toEqual(['.b:hover background'])
  expect(endsOf('--none', tokens, site)).toEqual([])
})

it('tells where something else is made of a value, on the way or at its end', () => {
  const sass = `$brand: #7a2433; $deep: darken($brand, 10%); .a { color: $deep } .b { border: 1px solid rgba($brand, .5); fill: $brand }`
  expect(endsOf('$brand', ['a.scss', sass])).toEqual(['.b border ~', '.b fill', '.a color ~'])
  expect(endsOf('--b', ['a.css', ':root{--b:#123} .a{color:rgb(from var(--b) r g b)} .b{color:var(--b)}'])).toEqual([
    '.a color ~',
    '.b color',
  ])
})

it('Sass takes `_` and `-` for the same, Less takes its own', () => {
  expect(endsOf('$a-b', ['a.scss', '$a-b: #123456; .x { color: $a_b }'])).toEqual(['.x color'])
  expect(endsOf('@a', ['a.less', '@a: #123456; @b: @a; .x { color: @b } .y { color: fade(@a, 50%) }'])).toEqual([
    '.y color ~',
    '.x color',
  ])
})

it('an entry of a list of many says nothing of what takes the list, and a circle ends', () => {
  const sass = `$brand: #7a2433; $theme: ("a": $brand, "b": #fff); .x { color: map-get($theme, "a") }`
  expect(endsOf('$brand', ['a.scss', sass])).toEqual([])
  expect(
    endsOf('--a', ['a.css', ':root { --a: #123456; --b: var(--a); --a: var(--b) } .x { color: var(--b) }']),
  ).toEqual(['.x color'])
})
