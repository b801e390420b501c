import { describe, expect, it } from 'vitest'
import { rewritten } from '../../test/rewritten.ts'
import type { Decision } from '../plan/decision.ts'
import { resolver } from '../plan/outcome.ts'

const roles = [
  { id: 'a', name: 'a', color: '#111111' },
  { id: 'b', name: 'b', color: '#222222' },
]
const red = { colors: ['#ff0000'] }
const gradient: Decision = {
  id: 'g',
  target: red,
  to: { kind: 'gradient', stops: [{ role: 'a' }, { color: 'tan' }], angle: 90 },
}
const solid: Decision = { id: 's', target: red, to: { kind: 'role', role: 'b' }, solid: true }
const blue: Decision = { id: 'o', target: { colors: ['#0000ff'] }, to: { kind: 'role', role: 'a' } }

function after(text: string, decisions: readonly Decision[]) {
  const plan = resolver(decisions, roles)
  const { text: got, unwritten, places } = rewritten('a.css', text, plan)
  return { text: got, unwritten: unwritten.filter(({ why }) => why === 'gradient'), places, plan }
}

describe('a solid that becomes a gradient', () => {
  it.each([
    [
      'a { background-color: red; b: c }',
      'a { background-color: #111111; background-image: linear-gradient(90deg, #111111, #d2b48c); b: c }',
    ],
    [
      'a{background:red!important}',
      'a{background:#111111!important; background-image: linear-gradient(90deg, #111111, #d2b48c)!important}',
    ],
  ])('stays as what is shown where no gradient is: %s', (text, wanted) =>
    expect(after(text, [gradient]).text).toBe(wanted),
  )

  it('is open where no gradient can be declared, and says so', () => {
    const { text, places, plan } = after('a { color: red } b { --x: red } c { border: 1px solid red }', [gradient])
    expect(text).toBe('a { color: red } b { --x: red } c { border: 1px solid red }')
    expect(places.map((place) => plan.outcome(place).kind)).toEqual(Array(3).fill('cannot-gradient'))
    const gone = { ...gradient, to: { ...gradient.to, stops: [{ role: 'gone' }, { role: 'a' }] } } as Decision
    expect(plan.outcome(places[0] as never).kind).toBe('cannot-gradient')
    expect(resolver([gone], roles).outcome(places[0] as never).kind).toBe('role-gone')
  })

  it('takes its first stop alone, and is told, where the background has more in it', () => {
    const { text, unwritten } = after('a { background: red url(x.png) }', [gradient])
    expect(text).toBe('a { background: #111111 url(x.png) }')
    expect(unwritten).toHaveLength(1)
  })

  it.each(['url(x.png)', 'none'])('takes the place of no image that the rule has already: %s', (image) => {
    const { text, unwritten } = after(`a { background-image: ${image}; background-color: red }`, [gradient])
    expect(text).toBe(`a { background-image: ${image}; background-color: #111111 }`)
    expect(unwritten).toHaveLength(1)
  })
})

describe('a gradient that becomes a solid', () => {
  it.each([
    ['a { background: linear-gradient(to top, red, blue) }', 'a { background: #222222 }'],
    [
      'a { background-image: radial-gradient(circle at (1px), blue, red 50%) !important; }',
      'a { background-image: none !important; background-color: #222222 !important; }',
    ],
  ])('takes all of its stops with it, whatever is decided of the others: %s', (text, wanted) =>
    expect(after(text, [solid, blue]).text).toBe(wanted),
  )

  it('leaves gradients that are not alone in their value, and solids take the color as any', () => {
    const text = 'a { background: linear-gradient(red, blue), url(x) } b { background: red }'
    const { text: got, unwritten } = after(text, [solid])
    expect(got).toBe('a { background: linear-gradient(#222222, blue), url(x) } b { background: #222222 }')
    expect(unwritten).toHaveLength(1)
  })
})

describe('a part of a rule', () => {
  const written = (text: string, decisions: readonly Decision[]) => {
    const { text: got, why } = rewritten('a.css', text, resolver(decisions, roles))
    return { text: got, why }
  }
  const within = (decision: Decision): Decision => ({
    ...decision,
    id: `${decision.id} within`,
    target: { ...decision.target, scope: { region: '.x' } },
  })

  it('becomes a gradient by itself', () => {
    expect(written('a { background: red !important }', [within(gradient)])).toEqual({
      text: 'a { background: red !important }\na:where(.x, .x *) { background: #111111 !important; background-image: linear-gradient(90deg, #111111, #d2b48c) !important }',
      why: [],
    })
  })

  it('stays solid where the rest becomes a gradient', () => {
    const keep: Decision = { id: 'k', target: { ...red, scope: { region: '.x' } }, to: { kind: 'keep' } }
    expect(written('a { background-color: red }', [gradient, keep]).text).toBe(
      'a { background-color: #111111; background-image: linear-gradient(90deg, #111111, #d2b48c) }\na:where(.x, .x *) { background-color: red; background-image: none }',
    )
  })

  it('stays solid where it is a part of a part that becomes a gradient', () => {
    const scope = { region: '.x', width: '(min-width: 900px)' }
    const keep: Decision = { id: 'k', target: { ...red, scope }, to: { kind: 'keep' } }
    expect(written('a { background-color: red }', [within(gradient), keep]).text).toBe(
      `a { background-color: red }
a:where(.x, .x *) { background-color: #111111; background-image: linear-gradient(90deg, #111111, #d2b48c) }
@media (min-width: 900px) { a:where(.x, .x *) { background-color: red; background-image: none } }`,
    )
  })

  it('becomes no gradient behind an image, and no solid by itself: that is told', () => {
    expect(written('a { background: red url(x.png) }', [within(gradient)])).toEqual({
      text: 'a { background: red url(x.png) }\na:where(.x, .x *) { background: #111111 url(x.png) }',
      why: ['gradient'],
    })
    const text = 'a { background: linear-gradient(red, blue) }'
    expect(written(text, [within(solid)])).toEqual({ text, why: ['gradient'] })
  })
})
