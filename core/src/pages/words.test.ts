import { describe, expect, it } from 'vitest'
import { ledgerOf, placeAt } from '../ledger/ledger.ts'
import { markWords, runsOf } from '../ledger/words.ts'
import { linkVariables } from '../source/link-variables.ts'
import { readSource } from '../source/read.ts'
import { follower } from '../source/through.ts'
import { listVariables } from '../source/variables.ts'
import { wordsOf } from './words.ts'

const SHEET = 'a.css'

/** What a page shows, of it and its sheet. */
function shownBy(page: string, sheet: string, reached = [SHEET, 'p.html']) {
  const files = { [SHEET]: sheet, 'other.css': 'p{color:#abc}', 'p.html': page }
  const read = linkVariables(
    Object.entries(files).map(([path, text]) => ({ path, reading: readSource({ path, text, encoding: 'utf-8' }) })),
  )
  const ledger = ledgerOf(read.map(({ path, reading }) => ({ path, ...reading })))
  return {
    ledger,
    words: wordsOf([{ path: 'p.html', text: page, files: reached }], ledger, follower(listVariables(read))),
  }
}

/** The places that paint a text, as property and colour, of a page and its sheet. */
function painting(sought: string, page: string, sheet: string, reached?: string[]) {
  const { ledger, words } = shownBy(page, sheet, reached)
  const marks = new Uint8Array(ledger.length)
  markWords(words, runsOf(ledger), sought, marks)
  return Array.from(marks.keys())
    .filter((at) => marks[at] === 1)
    .map((at) => placeAt(ledger, at).raw)
}

describe('the words that a rule paints', () => {
  it.each([
    [
      'of the element in which they stand',
      '<p class=a>Book now</p><p>Later</p>',
      '.a{color:red} div{color:blue}',
      ['red'],
    ],
    ['whatever the case', '<p class=a>BOOK NOW</p>', '.a{color:red}', ['red']],
    ['with what stands in their line', '<p class=a>Book <b>now</b></p>', '.a{color:red} b{color:blue}', ['red']],
    [
      'with what holds nothing else',
      '<li><a class=a><i>Book now</i></a></li>',
      'li{color:red} .a i{color:blue}',
      ['red', 'blue'],
    ],
    [
      'but not with what holds more',
      '<nav><a>Book now</a><a>Fares</a></nav>',
      'nav{color:red} a{color:blue}',
      ['blue'],
    ],
    [
      'and the ground behind them, of the nearest that has one',
      '<body><nav><a>Book now</a><a>Fares</a></nav></body>',
      'nav{background:red} body{background:tan} a{color:blue}',
      ['red', 'blue'],
    ],
    [
      'through variables, on their own and behind them, each for itself',
      '<nav><a>Book now</a><a>Fares</a></nav>',
      ':root{--ink:red;--bar:10,20,30;--deep:var(--ink);--not:tan} a{color:var(--deep)} nav{background:rgba(var(--bar),.5)} p{color:var(--not)}',
      ['red', '10,20,30'],
    ],
    ['in any state', '<a>Book now</a>', 'a:hover{color:red} a:visited{color:blue}', ['red', 'blue']],
    ['before and behind them', '<a>Book now</a>', 'a::before{color:red}', ['red']],
    ['of several selectors', '<h2>Book now</h2>', 'h1,h2{color:red;background:blue}', ['red', 'blue']],
    [
      'on a button',
      '<input type=submit class=a value="Book now"><input class=b placeholder="Book now">',
      '.a{color:red} .b{color:blue}',
      ['red', 'blue'],
    ],
    ['in its attributes', '<p style="color:red">Book now</p><p style="color:blue">Later</p>', 'q{color:tan}', ['red']],
    ['in a sheet of the page', '<style>p{color:red}</style><p>Book now</p>', 'q{color:tan}', ['red']],
    [
      'but none of a title, a script or a sheet',
      '<title>Book now</title><script>"Book now"</script><style>/*Book now*/</style>',
      '*{color:red}',
      [],
    ],
    [
      'though a selector is none',
      '<p>Book now</p>',
      'p:nonsense(1){color:red} ..{color:tan} p{color:blue} > p{color:red} ~ p{color:red}',
      ['blue'],
    ],
    [
      'by their place among others',
      '<ul><li>One</li><li>Book now</li></ul>',
      'li:nth-child(2){color:red} li:first-child{color:blue}',
      ['red'],
    ],
    [
      'with a name in capitals',
      '<P ID=x CLASS="A b">Book now</P>',
      '.A{color:red} #x.b{color:blue} .a{color:tan}',
      ['red', 'blue'],
    ],
  ])('%s', (_, page, sheet, wanted) => expect(painting('book now', page, sheet).toSorted()).toEqual(wanted.toSorted()))

  it('are those of the files that the page reaches', () => {
    expect(painting('Book', '<p>Book now</p>', 'p{color:red}', ['p.html', 'other.css'])).toEqual(['#abc'])
  })

  it('are found in the very element where lines end as they did on another machine', () => {
    const page = '<p>\r\n\r\n</p>\r\n<p\r\n  style="color:red">Book\r\n now</p><p style="color:blue">x</p>'
    expect(painting('book now', page, 'q{color:tan}')).toEqual(['red'])
  })

  it.each([
    ['nested', `${'<div>'.repeat(50_000)}Book now`],
    ['nested in lines', '<b>a'.repeat(3000)],
    [
      'with countless classes',
      `<p class="${Array.from({ length: 20_000 }, (_, i) => `c${i}`).join(' ')}">Book now</p>`,
    ],
  ])('are told soon of a page that is %s', (_, page) => {
    const chain = Array.from({ length: 40 }, () => '*').join(' ')
    expect(() => painting('book', page, `${chain}{color:red} ${'* ~ '.repeat(40)}*{color:blue}`)).not.toThrow()
  })
})

describe('a page that would take more than its size allows', () => {
  const times = (of: (index: number) => string) => Array.from({ length: 4000 }, (_, i) => of(i)).join('')
  it.each([
    [
      'by selectors that each element is tried with',
      times((i) => `[a="${i}"]{color:red}`),
      times((i) => `<p a=${i}>${i}`),
    ],
    ['by selectors that each element matches', times((i) => `:not([a="x${i}"]){color:red}`), times((i) => `<p>${i}`)],
    [
      'by attributes as long as the page',
      times((i) => `[a$="${i}x"]{color:red}`),
      `${`<p a="${'y'.repeat(5000)}">x`.repeat(20)}`,
    ],
    ['by its many siblings', times((i) => `p:nth-child(${i}n+9){color:red}`), '<p>x'.repeat(4000)],
  ])('%s is looked for in part, and says so', (_, sheet, page) => {
    const { words } = shownBy(page, sheet)
    expect(words.partly).toEqual(['p.html'])
    expect(words.painted.flat().length).toBeLessThan(500_000)
  })

  it('but not by rules for the same elements, which are one set', () => {
    const { words } = shownBy(
      times((i) => `<p class=a>${i}`),
      times(() => '.a{color:red} p{background:tan}'),
    )
    expect(words.partly).toEqual([])
    expect([words.texts.length, words.sets.length, words.painted[0]?.length]).toEqual([4000, 2, 2])
  })
})

describe('runs of places', () => {
  it('are the neighbours of one rule; in markup each place is its own', () => {
    const files = {
      'a.css': 'a{color:red;background:blue} b{color:red} b{color:tan} i{--x:red;--y:tan;color:red;fill:blue}',
      'p.html': '<p style="color:red;fill:blue">',
    }
    const ledger = ledgerOf(
      Object.entries(files).map(([path, text]) => ({ path, ...readSource({ path, text, encoding: 'utf-8' }) })),
    )
    expect([...runsOf(ledger)]).toEqual([0, 2, 4, 5, 6, 8, 9])
  })
})
