import { toHex } from '../color/color.ts'
import type { Insertion } from '../plan/insertion.ts'
import type { Resolver } from '../plan/outcome.ts'
import { sheetEnd } from '../source/read.ts'
import type { Edit } from '../text/edit.ts'
import { lineEndOf } from '../text/lines.ts'
import type { SourceText } from '../text/source-text.ts'
import type { Unwritten } from './unwritten.ts'

/** A rule that is added. */
export interface AddedRule {
  readonly insertion: Insertion
  readonly edit: Edit
  readonly rule: string
}

/**
 * The text of a rule that is added: it sets a color where no rule of the site does, and wins over no rule of the site, since
 * `:where()` has no strength (Selectors 4 §17) and the browser's own rules are weaker than any (CSS Cascade 5 §6.1).
 * null: its role is gone.
 */
export function insertedRule(
  { selector, property, to }: Omit<Insertion, 'id'>,
  { groundOf }: Pick<Resolver, 'groundOf'>,
): string | null {
  const color = groundOf(to)
  return color && `:where(${selector.trim()}) { ${property}: ${toHex(color)}; }`
}

/** What ends whatever a sheet ends with, so that a rule can stand behind it. */
const ENDING = { closed: '', statement: ';', selectors: '{}' } as const

/** Adds rules at the end of one file, an edit for each. What does not end there is ended first. */
export function addedRules(
  source: SourceText,
  insertions: readonly Insertion[],
  resolver: Pick<Resolver, 'groundOf'>,
): { readonly written: readonly AddedRule[]; readonly unwritten: readonly Extract<Unwritten, { of: 'rule' }>[] } {
  const written: AddedRule[] = []
  const unwritten: Extract<Unwritten, { of: 'rule' }>[] = []
  if (insertions.length === 0) return { written, unwritten }
  const { text } = source
  const end = lineEndOf(text)
  const at = text.length
  const tail = sheetEnd(source)
  const isOnNewLine = tail === 'closed' && (text === '' || /[\r\n]$/.test(text))
  for (const insertion of insertions) {
    const rule = insertedRule(insertion, resolver)
    if (rule === null || tail === 'open') {
      unwritten.push({ of: 'rule', insertion, why: rule === null ? 'role-gone' : 'open-end', decision: insertion.id })
      continue
    }
    const sign = written.length === 0 ? ENDING[tail] : ''
    const replacement = isOnNewLine ? `${rule}${end}` : `${sign}${end}${rule}`
    const edit: Edit = { kind: 'insert-rule', range: { start: at, end: at }, replacement, decisions: [insertion.id] }
    written.push({ insertion, edit, rule })
  }
  return { written, unwritten }
}
