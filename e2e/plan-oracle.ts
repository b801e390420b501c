import {
  type Decision,
  followed,
  type LedgerPlace,
  type Outcome,
  parseColor,
  type Resolver,
  resolver,
} from '@undo-ink/core'
import { naiveHolder } from '../core/test/naive-precedence.ts'
import type { Copy } from './plan-copies.ts'
import type { Condition } from './plan-page.ts'
import { ROLES } from './random-plans.ts'

/** A decision about the color of a place, and where on the page that is open it matches: where any of these hold. */
export interface Claim {
  readonly decision: Decision
  readonly conditions: readonly Condition[]
}

/**
 * What a plan makes of each place on one page, from the definition in words and Chromium's own matching of selectors and widths: neither how the
 * product judges reach nor how it judges precedence.
 */
export interface Oracle {
  claimsOn(place: LedgerPlace): readonly Claim[]
  /** Under those of its claims that match an element. */
  outcome(place: LedgerPlace, matching: readonly Claim[]): Outcome
}

const PSEUDO = /::?(before|after)$/
/** What the sheets of the copies ask for in a state, as the pages of this check have it. */
const STATES: Readonly<Record<string, RegExp>> = {
  hover: /:hover\b/,
  focus: /:focus(?:-visible|-within)?\b/,
}
const ANY_STATE =
  /:(?:hover|focus|active|visited|target|checked|disabled|open|popover-open|current)\b|\.(?:is-|has-)?(?:stuck|sticky|scrolled|affix(?:ed)?|pinned|current|active|selected|open|opened|expanded|disabled)(?![\w-])|\.current[-_]|\[(?:aria-current|open|disabled|aria-expanded="?true)/

/** The selectors of a list; those of the copies have no comma in brackets or strings but in functions. */
function selectorsOf(list: string): string[] {
  return list.split(/,(?![^(]*\))/).map((each) => each.trim())
}

/** @param plan only asked what it says it cannot write, and what it makes of what is followed */
export function oracleOf(decisions: readonly Decision[], { pages }: Copy, page: string, plan: Resolver): Oracle {
  const claimOf = (place: LedgerPlace, decision: Decision): Claim[] => {
    const { colors, use, alphas, scope = {} } = decision.target
    const { file, heading, selector, state, region, width } = scope
    if (!colors.includes(place.color) || (use !== undefined && use !== place.use)) return []
    if (alphas && !alphas.includes(place.alpha ?? -1)) return []
    if ((file !== undefined && file !== place.path) || (heading !== undefined && heading !== place.heading)) return []
    const isOnPage = pages.find(({ path }) => path === scope.page)?.files.includes(place.path)
    if (scope.page !== undefined && (scope.page !== page || !isOnPage)) return []
    const isTold = plan.reached(place).some((each) => each.decision === decision && each.reach.kind === 'unwritable')
    if (isTold) return []
    const list = place.selector
    const isAsked = (text: string) =>
      (selector === undefined || selector === text || selector === list) &&
      (state === undefined || (state === 'rest' ? !ANY_STATE.test(text) : STATES[state]?.test(text) === true))
    // An attribute paints one element, a variable whatever takes it: all or nothing.
    if (list === null)
      return selector === undefined && state === undefined ? [{ decision, conditions: EVERYWHERE }] : []
    if (place.specificity === null || place.variable !== null) {
      const isAll = selectorsOf(list).every((text) => isAsked(text) && (region === undefined || text.includes(region)))
      return isAll ? [{ decision, conditions: EVERYWHERE }] : []
    }
    const conditions = selectorsOf(list).flatMap((text): Condition[] => {
      if (!isAsked(text)) return []
      const within = region === undefined ? '' : `:is(${region}, ${region} *)`
      const pseudo = PSEUDO.exec(text)?.[1]
      return [
        {
          selector: `${text.replace(PSEUDO, '')}${within}`,
          pseudo: pseudo ? `::${pseudo}` : null,
          width: width ?? null,
        },
      ]
    })
    return conditions.length > 0 ? [{ decision, conditions }] : []
  }
  return {
    claimsOn: (place) => decisions.flatMap((decision) => claimOf(place, decision)),
    outcome(place, matching) {
      const held = naiveHolder(matching.map(({ decision }) => decision))
      if (!held) return { kind: 'open', inPart: false }
      const alone = { ...held, target: { colors: [place.color] } }
      if (held.to.kind !== 'follow') return resolver([alone], ROLES).outcome(place)
      return afterLead(alone, held.to.lead, place, plan)
    },
  }
}

/** What follows a lead, given what becomes of that at places such as this one. */
function afterLead(decision: Decision, lead: string, place: LedgerPlace, plan: Resolver): Outcome {
  const outcome = plan.outcome({ ...place, color: lead })
  if (outcome.kind === 'keep') return { kind: 'keep', decision }
  const [own, old] = [parseColor(place.color), parseColor(lead)]
  if (!('color' in outcome) || !own || !old) return { kind: 'lead-open', decision }
  const { r, g, b } = followed(own, old, outcome.color, place.use === 'text')
  return resolver([{ ...decision, to: { kind: 'color', color: `color(srgb ${r} ${g} ${b})` } }], ROLES).outcome(place)
}

const EVERYWHERE: readonly Condition[] = [null, '::before', '::after'].map((pseudo) => ({
  selector: '*',
  pseudo,
  width: null,
}))
