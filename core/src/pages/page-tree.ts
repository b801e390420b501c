import { type AnyNode, type Document, type Element, isTag, type ParentNode } from 'domhandler'
import { parse } from 'parse5'
import { adapter } from 'parse5-htmlparser2-tree-adapter'
import type { Range } from '../text/range.ts'

/** The elements of a page as browsers build them (HTML §13.2), in the order of the document. */
export interface PageTree {
  readonly root: Document
  readonly elements: readonly Element[]
  /** Where each start tag stands in the page's text; elements that no tag begins have none. */
  readonly startTags: readonly (readonly [Range, Element])[]
}

/** Parses a page. @param text decoded */
export function readPage(text: string): PageTree {
  const root = parse(text, { treeAdapter: adapter, sourceCodeLocationInfo: true })
  const elements: Element[] = []
  const startTags: (readonly [Range, Element])[] = []
  for (const node of nodesOf(root)) {
    if (!isTag(node)) continue
    elements.push(node)
    const tag = (node.sourceCodeLocation as TagLocation | null | undefined)?.startTag
    if (tag) startTags.push([{ start: tag.startOffset, end: tag.endOffset }, node])
  }
  return { root, elements, startTags }
}

interface TagLocation {
  readonly startTag?: { readonly startOffset: number; readonly endOffset: number }
}

/** All nodes below one, parents first. Without recursion: hostile pages are deep. */
export function* nodesOf(root: ParentNode): Generator<AnyNode> {
  const pending: AnyNode[] = root.children.toReversed()
  for (let node = pending.pop(); node; node = pending.pop()) {
    yield node
    if ('children' in node)
      for (let i = node.children.length - 1; i >= 0; i--) pending.push(node.children[i] as AnyNode)
  }
}
