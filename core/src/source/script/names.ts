import { DOINGS, Interest } from './interest.ts'
import {
  bareNode,
  calleeName,
  child,
  isCall,
  isFunction,
  isMember,
  keyName,
  list,
  type Node,
  pushChildren,
  stringOf,
} from './parse.ts'

/** What the names of one script stand for, as far as each is given once. */
export class Names {
  /** What each variable is first given; null: it is given several things. */
  readonly #values = new Map<string, Node | null>()
  readonly #functions = new Map<string, Node>()
  readonly #text: string
  readonly #root: Node
  #nodes: readonly Node[] | null = null

  constructor(text: string, root: Node) {
    this.#text = text
    this.#root = root
  }

  /** The nodes that names are learnt from, and handlers: functions, variables, assignments and calls. Found when first asked for. */
  get nodes(): readonly Node[] {
    if (this.#nodes) return this.#nodes
    this.#nodes = tellingNodes(this.#root, new Interest(this.#text, DOINGS))
    for (const node of this.#nodes) this.#learn(node)
    return this.#nodes
  }

  #learn(node: Node): void {
    const name = child(node, 'id')
    if (node.type === 'FunctionDeclaration' && name) this.#functions.set(String(name.name), node)
    else if (node.type === 'VariableDeclarator' && name?.type === 'Identifier')
      this.#give(String(name.name), child(node, 'init'))
    else if (node.type === 'AssignmentExpression') {
      const left = child(node, 'left')
      if (left?.type === 'Identifier') this.#give(String(left.name), child(node, 'right'))
    }
  }

  #give(name: string, value: Node | null): void {
    if (value === null) return
    if (isFunction(value)) this.#functions.set(name, value)
    this.#values.set(name, this.#values.has(name) ? null : value)
  }

  functionOf(node: Node | null): Node | null {
    const bare = bareNode(node)
    if (isFunction(bare)) return bare
    if (bare?.type !== 'Identifier' || this.nodes.length === 0) return null
    return this.#functions.get(String(bare.name)) ?? null
  }

  /** What a name stands for; the node itself where it is none. */
  valueOf(node: Node | null): Node | null {
    let bare = bareNode(node)
    for (let step = 0; step < MOST_STEPS && bare?.type === 'Identifier' && this.nodes.length > 0; step++) {
      const value = this.#values.get(String(bare.name))
      if (!value) return bare
      bare = bareNode(value)
    }
    return bare
  }

  numberOf(node: Node | null): number | null {
    const value = this.valueOf(node)
    return value?.type === 'NumericLiteral' ? Number(value.value) : null
  }

  /**
   * The element that an expression stands for: the selector by which the script finds it, else the expression itself; null: not to be told.
   * @param self what `this` is
   */
  elementOf(node: Node | null, self: string | null, depth = 0): string | null {
    const value = this.valueOf(node)
    if (!value || depth > MOST_STEPS) return null
    if (value.type === 'ThisExpression') return self
    if (isCall(value)) {
      const name = calleeName(value)
      const [first] = list(value, 'arguments')
      const text = stringOf(first ?? null)
      const on = child(bareNode(child(value, 'callee')), 'object')
      switch (name) {
        case 'getElementById':
          return text && `#${text}`
        case 'getElementsByClassName':
          return text && `.${text.trim().split(/\s+/).join('.')}`
        case '$':
        case 'jQuery':
          return text ?? this.elementOf(first ?? null, self, depth + 1)
        case 'querySelector':
        case 'querySelectorAll':
        case 'getElementsByTagName':
        case 'find':
        case 'children': {
          const around = on ? this.elementOf(on, self, depth + 1) : null
          return text && (around === null || around === 'document' ? text : `${around} ${text}`)
        }
      }
      return null
    }
    if (isMember(value)) {
      const name = keyName(value)
      const on = child(value, 'object')
      if (value.computed === true && name === null) return this.elementOf(on, self, depth + 1)
      if (on?.type === 'Identifier' && on.name === 'document') return name === 'documentElement' ? 'html' : name
      if (name === 'currentTarget' || name === 'target') return self
    }
    if (value.type !== 'Identifier' && !isMember(value)) return null
    return this.#text.slice(value.start, Math.min(value.end, value.start + LONGEST_EXPRESSION))
  }
}

const MOST_STEPS = 8
const LONGEST_EXPRESSION = 60

const TELLING = new Set([
  'FunctionDeclaration',
  'VariableDeclarator',
  'AssignmentExpression',
  'CallExpression',
  'OptionalCallExpression',
  'NewExpression',
])

/** The nodes that names and handlers are learnt from, in the order of the text. Keeps its own stack. */
function tellingNodes(root: Node, interest: Interest): Node[] {
  const found: Node[] = []
  const pending = [root]
  for (let node = pending.pop(); node; node = pending.pop()) {
    if (!interest.isIn(node.start, node.end)) continue
    if (TELLING.has(node.type)) found.push(node)
    pushChildren(node, pending)
  }
  return found.sort((a, b) => a.start - b.start)
}
