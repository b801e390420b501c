import { describe, expect, it } from 'vitest'
import { read } from '../../test/places.ts'
import { countFindings, MOST_FINDINGS } from '../text/finding.ts'

/** The colors of a text, those that are only possibly some with a question mark. */
function told(path: string, text: string): string {
  return read(path, text)
    .occurrences.map(({ raw, confidence }) => `${raw}${confidence === 'possible' ? '?' : ''}`)
    .join(' ')
}

type Case = readonly [path: string, text: string, colors: string]

const cases = (name: string, table: readonly Case[]) =>
  describe(name, () => {
    it.each(table)('%s %s', (path, text, colors) => expect(told(path, text)).toBe(colors))
  })

const drawing = '%3Csvg fill=%22%23fff%22/%3E'
const base64 = btoa('<svg xmlns="http://www.w3.org/2000/svg"><path fill="red"/></svg>')

cases('words of preprocessors are colors, names, or possibly either', [
  ['a.scss', 'a{color: map-get($m, white)} b{color: map.get($m, white)}', ''],
  ['a.scss', 'a{@extend .red; @extend %white; @include white}', ''],
  ['a.scss', 'a{color: theme-color(white); background: darken(red, 5%)}', 'white? red'],
  ['a.scss', '@include button-variant(white, $x); @include m($c: tan);', 'white? tan'],
  ['a.scss', '$a: red !default; $b: tan !default !global;', 'red tan'],
  [
    'a.scss',
    '$l: red, white; $p: (red white); $m: (a: red, b: (c: white)); $n: (red: 1, white: 2);',
    'red? white? red? white? red white',
  ],
  ['a.scss', '$x: mix(white, $a, 20%); a{b: mix(white, $a, 20%)}', 'white white'],
  ['a.scss', '@if $a == #fff {} @else if $b == red {} @while $a != white {}', '#fff red white'],
  ['a.scss', '@if index(red blue, $x) {} @each $c in red, white {} @return white;', 'red? blue? red? white? white?'],
  ['a.scss', '$font: black, sans; .a{font: bold 12px Black}', ''],
  ['a.less', 'a{color: @c[white]; background: #ns.mixin()[red]} b{&:extend(.red)}', ''],
  ['a.less', 'a{ .m(white); .n(@c: tan) } @l: red, white;', 'white? tan red? white?'],
  [
    'a.less',
    '.m() when (@a = white) {} .a when (@b = tan) {} .n() when (lightness(@c) > 50) { color: red }',
    'white tan red',
  ],
  ['a.less', '@plugin "red"; @import (reference) "white"; a{color: ~"red"}', ''],
])

cases('values of CSS that stand behind a name, in a sum, a condition or a hack', [
  [
    'a.css',
    'a{color: var(--x, white); b: var(--x, tan)} :root{--a: var(--x, red); --b: var(--y, white, black)}',
    'white tan red',
  ],
  ['a.css', 'a{color: env(x, white); background: attr(data-red type(<color>), tan)}', 'white tan'],
  ['a.css', 'a{color: if(style(--x: red): #111; media(print): black; else: white)}', '#111 black white'],
  [
    'a.css',
    'a{color: rgb(calc(255 - 10) 0 0); fill: hsl(calc(1turn / 2) 10% 20%)}',
    'rgb(calc(255 - 10) 0 0) hsl(calc(1turn / 2) 10% 20%)',
  ],
  ['a.css', 'a{color: red\\9; background: #fff\\9; border-color: white\\0/}', 'red #fff white'],
  [
    'a.css',
    'a{color: red\\9 !important; fill: #fff\\9\\0; background: url(x) #ccc\\9 no-repeat; border-color: tan\\9 #ddd\\9}',
    'red #fff #ccc tan #ddd',
  ],
  ['a.css', 'a{background: expression(this.x == "tan" ? "#fff" : \'red\')}', '#fff red'],
  ['a.css', 'a{filter: progid:x.Shadow(color=#112233) progid:x.Glow(Color=red) !important}', '#112233 red'],
  ['a.css', 'a{filter: url(#bad); fill: url(#fff) red; mask: url( #abc )} :root{--m: url(#bad)}', 'red'],
])

cases('values of attributes that tags write, or a part of them', [
  ['a.svelte', '<p class={x} style="color: red"><svg fill={y} stroke="tan"/>', 'red tan'],
  [
    'a.liquid',
    '<p class={{ x }}{% if y %} style="color: red"{% endif %}><p id=a-{{ x }} style="color: tan">',
    'red tan',
  ],
  ['a.svelte', '<p style:color={"tan"} style:fill={x ? "red" : "#111"} style:--c="{"#222"}" />', 'tan red #111 #222'],
  ['a.svelte', '<p style={`color: red`}/><Button accent={"tan"} options={{ color: "#111" }}/>', 'red tan #111'],
  ['a.astro', '<p style={{ color: "red", "--x": "#111" }} class:list={["tan"]}/>', 'red #111'],
  ['a.svelte', '<p onclick={() => { el.style.color = "red" }} on:click={() => (el.style.fill = "tan")}/>', 'red tan'],
  ['a.svelte', '<p style={"color: red" as}/>', 'red'],
  ['a.php', "<td bgcolor=\"<?= $odd ? '#eee' : '#fff' ?>\"><font color=<?= $x ?: 'tan' ?>>", '#eee #fff tan'],
  [
    'a.liquid',
    '<td bgcolor="{% if x %}#eee{% else %}red{% endif %}"><td bgcolor="#{{ x }}"><td bgcolor={{ y }}>',
    '#eee red',
  ],
])

it.each(['}', '(', 'a{color:ff0}'])('of a file full of %s so many are told, and how many more there are', (part) => {
  const { findings } = read('a.css', part.repeat(3000))
  expect(findings).toHaveLength(MOST_FINDINGS + 1)
  expect(findings.at(-1)).toMatchObject({
    code: 'and-more',
    excerpt: expect.stringMatching(/^2\d{3} more$/),
    remedy: null,
  })
  expect(findings.filter(({ code }) => code === 'and-more')).toHaveLength(1)
  expect(countFindings(findings)).toBe(MOST_FINDINGS + Number.parseInt(findings.at(-1)?.excerpt ?? '', 10))
  expect(countFindings(findings)).toBeGreaterThanOrEqual(3000)
})

it('a value of which tags write a part is no slip', () => {
  // What nobody writes on is one.
  expect(read('a.css', 'a{color:#} b{border: 1px solid #}').findings.map(({ code }) => code)).toEqual([
    'hex-digits',
    'hex-digits',
  ])
  for (const value of ["<?= $x ? '#eee' : '#fff' ?>", '#<?= $x ?>', '<?= $x ?>'])
    expect(read('a.php', `<td bgcolor="${value}"><td bgcolor=${value}>`).findings, value).toEqual([])
  expect(read('a.astro', '<p style={{ color: "red" }}>').findings).toEqual([])
  for (const value of ['{{ c }}', '#{{ c }}', '{{ a }}{{ b }}'])
    expect(read('a.liquid', `<td bgcolor="${value}"><p style="color: ${value}; fill: x${value}">`).findings).toEqual([])
  for (const text of [
    `x.innerHTML = '<td bgcolor="' + c + '"><font color=' + d + '><p style="color:#' + e + '">'`,
    'x.innerHTML = `<td bgcolor="${c}"><p style="color:#${e}">`; s.cssText = "color: #" + c',
  ])
    expect(read('a.js', text).findings, text).toEqual([])
  expect(
    read('a.php', `<?php echo "<td bgcolor='{$c}'><td bgcolor='$d'><p style='color:#{$f}'>"; ?>`).findings,
  ).toEqual([])
})

cases('sheets in strings of code', [
  ['a.js', "x.innerHTML = '<style>.b-' + n + ' { fill: tan } .c { color: red }</style>'", 'tan red'],
  ['a.js', 'x.innerHTML = `<style>.b-${n} { fill: tan } ${more} .c { color: red }</style>`', 'tan red'],
])

cases('types of TypeScript paint nothing, what runs does', [
  [
    'a.tsx',
    'type T = "red"; interface I { c: "#fff" } const a: T = <p style={{ color: "red" }}>x</p>, b = c as "#000"',
    'red',
  ],
  [
    'a.tsx',
    'const C = <T,>(p: P<T>) => <svg fill="#fff"/>; const B: FC<P<"#000">> = ({ color = "#abc" }: { color?: "#fff" }) => <b/>',
    '#fff #abc',
  ],
  ['a.ts', 'el.style.color = <any>"#fff"; el.style.fill = "#111" satisfies string; let c: "#000" | "red"', '#fff #111'],
  [
    'a.ts',
    'class A<T> { c: string = "#fff"; m(this: A<"#123">): "red" { el.style.color = "#000"; return x } }',
    '#fff? #000',
  ],
  [
    'a.ts',
    'enum Colors { Primary = "#fff", Text = "red" } enum Kind { bg = "#abc" } declare module "x" { export const a: "#add" }',
    '#fff red #abc',
  ],
  [
    'a.vue',
    '<script lang="ts">type A = "#fff"; el.style.color = <any>"#abc"; const f = <T>(x: T) => x; el.style.color="#111"</script>',
    '#abc #111',
  ],
  [
    'a.vue',
    '<script setup lang="tsx">const a = <p style={{color:"red"}}/></script><template><p :style="{color: \'#fff\'}"/></template>',
    'red #fff',
  ],
  [
    'a.vue',
    '<script setup lang="ts" generic="T extends A<B>">defineProps<{ c: "#fff" }>(); el.style.color = "#123"</script>',
    '#123',
  ],
  [
    'a.svelte',
    '<script lang="ts" generics="T">type C = "#fff"; const f = <T>(x: T) => x; el.style.color = "#123"</script>',
    '#123',
  ],
  [
    'a.astro',
    '---\ninterface Props { c: "#fff" }\nconst f = <T>(x: T) => x\nconst x = { color: "#abc" }\n---\n<style>a{color:red}</style>',
    '#abc red',
  ],
  ['a.html', '<script type="text/typescript">type A = "#fff"; el.style.color="#abc"</script>', '#abc'],
])

cases('drawings in addresses of a page or a script are read, marks and ids are none', [
  [
    'a.html',
    `<img src="data:image/svg+xml,${drawing}"><object data='data:image/svg+xml,<svg fill="#abc"/>'></object>`,
    '%23fff #abc',
  ],
  ['a.html', `<img src="data:image/svg+xml;base64,${base64}">`, 'red'],
  ['a.js', `const logo = "data:image/svg+xml,${drawing}"`, '%23fff'],
  [
    'a.html',
    '<p data-target="#bad" data-color-target="#bad" data-bg-id="#add" data-fill-ref="#abc" data-color="#fff">x</p>',
    '#fff',
  ],
  ['a.svg', '<svg><use href="#fff"/><rect fill="url(#bad)" marker-end="url(#add)"/></svg>', ''],
])

cases('templates are read by what they hold', [
  ['a.php', 'a{color:<?php echo $c ?>;background:#fff}\n.b{color:red}', '#fff red'],
  [
    'mail/styles.php',
    '<?php $bg = get_option("bg", "#f7f7f7"); ?>\n#wrap { color: <?= $c ?>; }\na { color: #fff; }\n<?php',
    '#f7f7f7 #fff',
  ],
  ['a.liquid', 'a{color:{{ c }};background:#fff}{% javascript %}x.style.color="red"{% endjavascript %}', '#fff red'],
  ['a.hbs', '{{#if x}}.a { color: red }{{/if}} @media print { .b { color: {{c}} } }', 'red'],
  ['a.ejs', '<% for (const c of cs) { %>.c { color: <%= c %>; border-color: tan }<% } %>', 'tan'],
  ['a.blade.php', '@php $color = "#fff"; @endphp <p style="color: {{ $c ?? \'#abc\' }}">{a: 1}</p>', '#fff #abc'],
  ['a.cshtml', '@functions { string color = "#fff"; } <p style="color: @c; background: red">x</p>', '#fff red'],
])

cases('a comment of the markup of a component is one for its code, too', [
  ['a.svelte', "<!-- {'#fff'} { --><i style:color={'#111'}>{c ? '#222' : ''}</i>", '#111 #222'],
  ['a.astro', "---\nconst color = '#111'\n---\n<!-- {a ? '#fff' : ''} --><i style={`color: #222`}/>", '#111 #222'],
  ['a.vue', "<!-- {{ c ? '#fff' : x }} --><i :style=\"{ color: '#111' }\">{{ '#222' }}</i>", '#111 #222?'],
  ['a.liquid', "<!-- {{ '#fff' | default: c }} -->", '#fff?'],
  ['a.vue', "<!-- {{ '#fff'", ''],
])
