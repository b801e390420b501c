import ejs from 'ejs'
import handlebars from 'handlebars'
import { Liquid } from 'liquidjs'
import nunjucks from 'nunjucks'

/** A language of templates as far as generated templates use it, and its own engine. */
export interface TemplateLanguage {
  readonly name: string
  /** The ending of its files. */
  readonly ending: string
  when(flag: string, then: string, otherwise?: string): string
  unless(flag: string, then: string): string
  /** One of two, or nothing. */
  either(flag: string, then: string, other: string, second: string): string
  /** The color that the page gives, or the one in the template. */
  given(color: string): string
  /** Twice, with a number. */
  twice(body: string): string
  /** The number of a round of `twice`. */
  readonly round: string
  /** What prints a number. */
  readonly one: string
  /** @param flags those that are not named are false */
  render(template: string, flags: Readonly<Record<string, boolean>>, given: string | undefined): string
}

const liquid = new Liquid()
const jinja = new nunjucks.Environment(null, { autoescape: false })

/** What was compiled last: the same templates are rendered for one combination of flags after the other. */
const known = new Map<string, handlebars.TemplateDelegate>()

function compiled(template: string): handlebars.TemplateDelegate {
  const before = known.get(template)
  if (before) return before
  if (known.size >= 10) known.clear()
  const made = handlebars.compile(template)
  known.set(template, made)
  return made
}

export const TEMPLATE_LANGUAGES: readonly TemplateLanguage[] = [
  {
    name: 'Liquid',
    ending: 'liquid',
    when: (flag, then, otherwise = '') => `{% if ${flag} %}${then}{% else %}${otherwise}{% endif %}`,
    unless: (flag, then) => `{% unless ${flag} %}${then}{% endunless %}`,
    either: (flag, then, other, second) => `{% if ${flag} %}${then}{% elsif ${other} %}${second}{% endif %}`,
    given: (color) => `{{ given | default: '${color}' }}`,
    twice: (body) => `{% for i in (1..2) %}${body}{% endfor %}`,
    round: '{{ i }}',
    one: '{{ 1 }}',
    render: (template, flags, given) => liquid.parseAndRenderSync(template, { ...flags, given }),
  },
  {
    name: 'EJS',
    ending: 'ejs',
    when: (flag, then, otherwise = '') => `<% if (${flag}) { %>${then}<% } else { %>${otherwise}<% } %>`,
    unless: (flag, then) => `<% if (!${flag}) { %>${then}<% } %>`,
    either: (flag, then, other, second) => `<% if (${flag}) { %>${then}<% } else if (${other}) { %>${second}<% } %>`,
    given: (color) => `<%= given || '${color}' %>`,
    twice: (body) => `<% for (const i of [1, 2]) { %>${body}<% } %>`,
    round: '<%= i %>',
    one: '<%= 1 %>',
    render: (template, flags, given) => ejs.render(template, { ...flags, given }),
  },
  {
    name: 'Handlebars',
    ending: 'hbs',
    when: (flag, then, otherwise = '') => `{{#if ${flag}}}${then}{{else}}${otherwise}{{/if}}`,
    unless: (flag, then) => `{{#unless ${flag}}}${then}{{/unless}}`,
    either: (flag, then, other, second) => `{{#if ${flag}}}${then}{{else if ${other}}}${second}{{/if}}`,
    given: (color) => `{{#if given}}{{given}}{{else}}${color}{{/if}}`,
    twice: (body) => `{{#each rounds}}${body}{{/each}}`,
    round: '{{this}}',
    one: '{{number}}',
    render: (template, flags, given) => compiled(template)({ ...flags, given, number: 1, rounds: [1, 2] }),
  },
  {
    name: 'Nunjucks',
    ending: 'njk',
    when: (flag, then, otherwise = '') => `{% if ${flag} %}${then}{% else %}${otherwise}{% endif %}`,
    unless: (flag, then) => `{% if not ${flag} %}${then}{% endif %}`,
    either: (flag, then, other, second) => `{% if ${flag} %}${then}{% elif ${other} %}${second}{% endif %}`,
    given: (color) => `{{ given or '${color}' }}`,
    twice: (body) => `{% for i in [1, 2] %}${body}{% endfor %}`,
    round: '{{ i }}',
    one: '{{ 1 }}',
    render: (template, flags, given) => jinja.renderString(template, { ...flags, given }),
  },
]

/** A template of six pieces of a page: branches around tags, in tags, between rules, in declarations; defaults; loops; settings in strings. */
export function generateTemplate(language: TemplateLanguage, flags: readonly string[], random: () => number): string {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const byte = () => Math.floor(random() * 256)
  const digits = () =>
    Math.floor(random() * 2 ** 24)
      .toString(16)
      .padStart(6, '0')
  const color = () =>
    pick([
      () => `#${digits()}`,
      () => `rgb(${byte()}, ${byte()}, ${byte()})`,
      () => pick(['red', 'Tan', 'goldenrod', 'NAVY']),
      () => pick(['#ABC', '#fed', '#7a9']),
    ])()
  const { when, unless, either, given, twice, round, one: number } = language
  const kinds: ((flag: string, other: string, one: string, two: string) => string)[] = [
    (flag, _, one, two) => `<p style="color: ${when(flag, one, two)}; margin: 0">x</p>`,
    (flag, _, one, two) => `<div ${when(flag, `style="background:${one}"`, `style='border: 1px solid ${two}'`)}>`,
    (_, __, one) => `<b style="color: ${given(one)}">`,
    (flag, _, one, two) => `<style>.x{color:${one}${when(flag, `;background:${two}`)}\n}</style>`,
    (flag, other, one, two) =>
      [
        '<style>',
        `.x, .y:hover { color: ${one}; background: linear-gradient(${one}, ${two} 40%) }`,
        either(flag, `\n.nav .z { border: 1px solid ${two} }\n`, other, `\n.x { color: ${two} }\n`),
        `.w {\n  ${unless(flag, `fill: ${one};`)}\n  color: ${two};\n}`,
        '</style>',
      ].join('\n'),
    (flag, _, one) => when(flag, `<svg fill="${one}"><path stroke='${one}'/></svg>`),
    () => twice(`<td bgcolor="${pick(['#123456', '#fed', 'teal'])}" class="c${round}">`),
    (_, __, one) => `<script>el.style.color = '${one}'; var n = ${number};</script>`,
  ]
  return Array.from({ length: 6 }, () => pick(kinds)(pick(flags), pick(flags), color(), color())).join('\n')
}
