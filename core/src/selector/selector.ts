import { selectorSpecificity } from '@csstools/selector-specificity'
import parser, { type Node, type Selector } from 'postcss-selector-parser'
import type { SelectorPart } from './part.ts'
import { readPlainSelector } from './plain-selector.ts'
import { attributeState, classState, pseudoState, type State } from './state.ts'

/** Reads a selector list; null when it is not one. O(length). */
export function readSelector(list: string): readonly SelectorPart[] | null {
  return readPlainSelector(list) ?? parseSelector(list)
}

/** As above, by a parser that knows all of Selectors 4. */
export function parseSelector(list: string): readonly SelectorPart[] | null {
  try {
    return parser().astSync(list).nodes.map(readPart)
  } catch {
    return null
  }
}

/** Takes its states off the selector that it is given. */
function readPart(selector: Selector): SelectorPart {
  const { a, b, c } = selectorSpecificity(selector)
  const states = new Set<State>()
  selector.walk((node: Node) => {
    const state = stateOf(node)
    if (!state) return
    states.add(state)
    // Classes and attributes name the thing as well as its state: they stay in the subject, so that it can be found on the page.
    if (node.type === 'pseudo' && !isInFunction(node)) node.remove()
  })
  const subject = selector.toString().trim().replace(/\s+/g, ' ')
  return { subject: subject === '' ? '*' : subject, states: [...states].toSorted(), specificity: [a, b, c] }
}

/** The state that one simple selector stands for, or null. Words inside `:not()` say what a thing is not. */
function stateOf(node: Node): State | null {
  if (isNegated(node)) return null
  if (node.type === 'pseudo') return pseudoState(node.value)
  if (node.type === 'class') return classState(node.value)
  return node.type === 'attribute' ? attributeState(node.attribute, node.value) : null
}

function isNegated(node: Node): boolean {
  for (let up = node.parent; up; up = up.parent as typeof up) {
    if (up.type === 'pseudo' && (up as { value?: string }).value?.toLowerCase() === ':not') return true
  }
  return false
}

/** `:not(:hover)`: taking the inner part off would leave an empty function. */
function isInFunction(node: Node): boolean {
  return node.parent?.parent?.type === 'pseudo'
}
