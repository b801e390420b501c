import { describe, expect, it } from 'vitest'
import { lines, raws } from '../../test/places.ts'
import { isNamedAddress } from './named.ts'

it.each<[string, boolean]>([
  ['url', true],
  ['hrefLang', false],
  ['xlink:href', true],
  ['nextAnchor', true],
  ['build', true],
  ['data-target', true],
  ['linkColor', false],
  ['url_color', false],
  ['target', true],
  ['border', false],
])('%s names what holds no color: %s', (name, expected) => expect(isNamedAddress(name)).toBe(expected))

describe('an address, an anchor, an id or the number of a build is no place', () => {
  it('in settings', () => {
    const text =
      '{"url": "#bed", "anchor": "#add", "build": "#20231107", "item": {"id": "#abcdef", "text": "#fab"}, "link_color": "#bad", "href": {"value": "#ace"}}'
    expect(raws('a.json', text)).toEqual(['#fab', '#bad'])
    expect(raws('a.yaml', 'anchor: "#bed"\nurl: \'#add\'\ncolor: "#bad"\nbuild: "#20231107"')).toEqual(['#bad'])
  })

  it('in scripts', () => {
    const text =
      'const url = "#bed"; a.href = "#add"; location.hash = "#fed"; x({ href: "#bad", target: "#ace", color: "#abc", id: "#abcdef" }); a.setAttribute("href", "#dad"); const build = "#20231107"'
    expect(raws('a.js', text)).toEqual(['#abc'])
    expect(raws('a.jsx', '<a href="#bed" to="#add" action="#bad" fill="#abc" />')).toEqual(['#add', '#abc'])
  })

  it('in attributes that template tags write', () => {
    expect(
      raws('a.liquid', `<a href="{{ '#bed' }}">x</a><a href='{{ x }}{{ "#add" }}' bgcolor="{{ '#abc' }}">`),
    ).toEqual(['#abc'])
    expect(
      raws(
        'a.php',
        `<form action="<?= '#bed' ?>"><p style="color: <?php echo '#abc' ?>"><?php $x = ['url' => '#add'];`,
      ),
    ).toEqual(['#abc'])
    expect(lines('a.twig', `<a href="{{ path|default('#bed') }}" data-x="{{ '#abc123' }}">`)).toEqual([
      '#abc123 value other likely by whole-value',
    ])
  })
})
