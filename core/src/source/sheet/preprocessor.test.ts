import { describe, expect, it } from 'vitest'
import { readSource } from '../read.ts'
import { blockComments } from './inline-comments.ts'

const read = (path: string, text: string) => {
  const reading = readSource({ path, text, encoding: 'utf-8' })
  for (const { range, raw } of reading.occurrences) expect(text.slice(range.start, range.end)).toBe(raw)
  return reading
}
const raws = (path: string, text: string) => read(path, text).occurrences.map(({ raw }) => raw)

describe('SCSS', () => {
  it('is read in variables, maps, arguments and nested rules', () => {
    const text = `
      // Brand – not #111
      $brand: #7a2433 !default;
      $name: RED;
      $map: ("a": #fff, b: rgb(1, 2, 3)); // #222
      @mixin m($c: #123456) { color: darken($c, 10%) }
      .a { &:hover { @include m(#abc); color: darken(#1b4f72, 10%); } border: { color: tan; width: 1px } }
      @function f() { @return mix(#333, white) }
      @each $c in #444, #555 { .x-#{$c} { color: $c; } }
      @use "x" with ($a: #666);`
    expect(raws('a.scss', text)).toEqual([
      '#7a2433',
      'RED',
      '#fff',
      'rgb(1, 2, 3)',
      '#123456',
      '#abc',
      '#1b4f72',
      'tan',
      '#333',
      'white',
      '#444',
      '#555',
      '#666',
    ])
  })

  it('names variables, headings, states and the functions around a literal', () => {
    const { occurrences } = read(
      'a.scss',
      '// Buttons\n$brand: #7a2433;\n.a { &:hover { color: darken(#1b4f72, 10%) } border: { color: tan } }',
    )
    expect(occurrences[0]).toMatchObject({ variable: '$brand', use: 'variable', heading: 'Buttons' })
    expect(occurrences[1]).toMatchObject({ selector: '.a:hover', signals: ['.a', ':hover'], functions: ['darken'] })
    expect(occurrences[2]).toMatchObject({ property: 'border-color', use: 'line' })
  })

  it('takes no variable, placeholder or address for a color', () => {
    const text = '$red: $blue; .a { color: $red; color: map.red; @extend %red; background: url(//x/#fff) }'
    expect(raws('a.scss', text)).toEqual([])
  })

  it('is read around template tags, front matter and faults', () => {
    expect(raws('a.scss', '---\ntitle: "#fff"\n---\n$a: {{ site.color | default: "x" }};\nb { color: red }')).toEqual([
      '#fff',
      'red',
    ])
    const broken = read('a.scss', '$a: #123;\nb { color: "x\n}\nc { color: #456 }')
    expect(broken.findings).toHaveLength(1)
    expect(broken.occurrences.map(({ raw }) => raw)).toEqual(['#123', '#456'])
  })
})

describe('Less', () => {
  it('is read in variables, mixins, their calls and guards left alone', () => {
    const text = `
      //** Framework notes #000
      @brand: #7a2433; // #111
      @map: { a: #fff; };
      .m(@c: #123) when (iscolor(@c)) { color: darken(@c, 10%); .n(#456; 2px); }
      .a { .m(fade(#789, 20%)); &:hover { color: @red; background: tan } }
      @detached: { background: red; };`
    expect(raws('a.less', text)).toEqual(['#7a2433', '#fff', '#123', '#456', '#789', 'tan', 'red'])
  })

  it('names variables', () => {
    expect(read('a.less', '@brand: #7a2433;').occurrences[0]).toMatchObject({ variable: '@brand', use: 'variable' })
  })
})

describe('masks', () => {
  it.each([
    'a // b\r\nc /* // d */ "// e" url(http://f) // g',
    '// ü 😀 */ x\n//\n///\n////',
    "'it\\'s // no' // yes",
    'url( "//a" ) // b',
  ])('keep every offset of %j', (text) => {
    const masked = blockComments(text)
    expect(masked).toHaveLength(text.length)
    for (const [at, unit] of [...text].entries()) if (unit === '\n' || unit === '"') expect([...masked][at]).toBe(unit)
  })

  it('leave addresses and strings as they are', () => {
    expect(blockComments('a{b:url(http://x/#fff) "//c"}')).toBe('a{b:url(http://x/#fff) "//c"}')
    expect(blockComments('a // red')).toBe('a /* r*/')
  })
})
