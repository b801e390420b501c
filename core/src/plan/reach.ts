import { isRoot, mayBeRoot, saysWithin } from '../selector/region.ts'
import { readSelectors, splitList } from '../selector/selector.ts'
import { type State, statesOf } from '../selector/state.ts'
import { syntaxOf } from '../source/syntax.ts'
import type { Decidable, Scope, Target } from './decision.ts'
import { excludes, isWithinWidth, widthsIn } from './width.ts'

/** A page as far as scopes ask: which files reach it, and what its root alone has. */
export interface ScopePage {
  readonly path: string
  readonly files: readonly string[]
  /** A compound selector of its root element or body that no other page has; null: there is none. */
  readonly hook: string | null
}

/** A part of what a place paints, narrower than its rule. */
export interface RulePart {
  /** Of the selectors of the rule, by their position in the list: those that are taken, each with the regions it is limited to. */
  readonly selectors: readonly { readonly at: number; readonly text: string; readonly within: readonly string[] }[]
  /** A media feature that limits it; null: none. */
  readonly width: string | null
}

/** Why a rule cannot be written for a part of what a place paints. */
export type Unwritable =
  /** It stands in no rule: an attribute, a script, a setting, a variable of a preprocessor. */
  | 'no-rule'
  | 'keyframes'
  /** A custom property: what takes it decides where it shows. */
  | 'variable'
  /** Rules are not written in that language. */
  | 'language'
  /** No selector tells the page from the others. */
  | 'page-alike'

/** How much of what a place paints a target takes. */
export type Reach =
  | { readonly kind: 'all' }
  | { readonly kind: 'none' }
  | { readonly kind: 'part'; readonly part: RulePart }
  /** A part that cannot be written by itself. */
  | { readonly kind: 'unwritable'; readonly why: Unwritable }

const ALL: Reach = { kind: 'all' }
const NONE: Reach = { kind: 'none' }

/** Answers how much of what a place paints a target takes, its color aside. */
export type ReachOf = (target: Target, place: Decidable) => Reach

/** Makes the function that answers for the places of a site; what it finds out about a selector it remembers. */
export function reacher(pages: readonly ScopePage[]): ReachOf {
  const lists = new Map<string, readonly Listed[]>()
  const listed = (list: string) => {
    let found = lists.get(list)
    if (found === undefined) lists.set(list, (found = splitList(list).map(readListed)))
    return found
  }
  return (target, place) => reachOf(target, place, pages, listed)
}

/** One selector of a list, with what is asked of it, each once. */
interface Listed {
  readonly text: string
  readonly states: readonly State[] | null
  readonly isRoot: boolean
  /** By region. */
  readonly within: Map<string, boolean>
}

function readListed(text: string): Listed {
  const [facts] = readSelectors(text) ?? []
  return { text, states: facts ? statesOf(facts.signals) : null, isRoot: isRoot(text), within: new Map() }
}

function isWithin({ text, within }: Listed, region: string): boolean {
  let known = within.get(region)
  if (known === undefined) within.set(region, (known = saysWithin(text, region)))
  return known
}

function reachOf(
  { use, alphas, scope }: Target,
  place: Decidable,
  pages: readonly ScopePage[],
  listed: (list: string) => readonly Listed[],
): Reach {
  if (use !== undefined && use !== place.use) return NONE
  if (alphas !== undefined && !(typeof place.alpha === 'number' && alphas.includes(place.alpha))) return NONE
  if (scope === undefined) return ALL
  if (scope.file !== undefined && scope.file !== place.path) return NONE
  if (scope.heading !== undefined && scope.heading !== place.heading) return NONE
  return partOf(scope, place, pages, listed)
}

function partOf(
  scope: Scope,
  place: Decidable,
  pages: readonly ScopePage[],
  listed: (list: string) => readonly Listed[],
): Reach {
  const { selector, state, region, page, width, absent } = scope
  if (
    selector === undefined &&
    state === undefined &&
    region === undefined &&
    page === undefined &&
    width === undefined
  )
    return ALL
  const around: string[] = region === undefined ? [] : [region]
  if (page !== undefined) {
    const onPage = reachOfPage(page, place.path, pages)
    if (onPage === 'none') return NONE
    if (onPage !== 'all') {
      if (onPage.hook === null) return { kind: 'unwritable', why: 'page-alike' }
      around.push(onPage.hook)
    }
  }
  const narrow = width === undefined ? 'all' : reachOfWidth(width, place.atRules ?? [])
  if (narrow === 'none') return NONE
  const list = place.selector ?? null
  if (list === null) {
    if (selector !== undefined || state !== undefined) return NONE
    return around.length === 0 && narrow === 'all' ? ALL : { kind: 'unwritable', why: 'no-rule' }
  }
  const written = listed(list)
  const taken = written.flatMap((one, at) => {
    const { text } = one
    if (selector !== undefined && selector !== list && selector !== text) return []
    if (state !== undefined && !asksFor(one, state)) return []
    const within = around.filter((each) => !isWithin(one, each))
    if (within.length > 0 && absent?.includes(text)) return []
    // The root stands within nothing but itself.
    return one.isRoot && !within.every(mayBeRoot) ? [] : [{ at, text, within }]
  })
  if (taken.length === 0) return NONE
  const isWhole = taken.length === written.length && taken.every(({ within }) => within.length === 0)
  if (isWhole && narrow === 'all') return ALL
  const why = unwritable(place)
  if (why) return { kind: 'unwritable', why }
  return { kind: 'part', part: { selectors: taken, width: narrow === 'all' ? null : (width ?? null) } }
}

function asksFor({ states }: Listed, state: State | 'rest'): boolean {
  if (states === null) return false
  return state === 'rest' ? states.length === 0 : states.includes(state)
}

function reachOfPage(page: string, path: string | undefined, pages: readonly ScopePage[]): 'all' | 'none' | ScopePage {
  if (path === undefined) return 'none'
  const reached = pages.filter(({ files }) => files.includes(path))
  const wanted = reached.find((each) => each.path === page)
  if (!wanted) return 'none'
  return reached.length === 1 ? 'all' : wanted
}

/** Whether a place stands under a media feature already, or under none that could hold with it. */
function reachOfWidth(width: string, atRules: readonly string[]): 'all' | 'none' | 'some' {
  const wanted = widthsIn(width)
  const around = atRules.filter((rule) => /^@media\b/i.test(rule) && !/,|\bnot\b/i.test(rule)).flatMap(widthsIn)
  if (wanted.every((each) => around.some((other) => isWithinWidth(other, each)))) return 'all'
  return around.some((other) => wanted.some((each) => excludes(each, other))) ? 'none' : 'some'
}

function unwritable({ path, specificity, variable, evidence, inner, atRules }: Decidable): Unwritable | null {
  if (atRules?.some((rule) => /^@(?:-\w+-)?keyframes\b/i.test(rule))) return 'keyframes'
  if (evidence !== null || inner !== null || specificity === null || specificity === undefined) return 'no-rule'
  if (variable !== null) return 'variable'
  const syntax = path === undefined ? null : syntaxOf(path)
  return syntax === 'sass' || syntax === 'stylus' ? 'language' : null
}
