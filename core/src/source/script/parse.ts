import { type ParserOptions, parse } from '@babel/parser'
import { isTooDeep } from './nesting.ts'

/** A node of the syntax tree, as far as readers here look: its kind, its place, and whatever belongs to its kind. */
export interface Node {
  readonly type: string
  readonly start: number
  readonly end: number
  readonly [key: string]: unknown
}

type Member = Node & { readonly type: 'MemberExpression' | 'OptionalMemberExpression' }
type Call = Node & { readonly type: 'CallExpression' | 'OptionalCallExpression' }
type AnyFunction = Node & { readonly type: `${string}Function${string}` | 'ObjectMethod' | 'ClassMethod' }

/** A script longer than this is read by its strings alone: a tree of it would take more memory than a small machine has. UTF-16 units. */
const LONGEST_PARSED = 2_000_000

const PLUGINS: Plugins = ['decorators-legacy', 'explicitResourceManagement']
const OPTIONS: ParserOptions = {
  sourceType: 'unambiguous',
  errorRecovery: true,
  allowReturnOutsideFunction: true,
  allowAwaitOutsideFunction: true,
  allowNewTargetOutsideFunction: true,
  allowSuperOutsideMethod: true,
  allowUndeclaredExports: true,
  attachComment: false,
}

/** What a script is written in, as far as its place tells: `script` may have types of any kind. */
export type ScriptLanguage = 'script' | 'ts' | 'tsx'

type Plugins = NonNullable<ParserOptions['plugins']>
const TS: Plugins = ['typescript']
const TSX: Plugins = ['typescript', 'jsx']

/** What is tried, one after the other: in TypeScript alone `<T>x` is a cast, with JSX an element. */
const ATTEMPTS: Readonly<Record<ScriptLanguage, readonly Plugins[]>> = {
  script: [['jsx', 'flow'], TSX, TS],
  ts: [TS, TSX],
  tsx: [TSX, TS],
}

/** By the name of a file. */
export function scriptLanguage(path: string): ScriptLanguage {
  if (/\.tsx$/i.test(path)) return 'tsx'
  return /\.(?:[mc]?ts|astro)$/i.test(path) ? 'ts' : 'script'
}

/** The program that a text is; null: not to be parsed. */
export function parseScript(text: string, language: ScriptLanguage): Node | null {
  if (text.length > LONGEST_PARSED || isTooDeep(text)) return null
  for (const plugins of ATTEMPTS[language]) {
    const program = attempt(text, [...plugins, ...PLUGINS])
    if (program) return program
  }
  return null
}

/** Whatever is thrown costs the tree only: its strings are read without it. */
function attempt(text: string, plugins: Plugins): Node | null {
  try {
    return parse(text, { ...OPTIONS, plugins }).program as unknown as Node
  } catch {
    return null
  }
}

/** The fields of the commonest nodes that hold others (types aside); of all other nodes every field is looked at. */
const FIELDS: Readonly<Record<string, readonly string[] | undefined>> = {
  ArrayExpression: ['elements'],
  ArrowFunctionExpression: ['params', 'body'],
  AssignmentExpression: ['left', 'right'],
  BinaryExpression: ['left', 'right'],
  BlockStatement: ['directives', 'body'],
  BooleanLiteral: [],
  CallExpression: ['callee', 'arguments'],
  ConditionalExpression: ['test', 'consequent', 'alternate'],
  ExpressionStatement: ['expression'],
  FunctionDeclaration: ['id', 'params', 'body'],
  FunctionExpression: ['id', 'params', 'body'],
  Identifier: [],
  IfStatement: ['test', 'consequent', 'alternate'],
  LogicalExpression: ['left', 'right'],
  MemberExpression: ['object', 'property'],
  NullLiteral: [],
  NumericLiteral: [],
  ObjectExpression: ['properties'],
  ObjectProperty: ['key', 'value'],
  RegExpLiteral: [],
  ReturnStatement: ['argument'],
  SequenceExpression: ['expressions'],
  StringLiteral: [],
  ThisExpression: [],
  UnaryExpression: ['argument'],
  UpdateExpression: ['argument'],
  VariableDeclaration: ['declarations'],
  VariableDeclarator: ['id', 'init'],
}

/** The nodes directly within a node. */
export function childrenOf(node: Node): Node[] {
  const children: Node[] = []
  pushChildren(node, children)
  return children
}

/** Puts them at the end of a list. */
export function pushChildren(node: Node, children: Node[]): void {
  for (const key of FIELDS[node.type] ?? Object.keys(node)) {
    const value = node[key]
    if (typeof value !== 'object' || value === null || key === 'loc' || key === 'extra') continue
    if (Array.isArray(value)) {
      for (const each of value) if (isNode(each)) children.push(each)
    } else if (isNode(value)) children.push(value)
  }
}

function isNode(value: unknown): value is Node {
  return typeof value === 'object' && value !== null && typeof (value as { type?: unknown }).type === 'string'
}

/** A child by the name of its field. */
export function child(node: Node | null | undefined, field: string): Node | null {
  const value = node?.[field]
  return isNode(value) ? value : null
}

export function list(node: Node | null | undefined, field: string): readonly (Node | null)[] {
  const value = node?.[field]
  return Array.isArray(value) ? (value as (Node | null)[]) : []
}

/** The node itself without brackets, type casts and the like around it. */
export function bareNode(node: Node | null): Node | null {
  let at = node
  while (at && WRAPPERS.has(at.type)) at = child(at, 'expression')
  return at
}

const WRAPPERS = new Set([
  'ParenthesizedExpression',
  'TSAsExpression',
  'TSNonNullExpression',
  'TSTypeAssertion',
  'TSSatisfiesExpression',
  'TypeCastExpression',
  'ChainExpression',
  'JSXExpressionContainer',
])

/** The text of a string literal, or of a template without expressions; null: something else. */
export function stringOf(node: Node | null): string | null {
  const bare = bareNode(node)
  if (bare?.type === 'StringLiteral' || bare?.type === 'DirectiveLiteral') return String(bare.value)
  if (bare?.type !== 'TemplateLiteral' || list(bare, 'expressions').length > 0) return null
  const cooked = list(bare, 'quasis')[0]?.value as { cooked?: string } | undefined
  return cooked?.cooked ?? null
}

/** Whether a node takes a member of an object: `a.b`, `a['b']`, `a?.b`. */
export function isMember(node: Node | null): node is Member {
  return node?.type === 'MemberExpression' || node?.type === 'OptionalMemberExpression'
}

export function isCall(node: Node | null): node is Call {
  return node?.type === 'CallExpression' || node?.type === 'OptionalCallExpression'
}

/** The name of the member that a node takes, or of a key; null: it is computed. */
export function keyName(node: Node | null, field: 'property' | 'key' = 'property'): string | null {
  const key = child(node, field)
  if (!key || !node) return null
  if (node.computed === true) return stringOf(key)
  if (key.type === 'Identifier' || key.type === 'JSXIdentifier') return String(key.name)
  return key.type === 'StringLiteral' || key.type === 'NumericLiteral' ? String(key.value) : null
}

/** The function that is called: the member of an object, or a name. */
export function calleeName(call: Node): string | null {
  const callee = bareNode(child(call, 'callee'))
  if (callee?.type === 'Identifier') return String(callee.name)
  return isMember(callee) ? keyName(callee) : null
}

export function isFunction(node: Node | null): node is AnyFunction {
  return node !== null && FUNCTIONS.has(node.type)
}

const FUNCTIONS = new Set([
  'FunctionDeclaration',
  'FunctionExpression',
  'ArrowFunctionExpression',
  'ObjectMethod',
  'ClassMethod',
])
