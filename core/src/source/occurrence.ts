import type { ChannelFunction, Notation } from '../color/literal.ts'
import type { Signal } from '../selector/state.ts'
import type { Finding } from '../text/finding.ts'
import type { Range } from '../text/range.ts'
import type { Behavior } from './behavior.ts'
import type { Place } from './place.ts'
import type { SourceLink } from './source-link.ts'

/** What an occurrence paints. `variable`: the value of a variable that paints several things, or nothing that is known. */
export const USES = ['text', 'ground', 'line', 'fill', 'stroke', 'shadow', 'variable', 'other'] as const
export type Use = (typeof USES)[number]

/**
 * By what a text was taken for a color where no language of colors says so. `style`: a script or a settings file sets a property of a style; `canvas`: a
 * script paints with it; `attribute`: a script or a component's tag sets an attribute of that name; `css-text`, `markup-text`: it stands in CSS or
 * markup within a string; `color-table`: a list of nothing else; `named`: what holds it is named like a color; `whole-value`: it is all of a value, and nothing more is known.
 */
export const EVIDENCES = [
  'style',
  'canvas',
  'attribute',
  'css-text',
  'markup-text',
  'color-table',
  'named',
  'whole-value',
] as const
export type Evidence = (typeof EVIDENCES)[number]

/** Where a color stands: everything that a decision or a reader of the ledger may ask about its place. */
export interface Context {
  readonly property: string
  readonly use: Use
  /** The selector list as it applies, nesting resolved, or the element of a style attribute; null outside rules. */
  readonly selector: string | null
  /** Subject of each selector of the list, in its order, without repetition. */
  readonly subjects: readonly string[]
  /** What any selector of the list asks for that may be a state, sorted; `statesOf` says which states that is. */
  readonly signals: readonly Signal[]
  /** The strongest of the list; null where there is no selector (a style attribute wins over all). */
  readonly specificity: readonly [number, number, number] | null
  /** From the outermost in: `@media (max-width: 40em)`. */
  readonly atRules: readonly string[]
  /** First line of the comment under which the rule stands. */
  readonly heading: string | null
  readonly important: boolean
  /** The custom property or preprocessor variable that the value defines, with its sigil. */
  readonly variable: string | null
  /** The `opacity` that the same rule declares, 0 to 1; null where it declares none, or none that is written out. */
  readonly opacity: number | null
  /** Whether the place takes a written-out color only, and no `var()`: a meta element, a manifest, `bgcolor`, a canvas. */
  readonly literalOnly: boolean
  /** null: the language of the place says what a color is. */
  readonly evidence: Evidence | null
}

/** What is the same for all places of a rule: tables and documents tell it once. */
export const OF_RULE = [
  'selector',
  'subjects',
  'signals',
  'specificity',
  'atRules',
  'heading',
  'literalOnly',
  'evidence',
] as const satisfies readonly (keyof Context)[]

/** What a rule and what stands around it give to its declarations. */
export interface OuterContext extends Pick<Context, (typeof OF_RULE)[number]> {
  /** No more is sure about anything in it. */
  readonly confidence: Confidence
}

export const OUTSIDE_RULES: OuterContext = {
  selector: null,
  subjects: [],
  signals: [],
  specificity: null,
  atRules: [],
  heading: null,
  literalOnly: false,
  evidence: null,
  confidence: 'certain',
}

/** How sure it is that a text is a color: `certain` where the language says so, else by the evidence of its place. */
export const CONFIDENCES = ['possible', 'likely', 'certain'] as const
export type Confidence = (typeof CONFIDENCES)[number]

/** The less sure of two. */
export function lessSure(a: Confidence, b: Confidence): Confidence {
  return CONFIDENCES.indexOf(a) < CONFIDENCES.indexOf(b) ? a : b
}

/** How the drawing that holds a literal is written in its file: its range is then that of the text as encoded, or of the whole payload. */
export type Inner =
  /** No drawing, but a value of YAML without quotes: a new one gets them where it needs them. */
  | { readonly encoding: 'plain-scalar' }
  | { readonly encoding: 'percent' }
  /** `range` of the literal within the decoded payload; the occurrence's own range is the payload's. */
  | { readonly encoding: 'base64'; readonly range: Range }

/** One hard-coded color literal. Law: `text.slice(range.start, range.end) === raw`, or that of the decoded payload at `inner.range`. */
export interface Occurrence extends Place, Context {
  readonly notation: Notation
  /** The color's opaque key, see color/color.ts. */
  readonly color: string
  /** 0 to 1; null: a variable, known only where it is used. */
  readonly alpha: number | null
  /** The functions around it, outermost first: `linear-gradient`, `var`, ... */
  readonly functions: readonly string[]
  /** The innermost function around it that makes another color of it: `darken`, `color-mix`, ... */
  readonly computedWith: string | null
  readonly confidence: Confidence
  /** Whether it is all of its value, white space and `!important` aside. */
  readonly isWhole: boolean
  readonly inner: Inner | null
}

/** What gives `currentColor` its color: the nearest element around it that sets one itself. */
export interface ColorSource {
  /** Described as a selector would: `svg.icon`. */
  readonly element: string
  /** Where it sets it; null: nothing in the text around does, so the rules that reach this element decide. */
  readonly range: Range | null
}

/** `transparent`, `currentColor` or a system color: no hard-coded color, listed apart. */
export interface Keyword extends Place, Context {
  /** In lower case. */
  readonly keyword: string
  /** Of a `currentcolor` in the attributes of an element; null for all others. */
  readonly source: ColorSource | null
}

/** A color that is made of variables where it stands: no literal in it, so nothing to rewrite. */
export interface Computed extends Place, Context {
  /** The function that makes it, in lower case. */
  readonly computedBy: string
}

/** A place that defines a variable which carries a color, as a literal or through others. */
export interface Definition extends Place {
  readonly name: string
  readonly selector: string | null
  readonly atRules: readonly string[]
}

/** How a value takes a variable: as it is, as something that a function makes of it, or in brackets, as one of a list or of a sum. */
export type Taken = 'plain' | 'made' | 'listed'

/** A place that takes the value of a variable. */
export interface Reference
  extends Place,
    Pick<Context, 'property' | 'use' | 'selector' | 'subjects' | 'signals' | 'specificity' | 'atRules' | 'important'> {
  readonly name: string
  /** The variable that the value defines: a link of a chain. */
  readonly variable: string | null
  readonly taken: Taken
  /** The color function whose channels the variable is. */
  readonly channelsOf: ChannelFunction | null
}

/** Three numbers in a variable: a color if a color function takes them somewhere. */
export interface ChannelTriple extends Place, Context {}

/** What one file holds, each list in the order of the text. */
export interface Reading {
  readonly occurrences: readonly Occurrence[]
  readonly keywords: readonly Keyword[]
  readonly computed: readonly Computed[]
  readonly definitions: readonly Definition[]
  readonly references: readonly Reference[]
  readonly triples: readonly ChannelTriple[]
  /** Whether it begins a page: it has the element of a document, or of its head or body. */
  readonly isDocument: boolean
  /** By which selectors its root element and its body can be told: `body.home`, `html#top`; in their order, without repetition. */
  readonly roots: readonly string[]
  /** What it loads or names. */
  readonly links: readonly SourceLink[]
  /** What its scripts do to colors and classes while a visitor scrolls, clicks or points. */
  readonly behaviors: readonly Behavior[]
  readonly findings: readonly PlacedFinding[]
}

/** The one change of text that puts a finding right. */
export interface Remedy extends Place {
  /** A color, or the name of the property that takes what stands there. */
  readonly replacement: string
  /** What the place would paint. */
  readonly use: Use
}

export type PlacedFinding = Finding & {
  readonly line: number
  readonly column: number
  /** null: nobody can tell what was meant, or it cannot be written there. */
  readonly remedy: Remedy | null
}
