import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5'
import { describe, expect, it } from 'vitest'
import { type StartTag, scanMarkup } from './markup-scanner.ts'

/** What the scanner reports, one line each. */
function scan(text: string, xml = false): string[] {
  const seen: string[] = []
  let foreign = 0
  scanMarkup(
    text,
    0,
    text.length,
    {
      startTag({ name, attributes, selfClosing }) {
        if (name === 'svg') foreign++
        const written = attributes.map((each) =>
          each.value ? `${each.name}=${text.slice(each.value.start, each.value.end)}` : each.name,
        )
        seen.push(`<${[name, ...written].join(' ')}${selfClosing ? '/' : ''}>`)
      },
      endTag(name) {
        if (name === 'svg') foreign--
        seen.push(`</${name}>`)
      },
      rawText: (_tag, start, end) => seen.push(`raw ${text.slice(start, end)}`),
      text: (start, end) => seen.push(`text ${text.slice(start, end)}`),
      comment: (start, end) => seen.push(`comment ${text.slice(start, end)}`),
      declaration: (start, end) => seen.push(`declaration ${text.slice(start, end)}`),
      isForeign: () => xml || foreign > 0,
    },
    xml,
  )
  return seen
}

describe('markup', () => {
  it.each<[string, string[]]>([
    ['<A HREF=x>b</A>', ['<a href=x>', 'text b', '</a>']],
    ['<p a = "1"b=\'2\' c d=e/f/>', ['<p a=1 b=2 c d=e/f/>']],
    ['<br/><br / >', ['<br/>', '<br>']],
    ['<p =a>', ['<p =a>']],
    ['<p a="<b>">c', ['<p a=<b>>', 'text c']],
    ['<p a=1 a=2>', ['<p a=1 a=2>']],
    ['a < b <3', ['text a < b <3']],
    [
      '<!-->a<!--->b<!-- c --!>d<!-- -- -->',
      ['comment ', 'text a', 'comment ', 'text b', 'comment  c ', 'text d', 'comment  -- '],
    ],
    ['<!doctype html><?php x?><![if IE]>a</ x>', ['declaration doctype html', 'declaration [if IE]', 'text a']],
    ['<style>a>b{}</stylex></style >c', ['<style>', 'raw a>b{}</stylex>', '</style>', 'text c']],
    ['<title><b></title>', ['<title>', 'raw <b>', '</title>']],
    ["<script>'<!--<script></script>'--></script>", ['<script>', "raw '<!--<script></script>'-->", '</script>']],
    [
      '<svg><![CDATA[<p>]]><style/></svg><![CDATA[<p>]]>',
      ['<svg>', 'text <p>', '<style/>', '</svg>', 'declaration [CDATA[<p', 'text ]]>'],
    ],
    ['<plaintext></plaintext><p>', ['<plaintext>', 'raw </plaintext><p>']],
  ])('%s', (text, seen) => expect(scan(text)).toEqual(seen))

  it.each<[string, string[]]>([
    ['<A/><Title>x</Title>', ['<A/>', '<Title>', 'text x', '</Title>']],
    ['<!DOCTYPE svg [<!ENTITY a "b>c">]><svg/>', ['declaration DOCTYPE svg [<!ENTITY a "b>c">]', '<svg/>']],
    ['<style><![CDATA[a]]></style>', ['<style>', 'raw <![CDATA[a]]>', '</style>']],
  ])('%s as XML', (text, seen) => expect(scan(text, true)).toEqual(seen))

  it('goes on behind a quote that nothing closes', () => {
    expect(scan('<p a="b><i c=d>e')).toEqual(['<p>', 'text b>', '<i c=d>', 'text e'])
    expect(scan('<p a=1')).toEqual(['<p a=1>'])
  })

  it('agrees with the parser of the HTML standard on tags and values', () => {
    const text = `<!doctype html><html lang=en><head><title>a</title><style>b{c:d}</style></head><body class="x  y"
      onload='go("<p>")'><p data-a = 1>t<img src=a.png alt=""><svg viewBox="0 0 1 1"><path d='M0'/></svg><input disabled></body></html>`
    const theirs: string[] = []
    const pending: Tree.ChildNode[] = [...parse(text).childNodes]
    for (let node = pending.shift(); node; node = pending.shift()) {
      if (!('tagName' in node)) continue
      theirs.push([node.tagName, ...node.attrs.map(({ name, value }) => `${name}=${value}`)].join(' ').toLowerCase())
      pending.unshift(...node.childNodes)
    }
    const ours: string[] = []
    const write = ({ name, attributes }: StartTag) =>
      [
        name,
        ...attributes.map((each) => `${each.name}=${each.value ? text.slice(each.value.start, each.value.end) : ''}`),
      ].join(' ')
    scanMarkup(
      text,
      0,
      text.length,
      {
        startTag: (tag) => ours.push(write(tag).toLowerCase()),
        endTag() {},
        rawText() {},
        text() {},
        comment() {},
        declaration() {},
        isForeign: () => false,
      },
      false,
    )
    expect(ours).toEqual(theirs)
  })
})
