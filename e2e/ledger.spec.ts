import { readFileSync } from 'node:fs'
import papaparse from 'papaparse'
import { expect, test } from './fixtures.ts'

test('the ledger is searched, narrowed, kept under a name and come back to', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/places`)
  const search = page.getByRole('searchbox')
  await search.fill('#7a243')
  await expect(page.getByText('no colour: sought as a text')).toBeVisible()
  await search.fill('7a2433')
  await expect(page.getByText('no colour: sought as a text')).toBeHidden()
  await expect(page.getByText('56 of 364 places shown, in 4 colours')).toBeVisible()
  const grid = page.getByRole('grid', { name: /^Places/ })
  await expect(grid).toContainText('ΔE 0.00')
  await page.getByRole('slider').fill('0')
  await expect(page.getByText('49 of 364 places shown, in 1 colour')).toBeVisible()
  await page.getByRole('button', { name: /^text/ }).click()
  await page.getByRole('button', { name: 'File' }).click()
  await page.getByRole('checkbox', { name: /css\/main.css/ }).check()
  await page.keyboard.press('Escape')
  const shown = page.getByText(/ of 364 places shown/)
  const words = await shown.textContent()

  await page.getByRole('button', { name: 'Views' }).click()
  await page.getByRole('textbox', { name: 'Name of this view' }).fill('Maroon text')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('link', { name: 'Maroon text' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.goBack()
  await expect(shown).not.toHaveText(words ?? '')
  await page.goto(`${siteUrl}/ledger/places`)
  await page.getByRole('button', { name: 'Views' }).click()
  await page.getByRole('link', { name: 'Maroon text' }).click()
  await expect(shown).toHaveText(words ?? '')
  await expect(search).toHaveValue('7a2433')
  await page.reload()
  await expect(shown).toHaveText(words ?? '')
})

test('what is shown is exported: CSV that a table reads back, JSON with every field', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/places?heading=Fares&state=hover&state=rest`)
  const count = Number(/^(\d+) of/.exec((await page.getByText(/ of 364 places shown/).textContent()) ?? '')?.[1])
  expect(count).toBeGreaterThan(0)
  const save = async (name: RegExp) => {
    await page.getByRole('button', { name: 'Export' }).click()
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name }).click()
    const text = readFileSync(await (await download).path(), 'utf8')
    await page.keyboard.press('Escape')
    return text
  }
  const csv = papaparse.parse<Record<string, string>>((await save(/^CSV/)).trim(), { header: true })
  expect(csv.errors).toEqual([])
  const { files, rules, occurrences } = JSON.parse(await save(/^JSON/))
  expect(csv.data).toHaveLength(count)
  expect(csv.data.map(({ file, line, raw, heading }) => [file, Number(line), raw, heading])).toEqual(
    occurrences.map(({ file, rule, line, raw }: { file: number; rule: number; line: number; raw: string }) => [
      ...[files[file].path, line, raw, rules[rule].heading],
    ]),
  )
  expect(new Set(csv.data.map(({ heading }) => heading))).toEqual(new Set(['Fares']))
})

test('an address that names what no longer is says so, and everything can be shown again', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/ledger/places?file=gone.css&use=text&by=moon&place=gone.css:7&cluster=%23123456`)
  await expect(page.getByText(/No place is all of this/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'File: gone.css' })).toBeVisible()
  await page.getByRole('button', { name: 'Show everything' }).click()
  await page.getByRole('button', { name: '#123456' }).click()
  await expect(page.getByText('119 colours', { exact: true })).toBeVisible()
  await page.getByRole('searchbox').fill('rgb(122 36')
  await expect(page.getByText(/No place is all of this/)).toBeVisible()
})

test('a colour has a page: spellings, uses, neighbours, edge to edge with another', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/places`)
  await page.getByRole('region', { name: 'Colour' }).getByRole('link', { name: '#7a2433' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('#7a2433')
  await expect(page.getByText('49 places in 17 files, in 10 spellings.')).toBeVisible()
  await page.getByRole('textbox', { name: 'The other colour' }).fill('white')
  await expect(page.getByText(/contrast 9\.\d\d : 1/)).toBeVisible()
  await page.getByRole('link', { name: '#7b2534' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('#7b2534')
  await page.goto(`${siteUrl}/ledger/colors/nonsense`)
  await expect(page.getByText(/is no colour/)).toBeVisible()
})

test('the places are walked by keys alone, along a colour, a cluster or a file', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/places?find=%237a2434&reach=0`)
  const grid = page.getByRole('grid', { name: /^Places/ })
  await grid.focus()
  await page.keyboard.press('Home')
  const source = page.getByRole('region', { name: 'Source' })
  await expect(source.locator('.source-here')).toHaveText(/7a2434/i)
  await page.keyboard.press('2')
  await expect(page.getByRole('radio', { name: /^cluster/ })).toBeChecked()
  await page.keyboard.press('n')
  await expect(source.locator('.source-here')).toHaveText(/7a24|7b2534|7d2838|122|oklch/i)
  await page.keyboard.press('p')
  await expect(source.locator('.source-here')).toHaveText(/7a2434/i)
})

test('what is decided moves the counts at once, and the link to the places shows everything again', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/clusters`)
  await page.getByRole('grid', { name: /^Clusters/ }).focus()
  await page.keyboard.press('1')
  await expect(page.getByText('all saved')).toBeVisible()
  await page.getByRole('link', { name: /^Ledger/ }).click()
  await page.getByRole('button', { name: 'Decided' }).click()
  await page.getByRole('checkbox', { name: 'takes a role' }).check()
  await page.keyboard.press('Escape')
  await expect(page.getByText('56 of 364 places shown, in 4 colours')).toBeVisible()
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByText(/No place is all of this/)).toBeVisible()
  await page.getByRole('button', { name: /^Redo/ }).click()
  await expect(page.getByText('56 of 364 places shown, in 4 colours')).toBeVisible()

  await page.goto(`${siteUrl}/ledger/places`)
  await page.getByRole('searchbox').fill('Fares')
  await expect(page).toHaveURL(/find=Fares/)
  await page.getByRole('link', { name: /^Places/ }).click()
  await expect(page.getByText('119 colours', { exact: true })).toBeVisible()
  await expect(page.getByRole('searchbox')).toHaveValue('')
})

test('a place is found by the words that it paints on the pages', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/places`)
  await page.getByRole('searchbox').fill('book a crossing')
  const grid = page.getByRole('grid', { name: /^Places/ })
  await expect(grid).toContainText('.button')
  await expect(page.getByText('23 of 364 places shown')).toBeVisible()
  await page.getByRole('searchbox').fill('no page says this')
  await expect(page.getByText('No place is all of this')).toBeVisible()
})

test('a slip is put right by one key, takes what its colour takes, and is taken back', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/findings`)
  const grid = page.getByRole('grid', { name: /^Findings/ })
  await grid.focus()
  const card = page.getByRole('region', { name: 'Finding', exact: true })
  await expect(card).toContainText('Likely meant: #7a2433')
  await page.keyboard.press('r')
  await expect(card.getByRole('status')).toHaveText('✓ written as #7a2433')
  await page.getByRole('button', { name: 'Put all 3 right' }).click()
  await expect(page.getByText('4 are put right')).toBeVisible()
  await expect(page.getByText('all saved')).toBeVisible()
  await page.reload()
  await expect(page.getByText('4 are put right')).toBeVisible()

  await page.getByRole('link', { name: /^Mapping/ }).click()
  await page.getByRole('grid', { name: /^Clusters/ }).focus()
  await page.keyboard.press('1')
  await page.getByRole('link', { name: /^Handover/ }).click()
  await page.getByRole('option', { name: /slips put right/ }).click()
  await expect(page.getByRole('region', { name: 'Changes in the source' })).toContainText('1 of 4 changes')
  await page.getByRole('link', { name: /^Ledger/ }).click()
  await page.getByRole('link', { name: /Findings/ }).click()
  await expect(card.getByRole('status')).toHaveText(/✓ written as #[\da-f]{6}, as primary/i)
  await grid.focus()
  await page.keyboard.press('r')
  await expect(page.getByText('3 are put right')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('4 are put right')).toBeVisible()
  await page.getByRole('button', { name: 'History' }).click()
  await expect(page.getByRole('dialog')).toContainText('7a2433 put right to #7a2433 in css/main.css')
})

test('from a place it is one step to its mapping, its pages and its states', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/places?find=f2c14e&file=css/season.css`)
  const card = page.getByRole('region', { name: 'Colour', exact: true })
  await card.getByRole('link', { name: 'its states' }).click()
  await expect(page.getByRole('searchbox')).toHaveValue(/^\.season/)
  await page.goBack()
  await card.getByRole('button', { name: /pages/ }).click()
  await page.getByRole('link', { name: 'fares.html' }).click()
  await expect(page.getByRole('combobox', { name: 'Page' })).toHaveValue('fares.html')
  await page.goBack()
  const color = (await card.getByRole('link').first().textContent()) ?? ''
  await card.getByRole('link', { name: 'its mapping' }).click()
  await expect(page.getByRole('row', { selected: true })).toContainText(color)
})

test('colours are chosen by keys in the table, and their places seen', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/colors`)
  await page.getByRole('checkbox', { name: 'Choose #e0a526' }).focus()
  await page.keyboard.press('Space')
  await page.getByRole('checkbox', { name: 'Choose #8b949a' }).focus()
  await page.keyboard.press('Space')
  await expect(page.getByText('2 chosen.')).toBeVisible()
  await page.getByRole('checkbox', { name: 'Only the chosen in the table' }).check()
  await expect(page.getByRole('checkbox', { name: /^Choose #/ })).toHaveCount(2)
  await page.getByRole('link', { name: 'See the places of their clusters' }).click()
  await expect(page.getByRole('button', { name: /2 clusters/ })).toBeVisible()
})
