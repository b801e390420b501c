import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5'
import { colorsByTokens, type Hit, isColorText } from './tokens.ts'

/** What a page holds, and which offsets the route cannot see. */
export interface PageColors {
  readonly hits: readonly Hit[]
  isUnseen(offset: number): boolean
}

/** The tags of template languages, by the ending of a path. */
const TAGS: readonly (readonly [RegExp, RegExp])[] = [
  // Its end may stand in a string or a comment, where it is none.
  [
    /\.php$/,
    /<\?(?:php\b|=)(?:\/\*[\s\S]*?\*\/|'(?:[^'\\]|\\[\s\S])*'|"(?:[^"\\]|\\[\s\S])*"|\/\/[^\n?]*|(?!\?>)[\s\S])*(?:\?>|$)/g,
  ],
  [/\.ejs$/, /<%[\s\S]*?%>/g],
  [/\.hbs$/, /\{\{\{[\s\S]*?\}\}\}|\{\{!--[\s\S]*?--\}\}|\{\{[\s\S]*?\}\}/g],
  [/\.html$/, /^---\n[\s\S]*?\n---|\{%[\s\S]*?%\}|\{\{[\s\S]*?\}\}|<%[\s\S]*?%>/g],
]

const PRESENTATION = ['fill', 'stroke', 'stop-color', 'flood-color', 'lighting-color', 'color']
const LEGACY: Readonly<Record<string, readonly string[]>> = {
  bgcolor: ['*'],
  bordercolor: ['*'],
  text: ['body'],
  link: ['body'],
  vlink: ['body'],
  alink: ['body'],
  color: ['font', 'basefont', 'hr'],
}
const METAS = ['theme-color', 'msapplication-tilecolor', 'msapplication-navbutton-color']

/** Third route: the tree of the HTML standard's own parser, its attributes and style elements read by the first route. Knows nothing of our readers. */
export function colorsByPage(path: string, text: string): PageColors {
  const pattern = TAGS.find(([ending]) => ending.test(path))?.[1]
  const unseen: [number, number][] = []
  const hide = (start: number, length: number) => unseen.push([start, start + length])
  const blanked = pattern
    ? text.replace(pattern, (tag, ...rest) => {
        hide(rest.find((each) => typeof each === 'number') as number, tag.length)
        return tag.replace(/[^\n\r]/g, ' ')
      })
    : text
  const hits: Hit[] = []
  const pending: Tree.ChildNode[] = [
    ...parse(blanked, { sourceCodeLocationInfo: true, scriptingEnabled: false }).childNodes,
  ]
  for (let node = pending.pop(); node; node = pending.pop()) {
    if (node.nodeName === '#comment' && node.sourceCodeLocation) {
      const { startOffset, endOffset } = node.sourceCodeLocation
      const inner = /^<!--\[if[^\]]*\]>([\s\S]*)<!\[endif/.exec(blanked.slice(startOffset, endOffset))?.[1]
      // What a conditional comment holds is a page of its own.
      if (inner !== undefined) {
        const origin = blanked.indexOf(inner, startOffset)
        for (const hit of colorsByPage('inner', inner).hits) hits.push({ ...hit, start: origin + hit.start })
      }
    }
    if (!('tagName' in node)) continue
    if ('content' in node) pending.push(...node.content.childNodes)
    pending.push(...node.childNodes)
    const content = node.childNodes[0]?.sourceCodeLocation
    if (node.tagName === 'style' && content)
      put(blanked.slice(content.startOffset, content.endOffset), content.startOffset)
    if (node.tagName === 'script' && content) hide(content.startOffset, content.endOffset - content.startOffset)
    readAttributes(node)
  }
  return { hits, isUnseen: (offset) => unseen.some(([start, end]) => offset >= start && offset < end) }

  function put(css: string, origin: number) {
    for (const { start, raw } of colorsByTokens(css)) hits.push({ start: origin + start, raw })
  }

  function readAttributes(node: Tree.Element) {
    const isDrawn = node.namespaceURI.endsWith('svg')
    for (const [name, at] of Object.entries(node.sourceCodeLocation?.attrs ?? {})) {
      const written = blanked.slice(at.startOffset, at.endOffset)
      const opening = /^[^=]*=\s*["']?/.exec(written)?.[0]
      if (opening === undefined) continue
      const origin = at.startOffset + opening.length
      const value = written.slice(opening.length).replace(/["']$/, '')
      if (name.startsWith('on') || name === 'srcdoc') hide(at.startOffset, written.length)
      // A reference has another length decoded than written: the place could not be told.
      else if (value.includes('&')) hide(at.startOffset, written.length)
      else if (name === 'style') put(value, origin)
      else if (paints(node, name, isDrawn) && isColor(value.trim(), isDrawn)) {
        const start = value.search(/\S/)
        hits.push({ start: origin + start, raw: value.trim() })
      } else if (/^(?:values|from|to|by)$/.test(name) && /^(?:animate|set)$/.test(node.tagName))
        hide(at.startOffset, written.length)
    }
  }
}

function paints(node: Tree.Element, name: string, isDrawn: boolean): boolean {
  if (isDrawn) return PRESENTATION.includes(name)
  const elements = LEGACY[name]
  if (elements) return elements[0] === '*' || elements.includes(node.tagName)
  const meta = node.attrs.find((each) => each.name === 'name')?.value.toLowerCase() ?? ''
  return node.tagName === 'meta' && name === 'content' && METAS.includes(meta)
}

function isColor(value: string, isDrawn: boolean): boolean {
  return value !== '' && (isColorText(value) || (!isDrawn && /^[\da-f]{6}$/i.test(value)))
}
