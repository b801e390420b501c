import {
  type ComplexSelector,
  type Compound,
  parseSelectorList,
  type SimpleSelector,
  type Specificity,
} from './parse.ts'
import { type Signal, stateOf } from './state.ts'

/** Whom one selector of a list paints, what it asks for, how strong it is. */
export interface SelectorFacts {
  /** The selector with the pseudo-classes taken off that are states; combinators with one blank on each side. */
  readonly subject: string
  /** Sorted, without repetition. */
  readonly signals: readonly Signal[]
  readonly specificity: Specificity
}

/** What the selectors of a list say, in its order; null where it is none. Linear. */
export function readSelectors(list: string): readonly SelectorFacts[] | null {
  return (
    parseSelectorList(list)?.map((selector) => ({
      subject: subjectOf(selector),
      signals: [...new Set(signalsIn([selector]))].sort(),
      specificity: selector.specificity,
    })) ?? null
  )
}

/** The selectors of a list, as they are written; the whole of what cannot be read. */
export function splitList(list: string): string[] {
  return parseSelectorList(list)?.map(({ text }) => text) ?? [list.trim()]
}

/** A selector with the pseudo-classes taken off that are states. Classes and attributes name the thing as well as its state: they stay, so that it can be found on a page. */
export function subjectOf({ compounds }: ComplexSelector): string {
  return compounds
    .map(({ combinator, simple }) => before(combinator) + (textOf(simple.filter((each) => !isState(each))) || '*'))
    .join('')
    .trim()
}

function before(combinator: Compound['combinator']): string {
  return combinator === null || combinator === ' ' ? (combinator ?? '') : ` ${combinator} `
}

function isState({ kind, text }: SimpleSelector): boolean {
  return kind === 'pseudo-class' && stateOf(text.toLowerCase()) !== null
}

/** Simple selectors as written, one behind the other. */
export function textOf(simple: readonly SimpleSelector[]): string {
  let text = ''
  for (const each of simple) text += each.text
  return text
}

/** Pseudo-classes that say where a thing stands, or what it is, rather than how it is at the moment. */
const STRUCTURAL =
  /^(?:nth-.*|(?:first|last|only)-(?:child|of-type)|root|empty|scope|host|host-context|is|where|has|matches|(?:-\w+-)?any|lang|dir|defined)$/

/** What selectors ask for, in brackets too; words within `:not()` say what a thing is not. */
function* signalsIn(list: readonly ComplexSelector[]): Generator<Signal> {
  for (const { compounds } of list)
    for (const { simple } of compounds)
      for (const { kind, name, text, value, list: inner } of simple) {
        if (name === 'not') continue
        if (kind === 'class') yield `.${name}`
        else if (kind === 'attribute') yield value === null ? `[${name}]` : `[${name}${operatorIn(text)}${value}]`
        else if (kind === 'pseudo-class' && !STRUCTURAL.test(name)) yield `:${name}`
        if (inner.length > 0) yield* signalsIn(inner)
      }
}

function operatorIn(attribute: string): string {
  return /[~|^$*]?=/.exec(attribute)?.[0] ?? '='
}
