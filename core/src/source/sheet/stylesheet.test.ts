import { describe, expect, it } from 'vitest'
import { readSource } from '../read.ts'

const read = (text: string) => {
  const reading = readSource({ path: 'a.css', text, encoding: 'utf-8' })
  for (const { range, raw } of reading.occurrences) expect(text.slice(range.start, range.end)).toBe(raw)
  return reading
}
const raws = (text: string) => read(text).occurrences.map(({ raw }) => raw)

describe('the place of a color', () => {
  it('is exact behind marks, line ends, hacks and comments', () => {
    expect(raws('\uFEFFa{color:red}')).toEqual(['red'])
    expect(raws('/*😀é*/a{\r\n  *color : /* x */ #Fff /* y */ !important;\r\n _background:#000}')).toEqual([
      '#Fff',
      '#000',
    ])
    expect(raws('a{color:red;color:red}')).toEqual(['red', 'red'])
    expect(raws('a{--x:#FFF;--y:  red ;color:\n\t#123}')).toEqual(['#FFF', 'red', '#123'])
    expect(raws('a{color:#fff\\9;filter:alpha(opacity=50)}')).toEqual(['#fff'])
  })

  it('has line and column', () => {
    const [first, second] = read('a {\r\n  color: #fff;\r\n  background: red }').occurrences
    expect([first?.line, first?.column, second?.line, second?.column]).toEqual([2, 10, 3, 15])
  })

  it('is never in selectors, conditions, comments or names', () => {
    expect(raws('#fff, .red, [data-x="#fff"] { top: 0 }')).toEqual([])
    expect(raws('@supports (color: #fff) { a { top: 0 } } @media (color) { a { top: 0 } }')).toEqual([])
    expect(raws('/* #fff */ a { animation: red 1s; font-family: Tan; grid-area: gold; will-change: color }')).toEqual(
      [],
    )
    expect(raws('@keyframes red { from { color: blue } 50% { color: #123456 } }')).toEqual(['blue', '#123456'])
  })
})

describe('the context of a color', () => {
  it('tells selector, subject, states, strength, at-rules and importance', () => {
    const [first] = read('@media print { .nav  a:hover, #x { color: red !important } }').occurrences
    expect(first).toMatchObject({
      selector: '.nav a:hover, #x',
      subjects: ['.nav a', '#x'],
      signals: ['.nav', ':hover'],
      specificity: [1, 0, 0],
      atRules: ['@media print'],
      property: 'color',
      use: 'text',
      important: true,
      variable: null,
    })
  })

  it('resolves nesting', () => {
    const { occurrences } = read('.a { color: red; &:hover { color: blue } .b & { color: tan } .c { color: gold } }')
    expect(occurrences.map(({ selector }) => selector)).toEqual(['.a', '.a:hover', '.b .a', '.a .c'])
    expect(read('.a, .b { & i { color: red } }').occurrences[0]?.selector).toBe(':is(.a, .b) i')
  })

  it('names custom properties', () => {
    expect(read(':root{--brand:#7a2433}').occurrences[0]).toMatchObject({
      variable: '--brand',
      use: 'variable',
      property: '--brand',
    })
  })

  it('stands under the last heading', () => {
    const { occurrences } = read(`
      a{color:red}
      /* ==== Header ====
         ---- */
      b{color:red} /* a remark */
      c{color:red}
      /* .old { color: tan; } */
      d{color:red /* inside */}
      @media print { /* Print */ e{color:red} }
      f{color:red}`)
    expect(occurrences.map(({ heading }) => heading)).toEqual([null, 'Header', 'Header', 'Header', 'Print', 'Header'])
  })
})

describe('broken sheets', () => {
  it.each<[string, string, string[]]>([
    ['a{color:red} /* open', 'unclosed-comment', ['red']],
    ['a{color:red} b{content:"x', 'unclosed-string', ['red']],
    ['a{color:red', 'unclosed-block', ['red']],
    ['} a{color:red}', 'unexpected-close', ['red']],
    ['a{color:red} b{ nonsense } c{color:tan}', 'unreadable-css', ['red', 'tan']],
  ])('%j reports %s and reads on', (text, code, expected) => {
    const reading = read(text)
    expect(reading.findings.map((finding) => finding.code)).toContain(code)
    expect(reading.occurrences.map(({ raw }) => raw)).toEqual(expected)
  })

  it('tell the place', () => {
    expect(read('a{color:red}\n/* open').findings).toEqual([
      {
        code: 'unclosed-comment',
        range: { start: 13, end: 14 },
        line: 2,
        column: 1,
        excerpt: '/* open',
        meaning: null,
        remedy: null,
      },
    ])
  })

  it('never hang on depth', () => {
    expect(raws(`${'a{'.repeat(5000)}color:red${'}'.repeat(5000)}`)).toEqual(['red'])
    expect(raws(`a${':not('.repeat(3000)}b${')'.repeat(3000)}{color:red}`)).toEqual(['red'])
  })
})
