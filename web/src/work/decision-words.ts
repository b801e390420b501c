import {
  type Becoming,
  type Decision,
  type Ground,
  type Insertion,
  type Role,
  type RulePart,
  type Scope,
  splitList,
  type Target,
} from '@undo-ink/core'
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

/** What becomes of a target, in words: `to primary`, `kept`. @param colors how many colors the sentence is of */
export function becomingText(to: Becoming, roles: readonly Role[], colors = 1): string {
  switch (to.kind) {
    case 'role':
      return `to ${roles.find(({ id }) => id === to.role)?.name ?? 'a role that is gone'}`
    case 'color':
      return `to ${to.color}`
    case 'follow':
      return `${colors === 1 ? 'follows' : 'follow'} ${to.lead}`
    case 'gradient':
      return `to a gradient of ${to.stops.map((stop) => groundText(stop, roles)).join(', ')}`
    case 'inherit':
      return colors === 1 ? 'takes the colour of its parent' : 'take the colour of their parents'
    case 'keep':
      return 'kept'
  }
}

/** A decision in words: `3 colours as text to primary`. */
export function decisionText({ target, to, alpha, over, solid }: Omit<Decision, 'id'>, roles: readonly Role[]): string {
  const what = target.colors.length === 1 ? target.colors[0] : count(target.colors.length, 'colour')
  const limits = limitsText(target)
  const seen = over ? `, solid as on ${groundText(over, roles)}` : ''
  const faint = alpha === undefined ? '' : ` at ${Math.round(alpha * 100)} %`
  return `${what}${limits ? ` ${limits}` : ''} ${becomingText(to, roles, target.colors.length)}${faint}${seen}${solid ? ', its gradients as a whole' : ''}`
}

/** A rule that is added, in words: `a:visited: color of link, added to css/main.css`. */
export function insertionText({ selector, property, to, path }: Omit<Insertion, 'id'>, roles: readonly Role[]): string {
  return `${selector}: ${property} of ${groundText(to, roles)}, added to ${path}`
}

function groundText(over: Ground, roles: readonly Role[]): string {
  return 'color' in over ? over.color : (roles.find(({ id }) => id === over.role)?.name ?? 'a role that is gone')
}

/** The selectors and conditions of a part, as its rule will have them. */
export function partText({ selectors, width }: RulePart, selector: string | null): string {
  const isList = selectors.length < splitList(selector ?? '').length
  const within = [...new Set(selectors.flatMap((each) => each.within))]
  return [
    isList ? `only ${selectors.map(({ text }) => text).join(', ')}` : '',
    within.length > 0 ? `within ${within.join(' and ')}` : '',
    width === null ? '' : `where ${width}`,
  ]
    .filter((text) => text !== '')
    .join(', ')
}
