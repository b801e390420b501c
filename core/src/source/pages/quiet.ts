import { type Attribute, type StartTag, scanMarkup } from '../scan/markup-scanner.ts'

/** What another host serves. */
const OUTSIDE = /^\s*(?:https?:)?\/\//i

/** Elements whose addresses are fetched, by their attributes. */
const FETCHED: Readonly<Record<string, readonly string[]>> = {
  audio: ['src'],
  base: ['href'],
  body: ['background'],
  feimage: ['href', 'xlink:href'],
  image: ['href', 'xlink:href'],
  img: ['src', 'srcset'],
  input: ['src'],
  link: ['href'],
  source: ['src', 'srcset'],
  table: ['background'],
  td: ['background'],
  track: ['src'],
  use: ['href', 'xlink:href'],
  video: ['src', 'poster'],
}

/** Those that hold a document of their own. */
const FRAMES: Readonly<Record<string, string>> = { embed: 'src', frame: 'src', iframe: 'src', object: 'data' }

/**
 * A page in which nothing asks for what a visitor here does not get, scripts and what other hosts serve: browsers tell each refusal as an error. Scripts get a type
 * that is none, what names a handler or such an address gets another name. What the page paints stays. Linear.
 */
export function quietPage(text: string): string {
  const added: { readonly at: number; readonly text: string }[] = []
  const styles: { readonly start: number; readonly end: number }[] = []
  const written = ({ value }: Attribute) => (value ? text.slice(value.start, value.end) : '')
  const isRefused = (tag: StartTag, attribute: Attribute) => {
    if (FRAMES[tag.name] === attribute.name) return true
    if (!FETCHED[tag.name]?.includes(attribute.name)) return false
    const value = written(attribute)
    if (attribute.name === 'srcset') return value.split(',').some((each) => OUTSIDE.test(each))
    return OUTSIDE.test(value) || (tag.name === 'link' && isOfScripts(tag, written))
  }
  const handler = {
    startTag(tag: StartTag) {
      if (tag.name === 'script') added.push({ at: tag.start + 1 + tag.name.length, text: ' type="text/plain"' })
      for (const attribute of tag.attributes) {
        if (/^on[a-z]/.test(attribute.name) || isRefused(tag, attribute))
          added.push({ at: attribute.start, text: 'data-' })
        if (attribute.name === 'style' && attribute.value) styles.push(attribute.value)
      }
    },
    rawText(tag: StartTag, start: number, end: number) {
      if (tag.name === 'style') styles.push({ start, end })
    },
    endTag() {},
    text() {},
    comment() {},
    declaration() {},
    isForeign: () => false,
  }
  scanMarkup(text, 0, text.length, handler, false)
  const changes = [
    ...added.map(({ at, text }) => ({ start: at, end: at, text })),
    ...styles.map(({ start, end }) => ({ start, end, text: quietSheet(text.slice(start, end)) })),
  ].toSorted((a, b) => a.start - b.start)
  let quiet = ''
  let at = 0
  for (const change of changes) {
    quiet += text.slice(at, change.start) + change.text
    at = change.end
  }
  return quiet + text.slice(at)
}

/** Whether a link is to what only scripts need. */
function isOfScripts({ attributes }: StartTag, written: (attribute: Attribute) => string): boolean {
  const read = (name: string) =>
    attributes
      .filter((each) => each.name === name)
      .map(written)
      .join(' ')
      .toLowerCase()
  return (
    /\b(?:modulepreload|manifest)\b/.test(read('rel')) ||
    (/\bpreload\b/.test(read('rel')) && /script|fetch/.test(read('as')))
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
