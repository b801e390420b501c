import { describe, expect, it } from 'vitest'
import { read } from '../../test/places.ts'
import { listPages } from './pages.ts'

/** The pages of a site whose files are given; other files are known by name only. */
function site(files: Record<string, string>, others: string[] = []) {
  const read_ = Object.entries(files).map(([path, text]) => ({ path, reading: read(path, text) }))
  return listPages(read_, [...Object.keys(files), ...others].sort())
}

const sheetsOf = (page: ReturnType<typeof site>['pages'][number] | undefined) =>
  page?.sheets.map(({ kind, file, media, condition, applies }) =>
    [
      kind,
      file ?? '-',
      ...media.map((each) => `@${each}`),
      condition ? `[${condition}]` : '',
      applies === 'always' ? '' : applies,
    ]
      .filter(Boolean)
      .join(' '),
  )

describe('the sheets of a page', () => {
  it('stand in the order of the cascade: an imported one before the one that imports it', () => {
    const { pages } = site({
      'index.html':
        '<link rel=stylesheet href="css/a.css?v=1"><style>@import url(css/c.css) print; p{}</style><link rel="alternate stylesheet" href=css/d.css title=x><link rel=stylesheet href=css/d.css media="(max-width: 40em)"><link rel=stylesheet disabled href=css/d.css><link rel=stylesheet type=text/less href=css/x.less>',
      'css/a.css': '@charset "utf-8";@import "b.css" screen;@layer x;@import "../no.css";a{}@import "d.css";',
      'css/b.css': '@import "a.css";@import url("//cdn.invalid/x.css");',
      'css/c.css': '',
      'css/d.css': '',
    })
    expect(sheetsOf(pages[0])).toEqual([
      'import - @screen',
      'import css/b.css @screen',
      'import -',
      'link css/a.css',
      'import css/c.css @print',
      'style index.html',
      'link css/d.css alternate',
      'link css/d.css @(max-width: 40em)',
      'link css/d.css disabled',
    ])
  })

  it('are told with what keeps them away, and start from the base', () => {
    const { pages } = site({
      'de/index.html':
        '<link rel=stylesheet href=a.css><base href="/"><link rel=stylesheet href=a.css><!--[if lt IE 9]><link rel=stylesheet href=ie.css><![endif]--><noscript><link rel=stylesheet href=no.css></noscript><template><style>a{}</style></template>',
      'a.css': '',
      'ie.css': '',
      'no.css': '',
    })
    expect(sheetsOf(pages[0])).toEqual([
      'link -',
      'link a.css',
      'link ie.css [lt IE 9]',
      'link no.css [noscript]',
      'style de/index.html [template]',
    ])
  })

  it('are found from the root of a site that lies in a folder of its own', () => {
    const { pages } = site({ 'www/de/index.html': '<link rel=stylesheet href="/css/a.css">', 'www/css/a.css': '' })
    expect(sheetsOf(pages[0])).toEqual(['link www/css/a.css'])
  })
})

describe('the templates of a page', () => {
  it('bring their sheets, the one around first', () => {
    const { pages } = site({
      'index.twig':
        "{% extends 'layouts/base.twig' %}<link rel=stylesheet href=own.css>{% include 'parts/card.twig' %}",
      'layouts/base.twig': '<html><head><link rel=stylesheet href="/base.css">{% include "parts/head" %}</head>',
      'parts/head.twig': '<link rel=stylesheet href="/head.css">',
      'parts/card.twig': '<b style="color:red">',
      'parts/lost.twig': '<b style="color:tan">',
      'base.css': '',
      'head.css': '',
      'own.css': '',
    })
    expect(pages.map(({ path, parts }) => [path, parts])).toEqual([
      ['index.twig', ['layouts/base.twig', 'parts/head.twig', 'parts/card.twig']],
    ])
    expect(sheetsOf(pages[0])).toEqual(['link base.css', 'link head.css', 'link own.css'])
  })

  it.each<[string, Record<string, string>, string[]]>([
    [
      'of PHP themes',
      {
        'index.php': '<?php get_header(); get_template_part("parts/card", "wide"); ?>',
        'header.php': '<!doctype html><html>',
        'parts/card-wide.php': '<p>',
      },
      ['header.php', 'parts/card-wide.php'],
    ],
    [
      'of Jekyll',
      {
        'about.html': '---\nlayout: page\n---\n{% include nav.html %}',
        '_layouts/page.html': '<html>',
        '_includes/nav.html': '<nav>',
      },
      ['_layouts/page.html', '_includes/nav.html'],
    ],
    [
      'of Handlebars',
      { 'post.hbs': '{{!< default}}{{> "nav/main"}}', 'default.hbs': '<html>', 'partials/nav/main.hbs': '<nav>' },
      ['default.hbs', 'partials/nav/main.hbs'],
    ],
    ['of servers', { 'a.html': '<!--#include virtual="/inc/nav.html" -->', 'inc/nav.html': '<nav>' }, ['inc/nav.html']],
  ])('%s', (_name, files, parts) => {
    const { pages } = site(files)
    expect(pages.map((page) => page.path)).toEqual([Object.keys(files)[0]])
    expect([...(pages[0]?.parts ?? [])].sort()).toEqual(parts.toSorted())
  })

  it('that put each other in come to an end', () => {
    const { pages } = site({
      'a.ejs': "<html><%- include('b') %>",
      'b.ejs': "<%- include('c') %>",
      'c.ejs': "<%- include('b') %>",
    })
    expect(pages.map(({ path, parts }) => [path, parts])).toEqual([['a.ejs', ['b.ejs', 'c.ejs']]])
  })
})

describe('files that no page reaches', () => {
  it('are told, with who names them all the same', () => {
    const { unused, pages } = site(
      {
        'index.html':
          '<link rel=stylesheet href=a.css><img srcset="img/1.png 1x, img/2.png 2x"><script src=a.js></script><a href=b.html>',
        'b.html': '<p style="background:url(img/3.png)">',
        'a.css': 'a{background:url("img/4.svg#x")} /* url(img/5.png) */',
        'a.js': "import('./lazy.js'); x.src = 'img/6.png'",
        'a.scss': '@use "part";',
        '_part.scss': '$a: red;',
        'lazy.js': '',
        'old.css': '@import "older.css";',
        'older.css': '',
        'functions.php': "<?php wp_enqueue_style('x', '/old.css');",
      },
      ['img/1.png', 'img/2.png', 'img/3.png', 'img/4.svg', 'img/5.png', 'img/6.png'],
    )
    expect(pages.map(({ path }) => path)).toEqual(['b.html', 'index.html'])
    // The sheet was made from the preprocessor's beside it, which takes a part of its own.
    expect(unused).toEqual([
      { path: 'functions.php', namedBy: [] },
      { path: 'img/5.png', namedBy: [] },
      { path: 'old.css', namedBy: ['functions.php'] },
      { path: 'older.css', namedBy: ['old.css'] },
    ])
    expect(pages.find(({ path }) => path === 'index.html')?.files).not.toContain('b.html')
  })

  it('a site without pages has none that are reached', () => {
    expect(site({ 'a.css': 'a{}' })).toEqual({ pages: [], unused: [{ path: 'a.css', namedBy: [] }] })
    expect(site({})).toEqual({ pages: [], unused: [] })
  })
})
