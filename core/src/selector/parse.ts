import type { Range } from '../text/range.ts'

/** What a simple selector is (Selectors 4 §3.1); `nesting`: `&`, what is written on to it included; `placeholder`: `%name` of Sass. */
export type SimpleKind =
  | 'type'
  | 'universal'
  | 'nesting'
  | 'id'
  | 'class'
  | 'attribute'
  | 'pseudo-class'
  | 'pseudo-element'
  | 'placeholder'

export interface SimpleSelector extends Range {
  readonly kind: SimpleKind
  /** As written. */
  readonly text: string
  /** Without its signs; of types, attributes and pseudos in lower case. */
  readonly name: string
  /** Of an attribute: what it is compared with, without quotes. null: nothing. */
  readonly value: string | null
  /** The selectors in its brackets. */
  readonly list: readonly ComplexSelector[]
}

export type Combinator = ' ' | '>' | '+' | '~' | '||'

export interface Compound {
  /** How it stands to what is before it; null: nothing is. */
  readonly combinator: Combinator | null
  readonly simple: readonly SimpleSelector[]
}

/** Selectors 4 §17: ids, classes, types. */
export type Specificity = readonly [number, number, number]

/** One selector of a list, at its offsets in the list; what stands around it, comments too, is left out. */
export interface ComplexSelector extends Range {
  readonly text: string
  readonly compounds: readonly Compound[]
  readonly specificity: Specificity
}

/** Deeper brackets than anybody writes are not read. */
const DEEPEST = 50

/**
 * Reads a list of selectors; null where it is none. As Selectors 4 has it, and what preprocessors write into it: `#{$x}` and `@{x}` within names,
 * `&-more`, `%name`. Linear.
 */
export function parseSelectorList(text: string): readonly ComplexSelector[] | null {
  const reader = new Reader(text)
  const list = reader.list(0)
  return list && reader.at === text.length && !reader.isTooDeep ? list : null
}

/** Pseudo-elements that may be written with one colon (Selectors 4 §3.5). */
const OLD_ELEMENT = /^(?:before|after|first-line|first-letter)$/

/** Pseudo-classes and elements whose brackets hold selectors. */
const TAKES_SELECTORS =
  /^(?:is|where|not|has|matches|(?:-\w+-)?any|host|host-context|slotted|cue|current|nth-(?:last-)?child)$/

const NAME_UNIT = /[\w\-\u0080-\uffff]/
const NAME = /(?:[\w\-\u0080-\uffff]|\\(?:[\da-f]{1,6}(?:\r\n|\s)?|[^\r\n\f\da-f])|#\{[^{}]*\}|@\{[^{}]*\})+/iy
const ATTRIBUTE =
  /^\[\s*((?:[\w-]*\|)?[^\s=\]~|^$*]+)\s*(?:[~|^$*]?=\s*(?:"((?:[^"\\]|\\[\s\S])*)"|'((?:[^'\\]|\\[\s\S])*)'|([^\s\]]+))\s*[a-z]?\s*)?\]$/i

class Reader {
  at = 0
  isTooDeep = false

  constructor(private readonly text: string) {}

  /** A list up to a closing bracket or the end. */
  list(depth: number): ComplexSelector[] | null {
    const found: ComplexSelector[] = []
    for (;;) {
      const one = this.complex(depth)
      if (!one) return null
      found.push(one)
      if (this.text[this.at] !== ',') return found
      this.at++
    }
  }

  private complex(depth: number): ComplexSelector | null {
    const { text } = this
    let combinator = this.combinator()
    if (combinator === ' ') combinator = null
    const compounds: Compound[] = []
    let start = -1
    let end = -1
    for (;;) {
      const from = this.at
      const simple = this.compound(depth)
      if (!simple || simple.length === 0) return null
      if (start < 0) start = from
      end = this.at
      compounds.push({ combinator, simple })
      const next = this.combinator()
      if (next === null || (next === ' ' && this.isAtEnd())) {
        return { text: text.slice(start, end), start, end, compounds, specificity: specificityOf(compounds) }
      }
      combinator = next
    }
  }

  private isAtEnd(): boolean {
    const sign = this.text[this.at]
    return sign === undefined || sign === ',' || sign === ')'
  }

  /** White space, comments and a sign of a combinator; null: none of them. */
  private combinator(): Combinator | null {
    const { text } = this
    let found: Combinator | null = null
    for (;;) {
      const sign = text[this.at]
      if (sign === undefined) return found
      if (sign <= ' ') found ??= ' '
      else if (sign === '/' && text[this.at + 1] === '*') {
        const close = text.indexOf('*/', this.at + 2)
        this.at = close < 0 ? text.length : close + 2
        continue
      } else if (sign === '>' || sign === '+' || sign === '~') {
        if (found !== null && found !== ' ') return found
        found = sign
        // `>>>` of shadow trees, as it once was.
        if (text.startsWith('>>>', this.at)) this.at += 2
      } else if (sign === '|' && text[this.at + 1] === '|') {
        found = '||'
        this.at++
      } else return found
      this.at++
    }
  }

  private compound(depth: number): SimpleSelector[] | null {
    const { text } = this
    const found: SimpleSelector[] = []
    for (;;) {
      const start = this.at
      const sign = text[start]
      if (sign === '/' && text[start + 1] === '*' && found.length > 0) {
        const close = text.indexOf('*/', start + 2)
        // A comment within a compound; behind one it is what stands between.
        const after = close < 0 ? text.length : close + 2
        if (!/[.#:[\w]/.test(text[after] ?? '')) return found
        this.at = after
        continue
      }
      const one = sign === undefined ? null : this.simple(sign, found.length === 0, depth)
      if (one === 'broken') return null
      if (!one) return found
      found.push(one)
    }
  }

  /** null: none begins here; what is no selector at all is `broken`. */
  private simple(sign: string, isFirst: boolean, depth: number): SimpleSelector | null | 'broken' {
    const { text } = this
    const start = this.at
    if (sign === '.' || sign === '%' || (sign === '#' && text[start + 1] !== '{')) {
      const name = this.name(start + 1)
      if (name === '') return 'broken'
      return this.made(sign === '.' ? 'class' : sign === '#' ? 'id' : 'placeholder', start, unescaped(name))
    }
    if (sign === '[') {
      const end = closeOf(text, start)
      const match = ATTRIBUTE.exec(text.slice(start, end))
      this.at = end
      if (!match) return 'broken'
      return this.made('attribute', start, match[1]?.toLowerCase() ?? '', match[2] ?? match[3] ?? match[4] ?? null)
    }
    if (sign === ':') return this.pseudo(start, depth)
    if (sign === '&') {
      this.name(start + 1)
      return this.made('nesting', start, '&')
    }
    if (sign === '*' || (sign === '|' && text[start + 1] !== '|')) {
      if (!isFirst) return 'broken'
      this.at = sign === '*' ? start + 1 : start
      if (text[this.at] === '|' && text[this.at + 1] !== '|' && text[this.at + 1] !== '=') {
        this.at++
        if (text[this.at] === '*') this.at++
        else return this.made('type', start, this.name(this.at).toLowerCase())
      }
      return this.made('universal', start, '*')
    }
    if (!(NAME_UNIT.test(sign) || sign === '\\' || sign === '#' || sign === '@'))
      return this.isAtEnd() || /[\s>+~|/]/.test(sign) ? null : 'broken'
    // A type begins a compound, and with no digit; an interpolation may stand anywhere.
    if (!isFirst && sign !== '#' && sign !== '@') return 'broken'
    if (/\d/.test(sign)) return 'broken'
    let name = this.name(start)
    if (name === '') return 'broken'
    if (text[this.at] === '|' && text[this.at + 1] !== '|') {
      if (text[this.at + 1] === '*') {
        this.at += 2
        return this.made('universal', start, '*')
      }
      name = this.name(this.at + 1)
    }
    return this.made('type', start, unescaped(name).toLowerCase())
  }

  private pseudo(start: number, depth: number): SimpleSelector | 'broken' {
    const { text } = this
    const isDouble = text[start + 1] === ':'
    const name = this.name(start + (isDouble ? 2 : 1)).toLowerCase()
    if (name === '') return 'broken'
    const kind = isDouble || OLD_ELEMENT.test(name) ? 'pseudo-element' : 'pseudo-class'
    if (text[this.at] !== '(') return this.made(kind, start, name)
    const open = this.at
    const end = closeOf(text, open)
    this.isTooDeep ||= depth >= DEEPEST
    if (text[end - 1] !== ')' || this.isTooDeep) return 'broken'
    const list = TAKES_SELECTORS.test(name) ? this.listWithin(open + 1, end - 1, depth + 1) : []
    this.at = end
    return { ...this.made(kind, start, name), list }
  }

  /** Selectors in brackets; those of `:nth-child()` stand behind `of`. What is none, as a formula, gives none. */
  private listWithin(start: number, end: number, depth: number): readonly ComplexSelector[] {
    const of = /^[^,()]*?\bof\s/i.exec(this.text.slice(start, end))
    const isFormula = /^\s*(?:[-+]?\d|[-+]?n\b|[-+]?\d*n\b|even\b|odd\b)/i.test(this.text.slice(start, end))
    if (isFormula && !of) return []
    this.at = start + (isFormula && of ? of[0].length : 0)
    const list = this.list(depth)
    return list && this.at === end ? list : []
  }

  /** The name that begins at an offset, behind which reading goes on. */
  private name(from: number): string {
    NAME.lastIndex = from
    const name = NAME.exec(this.text)?.[0] ?? ''
    this.at = from + name.length
    return name
  }

  private made(kind: SimpleKind, start: number, name: string, value: string | null = null): SimpleSelector {
    return { kind, start, end: this.at, text: this.text.slice(start, this.at), name, value, list: [] }
  }
}

/** Behind the bracket that closes the one at an offset: strings, escapes and comments close nothing. The end of the text where none does. */
function closeOf(text: string, open: number): number {
  let depth = 0
  for (let at = open; at < text.length; at++) {
    const sign = text[at]
    if (sign === '\\') at++
    else if (sign === '"' || sign === "'") {
      for (at++; at < text.length && text[at] !== sign; at++) if (text[at] === '\\') at++
    } else if (sign === '/' && text[at + 1] === '*') {
      const close = text.indexOf('*/', at + 2)
      at = close < 0 ? text.length : close + 1
    } else if (sign === '(' || sign === '[') depth++
    else if ((sign === ')' || sign === ']') && --depth === 0) return at + 1
  }
  return text.length
}

function unescaped(name: string): string {
  if (!name.includes('\\')) return name
  return name.replace(/\\(?:([\da-f]{1,6})(?:\r\n|\s)?|([\s\S]))/gi, (_, hex: string | undefined, char: string) => {
    const code = hex === undefined ? 0 : Number.parseInt(hex, 16)
    return hex === undefined ? char : code > 0 && code <= 0x10ffff ? String.fromCodePoint(code) : '\uFFFD'
  })
}

function specificityOf(compounds: readonly Compound[]): Specificity {
  let [a, b, c] = [0, 0, 0]
  for (const { simple } of compounds)
    for (const { kind, name, text, list } of simple) {
      if (kind === 'id') a++
      else if (kind === 'type') c++
      // `::view-transition-group(*)` (CSS View Transitions 1 §4.1).
      else if (kind === 'pseudo-element') c += name.startsWith('view-transition-') && text.endsWith('(*)') ? 0 : 1
      else if (kind === 'class' || kind === 'attribute' || kind === 'placeholder') b++
      else if (kind === 'pseudo-class' && !AS_INNER.test(name)) b++
      if (list.length === 0 || !ADDS_INNER.test(name)) continue
      const inner = strongest(list)
      a += inner[0]
      b += inner[1]
      c += inner[2]
    }
  return [a, b, c]
}

/** Pseudo-classes that are as strong as what stands in their brackets, or not at all; and all to which that is added (Selectors 4 §17). */
const AS_INNER = /^(?:is|where|not|has|matches|-moz-any)$/
const ADDS_INNER = /^(?:is|not|has|matches|-moz-any|host|host-context|slotted|nth-(?:last-)?child)$/

/** The strongest of a list. */
export function strongest(list: readonly Pick<ComplexSelector, 'specificity'>[]): Specificity {
  return list.reduce<Specificity>(
    (best, { specificity }) => (isStronger(specificity, best) ? specificity : best),
    [0, 0, 0],
  )
}

function isStronger(a: Specificity, b: Specificity): boolean {
  return a[0] !== b[0] ? a[0] > b[0] : a[1] !== b[1] ? a[1] > b[1] : a[2] > b[2]
}
