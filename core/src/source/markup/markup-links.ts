import type { Embedded } from '../embedded.ts'
import type { StartTag } from '../scan/markup-scanner.ts'
import { decodedText } from '../scan/references.ts'
import { asset, type LinkFacts, plainLink } from '../source-link.ts'

/** Attributes that name a file, by element; `*`: on any. */
export const ADDRESSES: Readonly<Record<string, readonly string[]>> = {
  a: ['href'],
  area: ['href'],
  audio: ['src'],
  body: ['background'],
  embed: ['src'],
  feimage: ['href', 'xlink:href'],
  frame: ['src'],
  iframe: ['src'],
  image: ['href', 'xlink:href'],
  img: ['src', 'srcset', 'data-src', 'data-srcset'],
  input: ['src'],
  object: ['data'],
  source: ['src', 'srcset'],
  table: ['background'],
  td: ['background'],
  track: ['src'],
  use: ['href', 'xlink:href'],
  video: ['src', 'poster'],
}

type PlacedLink = LinkFacts & { readonly start: number; readonly end: number }

/** The files that a start tag names. @param condition of the conditional comment around it */
export function linksOf(at: Embedded, tag: StartTag, condition: string | null): PlacedLink[] {
  const name = tag.name.toLowerCase()
  const find = (wanted: string) => {
    const value = tag.attributes.find((attribute) => attribute.name === wanted)?.value
    if (!value) return null
    const text = decodedText(at, value.start, value.end).text.trim()
    return text === '' ? null : { ...value, text }
  }
  const link = (facts: (target: string) => LinkFacts, found: ReturnType<typeof find>): PlacedLink[] =>
    found ? [{ ...facts(found.text), condition, start: found.start, end: found.end }] : []

  switch (name) {
    case 'link': {
      const rel = find('rel')?.text.toLowerCase().split(/\s+/) ?? []
      const type = find('type')?.text.toLowerCase() ?? 'text/css'
      if (!rel.includes('stylesheet') || type !== 'text/css') return link(asset, find('href'))
      const isDisabled = tag.attributes.some((attribute) => attribute.name === 'disabled')
      const applies = isDisabled ? 'disabled' : rel.includes('alternate') ? 'alternate' : 'always'
      const media = find('media')?.text ?? null
      return link((target) => ({ ...plainLink('sheet', target), media, applies }), find('href'))
    }
    case 'base':
      return link((target) => plainLink('base', target), find('href'))
    case 'script':
      return link((target) => plainLink('script', target), find('src') ?? find('href') ?? find('xlink:href'))
    case 'jsp:include':
      return link((target) => plainLink('partial', target), find('page'))
  }
  const found = (ADDRESSES[name] ?? []).map(find).filter((each) => each !== null)
  return found.flatMap((each) =>
    each.text.includes(',') || /\s\d/.test(each.text) ? candidates(each, condition) : link(asset, each),
  )
}

/** The images of a `srcset`. */
function candidates({ text, start, end }: { text: string; start: number; end: number }, condition: string | null) {
  return text
    .split(/,\s+|,(?=\S+\s)/)
    .map((each) => each.trim().split(/\s+/)[0] ?? '')
    .filter((each) => each !== '')
    .map((target) => ({ ...asset(target), condition, start, end }))
}
