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

/** The state that a pseudo-class stands for. @param name with its colon */
export function pseudoState(name: string): State | null {
  const key = name.toLowerCase()
  return Object.hasOwn(PSEUDO, key) ? (PSEUDO[key] ?? null) : null
}

/** The state that a class name stands for. */
export function classState(name: string): State | null {
  return CLASS.find(([pattern]) => pattern.test(name))?.[1] ?? null
}

/** The state that an attribute selector asks for. */
export function attributeState(name: string, value: string | undefined): State | null {
  if (name === 'aria-current') return 'current'
  if (name === 'open' || (name === 'aria-expanded' && value === 'true')) return 'open'
  return name === 'disabled' ? 'disabled' : null
}
