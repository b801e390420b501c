import { deltaE2000, type Lab } from '../color/difference.ts'

/** Pairs of colors no further apart than a distance: `i` < `j` index the colors, by rising `i`, then `j`. */
export interface Pairs {
  readonly i: Uint32Array
  readonly j: Uint32Array
  /** ΔE00 in millionths, rounded. */
  readonly distance: Uint32Array
}

/** Millionths of ΔE00. */
export const UNIT = 1e6

/** The largest SL of CIEDE2000: that of black, or of white. */
const LARGEST_SL = slOf(0)
const LEAST_BY_L = 1 / LARGEST_SL ** 2

/** Mean chroma up to which the bound has tables; beyond it, which sRGB does not reach, every pair is looked at. */
const MOST_CHROMA = 400

/** Degrees by which the hue h' of the formula, of a' = (1 + G)a, differs at most from that of a and b: asin(G/(2 + G)), G ≤ 0.5; from a mean chroma of 40 on G < 0.0095. */
const MOST_SHIFT = 11.54
const LEAST_SHIFT = 0.28
const LITTLE_SHIFT_FROM = 40

/**
 * All pairs within a distance (ΔE00). Most of the others are told by a bound from below that costs little.
 *
 * With x = ΔC'/SC, y = ΔH'/SH and rotation r = RT, ΔE00² = (ΔL/SL)² + x² + y² + rxy, and x² + y² + rxy ≥ (1 − |r|/2)(x² + y²). By the law of cosines
 * ΔC'² + ΔH'² = Δa'² + Δb², which with Δa' = (1 + G)Δa is at least D² = Δa² + Δb². So, as SH ≤ SC where T ≤ 3 (it is 1.93 at most), x² + y² is at least both of
 *
 *     D²/SC²    and    D²/SH² − ΔC'²(1/SH² − 1/SC²)
 *
 * with |ΔC'| ≤ |ΔC| + G max C. G falls with the mean chroma, (1 + G) times it bounds the mean of C' and with it SC, SH and r; T and r depend on the mean hue of the
 * two, which is little from that of their directions in a and b, unless they nearly oppose each other. A test holds it against the formula.
 *
 * @param labs by rising lightness
 * @param strict by color: 1 for those of which two are told apart more strictly: their distance counts `factor` times, which is at least 1, so that the bound holds
 */
export function nearPairs(labs: readonly Lab[], within: number, strict?: Uint8Array, factor = 1): Pairs {
  const chroma = ({ a, b }: Lab) => Math.sqrt(a * a + b * b)
  const columns: Columns = {
    l: Float64Array.from(labs, ({ l }) => l),
    a: Float64Array.from(labs, ({ a }) => a),
    b: Float64Array.from(labs, ({ b }) => b),
    chroma: Float64Array.from(labs, chroma),
    // Of a grey none, which no comparison holds for.
    hue: Float64Array.from(labs, (lab) =>
      chroma(lab) === 0 ? Number.NaN : (Math.atan2(lab.b, lab.a) * 180) / Math.PI,
    ),
  }
  // A little more, so that rounding loses no pair.
  const reach = within + 1e-5
  const candidates = new Uint32Array(labs.length)
  const found = new Found()
  for (let p = 0; p < labs.length; p++) {
    const count = candidatesAfter(columns, p, reach, candidates)
    for (let at = 0; at < count; at++) {
      const q = candidates[at] as number
      if (isFar(columns, p, q, reach)) continue
      const times = strict?.[p] === 1 && strict[q] === 1 ? factor : 1
      const distance = Math.round(deltaE2000(labs[p] as Lab, labs[q] as Lab) * times * UNIT)
      if (distance <= within * UNIT) found.add(p, q, distance)
    }
  }
  return found.pairs()
}

/** The colors by column: hues in degrees, -180 to 180. */
type Columns = Readonly<Record<'l' | 'a' | 'b' | 'chroma' | 'hue', Float64Array>>

/** Puts into `candidates` those after `p` that are near it by what holds for every lightness and hue. @returns how many they are */
function candidatesAfter({ l, a, b, chroma }: Columns, p: number, reach: number, candidates: Uint32Array): number {
  const lP = l[p] as number
  const aP = a[p] as number
  const bP = b[p] as number
  const chromaP = chroma[p] as number
  const limit = reach * reach
  const most = lightestWithin(lP, reach) - lP
  // Millions pass here: what the loop reads is at hand.
  const [farthest, farthestUp, leastByL, mostChroma] = [
    FARTHEST,
    bP >= 0 ? FARTHEST_UP : FARTHEST,
    LEAST_BY_L,
    MOST_CHROMA,
  ]
  let count = 0
  for (let q = p + 1; q < l.length; q++) {
    const deltaL = (l[q] as number) - lP
    if (deltaL > most) break
    const bQ = b[q] as number
    const deltaA = (a[q] as number) - aP
    const deltaB = bQ - bP
    const square = deltaA * deltaA + deltaB * deltaB
    const mean = (chromaP + (chroma[q] as number)) >> 1
    const bound = (bQ >= 0 ? farthestUp : farthest)[mean] as number
    if (mean < mostChroma && square > bound * (limit - deltaL * deltaL * leastByL)) continue
    candidates[count++] = q
  }
  return count
}

/** Whether two are too far apart by what holds for their lightness and hue. */
function isFar({ l, a, b, chroma, hue }: Columns, p: number, q: number, reach: number): boolean {
  const chromaP = chroma[p] as number
  const chromaQ = chroma[q] as number
  const mean = (chromaP + chromaQ) >> 1
  if (mean >= MOST_CHROMA) return false
  const lP = l[p] as number
  const lQ = l[q] as number
  const byL = (lQ - lP) / slOf((lP + lQ) / 2)
  const rest = reach * reach - byL * byL
  const deltaA = (a[q] as number) - (a[p] as number)
  const deltaB = (b[q] as number) - (b[p] as number)
  const square = deltaA * deltaA + deltaB * deltaB
  if (rest < 0 || square > (FARTHEST[mean] as number) * rest) return true
  // The hue between the two, unless they nearly oppose each other.
  const hueP = hue[p] as number
  const hueQ = hue[q] as number
  const apart = Math.abs(hueP - hueQ)
  if (!(apart < 154 || apart > 206)) return false
  const between = (hueP + hueQ) / 2
  const degrees = Math.floor(apart < 180 ? between : between > 0 ? between - 180 : between + 180)
  const deltaC = Math.abs(chromaP - chromaQ)
  return inPlane(square, deltaC, Math.max(chromaP, chromaQ), mean, degrees + 180) > rest
}

/** The highest lightness that is within a distance of one by lightness alone: ΔL/SL rises with ΔL, since SL changes by 0.015 at most for each of L. */
function lightestWithin(l: number, reach: number): number {
  let [near, far] = [l, l + reach * LARGEST_SL]
  for (let step = 0; step < 20; step++) {
    const middle = (near + far) / 2
    if ((middle - l) / slOf((l + middle) / 2) <= reach) near = middle
    else far = middle
  }
  return far
}

/** The bound on x² + y² + rxy. @param hue the floor of the mean hue in degrees, and 180 more */
function inPlane(square: number, deltaC: number, mostC: number, mean: number, hue: number): number {
  const { t, rotation } = mean < LITTLE_SHIFT_FROM ? NEARLY : CLOSELY
  const most = MOST_MEAN[mean] as number
  const sc = 1 + 0.045 * most
  const sh = 1 + 0.015 * most * (t[hue] as number)
  const dc = deltaC + (MOST_G[mean] as number) * mostC
  const byC = 1 / (sc * sc)
  const byH = 1 / (sh * sh)
  const bound = Math.max(square * byC, square * byH - dc * dc * (byH - byC))
  return (1 - (rotation[hue] as number) * (RATIO[mean] as number)) * bound
}

function slOf(l: number): number {
  const square = (l - 50) * (l - 50)
  return 1 + (0.015 * square) / Math.sqrt(20 + square)
}

const ratioOf = (chroma: number) => Math.sqrt(chroma ** 7 / (chroma ** 7 + 25 ** 7))
const byChroma = (value: (n: number) => number) => Float64Array.from({ length: MOST_CHROMA }, (_, n) => value(n))
/** At its largest for every hue from -180° to 180°, and as far around it as the mean hue may be. */
const byHue = (shift: number, value: (degrees: number) => number) =>
  Float64Array.from({ length: 361 }, (_, index) => {
    const around = Array.from({ length: 101 }, (_, n) => index - 180 - shift + (n / 100) * (1 + 2 * shift))
    // Between two samples, a quarter of a degree apart, neither rises by a hundredth.
    return Math.max(...around.map(value)) + 0.01
  })

/** By the floor of the mean chroma, each at its largest: G, the mean of C', and √(C̄'⁷/(C̄'⁷ + 25⁷)). */
const MOST_G = byChroma((n) => 0.5 * (1 - ratioOf(n)))
const MOST_MEAN = byChroma((n) => (1 + (MOST_G[n] as number)) * (n + 1))
const RATIO = byChroma((n) => ratioOf(MOST_MEAN[n] as number))
/** SC²/(1 − |r|/2) at its most: where b ≥ 0 in both, so that their mean hue is 95° at least from 275° and |r| under 0.00001; and for every hue. */
const FARTHEST_UP = byChroma((n) => (1 + 0.045 * (MOST_MEAN[n] as number)) ** 2 / (1 - 0.00001))
const FARTHEST = byChroma(
  (n) => (1 + 0.045 * (MOST_MEAN[n] as number)) ** 2 / (1 - (RATIO[n] as number) * Math.sin(Math.PI / 3)),
)

const cosine = (degrees: number) => Math.cos((degrees * Math.PI) / 180)
const tOf = (h: number) =>
  1 - 0.17 * cosine(h - 30) + 0.24 * cosine(2 * h) + 0.32 * cosine(3 * h + 6) - 0.2 * cosine(4 * h - 63)
/** |r|/2 without its ratio. */
const rotationOf = (h: number) => {
  const away = Math.abs(((h - 275 + 900) % 360) - 180)
  return Math.sin(((60 * Math.PI) / 180) * Math.exp(-((away / 25) ** 2)))
}
const NEARLY = { t: byHue(MOST_SHIFT, tOf), rotation: byHue(MOST_SHIFT, rotationOf) }
const CLOSELY = { t: byHue(LEAST_SHIFT, tOf), rotation: byHue(LEAST_SHIFT, rotationOf) }

/** Pairs as they are found, in columns that grow. */
class Found {
  private columns = [new Uint32Array(4096), new Uint32Array(4096), new Uint32Array(4096)] as const
  private length = 0

  add(i: number, j: number, distance: number): void {
    if (this.length === this.columns[0].length) this.grow()
    this.columns[0][this.length] = i
    this.columns[1][this.length] = j
    this.columns[2][this.length] = distance
    this.length++
  }

  private grow(): void {
    const grown = (column: Uint32Array) => {
      const larger = new Uint32Array(column.length * 2)
      larger.set(column)
      return larger
    }
    const [i, j, distance] = this.columns
    this.columns = [grown(i), grown(j), grown(distance)]
  }

  pairs(): Pairs {
    const [i, j, distance] = this.columns
    return {
      i: i.subarray(0, this.length),
      j: j.subarray(0, this.length),
      distance: distance.subarray(0, this.length),
    }
  }
}
