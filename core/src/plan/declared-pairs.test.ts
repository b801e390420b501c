import { expect, it } from 'vitest'
import { readSource } from '../source/read.ts'
import { declaredPairs } from './declared-pairs.ts'

const pairs = (text: string) =>
  declaredPairs(readSource({ path: 'a.css', text, encoding: 'utf-8' }).occurrences).map(({ text, ground }) => [
    text.raw,
    ground.raw,
  ])

it('pairs text and ground of one rule, the last of each', () => {
  expect(pairs('a{color:red;background:#fff;color:blue} b{color:tan} c{background:gold}')).toEqual([['blue', '#fff']])
})

it('leaves out gradients, see-through colors and other conditions', () => {
  expect(pairs('a{color:red;background:linear-gradient(#fff,#000)} b{color:rgb(0 0 0/.5);background:#fff}')).toEqual([])
  expect(pairs('a{color:red} @media print{a{background:#fff}}')).toEqual([])
})
