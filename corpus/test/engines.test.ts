import { readFileSync } from 'node:fs'
import { applyEdits, readSource, rewriteFile } from '@undo-ink/core'
import ejs from 'ejs'
import { Liquid, type TagToken } from 'liquidjs'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../core/test/random.ts'
import { planOfEverything } from '../../core/test/random-plan.ts'
import { combinations } from '../src/branches.ts'
import { siteFiles, textOf } from '../src/files.ts'
import { painted } from '../src/painted.ts'
import { colorsOf, recolored } from '../src/recolor.ts'
import { skeletonOf } from '../src/skeleton.ts'

/**
 * Templates, with the real engines of two languages, for every combination of the template's branches (all up to 64, beyond that every pair):
 * what the rewritten template renders is what the rendered page is when it is recolored; and where parts, gradients, solids, alphas, slips and whole
 * declarations meet, it still renders, nothing but styles differs, and those hold no error that was not there.
 */

type Render = (template: string, taken: ReadonlySet<string>) => string

function agree(
  path: string,
  template: string,
  branches: readonly string[],
  render: Render,
): { pages: number; colors: number } {
  const colors = colorsOf(path, template)
  const rewritten = recolored(path, template, colors)
  let pages = 0
  for (const taken of combinations(branches)) {
    const page = render(template, taken)
    expect(render(rewritten, taken), [...taken].join(' ')).toBe(recolored('page.html', page, colors))
    pages++
  }
  return { pages, colors: colors.size }
}

/** @returns how many edits were written */
function standAfterPlan(
  path: string,
  template: string,
  branches: readonly string[],
  render: Render,
  random: () => number,
): number {
  const source = { path, text: template, encoding: 'utf-8' } as const
  const reading = readSource(source)
  if (reading.occurrences.length === 0) return 0
  const places = reading.occurrences.map((each) => ({ ...each, path }))
  const { edits } = rewriteFile(source, places, planOfEverything(source, reading, random))
  const rewritten = applyEdits(template, edits)
  for (const taken of combinations(branches)) {
    const before = skeletonOf(render(template, taken))
    const after = skeletonOf(render(rewritten, taken))
    expect(after.nodes, rewritten).toEqual(before.nodes)
    expect(after.styleErrors, rewritten).toBeLessThanOrEqual(before.styleErrors)
  }
  return edits.edits.length
}

function say(line: string): void {
  process.stdout.write(`${line}\n`)
}

const liquid = new Liquid({ strictFilters: false, strictVariables: false, jekyllInclude: true })
// What the site's own program adds to the language puts nothing in its place here.
for (const name of ['seo', 'feed_meta', 'include_cached', 'highlight', 'endhighlight', 'link', 'post_url', 'include'])
  liquid.registerTag(name, { parse(_token: TagToken) {}, *render() {} })

/** Data in which each branch that is taken has a value: `site.title` and the like. */
function dataOf(taken: ReadonlySet<string>): Record<string, unknown> {
  const data: Record<string, unknown> = {}
  for (const path of taken) {
    const keys = path.split('.')
    let at = data
    for (const key of keys.slice(0, -1)) {
      if (typeof at[key] !== 'object' || at[key] === null) at[key] = {}
      at = at[key] as Record<string, unknown>
    }
    const last = keys.at(-1) as string
    if (typeof at[last] !== 'object') at[last] = 'x'
  }
  return data
}

function branchesOfLiquid(template: string): string[] {
  const names = new Set<string>()
  for (const [, condition = ''] of template.matchAll(/\{%-?\s*(?:if|elsif|unless)\s+([^%]*)%\}/g))
    for (const [name] of condition.replace(/'[^']*'|"[^"]*"/g, '').matchAll(/\b[a-z_]\w*(?:\.[a-z_][\w-]*)*/gi))
      if (!/^(?:and|or|contains|nil|null|blank|empty|true|false)$/.test(name)) names.add(name)
  return [...names].sort()
}

describe('rewriting a template and rendering it is rendering it and recoloring the page', () => {
  it('Liquid, on the published templates of a theme', () => {
    const total = { files: 0, pages: 0, colors: 0, refused: 0, edits: 0 }
    const random = seeded(7)
    for (const file of siteFiles(/jekyll.*\.html$|_(?:includes|layouts)\/.*\.html$/)) {
      const template = painted(textOf(file)).replace(/^---\n[\s\S]*?\n---\n/, '')
      const branches = branchesOfLiquid(template)
      try {
        liquid.parse(template)
        liquid.parseAndRenderSync(template, dataOf(new Set(branches)))
      } catch {
        total.refused++
        continue
      }
      const render: Render = (text, taken) => liquid.parseAndRenderSync(text, dataOf(taken))
      const found = agree('a.html', template, branches, render)
      for (let plan = 0; plan < PLANS; plan++)
        total.edits += standAfterPlan('a.html', template, branches, render, random)
      total.files++
      total.pages += found.pages
      total.colors += found.colors
    }
    say(
      `Liquid, published: ${total.files} templates in ${total.pages} pages, ${total.colors} colors, ${total.edits} edits of plans in which everything meets; not rendered outside their program: ${total.refused}`,
    )
    expect(total.pages).toBeGreaterThan(100)
    expect(total.colors).toBeGreaterThan(50)
    expect(total.edits).toBeGreaterThan(50)
    expect(total.refused).toBeLessThan(total.files)
  })

  const MAIL =
    'title logo logoHeight intro outro table columns dictionary goToAction action fallback signature textDirection'.split(
      ' ',
    )

  it.each(['default', 'salted', 'neopolitan', 'cerberus'])('EJS, on a published letter: %s', (theme) => {
    const [file] = siteFiles(new RegExp(`themes/${theme}/index\\.html$`))
    if (!file) throw new Error(theme)
    const template = readFileSync(file.path, 'utf8')
    const render: Render = (text, taken) => ejs.render(text, letter(taken))
    const { pages, colors } = agree('a.html', template, MAIL, render)
    const random = seeded(11)
    let edits = 0
    for (let plan = 0; plan < PLANS; plan++) edits += standAfterPlan('a.html', template, MAIL, render, random)
    say(`EJS, ${theme}: ${pages} pages, ${colors} colors, ${edits} edits of plans in which everything meets`)
    expect(edits).toBeGreaterThan(5)
    expect(colors).toBeGreaterThan(5)
  })

  it('Liquid and EJS, on generated templates', () => {
    const random = seeded(20)
    const total = { pages: 0, colors: 0, edits: 0 }
    const forLiquid: Render = (text, taken) =>
      liquid.parseAndRenderSync(text, { ...dataOf(taken), given: taken.has('a') ? '#102030' : undefined })
    const forEjs: Render = (text, taken) => {
      const flags = Object.fromEntries(NAMES.map((name) => [name, taken.has(name)]))
      return ejs.render(text, { ...flags, given: taken.has('a') ? '#102030' : undefined })
    }
    for (let round = 0; round < ROUNDS; round++) {
      const pieces = generate(random)
      const templates = [
        ['a.liquid', pieces.map(({ liquid }) => liquid).join('\n'), forLiquid],
        ['a.ejs', pieces.map(({ ejs }) => ejs).join('\n'), forEjs],
      ] as const
      for (const [path, template, render] of templates) {
        const found = agree(path, template, NAMES, render)
        total.pages += found.pages
        total.colors += found.colors
        for (let plan = 0; plan < PLANS; plan++) total.edits += standAfterPlan(path, template, NAMES, render, random)
      }
    }
    say(
      `Liquid and EJS, generated: ${total.pages} pages, ${total.colors} colors, ${total.edits} edits of plans in which everything meets`,
    )
    expect(total.colors).toBeGreaterThan(100)
    expect(total.edits).toBeGreaterThan(100)
  })
})

const ROUNDS = process.env.VERIFY === 'all' ? 200 : 20
const PLANS = process.env.VERIFY === 'all' ? 8 : 4
const NAMES = ['a', 'b', 'c', 'd']

function letter(taken: ReadonlySet<string>): Record<string, unknown> {
  const has = (name: string) => taken.has(name)
  const only = (name: string, value: unknown) => (has(name) ? { [name]: value } : {})
  const button = [{ color: '#102030', text: 'Go', link: 'x', fallback: has('fallback') ? { text: 'or so' } : null }]
  const columns = has('columns') ? { customWidth: { item: '20%' }, customAlignment: { item: 'right' } } : undefined
  return {
    product: { name: 'Sea', link: 'x', copyright: 'c', ...only('logo', 'l.png'), ...only('logoHeight', '20px') },
    ...only('title', 'Hello'),
    ...only('intro', ['one']),
    ...only('outro', ['two']),
    ...only('table', [{ title: 't', data: [{ item: 'a', price: 'b' }], columns }]),
    ...only('dictionary', { key: 'value' }),
    ...only('goToAction', { link: 'x', text: 'y', description: 'z' }),
    action: has('action') ? [{ instructions: 'do', button }] : [],
    signature: has('signature') ? 'Yours' : '',
    textDirection: has('textDirection') ? 'rtl' : 'ltr',
  }
}

interface Piece {
  readonly liquid: string
  readonly ejs: string
}

/** Some pieces of a page, each in both languages: branches around tags, in tags, in declarations; defaults; loops; settings in strings. */
function generate(random: () => number): Piece[] {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const color = () =>
    pick([
      () =>
        `#${Math.floor(random() * 2 ** 24)
          .toString(16)
          .padStart(6, '0')}`,
      () => `rgb(${Math.floor(random() * 256)}, ${Math.floor(random() * 256)}, ${Math.floor(random() * 256)})`,
      () => pick(['red', 'Tan', 'goldenrod', 'NAVY']),
      () => pick(['#ABC', '#fed', '#7a9']),
    ])()
  const kinds: (() => Piece)[] = [
    () => {
      const [name, one, two] = [pick(NAMES), color(), color()]
      return {
        liquid: `<p style="color: {% if ${name} %}${one}{% else %}${two}{% endif %}; margin: 0">x</p>`,
        ejs: `<p style="color: <% if (${name}) { %>${one}<% } else { %>${two}<% } %>; margin: 0">x</p>`,
      }
    },
    () => {
      const [name, one, two] = [pick(NAMES), color(), color()]
      return {
        liquid: `<div {% if ${name} %}style="background:${one}"{% else %}style='border: 1px solid ${two}'{% endif %}>`,
        ejs: `<div <% if (${name}) { %>style="background:${one}"<% } else { %>style='border: 1px solid ${two}'<% } %>>`,
      }
    },
    () => {
      const one = color()
      return {
        liquid: `<b style="color: {{ given | default: '${one}' }}">`,
        ejs: `<b style="color: <%= given || '${one}' %>">`,
      }
    },
    () => {
      const [name, one, two] = [pick(NAMES), color(), color()]
      return {
        liquid: `<style>.x{color:${one}{% if ${name} %};background:${two}{% endif %}}</style>`,
        ejs: `<style>.x{color:${one}<% if (${name}) { %>;background:${two}<% } %>}</style>`,
      }
    },
    () => {
      const [name, other, one, two] = [pick(NAMES), pick(NAMES), color(), color()]
      const rules = [
        `.x, .y:hover { color: ${one}; background: linear-gradient(${one}, ${two} 40%) }`,
        `.nav .z { border: 1px solid ${two} }`,
        `.x { color: ${two} }`,
        `fill: ${one}`,
      ]
      return {
        liquid: `<style>\n${rules[0]}\n{% if ${name} %}\n${rules[1]}\n{% elsif ${other} %}\n${rules[2]}\n{% endif %}\n.w {\n  {% unless ${name} %}${rules[3]};{% endunless %}\n  color: ${two};\n}\n</style>`,
        ejs: `<style>\n${rules[0]}\n<% if (${name}) { %>\n${rules[1]}\n<% } else if (${other}) { %>\n${rules[2]}\n<% } %>\n.w {\n  <% if (!${name}) { %>${rules[3]};<% } %>\n  color: ${two};\n}\n</style>`,
      }
    },
    () => {
      const [name, one] = [pick(NAMES), color()]
      return {
        liquid: `{% if ${name} %}<svg fill="${one}"><path stroke='${one}'/></svg>{% endif %}`,
        ejs: `<% if (${name}) { %><svg fill="${one}"><path stroke='${one}'/></svg><% } %>`,
      }
    },
    () => {
      const one = pick(['#123456', '#fed', 'teal'])
      return {
        liquid: `{% for i in (1..2) %}<td bgcolor="${one}" class="c{{ i }}">{% endfor %}`,
        ejs: `<% for (const i of [1, 2]) { %><td bgcolor="${one}" class="c<%= i %>"><% } %>`,
      }
    },
    () => {
      const one = color()
      return {
        liquid: `<script>el.style.color = '${one}'; var n = {{ 1 }};</script>`,
        ejs: `<script>el.style.color = '${one}'; var n = <%= 1 %>;</script>`,
      }
    },
  ]
  return Array.from({ length: 6 }, () => pick(kinds)())
}
