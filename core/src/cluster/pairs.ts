import { deltaE2000, type Lab } from '../color/difference.ts'

/** Pairs of colors no further apart than a distance: `i` < `j` index the colors, in the order of `i`, then `j`. */
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
 * two, which is little from the direction between them in a and b, unless they nearly oppose each other. A test holds it against the formula.
 */
export function nearPairs(labs: readonly Lab[], within: number): Pairs {
  const order = labs.map((_, i) => i).toSorted((p, q) => (labs[p] as Lab).l - (labs[q] as Lab).l)
  const sorted = order.map((i) => labs[i] as Lab)
  const l = Float64Array.from(sorted, (lab) => lab.l)
  const a = Float64Array.from(sorted, (lab) => lab.a)
  const b = Float64Array.from(sorted, (lab) => lab.b)
  const chroma = Float64Array.from(sorted, (lab) => Math.sqrt(lab.a * lab.a + lab.b * lab.b))
  // A little more, so that rounding loses no pair.
  const reach = within + 1e-5
  const limit = reach * reach
  const sl = l.map(slOf)
  const found = new Found()
  for (let p = 0; p < sorted.length; p++) {
    const x = sorted[p] as Lab
    const i = order[p] as number
    const chromaP = chroma[p] as number
    const lP = x.l
    const aP = x.a
    const bP = x.b
    const end = lightestWithin(lP, reach)
    for (let q = p + 1; q < sorted.length; q++) {
      const lQ = l[q] as number
      if (lQ > end) break
      const bQ = b[q] as number
      const deltaA = (a[q] as number) - aP
      const deltaB = bQ - bP
      const square = deltaA * deltaA + deltaB * deltaB
      const chromaQ = chroma[q] as number
      const mean = (chromaP + chromaQ) >> 1
      // First by what holds for every lightness and hue, then by what holds for these.
      const left = limit - (lQ - lP) * (lQ - lP) * LEAST_BY_L
      const farthest = bP >= 0 && bQ >= 0 ? FARTHEST_UP : FARTHEST
      if (mean < MOST_CHROMA && square > (farthest[mean] as number) * left) continue
      if (mean < MOST_CHROMA) {
        // SL rises with the distance from L = 50, so that of the mean is no more than the larger of both.
        const most = Math.max(sl[p] as number, sl[q] as number)
        const rest = limit - ((lQ - lP) * (lQ - lP)) / (most * most)
        if (rest < 0 || square > (FARTHEST[mean] as number) * rest) continue
        // The direction between the two, unless they nearly oppose each other or have none.
        const aM = aP * chromaQ + (a[q] as number) * chromaP
        const bM = bP * chromaQ + bQ * chromaP
        if (aM * aM + bM * bM > 0.2 * chromaP * chromaP * chromaQ * chromaQ) {
          const degrees = Math.floor(Math.atan2(bM, aM) * (180 / Math.PI))
          const deltaC = Math.abs(chromaP - chromaQ)
          if (inPlane(square, deltaC, Math.max(chromaP, chromaQ), mean, degrees + 180) > rest) continue
        }
      }
      const y = sorted[q] as Lab
      const j = order[q] as number
      const distance = Math.round((i < j ? deltaE2000(x, y) : deltaE2000(y, x)) * UNIT)
      if (distance <= within * UNIT) found.add(i < j ? i : j, i < j ? j : i, distance)
    }
  }
  return found.inOrder()
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

  /** In the order of their first color, then of their second. */
  inOrder(): Pairs {
    const [i, j, distance] = this.columns.map((column) => column.subarray(0, this.length)) as [
      Uint32Array,
      Uint32Array,
      Uint32Array,
    ]
    const order = sortedBy(i, sortedBy(j))
    const sorted = (column: Uint32Array) => order.map((at) => column[at] as number)
    return { i: sorted(i), j: sorted(j), distance: sorted(distance) }
  }
}

/** Indices by rising value; of equals the earlier first. @param before in which order they come now; left out: as they are */
export function sortedBy(values: Uint32Array, before?: Uint32Array): Uint32Array {
  let order = before ?? new Uint32Array(values.length).map((_, at) => at)
  let most = 0
  for (const value of values) most = Math.max(most, value)
  // By 16 bits at a time, the lower first.
  for (let shift = 0; shift < 32 && most >>> shift > 0; shift += 16) {
    const starts = new Uint32Array(65537)
    for (const value of values) {
      const digit = (value >>> shift) & 65535
      starts[digit + 1] = (starts[digit + 1] as number) + 1
    }
    for (let n = 1; n < starts.length; n++) starts[n] = (starts[n] as number) + (starts[n - 1] as number)
    const next = new Uint32Array(order.length)
    for (const at of order) {
      const digit = ((values[at] as number) >>> shift) & 65535
      const to = starts[digit] as number
      next[to] = at
      starts[digit] = to + 1
    }
    order = next
  }
  return order
}
