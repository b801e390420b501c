import { transform } from 'lightningcss'

const VARIABLE_ALPHA = /(\b(?:rgb|hsl)a?\([^()]*[,/])\s*var\([^()]*\)\s*\)/gi

/**
 * Second route: another CSS engine's own visitor. It tells values, not places, and spreads one written color over all the sides of a box, so
 * what can be compared is which different colors each declaration holds.
 * @returns how many declarations hold each color, as `r g b a` with 8-bit channels
 */
export function colorsByEngine(css: string): Map<string, number> {
  const counts = new Map<string, number>()
  transform({
    filename: 'a.css',
    // A variable alpha is none to the engine, though the color is written out: it is given one.
    code: Buffer.from(css.replace(VARIABLE_ALPHA, '$1 1)')),
    errorRecovery: true,
    visitor: {
      Declaration(declaration) {
        if (declaration.property === 'unparsed' && /filter$/.test(declaration.value.propertyId.property)) return
        for (const key of new Set(colorsIn(declaration))) counts.set(key, (counts.get(key) ?? 0) + 1)
      },
    },
  })
  return counts
}

/** Fully see-through black is left out, here and there: the engine writes it for every shorthand that names no color. */
export const NONE = '0 0 0 0'

function colorsIn(value: unknown): string[] {
  if (typeof value !== 'object' || value === null) return []
  if ('type' in value && value.type === 'rgb' && 'alpha' in value) {
    const { r, g, b, alpha } = value as unknown as { r: number; g: number; b: number; alpha: number }
    const key = `${r} ${g} ${b} ${Math.round(alpha * 255)}`
    return key === NONE ? [] : [key]
  }
  return Object.values(value).flatMap(colorsIn)
}
