/**
 * What a parser that works by recursion may be given, measured as its calls would nest. Node.js's own stack holds about twice as much; beyond it
 * the process may die (a regular expression that is compiled at its very end is not to be caught), and inherited files are hostile.
 */
const MOST_NESTED = 8000
/** Of a bracket that is open. */
const BRACKET = 40
/** Of an operator or a word that takes what follows as its operand. */
const PREFIX = 10
/** Of an operator between two operands: parsers hardly nest them. */
const BINARY = 1

const WORDS = new Set(
  'new typeof void delete await yield else async case return throw in of instanceof if for while do with class extends'.split(
    ' ',
  ),
)

/** By the first letter of those words: a bit for each length that one has, so that hardly any other word is cut out. */
const LENGTHS = new Uint16Array(128)
for (const word of WORDS) LENGTHS[word.charCodeAt(0)] = (LENGTHS[word.charCodeAt(0)] as number) | (1 << word.length)

/** What a unit is to the walk below; 0: nothing. */
const WORD = 1
const QUOTE = 2
const BACKTICK = 3
const SLASH = 4
const OPEN = 5
const CLOSE = 6
const END = 7
const OPERAND = 8
const BETWEEN = 9
const LINE = 10

const KINDS = new Uint8Array(128)
const set = (signs: string, kind: number) => {
  for (const sign of signs) KINDS[sign.charCodeAt(0)] = kind
}
set('abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ_$', WORD)
set('"\'', QUOTE)
set('`', BACKTICK)
set('/', SLASH)
set('([{', OPEN)
set(')]}', CLOSE)
set(';,', END)
set('=?:@<', OPERAND)
set('+-*%&|^!~>.', BETWEEN)
set('\n', LINE)

/** A `${` that is open; all others are the code of their sign. */
const HOLE = 1
const TEMPLATE = 96
const OPENING: Readonly<Record<number, number>> = { 41: 40, 93: 91, 125: 123 }

/** Whether the code of a text nests deeper than a parser may be trusted with. Looks at brackets, strings and operators only; linear. */
export function isTooDeep(text: string): boolean {
  /** For each bracket that is open: its sign, and what its statement has added so far. */
  const signs: number[] = []
  const sums: number[] = []
  let total = 0
  let added = 0
  const enter = (sign: number) => {
    signs.push(sign)
    sums.push(added)
    added = 0
    total += BRACKET
  }
  const leave = (sign: number) => {
    // Brackets within that nothing closed: in a regular expression, say.
    const at = signs.lastIndexOf(sign)
    while (at >= 0 && signs.length > at) {
      total -= added + BRACKET
      added = sums.pop() as number
      signs.pop()
    }
  }
  const endStatement = () => {
    total -= added
    added = 0
  }

  let inTemplate = false
  for (let i = 0; i < text.length; i++) {
    if (total > MOST_NESTED) return true
    if (inTemplate) {
      TEMPLATE_STOP.lastIndex = i
      const stop = TEMPLATE_STOP.exec(text)
      if (!stop) return false
      i = stop.index
      if (text[i] === '\\') i++
      else if (text[i] === '`') {
        inTemplate = false
        leave(TEMPLATE)
      } else {
        enter(HOLE)
        inTemplate = false
        i++
      }
      continue
    }
    const code = text.charCodeAt(i)
    switch (code < 128 ? KINDS[code] : 0) {
      case WORD: {
        const start = i
        while (isWordPart(text.charCodeAt(i + 1))) i++
        const length = i + 1 - start
        if (length < 11 && (LENGTHS[code] as number) & (1 << length) && WORDS.has(text.slice(start, i + 1))) {
          added += PREFIX
          total += PREFIX
        }
        break
      }
      case QUOTE:
        i = closeOnLine(text, i)
        break
      case BACKTICK:
        // A template may have one before it as its tag.
        added += BINARY
        total += BINARY
        enter(TEMPLATE)
        inTemplate = true
        break
      case SLASH:
        if (text[i + 1] === '/') i = endOr(text, text.indexOf('\n', i)) - 1
        else if (text[i + 1] === '*') i = endOr(text, text.indexOf('*/', i + 2)) + 1
        else total += BINARY
        break
      case OPEN:
        enter(code)
        break
      case CLOSE: {
        const opening = OPENING[code] as number
        if (code === 125 && signs.findLast((each) => each === 123 || each === HOLE) === HOLE) {
          leave(HOLE)
          inTemplate = true
          break
        }
        leave(opening)
        if (code === 125 && !elseFollows(text, i)) endStatement()
        break
      }
      case END:
        if (added > 0 && (code === 44 || !elseFollows(text, i))) endStatement()
        break
      case OPERAND:
        added += PREFIX
        total += PREFIX
        break
      case BETWEEN:
        added += BINARY
        total += BINARY
        break
      case LINE:
        if (added > 0 && endsLine(text, i)) endStatement()
    }
  }
  return total > MOST_NESTED
}

const TEMPLATE_STOP = /[\\`]|\$\{/g

function isWordPart(code: number): boolean {
  return (code < 128 && KINDS[code] === WORD) || (code > 47 && code < 58)
}

function endOr(text: string, at: number): number {
  return at < 0 ? text.length : at
}

function elseFollows(text: string, at: number): boolean {
  let next = at + 1
  while (text.charCodeAt(next) <= 32) next++
  return text.startsWith('else', next)
}

/** The closing quote of a string; its own place where its line has none. */
function closeOnLine(text: string, open: number): number {
  const quote = text.charCodeAt(open)
  for (let at = open + 1; at < text.length; at++) {
    const code = text.charCodeAt(at)
    if (code === quote) return at
    if (code === 92) at++
    else if (code === 10) return open
  }
  return open
}

/** Whether a statement may end at a line's end without a sign: nothing before or after it needs more. */
function endsLine(text: string, at: number): boolean {
  const before = text.slice(Math.max(0, at - 40), at).trimEnd()
  const after = text.slice(at + 1, at + 40).trimStart()
  return (
    !/(?:[-+*/%&|^!~<>=?:.,]|\b(?:new|typeof|void|delete|await|yield|else|async|case|in|of|instanceof))$/.test(
      before,
    ) && !/^(?:[-+*/%&|^<>=?:.,]|else\b)/.test(after)
  )
}
