import { selectorSpecificity } from '@csstools/selector-specificity'
import parser, { type Node, type Selector } from 'postcss-selector-parser'
import { type State, stateOf } from './state.ts'

/** One complex selector of a list: whom it paints, in which states, how strong it is. */
export interface SelectorPart {
  /** The selector with its states taken off. */
  readonly subject: string
  /** Sorted, without repetition; empty at rest. */
  readonly states: readonly State[]
  /** Selectors 4 §17: ids, classes, types. */
  readonly specificity: readonly [number, number, number]
}

/** Reads a selector list; null when it is not one. O(length). */
export function readSelector(list: string): readonly SelectorPart[] | null {
  try {
    return parser().astSync(list).nodes.map(readPart)
  } catch {
    return null
  }
}

function readPart(selector: Selector): SelectorPart {
  const { a, b, c } = selectorSpecificity(selector)
  const states = new Set<State>()
  const rest = selector.clone() as Selector
  rest.walk((node: Node) => {
    const state = stateOf(node)
    if (!state) return
    states.add(state)
    // Classes and attributes name the thing as well as its state: they stay in the subject, so that it can be found on the page.
    if (node.type === 'pseudo' && !isInFunction(node)) node.remove()
  })
  const subject = rest.toString().trim().replace(/\s+/g, ' ')
  return { subject: subject === '' ? '*' : subject, states: [...states].toSorted(), specificity: [a, b, c] }
}

/** `:not(:hover)`: taking the inner part off would leave an empty function. */
function isInFunction(node: Node): boolean {
  return node.parent?.parent?.type === 'pseudo'
}
