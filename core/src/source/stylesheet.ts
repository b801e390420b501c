import { type AtRule, type ChildNode, type Container, CssSyntaxError, type Root } from 'postcss'
import { readSelector, type SelectorPart } from '../selector/selector.ts'
import type { State } from '../selector/state.ts'
import type { FindingCode } from '../text/finding.ts'
import { CSS, type Dialect, type HeadValue } from './dialect.ts'
import type { Embedded, Emitter } from './emit.ts'
import { headingOf } from './heading.ts'
import type { Context } from './occurrence.ts'
import { propertyKind, type Takes } from './property.ts'
import { findInValue } from './value.ts'

/** What a rule gives to the declarations in it. */
type RuleContext = Pick<Context, 'selector' | 'subjects' | 'states' | 'specificity' | 'atRules' | 'heading'>

export const OUTSIDE_RULES: RuleContext = {
  selector: null,
  subjects: [],
  states: [],
  specificity: null,
  atRules: [],
  heading: null,
}

/** A node whose children are still to be read. */
interface Pending {
  readonly node: Container
  readonly context: RuleContext
  /** What stands before the properties within: `border-` in `border: { color: red }` of Sass. */
  readonly prefix: string
}

/**
 * Reads a stylesheet, or the declarations of a style attribute, and reports every color in it. Broken text costs its own region:
 * the strict parser gives the place of the first fault, the forgiving one the rest. Walks with a stack of its own, not by recursion.
 */
export function readStylesheet(at: Embedded, outer: RuleContext, emitter: Emitter, dialect: Dialect = CSS): void {
  // PostCSS drops a mark within the text and counts from behind it: a space keeps every offset.
  const text = dialect.prepare(at.text.startsWith('\uFEFF') ? ` ${at.text.slice(1)}` : at.text)
  const nest = nester(text.length)
  const selectors = new Map<string, readonly SelectorPart[] | null>()
  const parts = (list: string) => {
    let found = selectors.get(list)
    if (found === undefined) selectors.set(list, (found = readSelector(list)))
    return found
  }
  const read = (node: ChildNode, value: HeadValue, takes: Takes, context: Context) => {
    const hits = findInValue(value.text, takes)
    const start = hits.length === 0 ? null : valueStart(node, value, text)
    if (start !== null) for (const hit of hits) emitter.hit(at, start, hit, context)
  }
  const readHead = (node: ChildNode, head: HeadValue | null, context: RuleContext, property: string) => {
    if (!head) return
    const { variable } = head
    const use = variable === null ? 'other' : 'variable'
    read(node, head, variable === null ? 'unknown' : 'custom', {
      ...context,
      property,
      use,
      important: false,
      variable,
    })
  }
  const pending: Pending[] = [{ node: parseTree(text, at, emitter, dialect), context: outer, prefix: '' }]
  for (let next = pending.pop(); next; next = pending.pop()) {
    const { prefix } = next
    let { context } = next
    for (const node of next.node.nodes ?? []) {
      switch (node.type) {
        case 'comment': {
          const heading = isHeadingPlace(node) ? headingOf(commentText(node, at.text)) : null
          if (heading !== null) context = { ...context, heading }
          break
        }
        case 'rule': {
          readHead(node, dialect.ruleHeadOf(node), context, node.selector)
          const group = /^[\w-]+:$/.test(node.selector) ? `${prefix}${node.selector.slice(0, -1)}-` : null
          const inner = group === null ? ruleContext(nest(node.selector, context.selector), context, parts) : context
          pending.push({ node, context: inner, prefix: group ?? '' })
          break
        }
        case 'atrule':
          readHead(node, dialect.headOf(node), context, `@${node.name}`)
          if (node.nodes) {
            const inner = dialect.isCondition(node.name) ? atRuleContext(node, context) : context
            pending.push({ node, context: inner, prefix: '' })
          }
          break
        case 'decl': {
          const property = prefix + node.prop
          const { takes, use } = propertyKind(property)
          const raws = node.raws as { value?: { raw: string }; between?: string }
          const value = raws.value?.raw ?? node.value
          const variable = use === 'variable' ? node.prop : null
          const head = { text: value, offset: node.prop.length + (raws.between?.length ?? 0), variable }
          read(node, head, takes, { ...context, property, use, important: node.important === true, variable })
        }
      }
    }
  }
}

function parseTree(text: string, at: Embedded, emitter: Emitter, dialect: Dialect): Root {
  try {
    return dialect.parse(text)
  } catch (error) {
    if (!(error instanceof CssSyntaxError)) throw error
    const offset = error.input?.offset ?? 0
    emitter.finding(codeOf(error.reason), at.toSource(offset), at.toSource(Math.min(text.length, offset + 1)))
    return dialect.parseSafely(text)
  }
}

/** The inside of a comment as it was received: one that began with two slashes has no closing mark. */
function commentText(node: ChildNode, received: string): string {
  const { start, end } = node.source ?? {}
  const written = received.slice((start?.offset ?? 0) + 2, end?.offset ?? 0)
  return written.endsWith('*/') ? written.slice(0, -2) : written
}

const CODES: readonly (readonly [RegExp, FindingCode])[] = [
  [/comment/i, 'unclosed-comment'],
  [/string|quote/i, 'unclosed-string'],
  [/unclosed/i, 'unclosed-block'],
  [/unexpected \}/i, 'unexpected-close'],
]

function codeOf(reason: string): FindingCode {
  return CODES.find(([pattern]) => pattern.test(reason))?.[1] ?? 'unreadable-css'
}

/** A comment among rules is a heading, one among declarations or behind code on its line is a remark. */
function isHeadingPlace(node: ChildNode): boolean {
  return (
    node.parent?.type !== 'rule' &&
    (node.raws.before === undefined || node.prev() === undefined || /[\r\n]/.test(node.raws.before))
  )
}

function atRuleContext(node: AtRule, context: RuleContext): RuleContext {
  const name = `@${node.name}${node.params === '' ? '' : ` ${node.params.replace(/\s+/g, ' ')}`}`
  return { ...context, atRules: [...context.atRules, name] }
}

function ruleContext(
  selector: string,
  outer: RuleContext,
  parts: (list: string) => readonly SelectorPart[] | null,
): RuleContext {
  const inKeyframes = outer.atRules.some((name) => /^@(?:-\w+-)?keyframes\b/i.test(name))
  const read = inKeyframes ? null : parts(selector)
  if (!read) return { ...outer, selector, subjects: [selector], states: [], specificity: null }
  const states = new Set<State>(read.flatMap((part) => part.states))
  return {
    ...outer,
    selector,
    subjects: [...new Set(read.map((part) => part.subject))],
    states: [...states].toSorted(),
    specificity: read.reduce<RuleContext['specificity']>(
      (best, { specificity }) => (best && compare(best, specificity) >= 0 ? best : specificity),
      null,
    ),
  }
}

function compare(a: readonly number[], b: readonly number[]): number {
  return (a[0] ?? 0) - (b[0] ?? 0) || (a[1] ?? 0) - (b[1] ?? 0) || (a[2] ?? 0) - (b[2] ?? 0)
}

/**
 * Makes the function that resolves a nested selector list against its parent's (CSS Nesting 1 §3); a list as parent becomes `:is()`,
 * as that section says. All resolved selectors of a sheet together may be a few times as long as the sheet: beyond that inner
 * selectors stand alone, so that hostile nesting costs neither time nor memory.
 */
function nester(sheetLength: number): (written: string, parent: string | null) => string {
  let budget = 20_000 + 4 * sheetLength
  return (written, parent) => {
    const selector = written.replace(/\s+/g, ' ')
    if (parent === null) return selector
    const as = parent.includes(',') ? `:is(${parent})` : parent
    budget -= as.length * Math.max(1, selector.split('&').length - 1)
    if (budget < 0) return selector
    return selector.includes('&') ? selector.replaceAll('&', () => as) : `${as} ${selector}`
  }
}

/** Offset of a value in the text. The tree does not say it: it is summed up, checked, and searched for where a hack shifted it. */
function valueStart(node: ChildNode, { text: value, offset }: HeadValue, text: string): number | null {
  const start = node.source?.start?.offset ?? 0
  for (const at of [start + offset, start + offset + 1]) if (text.startsWith(value, at)) return at
  const found = text.indexOf(value, start)
  return found >= 0 && found < (node.source?.end?.offset ?? 0) ? found : null
}
