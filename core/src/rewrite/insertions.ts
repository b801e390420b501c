import { toHex } from '../color/color.ts'
import type { Insertion } from '../plan/insertion.ts'
import type { Resolver } from '../plan/outcome.ts'
import type { Edit } from '../text/edit.ts'

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

/** The edits that add rules at the end of one file, one for each. @param text the file's, as received */
export function insertionEdits(
  text: string,
  insertions: readonly Insertion[],
  resolver: Pick<Resolver, 'groundOf'>,
): Edit[] {
  const end = /\r\n|\n|\r/.exec(text)?.[0] ?? '\n'
  const at = text.length
  let isOnNewLine = text === '' || /[\r\n]$/.test(text)
  return insertions.flatMap((insertion): Edit[] => {
    const rule = insertedRule(insertion, resolver)
    if (rule === null) return []
    const replacement = isOnNewLine ? `${rule}${end}` : `${end}${rule}`
    const edit: Edit = { kind: 'insert-rule', range: { start: at, end: at }, replacement, decisions: [insertion.id] }
    isOnNewLine = isOnNewLine && replacement.endsWith(end)
    return [edit]
  })
}
