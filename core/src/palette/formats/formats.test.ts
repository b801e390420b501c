import { parse } from 'parse5'
import { describe, expect, it } from 'vitest'
import { opaqueKey } from '../../color/color.ts'
import { parseColor } from '../../color/literal.ts'
import type { Role } from '../role.ts'
import { PALETTE_FILES, type PaletteFile, readPalette } from './formats.ts'
import { writeSheet } from './sheet.ts'

const read = (text: string, name?: string) =>
  readPalette(text, name).colors.map(({ name, color, remark }) => [name, color, ...(remark ? [remark] : [])])
const lost = (text: string, name?: string) => readPalette(text, name).refused.map(({ text, why }) => [text, why])

describe('a mail', () => {
  it('gives its colours, one or several on a line, with the words before or behind them', () => {
    const mail = [
      'Hello, the new brand is done. We take 3 colours:',
      ' - Primary: #0b6e74',
      '• the orange = d9822b (for buttons)',
      'text "#1f2a30", links #0a5a8a',
      'rgb(251, 250, 246) as the ground',
      'Ink: navy',
      'Call me on 123456789, order 2024-112233!',
    ].join('\r\n')
    expect(read(mail)).toEqual([
      ['Primary', '#0b6e74'],
      ['the orange', '#d9822b', 'hash-added'],
      ['text', '#1f2a30'],
      ['links', '#0a5a8a'],
      ['the ground', 'rgb(251, 250, 246)'],
      ['Ink', 'navy'],
    ])
    expect(readPalette(mail).colors.map(({ line }) => line)).toEqual([2, 3, 4, 4, 5, 6])
  })

  it('is read in sentences: each colour gets its own words, the rest says what it is for', () => {
    const said = (text: string) =>
      readPalette(text).colors.map(({ name, color, description }) => [name, color, description ?? null])
    expect(said('Pine #0E5A4F is for the buttons and the links')).toEqual([
      ['Pine', '#0E5A4F', 'the buttons and the links'],
    ])
    expect(said('Hello! Pine #0E5A4F is for the buttons and the links, Oat #F2E8D5 is our background. Bye.')).toEqual([
      ['Pine', '#0E5A4F', 'the buttons and the links'],
      ['Oat', '#F2E8D5', 'our background'],
    ])
    expect(said('Use RGB 14 90 79 for links and R242 G232 B213 as the background; Ink: RGB 31/42/48')).toEqual([
      ['links', 'rgb(14, 90, 79)', null],
      ['the background', 'rgb(242, 232, 213)', null],
      ['Ink', 'rgb(31, 42, 48)', null],
    ])
    expect(
      said(
        'Hi Jo, the main brand colour is Pine #0e5a4f, for links and small accents use Lagoon #0b5c8f. Warm panels are Oat #efe6cc and quiet text #5b6870. Warnings: ember #d9822b. We use Fern #2a9d8f',
      ),
    ).toEqual([
      ['Pine', '#0e5a4f', 'the main brand colour'],
      ['Lagoon', '#0b5c8f', 'links and small accents'],
      ['Oat', '#efe6cc', 'Warm panels'],
      ['quiet text', '#5b6870', null],
      ['ember', '#d9822b', 'Warnings'],
      ['Fern', '#2a9d8f', null],
    ])
    expect(said('Hello! Our new colours: Teal #0b6e74 is for the buttons. The main colours: Pine #0e5a4f')).toEqual([
      ['Teal', '#0b6e74', 'the buttons'],
      ['Pine', '#0e5a4f', 'The main colours'],
    ])
    expect(lost('RGB 300 90 79')).toEqual([['RGB 300 90 79', 'no-color']])
  })

  it('says what it made of them, and what is none', () => {
    expect(read('shade: rgba(0, 0, 0, .5)\nveil #11223380\nwide color(display-p3 0 1 0)')).toEqual([
      ['shade', 'rgb(0, 0, 0)', 'alpha-left-out'],
      ['veil', '#112233', 'alpha-left-out'],
      ['wide', 'color(display-p3 0 1 0)', 'outside-srgb'],
    ])
    expect(lost('Primary: #0b6e7\nAccent: #orange\nTables: 12')).toEqual([
      ['#0b6e7', 'no-color'],
      ['Accent: #orange', 'no-color'],
    ])
    expect(readPalette('')).toEqual({ format: 'text', colors: [], refused: [] })
  })
})

describe('a design token file', () => {
  // The examples of the format (Format Module 2025.10 §5.1, §6 and §7; Color Module §4), names changed.
  const FILE = JSON.stringify({
    brand: {
      $type: 'color',
      acid: { $value: { colorSpace: 'srgb', components: [0, 1, 0.4], alpha: 1, hex: '#00ff66' } },
      hsl: { $value: { colorSpace: 'hsl', components: [330, 100, 50] } },
      lab: { $value: { colorSpace: 'oklch', components: [0.7016, 0.3225, 328.363] } },
      old: { $value: '#7a2433' },
      nested: {
        same: { $value: '{brand.acid}' },
        round: { $value: '{brand.nested.again}' },
        again: { $value: '{brand.nested.round}' },
      },
      nothing: { $value: '{brand.gone}' },
      wrong: { $value: 'not a colour' },
    },
    space: { $type: 'dimension', small: { $value: { value: 4, unit: 'px' } } },
    also: { $value: '{brand.old}', $type: 'color' },
  })

  it('gives its colours through groups, handed down types and aliases', () => {
    expect(read(FILE)).toEqual([
      ['brand acid', 'color(srgb 0 1 0.4)'],
      ['brand hsl', 'hsl(330 100% 50%)'],
      ['brand lab', 'oklch(0.7016 0.3225 328.363)'],
      ['brand old', '#7a2433'],
      ['brand nested same', 'color(srgb 0 1 0.4)'],
      ['also', '#7a2433'],
    ])
    expect(lost(FILE)).toEqual([
      ['brand.nested.round', 'leads-to-itself'],
      ['brand.nested.again', 'leads-to-itself'],
      ['brand.nothing', 'leads-to-nothing'],
      ['brand.wrong', 'no-color'],
    ])
  })

  it('is none where nothing in it has a value', () => {
    expect(readPalette('{"primary": "#0b6e74"}').format).toBe('text')
  })
})

describe('other files', () => {
  it('custom properties and variables give those that hold a colour of their own', () => {
    expect(
      read(':root { --brand-primary: #0b6e74; --gap: 4px; --link: var(--brand-primary); --veil: rgba(0,0,0,.2) }'),
    ).toEqual([
      ['brand primary', '#0b6e74'],
      ['veil', 'rgb(0,0,0)', 'alpha-left-out'],
    ])
    expect(read('--a_b: tan;\n--c: #fff')).toEqual([
      ['a b', 'tan'],
      ['c', '#fff'],
    ])
    expect(read('$primary: #0b6e74;\n$dark: darken($primary, 5%);', 'v.scss')).toEqual([['primary', '#0b6e74']])
    expect(read('@primary: #0b6e74;')).toEqual([['primary', '#0b6e74']])
  })

  it('.gpl gives its lines, and refuses those that are none', () => {
    const text =
      'GIMP Palette\nName: Brand\nColumns: 4\n# remark\n 11 110 116\tPrimary\n255 255 255\tUntitled\n  0 0 0\n300 0 0 Red\nnonsense'
    expect(read(text)).toEqual([
      ['Primary', '#0b6e74'],
      [null, '#ffffff'],
      [null, '#000000'],
    ])
    expect(lost(text)).toEqual([
      ['300 0 0 Red', 'no-color'],
      ['nonsense', 'no-color'],
    ])
  })

  it('CSV is read with every sort of quoting', () => {
    const text = 'role;hex\n"soft; ""text""";#5a6870\nline,;"oklch(85% 0.018 220)"\nlink;0a5a8a\nnothing;here'
    expect(read(text, 'brand.csv')).toEqual([
      ['soft; "text"', '#5a6870'],
      ['line,', 'oklch(85% 0.018 220)'],
      ['link', '#0a5a8a', 'hash-added'],
    ])
    expect(lost(text, 'brand.csv')).toEqual([['nothing, here', 'no-color']])
  })
})

it('what is written out comes back the same, in every format', () => {
  const roles: Role[] = [
    { id: 'a', name: 'primary', color: '#0b6e74' },
    { id: 'b', name: 'text on primary', color: 'white' },
    { id: 'c', name: 'line', color: 'oklch(85% 0.018 220)' },
    { id: 'd', name: 'line', color: '#111' },
    { id: 'e', name: '=cmd()', color: 'rgb(1 2 3)' },
  ]
  const keys = (colors: readonly string[]) => colors.map((color) => opaqueKey(parseColor(color) as never))
  for (const [format, { ending, write }] of Object.entries(PALETTE_FILES) as [
    PaletteFile,
    (typeof PALETTE_FILES)[PaletteFile],
  ][]) {
    const offer = readPalette(write('Brand', roles), `brand.${ending}`)
    expect(keys(offer.colors.map(({ color }) => color)), format).toEqual(keys(roles.map(({ color }) => color)))
    expect(offer.refused, format).toEqual([])
    expect(offer.colors[1]?.name, format).toBe('text on primary')
  }
})

it('a sheet to print has every role that can be read, and what is in their names is no markup', () => {
  const roles: Role[] = [
    { id: 'a', name: '<script>alert(1)</script> & "co"', color: '#0B6E74' },
    { id: 'b', name: 'line', color: 'oklch(85% 0.018 220)' },
    { id: 'c', name: 'broken', color: 'nonsense' },
  ]
  const page = parse(writeSheet('A & B', roles))
  const found: string[] = []
  const walk = (node: { nodeName: string; value?: string; childNodes?: unknown[] }) => {
    if (node.nodeName === '#text' && node.value?.trim()) found.push(node.value.trim())
    if (node.nodeName !== 'style') for (const child of node.childNodes ?? []) walk(child as never)
  }
  walk(page as never)
  const hex = expect.stringMatching(/^#[\da-f]{6}$/)
  expect(found).toEqual([
    ...['A & B', 'A & B', 'role', 'for', 'value', '<script>alert(1)</script> & "co"', 'ground', '#0b6e74'],
    ...['line', 'line', hex, 'oklch(85% 0.018 220)'],
  ])
})

describe('what a role has beside its colour', () => {
  const roles: Role[] = [
    {
      id: 'a',
      name: 'ground',
      color: '#fbfaf6',
      dark: '#14181a',
      print: 'white',
      description: 'Behind */ all, "text"',
    },
    { id: 'b', name: 'text', color: '#1f2a30', dark: 'oklch(92% 0.01 220)' },
    { id: 'c', name: 'line', color: '#8b949a' },
  ]

  it('comes back from every format, its words where the format has any', () => {
    for (const [format, { ending, write }] of Object.entries(PALETTE_FILES)) {
      const { colors, refused } = readPalette(write('Brand', roles), `brand.${ending}`)
      expect(refused, format).toEqual([])
      expect(colors.map(({ name }) => name)).toEqual(['ground', 'text', 'line'])
      const key = (text: string | undefined) => (text === undefined ? null : opaqueKey(parseColor(text) as never))
      expect(
        colors.map(({ dark, print }) => [dark, print].map(key)),
        format,
      ).toEqual(roles.map(({ dark, print }) => [dark, print].map(key)))
      if (format === 'tokens' || format === 'csv') expect(colors[0]?.description).toBe('Behind */ all, "text"')
    }
  })

  it('is told by what people write, where the role itself is there; a darker shade is none of it', () => {
    const said = readPalette('ground: #fff\nground in print: #eee\nground dark: #ddd\nlink in print: #000').colors
    expect(said.map(({ name, color, print }) => [name, color, print])).toEqual([
      ['ground', '#fff', '#eee'],
      ['ground dark', '#ddd', undefined],
      ['link in print', '#000', undefined],
    ])
  })

  it('is read from a sheet by its conditions, and by no others', () => {
    const sheet = `:root { --a: #111; --b: #222 }
      @media (prefers-color-scheme: dark) { :root { --a: #eee } }
      @media print { :root { --b: #000 } }
      @media (min-width: 40em) { :root { --c: #444 } }`
    expect(readPalette(sheet).colors.map(({ name, color, dark, print }) => [name, color, dark, print])).toEqual([
      ['a', '#111', '#eee', undefined],
      ['b', '#222', undefined, '#000'],
      ['c', '#444', undefined, undefined],
    ])
  })

  it('stands in the sheet to print', () => {
    const page = writeSheet('Brand', roles)
    expect(page).toContain('<th scope="col">in dark scheme</th><th scope="col">in print</th>')
    expect(page).toContain('<small>Behind */ all, "text"</small>'.replaceAll('"', '&quot;'))
    expect(page).toContain('<code>oklch(92% 0.01 220)</code>')
  })
})
