import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { decode, linkVariables, type Reading, readSource } from '@undo-ink/core'
import { expect, test } from './fixtures.ts'
import { ROOT } from './server.ts'
import { unzip, zipOf } from './zip.ts'

const DEMO = join(ROOT, 'demo/site')

test('from a ZIP to a recoloured copy, on the screen alone', async ({ page, app }) => {
  const css = '/* Header */\n.bar { background: #7A2433; color: white }\n.bar a:hover { color: rgb(123, 37, 52) }\n'
  const html = '<!doctype html><link rel=stylesheet href=site.css><div class=bar>Bar <a href=#>link</a></div>'
  await page.goto(app.url)
  await page.getByLabel('Name of the site').fill('Harbour Stores')
  await page.getByRole('button', { name: 'Make the site' }).click()
  await page.getByLabel('ZIP or files of the site').setInputFiles({
    name: 'site.zip',
    mimeType: 'application/zip',
    buffer: await zipOf({ 'harbour/site.css': css, 'harbour/index.html': html }),
  })
  await expect(page.getByText('2 files, 190 B, kept as received. 2 are read')).toBeVisible()

  await page.getByRole('link', { name: 'See the 3 places' }).click()
  await expect(page.getByRole('row', { name: /#7A2433/ })).toContainText('ground')
  await expect(page.getByRole('row', { name: /rgb\(123, 37, 52\)/ })).toContainText('hover')

  await page.getByRole('link', { name: /^Mapping/ }).click()
  await page.getByRole('link', { name: 'Make the palette' }).click()
  await page.getByLabel('What it is for').fill('primary')
  await page.getByLabel('Colour, in any CSS notation').fill('hsl(184 82% 25%)')
  await page.getByRole('button', { name: 'Add the role' }).click()
  await expect(page.getByRole('cell', { name: 'hsl(184 82% 25%)' })).toBeVisible()

  await page.getByRole('link', { name: /^Clusters/ }).click()
  await expect(page.getByText('2 clusters stand for 3 colours. 0 are decided, 2 are open.')).toBeVisible()
  await page.getByRole('row', { name: /^#7a2433/ }).click()
  await page.getByRole('button', { name: /^primary/ }).click()
  await expect(page.getByText('1 is decided, 1 is open.')).toBeVisible()
  await expect(page.getByTestId('becomes')).toHaveText('decided 2 of 3')

  await page.getByRole('link', { name: /^Handover/ }).click()
  await expect(page.getByText('2 changes in 1 file, written in place. 1 place stays as they came')).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Get the recoloured copy' }).click()
  const copy = await unzip(await (await download).path())
  expect(copy.get('index.html')?.toString()).toBe(html)
  expect(copy.get('site.css')?.toString()).toBe(
    css.replace('#7A2433', '#0B6D74').replace('rgb(123, 37, 52)', 'rgb(11, 109, 116)'),
  )
})

test('the demo, decided by keys, undone and redone, survives a crash and keeps every other byte', async ({
  page,
  app,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping`)
  await expect(page.getByText(/clusters stand for 119 colours/)).toBeVisible()
  const list = page.getByRole('grid', { name: /^Clusters/ })
  await list.focus()
  await page.keyboard.press('1')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('k')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('6')
  await expect(page.getByText('3 are decided')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('2 are decided')).toBeVisible()
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(page.getByText('3 are decided')).toBeVisible()
  await expect(page.getByText('all saved')).toBeVisible()

  await app.end('SIGKILL')
  await app.start()
  await page.reload()
  await expect(page.getByText('3 are decided')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('2 are decided')).toBeVisible()

  await page.getByRole('link', { name: /^Handover/ }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Get the recoloured copy' }).click()
  const copy = await unzip(await (await download).path())
  const maroons = new Set(['#7a2433', '#7a2434', '#7b2534', '#7d2838'])
  let changed = 0
  for (const [path, after] of copy) {
    const bytes = readFileSync(join(DEMO, path))
    const source = decode(path, bytes)
    const again = decode(path, after)
    if (typeof source === 'string' || typeof again === 'string') {
      expect(after.equals(bytes)).toBe(true)
      continue
    }
    const [before = [], now = []] = [source, again].map((each) => occurrencesOf(readSource(each)))
    expect(now).toHaveLength(before.length)
    // Everything between the places is the same, every maroon place is teal, every other place is as it was.
    const between = (text: string, places: typeof before) => {
      let at = 0
      return places.map(({ range }) => {
        const piece = text.slice(at, range.start)
        at = range.end
        return piece
      })
    }
    expect(between(again.text, now)).toEqual(between(source.text, before))
    before.forEach(({ color, raw, alpha }, i) => {
      if (maroons.has(color)) {
        changed++
        expect([now[i]?.color, now[i]?.alpha]).toEqual(['#0b6e74', alpha])
      } else expect(now[i]?.raw).toBe(raw)
    })
  }
  expect(copy.size).toBe(30)
  expect(changed).toBe(56)
})

test('a stretch of the bands filters the ledger, whose source marks the literal', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/places`)
  await page.getByRole('button', { name: /^#e0a526/ }).click()
  await expect(page.getByText('23 of 364 places shown')).toBeVisible()
  await page.getByRole('button', { name: /^hover/ }).click()
  await expect(page.getByText('4 of 364 places shown')).toBeVisible()
  const grid = page.getByRole('grid', { name: /^Places/ })
  await grid.getByRole('row', { name: /DFA425/ }).click()
  const source = page.getByRole('region', { name: 'Source' })
  await expect(source.locator('.source-here')).toHaveText('#DFA425')
  await expect(source).toContainText('css/season.css')
  await page.getByRole('grid', { name: /^Places/ }).focus()
  await page.keyboard.press('Home')
  await expect(source.locator('.source-here')).not.toHaveText('#DFA425')
})

test('a cluster with several uses is decided apart, and a decision holds colours, not a cluster', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping`)
  await page
    .getByRole('row', { name: /^#ffffff/ })
    .first()
    .click()
  await page.getByRole('grid', { name: /^Clusters/ }).focus()
  await page.keyboard.press('u')
  await page.getByRole('row', { name: /as text, 24 places/ }).click()
  await page.keyboard.press('2')
  await page.getByRole('row', { name: /as ground, 4 places/ }).click()
  await page.keyboard.press('4')
  await expect(page.getByRole('row', { name: /#ffffff 35 places/ })).toContainText(
    '24 to text on primary, 7 open, 4 to ground',
  )
  await page.getByRole('radio', { name: /similar/ }).click()
  await expect(page.getByText('all saved')).toBeVisible()
  await expect(page.getByTestId('becomes')).toHaveText('decided 28 of 364')
  await page.getByRole('button', { name: 'History' }).click()
  await page
    .getByRole('listitem')
    .filter({ hasText: '#ffffff as text to text on primary' })
    .getByRole('button', { name: 'Take back' })
    .click()
  await expect(page.getByTestId('becomes')).toHaveText('decided 4 of 364')
})

/** The places of one file that is read by itself, bare channels in its variables too. */
function occurrencesOf(reading: Reading) {
  return linkVariables([{ path: 'a.css', reading }]).flatMap((file) => file.reading.occurrences)
}
