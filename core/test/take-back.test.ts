import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'
import type { Becoming, Decision, Scope } from '../src/plan/decision.ts'
import { foldPlan, type PlanEvent } from '../src/plan/history.ts'
import { rewriteFile } from '../src/rewrite/rewrite-file.ts'
import { readSource } from '../src/source/read.ts'
import { applyEdits } from '../src/text/edit.ts'
import { decode } from '../src/text/source-text.ts'
import { seeded } from './random.ts'
import { planOf } from './rewritten.ts'

const path = 'css/main.css'
const source = decode(path, readFileSync(fileURLToPath(new URL(`../../demo/site/${path}`, import.meta.url))))
if (typeof source === 'string') throw new Error(source)
const places = readSource(source).occurrences.map((each) => ({ ...each, path }))
const colors = [...new Set(places.map(({ color }) => color))]
const roles = [{ id: 'r', name: 'r', color: '#0b6e74' }]

const written = (decisions: readonly Decision[]) =>
  applyEdits(source.text, rewriteFile(source, places, planOf(decisions, roles)).edits)

it('decisions taken back in any order leave the bytes as if they had never been made', () => {
  const random = seeded(7)
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T
  const shuffled = <T>(items: readonly T[]): T[] =>
    items
      .map((item) => ({ item, at: random() }))
      .toSorted((a, b) => a.at - b.at)
      .map(({ item }) => item)
  let changed = 0
  for (let round = 0; round < 25; round++) {
    const decisions = Array.from({ length: 10 }, (_, i): Decision => {
      const scope = pick<Scope | null>([
        null,
        { region: '.timetable' },
        { state: 'hover' },
        { width: '(max-width: 600px)' },
      ])
      const to = pick<Becoming>([
        { kind: 'role', role: 'r' },
        { kind: 'color', color: '#123456' },
        { kind: 'follow', lead: pick(colors) },
        { kind: 'keep' },
        { kind: 'inherit' },
      ])
      const target = { colors: colors.filter(() => random() < 0.3), ...(scope ? { scope } : {}) }
      return { id: `${round} ${i}`, target, to }
    })
    const taken = decisions.filter(() => random() < 0.6)
    const back = shuffled(taken)
    const events: PlanEvent[] = [
      ...decisions.map((decision): PlanEvent => ({ kind: 'decide', decisions: [decision] })),
      ...back.map(({ id }): PlanEvent => ({ kind: 'take-back', decisions: [id] })),
      // Undoing and redoing a taking back changes nothing either.
      ...(back.length > 0 ? ([{ kind: 'undo' }, { kind: 'redo' }] as const) : []),
    ]
    const after = foldPlan({ tolerance: 2, paletteVersion: 1 }, events)
    const never = decisions.filter((decision) => !taken.includes(decision))
    expect(written(after.decisions)).toBe(written(never))
    if (written(never) !== source.text) changed++
    const all = foldPlan({ tolerance: 2, paletteVersion: 1 }, [
      ...events.slice(0, decisions.length),
      ...shuffled(decisions).map(({ id }): PlanEvent => ({ kind: 'take-back', decisions: [id] })),
    ])
    expect(written(all.decisions)).toBe(source.text)
  }
  expect(changed).toBeGreaterThan(15)
})
