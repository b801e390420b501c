import { describe, expect, it } from 'vitest'
import { applyEdits, fileEdits } from '../../text/edit.ts'
import { readSource } from '../read.ts'

const findings = (text: string, path = 'a.css') =>
  readSource({ path, text, encoding: 'utf-8' }).findings.map(({ code, range, meaning }) => [
    code,
    text.slice(range.start, range.end),
    meaning,
  ])

describe('values that were meant as a color', () => {
  it.each<[string, string, string, string | null]>([
    ['color:cc0000', 'missing-hash', 'cc0000', '#cc0000'],
    ['color: 333 !important', 'missing-hash', '333', '#333'],
    ['border:1px solid cc00dd', 'missing-hash', 'cc00dd', '#cc00dd'],
    ['color:#7a243;background:#7a2433', 'hex-digits', '#7a243', '#7a2433'],
    ['background:url(a.png) #12345', 'hex-digits', '#12345', null],
    ['color:#FFO', 'hex-digits', '#FFO', '#FF0'],
    ['color:rgb(255 0, 0)', 'color-out-of-form', 'rgb(255 0, 0)', 'rgb(255, 0, 0)'],
    ['color:rgb(1,2,3,.5,6)', 'color-out-of-form', 'rgb(1,2,3,.5,6)', null],
    ['color:hsl(120, 50, 50)', 'color-out-of-form', 'hsl(120, 50, 50)', 'hsl(120, 50%, 50%)'],
    ['color:balck', 'unknown-color-name', 'balck', 'black'],
    ['fill:cornflowrblu', 'unknown-color-name', 'cornflowrblu', 'cornflowerblue'],
    [
      'background-color:linear-gradient(red, blue)',
      'gradient-as-color',
      'linear-gradient(red, blue)',
      'background-image',
    ],
  ])('%s: %s', (declarations, code, written, meaning) => {
    expect(findings(`a{${declarations}}`)).toEqual([[code, written, meaning]])
  })

  it.each([
    'color:inherit',
    'color:var(--x)',
    'color:currentColor',
    'fill:none',
    'caret-color:auto',
    'background:url(#12345) "x#1" #abc',
    'color:foo',
    'color:#fff\\9',
    'color:rgb(from red r g b)',
    'background-image:linear-gradient(red, blue)',
    'border:1px solid',
    'margin:333',
  ])('%s is none', (declarations) => expect(findings(`a{${declarations}}`)).toEqual([]))

  it('says nothing of what a preprocessor works out', () => {
    expect(
      findings('a{color: $x; fill: lighten($y, 2%); stroke: #{$z}; border-color: map.get($m, red)}', 'a.scss'),
    ).toEqual([])
  })
})

describe('declarations that can never apply', () => {
  it('are told where the same rule sets them again, not where they are a fallback', () => {
    expect(findings('a{color:red;top:0;color:#fff}')).toEqual([['overridden-in-rule', 'color:red', null]])
    expect(findings('a{color:red !important;color:#fff}')).toEqual([])
    expect(findings('a{color:red !important;color:#fff !important}')).toHaveLength(1)
    expect(findings('a{color:red;color:oklch(50% .1 20)}')).toEqual([])
    expect(findings('a{color:red;color:rgba(1,2,3,.5)}')).toEqual([])
    expect(findings('a{color:red;&:hover{color:#fff}}')).toEqual([])
    expect(findings('a{color:red} a{color:#fff}')).toEqual([])
  })

  it('are told outside every rule', () => {
    expect(findings('color:red; a{top:0}')).toEqual([['outside-rules', 'color:red', null]])
    expect(findings('color:red;', 'a.scss')).toEqual([])
  })
})

describe('the remedy of a slip', () => {
  /** The text with every remedy in it. */
  const remedied = (text: string, path = 'a.css') => {
    const { findings } = readSource({ path, text, encoding: 'utf-8' })
    const edits = findings.flatMap(({ remedy }) =>
      remedy ? [{ kind: 'replace-literal' as const, ...remedy, decisions: [] }] : [],
    )
    for (const { raw, range } of edits) expect(text.slice(range.start, range.end)).toBe(raw)
    return applyEdits(text, fileEdits(path, text.length, edits))
  }

  it.each([
    ['a.css', 'a{color: 7a2433 ;top:0}', 'a{color: #7a2433 ;top:0}'],
    ['a.css', 'a{border:1px solid #FFO}', 'a{border:1px solid #FF0}'],
    ['a.css', 'a{color:#7a2433} b{color:#7a243}', 'a{color:#7a2433} b{color:#7a2433}'],
    ['a.css', 'a{color:rgb(1 2 3 4)}', 'a{color:rgba(1, 2, 3, 4)}'],
    ['a.css', 'a{color:rgb(1; 2; 3)}', 'a{color:rgb(1, 2, 3)}'],
    ['a.css', 'a{color:slatgray}', 'a{color:slategray}'],
    ['a.css', 'a{background-color:linear-gradient(red,#fff)}', 'a{background-image:linear-gradient(red,#fff)}'],
    ['a.css', 'a{fill:linear-gradient(red,#fff)}', 'a{fill:linear-gradient(red,#fff)}'],
    ['a.html', '<p style="color:7a2433">', '<p style="color:#7a2433">'],
    ['a.html', '<body bgcolor="rgb(1,2,3)">', null],
  ])('of %s %s', (path, text, wanted) => {
    const got = remedied(text, path)
    if (wanted === null) expect(got).toMatch(/^<body bgcolor="#[\da-f]{6}">$/)
    else expect(got).toBe(wanted)
  })

  it('leaves none of those that it is for', () => {
    const text = 'a{color:7a2433} b{color:slatgray} c{background-color:linear-gradient(red,#fff)}'
    expect(findings(remedied(text))).toEqual([])
  })

  it('is none in a drawing that is encoded', () => {
    const text = `a{background:url("data:image/svg+xml,%3Csvg%3E%3Cpath style='fill:7a2433'/%3E%3C/svg%3E")}`
    const found = readSource({ path: 'a.css', text, encoding: 'utf-8' }).findings
    expect(found.map(({ meaning, remedy }) => [meaning, remedy])).toEqual([['#7a2433', null]])
  })
})
