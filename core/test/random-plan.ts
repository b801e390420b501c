import type { Confirmation } from '../src/plan/confirmation.ts'
import type { Correction } from '../src/plan/correction.ts'
import type { Becoming, Decision, Scope } from '../src/plan/decision.ts'
import { INSERTED_PROPERTIES, type Insertion } from '../src/plan/insertion.ts'
import { resolver } from '../src/plan/outcome.ts'
import type { WritablePlan } from '../src/rewrite/rewrite-file.ts'
import type { Reading } from '../src/source/occurrence.ts'
import type { SourceText } from '../src/text/source-text.ts'

const ROLES = ['#0b6e74', '#d9822b', '#123456', 'white'].map((color, i) => ({ id: `r${i}`, name: `role ${i}`, color }))

/** A plan in which everything that a plan can do to a file meets. */
export function planOfEverything(
  { path }: Pick<SourceText, 'path'>,
  { occurrences, findings }: Pick<Reading, 'occurrences' | 'findings'>,
  random: () => number,
): WritablePlan {
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T
  const colors = [...new Set(occurrences.map(({ color }) => color))]
  const scope = (): Scope | undefined => {
    const place = pick(occurrences)
    const some: Scope[] = [
      { file: path },
      { region: pick(['.nav', 'main', '.foot.dark', 'html']) },
      { width: pick(['(max-width: 600px)', '(min-width: 900px)', '(max-width: 40em)']) },
      { state: pick(['hover', 'rest', 'focus', 'current'] as const) },
      ...(place.selector === null ? [] : [{ selector: place.selector.split(/,\s*/)[0] as string }]),
      ...(place.heading === null ? [] : [{ heading: place.heading }]),
    ]
    return random() < 0.5 ? undefined : random() < 0.6 ? pick(some) : { ...pick(some), ...pick(some) }
  }
  const to = (): Becoming =>
    pick<Becoming>([
      { kind: 'role', role: pick(ROLES).id },
      { kind: 'color', color: '#8a2be2' },
      { kind: 'follow', lead: pick(colors) },
      { kind: 'inherit' },
      { kind: 'keep' },
      { kind: 'gradient', stops: [{ role: 'r0' }, { role: 'r1' }], angle: 45 },
    ])
  const decisions = Array.from({ length: 10 }, (_, i): Decision => {
    const limited = scope()
    return {
      id: `d${i}`,
      target: { colors: colors.filter(() => random() < 0.4), ...(limited ? { scope: limited } : {}) },
      to: to(),
      ...(random() < 0.2 ? { alpha: pick([0, 0.5, 1]) } : random() < 0.1 ? { over: { role: 'r3' } } : {}),
      ...(random() < 0.3 ? { solid: true as const } : {}),
    }
  })
  const corrections = findings.flatMap(({ remedy }, i): Correction[] =>
    remedy ? [{ ...remedy, path, id: `c${i}` }] : [],
  )
  const insertions = Array.from({ length: 2 }, (_, i): Insertion => {
    return {
      id: `i${i}`,
      path,
      selector: pick(['a:visited', 'u, s']),
      property: pick(INSERTED_PROPERTIES),
      to: { role: 'r2' },
    }
  })
  const places = occurrences.filter(() => random() < 0.5).map(({ range }) => ({ path, start: range.start }))
  const confirmations: Confirmation[] = [{ id: 'x', places }]
  const isSheet = /\.(?:css|scss|less)$/.test(path)
  return { resolver: resolver(decisions, ROLES, [], confirmations), corrections, insertions: isSheet ? insertions : [] }
}
