/** A state to a visitor; a selector that asks for none paints at rest. */
export const STATES = [
  'checked',
  'current',
  'disabled',
  'focus',
  'hover',
  'open',
  'pressed',
  'stuck',
  'target',
  'visited',
] as const
export type State = (typeof STATES)[number]

/**
 * What a selector asks for that may be a state, as it is written there: `:hover`, `.is-open`, `[aria-expanded=true]` (without quotes). What that is to
 * a visitor is said by `statesOf` alone.
 */
export type Signal = string

/** The signal of what a script does while a page is scrolled past a threshold; no selector asks for it. */
export const SCROLLED: Signal = '@scrolled'

/** Pseudo-classes of Selectors 4 that are states to a visitor. */
const PSEUDO: ReadonlyMap<string, State> = new Map([
  [':active', 'pressed'],
  [':checked', 'checked'],
  [':current', 'current'],
  [':disabled', 'disabled'],
  [':focus', 'focus'],
  [':focus-visible', 'focus'],
  [':focus-within', 'focus'],
  [':hover', 'hover'],
  [':open', 'open'],
  [':popover-open', 'open'],
  [':target', 'target'],
  [':visited', 'visited'],
  [SCROLLED, 'stuck'],
])

/** Classes by which sites mark a state (common practice, no source), and attributes (HTML, WAI-ARIA 1.2). */
const MARKED: readonly (readonly [RegExp, State])[] = [
  [/^\.(?:is-|has-)?(?:stuck|sticky|scrolled|affix(?:ed)?|pinned)$/i, 'stuck'],
  [/^\.(?:is-)?(?:current|active|selected)$|^\.current[-_]/i, 'current'],
  [/^\.(?:is-)?(?:open|opened|expanded)$/i, 'open'],
  [/^\.(?:is-)?disabled$/i, 'disabled'],
  [/^\[aria-current(?:[~|^$*]?=|\])/, 'current'],
  [/^\[open(?:[~|^$*]?=|\])|^\[aria-expanded=true\]$/, 'open'],
  [/^\[disabled(?:[~|^$*]?=|\])/, 'disabled'],
]

/** What was looked up lately: signals are few, and asked for with each place. */
const known = new Map<Signal, State | null>()
const MOST_KNOWN = 20_000

/** The state that a signal stands for; null: none. */
export function stateOf(signal: Signal): State | null {
  let state = known.get(signal)
  if (state === undefined) {
    state = PSEUDO.get(signal) ?? MARKED.find(([pattern]) => pattern.test(signal))?.[1] ?? null
    if (known.size >= MOST_KNOWN) known.clear()
    known.set(signal, state)
  }
  return state
}

const REST: readonly State[] = []

/** The states that some signals stand for together, sorted, without repetition; empty at rest. */
export function statesOf(signals: readonly Signal[]): readonly State[] {
  let states = REST
  for (const signal of signals) {
    const state = stateOf(signal)
    if (state !== null && !states.includes(state)) states = [...states, state]
  }
  return states.length > 1 ? states.toSorted() : states
}
