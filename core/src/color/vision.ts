import type { Color } from './color.ts'
import { fromSpace, toSpace } from './space.ts'

/** The three kinds of color-vision deficiency: without the cones for long, middle or short waves. */
export const VISIONS = ['protanopia', 'deuteranopia', 'tritanopia'] as const
export type Vision = (typeof VISIONS)[number]

/** Rows of the matrices over linear sRGB. Source: Machado, Oliveira, Fernandes 2009, "A Physiologically-based Model for Simulation of Color Vision Deficiency", severity 1. */
const MATRICES: Readonly<Record<Vision, readonly (readonly [number, number, number])[]>> = {
  protanopia: [
    [0.152286, 1.052583, -0.204868],
    [0.114503, 0.786281, 0.099216],
    [-0.003882, -0.048116, 1.051998],
  ],
  deuteranopia: [
    [0.367322, 0.860646, -0.227968],
    [0.280085, 0.672501, 0.047413],
    [-0.01182, 0.04294, 0.968881],
  ],
  tritanopia: [
    [1.255528, -0.076749, -0.178779],
    [-0.078411, 0.930809, 0.147602],
    [0.004733, 0.691367, 0.3039],
  ],
}

/** How a color looks to somebody, clamped to sRGB; its alpha stays. */
export function seenBy(vision: Vision, color: Color): Color {
  const [r, g, b] = toSpace('srgb-linear', color)
  const [x, y, z] = MATRICES[vision].map((row) => clamp(row[0] * r + row[1] * g + row[2] * b))
  return fromSpace('srgb-linear', [x ?? 0, y ?? 0, z ?? 0], color.alpha)
}

function clamp(value: number): number {
  return Math.min(1, Math.max(0, value))
}
