/**
 * A color in sRGB (D65, gamma-encoded) with its alpha. Channels run from 0 to 1 inside the sRGB gamut and are unbounded
 * outside it (the extended range of `color(srgb ...)`, CSS Color 4 §10.2), so that nothing is clipped by reading it.
 */
export interface Color {
  readonly r: number
  readonly g: number
  readonly b: number
  /** 0 to 1, clamped as CSS Color 4 §4.2 asks. */
  readonly alpha: number
}

/** Identity of a color without its alpha: `#rrggbb`, or `color(srgb r g b)` with four decimals where sRGB cannot hold it. */
export type OpaqueKey = string

/** A quarter of an 8-bit step: conversions through Lab and back stay below it. */
const GAMUT_TOLERANCE = 0.001

export function inSrgbGamut({ r, g, b }: Color): boolean {
  return Math.min(r, g, b) >= -GAMUT_TOLERANCE && Math.max(r, g, b) <= 1 + GAMUT_TOLERANCE
}

/** The three 8-bit sRGB channels, clamped. */
export function to8Bit({ r, g, b }: Color): [number, number, number] {
  const byte = (v: number) => Math.round(Math.min(1, Math.max(0, v)) * 255)
  return [byte(r), byte(g), byte(b)]
}

/** `#rrggbb` in lower case, clamped to sRGB; alpha left out. */
export function toHex(color: Color): string {
  const [r, g, b] = to8Bit(color)
  return `#${((1 << 24) | (r << 16) | (g << 8) | b).toString(16).slice(1)}`
}

/** The key under which equal colors meet, alpha left out. Two spellings with the same 8-bit sRGB are one color. */
export function opaqueKey(color: Color): OpaqueKey {
  if (inSrgbGamut(color)) return toHex(color)
  return `color(srgb ${[color.r, color.g, color.b].map((v) => String(Number(v.toFixed(4)))).join(' ')})`
}

/** Equal for the eye of an 8-bit screen: the same sRGB bytes and the same alpha byte. */
export function same8Bit(a: Color, b: Color): boolean {
  return toHex(a) === toHex(b) && Math.round(a.alpha * 255) === Math.round(b.alpha * 255)
}
