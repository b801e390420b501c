import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { bytesAfter, rewriteFile } from '../src/rewrite/rewrite-file.ts'
import type { Reading } from '../src/source/occurrence.ts'
import { readSource } from '../src/source/read.ts'
import { applyEdits } from '../src/text/edit.ts'
import type { SourceText } from '../src/text/source-text.ts'
import { invertEdits } from './invert-edits.ts'
import { mutate } from './mutate.ts'
import { eachRound } from './random.ts'
import { planOfEverything } from './random-plan.ts'

const SITE = join(import.meta.dirname, '../../demo/site')
const SAMPLES = readdirSync(SITE, { recursive: true, encoding: 'utf8' })
  .filter((path) => /\.(?:css|html|scss|less|svg|php|liquid|hbs|twig)$/.test(path))
  .map((path): SourceText => ({ path, text: readFileSync(join(SITE, path), 'utf8'), encoding: 'utf-8' }))
const ROUNDS = process.env.VERIFY === 'all' ? 10 : 1

const codesOf = ({ findings }: Reading) => {
  const counts = new Map<string, number>()
  // What never applies may be repeated in the rule for a part.
  for (const { code } of findings)
    if (code !== 'overridden-in-rule' && code !== 'outside-rules') counts.set(code, (counts.get(code) ?? 0) + 1)
  return counts
}

describe('parts, alphas, solids, gradients, slips and added rules in one plan', () => {
  const check = (source: SourceText, random: () => number) => {
    const reading = readSource(source)
    if (reading.occurrences.length === 0) return 0
    const places = reading.occurrences.map((each) => ({ ...each, path: source.path }))
    const plan = planOfEverything(source, reading, random)
    const found = rewriteFile(source, places, plan)
    const after = applyEdits(source.text, found.edits)
    expect(applyEdits(after, invertEdits(source.text, found.edits))).toBe(source.text)
    expect(new TextDecoder().decode(bytesAfter(source, found))).toBe(after)
    // Whatever is told as written is written, and nothing else.
    expect(new Set(found.changes.map(({ edit }) => edit)).size).toBe(found.edits.edits.length)
    return {
      after,
      found: found.edits.edits.length,
      before: codesOf(reading),
      now: codesOf(readSource({ ...source, text: after })),
    }
  }

  it('are written into every file of the demo, and give it no new finding', async () => {
    let edits = 0
    await eachRound(10 * ROUNDS, (random) => {
      for (const source of SAMPLES) {
        const told = check(source, random)
        if (told === 0) continue
        edits += told.found
        for (const [code, count] of told.now)
          expect([source.path, code, count <= (told.before.get(code) ?? 0)]).toEqual([source.path, code, true])
      }
    })
    expect(edits).toBeGreaterThan(2000)
  })

  it('never fail on what is broken', async () => {
    await eachRound(4 * ROUNDS, (random) => {
      // What is decoded from bytes has no half of a surrogate pair.
      for (const source of SAMPLES)
        check({ ...source, text: Buffer.from(mutate(source.text, random)).toString() }, random)
    })
  })
})
