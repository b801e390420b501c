import { type Embedded, within } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import type { Context, OuterContext } from '../occurrence.ts'
import { wholeColor } from '../scan/code-string.ts'
import { findInValue } from '../value/value.ts'

/** `<!ENTITY brand "#7a2433">` in the document type of a drawing: a color that its attributes take by name. */
export function readEntities(at: Embedded, start: number, end: number, outer: OuterContext, emitter: Emitter): void {
  const declaration = at.text.slice(start, end)
  if (!declaration.includes('<!ENTITY')) return
  for (const match of declaration.matchAll(/<!ENTITY\s+([\w.-]+)\s+(["'])([^"'<]{1,60})\2/g)) {
    const [whole, name = '', , value = ''] = match
    if (wholeColor(value) === null) continue
    const from = start + match.index + whole.length - 1 - value.length
    const hits = findInValue(value, 'color')
    const context: Context = {
      ...outer,
      specificity: null,
      property: name,
      use: 'variable',
      variable: `&${name};`,
      literalOnly: true,
      evidence: 'named',
      important: false,
      opacity: null,
    }
    for (const hit of hits)
      emitter.hit(
        within(at, value, (offset) => from + offset),
        0,
        { ...hit, confidence: 'likely' },
        context,
      )
  }
}
