import type { Place } from './place.ts'

/** When a script acts: while the page scrolls, while the pointer or the focus is there, while it is pressed, at each click. */
export type Trigger = 'scroll' | 'hover' | 'focus' | 'press' | 'click'

/** A script gives an element a color when something happens. */
export interface Recolor {
  readonly kind: 'recolor'
  readonly trigger: Trigger
  /** As a selector, or the expression that the script names it by; null: not to be read. */
  readonly element: string | null
  /** As in CSS: `background-color`. */
  readonly property: string
  /** Pixels scrolled from which `above` holds; null: no scrolling, or not to be read. */
  readonly threshold: number | null
  /** The color past the threshold, or once it happened; null: the script sets none, or an empty one. As written in the script. */
  readonly above: string | null
  /** The color before the threshold, or when it is over. */
  readonly below: string | null
}

/** A script changes the classes of an element when something happens. */
export interface ClassChange {
  readonly kind: 'class'
  readonly trigger: Trigger
  readonly element: string | null
  readonly className: string
  readonly threshold: number | null
  /** `add`: past the threshold it is there, before it is not; `remove`: the other way round; `toggle`: each time the other. */
  readonly change: 'add' | 'remove' | 'toggle'
}

/** What a script does, with the place of the statement that does it first. */
export type Behavior = Place & BehaviorFacts
export type BehaviorFacts = Recolor | ClassChange
