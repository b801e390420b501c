import { describe, expect, it } from 'vitest'
import { lines, read } from '../../../test/places.ts'

describe('scripts', () => {
  it.each([
    'const s = css`a { color: red; ${mixin}; fill: ${c} }`',
    "x = 'a { color: red; fill: ' + c; y = '} b { color: tan }'",
    "x.innerHTML = '<style>a{color:red'",
  ])('pieces of text are no faults: %s', (text) => expect(read('a.js', text).findings).toEqual([]))

  it.each<[string, string[]]>([
    // Set on a style.
    ["a.style.color = 'red'", ['red color text on a certain by style']],
    ["a.style['background-color'] = `#fff`", ['#fff background-color ground on a certain by style']],
    ["document.getElementById('top').style.border = '1px solid #ccc'", ['#ccc border line on #top certain by style']],
    ["a.style.setProperty('--brand', '#123456')", ['#123456 --brand variable on a likely by style']],
    [
      "a.style.color = b ? 'tan' : c || '#111'",
      ['tan color text on a certain by style', '#111 color text on a certain by style'],
    ],
    ["a.style.width = 'red'", []],
    ["a.style.cssText = 'color: #fff; top: 0'", ['#fff color text on a certain by css-text']],
    ["Object.assign(a.style, { color: 'red', top: '0' })", ['red color text on a certain by style']],
    ["$('.a').css('color', 'red')", ['red color text on .a certain by style']],
    [
      "$('.a').css({ color: 'red', 'border-top': '1px solid #ccc' })",
      ['red color text on .a certain by style', '#ccc border-top line on .a certain by style'],
    ],
    [
      "a.animate([{ color: '#111' }, { color: '#222' }], 300)",
      ['#111 color text on a certain by style', '#222 color text on a certain by style'],
    ],
    // Painted, set as an attribute.
    ["ctx.fillStyle = 'rgba(1,2,3,.5)'", ['rgba(1,2,3,.5) fill-style fill certain by canvas']],
    ["g.addColorStop(0, 'white')", ['white color-stop fill certain by canvas']],
    ["a.setAttribute('fill', 'red')", ['red fill fill on a certain by attribute']],
    ["document.bgColor = 'ffcc00'", ['ffcc00 background-color ground certain by attribute']],
    // CSS and markup in strings.
    ["s.insertRule('a { color: red }')", ['red color text on a certain by css-text']],
    ['a.innerHTML = \'<p style="color:#fff">x</p>\'', ['#fff color text on p certain by markup-text']],
    ["document.write('<td bgcolor=red>')", ['red background-color ground on td certain by markup-text']],
    ["const x = 'a { color: red }'", ['red color text on a likely by css-text']],
    [
      'const B = styled.a`color: #fff; &:hover { background: ${x}; border: 1px solid tan }`',
      ['#fff color text certain by css-text', 'tan border line on &:hover [hover] certain by css-text'],
    ],
    // Put together.
    [
      "a.innerHTML = '<style>.b{color:' + c + ';fill:tan}.d{color:red}</style>'",
      ['tan fill fill on .b certain by markup-text', 'red color text on .d certain by markup-text'],
    ],
    [
      "a.style.cssText = 'color:' + c + ';fill:' + (d ? 'red' : e) + ';' + 'stroke:tan'",
      ['tan stroke stroke on a certain by css-text'],
    ],
    ["a.style.border = '1px solid ' + 'red'", ['red border line on a certain by style']],
    ["ctx.fillStyle = 'rgba(1,2,3,' + x + ')'", ["rgba(1,2,3,' + x + ') fill-style fill certain by canvas"]],
    ["ctx.fillStyle = 'rgba(1,2,3,' + f('x', ')') + ')'", []],
    [
      "x('#333' + b + '#444')",
      ['#333 value other possible by whole-value', '#444 value other possible by whole-value'],
    ],
    [
      "const s = document.createElement('style'); s.textContent = 'a { color: red }'",
      ['red color text on a likely by css-text'],
    ],
    // Named, or alone.
    ["var bgColor = '#fff', title = 'red'", ['#fff bg-color ground likely by named']],
    ["x({ color: 'red', name: 'red', id: '#abc' })", ['red color text likely by named']],
    ["const colors = ['red', '#111']", ['red colors other likely by named', '#111 colors other likely by named']],
    [
      "x(['#111', '#222', 'red'])",
      [
        '#111 value other likely by color-table',
        '#222 value other likely by color-table',
        'red value other likely by color-table',
      ],
    ],
    ["function getColor() { return '#fff' }", ['#fff get-color other likely by named']],
    [
      "f('#abcdef'); g('#abc')",
      ['#abcdef value other likely by whole-value', '#abc value other possible by whole-value'],
    ],
    [
      "x({ boxShadow: '0 1px 3px rgba(0,0,0,.3)', color: 'as red as it gets', border: '1px solid tan' })",
      ['rgba(0,0,0,.3) box-shadow shadow likely by named', 'tan border line likely by named'],
    ],
    [`x = ' style="border: 1px solid #CCC">'`, ['#CCC border line likely by css-text']],
    ["ctx.setAttr('strokeStyle', 'red')", ['red stroke-style stroke certain by canvas']],
    // No colors.
    ["f('red'); g('The red fox'); document.querySelector('#fff'); if (a === '#fff') location.hash = '#abc'", []],
    ["$('#add').find('#fee').addClass('red'); el.className = 'blue'; switch (a) { case '#fff': }", []],
    ["import '#abc'; import('#abc')", []],
    // JSX.
    [
      'const a = <p style={{ color: "red" }}><svg fill="#abc"/><Icon color="teal" title="red"/></p>',
      [
        'red color text on p certain by style',
        '#abc fill fill on svg certain by attribute',
        'teal color text on Icon likely by attribute',
      ],
    ],
  ])('%s', (text, places) => expect(lines('a.jsx', text)).toEqual(places))

  it('are read with types, and when nothing can be parsed', () => {
    expect(lines('a.ts', "const color: string = '#fff' as const; (<any>a).style.color = 'red'")).toEqual([
      '#fff color text likely by named',
      'red color text on a certain by style',
    ])
    expect(
      lines('a.js', "var a = { color: '#fff', x: 'red' ; function ( { if (b == '#abc') var bg = \"#abcdef\""),
    ).toEqual(['#fff color text likely by named', '#abcdef bg ground likely by named'])
  })

  it('keep their escapes: the range is the written text', () => {
    expect(
      read('a.js', String.raw`a.style.color = '\x23fff'; b.style.color = "\u{23}abc"`).occurrences.map(
        ({ raw, color }) => [raw, color],
      ),
    ).toEqual([
      [String.raw`\x23fff`, '#ffffff'],
      [String.raw`\u{23}abc`, '#aabbcc'],
    ])
  })

  it('give their states to what their handlers paint', () => {
    expect(
      lines(
        'a.js',
        "b.addEventListener('mouseenter', function () { this.style.color = 'red' }); c.onfocus = () => { c.style.color = 'tan' }; $('.d').hover(function () { $(this).css('color', '#111') }, function () { $(this).css('color', '#222') })",
      ),
    ).toEqual([
      'red color text on b [hover] certain by style',
      'tan color text on c [focus] certain by style',
      '#111 color text on .d [hover] certain by style',
      '#222 color text on .d certain by style',
    ])
  })

  it.each([
    '[',
    '(function () {',
    "'a' + ",
    '! ',
    'new\n',
    'if (a) b; else ',
    'if (a) {} else ',
    'a => ',
    'a ? b : ',
    'for (;;) ',
    'a = ',
    '`${',
    '<a>',
    'class A extends ',
  ])('nested beyond all measure are read by their strings: %s', (piece) => {
    const { occurrences, findings } = read('a.js', `color = '#fff';${piece.repeat(20_000)}`)
    expect(occurrences.map(({ raw }) => raw)).toEqual(['#fff'])
    expect(findings.map(({ code }) => code)).toEqual(['unparsed-script'])
  })
})
