import { expect, type Page } from '@playwright/test'
import { type Color, isRewritten, type LedgerPlace, type Outcome, paintOf, resolver } from '@undo-ink/core'
import { seeded } from '../core/test/random.ts'
import { type Copy, MARKS, markOf, type Written, written } from './plan-copies.ts'
import { type Oracle, oracleOf } from './plan-oracle.ts'
import { eachState, holding, PROPERTIES, paintOnPage, parentsOf, show } from './plan-page.ts'
import { ROLES, randomPlan } from './random-plans.ts'

/**
 * Random plans against Chromium's own cascade. Every place gets a color of its own once: what an element is painted with then says which place
 * paints it. In the copy that a plan wrote, the same element must be painted as the plan says of that place there, and as before where it says nothing.
 */

const COLOR = /rgba?\([^)]*\)/g

/** `r,g,b,a` of a computed color, the alpha to two decimals. */
function key(text: string): string {
  const [r = 0, g = 0, b = 0, a = 1] = (text.match(/[\d.]+/g) ?? []).map(Number)
  return [r, g, b, a.toFixed(2)].join()
}

/** How much was checked. */
export interface Told {
  checked: number
  changed: number
  inPart: number
  gradients: number
  /** Grounds over which the gradient of another rule lies. */
  under: number
}

/** What a page is held against. */
interface Against extends Pick<Written, 'withoutImage'> {
  readonly oracle: Oracle
  readonly places: readonly LedgerPlace[]
  readonly told: Told
}

/** Holds what is painted now against what the plan says of the places that the marks tell. */
async function compare(
  page: Page,
  paint: () => Promise<string[][]>,
  visited: boolean,
  before: Seen,
  { oracle, withoutImage, places, told }: Against,
): Promise<string[]> {
  const wrong: string[] = []
  const painted = await paint()
  const byMark = new Map(places.map((place) => [[...rgb(markOf(place.index))].join(), place]))
  const used = new Set<LedgerPlace>()
  const placesIn = (value: string) =>
    (value.match(COLOR) ?? []).map((color) => byMark.get(key(color).split(',').slice(0, 3).join()) ?? null)
  for (const row of before.marked)
    for (const value of row) for (const place of placesIn(value)) if (place) used.add(place)
  const claims = new Map([...used].map((place) => [place, oracle.claimsOn(place)]))
  const conditions = [...claims.values()].flatMap((list) => list.flatMap((each) => each.conditions))
  const indexOf = new Map(conditions.map((condition, i) => [condition, i]))
  const holds = (await holding(page, conditions, visited)).map((list) => new Set(list))
  const matching = (place: LedgerPlace, at: number) =>
    (claims.get(place) ?? []).filter(({ conditions: list }) =>
      list.some((each) => holds[at]?.has(indexOf.get(each) ?? -1)),
    )
  const outcomeOf = (place: LedgerPlace, at: number) => oracle.outcome(place, matching(place, at))
  const outcomesOf = (place: LedgerPlace) => (claims.get(place) ?? []).map((claim) => oracle.outcome(place, [claim]))
  const gradients = places
    .flatMap(outcomesOf)
    .flatMap((outcome) => (outcome.kind === 'gradient' ? [outcome.stops] : []))
  before.marked.forEach((row, at) => {
    row.forEach((marked, i) => {
      // A drawing in an address is no computed color.
      if (marked.includes('url(')) return
      const places = placesIn(marked)
      if (places.every((place) => place === null)) {
        told.checked++
        if (PROPERTIES[i] === 'background-image') {
          const [ground] = placesIn(row[PROPERTIES.indexOf('background-color')] ?? '')
          const outcome = ground && !withoutImage.has(ground) ? outcomeOf(ground, at) : null
          const image = painted[at]?.[i] ?? ''
          if (outcome?.kind === 'gradient') {
            told.gradients++
            if (!isGradientOf(image, outcome.stops))
              wrong.push(`${ground?.path}:${ground?.line} has ${image}, no gradient`)
            return
          }
          // A rule that sets the color of the ground alone, or a keyword, leaves the gradient of another: the product warns of it.
          const isOwn = ground && outcomesOf(ground).some(({ kind }) => kind === 'gradient')
          if (!isOwn && gradients.some((stops) => isGradientOf(image, stops)) && ground?.property !== 'background') {
            told.under++
            return
          }
        }
        if (painted[at]?.[i] !== before.plain[at]?.[i] && !isTakenOver(before, painted, at, i))
          wrong.push(`${PROPERTIES[i]} ${before.plain[at]?.[i]} became ${painted[at]?.[i]}`)
        return
      }
      const was = (before.plain[at]?.[i] ?? '').match(COLOR) ?? []
      const now = (painted[at]?.[i] ?? '').match(COLOR) ?? []
      if (isTakenOver(before, painted, at, i)) return
      places.forEach((place, nth) => {
        if (!place || place.computedWith !== null) return
        told.checked++
        const found = matching(place, at)
        const isInPart = found.length < (claims.get(place)?.length ?? 0)
        if (isInPart) told.inPart++
        const outcome = oracle.outcome(place, found)
        const own = key(was[nth] ?? '')
        if (outcome.kind === 'inherit') return
        // Bare channels hold no alpha: what uses them has its own.
        const hasAlpha = !place.notation.endsWith('-channels')
        const wanted = isRewritten(outcome) ? paintedKey(outcome, own, hasAlpha) : own
        if (wanted !== own) told.changed++
        // A visited link has the alpha that it has unvisited, so that no page can tell (Selectors 4 §3.4 leaves it to browsers).
        const seenOf = (paint: string) => (visited ? paint.slice(0, paint.lastIndexOf(',')) : paint)
        if (seenOf(key(now[nth] ?? '')) !== seenOf(wanted))
          wrong.push(
            `${place.path}:${place.line} ${place.selector} ${PROPERTIES[i]} ${place.raw}: ${now[nth]}, not ${wanted} (${outcome.kind}${isInPart ? ' in part' : ''})`,
          )
      })
    })
  })
  return [...new Set(wrong)]
}

interface Seen {
  readonly marked: string[][]
  readonly plain: string[][]
  /** Of each element: the row of its parent. */
  readonly parents: number[]
}

/** What comes from the parent, or from the element's own `color`, is painted as that is: there it was checked by itself. */
function isTakenOver({ marked, parents }: Seen, painted: string[][], at: number, i: number): boolean {
  const parent = parents[at] ?? -1
  const same = (row: number, property: number) =>
    marked[row]?.[property] === marked[at]?.[i] && painted[row]?.[property] === painted[at]?.[i]
  return (parent >= 0 && (same(parent, i) || same(parent, 0))) || (i !== 0 && same(at, 0))
}

function isGradientOf(image: string, stops: readonly Color[]): boolean {
  const colors = (image.match(COLOR) ?? []).map(key)
  return (
    image.startsWith('linear-gradient(') &&
    colors.join(' ') === stops.map((stop) => `${bytesOf(stop).join()},1.00`).join(' ')
  )
}

function bytesOf(color: Color | null): number[] {
  return (['r', 'g', 'b'] as const).map((channel) => Math.round(Math.min(1, Math.max(0, color?.[channel] ?? 0)) * 255))
}

function paintedKey(outcome: Outcome, own: string, hasAlpha: boolean): string {
  const color = paintOf(outcome)
  const alpha = hasAlpha && 'alpha' in outcome && outcome.alpha !== null ? outcome.alpha.toFixed(2) : own.split(',')[3]
  return [...bytesOf(color), alpha].join()
}

/** Runs some plans on one page, at rest in two widths and under forced states. */
export async function check(page: Page, copy: Copy, path: string, seeds: readonly number[]): Promise<Told> {
  const told: Told = { checked: 0, changed: 0, inPart: 0, gradients: 0, under: 0 }
  const { files: plain } = written(copy, resolver([], []))
  const { files: marks } = written(copy, MARKS)
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('DOM.enable')
  await cdp.send('CSS.enable')
  const widths = [1280, 500]
  const seen = async (files: ReadonlyMap<string, Buffer>) => {
    await show(page, 'http://copy.test', path, files)
    const rows: string[][][] = []
    for (const width of widths) {
      await page.setViewportSize({ width, height: 800 })
      rows.push(await paintOnPage(page))
    }
    await page.setViewportSize({ width: 1280, height: 800 })
    const states = await eachState(page, cdp, (paint) => paint())
    return [...rows, ...states]
  }
  const [received, marked] = [await seen(plain), await seen(marks)]
  const parents = await parentsOf(page)
  const before = received.map((rows, i): Seen => ({ plain: rows, marked: marked[i] ?? [], parents }))
  for (const seed of seeds) {
    const decisions = randomPlan(copy.places, copy.pages, seeded(seed))
    const plan = resolver(decisions, ROLES, copy.pages)
    const { files, withoutImage } = written(copy, plan)
    await show(page, 'http://copy.test', path, files)
    const oracle = oracleOf(decisions, copy, path, plan)
    const against = { oracle, withoutImage, places: copy.places, told }
    const wrong: string[] = []
    for (const [i, width] of widths.entries()) {
      await page.setViewportSize({ width, height: 800 })
      wrong.push(...(await compare(page, () => paintOnPage(page), false, before[i] as Seen, against)))
    }
    await page.setViewportSize({ width: 1280, height: 800 })
    let state = widths.length
    await eachState(page, cdp, async (paint, visited) => {
      wrong.push(...(await compare(page, paint, visited, before[state++] as Seen, against)))
    })
    expect(wrong, `seed ${seed} on ${path}`).toEqual([])
  }
  return told
}

function rgb(mark: number): [number, number, number] {
  return [mark >> 16, (mark >> 8) & 255, mark & 255]
}
