import { chromium } from '@playwright/test'
import { figure, hasFailed, longestTask, median, residentMegabytes, scroll, takeIn, withServer } from './lib/bench.mjs'
import { ensureChromium } from './lib/chromium.mjs'
import { ensurePackages } from './lib/packages.mjs'

/** The ledger of a made-up site of 200,000 places in 2,000 colours: how fast it is stored, and how it feels in Chromium. */
const FILES = 400
const PLACES = 500
const COLORS = 2_000
const RUNS = 3

ensurePackages()
await withServer(async (url) => look(url, await store(url)))
process.exit(hasFailed() ? 1 : 0)

/** Sends the site and watches the API while it is read and stored. */
async function store(url) {
  const sheets = Array.from({ length: FILES }, (_, file) => [`css/part-${file}.css`, sheet(file)])
  const page = ['index.html', '<!doctype html><link rel="stylesheet" href="css/part-0.css"><p>Words']
  const waits = []
  const { siteId, seconds } = await takeIn(url, 'Two hundred thousand', [...sheets, page], (wait) => waits.push(wait))
  figure('places read and stored in a second', (FILES * PLACES) / seconds, null, '1/s')
  figure('median answer of the API meanwhile', median(waits), 100, 'ms')
  figure('longest answer of the API meanwhile', Math.max(...waits), null, 'ms')
  return siteId
}

/** A made-up sheet: headings, states, every use, each colour about as often as another. */
function sheet(file) {
  const rules = []
  for (let i = 0; i < PLACES; i++) {
    const n = file * PLACES + i
    if (i % 25 === 0) rules.push(`/* Part ${file}, section ${i / 25} */`)
    const property = ['color', 'background-color', 'border-color', 'fill', 'outline-color'][n % 5]
    const state = ['', '', '', ':hover', ':focus', '.is-stuck'][n % 6]
    rules.push(`.block-${n % 7_919} .part-${i}${state} { ${property}: ${color(n % COLORS)} }`)
  }
  return rules.join('\n')
}

/** One of 2,000 colours, spread over the cube so that some are near one another. */
function color(n) {
  const value = (Math.imul(n, 0x9e3779b1) >>> 8) & 0xffffff
  return `#${value.toString(16).padStart(6, '0')}`
}

async function look(url, siteId) {
  const args = ['--no-sandbox', '--js-flags=--expose-gc']
  const browser = await chromium.launch({ executablePath: ensureChromium(), args })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const grid = page.getByRole('grid', { name: /^Places/ })
  const clicks = []
  for (let run = 0; run < RUNS; run++) {
    await page.goto(`${url}/sites/${siteId}/intake`)
    await page.getByRole('button', { name: /least used clusters/ }).waitFor({ timeout: 120_000 })
    // As long as a person needs to look and aim; what was still being loaded is done.
    await page.waitForTimeout(1000)
    clicks.push(await clickToFirstRow(page))
  }
  figure('first ledger page after the click', median(clicks), 150, 'ms')
  await grid.waitFor()
  figure('longest task while scrolling', await longestTask(browser, page, () => scroll(page, grid)), 50, 'ms')
  figure('longest task while filtering', await longestTask(browser, page, () => filter(page)), 50, 'ms')
  await page.getByRole('searchbox').fill('#7a2433')
  await page.waitForTimeout(500)
  figure('longest task while the reach is dragged', await longestTask(browser, page, () => drag(page)), 50, 'ms')
  // What nobody holds any more says how lately garbage was collected, in the page and in its workers, not what the tab needs.
  for (const each of [page, ...page.workers()])
    await each.evaluate(() => globalThis.gc({ type: 'major', flavor: 'last-resort' }))
  figure('memory of the tab', await residentMegabytes(browser), 400, 'MB')
  await page.getByRole('link', { name: /^Mapping/ }).click()
  await page.getByRole('slider', { name: /^Tolerance/ }).waitFor()
  await page.waitForTimeout(3000)
  figure('longest task while the tolerance is dragged', await longestTask(browser, page, () => drag(page)), 50, 'ms')
  const clusters = page.getByRole('grid', { name: /^Clusters/ })
  figure(
    'longest task while the clusters are scrolled',
    await longestTask(browser, page, () => scroll(page, clusters)),
    50,
    'ms',
  )
  figure(
    'longest task while a cluster is dragged over the roles',
    await longestTask(browser, page, () => dragOverRoles(page, clusters)),
    50,
    'ms',
  )
  await browser.close()
}

/** Milliseconds from the click on the stage to the frame that shows its first place. */
async function clickToFirstRow(page) {
  const took = page.evaluate(
    () =>
      new Promise((resolve) => {
        addEventListener(
          'pointerdown',
          (event) => {
            const began = event.timeStamp
            const look = () => {
              if (document.querySelector('[role=grid] [role=row][aria-selected]'))
                requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - began)))
              else requestAnimationFrame(look)
            }
            look()
          },
          { once: true, capture: true },
        )
      }),
  )
  await page.getByRole('link', { name: /^Ledger/ }).click()
  return took
}

async function filter(page) {
  for (const name of [/^hover/, /^text/, /^hover/, /^text/]) {
    await page.getByRole('button', { name }).first().click()
    await page.waitForTimeout(200)
  }
}

async function drag(page) {
  const box = await page.getByRole('slider').boundingBox()
  await page.mouse.move(box.x + 10, box.y + box.height / 2)
  await page.mouse.down()
  for (let i = 0; i < 60; i++) {
    await page.mouse.move(box.x + 10 + Math.abs(((i * 5) % 200) - 100), box.y + box.height / 2)
    await page.waitForTimeout(16)
  }
  await page.mouse.up()
  await page.waitForTimeout(300)
}

/** A row is taken up, led over all roles, and let go nowhere. */
async function dragOverRoles(page, clusters) {
  const row = await clusters.getByRole('row').nth(2).boundingBox()
  await page.mouse.move(row.x + 30, row.y + row.height / 2)
  await page.mouse.down()
  for (const role of await page.getByRole('region', { name: 'Roles' }).getByRole('button').all()) {
    const box = await role.boundingBox()
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 4 })
    await page.waitForTimeout(50)
  }
  await page.keyboard.press('Escape')
  await page.mouse.up()
  await page.waitForTimeout(300)
}
