import { describe, expect, it } from 'vitest'
import { lines, raws, read } from '../../../test/places.ts'
import { maskTags } from './mask.ts'
import { stringsOf } from './tag-strings.ts'
import { findTags } from './tags.ts'

const masked = (path: string, text: string) => {
  const out = maskTags(text, findTags(text, path), (tag) => stringsOf(text, tag))
  expect(out).toHaveLength(text.length)
  return out
}

describe('template tags', () => {
  it('are blanked with as many units, line ends kept', () => {
    expect(masked('a.html', 'a{{ b\n }}c{% d %}e<?f?>g{{ open')).toBe('a    \n   c       e     g{{ open')
    expect(masked('a.css', '---\na: 1\n---\nb')).toBe('   \n    \n   \nb')
    expect(masked('a.css', 'a\n---\nb\n---')).toBe('a\n---\nb\n---')
  })

  it('end where their language says: not in strings, but in comments', () => {
    expect(masked('a.php', '<?php $a = "?>"; // x ?>b')).toBe(`${' '.repeat(24)}b`)
    expect(masked('a.php', '<?php /* ?> */ $h = <<<A\n?>"\nA; ?>b<?= 1').trimEnd().at(-1)).toBe('b')
    expect(masked('a.hbs', "{{!-- }} don't --}}b")).toBe(`${' '.repeat(19)}b`)
  })

  it('may stand for the name of an element', () => {
    expect(raws('a.liquid', '<{{ tag }} style="color:red"></{{ tag }}>')).toEqual(['red'])
  })
})

describe('colors in template tags', () => {
  it('are read as a part of the value that the tag stands in', () => {
    expect(
      lines(
        'a.liquid',
        `<p style="background: {{ s.bg | default: '#fafafa' }}; color: {% if d %}#fff{% else %}#000{% endif %}"><i style="color:{{ c | default: "red" }}">`,
      ),
    ).toEqual([
      '#fafafa background ground on p certain',
      '#fff color text on p certain',
      '#000 color text on p certain',
      'red color text on i certain',
    ])
    expect(lines('a.php', `<style>.a { color: <?= mod('text_color', '#333333') ?>; }</style>`)).toEqual([
      '#333333 color text on .a certain',
    ])
  })

  it('are read in the attributes of every branch', () => {
    const text = `<div <?php if ($a) { ?>style="color:#fff"<?php } else { ?>style="color:<?php echo $b ?: '#123123' ?>"<?php } ?> <% if x %>bgcolor=red<% end %>>`
    expect(raws('a.php', text)).toEqual(['#fff', '#123123', 'red'])
  })

  it('are read as values of keys, alone, and in markup and CSS within strings', () => {
    const text = `<?php $c = '#7a2433'; if ($x == '#000') {} define('BG', '#ffeedd'); // '#111'
add_theme_support('x', array('default-color' => 'f1f1f1', 'link' => "#abcdef", 'name' => 'red', 'id' => '123456'));
echo '<td bgcolor="#eee" style="color:#111">'; $css = 'a { color: #222; }'; $h = <<<HTML
<p style="color: #0a0b0c">$x</p>
HTML;`
    expect(lines('functions.php', text)).toEqual([
      '#7a2433 $c other likely by whole-value',
      '#ffeedd bg ground likely by named',
      'f1f1f1 default-color other likely by named',
      '#abcdef link text likely by whole-value',
      '#eee background-color ground on td likely by markup-text',
      '#111 color text on td likely by markup-text',
      '#222 color text on a likely by css-text',
      '#0a0b0c color text on p likely by markup-text',
    ])
  })

  it('of comments and tests are none', () => {
    const text = `{% comment %}{{ '#111' }}{% endcomment %}{# '#222' #}{{! '#333' }}<%# '#444' %>{{-- '#555' --}}<?php /* '#666' */ # '#777' ?>{% if c == '#888' %}{% endif %}`
    expect(raws('a.php', text)).toEqual([])
  })

  it('of blocks are read as what the block holds', () => {
    expect(
      lines('a.liquid', '{% schema %}{"bg":"#abc"}{% endschema %}{% style %}.x { color: #def }{% endstyle %}'),
    ).toEqual(['#abc bg ground certain by named', '#def color text on .x certain'])
  })

  it('leave a script readable around them', () => {
    const text = `<script>var s = {{ x | json }}; var c = "{{ c | default: '#fff' }}"; el.style.color = '#123'</script>`
    expect(lines('a.liquid', text)).toEqual([
      '#fff value other possible by whole-value',
      '#123 color text on el certain by style',
    ])
  })

  it.each([
    ['a.erb', '<p style="color: <%= x || "#abc" %>">'],
    ['a.ejs', '<p style=\'color: <%- x ? "#abc" : y %>\'>'],
    ['a.jsp', '<p style="color: ${empty c ? \'#abc\' : c}">'],
    ['a.cshtml', '@{ var x = "y"; }<p style="color: @(c ?? "#abc")">'],
    ['a.blade.php', '<p style="color: {!! $c ?? \'#abc\' !!}">'],
    ['a.hbs', '<p style="color: {{#if c}}{{c}}{{else}}#abc{{/if}}">'],
    ['a.njk', '<p style="color: {{ c or "#abc" }}">'],
    ['a.njk', '<p style=\'color: {{ c or "Tan" }}\'>'],
    ['a.njk', '<p style=\'color: {{ "tan" if d else c }}\'>'],
    ['a.twig', '<p style="color: {{ c ?? \'tan\' }}">'],
    ['a.twig', '<p style="color: {{ d ? \'tan\' : c }}">'],
    ['a.hbs', '<p style=\'color: {{default theme.c "tan"}}\'>'],
    ['a.hbs', '<p style=\'color: {{or c "tan"}}\'>'],
    ['a.css.liquid', "p { color: {{ c | default: '#abc' }} }"],
    ['a.svelte', '<p style="color: {c || \'#abc\'}">'],
  ])('%s: %s', (path, text) =>
    expect(lines(path, text)).toEqual([expect.stringMatching(/^(?:#abc|tan) color text on p certain$/i)]),
  )
})

it('what variables of PHP leave open in a string is no fault, and no end of a block', () => {
  const text =
    '<?php $css = <<<X\n.a { color: {$c}; fill: red }\n.{$b} i { color: tan; border: 1px solid {$o->c} }\nX; $x = "b { color: " . $c . "; fill: #123 }";'
  expect(lines('a.php', text)).toEqual([
    'red fill fill on .a likely by css-text',
    'tan color text on .#{ } i likely by css-text',
    '#123 fill fill likely by css-text',
  ])
  expect(read('a.php', text).findings).toEqual([])
})

describe('links of templates', () => {
  it.each<[string, string, string[]]>([
    [
      'a.php',
      "<?php get_header('small'); get_template_part('parts/card', 'wide'); require_once __DIR__ . '/inc/nav.php'; wp_enqueue_style('m', x() . '/css/main.css'); ?>",
      ['partial header-small.php', 'partial parts/card-wide.php', 'partial /inc/nav.php', 'sheet /css/main.css'],
    ],
    [
      'a.hbs',
      '{{!< default}}{{> "nav/main"}}{{#> card}}{{/card}}',
      ['layout default', 'partial nav/main', 'partial card'],
    ],
    [
      'a.twig',
      "{% extends \"base.twig\" %}{% include 'a.twig' with {a:1} %}{{ include('b.twig') }}",
      ['layout base.twig', 'partial a.twig', 'partial b.twig'],
    ],
    [
      'a.liquid',
      "{{ 'x.css' | asset_url | stylesheet_tag }}{% render 'card' %}{% include head.html %}",
      ['sheet x.css', 'partial card', 'partial head.html'],
    ],
    ['a.ejs', "<%- include('partials/head', {a: 1}) %>", ['partial partials/head']],
    ['a.html', '---\nlayout: post\n---\n<p>', ['layout post']],
    ['a.jsp', '<%@ include file="x.jsp" %><jsp:include page="y.jsp"/>', ['partial x.jsp', 'partial y.jsp']],
    ['a.shtml', '<!--#include virtual="/nav.html" -->', []],
    ['a.html', '<!--#include virtual="/nav.html" -->', ['partial /nav.html']],
  ])('%s %s', (path, text, expected) =>
    expect(read(path, text).links.map(({ kind, target }) => `${kind} ${target}`)).toEqual(expected),
  )
})
