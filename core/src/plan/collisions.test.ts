import { expect, it } from 'vitest'
import { parseColor } from '../color/literal.ts'
import { readSource } from '../source/read.ts'
import { collisions } from './collisions.ts'
import { meetings } from './meetings.ts'

const color = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>

/** What collides when every color of a sheet that is named becomes another. */
function told(text: string, becomes: Record<string, string>) {
  const { occurrences } = readSource({ path: 'a.css', text, encoding: 'utf-8' })
  return collisions(
    occurrences,
    meetings(occurrences, []),
    (place) => color(place.color),
    (place) => color(becomes[place.color] ?? place.color),
  ).map(({ kind, subject, state }) => [kind, subject, ...(state ? [state] : [])])
}
const ONE = { '#7a2433': '#0b6e74', '#943a4b': '#0b6e74' }

it('a line is lost in the ground of its rule, and a state looks like rest', () => {
  expect(told('.b { background: #7a2433; border: 1px solid #943a4b }', ONE)).toEqual([['line-in-ground', '.b']])
  expect(
    told('.b { background: #7a2433 } .b:hover, .c:focus { background: #943a4b } .c { background: #111 }', ONE),
  ).toEqual([['state-like-rest', '.b', 'hover']])
  expect(told('a { color: #7a2433 } nav a:hover { color: #943a4b }', ONE)).toEqual([])
})

it('what was of one colour already, see-through or in another condition collides with nothing', () => {
  expect(told('.b { background: #7a2433 } .b:hover { background: #7a2434 }', ONE)).toEqual([])
  expect(told('.b { background: #7a243380; border-color: #943a4b }', ONE)).toEqual([])
  expect(told('.b { color: #7a2433 } @media print { .b:hover { color: #943a4b } }', ONE)).toEqual([])
  expect(told('.b { background: linear-gradient(#7a2433, #fff); border-color: #943a4b }', ONE)).toEqual([])
})

it('the last declaration of a property counts', () => {
  const text = '.b { color: #7a2433 } .b { color: #000 } .b:hover { color: #943a4b }'
  expect(told(text, ONE)).toEqual([])
  expect(told(text, { '#000000': '#0b6e74', ...ONE })).toEqual([['state-like-rest', '.b', 'hover']])
})
