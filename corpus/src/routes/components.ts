import { parse as parseAstro } from '@astrojs/compiler/sync'
import type { Node as AstroNode } from '@astrojs/compiler/types'
import { parse as parseVue, type SFCBlock } from '@vue/compiler-sfc'
import { parse as parseSvelte } from 'svelte/compiler'
import ts from 'typescript'
import { colorsByTokens, type Hit, isColorText } from './tokens.ts'

/** What a source of a component holds: the colors that are all of a text or stand in its styles, and where else a color may stand. */
export interface CodeColors {
  readonly hits: readonly Hit[]
  /** Offsets of texts that the program takes for values: strings and templates, and no type, name or comment. */
  readonly texts: readonly (readonly [start: number, end: number])[]
}

/**
 * Fourth route: TypeScript by its own compiler, and components by those of their frameworks; their styles by the first route. Knows nothing of
 * our readers. Words are no hits in code: only who knows the program can say whether `red` is a color there.
 * @throws where the compiler refuses the source
 */
export function colorsByCompiler(path: string, text: string): CodeColors {
  const found: Found = { hits: [], texts: [] }
  if (path.endsWith('.vue')) readVue(text, found)
  else if (path.endsWith('.svelte')) readSvelte(text, found)
  else if (path.endsWith('.astro')) readAstro(text, found)
  else readCode(text, 0, path.endsWith('.tsx'), found)
  return found
}

interface Found {
  readonly hits: Hit[]
  readonly texts: [number, number][]
}

function readCode(code: string, origin: number, jsx: boolean, found: Found): void {
  const kind = jsx ? ts.ScriptKind.TSX : ts.ScriptKind.TS
  const pending: ts.Node[] = [ts.createSourceFile('a.tsx', code, ts.ScriptTarget.ESNext, true, kind)]
  for (let node = pending.pop(); node; node = pending.pop()) {
    if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isImportDeclaration(node)) continue
    if (ts.isStringLiteralLike(node) && isCompared(node))
      found.texts.push([origin + node.getStart(), origin + node.end])
    else if (ts.isStringLiteralLike(node)) putText(node.text, code, node.getStart(), node.end, origin, found)
    else if (ts.isTemplateLiteralToken(node)) found.texts.push([origin + node.getStart(), origin + node.end])
    node.forEachChild((child) => {
      // A name in quotes is no value.
      if (!(ts.isPropertyAssignment(node) && child === node.name)) pending.push(child)
    })
  }
}

/** What a program only compares with is not painted: no hit. */
function isCompared({ parent }: ts.Node): boolean {
  return (ts.isBinaryExpression(parent) && /^[!=]==?$/.test(parent.operatorToken.getText())) || ts.isCaseClause(parent)
}

/** @param end behind the closing quote */
function putText(value: string, code: string, start: number, end: number, origin: number, found: Found): void {
  found.texts.push([origin + start, origin + end])
  if (code.slice(start + 1, end - 1) === value && /^#|\(/.test(value) && isColorText(value))
    found.hits.push({ start: origin + start + 1, raw: value })
}

/** @param lang of a preprocessor, whose comments the tokens of CSS do not know */
function readStyle(css: string, origin: number, lang: string | undefined, found: Found): void {
  const plain = lang === undefined ? css : css.replace(/(^|[^:])\/\/.*/g, (all) => all.replace(/[^\n]/g, ' '))
  for (const { start, raw } of colorsByTokens(plain)) found.hits.push({ start: origin + start, raw })
}

function readVue(text: string, found: Found): void {
  const { descriptor, errors } = parseVue(text)
  if (errors[0]) throw errors[0]
  const from = (block: SFCBlock) => block.loc.start.offset
  for (const script of [descriptor.script, descriptor.scriptSetup])
    if (script) readCode(script.content, from(script), script.lang === 'tsx' || script.lang === undefined, found)
  for (const style of descriptor.styles) readStyle(style.content, from(style), style.lang, found)
  walk(descriptor.template?.ast, (node) => {
    const { type, name, value, exp } = node as VueNode
    if (type === ATTRIBUTE && value) {
      const start = value.loc.start.offset + 1
      if (name === 'style') readStyle(value.content, start, undefined, found)
      else if (/^(?:fill|stroke|stop-color)$/.test(name ?? '') && isColorText(value.content))
        found.hits.push({ start, raw: value.content })
    }
    if (type === DIRECTIVE && exp) readCode(exp.loc.source, exp.loc.start.offset, false, found)
    return true
  })
}

/** Kinds of nodes of its templates. */
const [ATTRIBUTE, DIRECTIVE] = [6, 7]

interface VueNode {
  readonly type?: number
  readonly name?: string
  readonly value?: { readonly content: string; readonly loc: { readonly start: { readonly offset: number } } }
  readonly exp?: { readonly loc: { readonly source: string; readonly start: { readonly offset: number } } }
}

function readSvelte(text: string, found: Found): void {
  const root = parseSvelte(text, { modern: true })
  if (root.css) readStyle(root.css.content.styles, root.css.content.start, undefined, found)
  walk([root.module, root.instance, root.fragment], (node) => {
    const { type, start, end, value, name } = node as unknown as SvelteNode
    if (type?.startsWith('TS') && !/^TS(?:As|NonNull|Satisfies)/.test(type)) return false
    if (type === 'Literal' && typeof value === 'string') putText(value, text, start, end, 0, found)
    if (type === 'TemplateElement') found.texts.push([start, end])
    if (type === 'Attribute' && name === 'style' && Array.isArray(value))
      for (const part of value as SvelteNode[])
        if (part.type === 'Text') readStyle(text.slice(part.start, part.end), part.start, undefined, found)
    return true
  })
}

interface SvelteNode {
  readonly type: string
  readonly start: number
  readonly end: number
  readonly name?: string
  readonly value?: unknown
}

function readAstro(text: string, found: Found): void {
  const bytes = new TextEncoder().encode(text)
  // Its places are those of the bytes.
  const at = (offset: number) => new TextDecoder('utf-8', { ignoreBOM: true }).decode(bytes.subarray(0, offset)).length
  const pending: AstroNode[] = [parseAstro(text, {}).ast]
  for (let node = pending.pop(); node; node = pending.pop()) {
    const start = at(node.position?.start.offset ?? 0)
    if (node.type === 'frontmatter') readCode(node.value, text.indexOf(node.value, start), false, found)
    if ('attributes' in node)
      for (const { kind, name, raw, value, position } of node.attributes) {
        const from = at(position?.start.offset ?? 0)
        if (kind === 'quoted' && name === 'style') readStyle(value, text.indexOf(value, from), undefined, found)
        if (kind === 'quoted') continue
        found.texts.push([from, from + name.length + (raw ?? value).length + 4])
      }
    if (!('children' in node)) continue
    const [inner] = node.children
    if (node.type === 'element' && inner?.type === 'text' && /^(?:style|script)$/.test(node.name)) {
      const from = text.indexOf(inner.value, start)
      const lang = node.attributes.find(({ name }) => name === 'lang')?.value
      if (node.name === 'style') readStyle(inner.value, from, lang, found)
      else readCode(inner.value, from, false, found)
    } else pending.push(...node.children)
  }
}

type TreeNode = Readonly<Record<string, unknown>>

/** Every object of a tree, from the root; what `visit` says no to is not entered. */
function walk(root: unknown, visit: (node: TreeNode) => boolean): void {
  const seen = new Set<unknown>()
  const pending = [root]
  while (pending.length > 0) {
    const next = pending.pop()
    if (typeof next !== 'object' || next === null || seen.has(next)) continue
    seen.add(next)
    if (Array.isArray(next)) pending.push(...next)
    else if (visit(next as TreeNode)) pending.push(...Object.values(next))
  }
}
