import { describe, expect, it } from 'vitest'
import { allTo, planOf, rewritten } from './rewritten.ts'

const ROLES = [{ id: 'r', name: 'r', color: '#0b6e74' }]

describe('a rewrite leaves each syntax what it is', () => {
  it.each<[string, string, string]>([
    ['a.html', '<body bgcolor=ffffff text="red">', '<body bgcolor=0b6e74 text="#0b6e74">'],
    ['a.html', '<a style="color:&#35;fff">', '<a style="color:#0b6e74">'],
    ['a.html', `<a onclick="this.style.color='red'">`, `<a onclick="this.style.color='#0b6e74'">`],
    ['a.html', '<meta name=theme-color content="rgb(1, 2, 3)">', '<meta name=theme-color content="rgb(11, 110, 116)">'],
    [
      'a.svg',
      "<svg fill='#FFF'><style><![CDATA[a{fill:RED}]]></style></svg>",
      "<svg fill='#0B6E74'><style><![CDATA[a{fill:#0b6e74}]]></style></svg>",
    ],
    [
      'a.js',
      String.raw`a.style.color = '\x23fff'; b.style.color = "red"`,
      `a.style.color = '#0b6e74'; b.style.color = "#0b6e74"`,
    ],
    [
      'a.js',
      'const a = css`border: 1px solid rgba(1,2,3,${x})`',
      'const a = css`border: 1px solid rgba(11,110,116,${x})`',
    ],
    ['a.json', String.raw`{"bg":"\u0023fff"}`, '{"bg":"#0b6e74"}'],
    ['a.yaml', 'color: red\nbg: "tan"\n', 'color: "#0b6e74"\nbg: "#0b6e74"\n'],
    ['a.yaml', 'color: hsl(1, 2%, 3%)\n', 'color: hsl(183.4, 82.7%, 24.9%)\n'],
    ['a.csv', 'color\r\nred\r\n"rgb(1, 2, 3)"', 'color\r\n#0b6e74\r\n"rgb(11, 110, 116)"'],
    ['a.php', '<p style="color: <?= $c ?: \'#fff\' ?>">', '<p style="color: <?= $c ?: \'#0b6e74\' ?>">'],
    ['functions.php', "<?php x(array('default-color' => 'f1f1f1'));", "<?php x(array('default-color' => '0b6e74'));"],
    [
      'a.liquid',
      '{{ c | default: \'red\' }}{% schema %}{"color":"red"}{% endschema %}',
      '{{ c | default: \'red\' }}{% schema %}{"color":"#0b6e74"}{% endschema %}',
    ],
  ])('%s %s', (path, text, after) =>
    expect(rewritten(path, text, planOf([allTo('r', { path, text })], ROLES)).text).toBe(after),
  )
})
