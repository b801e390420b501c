import { opaqueKey } from '../color/color.ts'
import type { Column, Ledger } from '../ledger/ledger.ts'
import { placeAt } from '../ledger/ledger.ts'
import type { Role } from '../palette/role.ts'
import type { Confirmation } from './confirmation.ts'
import type { Decision } from './decision.ts'
import { type Outcome, resolver } from './outcome.ts'
import type { ScopePage } from './reach.ts'

/**
 * What the plan makes of every place of a ledger. Colors that nothing is decided of cost one step for all their places together, those without
 * scopes one for each use; only where it depends on more is each place looked at by itself.
 */
export function resolveLedger(
  ledger: Ledger,
  decisions: readonly Decision[],
  roles: readonly Role[],
  pages: readonly ScopePage[] = [],
  confirmations: readonly Confirmation[] = [],
): Column<Outcome> {
  const { outcome: resolve } = resolver(decisions, roles, pages, confirmations)
  const decided = new Set(decisions.flatMap(({ target }) => target.colors))
  const each = lookedAtEach(decisions)
  const values: Outcome[] = []
  const codeOf = new Map<Decision | null, Map<string, number>>()
  const codeFor = (outcome: Outcome): number => {
    const decision = 'decision' in outcome ? outcome.decision : null
    // One decision to follow, or for what lies on a ground, makes a color of its own of each; one to inherit can be followed in some places only.
    const apart =
      'color' in outcome
        ? `${opaqueKey(outcome.color)} ${outcome.alpha}`
        : outcome.kind === 'open'
          ? `open ${outcome.inPart}`
          : outcome.kind
    const known = codeOf.get(decision)
    const code = known?.get(apart)
    if (code !== undefined) return code
    if (known) known.set(apart, values.length)
    else codeOf.set(decision, new Map([[apart, values.length]]))
    return values.push(outcome) - 1
  }
  const open = codeFor({ kind: 'open', inPart: false })
  const { color, use, confidence } = ledger.columns
  const uses = use.values.length
  /** By color and use: the code, or that each place is to be looked at. */
  const EACH = -1
  const byColorAndUse = new Int32Array(color.values.length * uses).fill(open)
  color.values.forEach((key, code) => {
    if (!decided.has(key)) return
    for (let at = 0; at < uses; at++)
      byColorAndUse[code * uses + at] = each.has(key)
        ? EACH
        : codeFor(resolve({ color: key, use: use.values[at] as (typeof use.values)[number] }))
  })
  const codes = new Uint32Array(ledger.length)
  for (let at = 0; at < ledger.length; at++) {
    const code = byColorAndUse[(color.codes[at] as number) * uses + (use.codes[at] as number)] as number
    const isSure = confidence.values[confidence.codes[at] as number] !== 'possible'
    codes[at] = code === EACH || !isSure ? codeFor(resolve(placeAt(ledger, at))) : code
  }
  return { codes, values }
}

/** The colors of which each place is looked at by itself: a scope limits what is decided of them, or of what they follow, or it depends on the place whether it can be done. */
function lookedAtEach(decisions: readonly Decision[]): Set<string> {
  const each = new Set<string>()
  for (const { target, to, over, alpha } of decisions)
    if (target.scope || target.alphas || over || alpha !== undefined || to.kind === 'inherit' || to.kind === 'gradient')
      for (const color of target.colors) each.add(color)
  for (let before = -1; before !== each.size; ) {
    before = each.size
    for (const { target, to } of decisions)
      if (to.kind === 'follow' && each.has(to.lead)) for (const color of target.colors) each.add(color)
  }
  return each
}
