import { describe, expect, it } from 'vitest'
import { read } from '../../test/places.ts'
import { planOf, rewritten } from '../../test/rewritten.ts'
import type { Correction } from '../plan/correction.ts'
import type { Decision, Scope } from '../plan/decision.ts'
import { resolver } from '../plan/outcome.ts'

const ROLES = [{ id: 'r', name: 'r', color: '#0b6e74' }]
const red = { colors: ['#ff0000'] }
const to = { kind: 'role', role: 'r' } as const
const solid: Decision = { id: 's', target: red, to, solid: true }

/** Every slip that has a remedy, put right. */
function correctionsOf(path: string, text: string): Correction[] {
  return read(path, text).findings.flatMap(({ remedy }, i) => (remedy ? [{ ...remedy, path, id: `c${i}` }] : []))
}

function corrected(text: string, decisions: readonly Decision[], path = 'a.css') {
  const corrections = correctionsOf(path, text)
  return rewritten(path, text, { corrections, insertions: [], resolver: resolver(decisions, ROLES) })
}

describe('all that changes of one declaration', () => {
  it('is written together: a slip in a gradient that becomes solid goes with it', () => {
    const { text, changes, why } = corrected('a{background:linear-gradient(red, #ffg, blue) !important}', [solid])
    expect([text, why]).toEqual(['a{background:#0b6e74 !important}', []])
    expect(changes.map(({ struck, written }) => [struck, written])).toEqual([
      ['linear-gradient(red, #ffg, blue)', '#0b6e74'],
    ])
  })

  it('is written together: a slip beside a literal, and both in the rule for a part', () => {
    const part: Decision = {
      id: 'p',
      target: { ...red, scope: { region: '.x' } },
      to: { kind: 'color', color: '#111' },
    }
    const { text } = corrected('a{border:1px solid red;border-color:00f}', [part])
    expect(text).toBe(
      'a{border:1px solid red;border-color:#00f}a:where(.x, .x *){border:1px solid #111111;border-color:#00f}',
    )
  })

  it('a base64 drawing that is repeated for a part stays a drawing', () => {
    const drawing = btoa('<svg xmlns="http://www.w3.org/2000/svg"><path fill="red"/></svg>')
    const text = `a,b{background:red url(data:image/svg+xml;base64,${drawing})}`
    const part: Decision = { id: 'p', target: { ...red, scope: { selector: 'b' } }, to }
    const got = rewritten('a.css', text, planOf([part], ROLES))
    expect(got.text).toBe(`${text}b{background:#0b6e74 url(data:image/svg+xml;base64,${drawing})}`)
  })

  it('a slip whose text is not there any more, and one of two of the same text, are left and told', () => {
    const text = 'a{color:ff0000}'
    const [slip] = correctionsOf('a.css', text) as [Correction]
    const corrections = [slip, { ...slip, id: 'twice' }]
    const plan = { corrections, insertions: [], resolver: resolver([], ROLES) }
    expect(rewritten('a.css', text, plan)).toMatchObject({ text: 'a{color:#ff0000}', why: ['other-text'] })
    expect(rewritten('a.css', 'a{color:blue}', plan)).toMatchObject({ text: 'a{color:blue}', changes: [] })
  })
})

describe('an alpha that was decided', () => {
  const half: Decision = { id: 'h', target: red, to, alpha: 0.5 }
  it.each([
    [
      'a.css',
      'a{filter:progid:x.gradient(startColorstr=#ff0000,endColorstr=#FFFF0000)}',
      'a{filter:progid:x.gradient(startColorstr=#800b6e74,endColorstr=#800B6E74)}',
    ],
    ['a.css', 'a{color:red;b:rgb(255 0 0 / 20%)}', 'a{color:#0b6e7480;b:rgb(11 110 116 / 0.5)}'],
    ['a.scss', 'a{color:darken(red, 5%)}', 'a{color:darken(#0b6e7480, 5%)}'],
  ])('is written where the place takes it: %s %s', (path, text, wanted) =>
    expect(rewritten(path, text, planOf([half], ROLES))).toMatchObject({ text: wanted, why: [] }),
  )

  it.each([
    ['a.html', '<body bgcolor="#ff0000">'],
    ['a.scss', 'a{color:rgba(red, .5)}'],
    ['a.less', 'a{color:fade(red, 50%)}'],
    ['a.css', 'a{color:rgb(from red r g b / .5)}'],
    ['a.html', '<input type="color" value="#ff0000">'],
    ['a.html', '<meta name="msapplication-TileColor" content="#ff0000">'],
    ['a.js', "document.bgColor = 'red'"],
    ['a.js', "a.setAttribute('bgcolor', 'red')"],
    ['a.js', "a.innerHTML = '<td bgcolor=red>'"],
    ['a.jsx', 'a = <td bgcolor="red" />'],
    ['a.liquid', '<td bgcolor="{{ a | default: \'red\' }}">'],
  ])('leaves what cannot take it, and says so: %s %s', (path, text) => {
    const { text: got, why, places } = rewritten(path, text, planOf([half], ROLES))
    expect([got, why, places.length]).toEqual([text, ['cannot-alpha'], 1])
  })
})

describe('what cannot be written as it was decided', () => {
  const within = (scope: Scope): Decision => ({ id: 'w', target: { ...red, scope }, to })
  it.each<[string, string, Decision, string]>([
    ['a.css', 'a{color:red\\9}', { id: 'i', target: red, to: { kind: 'inherit' } }, 'cannot-inherit'],
    ['a.css', 'p, html{color:red}', { id: 'i', target: red, to: { kind: 'inherit' } }, 'cannot-inherit'],
    ['a.css', ':root{fill:red}', { id: 'i', target: red, to: { kind: 'inherit' } }, 'cannot-inherit'],
    ['a.css', 'a{fill:url(#x) red}', { id: 'i', target: red, to: { kind: 'inherit' } }, 'cannot-inherit'],
    ['a.less', '.m(@a) { color: red }', within({ region: '.x' }), 'no-rule'],
    ['a.less', '.a when (@dark) { color: red }', within({ region: '.x' }), 'no-rule'],
    ['a.less', '.a:extend(.b) { color: red }', within({ region: '.x' }), 'selector'],
    ['a.css', '{% if x %}a{color:red}{% endif %} b{ {% if y %}color:red;{% endif %} }', within({ selector: 'b' }), ''],
    ['a.css', 'a,b{ {% if y %}color:red;{% endif %} }', within({ selector: 'b' }), 'template'],
    ['x.php', '<style>a,b{ <?php if (x): ?>color:red;<?php endif ?> }</style>', within({ selector: 'b' }), 'template'],
  ])('stays, and is told: %s %s', (path, text, decision, why) => {
    const got = rewritten(path, text, planOf([decision], ROLES))
    if (why !== '') expect([got.text, got.why]).toEqual([text, [why]])
    else expect(got.text).toBe(text.replace(/b\{(.*)red/, 'b{$1#0b6e74'))
  })

  it.each([
    ['html', 'a, :root, html > b{color:#0b6e74}'],
    [
      'html.dark',
      'a, :root, html > b{color:red}a:where(html.dark, html.dark *), :root:where(html.dark, html.dark *), html > b:where(html.dark, html.dark *){color:#0b6e74}',
    ],
    ['.foot', 'a, :root, html > b{color:red}a:where(.foot, .foot *), html > b:where(.foot, .foot *){color:#0b6e74}'],
  ])('the root is within itself and within nothing else: %s', (region, wanted) =>
    expect(rewritten('a.css', 'a, :root, html > b{color:red}', planOf([within({ region })], ROLES)).text).toBe(wanted),
  )

  it.each([
    ['a /* x */ , b{color:red}', 'a:where(.x, .x *), b:where(.x, .x *)'],
    ['a, /* x, y */ b/**/:hover{color:red}', 'a:where(.x, .x *), b/**/:hover:where(.x, .x *)'],
  ])('a comment in a list of selectors changes nothing: %s', (text, selector) =>
    expect(rewritten('a.css', text, planOf([within({ region: '.x' })], ROLES)).text).toBe(
      `${text}${selector}{color:#0b6e74}`,
    ),
  )
})
