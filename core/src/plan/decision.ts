import type { OpaqueKey } from '../color/color.ts'
import { isRoot } from '../selector/region.ts'
import { splitList } from '../selector/selector.ts'
import type { State } from '../selector/state.ts'
import type { Occurrence, Use } from '../source/occurrence.ts'
import { setsAlpha } from '../source/value/functions.ts'
import { hasNoAlpha } from '../source/value/paint-attributes.ts'
import { propertyKind } from '../source/value/property.ts'

/**
 * Limits a decision to some of what its colors paint. A place is taken where it agrees in every dimension that is given: wholly, or, in the lower
 * four, for some of the selectors or elements that it paints.
 */
export interface Scope {
  /** Path of the file. */
  readonly file?: string
  /** The heading, as the audit gives it. */
  readonly heading?: string
  /** A selector list as the audit gives it, or one selector of it. */
  readonly selector?: string
  /** A state that the selector asks for, or rest: none. */
  readonly state?: State | 'rest'
  /** A compound selector: elements that it finds, and all within them. */
  readonly region?: string
  /** Path of a page. */
  readonly page?: string
  /** A media feature: `(max-width: 600px)`. */
  readonly width?: string
  /** Selectors for which no rule of their own is written: no page has what they find within the region or page. It limits no dimension. */
  readonly absent?: readonly string[]
}

/** What a decision is about: opaque colors by value, all their alphas but where some are named, and optionally one use or one scope only. */
export interface Target {
  readonly colors: readonly OpaqueKey[]
  /** 0 to 1 */
  readonly alphas?: readonly number[]
  readonly use?: Use
  readonly scope?: Scope
}

/** What is known of a place that decisions are held against. What is not known agrees with no scope. */
export type Decidable = Pick<Occurrence, 'color' | 'use'> &
  Partial<
    Pick<
      Occurrence,
      'heading' | 'selector' | 'specificity' | 'atRules' | 'alpha' | 'confidence' | 'range' | keyof AdmittedBy
    >
  > & {
    readonly path?: string
  }

/** What is asked of a place before its element can take its parent's color there, or it can be given an alpha. */
type AdmittedBy = Pick<
  Occurrence,
  'property' | 'functions' | 'inner' | 'evidence' | 'literalOnly' | 'variable' | 'isWhole' | 'notation' | 'computedWith'
>

/** What a see-through color lies on: a role of the palette, by its id, or a color in any CSS notation, opaque. */
export type Ground = { readonly role: string } | { readonly color: string }

/** What becomes of a target. */
export type Becoming =
  /** It takes a role of the palette, by its id. */
  | { readonly kind: 'role'; readonly role: string }
  /** It takes a color: any CSS notation, opaque. */
  | { readonly kind: 'color'; readonly color: string }
  /** It keeps its place relative to another color of the site, whatever becomes of that. */
  | { readonly kind: 'follow'; readonly lead: OpaqueKey }
  /** A solid ground becomes a gradient of these, at an angle in degrees as CSS counts them; where none can be shown, the first. */
  | { readonly kind: 'gradient'; readonly stops: readonly Ground[]; readonly angle: number }
  /** Its element takes the color of its parent. */
  | { readonly kind: 'inherit' }
  /** It is kept as it is. */
  | { readonly kind: 'keep' }

export interface Decision {
  /** Unique within the plan. */
  readonly id: string
  readonly target: Target
  readonly to: Becoming
  /** How see-through its places are written, 0 to 1; left out: as each is. */
  readonly alpha?: number
  /** The ground under its places: they are written as the solid color that they show on it. */
  readonly over?: Ground
  /** Whether gradients in which its colors stand become this color as a whole. */
  readonly solid?: true
}

/**
 * Whether `inherit` can stand in the place of a literal: it is all of the value of an inherited property, and not of the root, which has no parent. Not where
 * that is not known.
 */
export function canInherit(place: Decidable): boolean {
  const { property, isWhole, inner, evidence, literalOnly, variable, selector } = place
  return (
    property !== undefined &&
    propertyKind(property).isInherited === true &&
    isWhole === true &&
    inner === null &&
    evidence === null &&
    literalOnly === false &&
    variable === null &&
    !splitList(selector ?? '').some(isRoot)
  )
}

/**
 * Whether a place can be given an alpha, 0 to 1. Channels stand beside one, some functions set one whatever they are given, and some attributes
 * know none.
 */
export function canTakeAlpha(place: Decidable, alpha: number): boolean {
  if (alpha === place.alpha) return true
  if (place.notation?.endsWith('-channels')) return false
  if (typeof place.computedWith === 'string' && setsAlpha(place.computedWith)) return false
  return alpha === 1 || !hasNoAlpha(place)
}

/** Whether a place stands in a rule that can be written anew: in no attribute, script, drawing, variable or animation. */
function isInRule({ specificity, evidence, inner, variable }: Decidable): boolean {
  return specificity !== null && specificity !== undefined && evidence === null && inner === null && variable === null
}

/** Whether a gradient can be declared behind a solid ground: it is all of a background's value, as far as that is known. */
export function canBecomeGradient(place: Decidable): boolean {
  return isInRule(place) && /^background(?:-color)?$/i.test(place.property ?? '') && place.functions?.length === 0
}

/** Whether a place is a stop of a gradient that can become a solid. */
export function isStop(place: Decidable): boolean {
  return (
    isInRule(place) &&
    /^background(?:-image)?$/i.test(place.property ?? '') &&
    /gradient$/i.test(place.functions?.[0] ?? '')
  )
}
