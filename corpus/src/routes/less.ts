import less from 'less'

/** The colors that the parser of Less itself sees in a sheet, as `r g b a` with 8-bit channels, in no order. Guards only test: they are left out. */
export async function colorsByLess(text: string): Promise<string[]> {
  const root = await new Promise<unknown>((resolve, reject) =>
    parse(text, { processImports: false }, (error, tree) => (error ? reject(error) : resolve(tree))),
  )
  return colorsIn(root, new Set())
}

type Parse = (text: string, options: object, done: (error: unknown, tree: unknown) => void) => void
const parse = (less as unknown as { parse: Parse }).parse

interface Node {
  readonly type?: string
  readonly name?: string
  readonly rgb?: readonly number[]
  readonly alpha?: number
  readonly args?: readonly { readonly type: string; readonly value: unknown }[]
}

function colorsIn(value: unknown, met: Set<object>): string[] {
  if (typeof value !== 'object' || value === null || met.has(value)) return []
  met.add(value)
  const node = value as Node
  if (node.type === 'Color') return [[...(node.rgb ?? []), Math.round((node.alpha ?? 1) * 255)].join(' ')]
  if (node.type === 'Call' && /^rgba?$/i.test(node.name ?? '')) {
    const numbers = (node.args ?? []).map(numberOf)
    const [r, g, b, alpha = 1] = numbers
    if (numbers.length >= 3 && [r, g, b].every((n) => typeof n === 'number'))
      return [[r, g, b, Math.round((alpha ?? 1) * 255)].join(' ')]
  }
  return Object.entries(node).flatMap(([key, child]) =>
    key === 'parent' || key === 'condition' || key === 'guard' || key.startsWith('_') ? [] : colorsIn(child, met),
  )
}

/** The number that an argument is, wrapped or not; null for anything else. */
function numberOf(argument: { readonly type: string; readonly value: unknown } | undefined): number | null {
  if (argument?.type === 'Dimension') return argument.value as number
  const inner = Array.isArray(argument?.value) && argument.value.length === 1 ? argument.value[0] : null
  return inner ? numberOf(inner) : null
}
