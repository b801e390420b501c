import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { unzipSync } from 'fflate'
import { expect, test } from './fixtures.ts'
import { ROOT } from './server.ts'

test('a plan goes out as a file, does the same in the terminal, and comes back onto the copy', async ({
  page,
  app,
  siteUrl,
}) => {
  const { snapshot } = await (await fetch(`${app.url}/api/sites/${siteUrl.split('/').at(-1)}`)).json()
  const plan = await (await fetch(`${app.url}/api/plans/${snapshot.planId}`)).json()
  const { versions } = await (await fetch(`${app.url}/api/palettes/${plan.paletteId}`)).json()
  const role = (name: string) => ({
    kind: 'role',
    role: versions.at(-1).roles.find((each: { name: string }) => each.name === name).id,
  })
  const decide = (target: object, to: object, more: object = {}) => ({ id: randomUUID(), target, to, ...more })
  const maroon = ['#7a2433', '#7a2434', '#7b2534']
  await app.post(`/api/plans/${snapshot.planId}/events`, {
    id: randomUUID(),
    version: plan.version,
    event: {
      kind: 'decide',
      decisions: [
        decide({ colors: maroon }, role('primary')),
        decide({ colors: maroon, scope: { region: '.timetable' } }, role('accent')),
        decide({ colors: maroon, scope: { state: 'hover' } }, { kind: 'keep' }),
        decide({ colors: ['#23303a'], scope: { width: '(max-width: 600px)' } }, role('text')),
        decide({ colors: ['#943a4b'] }, { kind: 'follow', lead: '#7a2433' }),
        decide({ colors: ['#1d5f9e'] }, { kind: 'inherit' }),
        decide({ colors: ['#23303a'], alphas: [0.6] }, role('ground'), { alpha: 0.4 }),
      ],
    },
  })
  const copy = async () => {
    const bytes = await (await fetch(`${app.url}/api/plans/${snapshot.planId}/copy.zip`)).arrayBuffer()
    return new Map(Object.entries(unzipSync(new Uint8Array(bytes))).map(([path, file]) => [path, Buffer.from(file)]))
  }
  const written = await copy()
  await page.goto(`${siteUrl}/mapping/clusters`)
  await page.getByRole('button', { name: 'History' }).click()
  const drawer = page.getByRole('dialog', { name: 'History' })
  const downloading = page.waitForEvent('download')
  await drawer.getByRole('button', { name: 'Export' }).click()
  const folder = mkdtempSync(join(tmpdir(), 'undo-ink-plan-'))
  const file = join(folder, 'plan.json')
  await (await downloading).saveAs(file)

  const out = join(folder, 'out')
  execFileSync(process.execPath, [
    join(ROOT, 'cli/bin/undo-ink.mjs'),
    'rewrite',
    join(ROOT, 'demo/site'),
    '--plan',
    file,
    '--out',
    out,
  ])
  const files = readdirSync(out, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile())
  expect(files.length).toBeGreaterThan(20)
  for (const entry of files) {
    const path = join(entry.parentPath, entry.name)
    const here = written.get(path.slice(out.length + 1)) ?? written.get(`site/${path.slice(out.length + 1)}`)
    expect(here?.equals(readFileSync(path)), path).toBe(true)
  }

  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/ 0 are decided/)).toBeVisible()
  await page.getByRole('button', { name: 'History' }).click()
  const input = drawer.getByLabel('File of a plan')
  await input.setInputFiles(file)
  await expect(drawer.getByText(/^7 decisions would take \d+ places here/)).toBeVisible()
  await drawer.getByRole('button', { name: 'Take them' }).click()
  await expect(page.getByText('all saved')).toBeVisible()
  const again = await copy()
  expect([...again.keys()]).toEqual([...written.keys()])
  for (const [path, bytes] of again) expect(written.get(path)?.equals(bytes), path).toBe(true)

  // Another site's, with a role and colors that are not here; and no plan at all.
  const other = JSON.parse(readFileSync(file, 'utf8'))
  other.site = 'Elsewhere'
  other.decisions.push({ target: { colors: ['#010203'] }, to: { keep: true } })
  other.decisions.push({ target: { colors: ['#7a2433'] }, to: { role: 'mauve' } })
  writeFileSync(join(folder, 'other.json'), JSON.stringify(other))
  await input.setInputFiles(join(folder, 'other.json'))
  await expect(drawer.getByText('It was made for Elsewhere, not for this site.')).toBeVisible()
  await expect(drawer.getByText(/1 decision finds nothing in this copy/)).toBeVisible()
  await expect(drawer.getByText(/the palette has no role mauve/)).toBeVisible()
  writeFileSync(join(folder, 'none.json'), '{"version": 1}')
  await input.setInputFiles(join(folder, 'none.json'))
  await expect(drawer.getByRole('alert')).toContainText('This is no plan')
})

test('one file is taken back as a whole, and what was decided elsewhere stays', async ({ page, app, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/clusters`)
  await page.getByRole('row', { name: /^#7a2433/ }).click()
  await page.keyboard.press('1')
  await page.getByRole('button', { name: 'History' }).click()
  const drawer = page.getByRole('dialog', { name: 'History' })
  await drawer.getByRole('button', { name: /^Take back in one file or page/ }).click()
  const panel = page.getByRole('dialog', { name: 'Take back in one file or page' })
  await panel.getByRole('combobox', { name: 'In' }).selectOption({ label: 'page timetable.html' })
  await expect(panel.getByText(/on that page alone|cannot be parted/).first()).toBeVisible()
  await panel.getByRole('combobox', { name: 'In' }).selectOption({ index: 0 })
  await expect(panel.getByText(/^\d+ places would stay as they came/)).toBeVisible()
  await panel.getByRole('button', { name: 'Take back there' }).click()
  await expect(page.getByText('all saved')).toBeVisible()
  const { snapshot } = await (await fetch(`${app.url}/api/sites/${siteUrl.split('/').at(-1)}`)).json()
  const bytes = await (await fetch(`${app.url}/api/plans/${snapshot.planId}/copy.zip`)).arrayBuffer()
  const files = unzipSync(new Uint8Array(bytes))
  const name = Object.keys(files).find((path) => path.endsWith('css/main.css')) ?? ''
  expect(Buffer.from(files[name] as Uint8Array).equals(readFileSync(join(ROOT, 'demo/site/css/main.css')))).toBe(true)
  const others = Object.entries(files).filter(([path, file]) => {
    const own = path.replace(/^site\//, '')
    return path.endsWith('.html') && !Buffer.from(file).equals(readFileSync(join(ROOT, 'demo/site', own)))
  })
  expect(others.length).toBeGreaterThan(0)
})
