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
import { generateTemplate, TEMPLATE_LANGUAGES } from '../src/template-languages.ts'

/**
 * Templates, with the real engines of their languages, for every combination of the template's branches (all up to 64, beyond that every pair):
 * what the rewritten template renders is what the rendered page is when it is recolored; and where parts, gradients, solids, alphas, slips and whole
 * declarations meet, it still renders, nothing but styles differs, and those hold no error that was not there.
 */

type Render = (template: string, taken: ReadonlySet<string>) => string

function agree(
  path: string,
  template: string,
  branches: readonly string[],
  render: Render,
): { pages: number; colors: ReadonlySet<string> } {
  const colors = colorsOf(path, template)
  const rewritten = recolored(path, template, colors)
  let pages = 0
  for (const taken of combinations(branches)) {
    const page = render(template, taken)
    expect(render(rewritten, taken), [...taken].join(' ')).toBe(recolored('page.html', page, colors))
    pages++
  }
  return { pages, colors }
}

/** Writes some plans, and looks at each page before and after. @returns how many edits were written */
function standAfterPlans(
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
  const pages = combinations(branches).map((taken) => ({ taken, before: skeletonOf(render(template, taken)) }))
  let written = 0
  for (let plan = 0; plan < PLANS; plan++) {
    const { edits } = rewriteFile(source, places, planOfEverything(source, reading, random))
    const rewritten = applyEdits(template, edits)
    for (const { taken, before } of pages) {
      const after = skeletonOf(render(rewritten, taken))
      expect(after.nodes, rewritten).toEqual(before.nodes)
      expect(after.styleErrors, rewritten).toBeLessThanOrEqual(before.styleErrors)
    }
    written += edits.edits.length
  }
  return written
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
      total.edits += standAfterPlans('a.html', template, branches, render, random)
      total.files++
      total.pages += found.pages
      total.colors += found.colors.size
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
    const edits = standAfterPlans('a.html', template, MAIL, render, random)
    say(`EJS, ${theme}: ${pages} pages, ${colors.size} colors, ${edits} edits of plans in which everything meets`)
    expect(edits).toBeGreaterThan(5)
    expect(colors.size).toBeGreaterThan(5)
  })

  it.each(TEMPLATE_LANGUAGES)('$name, on generated templates', { timeout: 600_000 }, (language) => {
    const random = seeded(20)
    const total = { pages: 0, colors: 0, edits: 0 }
    const render: Render = (text, taken) => {
      const flags = Object.fromEntries(NAMES.map((name) => [name, taken.has(name)]))
      return language.render(text, flags, taken.has('a') ? GIVEN : undefined)
    }
    for (let round = 0; round < ROUNDS; round++) {
      const path = `a.${language.ending}`
      const template = generateTemplate(language, NAMES, random)
      const found = agree(path, template, NAMES, render)
      for (const taken of combinations(NAMES))
        for (const color of colorsOf('page.html', render(template, taken)))
          if (color !== GIVEN) expect(found.colors, template).toContain(color)
      total.pages += found.pages
      total.colors += found.colors.size
      total.edits += standAfterPlans(path, template, NAMES, render, random)
    }
    say(
      `${language.name}, generated: ${total.pages} pages, ${total.colors} colors, ${total.edits} edits of plans in which everything meets`,
    )
    expect(total.colors).toBeGreaterThan(100)
    expect(total.edits).toBeGreaterThan(100)
  })
})

const ROUNDS = process.env.VERIFY === 'all' ? 200 : 20
const PLANS = process.env.VERIFY === 'all' ? 8 : 2
const NAMES = ['a', 'b', 'c', 'd']
/** A color that the page gives. */
const GIVEN = '#102030'

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
