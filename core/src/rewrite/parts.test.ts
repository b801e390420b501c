import { describe, expect, it } from 'vitest'
import { rewritten } from '../../test/rewritten.ts'
import type { Decision, Scope, Target } from '../plan/decision.ts'
import { resolver } from '../plan/outcome.ts'

const PAGES = [
  { path: 'index.html', files: ['index.html', 'a.css'], hook: 'body.home' },
  { path: 'times.html', files: ['times.html', 'a.css', 'times.css'], hook: 'body.times' },
  { path: 'plain.html', files: ['plain.html', 'a.css'], hook: null },
]

type Decided = readonly [Scope | null, string, Partial<Target>?]

/** A text after some decisions about red, or what else is said: each a scope and what it becomes; null as scope: all. */
function after(text: string, decided: readonly Decided[], path = 'a.css') {
  const decisions = decided.map(([scope, to, limits], i): Decision => {
    const target = { colors: ['#ff0000'], ...limits, ...(scope ? { scope } : {}) }
    return { id: String(i), target, to: to === 'keep' ? { kind: 'keep' } : { kind: 'color', color: to } }
  })
  const plan = resolver(decisions, [], PAGES)
  const { text: got, why } = rewritten(path, text, plan)
  return { text: got, why }
}

const only = (scope: Scope, text: string, path?: string) => after(text, [[scope, '#123456']], path).text

describe('a rule for a part of what another paints', () => {
  it.each<[string, Scope, string, string]>([
    [
      'one selector of a list',
      { selector: 'b' },
      'a, b { color: red; }',
      'a, b { color: red; }\nb { color: #123456; }',
    ],
    ['one state of a list', { state: 'hover' }, 'a,a:hover{color:red}', 'a,a:hover{color:red}a:hover{color:#123456}'],
    [
      'a region',
      { region: '.foot' },
      '.btn {\r\n\tcolor: red;\r\n}\r\n',
      '.btn {\r\n\tcolor: red;\r\n}\r\n.btn:where(.foot, .foot *) {\r\n\tcolor: #123456;\r\n}\r\n',
    ],
    [
      'a region, of a list that partly says so itself',
      { region: '.foot' },
      '.foot a, p::before { color: red }',
      '.foot a, p::before { color: red }\n.foot a, p:where(.foot, .foot *)::before { color: #123456 }',
    ],
    [
      'a region that the selector says',
      { region: '.foot' },
      '.foot > a + b { color: red }',
      '.foot > a + b { color: #123456 }',
    ],
    [
      'a page',
      { page: 'times.html' },
      'a { color: red }',
      'a { color: red }\na:where(body.times, body.times *) { color: #123456 }',
    ],
    [
      'a width',
      { width: '(max-width: 40em)' },
      '  a { color: red !important }',
      '  a { color: red !important }\n  @media (max-width: 40em) { a { color: #123456 !important } }',
    ],
    [
      'what a shorthand covers that stands behind it',
      { selector: 'b' },
      'a, b { border: 1px solid red; margin: 0; border-left-color: green }',
      'a, b { border: 1px solid red; margin: 0; border-left-color: green }\nb { border: 1px solid #123456; border-left-color: green }',
    ],
    [
      'within the rule, before what is as strong and stands in it',
      { region: '.foot' },
      'a { color: red; @media print { color: #000 } }',
      'a { color: red;\n&:where(.foot, .foot *) { color: #123456 } @media print { color: #000 } }',
    ],
  ])('%s', (_, scope, text, wanted) => expect(only(scope, text)).toBe(wanted))

  it('is written within a nested rule of a preprocessor, and within its directives', () => {
    expect(only({ region: '.foot' }, '.a {\n  &:hover, b {\n    color: red;\n  }\n}\n', 'a.scss')).toBe(
      '.a {\n  &:hover, b {\n    color: red;\n  }\n  &:hover:where(.foot, .foot *), b:where(.foot, .foot *) {\n    color: #123456;\n  }\n}\n',
    )
    expect(only({ region: '.foot' }, '.a {\n  @include wide {\n    color: red;\n  }\n}\n', 'a.scss')).toBe(
      '.a {\n  @include wide {\n    color: red;\n    &:where(.foot, .foot *) {\n      color: #123456;\n    }\n  }\n}\n',
    )
    expect(only({ selector: '.b' }, '.a, .b { color: red; .mixin() }', 'a.less')).toBe(
      '.a, .b { color: red; .mixin() }\n.b { color: #123456 }',
    )
  })

  it('is written in a style element of a page', () =>
    expect(only({ region: '.foot' }, '<!doctype html>\n<style>\n a { color: red }\n</style>', 'x.html')).toBe(
      '<!doctype html>\n<style>\n a { color: red }\n a:where(.foot, .foot *) { color: #123456 }\n</style>',
    ))

  it('keeps what is kept where all else changes, the narrower behind the wider', () => {
    const decided = [
      [{ region: '.foot', width: '(min-width: 9px)' }, 'keep'],
      [{ region: '.foot' }, '#111111'],
      [null, '#222222'],
    ] as const
    expect(after('a{color:red}', decided).text).toBe(
      'a{color:#222222}a:where(.foot, .foot *){color:#111111}@media (min-width: 9px){a:where(.foot, .foot *){color:red}}',
    )
    // What is kept where nothing else is decided needs no rule.
    expect(after('a{color:red}', [[{ region: '.foot' }, 'keep']]).text).toBe('a{color:red}')
  })

  it('stands behind what it wins over, whichever place of the rule is looked at', () => {
    const wide = { width: '(min-width: 900px)' }
    const narrow = { width: '(max-width: 600px)' }
    expect(
      after('a, b { background: red; border-color: red }', [
        [null, '#000000'],
        [narrow, '#333333', { use: 'line' }],
        [wide, '#444444', { use: 'line' }],
        [wide, '#111111', { use: 'ground' }],
        [{ selector: 'b' }, '#222222', { use: 'ground' }],
      ]).text,
    ).toBe(`a, b { background: black; border-color: black }
@media (max-width: 600px) { a, b { border-color: #333333 } }
@media (min-width: 900px) { a, b { background: #111111; border-color: #444444 } }
b { background: #222222 }`)
  })

  it('stands behind a rule that repeats its declaration as the rest is', () => {
    const some = { selector: 'b' }
    expect(
      after('a, b { background: red; border: 1px solid blue; border-color: lime }', [
        [some, '#111111'],
        [{ width: '(min-width: 900px)' }, '#222222', { colors: ['#0000ff'] }],
        [some, '#333333', { colors: ['#00ff00'] }],
      ]).text,
    ).toBe(`a, b { background: red; border: 1px solid blue; border-color: lime }
b { background: #111111 }
@media (min-width: 900px) { a, b { border: 1px solid #222222; border-color: lime } }
b { border-color: #333333 }`)
  })

  it('paints each literal of a value as its own part says', () =>
    expect(
      after('a,b{background:linear-gradient(red, #0f0, red)}', [
        [{ selector: 'b' }, '#111111'],
        [null, '#222222'],
      ]).text,
    ).toBe(
      'a,b{background:linear-gradient(#222222, #0f0, #222222)}b{background:linear-gradient(#111111, #0f0, #111111)}',
    ))

  it('takes nothing where it cannot hold, and all where it holds anyway', () => {
    const text = '@media (max-width: 600px) { a { color: red } } .x { color: red }'
    expect(only({ width: '(min-width: 601px)' }, text)).toContain('(max-width: 600px) { a { color: red } }')
    expect(only({ width: '(max-width: 700px)' }, text)).toContain('(max-width: 600px) { a { color: #123456 } }')
    expect(only({ region: '.foot' }, ':root, a { color: red }')).toBe(
      ':root, a { color: red }\na:where(.foot, .foot *) { color: #123456 }',
    )
    expect(only({ page: 'times.html' }, 'a { color: red }', 'times.css')).toBe('a { color: #123456 }')
    expect(only({ page: 'times.html' }, 'a { color: red }', 'other.css')).toBe('a { color: red }')
  })

  it.each<[string, Scope, string, string, string]>([
    ['no-rule', { region: '.foot' }, '<p style="color: red">', 'x.html', 'an attribute'],
    ['no-rule', { region: '.foot' }, '$x: red;', 'a.scss', 'a variable of a preprocessor'],
    ['variable', { region: '.foot' }, '.x { --x: red }', 'a.css', 'a custom property'],
    ['keyframes', { region: '.foot' }, '@keyframes k { from { color: red } }', 'a.css', 'a step of an animation'],
    ['language', { region: '.foot' }, 'a\n  color: red\n', 'a.sass', 'a sheet without braces'],
    ['page-alike', { page: 'plain.html' }, 'a { color: red }', 'a.css', 'a page that nothing tells from others'],
  ])('says beforehand that it cannot be: %s', (why, scope, text, path) => {
    const got = after(text, [[scope, '#123456']], path)
    expect(got.text).toBe(text)
    expect(got.why).toEqual([why])
  })

  it('says afterwards where a rule is not what it was read as', () => {
    const nested = after('a::before { color: red; @media print { color: #000 } }', [[{ region: '.foot' }, '#123456']])
    expect(nested.why).toEqual(['pseudo-element'])
    const prefix = after('a { border: { color: red; } }', [[{ region: '.foot' }, '#123456']], 'a.scss')
    expect(prefix.why).toEqual(['block'])
  })

  it('takes a block of very many declarations in its stride', () => {
    const text = `a,b{${'color:red;border:1px solid red;'.repeat(4_000)}}`
    const got = only({ selector: 'b' }, text)
    expect(got.slice(0, text.length)).toBe(text)
    expect(got.slice(text.length, text.length + 20)).toBe('b{color:#123456;bord')
    expect(got.match(/#123456/g)).toHaveLength(8_000)
  })
})
