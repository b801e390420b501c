import { expect, it } from 'vitest'
import { resolver } from '../plan/outcome.ts'
import { readSource } from '../source/read.ts'
import { changesInPlace } from './in-place.ts'

it('inherit is written only where it is all of an inherited property', () => {
  const text =
    'a { color: #7a2433 } b { background: #7a2433 } c { --x: #7a2433 } svg { fill: #7a2433; stroke: #7a243380 }'
  const { occurrences } = readSource({ path: 'a.css', text, encoding: 'utf-8' })
  const resolve = resolver([{ id: 'i', target: { colors: ['#7a2433'] }, to: { kind: 'inherit' } }], [])
  expect(
    changesInPlace(occurrences, resolve).map(({ occurrence, replacement }) => [occurrence.property, replacement]),
  ).toEqual([
    ['color', 'inherit'],
    ['fill', 'inherit'],
    ['stroke', 'inherit'],
  ])
})
