import { expect, it } from 'vitest'
import { linkVariables } from './link-variables.ts'
import { readSource } from './read.ts'

/** What each literal of some sheets is used for. */
function usesIn(sheets: Record<string, string>): string[] {
  const files = Object.entries(sheets).map(([path, text]) => ({
    path,
    reading: readSource({ path, text, encoding: 'utf-8' }),
  }))
  return linkVariables(files).flatMap(({ reading }) => reading.occurrences.map(({ raw, use }) => `${raw} ${use}`))
}

it('a variable is used for what all that takes it paints, across files and through others', () => {
  const sheets = {
    'a.css': ':root { --paper: #fff; --ink: #222; --both: #123; --none: #456; --deep: var(--ink) }',
    'b.css': '.a { background: var(--paper) } .b { color: var(--deep) } .c { color: var(--both); fill: var(--both) }',
  }
  expect(usesIn(sheets)).toEqual(['#fff ground', '#222 text', '#123 variable', '#456 variable'])
})

it('in Sass and Less as well, also where something else is made of it, and not through a list', () => {
  const scss = '$line: #ccc; $all: #111; $map: ("x": $all); hr { border-color: darken($line, 5%) }'
  expect(usesIn({ 'a.scss': scss })).toEqual(['#ccc line', '#111 variable'])
  expect(usesIn({ 'a.less': '@ink: #222; .a { color: @ink }' })).toEqual(['#222 text'])
})

it('one other use among thousands counts', () => {
  const many = Array.from({ length: 1500 }, (_, i) => `.a${i} { color: var(--x) }`).join('')
  expect(usesIn({ 'a.css': `:root { --x: #123 } ${many}` })).toEqual(['#123 text'])
  expect(usesIn({ 'a.css': `:root { --x: #123 } ${many} .b { fill: var(--x) }` })).toEqual(['#123 variable'])
})
