import type { Color } from './color.ts'

/** What a see-through color shows on an opaque ground, opaque: source over (Compositing 1 §5.1), in gamma-encoded sRGB as browsers do for elements. */
export function composite({ r, g, b, alpha }: Color, ground: Color): Color {
  const mix = (own: number, under: number) => own * alpha + under * (1 - alpha)
  return { r: mix(r, ground.r), g: mix(g, ground.g), b: mix(b, ground.b), alpha: 1 }
}
