import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { type Color, contrast, deltaE2000, followed, labOf, parseColor } from '@undo-ink/core'
import { converter } from 'culori'
import { describe, expect, it } from 'vitest'

/**
 * Shades that follow, held against published schemes whose authors made the same shades of several brands: for each pair of brands, what the author
 * made of a shade in the second is held against what becomes of that in the first. Lightness by an independent library.
 * open-color 1.9.1: ten steps of twelve hues. bootstrap 5.3.3 and the themes of bootswatch 5.3.3: emphasis, soft ground and border of six roles.
 */

const require = createRequire(import.meta.url)
const oklch = converter('oklch')
const color = (text: string) => parseColor(text) as Color
const lightness = ({ r, g, b }: Color) => oklch({ mode: 'rgb', r, g, b }).l
const WHITE = color('#fff')

/** What is found over many shades. */
class Tally {
  shades = 0
  distance = 0
  pale = 0
  paleLost = 0
  readable = 0
  readableLost = 0

  /** @param grounds what the shade is read on before, in the author's second brand, and as followed */
  add(before: Color, wanted: Color, got: Color, grounds: readonly [Color, Color, Color]): void {
    this.shades++
    this.distance += deltaE2000(labOf(got), labOf(wanted))
    if (lightness(before) >= 0.9) {
      this.pale++
      if (lightness(got) < 0.88) this.paleLost++
    }
    if (contrast(before, grounds[0]) >= 4.5 && contrast(wanted, grounds[1]) >= 4.5) {
      this.readable++
      if (contrast(got, grounds[2]) < 4.5) this.readableLost++
    }
  }

  print(name: string): void {
    const mean = (this.distance / this.shades).toFixed(2)
    process.stdout.write(
      `${name}: ${this.shades} shades, ΔE00 ${mean} from the author's on average; ${this.paleLost} of ${this.pale} pale ones not pale, ${this.readableLost} of ${this.readable} not readable any more\n`,
    )
  }
}

describe('shades that follow agree with what the author made of them', () => {
  it('open-color, each hue to each other, by the sixth step', () => {
    const scheme = Object.values(JSON.parse(readFileSync(require.resolve('open-color/open-color.json'), 'utf8')))
    const hues = scheme.filter((steps): steps is string[] => Array.isArray(steps) && steps.length === 10)
    const tally = new Tally()
    for (const from of hues)
      for (const to of hues)
        if (from !== to)
          from.forEach((step, i) => {
            const [lead, newLead] = [color(from[6] as string), color(to[6] as string)]
            // As a text, which a step that can be read on white may be.
            const got = followed(color(step), lead, newLead, true)
            tally.add(color(step), color(to[i] as string), got, [WHITE, WHITE, WHITE])
          })
    tally.print('open-color')
    expect(tally.shades).toBeGreaterThan(1000)
    expect(tally.distance / tally.shades).toBeLessThan(6)
    expect(tally.paleLost).toBe(0)
    expect(tally.readableLost).toBe(0)
  })

  it('bootstrap to every theme of bootswatch', () => {
    const base = variablesOf(require.resolve('bootstrap/dist/css/bootstrap.css'))
    const folder = dirname(dirname(require.resolve('bootswatch/dist/cosmo/bootstrap.css')))
    const tally = new Tally()
    for (const theme of readdirSync(folder)) {
      const own = variablesOf(join(folder, theme, 'bootstrap.css'))
      for (const role of ['primary', 'secondary', 'success', 'info', 'warning', 'danger']) {
        const names = [role, `${role}-text-emphasis`, `${role}-bg-subtle`, `${role}-border-subtle`]
        if (names.some((name) => !own.has(name) || !base.has(name)) || own.get(role) === base.get(role)) continue
        const [lead, ...shades] = names.map((name) => color(base.get(name) as string)) as [Color, ...Color[]]
        const [newLead, ...wanted] = names.map((name) => color(own.get(name) as string)) as [Color, ...Color[]]
        const got = shades.map((shade) => followed(shade, lead, newLead, shade === shades[0]))
        const ground = 1
        shades.forEach((shade, i) => {
          const grounds = [shades[ground], wanted[ground], got[ground]] as [Color, Color, Color]
          tally.add(shade, wanted[i] as Color, got[i] as Color, grounds)
        })
      }
    }
    tally.print('bootswatch')
    expect(tally.shades).toBeGreaterThan(300)
    expect(tally.distance / tally.shades).toBeLessThan(3)
    expect(tally.paleLost).toBe(0)
    expect(tally.readableLost).toBe(0)
  })
})

/** The colors of a compiled sheet's light scheme, by the names of its variables. */
function variablesOf(file: string): ReadonlyMap<string, string> {
  const root = /:root,\s*\[data-bs-theme=light\]\s*\{([^}]*)\}/.exec(readFileSync(file, 'utf8'))?.[1] ?? ''
  return new Map(
    [...root.matchAll(/--bs-([\w-]+):\s*(#[0-9a-f]{3,6})\b/gi)].map(([, name = '', value = '']) => [name, value]),
  )
}
