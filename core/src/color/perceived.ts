import type { Color } from './color.ts'
import { toSpace } from './space.ts'

/** A color as it is perceived, in OKLCH (CSS Color 4 §9, Ottosson 2020). */
export interface Perceived {
  /** 0 black to 1 white */
  readonly lightness: number
  /** 0 grey; within sRGB at most about 0.32 */
  readonly chroma: number
  /** Degrees, 0 to 360; null for greys, which have none. */
  readonly hue: number | null
}

/** Below it a color has no hue that an eye could name: CSS Color 4 §12.2 lets implementations choose; 8-bit greys come out at up to 1e-7. */
const ACHROMATIC = 0.004

export function perceive(color: Color): Perceived {
  const [lightness, chroma, hue] = toSpace('oklch', color)
  return { lightness, chroma, hue: chroma < ACHROMATIC ? null : hue }
}
