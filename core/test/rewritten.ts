import type { Role } from '../src/palette/role.ts'
import type { Decision } from '../src/plan/decision.ts'
import { type Resolver, resolver } from '../src/plan/outcome.ts'
import { bytesAfter, rewriteFile, type WritablePlan } from '../src/rewrite/rewrite-file.ts'
import { readSource } from '../src/source/read.ts'
import { applyEdits } from '../src/text/edit.ts'
import type { SourceText } from '../src/text/source-text.ts'

/** A plan of decisions alone. */
export function planOf(decisions: readonly Decision[], roles: readonly Role[] = []): WritablePlan {
  return { resolver: resolver(decisions, roles), corrections: [], insertions: [] }
}

/** The decision that gives a role to every color of a text. */
export function allTo(role: string, { path, text }: Pick<SourceText, 'path' | 'text'>): Decision {
  const { occurrences } = readSource({ path, text, encoding: 'utf-8' })
  return {
    id: 'all',
    target: { colors: [...new Set(occurrences.map(({ color }) => color))] },
    to: { kind: 'role', role },
  }
}

/** A text after a plan, with all that was written and was not. */
export function rewritten(path: string, text: string, plan: WritablePlan | Resolver) {
  const source = { path, text, encoding: 'utf-8' } as const
  const places = readSource(source).occurrences.map((each) => ({ ...each, path }))
  const whole = 'resolver' in plan ? plan : { resolver: plan, corrections: [], insertions: [] }
  const found = rewriteFile(source, places, whole)
  const after = applyEdits(text, found.edits)
  if (new TextDecoder().decode(bytesAfter(source, found)) !== after) throw new Error('bytes and text differ')
  return { ...found, text: after, places, why: found.unwritten.map(({ why }) => why) }
}
