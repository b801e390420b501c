import { applyEdits, changesInPlace, editsOf, fileEdits, readSource, resolver } from '@undo-ink/core'

/** Every color that is written out in a text, by its opaque key. */
export function colorsOf(path: string, text: string): Set<string> {
  return new Set(readSource({ path, text, encoding: 'utf-8' }).occurrences.map(({ color }) => color))
}

/** A text with each of some colors turned into its negative, written in place. */
export function recolored(path: string, text: string, colors: ReadonlySet<string>): string {
  const { occurrences } = readSource({ path, text, encoding: 'utf-8' })
  const own = [...colors].filter((color) => /^#[\da-f]{6}$/.test(color))
  const decisions = own.map((color) => ({
    id: color,
    target: { colors: [color] },
    to: { kind: 'role', role: color } as const,
  }))
  const roles = own.map((color) => ({ id: color, name: color, color: negative(color) }))
  const changes = changesInPlace(occurrences, resolver(decisions, roles))
  return applyEdits(text, fileEdits(path, text.length, editsOf(text, changes)))
}

export function negative(color: string): string {
  return `#${(0xffffff - Number.parseInt(color.slice(1), 16)).toString(16).padStart(6, '0')}`
}
