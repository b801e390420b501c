import { type OpaqueKey, parseColor, perceive } from '@undo-ink/core'
import type { SitePlaces } from '../../work/places.ts'

/** One color of a site where an eye would put it. */
export interface ColorPoint {
  readonly color: OpaqueKey
  readonly places: number
  /** 0 to 1 */
  readonly lightness: number
  readonly chroma: number
  /** Degrees; null: a grey. */
  readonly hue: number | null
}

/** Every color of a site, most used first. */
export function colorPoints(places: SitePlaces): ColorPoint[] {
  return [...places.counts()]
    .flatMap(([color, count]): ColorPoint[] => {
      const parsed = parseColor(color)
      return parsed ? [{ color, places: count, ...perceive(parsed) }] : []
    })
    .toSorted((a, b) => b.places - a.places || (a.color < b.color ? -1 : 1))
}

/** The two ways in which the colors are laid out. */
export const PLANES = {
  'hue and lightness': {
    x: {
      title: 'Hue in degrees; greys at the left edge',
      min: -20,
      max: 360,
      step: 60,
      of: ({ hue }: ColorPoint) => hue ?? -10,
    },
    y: { title: 'Lightness', min: 0, max: 1, step: 0.2, of: ({ lightness }: ColorPoint) => lightness },
  },
  'lightness and chroma': {
    x: { title: 'Lightness', min: 0, max: 1, step: 0.2, of: ({ lightness }: ColorPoint) => lightness },
    y: { title: 'Chroma', min: 0, max: 0.34, step: 0.05, of: ({ chroma }: ColorPoint) => chroma },
  },
} as const
export type Plane = keyof typeof PLANES

/** Pixels of the smallest and the largest point. */
const RADII = { least: 4, most: 22 }

/** Radius of a point, so that its area goes with its places. @param most places of the most used color */
export function radiusOf({ places }: ColorPoint, most: number): number {
  return Math.max(RADII.least, RADII.most * Math.sqrt(places / most))
}
