import { parse as parseCss, walk } from 'css-tree'
import { type DefaultTreeAdapterTypes, parse, parseFragment } from 'parse5'

type Node = DefaultTreeAdapterTypes.Node

/** What of a page no color may change, by two parsers that the product does not use for it. */
export interface Skeleton {
  /** Elements with their attributes, and texts, in their order; without the values of attributes, styles and scripts, which hold colors. */
  readonly nodes: readonly string[]
  /** How many errors there are in the sheets and the style attributes. */
  readonly styleErrors: number
}

export function skeletonOf(page: string): Skeleton {
  const nodes: string[] = []
  let styleErrors = 0
  const visit = (node: Node, parent: string) => {
    if ('tagName' in node) nodes.push(`<${node.tagName} ${node.attrs.map(({ name }) => name).join(' ')}>`)
    if ('attrs' in node)
      for (const { name, value } of node.attrs) if (name === 'style') styleErrors += errorsIn(value, 'declarationList')
    if (node.nodeName === '#text' && 'value' in node) {
      if (parent === 'style') styleErrors += errorsIn(node.value, 'stylesheet')
      else if (parent !== 'script') nodes.push(node.value)
    }
    if ('childNodes' in node) for (const child of node.childNodes) visit(child, node.nodeName)
    if ('content' in node) visit(node.content, node.nodeName)
  }
  visit(/<html[\s>]/i.test(page) ? parse(page) : parseFragment(page), '')
  return { nodes, styleErrors }
}

function errorsIn(css: string, context: 'declarationList' | 'stylesheet'): number {
  let errors = 0
  const tree = parseCss(css, { context, onParseError: () => errors++ })
  walk(tree, (node) => {
    if (node.type === 'Raw') errors++
  })
  return errors
}
