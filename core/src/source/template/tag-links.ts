import type { Range } from '../../text/range.ts'
import { type LinkFacts, plainLink } from '../source-link.ts'
import type { TagString } from './tag-strings.ts'
import type { Tag } from './tags.ts'

type PlacedLink = LinkFacts & Range

/** How template languages put one file into another; the name is the first group that matched, or the second. */
const PARTIALS: readonly (readonly [RegExp, 'partial' | 'layout'])[] = [
  // PHP: `include 'a.php'`, `require_once __DIR__ . '/a.php'`.
  [/\b(?:include|require)(?:_once)?\b[^;'"]{0,80}["']([^"'\n]+\.(?:php|phtml|inc|html?))["']/g, 'partial'],
  // Liquid, Twig, Nunjucks, EJS, ERB: a word and a quoted name.
  [
    /\b(?:include|render|section|sections|partial|embed|import|from|use|component)\s*\(?\s*(?:partial:\s*)?["']([^"'\n]+)["']/g,
    'partial',
  ],
  [/\b(?:extends|layout)\s*\(?\s*["']([^"'\n]+)["']/g, 'layout'],
  // Jekyll: `include a.html`.
  [/^-?\s*include(?:_relative)?\s+([\w./-]+\.\w+)/g, 'partial'],
  // JSP: `@ include file="a.jsp"`.
  [/^@?\s*include\s+file\s*=\s*["']([^"'\n]+)["']/g, 'partial'],
]

/** Handlebars and Mustache: `{{> a}}`, `{{#> a}}`, and `{{!< a}}` for the template around. */
const MUSTACHE = /^\{\{\{?[#~]*([>!]<?)\s*["']?([\w./-]+)/

/** Functions of themes in PHP that put a file in their place, by the name that they give it (common practice, no source). */
const THEME =
  /\b(get_header|get_footer|get_sidebar|get_template_part)\s*\(\s*(?:["']([^"'\n]*)["'](?:\s*,\s*["']([^"'\n]*)["'])?)?\s*\)/g

const FILE = /^[^\s<>(){}*?"']{1,190}\.(css|scss|less|m?js|png|jpe?g|gif|svg|webp|avif|webmanifest)(?:[?#]\S*)?$/i

/** The files that a template tag names: what it puts in its place, the template around, sheets, scripts and images. */
export function linksOfTag(text: string, tag: Tag, strings: readonly TagString[]): PlacedLink[] {
  const { start, end, code, kind } = tag
  const mustache = MUSTACHE.exec(text.slice(start, Math.min(end, start + 120)))
  if (mustache?.[2] && (mustache[1] === '>' || mustache[1] === '!<')) {
    const at = start + mustache[0].length - mustache[2].length
    return [
      {
        ...plainLink(mustache[1] === '>' ? 'partial' : 'layout', mustache[2]),
        start: at,
        end: at + mustache[2].length,
      },
    ]
  }
  if (kind === 'comment') return []
  const written = text.slice(code.start, code.end)
  if (kind === 'yaml') return layoutOf(written, code.start)
  const found: PlacedLink[] = []
  const put = (facts: LinkFacts, at: number, length: number) => found.push({ ...facts, start: at, end: at + length })
  for (const [pattern, kindOfLink] of PARTIALS)
    for (const match of written.matchAll(pattern)) {
      const name = match[1] ?? ''
      if (
        found.some(
          (each) => each.target === name && each.start === code.start + match.index + match[0].lastIndexOf(name),
        )
      )
        continue
      put(plainLink(kindOfLink, name), code.start + match.index + match[0].lastIndexOf(name), name.length)
    }
  for (const match of written.matchAll(THEME)) {
    const [whole, call = '', name, variant] = match
    const base = call === 'get_template_part' ? (name ?? '') : call.slice('get_'.length)
    const suffix = call === 'get_template_part' ? variant : name
    put(plainLink('partial', `${base}${suffix ? `-${suffix}` : ''}.php`), code.start + match.index, whole.length)
  }
  for (const string of strings) {
    const value = text.slice(string.start, string.end)
    const ending = FILE.exec(value)?.[1]?.toLowerCase()
    if (ending === undefined || found.some((each) => each.start === string.start)) continue
    const kindOfFile = /^(?:css|scss|less)$/.test(ending) ? 'sheet' : /^m?js$/.test(ending) ? 'script' : 'asset'
    put(plainLink(kindOfFile, value), string.start, value.length)
  }
  return found
}

/** `layout: default` of front matter. */
function layoutOf(written: string, origin: number): PlacedLink[] {
  const match = /^layout:[ \t]*["']?([\w./-]+)/m.exec(written)
  if (!match?.[1] || /^(?:none|null|false)$/.test(match[1])) return []
  const start = origin + match.index + match[0].length - match[1].length
  return [{ ...plainLink('layout', match[1]), start, end: start + match[1].length }]
}
