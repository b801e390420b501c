import { strongest } from '../../selector/parse.ts'
import { readSelectors, type SelectorFacts } from '../../selector/selector.ts'
import type { Context } from '../occurrence.ts'
import type { Rule } from './rules.ts'

/** What a rule's selectors say. */
export type RuleContext = Pick<Context, 'selector' | 'subjects' | 'signals' | 'specificity'>

/**
 * Makes the function that reads the selectors of a rule of selectors, nesting resolved (CSS Nesting 1 §3); a list as parent becomes `:is()`, as
 * that section says. All resolved selectors of a sheet together may be a few times as long as the sheet: beyond that inner
 * selectors stand alone, so that hostile nesting costs neither time nor memory.
 */
export function selectorReader(sheetLength: number): (rule: Rule) => RuleContext {
  const lists = new Map<string, readonly SelectorFacts[] | null>()
  const resolved = new WeakMap<Rule, string>()
  let budget = 20_000 + 4 * sheetLength

  const nest = (written: string, parent: string | null) => {
    const selector = UNEVEN.test(written) ? written.replace(/\s+/g, ' ') : written
    if (parent === null) return selector
    const as = parent.includes(',') ? `:is(${parent})` : parent
    budget -= as.length * Math.max(1, selector.split('&').length - 1)
    if (budget < 0) return selector
    return selector.includes('&') ? selector.replaceAll('&', () => as) : `${as} ${selector}`
  }
  // What a rule stands in is asked for by each that is nested there, and kept; the rule itself by nobody else.
  const resolve = (rule: Rule): string => {
    const chain: Rule[] = []
    let known: string | undefined
    for (let each = outerOf(rule); each && known === undefined; each = outerOf(each)) {
      known = resolved.get(each)
      if (known === undefined) chain.push(each)
    }
    let selector = known ?? null
    for (let each = chain.pop(); each; each = chain.pop()) resolved.set(each, (selector = nest(each.written, selector)))
    return resolved.get(rule) ?? nest(rule.written, selector)
  }
  const parts = (list: string) => {
    let found = lists.get(list)
    if (found === undefined) lists.set(list, (found = readSelectors(list)))
    return found
  }
  return (rule) => {
    const selector = resolve(rule)
    const read = isInKeyframes(rule) ? null : parts(selector)
    if (!read) return { selector, subjects: [selector], signals: [], specificity: null }
    const only = read.length === 1 ? read[0] : undefined
    if (only) return { selector, subjects: [only.subject], signals: only.signals, specificity: only.specificity }
    return {
      selector,
      subjects: [...new Set(read.map(({ subject }) => subject))],
      signals: [...new Set(read.flatMap(({ signals }) => signals))].toSorted(),
      specificity: strongest(read),
    }
  }
}

function outerOf({ outer }: Rule): Rule | null {
  return outer?.selectors ?? null
}

/** White space other than single blanks. */
const UNEVEN = /[\t\r\n\f]| {2}/

function isInKeyframes({ atRules }: Rule): boolean {
  return atRules.some((name) => /^@(?:-\w+-)?keyframes\b/i.test(name))
}
