import { randomUUID } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import {
  applyEdits,
  type Decision,
  decode,
  fileEdits,
  type Occurrence,
  parseColor,
  type Role,
  readSource,
  resolver,
  rewriteLiteral,
  type SourceText,
  toHex,
} from '@undo-ink/core'
import { expect, test } from './fixtures.ts'
import { ROOT } from './server.ts'

const DEMO = join(ROOT, 'demo/site')
const PAGES = ['index.html', 'timetable.html', 'fares.html', 'notices.html', 'boats.html', 'contact.html']

/** What every element of a page is painted with: by element and property, the computed value. */
type Painted = Record<string, string>

/** Every computed value that holds a color, of every element and of what its rules generate. */
function readPainted(page: Page): Promise<Painted> {
  return page.evaluate(() => {
    const painted: Record<string, string> = {}
    // Of the few hundred properties those that can hold a color.
    const properties = [...getComputedStyle(document.body)].filter((name) =>
      /color|background-image|shadow|fill|stroke|image|filter/.test(name),
    )
    const elements = [...document.querySelectorAll('*')].filter((element) => element.tagName !== 'SCRIPT')
    elements.forEach((element, i) => {
      for (const pseudo of [null, '::before', '::after', '::placeholder', '::selection', '::marker']) {
        const style = getComputedStyle(element, pseudo)
        for (const property of properties) {
          const value = style.getPropertyValue(property)
          if (/rgb|color\(|oklch|oklab|lab\(|lch\(/.test(value))
            painted[`${i} ${element.tagName} ${pseudo ?? ''} ${property}`] = value
        }
      }
    })
    return painted
  })
}

/** Colors within a computed value; Chromium writes them as functions only. */
const COLOR = /\b(?:rgba?|oklch|oklab|lab|lch|color)\([^()]*\)/g

type DemoFile =
  | { readonly source: SourceText; readonly occurrences: readonly Occurrence[] }
  | { readonly bytes: Buffer }

function demoFiles(): Map<string, DemoFile> {
  const files = new Map<string, DemoFile>()
  for (const entry of readdirSync(DEMO, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile()) continue
    const file = join(entry.parentPath, entry.name)
    const path = file.slice(DEMO.length + 1)
    const bytes = readFileSync(file)
    const source = decode(path, bytes)
    files.set(path, typeof source === 'string' ? { bytes } : { source, occurrences: readSource(source).occurrences })
  }
  return files
}

test('Chromium paints every element of every page as the plan says', async ({ page, app, siteUrl }) => {
  const files = demoFiles()
  const places = [...files.values()].flatMap((file) => ('bytes' in file ? [] : file.occurrences))
  expect(places.length).toBeGreaterThan(150)

  // A plan with every third color kept, the others taking a role each.
  const site = await (await fetch(`${app.url}/api${new URL(siteUrl).pathname}`)).json()
  const { planId } = site.snapshot
  const plan = await (await fetch(`${app.url}/api/plans/${planId}`)).json()
  const { versions } = await (await fetch(`${app.url}/api/palettes/${plan.paletteId}`)).json()
  const roles: Role[] = versions.at(-1).roles
  const decisions = [...new Set(places.map(({ color }) => color))].map((color, i): Decision => {
    const to =
      i % 3 === 0 ? ({ kind: 'keep' } as const) : ({ kind: 'role', role: roles[i % roles.length]?.id ?? '' } as const)
    return { id: randomUUID(), target: { colors: [color] }, to }
  })
  await app.post(`/api/plans/${planId}/events`, {
    id: randomUUID(),
    version: plan.version,
    event: { kind: 'decide', decisions },
  })
  const { outcome: resolve } = resolver(decisions, roles)

  // Once, every place gets a color of its own: Chromium then tells by the color which place paints what.
  const own = new Map(places.map((place, i) => [place, `#${(0x100000 + i * 977).toString(16)}`]))
  const placeOf = new Map([...own].map(([place, color]) => [color, place]))
  expect(placeOf.size).toBe(places.length)
  await page.route('http://own.localhost/**', async (route) => {
    const path = new URL(route.request().url()).pathname.slice(1)
    const file = files.get(path)
    if (!file || path.endsWith('.js')) return route.fulfill({ status: 404 })
    if ('bytes' in file) return route.fulfill({ body: file.bytes })
    const { source, occurrences } = file
    const edits = occurrences.map((place) => ({
      kind: 'replace-literal' as const,
      range: place.range,
      replacement: rewriteLiteral(place, parseColor(own.get(place) as string) as never).text,
      decisions: [],
    }))
    const contentType = path.endsWith('.css') ? 'text/css' : path.endsWith('.svg') ? 'image/svg+xml' : 'text/html'
    return route.fulfill({ contentType, body: applyEdits(source.text, fileEdits(path, source.text.length, edits)) })
  })

  const visit = await (await fetch(`${app.url}/api/plans/${planId}/visit`)).json()
  const seen = new Set<Occurrence>()
  const wrong: string[] = []
  let compared = 0
  for (const path of PAGES) {
    await page.goto(`http://own.localhost/${path}`)
    const ownColors = await readPainted(page)
    await page.goto(`${visit.after}/${path}`)
    const planned = await readPainted(page)
    expect(Object.keys(planned)).toEqual(Object.keys(ownColors))
    for (const [key, value] of Object.entries(ownColors)) {
      const expected = value.replace(COLOR, (written) => {
        const color = parseColor(written)
        const place = color && placeOf.get(toHex(color))
        if (!color || !place) return canonical(written)
        seen.add(place)
        const outcome = resolve(place)
        return `${outcome.kind === 'role' ? toHex(outcome.color) : toHex(parseColor(place.color) as never)}/${alphaByte(color.alpha)}`
      })
      const actual = planned[key]?.replace(COLOR, canonical)
      if (actual !== expected) wrong.push(`${path}: ${key} is ${actual}, not ${expected}`)
      compared++
    }
  }
  expect(wrong).toEqual([])
  // The figures show that the check is no empty one.
  expect(seen.size).toBeGreaterThan(90)
  expect(compared).toBeGreaterThan(5000)
  test.info().annotations.push({
    type: 'compared',
    description: `${compared} computed values, painted by ${seen.size} of ${places.length} places`,
  })
})

function canonical(written: string): string {
  const color = parseColor(written)
  return color ? `${toHex(color)}/${alphaByte(color.alpha)}` : written
}

function alphaByte(alpha: number): number {
  return Math.round(alpha * 255)
}
