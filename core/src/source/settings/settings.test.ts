import { describe, expect, it } from 'vitest'
import { lines, read } from '../../../test/places.ts'

describe('settings', () => {
  it.each<[string, string, string[]]>([
    [
      'site.webmanifest',
      '{ "theme_color": "#7a2433", "background_color": "red", "name": "red", "short_name": "#", "n": 123456 }',
      ['#7a2433 theme-color other certain by named', 'red background-color ground likely by named'],
    ],
    [
      'a.json',
      '{ // c\n "colors": { "brand": { "$value": "#0f0" }, "list": ["blue", "#abcdef"], "label": "Blue" }, "about": "is #fff", "x": "#123", }',
      [
        '#0f0 brand other certain by named',
        '#abcdef list other certain by named',
        '#123 x other possible by whole-value',
      ],
    ],
    [
      'a.json',
      String.raw`["\u0023fffFFF", "linear-gradient(#111, red)"`,
      [
        String.raw`\u0023fffFFF value other likely by whole-value`,
        '#111 value other likely by css-text',
        'red value other likely by css-text',
      ],
    ],
    [
      'a.yaml',
      "theme:\n  color: red # '#fff'\n  bg: \"#abc\"\n  title: Red\n  x: ['#111111']\n---\na: rgb(1, 2, 3)\n",
      [
        'red color text likely by named',
        '#abc bg ground certain by named',
        '#111111 x other likely by whole-value',
        'rgb(1, 2, 3) a other likely by whole-value',
      ],
    ],
    [
      'a.toml',
      '[params]\ncolor = "#fff" # "#000"\nx = { bg = \'red\', name = "red" }\n',
      ['#fff color text certain by named', 'red bg ground likely by named'],
    ],
    [
      'a.csv',
      'name,color,note\r\n"A ""b""",#fff,red\r\nred,red,"rgb(1, 2, 3)"\r\n',
      [
        '#fff color text certain by named',
        'red color text likely by named',
        'rgb(1, 2, 3) note other likely by whole-value',
      ],
    ],
    ['a.csv', 'name;farbe\n"x\ny";"#abcdef"', ['#abcdef farbe other likely by whole-value']],
    [
      'browserconfig.xml',
      '<browserconfig><tile><TileColor>#da532c</TileColor><x c="#abcdef">red</x><!-- #fff --></tile></browserconfig>',
      ['#da532c tile-color other certain by named', '#abcdef c other likely by whole-value'],
    ],
  ])('%s %s', (path, text, places) => expect(lines(path, text)).toEqual(places))

  it('take no variable, and say under which keys they stand', () => {
    const [place] = read('a.json', '{"theme":{"dark":{"bg":"#fff"}}}').occurrences
    expect([place?.literalOnly, place?.heading, place?.use]).toEqual([true, 'theme / dark', 'ground'])
  })

  it('name files', () => {
    expect(
      read('site.webmanifest', '{"icons":[{"src":"img/a.svg"}]}').links.map(({ kind, target }) => [kind, target]),
    ).toEqual([['asset', 'img/a.svg']])
  })

  it.each(['a.json', 'a.yaml', 'a.toml', 'a.csv', 'a.xml'])(
    '%s nested or broken beyond all measure costs itself only',
    (path) => {
      for (const text of [
        '['.repeat(30_000),
        '{"a":'.repeat(30_000),
        '<a>'.repeat(30_000),
        '"'.repeat(30_001),
        '- '.repeat(20_000),
      ])
        expect(read(path, text).occurrences).toEqual([])
    },
  )
})
