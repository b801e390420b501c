import { parseSelectorList } from '../selector/parse.ts'
import { syntaxOf } from '../source/syntax.ts'
import type { Ground } from './decision.ts'

/** A color where no rule of the site sets one: a rule that is added at the end of a sheet. */
export interface Insertion {
  /** Unique within the plan, decisions counted. */
  readonly id: string
  /** Of the sheet. */
  readonly path: string
  /** A list of selectors. */
  readonly selector: string
  readonly property: InsertedProperty
  /** The role, by its id, or the color that is taken. */
  readonly to: Ground
}

/** Properties whose whole value is one color. */
export const INSERTED_PROPERTIES = [
  'color',
  'background-color',
  'border-color',
  'outline-color',
  'text-decoration-color',
  'accent-color',
  'caret-color',
  'fill',
  'stroke',
] as const
export type InsertedProperty = (typeof INSERTED_PROPERTIES)[number]

/** Longer lists are not written by hand. */
const LONGEST = 1000

/** Whether a text is a list of selectors, with nothing in it that could end a rule. Pseudo-elements stand in no `:where()`: they are not taken. */
export function isInsertedSelector(text: string): boolean {
  if (text.length > LONGEST || /[{};<@\\\r\n]|\/\*|::/.test(text)) return false
  return parseSelectorList(text) !== null
}

/** Whether a rule can be added at the end of a file. */
export function takesRules(path: string): boolean {
  const syntax = syntaxOf(path)
  return syntax === 'css' || syntax === 'scss' || syntax === 'less'
}
