import type { Node } from 'postcss-selector-parser'

/** A state that a selector asks for; a selector without one paints at rest. */
export type State =
  | 'checked'
  | 'current'
  | 'disabled'
  | 'focus'
  | 'hover'
  | 'open'
  | 'pressed'
  | 'stuck'
  | 'target'
  | 'visited'

/** Pseudo-classes of Selectors 4 that are states to a visitor. */
const PSEUDO: Readonly<Record<string, State>> = {
  ':active': 'pressed',
  ':checked': 'checked',
  ':current': 'current',
  ':disabled': 'disabled',
  ':focus': 'focus',
  ':focus-visible': 'focus',
  ':focus-within': 'focus',
  ':hover': 'hover',
  ':open': 'open',
  ':popover-open': 'open',
  ':target': 'target',
  ':visited': 'visited',
}

/** Class names by which sites mark a state (common practice, no source). */
const CLASS: readonly (readonly [RegExp, State])[] = [
  [/^(?:is-|has-)?(?:stuck|sticky|scrolled|affix(?:ed)?|pinned)$/i, 'stuck'],
  [/^(?:is-)?(?:current|active|selected)$|^current[-_]/i, 'current'],
  [/^(?:is-)?(?:open|opened|expanded)$/i, 'open'],
  [/^(?:is-)?disabled$/i, 'disabled'],
]

/** The state that one simple selector stands for, or null. Words inside `:not()` say what a thing is not. */
export function stateOf(node: Node): State | null {
  if (isNegated(node)) return null
  switch (node.type) {
    case 'pseudo':
      return PSEUDO[node.value.toLowerCase()] ?? null
    case 'class':
      return CLASS.find(([pattern]) => pattern.test(node.value))?.[1] ?? null
    case 'attribute':
      if (node.attribute === 'aria-current') return 'current'
      if (node.attribute === 'open' || (node.attribute === 'aria-expanded' && node.value === 'true')) return 'open'
      return node.attribute === 'disabled' ? 'disabled' : null
    default:
      return null
  }
}

function isNegated(node: Node): boolean {
  for (let up = node.parent; up; up = up.parent as typeof up) {
    if (up.type === 'pseudo' && (up as { value?: string }).value?.toLowerCase() === ':not') return true
  }
  return false
}
