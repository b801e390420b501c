import type { Color } from './color.ts'

/** Relative luminance, 0 (black) to 1 (white), of an opaque sRGB color; channels are clamped. Source: WCAG 2.2, "relative luminance". */
export function luminance({ r, g, b }: Color): number {
  const linear = (v: number) => {
    const c = Math.min(1, Math.max(0, v))
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
  }
  return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b)
}

/** Contrast ratio of two opaque colors, 1 to 21, in either order. Source: WCAG 2.2, "contrast ratio". */
export function contrast(x: Color, y: Color): number {
  const [a, b] = [luminance(x), luminance(y)]
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)
}
