import { legacyLiteral } from '../../color/legacy.ts'
import { parseLiteral } from '../../color/literal.ts'
import { SCROLLED } from '../../selector/state.ts'
import { type Embedded, within } from '../embedded.ts'
import { type Emitter, ofPieces } from '../emit.ts'
import { type Confidence, type Context, lessSure, type OuterContext } from '../occurrence.ts'
import { SCRIPT, walkCode } from '../scan/code.ts'
import { codeString, looksLikeCss, looksLikeMarkup, styleIn, wholeColor } from '../scan/code-string.ts'
import { SCSS } from '../sheet/dialect.ts'
import { readStylesheet } from '../sheet/stylesheet.ts'
import { plainLink } from '../source-link.ts'
import { drawingOf, wholeDrawing } from '../value/data-url.ts'
import { findInValue } from '../value/value.ts'
import { type ValueHit, wholeHit } from '../value/value-hit.ts'
import type { Around } from './around.ts'
import { findBehaviors } from './behaviors.ts'
import { contentOf, isText, operandsOf } from './content.ts'
import { ANYTHING, Interest, mayBehave, mayPaint } from './interest.ts'
import { Names } from './names.ts'
import { list, type Node, parseScript, type ScriptLanguage, scriptLanguage } from './parse.ts'
import { attributeSlot, NONE, namedSlot, OPEN, type Slot, styleSlot } from './slot.ts'
import { findStrings } from './strings.ts'

/**
 * Reads a script: the strings that are a color, each as sure as what it is given to, CSS and markup in strings, what it does to colors and classes
 * while a visitor acts, and the files that it names. A script that can't be parsed is read by its strings alone.
 * @param outer of a handler: its element, which is `this`, and what that answers to
 * @param event of a handler: `mouseover`
 */
export function readScript(
  at: Embedded,
  outer: OuterContext,
  emitter: Emitter,
  event: string | null = null,
  language: ScriptLanguage = scriptLanguage(emitter.source.path),
): void {
  // What stands in its strings is no rule of a sheet that could be written.
  if (emitter.rules) return
  if (!mayPaint(at.text) && !mayBehave(at.text)) return nameFiles(at, emitter)
  const program = parseScript(at.text, language)
  if (!program) {
    emitter.finding(at, 'unparsed-script', 0, 1)
    return readByWords(at, outer, emitter)
  }
  readProgram(program, at, outer, OPEN, emitter, event)
}

/** Reads the expression that a component's attribute is bound to. @param name of the attribute, or of the property of a style */
export function readScriptValue(at: Embedded, name: string, outer: OuterContext, emitter: Emitter): void {
  if (emitter.rules || !/["'`]/.test(at.text)) return
  const property = name.replace(/^style\./, '')
  const slot: Slot = /^(?:style|ngStyle)$/.test(name)
    ? { kind: 'style', element: outer.selector }
    : name.startsWith('style.')
      ? styleSlot(property, outer.selector)
      : attributeSlot(property, outer.selector, false)
  const bracketed = within(at, `(${at.text})`, (offset) => Math.max(0, offset - 1))
  const program = parseScript(bracketed.text, 'ts')
  const expression = list(program, 'body')[0]?.expression as Node | undefined
  if (!expression) readByWords(at, outer, emitter)
  else readProgram(expression, bracketed, outer, slot === NONE ? OPEN : slot, emitter)
}

function readProgram(
  program: Node,
  at: Embedded,
  outer: OuterContext,
  slot: Slot,
  emitter: Emitter,
  event: string | null = null,
): void {
  const names = new Names(at.text, program)
  const isHandler = event !== null || mayBehave(at.text)
  const stuck = isHandler
    ? findBehaviors(program, names, outer, event, (start, end, facts) => emitter.behavior(at, start, end, facts))
    : NEVER
  const around: Around = { slot, signals: outer.signals, self: outer.selector }
  const strings: [Node, Around][] = []
  findStrings(program, names, new Interest(at.text, ANYTHING), around, (node, where) => strings.push([node, where]))
  strings.sort(([a], [b]) => a.start - b.start)
  const inStrings = ofPieces(emitter)
  for (const [node, where] of strings) {
    const signals = stuck.has(node.start) ? [...new Set([...where.signals, SCROLLED])].sort() : where.signals
    const pieces = operandsOf(node)
      .filter(isText)
      .map((text) => contentOf(at, text))
    for (const piece of pieces) nameFile(piece, emitter)
    const whole = pieces.length > 1 ? contentOf(at, node) : null
    for (const content of whole && isReadWhole(whole, where.slot) ? [whole] : pieces)
      readString(content, { ...where, signals }, outer, inStrings)
  }
}

/** Whether texts that are put together are read as one: where that is CSS, markup or one value. */
function isReadWhole({ text }: Embedded, slot: Slot): boolean {
  return slot.kind === 'value' || slot.kind === 'css' || isMarkup(text, slot) || looksLikeCss(text)
}

const NEVER: ReadonlySet<number> = new Set()

function readString(content: Embedded, around: Around, outer: OuterContext, emitter: Emitter): void {
  const { text } = content
  const { slot } = around
  if (text.length < 3 || slot.kind === 'none') return
  const address = wholeDrawing(text)
  const drawing = address && drawingOf(content, address)
  if (drawing)
    return emitter.readMarkup(
      drawing,
      {
        ...outer,
        selector: null,
        subjects: [],
        evidence: 'markup-text',
        confidence: lessSure('likely', outer.confidence),
      },
      true,
      emitter,
    )
  const inCode: OuterContext = { ...outer, signals: around.signals, specificity: null }
  if (slot.kind === 'css' || (slot.kind !== 'value' && !isMarkup(text, slot) && looksLikeCss(text))) {
    const confidence: Confidence = slot.kind === 'css' ? slot.confidence : 'likely'
    const element = slot.kind === 'css' ? slot.element : null
    const selector = element ?? outer.selector
    const context = {
      ...inCode,
      selector,
      subjects: selector === null ? [] : [selector],
      evidence: 'css-text' as const,
    }
    return readStylesheet(
      styleIn(content) ?? content,
      { ...context, confidence: lessSure(confidence, outer.confidence) },
      emitter,
      SCSS,
    )
  }
  if (isMarkup(text, slot)) {
    const context: OuterContext = { ...inCode, selector: null, subjects: [], evidence: 'markup-text' }
    const confidence: Confidence = slot.kind === 'markup' ? 'certain' : 'likely'
    return emitter.readMarkup(
      content,
      { ...context, confidence: lessSure(confidence, outer.confidence) },
      false,
      emitter,
    )
  }
  for (const [hit, context] of colorsIn(text, slot, inCode)) emitter.hit(content, 0, hit, context)
}

function isMarkup(text: string, slot: Slot): boolean {
  return slot.kind === 'markup' ? text.includes('<') : slot.kind === 'open' && looksLikeMarkup(text)
}

/** The colors that a string holds, by what it is where it stands. */
function colorsIn(text: string, slot: Slot, outer: OuterContext): [ValueHit, Context][] {
  const kind = wholeColor(text)
  const base = { ...outer, important: false, variable: null, opacity: null }
  if (slot.kind === 'value') {
    const { property, use, takes, whole, legacy, literalOnly, evidence, element, confidence } = slot
    const selector = element ?? outer.selector
    const subjects = selector === null ? [] : [selector]
    const context: Context = { ...base, property, use, literalOnly, evidence, selector, subjects }
    const most = lessSure(confidence, outer.confidence)
    if (legacy) return paired(wholeHit(text, legacyLiteral(text.trim()), most), context)
    return findInValue(text, takes)
      .filter((hit) => !whole || kind !== null || isWrittenOut(text, hit))
      .map((hit) => [{ ...hit, confidence: lessSure(hit.confidence, most) }, context])
  }
  if (kind === null || kind === 'name') return []
  const most = lessSure(kind === 'written' ? 'likely' : 'possible', outer.confidence)
  const context: Context = { ...base, property: 'value', use: 'other', evidence: 'whole-value' }
  return paired(wholeHit(text, parseLiteral(text.trim()), most), context)
}

function paired(hit: ValueHit | null, context: Context): [ValueHit, Context][] {
  return hit ? [[hit, context]] : []
}

/** Whether a color among other things can be nothing else: not a word that a sentence may have. */
function isWrittenOut(text: string, { start, end, found, functions }: ValueHit): boolean {
  const isWord = 'keyword' in found || ('notation' in found && found.notation === 'name')
  return !isWord || functions.length > 0 || LINE.test(text) || text.trim() === text.slice(start, end)
}

/** The value of a border or a shadow begins so. */
const LINE = /^\s*(?:inset\s+)?-?[\d.]+(?:px|r?em)?\s+(?:[a-z]+|-?[\d.]+(?:px|r?em)?)\s/i

const FILE = /^(?:[\w@%.-]*\/)*[\w@%.-]+\.(?:css|m?js|png|jpe?g|gif|svg|webp|avif|json|html?|scss|less)(?:[?#].*)?$/i

/** A string that is a path names a file. */
function nameFile(content: Embedded, emitter: Emitter): void {
  const { text } = content
  if (text.length > 200 || text.length < 5 || !FILE.test(text.replace(/^(?:\.{0,2}\/)+/, ''))) return
  emitter.link(content, 0, text.length, plainLink(/\.m?js/i.test(text) ? 'script' : 'asset', text))
}

const QUOTED = /(["'`])((?:(?!\1)[^\\\n]){5,200})\1/g

/** The files that a script names which need not be parsed. */
function nameFiles(at: Embedded, emitter: Emitter): void {
  if (!/\.(?:css|m?js|png|jpe?g|gif|svg|webp|avif|json|html?|scss|less)\b/i.test(at.text)) return
  for (const { 2: content = '', index } of at.text.matchAll(QUOTED))
    nameFile(
      within(at, content, (offset) => index + 1 + offset),
      emitter,
    )
}

const BEFORE = 60

/** What is left of reading when nothing can be parsed: each string, by the name right before it. */
function readByWords(at: Embedded, outer: OuterContext, emitter: Emitter): void {
  const inStrings = ofPieces(emitter)
  walkCode(at.text, 0, at.text.length, SCRIPT, (range, quote) => {
    const before = at.text.slice(Math.max(0, range.start - BEFORE), range.start - 1)
    if (/[=!]==?\s*$/.test(before)) return
    const name = /([\w$-]+)["']?\s*[:=]\s*$/.exec(before)?.[1]
    const slot = (name && namedSlot(name)) || OPEN
    const content = codeString(at, range)
    const shown = quote === '`' ? within(content, content.text.replaceAll('${', '#{'), (offset) => offset) : content
    const around: Around = { slot, signals: outer.signals, self: outer.selector }
    nameFile(shown, emitter)
    readString(shown, around, { ...outer, confidence: lessSure('likely', outer.confidence) }, inStrings)
  })
}
