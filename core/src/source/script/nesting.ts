/**
 * What a parser that works by recursion may be given, measured as its calls would nest. Node.js's own stack holds about twice as much; beyond it
 * the process may die (a regular expression that is compiled at its very end is not to be caught), and inherited files are hostile.
 */
const MOST_NESTED = 800
/** Of a bracket that is open. */
const BRACKET = 4
/** Of an operator or a word that takes what follows as its operand. */
const PREFIX = 1
/** Of an operator between two operands: parsers hardly nest them. */
const BINARY = 0.1

const WORDS =
  /^(?:new|typeof|void|delete|await|yield|else|async|case|return|throw|in|of|instanceof|if|for|while|do|with|class|extends)$/

/** Whether the code of a text nests deeper than a parser may be trusted with. Looks at brackets, strings and operators only; linear. */
export function isTooDeep(text: string): boolean {
  /** For each bracket that is open: its sign, and what its statement has added so far. */
  const open: { sign: string; added: number }[] = []
  let total = 0
  let added = 0
  const add = (cost: number) => {
    added += cost
    total += cost
  }
  const endStatement = () => {
    total -= added
    added = 0
  }
  const enter = (sign: string) => {
    open.push({ sign, added })
    added = 0
    total += BRACKET
  }
  const leave = (sign: string) => {
    if (!open.some((each) => each.sign === sign)) return false
    // Brackets within that nothing closed: in a regular expression, say.
    for (;;) {
      const last = open.pop()
      if (!last) return true
      total -= added + BRACKET
      added = last.added
      if (last.sign === sign) return true
    }
  }

  let inTemplate = false
  for (let i = 0; i < text.length; i++) {
    if (total > MOST_NESTED) return true
    if (inTemplate) {
      const end = text.slice(i).search(TEMPLATE_STOP)
      if (end < 0) return false
      i += end
      if (text[i] === '\\') i++
      else if (text[i] === '`') {
        inTemplate = false
        leave('`')
      } else {
        enter('${')
        inTemplate = false
        i++
      }
      continue
    }
    const sign = text[i] as string
    switch (sign) {
      case '"':
      case "'":
        i = closeOnLine(text, i)
        break
      case '@':
        add(PREFIX)
        break
      case '`':
        // A template may have one before it as its tag.
        add(BINARY)
        enter('`')
        inTemplate = true
        break
      case '/':
        if (text[i + 1] === '/') i = endOr(text, text.indexOf('\n', i))
        else if (text[i + 1] === '*') i = endOr(text, text.indexOf('*/', i + 2)) + 1
        else add(BINARY)
        break
      case '(':
      case '[':
      case '{':
        enter(sign)
        break
      case ')':
        leave('(')
        break
      case ']':
        leave('[')
        break
      case '}':
        if (open.findLast((each) => each.sign === '{' || each.sign === '${')?.sign === '${') {
          leave('${')
          inTemplate = true
        } else {
          leave('{')
          if (!/^\s*else\b/.test(text.slice(i + 1, i + 40))) endStatement()
        }
        break
      case ';':
        if (!/^\s*else\b/.test(text.slice(i + 1, i + 40))) endStatement()
        break
      case ',':
        endStatement()
        break
      case '=':
      case '?':
      case ':':
        add(PREFIX)
        break
      case '<':
        add(/[a-z]/i.test(text[i + 1] ?? '') ? PREFIX : BINARY)
        break
      default:
        if (/[+\-*%&|^!~>.]/.test(sign)) add(BINARY)
        else if (/[a-z]/.test(sign) && !/[\w$.]/.test(text[i - 1] ?? ' ')) {
          const word = /^[a-z]+/.exec(text.slice(i, i + 12))?.[0] ?? ''
          if (WORDS.test(word)) add(PREFIX)
          i += word.length - 1
        } else if (sign === '\n' && endsLine(text, i)) endStatement()
    }
  }
  return total > MOST_NESTED
}

const TEMPLATE_STOP = /[\\`]|\$\{/

function endOr(text: string, at: number): number {
  return at < 0 ? text.length : at
}

/** The closing quote of a string; its own place where its line has none. */
function closeOnLine(text: string, open: number): number {
  for (let at = open + 1; at < text.length; at++) {
    if (text[at] === text[open]) return at
    if (text[at] === '\\') at++
    else if (text[at] === '\n') return open
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
