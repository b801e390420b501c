import { converter } from 'culori'
import type { Color } from './color.ts'

/** CIE L*a*b* with white point D65: L 0 to 100, a and b about -128 to 128. */
export interface Lab {
  readonly l: number
  readonly a: number
  readonly b: number
}

const toLab65 = converter('lab65')

/** CIELAB (D65) of a color, alpha left out. */
export function labOf(color: Color): Lab {
  const { l, a, b } = toLab65({ mode: 'rgb', r: color.r, g: color.g, b: color.b })
  return { l, a, b }
}

const DEGREE = Math.PI / 180
const POW25_7 = 25 ** 7

/**
 * CIEDE2000 color difference (kL = kC = kH = 1) of two CIELAB colors of one white point; 0 for equal, about 1 for a difference
 * that an eye just notices side by side. Symmetric; not a metric (no triangle inequality).
 * Source: Sharma, Wu, Dalal, "The CIEDE2000 Color-Difference Formula", Color Research and Application 30(1), 2005, equations 2 to 22.
 */
export function deltaE2000(x: Lab, y: Lab): number {
  const meanC = (length(x.a, x.b) + length(y.a, y.b)) / 2
  const meanC7 = seventh(meanC)
  const g = 0.5 * (1 - Math.sqrt(meanC7 / (meanC7 + POW25_7)))
  const ax = (1 + g) * x.a
  const ay = (1 + g) * y.a
  const cx = length(ax, x.b)
  const cy = length(ay, y.b)
  const hx = hueOf(ax, x.b)
  const hy = hueOf(ay, y.b)

  const deltaL = y.l - x.l
  const deltaC = cy - cx
  const grey = cx * cy === 0
  let turn = grey ? 0 : hy - hx
  if (turn > 180) turn -= 360
  else if (turn < -180) turn += 360
  const deltaH = 2 * Math.sqrt(cx * cy) * Math.sin((turn / 2) * DEGREE)

  const l = (x.l + y.l) / 2
  const c = (cx + cy) / 2
  let h = hx + hy
  if (!grey) {
    if (Math.abs(hx - hy) <= 180) h /= 2
    else h = h < 360 ? (h + 360) / 2 : (h - 360) / 2
  }

  const t =
    1 -
    0.17 * Math.cos((h - 30) * DEGREE) +
    0.24 * Math.cos(2 * h * DEGREE) +
    0.32 * Math.cos((3 * h + 6) * DEGREE) -
    0.2 * Math.cos((4 * h - 63) * DEGREE)
  const c7 = seventh(c)
  const rotation = -2 * Math.sqrt(c7 / (c7 + POW25_7)) * Math.sin(60 * Math.exp(-(((h - 275) / 25) ** 2)) * DEGREE)
  const sl = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2)
  const sc = 1 + 0.045 * c
  const sh = 1 + 0.015 * c * t
  const [dl, dc, dh] = [deltaL / sl, deltaC / sc, deltaH / sh]
  return Math.sqrt(dl * dl + dc * dc + dh * dh + rotation * dc * dh)
}

/** No Math.hypot and no power: they took two thirds of the formula's time, for numbers that these cannot overflow. */
const length = (a: number, b: number) => Math.sqrt(a * a + b * b)
const seventh = (c: number) => {
  const cube = c * c * c
  return cube * cube * c
}

/** Hue angle in degrees, 0 to 360; 0 for grey. */
function hueOf(a: number, b: number): number {
  if (a === 0 && b === 0) return 0
  const degrees = Math.atan2(b, a) / DEGREE
  return degrees < 0 ? degrees + 360 : degrees
}
