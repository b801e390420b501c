import { describe, expect, it } from 'vitest'
import { lineOf, lines, raws, read } from '../../../test/places.ts'

describe('pages', () => {
  it('are read in style elements and style attributes, in their order', () => {
    const text =
      '<!doctype html>\r\n<style media="print">\r\n a{color:#fff}</style><p id=i class="x  y" style=\'color: red\'>é😀<b style=background:tan>'
    expect(
      read('a.html', text).occurrences.map(({ raw, subjects, atRules, line }) => [raw, subjects[0], atRules[0], line]),
    ).toEqual([
      ['#fff', 'a', '@media print', 3],
      ['red', 'p#i.x.y', undefined, 3],
      ['tan', 'b', undefined, 3],
    ])
  })

  it('keep their character references: the range is the written text', () => {
    const text = '<a style="color:&#35;fff;background:url(&quot;#abc&quot;) &#x72;ed;border-color:&amp;">'
    expect(read('a.html', text).occurrences.map(({ raw, color }) => [raw, color])).toEqual([
      ['&#35;fff', '#ffffff'],
      ['&#x72;ed', '#ff0000'],
    ])
  })

  it('are read inside templates, inline drawings and scripts, not in comments and texts', () => {
    const text = `<template><p style="color:red"></template><svg><style>path{fill:gold}</style></svg>
      <script>var s = '<p style="color:blue">'</script><!-- <p style="color:tan"> --><p>style="color:plum"</p>`
    expect(raws('a.html', text)).toEqual(['red', 'gold', 'blue'])
  })

  it('survive broken markup', () => {
    expect(raws('a.html', '<p style="color:red"<div><style>a{color:tan}')).toEqual(['red', 'tan'])
    expect(raws('a.html', `${'<div>'.repeat(5000)}<p style="color:red">`)).toHaveLength(1)
  })

  it('paint by the attributes of old', () => {
    const text =
      '<body bgcolor=ffffff text="#000" link=blue vlink="Purple" alink=#F00><font color=red><hr color=#ccc><table bordercolor=tan><td bgcolor="transparent"><p text=red link=red color=red>'
    expect(lines('a.html', text)).toEqual([
      'ffffff background-color ground on body certain',
      '#000 color text on body certain',
      'blue color text on body certain',
      'Purple color text on body [visited] certain',
      '#F00 color text on body [pressed] certain',
      'red color text on font certain',
      '#ccc border-color line on hr certain',
      'tan border-color line on table certain',
      'red color text on p likely by attribute',
    ])
    const [first] = read('a.html', text).occurrences
    expect([first?.notation, first?.literalOnly]).toEqual(['bare-hex', true])
  })

  it('say what a browser makes of such an attribute that is no color', () => {
    expect(read('a.html', '<body bgcolor="rgb(1,2,3)">').findings).toMatchObject([
      { code: 'color-out-of-form', meaning: '#001030', excerpt: 'rgb(1,2,3)' },
    ])
  })

  it('give the browser colors in meta elements, in a scheme or not', () => {
    const text =
      '<meta name="theme-color" content="#7a2433" media="(prefers-color-scheme: dark)"><meta name=msapplication-TileColor content=maroon><meta name=description content=red>'
    const { occurrences } = read('a.html', text)
    expect(
      occurrences.map(({ raw, property, atRules, literalOnly }) => [raw, property, atRules[0], literalOnly]),
    ).toEqual([
      ['#7a2433', 'theme-color', '@media (prefers-color-scheme: dark)', true],
      ['maroon', 'msapplication-tilecolor', undefined, true],
    ])
  })

  it('have handlers, whose event is a state', () => {
    const text = `<a onmouseover="this.style.color='#f60'" onmouseout="this.style.color=&quot;#333&quot;" onfocus="this.style.outlineColor='tan'">`
    expect(lines('a.html', text)).toEqual([
      '#f60 color text on a [hover] certain by style',
      '#333 color text on a certain by style',
      'tan outline-color line on a [focus] certain by style',
    ])
  })

  it('are read in conditional comments, which are told as a condition', () => {
    const text =
      '<!--[if lt IE 9]><style>a{color:red}</style><p style="color:tan"><![endif]--><!--[if !IE]><!--><b style="color:gold"><!--<![endif]-->'
    expect(read('a.html', text).occurrences.map(({ raw, atRules }) => [raw, atRules])).toEqual([
      ['red', ['[if lt IE 9]']],
      ['tan', ['[if lt IE 9]']],
      ['gold', []],
    ])
  })

  it('hold other pages, settings and components', () => {
    expect(lines('a.html', `<iframe srcdoc="<p style='color:red'>"></iframe>`)).toEqual(['red color text on p certain'])
    expect(lines('a.html', `<div data-options='{"color": "#fff", "n": 3}' data-bg="#abc" title="red">`)).toEqual([
      '#fff color text certain by named',
      '#abc bg ground on div likely by attribute',
    ])
    expect(lines('a.html', '<input type=color value="#ffcc00"><input value="red">')).toEqual([
      '#ffcc00 value other on input likely by attribute',
    ])
    expect(
      raws(
        'a.html',
        '<script type="text/x-handlebars"><p style="color:red">{{x}}</p></script><script type="application/json">{"bg":"#fff"}</script><script type="text/plain">"#123456"</script>',
      ),
    ).toEqual(['red', '#fff'])
  })

  it('bind expressions in components', () => {
    const vue = `<template><div :style="{ color: on ? '#f00' : 'tan' }" :class="{red: x}" @mouseenter="$el.style.color = '#123'"/></template><style lang="scss">.a { &:hover { color: #fed } }</style>`
    expect(lines('a.vue', vue)).toEqual([
      '#f00 color text on div certain by style',
      'tan color text on div certain by style',
      '#123 color text on $el [hover] certain by style',
      '#fed color text on .a:hover [hover] certain',
    ])
    const svelte = `<script>let color = '#eee'</script><div style:color="#abc" style="background: {dark ? '#000' : '#fff'}">{#if x}{/if}</div><style>p { color: tan }</style>`
    expect(lines('a.svelte', svelte)).toEqual([
      '#eee color text likely by named',
      '#abc color text on div certain',
      '#000 background ground on div certain',
      '#fff background ground on div certain',
      'tan color text on p certain',
    ])
    expect(lines('a.html', `<p [style.color]="'#fff'">`)).toEqual(['#fff color text on p certain by style'])
  })
})

describe('drawings', () => {
  it('paint by attributes, styles, gradients, animations and entities', () => {
    const text = `<?xml version="1.0"?><!DOCTYPE svg [ <!ENTITY brand "#7a2433"> <!ENTITY ns "x"> ]>
<svg color="#111"><style><![CDATA[ .a { fill: #222 } ]]></style><linearGradient id="g"><stop stop-color="red"/><stop style="stop-color:#333"/></linearGradient><path fill="&brand;" stroke="&#35;444"/><g fill="url(#abc)"><animate attributeName="fill" values="red;#0f0" dur="1s"/><set attributeName="x" to="red"/></g><text fill="none" color="blue">red</text></svg>`
    expect(lines('a.svg', text)).toEqual([
      '#7a2433 brand variable likely by named',
      '#111 color text on svg certain',
      '#222 fill fill on .a certain',
      'red stop-color fill on stop certain',
      '#333 stop-color fill on stop certain',
      '&#35;444 stroke stroke on path certain',
      'red fill fill on animate certain',
      '#0f0 fill fill on animate certain',
      'blue color text on text certain',
    ])
  })

  it('take currentColor from the nearest element that sets a color, or from the page', () => {
    const chain = (path: string, text: string) =>
      read(path, text).keywords.map(({ selector, source }) => [selector, source?.element, source?.range === null])
    expect(
      chain(
        'a.svg',
        '<svg><g style="fill:red; color:#111"><path fill="currentColor"/></g><path fill="currentColor"/></svg>',
      ),
    ).toEqual([
      ['path', 'g', false],
      ['path', 'svg', true],
    ])
    expect(
      chain('a.html', '<a class="x"><svg fill="currentColor"><path stroke="currentColor" color="red"/></svg></a>'),
    ).toEqual([
      ['svg', 'a.x', true],
      ['path', 'path', false],
    ])
  })

  it('tell where the color is set in the text of the file, also from within a string', () => {
    const text = `x = '<svg color="#111"><path fill="currentColor"/></svg>'`
    const [keyword] = read('a.js', text).keywords
    const range = keyword?.source?.range
    expect(range && text.slice(range.start, range.end)).toBe('color="#111"')
  })

  it('are XML: names keep their case, and styles may have references', () => {
    expect(raws('a.svg', '<svg><style>.a&gt;b{fill:&#35;fff}</style><Fill fill="red"/></svg>')).toEqual([
      '&#35;fff',
      'red',
    ])
  })
})

it('the condition around a place is a part of its context', () => {
  const [place] = read('a.html', '<!--[if IE 7]><p bgcolor=red><![endif]-->').occurrences
  expect(place && lineOf(place)).toBe('red background-color ground on p certain')
  expect(place?.atRules).toEqual(['[if IE 7]'])
})
