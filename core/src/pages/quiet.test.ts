import { expect, it } from 'vitest'
import { quietPage, quietSheet } from './quiet.ts'

it.each([
  ['a script', '<script src="a.js"></script>', '<script type="text/plain" src="a.js"></script>'],
  ['a script with a type', '<script type=module>x</script>', '<script type="text/plain" type=module>x</script>'],
  ['a handler', '<p onclick="x()" class=one>', '<p data-onclick="x()" class=one>'],
  [
    'a sheet of another host',
    '<link rel=stylesheet href="//x.example/a.css">',
    '<link rel=stylesheet data-href="//x.example/a.css">',
  ],
  ['what only scripts need', '<link rel=preload as=script href=a.js>', '<link rel=preload as=script data-href=a.js>'],
  [
    'a picture of another host',
    '<img src="https://x.example/a.png" alt=A>',
    '<img data-src="https://x.example/a.png" alt=A>',
  ],
  [
    'one of several pictures',
    '<img srcset="a.png, https://x.example/b.png 2x">',
    '<img data-srcset="a.png, https://x.example/b.png 2x">',
  ],
  ['a frame', '<iframe src="map.html"></iframe>', '<iframe data-src="map.html"></iframe>'],
  [
    'a policy of its own, which our agent is not in',
    '<meta http-equiv="Content-Security-Policy" content="script-src \'self\'">',
    '<meta data-http-equiv="Content-Security-Policy" content="script-src \'self\'">',
  ],
  [
    'a way out',
    '<meta http-equiv=refresh content="0;url=//x.example">',
    '<meta data-http-equiv=refresh content="0;url=//x.example">',
  ],
  ...[
    '0;url=https://x.example',
    '0;url=\\\\x.example',
    '0;url=https:x.example',
    '0;url=&#47;&#47;x.example',
    '0; //x.example',
    '0;url=java&Tab;script:x()',
  ].map((content) => [
    `a way out, as ${content}`,
    `<meta http-equiv="Refresh" content="${content}">`,
    `<meta data-http-equiv="Refresh" content="${content}">`,
  ]),
  [
    'the name of another host, asked for beforehand',
    '<link rel=preconnect href="&#104;ttps:\\x.example"><link rel=dns-prefetch href=" /\n/x.example">',
    '<link rel=preconnect data-href="&#104;ttps:\\x.example"><link rel=dns-prefetch data-href=" /\n/x.example">',
  ],
  [
    'what switches that on',
    '<meta http-equiv=x-dns-prefetch-control content=on>',
    '<meta data-http-equiv=x-dns-prefetch-control content=on>',
  ],
  ['what hides who asks', '<meta name=referrer content=no-referrer>', '<meta data-name=referrer content=no-referrer>'],
  [
    'the style of an element, written with references',
    '<p style="background:url(&quot;//x.example/a.png&quot;);font-family:&quot;A&quot;">',
    '<p style="background:url();font-family:&quot;A&quot;">',
  ],
  [
    'what stands in a page within the page',
    `<iframe srcdoc="<script src='a.js'></script><img src=&quot;//x.example/a.png&quot;>&nbsp;A"></iframe>`,
    '<iframe srcdoc="<script type=&quot;text/plain&quot; src=&#39;a.js&#39;></script><img data-src=&quot;//x.example/a.png&quot;>&amp;nbsp;A"></iframe>',
  ],
  ['a style', '<style>a{background:url(//x.example/a.png) red}</style>', '<style>a{background:url() red}</style>'],
  [
    'the style of an element',
    `<p style="background:url('https://x.example/a.png') red">`,
    `<p style="background:url() red">`,
  ],
])('%s is switched off', (_what, page, quiet) => expect(quietPage(page)).toBe(quiet))

it('what the copy has itself stays, byte for byte', () => {
  const page = `<!doctype html><meta http-equiv=refresh content="0;url=a.html"><meta http-equiv=refresh content=" 5"><meta http-equiv=refresh content="1; URL='/a/b.html?c=d'"><meta name=theme-color content=red><link rel=stylesheet href=a.css><img src="a.png" srcset="b.png 2x"><a href="https://x.example">on</a><p title="onclick=" data-on=1 style="font:'A'"><iframe srcdoc="<b title='A'>&nbsp;&amp;"></iframe>//x</p><!-- <script> -->`
  expect(quietPage(page)).toBe(page)
  const sheet = '@import "a.css"; a { background: url(a.png), url("data:image/png;base64,//x") } /* // */'
  expect(quietSheet(sheet)).toBe(sheet)
})

it('a sheet imports nothing from other hosts, and keeps what stands behind', () => {
  const sheet = (rule: string) => quietSheet(`${rule}a{color:red}`)
  expect(sheet('@import url("https://x.example/css2?family=A:wght@400;700&display=swap");')).toBe('a{color:red}')
  expect(sheet("@import '//x.example/a.css' screen;")).toBe('a{color:red}')
  expect(sheet('@import url(//x.example/a.css);')).toBe('a{color:red}')
})

it('what is hostile costs no time', () => {
  for (const part of ['@import url("//', '@import "//x ', 'url(//', '<script ', '<p onclick=']) {
    const text = part.repeat(200_000 / part.length)
    expect(quietSheet(quietPage(text)).length).toBeGreaterThan(0)
  }
  const spaces = `<meta http-equiv=refresh content="${' '.repeat(200_000)}!">`
  expect(quietPage(spaces)).toContain('data-http-equiv')
})
