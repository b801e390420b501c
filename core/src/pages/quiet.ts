import { decodeHTMLAttribute } from 'entities'
import { ADDRESSES } from '../source/markup/markup-links.ts'
import { type Attribute, scanMarkup } from '../source/scan/markup-scanner.ts'

/** An address on another host, or one that any browser might take for it (URL Standard §4.4). */
const OUTSIDE = /^(?:(?:https?|wss?|ftp):|\/\/)/i

/** An address as the URL parser sees it: references decoded, white space at its beginning and line ends within taken out, `\` as `/`. */
function plain(address: string): string {
  const decoded = address.includes('&') ? decodeHTMLAttribute(address) : address
  // biome-ignore lint/suspicious/noControlCharactersInRegex: what the URL parser takes off
  return decoded.replace(/^[\u0000-\u0020]+|[\t\n\r]+/g, '').replaceAll('\\', '/')
}

/** A longer one leads nowhere that anybody meant. */
const LONGEST_REFRESH = 300

/** A reload, or a way to another page of the copy: nothing in it that any browser might take for another host. */
const STAYS = /^(?!.*\/\/)\s*[\d.]*\s*(?:[;,]?\s*(?:url\s*=\s*)?["']?[\w\-./?=%~+]*["']?\s*)?$/i

/** Elements whose addresses are followed by whoever presses them, not fetched with the page. */
const FOLLOWED = new Set(['a', 'area'])

/** Those that hold a document of their own. */
const FRAMES: Readonly<Record<string, string>> = { embed: 'src', frame: 'src', iframe: 'src', object: 'data' }

/**
 * A page in which nothing asks for what a visitor here does not get, scripts and what other hosts serve: browsers tell each refusal as an error. Scripts get a type
 * that is none, what names a handler or such an address gets another name. What the page paints stays. Linear.
 */
export function quietPage(text: string): string {
  const changes: { readonly start: number; readonly end: number; readonly text: string }[] = []
  const add = (at: number, more: string) => changes.push({ start: at, end: at, text: more })
  const written = ({ value }: Attribute) => (value ? text.slice(value.start, value.end) : '')
  /** What stands in an attribute; it keeps how it is written where nothing in it asks. */
  const within = (attribute: Attribute, switchOff: (text: string) => string) => {
    const inner = unquoted(written(attribute))
    const quiet = switchOff(inner)
    if (attribute.value && quiet !== inner) changes.push({ ...attribute.value, text: quoted(quiet) })
  }
  scanMarkup(
    text,
    0,
    text.length,
    {
      startTag(tag) {
        const said: Said = (name) =>
          tag.attributes.flatMap((each) => (each.name === name ? written(each) : [])).join(' ')
        if (tag.name === 'script') add(tag.start + 1 + tag.name.length, ' type="text/plain"')
        for (const attribute of tag.attributes) {
          if (isRefused(tag.name, attribute.name, written(attribute), said)) add(attribute.start, 'data-')
          if (attribute.name === 'style') within(attribute, quietSheet)
          // A page within the page.
          if (attribute.name === 'srcdoc') within(attribute, quietPage)
        }
      },
      rawText(tag, start, end) {
        if (tag.name === 'style') changes.push({ start, end, text: quietSheet(text.slice(start, end)) })
      },
      endTag() {},
      text() {},
      comment() {},
      declaration() {},
      isForeign: () => false,
    },
    false,
  )
  let quiet = ''
  let at = 0
  for (const change of changes.toSorted((a, b) => a.start - b.start)) {
    quiet += text.slice(at, change.start) + change.text
    at = change.end
  }
  return quiet + text.slice(at)
}

const QUOTES: Readonly<Record<string, string>> = {
  '&quot;': '"',
  '&#34;': '"',
  '&#39;': "'",
  '&lt;': '<',
  '&gt;': '>',
  '&amp;': '&',
}

/** A page that stands in an attribute, as far as its tags need it: other references are the same in either. */
function unquoted(value: string): string {
  return value.replace(/&(?:quot|#34|#39|lt|gt|amp);/g, (each) => QUOTES[each] ?? each)
}

function quoted(page: string): string {
  return page.replace(/[&"']/g, (each) => (each === '&' ? '&amp;' : each === '"' ? '&quot;' : '&#39;'))
}

/** What the attributes of a tag say that are called so. */
type Said = (name: string) => string

function isRefused(tag: string, name: string, value: string, said: Said): boolean {
  if (/^on[a-z]/.test(name) || FRAMES[tag] === name) return true
  if (tag === 'meta') return isPolicy(name, said)
  if (!isFetched(tag, name)) return false
  if (name === 'srcset') return value.split(',').some((each) => OUTSIDE.test(plain(each)))
  return OUTSIDE.test(plain(value)) || (tag === 'link' && isOfScripts(said))
}

function isFetched(tag: string, name: string): boolean {
  if (tag === 'link' || tag === 'base') return name === 'href'
  return !FOLLOWED.has(tag) && (ADDRESSES[tag]?.includes(name) ?? false)
}

/** Whether it is what a page says of itself that would keep our agent from running, who asks from being known, or lead out. */
function isPolicy(name: string, said: Said): boolean {
  if (name === 'name') return /\breferrer\b/i.test(said('name'))
  if (name !== 'http-equiv') return false
  const what = plain(said(name))
  if (/refresh/i.test(what)) return said('content').length > LONGEST_REFRESH || !STAYS.test(said('content'))
  return /content-security-policy|dns-prefetch/i.test(what)
}

/** Whether a link is to what only scripts need. */
function isOfScripts(said: Said): boolean {
  const rel = said('rel')
  return (
    /\b(?:modulepreload|manifest)\b/i.test(rel) ||
    (/\bpreload\b/i.test(rel) && !/style|font|image|audio|video|track/i.test(said('as')))
  )
}

/** How an address on another host begins. All that follows is looked at up to some length: hostile sheets cost no time. */
const ADDRESS = String.raw`(?:https?:)?\/\/`
const IMPORTED = new RegExp(
  String.raw`@import\s{1,9}(?:url\(\s{0,9})?(?:"\s{0,9}${ADDRESS}[^"]{0,2000}"|'\s{0,9}${ADDRESS}[^']{0,2000}'|${ADDRESS}[^)\s"']{0,2000})\s{0,9}\)?[^;{}]{0,500};?`,
  'gi',
)
const FETCHED_BY_SHEET = new RegExp(
  String.raw`url\(\s{0,9}(?:"\s{0,9}${ADDRESS}[^"]{0,2000}"|'\s{0,9}${ADDRESS}[^']{0,2000}'|${ADDRESS}[^)\s"']{0,2000})\s{0,9}\)`,
  'gi',
)

/** A sheet that asks for nothing that other hosts serve. Linear. */
export function quietSheet(text: string): string {
  return text.replace(IMPORTED, '').replace(FETCHED_BY_SHEET, 'url()')
}
