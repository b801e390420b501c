import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ledgerOf, listAt, readSource, runsOf, type Words, wordsOf } from '@undo-ink/core'
import { expect, test } from './fixtures.ts'
import { ROOT } from './server.ts'

const DEMO = join(ROOT, 'demo/site')
const PAGES = ['index.html', 'timetable.html', 'fares.html', 'notices.html', 'boats.html', 'contact.html']
const textOf = (path: string) => readFileSync(join(DEMO, path), 'utf8')
const SHEETS = readdirSync(join(DEMO, 'css')).map((name) => `css/${name}`)

/** What the pages show, of a ledger of these sheets. */
function words(
  path: string,
  sheets: Record<string, string>,
): { words: Words; subjectsOf(run: number): readonly string[] } {
  const ledger = ledgerOf(
    Object.entries(sheets).map(([path, text]) => ({ path, ...readSource({ path, text, encoding: 'utf-8' }) })),
  )
  const runs = runsOf(ledger)
  const files = [path, ...Object.keys(sheets)]
  return {
    words: wordsOf([{ path, text: textOf(path), files }], ledger, () => []),
    subjectsOf: (run) => listAt(ledger, 'subjects', runs[run] as number),
  }
}

const split = (text: string) => text.split(/\s+/).filter(Boolean)

for (const path of PAGES)
  test(`the words of ${path} are those that Chromium shows, painted by the rules that Chromium matches`, async ({
    page,
    siteUrl,
    app,
  }) => {
    const plan = (await (await fetch(siteUrl.replace('/sites/', '/api/sites/'))).json()).snapshot.planId
    const visit = await (await fetch(`${app.url}/api/plans/${plan}/visit`)).json()
    await page.goto(`${visit.before}/${path}`)

    const every = words(path, { 'every.css': '*{color:red}' }).words.texts
    const shown = await page.evaluate(() => {
      document.head.insertAdjacentHTML('beforeend', '<style>*{text-transform:none!important}</style>')
      const hints = [...document.querySelectorAll<HTMLInputElement>('input')].map(
        (each) => `${each.value} ${each.placeholder}`,
      )
      for (const each of document.querySelectorAll('script,style,noscript,template,textarea')) each.remove()
      return { inner: document.body.innerText, all: `${document.body.textContent} ${hints.join(' ')}` }
    })
    expect(split(shown.inner).length).toBeGreaterThan(50)
    const known = new Set(every.flatMap(split))
    // Words that stand against others without a space are apart in a line of blocks: only whole ones are held together.
    expect(
      split(shown.inner).filter((word) => ![...known].some((each) => each.includes(word) || word.includes(each))),
    ).toEqual([])
    const all = shown.all.replace(/\s+/g, '')
    expect([...known].filter((word) => !all.includes(word))).toEqual([])

    const { words: painted, subjectsOf } = words(
      path,
      Object.fromEntries(SHEETS.map((sheet) => [sheet, textOf(sheet)])),
    )
    const pairs = painted.texts.flatMap((text, i) =>
      [...new Set(painted.painted[i]?.flatMap((set) => painted.sets[set] ?? []))].map((run) => ({
        text,
        run,
        subjects: subjectsOf(run).map((each) => each.replace(/::[\w-]+/g, '') || '*'),
      })),
    )
    expect(pairs.length).toBeGreaterThan(50)
    const wrong = await page.evaluate((pairs) => {
      const flat = (text: string | null) => (text ?? '').replace(/\s+/g, '')
      const hint = (each: Element) => (each instanceof HTMLInputElement ? each.value + each.placeholder : '')
      return pairs.filter(
        ({ text, subjects }) =>
          !subjects.some((subject) =>
            [...document.querySelectorAll(subject)].some((each) =>
              flat(each.textContent + hint(each)).includes(flat(text)),
            ),
          ),
      )
    }, pairs)
    expect(wrong).toEqual([])
    // And none is left out: whatever has words of its own and is matched by a rule is told under it.
    const told = new Map<string, string>()
    for (const { text, subjects } of pairs)
      for (const subject of subjects) told.set(subject, `${told.get(subject) ?? ''} ${text.replace(/\s+/g, '')}`)
    const owned = await page.evaluate(
      (subjects) =>
        subjects.flatMap((subject) =>
          [...document.body.querySelectorAll(subject)].flatMap((each) =>
            [...each.childNodes]
              .filter((child) => child.nodeType === 3)
              .map((child) => ({ subject, own: (child.textContent ?? '').replace(/\s+/g, '') })),
          ),
        ),
      [...told.keys()],
    )
    expect(owned.filter(({ subject, own }) => !told.get(subject)?.includes(own))).toEqual([])
  })
