import type { Becoming, Decision, Ground, Role, Scope, Target } from '@undo-ink/core'
import { count, number } from '../components/words.ts'

/** What a target is limited to, in words: `as text, within .foot`; empty: nothing. */
export function limitsText({ use, alphas, scope = {} }: Omit<Target, 'colors'>): string {
  return [
    use && `as ${use}`,
    alphas && `at ${alphas.map((alpha) => `${number(Math.round(alpha * 100))} %`).join(', ')}`,
    ...scopeTexts(scope),
  ]
    .filter(Boolean)
    .join(', ')
}

function scopeTexts({ file, heading, selector, state, region, page, width }: Scope): (string | undefined)[] {
  return [
    file && `in ${file}`,
    heading === undefined ? undefined : `under “${heading}”`,
    selector && `only ${selector}`,
    state && (state === 'rest' ? 'at rest' : `when ${state}`),
    region && `within ${region}`,
    page && `on ${page}`,
    width && `where ${width}`,
  ]
}

/** What becomes of a target, in words: `to primary`, `kept`. */
export function becomingText(to: Becoming, roles: readonly Role[]): string {
  switch (to.kind) {
    case 'role':
      return `to ${roles.find(({ id }) => id === to.role)?.name ?? 'a role that is gone'}`
    case 'color':
      return `to ${to.color}`
    case 'follow':
      return `follows ${to.lead}`
    case 'inherit':
      return 'takes the colour of its parent'
    case 'keep':
      return 'kept'
  }
}

/** A decision in words: `3 colours as text to primary`. */
export function decisionText({ target, to, alpha, over }: Omit<Decision, 'id'>, roles: readonly Role[]): string {
  const what = target.colors.length === 1 ? target.colors[0] : count(target.colors.length, 'colour')
  const limits = limitsText(target)
  const seen = over ? `, solid as on ${groundText(over, roles)}` : ''
  const faint = alpha === undefined ? '' : ` at ${Math.round(alpha * 100)} %`
  return `${what}${limits ? ` ${limits}` : ''} ${becomingText(to, roles)}${faint}${seen}`
}

function groundText(over: Ground, roles: readonly Role[]): string {
  return 'color' in over ? over.color : (roles.find(({ id }) => id === over.role)?.name ?? 'a role that is gone')
}
