import { expect, it } from 'vitest'
import { planOf, rewritten } from '../../test/rewritten.ts'

it('inherit is written only where it is all of an inherited property', () => {
  const text =
    'a { color: #7a2433 } b { background: #7a2433 } c { --x: #7a2433 } svg { fill: #7a2433; stroke: #7a243380 }'
  const plan = planOf([{ id: 'i', target: { colors: ['#7a2433'] }, to: { kind: 'inherit' } }])
  const { changes } = rewritten('a.css', text, plan)
  expect(changes.map((each) => each.of === 'place' && [each.place.property, each.written])).toEqual([
    ['color', 'inherit'],
    ['fill', 'inherit'],
    ['stroke', 'inherit'],
  ])
})
