import { bareLiteral } from '../../color/legacy.ts'
import { parseLiteral } from '../../color/literal.ts'
import type { Embedded } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { isNamedAddress, isNamedColor, namedKind } from '../named.ts'
import { type Confidence, type Context, type Evidence, OUTSIDE_RULES } from '../occurrence.ts'
import { codeString, looksLikeCss, looksLikeMarkup, styleIn, wholeColor } from '../scan/code-string.ts'
import { wholeHit } from '../value/value-hit.ts'
import type { TagString } from './tag-strings.ts'

/** What reads text that stands in strings of code. */
export interface TextReaders {
  markup(at: Embedded, evidence: Evidence): void
  css(at: Embedded, evidence: Evidence): void
}

/**
 * Reads the strings in the code of template tags: those that are wholly a color, and those that hold markup or CSS.
 * @param at the file's own text, its tags not blanked
 * @param strings of its tags
 * @param isKnown whether a color that begins at an offset was found before, as a part of what its tag stands in
 */
export function readTagCode(
  at: Embedded,
  strings: Iterable<TagString>,
  emitter: Emitter,
  readers: TextReaders,
  isKnown: (offset: number) => boolean,
): void {
  for (const string of strings) {
    if (string.role === 'tested' || (string.key !== null && isNamedAddress(string.key))) continue
    const content = withoutVariables(codeString(at, string))
    const { text } = content
    const start = text.search(/\S/)
    if (start < 0 || isKnown(content.toSource(start))) continue
    const kind = wholeColor(text)
    const judged = kind ? judge(kind, string) : judgeBare(text, string)
    if (judged) {
      const value = text.trim()
      const hit = wholeHit(text, kind ? parseLiteral(value) : bareLiteral(value), judged)
      if (hit) emitter.hit(content, 0, hit, contextOf(string))
    } else if (looksLikeMarkup(text)) readers.markup(content, 'markup-text')
    else if (looksLikeCss(text)) readers.css(styleIn(content) ?? content, 'css-text')
  }
}

/** `{$x->y}` of PHP as an interpolation that sheets know. */
function withoutVariables(content: Embedded): Embedded {
  if (!content.text.includes('{$')) return content
  return { ...content, text: content.text.replace(/\{\$[^{}\r\n]+\}/g, (all) => `#{${' '.repeat(all.length - 3)}}`) }
}

function judge(kind: 'written' | 'short-hex' | 'name', { key, role }: TagString): Confidence | null {
  const named = key !== null && isNamedColor(key)
  if (kind === 'name') return named ? 'likely' : null
  return kind === 'written' || named || role === 'fallback' ? 'likely' : 'possible'
}

/** `'default-color' => 'f1f1f1'`. */
function judgeBare(text: string, { key }: TagString): Confidence | null {
  return key !== null && /^\s*[\da-f]{6}\s*$/i.test(text) && isNamedColor(key) ? 'likely' : null
}

function contextOf({ key }: TagString): Context {
  const { property, use } = key === null ? { property: 'value', use: 'other' as const } : namedKind(key)
  const evidence = key !== null && isNamedColor(key) ? 'named' : 'whole-value'
  return { ...OUTSIDE_RULES, property, use, important: false, variable: null, opacity: null, evidence }
}
