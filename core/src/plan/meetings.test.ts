import { expect, it } from 'vitest'
import { readSource } from '../source/read.ts'
import { meetings } from './meetings.ts'

const met = (text: string) => {
  const { occurrences, keywords, computed } = readSource({ path: 'a.css', text, encoding: 'utf-8' })
  return meetings(occurrences, [...keywords, ...computed]).map((look) =>
    [look.text, look.ground, look.line].map((place) => place?.raw ?? '-').join(' '),
  )
}

it('the colours of one rule meet, the last of each', () => {
  expect(met('a{color:red;background:#fff;color:blue} b{color:tan} c{background:gold}')).toEqual(['blue #fff -'])
  expect(met('a{border:1px solid red;background:#fff}')).toEqual(['- #fff red'])
})

it('the colours of a rule whose selector cannot be read meet too', () => {
  expect(met('.a!, .b { color: red; background: #fff }')).toEqual(['red #fff -'])
})

it('those of several rules of one subject meet, in a state those of rest too', () => {
  expect(met('.b{color:red} .b{background:#fff}')).toEqual(['red #fff -'])
  expect(met('.b{color:red;background:#fff} .b:hover,.c:hover{background:tan} .b:hover{color:gold}')).toEqual([
    'red #fff -',
    'gold tan -',
  ])
  expect(met('.b{color:red;background:#fff} .b:hover{background:tan}')).toEqual(['red #fff -', 'red tan -'])
})

it('those of rules that meet on one element meet: the stronger wins, then the later', () => {
  expect(met('.key.late{color:red} .key:hover{background:#fff}')).toEqual(['red #fff -'])
  expect(met('.key{color:tan} .key.late{color:red} .key:hover{background:#fff}')).toEqual(['tan #fff -', 'red #fff -'])
  expect(met('.key:hover{color:tan;background:#fff} .key.late{color:red}')).toEqual(['tan #fff -', 'red #fff -'])
  expect(met('.key.late{color:red} .key:hover{color:tan;background:#fff}')).toEqual(['tan #fff -'])
  expect(met('#k{color:red} #k.late{background:#fff} .late{color:tan}')).toEqual(['red #fff -'])
  expect(met('.k{color:red!important} .k{color:tan;background:#fff}')).toEqual(['red #fff -'])
})

it('within a condition those outside of any hold too, not those of another', () => {
  expect(met('a{color:red} @media print{a{background:#fff}}')).toEqual(['red #fff -'])
  expect(met('@media screen{a{color:red}} @media print{a{background:#fff}}')).toEqual([])
})

it('a gradient or a see-through colour hides what is weaker, not the solid under it', () => {
  expect(met('.b{color:red;background:#fff} .b:hover{background:rgb(0 0 0/.1);color:tan}')).toEqual(['red #fff -'])
  expect(met('.b{background:#fff} .b.x{color:red;background:linear-gradient(#fff,#000)}')).toEqual([])
  expect(met('.b{color:red;background:#fff;background:linear-gradient(#fff,#000)}')).toEqual(['red #fff -'])
})

it('a keyword hides what is weaker, or stands before it', () => {
  expect(met('.b{color:red;background:#fff} .b.plain{background:transparent;color:tan}')).toEqual(['red #fff -'])
  expect(met('.b{color:red;background:#fff} .b{background:transparent}')).toEqual([])
  expect(met('.b{color:red;background:transparent} .b{background:#fff}')).toEqual(['red #fff -'])
})

it('gradients, see-through colours, other subjects and other elements do not meet', () => {
  expect(met('a{color:red;background:linear-gradient(#fff,#000)} b{color:rgb(0 0 0/.5);background:#fff}')).toEqual([])
  expect(met('.a .b{color:red} .b{background:#fff} b{color:tan} i{background:gold}')).toEqual([])
})
