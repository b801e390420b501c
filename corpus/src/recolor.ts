import { applyEdits, readSource, resolver, rewriteFile } from '@undo-ink/core'

/** Every color that is written out in a text, by its opaque key. */
export function colorsOf(path: string, text: string): Set<string> {
  return new Set(readSource({ path, text, encoding: 'utf-8' }).occurrences.map(({ color }) => color))
}

/** A text with each of some colors turned into its negative, written in place. */
export function recolored(path: string, text: string, colors: ReadonlySet<string>): string {
  const source = { path, text, encoding: 'utf-8' } as const
  const { occurrences } = readSource(source)
  const own = [...colors].filter((color) => /^#[\da-f]{6}$/.test(color))
  const decisions = own.map((color) => ({
    id: color,
    target: { colors: [color] },
    to: { kind: 'role', role: color } as const,
  }))
  const roles = own.map((color) => ({ id: color, name: color, color: negative(color) }))
  const plan = { resolver: resolver(decisions, roles), corrections: [], insertions: [] }
  return applyEdits(text, rewriteFile(source, occurrences, plan).edits)
}

export function negative(color: string): string {
  return `#${(0xffffff - Number.parseInt(color.slice(1), 16)).toString(16).padStart(6, '0')}`
}
