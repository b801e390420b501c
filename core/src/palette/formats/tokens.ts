import { type Node, parseTree } from 'jsonc-parser'
import { lineStarts, positionAt } from '../../text/lines.ts'
import { type Role, readRoleColor } from '../role.ts'
import { type Offer, type Offered, offered, type Refusal, type Refused, refused } from './offer.ts'
import { variableNames } from './variables.ts'

/** One token: where it stands, and what it holds. */
interface Token {
  readonly path: string
  readonly node: Node
  readonly type: string | null
  readonly description: string | null
}

/**
 * The colors of a design token file (Design Tokens Community Group, Format Module 2025.10 §5 to 8): groups, types that they hand down, values as objects of
 * a color space or, as before, as hex, and aliases. Null: the text is no such file. A token's name is its path.
 */
export function readTokens(text: string): Offer | null {
  const root = parseTree(text)
  if (root?.type !== 'object') return null
  const starts = lineStarts(text)
  const tokens = new Map<string, Token>()
  collect(root, [], null, tokens, 0)
  if (tokens.size === 0) return null
  const colors: Offered[] = []
  const lost: Refused[] = []
  for (const token of tokens.values()) {
    const { line } = positionAt(starts, token.node.offset)
    const value = tokenValue(token, tokens)
    if (value === 'not-a-color-token') continue
    const color = typeof value === 'string' ? null : offered(nameOf(token.path), value.css, line)
    if (color) colors.push(token.description === null ? color : { ...color, description: token.description })
    else lost.push(refused(line, token.path, typeof value === 'string' ? value : 'no-color'))
  }
  return { format: 'tokens', colors, refused: lost }
}

const DEEPEST = 50

function collect(
  group: Node,
  path: readonly string[],
  type: string | null,
  tokens: Map<string, Token>,
  depth: number,
): void {
  if (depth > DEEPEST) return
  const own = memberOf(group, '$type')?.value
  const handed = typeof own === 'string' ? own : type
  const value = memberOf(group, '$value')
  if (value) {
    const said = memberOf(group, '$description')?.value
    const description = typeof said === 'string' && said.trim() !== '' ? said.trim() : null
    tokens.set(path.join('.'), { path: path.join('.'), node: value, type: handed, description })
  } else
    for (const { name, node } of membersOf(group))
      if (!name.startsWith('$') && node.type === 'object') collect(node, [...path, name], handed, tokens, depth + 1)
}

function membersOf(object: Node): { name: string; node: Node }[] {
  return (object.children ?? []).flatMap(({ children: [key, node] = [] }) =>
    key && node ? [{ name: String(key.value), node }] : [],
  )
}

function memberOf(object: Node, wanted: string): Node | null {
  return membersOf(object).find(({ name }) => name === wanted)?.node ?? null
}

type Value = { readonly css: string } | Refusal | 'not-a-color-token'

/** What a token holds in the end. Each step along aliases goes to another token, or the way leads round. */
function tokenValue(token: Token, tokens: ReadonlyMap<string, Token>): Value {
  const seen = new Set<Token>()
  for (let at: Token | undefined = token; ; ) {
    if (at === undefined)
      return token.type === null || token.type === 'color' ? 'leads-to-nothing' : 'not-a-color-token'
    if (seen.has(at)) return 'leads-to-itself'
    seen.add(at)
    const { node, type } = at
    const alias = node.type === 'string' ? /^\{([^{}]+)\}$/.exec(String(node.value))?.[1] : undefined
    if (alias === undefined) return plainValue(node, type)
    at = tokens.get(alias)
  }
}

function plainValue(node: Node, type: string | null): Value {
  if (node.type === 'string') {
    const text = String(node.value)
    return type === 'color' || (type === null && text.startsWith('#')) ? { css: text } : 'not-a-color-token'
  }
  const space = node.type === 'object' ? memberOf(node, 'colorSpace')?.value : undefined
  if (typeof space !== 'string') return type === 'color' ? 'no-color' : 'not-a-color-token'
  const components = (memberOf(node, 'components')?.children ?? []).map(({ value }) => String(value))
  return { css: cssOf(space, components) }
}

/** A color of a space and its components, as CSS writes it (Color Module 2025.10 §4). */
function cssOf(space: string, components: readonly string[]): string {
  const [a = '', b = '', c = ''] = components
  if (space === 'hsl' || space === 'hwb') return `${space}(${a} ${b}% ${c}%)`
  if (/^(?:ok)?(?:lab|lch)$/.test(space)) return `${space}(${a} ${b} ${c})`
  return `color(${space} ${a} ${b} ${c})`
}

/** The path of a token in words. */
function nameOf(path: string): string {
  return path.replace(/[.\-_]+/g, ' ').trim()
}

/** A design token file of a palette, each role a token with its name as it stands in variables. */
export function writeTokens(roles: readonly Role[]): string {
  const names = variableNames(roles)
  const tokens = roles.flatMap((role, i) => {
    const color = readRoleColor(role.color)
    if (typeof color === 'string') return []
    const components = [color.r, color.g, color.b].map((channel) => Number(channel.toFixed(5)))
    const $description = role.description ? { $description: role.description } : {}
    return [[names[i], { $value: { colorSpace: 'srgb', components }, ...$description }]]
  })
  return `${JSON.stringify({ $type: 'color', ...Object.fromEntries(tokens) }, null, 2)}\n`
}
