import { describe, expect, it } from 'vitest'
import { scanBraces } from './scanner.ts'

/** What the scanner reports of a text, a line each. */
function events(text: string, interpolation: '#' | '@' | null = null): string[] {
  const told: string[] = []
  const at = (start: number, end: number, colon: number) =>
    `${text.slice(start, end)}${colon < 0 ? '' : ` (colon at ${colon - start})`}`
  scanBraces(
    text,
    {
      comment: (start, end, remark) => told.push(`${remark ? 'remark' : 'comment'} ${text.slice(start, end)}`),
      open: (start, end, colon) => told.push(`open ${at(start, end, colon)}`),
      close: () => told.push('close'),
      statement: (...statement) => told.push(`statement ${at(...statement)}`),
      fault: (code, offset) => told.push(`fault ${code} ${offset}`),
    },
    interpolation,
  )
  return told
}

describe('the parts of a sheet', () => {
  it('are reported in their order, without white space and comments at their ends', () => {
    expect(events('@import "a;b"; /* c */\n a , b /* d */ {\n color : red /* e */ ; } /* f */')).toEqual([
      'statement @import "a;b"',
      'remark /* c */',
      'open a , b',
      'statement color : red (colon at 6)',
      'close',
      'remark /* f */',
    ])
  })

  it('may lack the last semicolon, or everything', () => {
    expect(events('a{b:c}')).toEqual(['open a', 'statement b:c (colon at 1)', 'close'])
    expect(events('a{}{;;}')).toEqual(['open a', 'close', 'open ', 'close'])
    expect(events(' \n\t')).toEqual([])
  })

  it('keep what stands in brackets, strings and addresses together', () => {
    expect(events('a{b:c(d;e{f}g);h:"}";i:url(x;y}z);j:k}')).toEqual([
      'open a',
      'statement b:c(d;e{f}g) (colon at 1)',
      'statement h:"}" (colon at 1)',
      'statement i:url(x;y}z) (colon at 1)',
      'statement j:k (colon at 1)',
      'close',
    ])
    expect(events('a{--x:{b:c;d};e:f}')).toEqual([
      'open a',
      'statement --x:{b:c;d} (colon at 3)',
      'statement e:f (colon at 1)',
      'close',
    ])
  })

  it('have their first colon outside brackets', () => {
    expect(events('@media (a:b){c:hover d{e:f}}')).toEqual([
      'open @media (a:b)',
      'open c:hover d (colon at 1)',
      'statement e:f (colon at 1)',
      'close',
      'close',
    ])
  })

  it('know the interpolations of the preprocessors', () => {
    expect(events('.a-#{$b}{#{$c}-d:e}', '#')).toEqual(['open .a-#{$b}', 'statement #{$c}-d:e (colon at 7)', 'close'])
    expect(events('.a-@{b}{@{c}-d:e}', '@')).toEqual(['open .a-@{b}', 'statement @{c}-d:e (colon at 6)', 'close'])
  })

  it('leave the marks around very old sheets out', () => {
    expect(events('<!-- a{b:c} -->')).toEqual(['open a', 'statement b:c (colon at 1)', 'close'])
  })

  it('tell a heading from a remark', () => {
    expect(events('/* a */\nb{/* c */d:e;/* f */}')).toEqual([
      'comment /* a */',
      'open b',
      'comment /* c */',
      'statement d:e (colon at 1)',
      'remark /* f */',
      'close',
    ])
  })
})

describe('faults', () => {
  it.each<[string, string[]]>([
    // A browser would lose all that follows.
    [
      'a{b:rgb(1;c:d}e{f:g}',
      ['fault unclosed-block 7', 'statement b:rgb(1 (colon at 1)', 'statement c:d (colon at 1)'],
    ],
    ['a{b:c[d}e{f:g}', ['fault unclosed-block 5', 'statement b:c[d (colon at 1)']],
    ['a{b:"c\n;d:e}f{f:g}', ['fault unclosed-string 4', 'statement b:"c (colon at 1)', 'statement d:e (colon at 1)']],
    ['}e{f:g}', ['fault unexpected-close 0']],
    ['a{b:c)]}e{f:g}', ['statement b:c)] (colon at 1)']],
    ['a{b:url(c;d:e}e{f:g}', ['fault unclosed-block 7', 'statement d:e (colon at 1)']],
  ])('%j cost their own statement', (text, expected) => {
    const told = events(text)
    for (const event of expected) expect(told).toContain(event)
    expect(told.slice(-2)).toEqual(['statement f:g (colon at 1)', 'close'])
  })

  it('at the end close what is open', () => {
    expect(events('a{b{c:d')).toEqual([
      'open a',
      'open b',
      'statement c:d (colon at 1)',
      'fault unclosed-block 3',
      'close',
      'close',
    ])
    expect(events('a{b:c /* d')).toEqual([
      'open a',
      'fault unclosed-comment 6',
      'statement b:c (colon at 1)',
      'fault unclosed-block 1',
      'close',
    ])
  })

  it.each([
    ['brackets', '('],
    ['blocks', 'a{'],
    ['addresses', 'url('],
    ['strings', '"'],
    ['comments', '/*'],
    ['closing braces', '}'],
    ['brackets in statements', 'a:(;'],
    ['unclosed brackets in rules', 'a{b:c(;d:e}'],
    ['values of custom properties', '--a:{'],
  ])('in their tens of thousands take no more than the time of reading them: %s', (_, piece) => {
    // Quadratic time would be minutes here.
    const told = events(piece.repeat(60_000))
    expect(told.length).toBeGreaterThan(0)
  })
})
