import type { Column, Ledger } from '../ledger/ledger.ts'
import { placeAt } from '../ledger/ledger.ts'
import type { Role } from '../palette/role.ts'
import type { Decision } from './decision.ts'
import { type Outcome, resolver } from './outcome.ts'

/**
 * What the plan makes of every place of a ledger. Colors that nothing is decided of cost one step for all their places together, those without
 * scopes one for each use; only where a scope limits a decision is each place looked at by itself.
 */
export function resolveLedger(ledger: Ledger, decisions: readonly Decision[], roles: readonly Role[]): Column<Outcome> {
  const resolve = resolver(decisions, roles)
  const scoped = new Set<string>()
  const decided = new Set<string>()
  for (const { target } of decisions)
    for (const color of target.colors) {
      decided.add(color)
      if (target.scope) scoped.add(color)
    }
  const values: Outcome[] = []
  const codeOf = new Map<Decision | null, number>()
  const codeFor = (outcome: Outcome): number => {
    const decision = outcome.kind === 'open' ? null : outcome.decision
    const known = codeOf.get(decision)
    if (known !== undefined) return known
    codeOf.set(decision, values.length)
    return values.push(outcome) - 1
  }
  const open = codeFor({ kind: 'open' })
  const { color, use } = ledger.columns
  const uses = use.values.length
  /** By color and use: the code, or that each place is to be looked at. */
  const EACH = -1
  const byColorAndUse = new Int32Array(color.values.length * uses).fill(open)
  color.values.forEach((key, code) => {
    if (!decided.has(key)) return
    for (let at = 0; at < uses; at++)
      byColorAndUse[code * uses + at] = scoped.has(key)
        ? EACH
        : codeFor(resolve({ color: key, use: use.values[at] as (typeof use.values)[number] }))
  })
  const codes = new Uint32Array(ledger.length)
  for (let at = 0; at < ledger.length; at++) {
    const code = byColorAndUse[(color.codes[at] as number) * uses + (use.codes[at] as number)] as number
    codes[at] = code === EACH ? codeFor(resolve(placeAt(ledger, at))) : code
  }
  return { codes, values }
}
