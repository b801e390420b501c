import { readdirSync, readFileSync, statSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { extname, join, normalize } from 'node:path'
import { expect, type Page, test } from '@playwright/test'
import { decode, type FileReading, listPages, readSource } from '@undo-ink/core'
import { folderOf, siteFiles } from '../corpus/src/files.ts'
import { colorsOf, negative, recolored } from '../corpus/src/recolor.ts'

const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.js': 'text/javascript',
}

/** Serves a folder on loopback as any web server would. */
async function serve(root: string): Promise<{ server: Server; origin: string }> {
  const server = createServer((req, res) => {
    const path = normalize(decodeURIComponent(new URL(req.url ?? '/', 'http://x').pathname))
    try {
      // What others' tools put there is no part of the copy.
      if (path.includes('node_modules')) throw new Error(path)
      const bytes = readFileSync(join(root, path))
      res.writeHead(200, { 'content-type': TYPES[extname(path)] ?? 'application/octet-stream' }).end(bytes)
    } catch {
      res.writeHead(404).end()
    }
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as { port: number }
  return { server, origin: `http://127.0.0.1:${port}` }
}

function readAll(root: string): { files: FileReading[]; paths: string[] } {
  const paths = readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((path) => !path.includes('node_modules') && statSync(join(root, path)).isFile())
    .toSorted()
  const files = paths.flatMap((path) => {
    if (!/\.(?:html|css)$/.test(path)) return []
    const source = decode(path, readFileSync(join(root, path)))
    return typeof source === 'string' ? [] : [{ path, reading: readSource(source) }]
  })
  return { files, paths }
}

/** The sheets that Chromium has loaded, in the order of the cascade; a style element by the page's own address. */
async function sheetsIn(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const seen: string[] = []
    const walk = (sheet: CSSStyleSheet) => {
      let rules: CSSRule[] = []
      try {
        rules = [...sheet.cssRules]
      } catch {
        return
      }
      for (const rule of rules) if (rule instanceof CSSImportRule && rule.styleSheet) walk(rule.styleSheet)
      seen.push(new URL(sheet.href ?? location.href).pathname.slice(1))
    }
    for (const sheet of document.styleSheets) walk(sheet)
    return seen
  })
}

const SITES: readonly (readonly [string, string, number])[] = [
  ['the demo', join(import.meta.dirname, '../demo/site'), 3],
  ['html5-boilerplate', join(folderOf('html5-boilerplate'), 'dist'), 1],
  ['impress.js', folderOf('impress.js'), 1],
  ['reveal.js', folderOf('reveal.js'), 1],
  ['foundation-emails', folderOf('foundation-emails'), 10],
]

for (const [name, root, least] of SITES)
  test(`Chromium loads the sheets that the pages of ${name} are said to load, in their order`, async ({ page }) => {
    const { files, paths } = readAll(root)
    const { pages } = listPages(files, paths)
    const { server, origin } = await serve(root)
    let sheets = 0
    // Chromium lists a link to nothing as a sheet without rules.
    const missing = new Set<string>()
    page.on('response', (response) => {
      if (response.status() === 404) missing.add(new URL(response.url()).pathname.slice(1))
    })
    try {
      // What scripts load is not in the files' own links.
      await page.route(/\.m?js(?:\?|$)/, (route) => route.abort())
      for (const { path, sheets: said } of pages) {
        if (/\{[{%]|<%/.test(readFileSync(join(root, path), 'utf8'))) continue
        await page.goto(`${origin}/${path}`, { waitUntil: 'load' })
        const ours = said
          .filter(({ file, condition, applies }) => file !== null && condition === null && applies !== 'disabled')
          .map(({ file }) => file)
        const theirs = await sheetsIn(page)
        expect(
          theirs.filter((each) => !missing.has(each)),
          path,
        ).toEqual(ours)
        sheets += ours.length
      }
    } finally {
      server.close()
    }
    expect(pages.length).toBeGreaterThanOrEqual(least)
    process.stdout.write(`${name}: ${pages.length} pages, ${sheets} sheets\n`)
  })

test('Chromium paints a rewritten drawing in exactly the planned colours', async ({ page }) => {
  const drawings = siteFiles(/4x3\/[a-d]\w\.svg$/).filter(
    ({ path }) => !/Gradient|opacity/i.test(readFileSync(path, 'utf8')),
  )
  let pixels = 0
  let painted = 0
  await page.goto('about:blank')
  for (const { path, name } of drawings) {
    const text = readFileSync(path, 'utf8')
    const colors = colorsOf('a.svg', text)
    // Black is also what a shape without a colour of its own has.
    if (colors.has('#000000')) continue
    painted++
    const counts = await page.evaluate(compare, {
      before: text,
      after: recolored('a.svg', text, colors),
      planned: [...colors].map((color) => [color, negative(color)] as const),
    })
    expect(counts.wrong, name).toBe(0)
    pixels += counts.right
  }
  expect(painted).toBeGreaterThan(20)
  expect(pixels).toBeGreaterThan(100_000)
  process.stdout.write(`${painted} drawings, ${pixels} pixels of a planned colour\n`)
})

interface Painted {
  readonly before: string
  readonly after: string
  readonly planned: readonly (readonly [string, string])[]
}

/** Runs in the browser: of the pixels that had one of the colors, how many have the planned one now. Edges, where colors mix, are none. */
async function compare({ before, after, planned }: Painted): Promise<{ right: number; wrong: number }> {
  const paint = async (svg: string) => {
    const image = new Image()
    image.src = `data:image/svg+xml;base64,${btoa(unescape(encodeURIComponent(svg)))}`
    await image.decode()
    const canvas = document.createElement('canvas')
    canvas.width = 160
    canvas.height = 120
    const context = canvas.getContext('2d') as CanvasRenderingContext2D
    context.drawImage(image, 0, 0, 160, 120)
    return context.getImageData(0, 0, 160, 120).data
  }
  const [old, now] = [await paint(before), await paint(after)]
  const as = new Map(planned)
  const hex = (data: Uint8ClampedArray, i: number) =>
    `#${[0, 1, 2].map((k) => (data[i + k] ?? 0).toString(16).padStart(2, '0')).join('')}`
  let right = 0
  let wrong = 0
  for (let i = 0; i < old.length; i += 4) {
    const wanted = old[i + 3] === 255 ? as.get(hex(old, i)) : undefined
    // Only inside of a shape: a pixel whose neighbours have its color too.
    const isInside = [-644, -640, -636, -4, 4, 636, 640, 644].every((step) => hex(old, i + step) === hex(old, i))
    if (wanted === undefined || !isInside) continue
    const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => Number.parseInt(wanted.slice(at, at + 2), 16))
    const off = Math.max(Math.abs(r - (now[i] ?? 0)), Math.abs(g - (now[i + 1] ?? 0)), Math.abs(b - (now[i + 2] ?? 0)))
    if (off === 0) right++
    // A hair of another shape may cover a hundredth of a pixel: what was lost in rounding before may show as one step now.
    else if (off > 1) wrong++
  }
  return { right, wrong }
}
