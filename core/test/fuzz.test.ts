import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { overlap } from '../src/plan/correction.ts'
import { rewriteFile } from '../src/rewrite/rewrite-file.ts'
import { classify } from '../src/source/classify.ts'
import { readSource } from '../src/source/read.ts'
import { decodeBase64 } from '../src/source/value/data-url.ts'
import { applyEdits } from '../src/text/edit.ts'
import { invertEdits } from './invert-edits.ts'
import { mutate, PIECES } from './mutate.ts'
import { eachRound } from './random.ts'
import { planOf } from './rewritten.ts'

const SITE = join(import.meta.dirname, '../../demo/site')
const SAMPLES = readdirSync(SITE, { recursive: true, encoding: 'utf8' })
  .filter((path) => /\.(?:css|html|scss|less|svg|js|json|webmanifest|php|liquid|hbs|twig)$/.test(path))
  .map((path) => ({ path, text: readFileSync(join(SITE, path), 'utf8') }))

const ENDINGS =
  'html scss less sass styl php liquid twig hbs ejs erb jsp cshtml vue svelte astro svg js tsx json yaml toml csv xml'.split(
    ' ',
  )

/** As what a sample is read too. */
const OTHERS: Readonly<Record<string, string[] | undefined>> = {
  css: ['a.css', 'a.scss', 'a.less', 'a.sass', 'a.styl'],
  html: ['a.html', 'a.php', 'a.liquid', 'a.vue', 'a.svelte'],
  js: ['a.js', 'a.tsx'],
}

/** Beginnings without an end, each of which has once been searched for to the end of all text. */
const ENDLESS = [
  '{',
  '(',
  '"',
  '`${',
  '/*',
  '<!--',
  '<p style="',
  '<a ',
  '<script>',
  '<![CDATA[',
  '<?php ',
  '{{ "#fff" }}',
  '{%',
  '{% comment %}',
  '{{> a}}',
  '<<<A\n',
  '<!--[if IE]>',
  'url(',
  'if (scrollY > 1) { a.style.color = "red" }',
  '{"a":',
  '- ',
  '}}',
  '!ENTITY ',
  '@{',
]

/** `npm run verify` goes on for longer: more than 100,000 inputs. */
const ROUNDS = process.env.VERIFY === 'all' ? 20 : 1

const roles = [{ id: 'r', name: 'r', color: '#0b6e74' }]

/** What must hold for any input whatever. */
function check(path: string, text: string): number {
  const { occurrences, keywords, findings } = readSource({ path, text, encoding: 'utf-8' })
  let reached = 0
  for (const { range, raw, line, column, inner } of occurrences) {
    const written = text.slice(range.start, range.end)
    if (inner?.encoding === 'base64') {
      expect(decodeBase64(written)?.slice(inner.range.start, inner.range.end)).toBe(raw)
      continue
    }
    expect(written).toBe(raw)
    // In order, and none within another.
    expect(range.start, text).toBeGreaterThanOrEqual(reached)
    expect(Math.min(line, column)).toBeGreaterThanOrEqual(1)
    reached = range.end
  }
  for (const { range, raw } of keywords)
    if (!range || text.slice(range.start, range.end) !== raw)
      expect(decodeBase64(text.slice(range.start, range.end))).toContain(raw)
  for (const { range, remedy } of findings) {
    expect(range.end).toBeLessThanOrEqual(text.length)
    if (!remedy) continue
    expect(text.slice(remedy.range.start, remedy.range.end)).toBe(remedy.raw)
    // What puts a slip right touches no place, which has its own decisions.
    const touched = occurrences.filter((each) => overlap({ ...remedy, path }, { ...each, path }))
    expect(touched, text).toEqual([])
  }
  const decisions = [...new Set(occurrences.map(({ color }) => color))].map((color, i) => ({
    id: `d${i}`,
    target: { colors: [color] },
    to: { kind: 'role', role: 'r' } as const,
  }))
  const { edits: file } = rewriteFile({ path, text, encoding: 'utf-8' }, occurrences, planOf(decisions, roles))
  expect(applyEdits(applyEdits(text, file), invertEdits(text, file))).toBe(text)
  return occurrences.length
}

describe('any input at all', () => {
  it('finds the samples', () => expect(SAMPLES.length).toBeGreaterThan(5))

  it(
    'mutated sheets and pages are read without a fall, every range holds its text, and edits can be taken back',
    async () => {
      let found = 0
      await eachRound(20 * ROUNDS, (random) => {
        for (const { path, text } of SAMPLES)
          for (const as of OTHERS[path.replace(/^.*\./, '')] ?? [path]) found += check(as, mutate(text, random))
      })
      // Most places survive a few mutations: the check sees real ones.
      expect(found).toBeGreaterThan(5000)
    },
    ROUNDS * 120_000,
  )

  it(
    'so is noise',
    async () => {
      await eachRound(200 * ROUNDS, (random) => {
        const length = Math.floor(random() * 60)
        const text = Array.from({ length }, () => PIECES[Math.floor(random() * PIECES.length)]).join(
          random() < 0.5 ? '' : ' ',
        )
        check('noise.css', text)
        for (const ending of ENDINGS) check(`noise.${ending}`, text)
      })
    },
    ROUNDS * 120_000,
  )

  // What takes more than its length's time does not come to an end here.
  it.each(ENDINGS)('nothing that begins over and over holds a reader up: %s', (ending) => {
    for (const piece of ENDLESS) check(`a.${ending}`, piece.repeat(1500 * ROUNDS))
  })

  it('random bytes are a text or are refused', async () => {
    await eachRound(300 * ROUNDS, (random) => {
      const bytes = Uint8Array.from({ length: Math.floor(random() * 200) }, () => Math.floor(random() * 256))
      const { source, skipped } = classify('a.css', bytes, 1000)
      expect(source === null).toBe(skipped !== null)
    })
  })
})
