import { compile } from 'css-select'
import { type AnyNode, type Element, isTag } from 'domhandler'
import parser, { type Node, type Selector } from 'postcss-selector-parser'

/** One compound of a complex selector, and how it stands to the one before it. */
interface Step {
  /** null: the first. */
  readonly combinator: ' ' | '>' | '+' | '~' | null
  readonly test: (element: Element) => boolean
}

/** Longer selectors are not looked for. */
const LONGEST = 500
const MOST_STEPS = 20

/** Tests of one compound on one element, of all selectors and elements of a page together: beyond it nothing matches, so that hostile sheets cost no more. */
const MOST_TESTS = 5_000_000

/**
 * Finds of many selectors those whose subject an element is. Each selector is tried only on elements that have the id, the class or the type by
 * which its last compound can be told, as browsers do. Compounds are a library's; the way along ancestors and siblings is remembered, so that
 * no chain of them takes more than its length times theirs.
 */
export class SubjectMatcher {
  private readonly selectors = new Map<string, readonly Step[] | null>()
  private readonly byKey = new Map<string, string[]>()
  private left = MOST_TESTS

  /** @param subjects with their states off */
  constructor(subjects: Iterable<string>) {
    for (const subject of new Set(subjects)) {
      const key = keyOf(subject)
      const list = this.byKey.get(key)
      if (list) list.push(subject)
      else this.byKey.set(key, [subject])
    }
  }

  /** Those whose subject the element is. */
  matching(element: Element): string[] {
    const names = new Set((element.attribs.class ?? '').split(/\s+/))
    const keys = ['*', element.name.toLowerCase(), `#${element.attribs.id ?? ''}`]
    for (const name of names) if (name !== '') keys.push(`.${name}`)
    return keys.flatMap((key) => (this.byKey.get(key) ?? []).filter((subject) => this.matches(subject, element)))
  }

  private matches(subject: string, element: Element): boolean {
    let steps = this.selectors.get(subject)
    if (steps === undefined) this.selectors.set(subject, (steps = stepsOf(subject)))
    return steps !== null && this.at(steps, steps.length - 1, element, new Map())
  }

  /** Whether an element is the subject of the selector up to a step. @param failed by element the steps that are known not to match there or further on */
  private at(steps: readonly Step[], step: number, element: Element, failed: Map<Element, Set<number>>): boolean {
    const { combinator, test } = steps[step] as Step
    if (this.left-- <= 0 || !test(element)) return false
    if (combinator === null) return true
    const next = combinator === ' ' || combinator === '>' ? parentOf : elementBefore
    for (let other = next(element); other; other = next(other)) {
      const known = failed.get(other) ?? new Set()
      const isOnly = combinator === '>' || combinator === '+'
      if (!isOnly && known.has(step)) return false
      if (this.at(steps, step - 1, other, failed)) return true
      if (isOnly) return false
      failed.set(other, known.add(step))
    }
    return false
  }
}

function parentOf({ parent }: Element): Element | null {
  return parent && isTag(parent) ? parent : null
}

function elementBefore({ prev }: Element): Element | null {
  let node: AnyNode | null = prev as AnyNode | null
  while (node && !isTag(node)) node = node.prev as AnyNode | null
  return node
}

/** null: no selector that could be looked for. */
function stepsOf(subject: string): Step[] | null {
  if (subject.length > LONGEST) return null
  try {
    const [selector, ...others] = parser().astSync(subject).nodes
    if (!selector || others.length > 0) return null
    const steps = compounds(selector).map(({ combinator, text }): Step => {
      if (isCostly(text)) throw new Error('a compound that costs more than its length tells')
      return { combinator, test: compile<AnyNode, Element>(text) }
    })
    return steps.length > MOST_STEPS ? null : steps
  } catch {
    // A pseudo-class that says nothing of a page at rest, or no selector at all.
    return null
  }
}

function compounds({ nodes }: Selector): { combinator: Step['combinator']; text: string }[] {
  const found: { combinator: Step['combinator']; text: string }[] = []
  let current: { combinator: Step['combinator']; text: string } = { combinator: null, text: '' }
  for (const node of nodes) {
    if (node.type === 'combinator') {
      found.push(current)
      current = { combinator: (node.value.trim() || ' ') as Step['combinator'], text: '' }
    } else if (!isPseudoElement(node)) current.text += node.toString().trim()
  }
  return [...found, current].map(({ combinator, text }) => ({ combinator, text: text || '*' }))
}

/** What is before or behind an element, or its first letter, is of the element. */
function isPseudoElement(node: Node): boolean {
  return node.type === 'pseudo' && (node.value.startsWith('::') || /^:(?:before|after|first-l\w+)$/i.test(node.value))
}

/** Whether functions in a compound look further than one step around the element. */
function isCostly(compound: string): boolean {
  if (!compound.includes('(')) return false
  const inner = compound.replace(/\s*,\s*|\(\s+|\s+\)/g, ',')
  return /:has\(/i.test(inner) || (inner.match(/[\s>+~]+(?=[^\s>+~=\d])/g) ?? []).length > 1
}

/** Of a compound: its id, a class, or its type, outside of brackets and functions. */
const KEY = /#(-?[a-z_][\w-]*)|\.(-?[a-z_][\w-]*)|^([a-z][\w-]*)/gi

/** What an element must have to be the subject: `#id`, `.class` or a type; `*` where nothing can be told. */
function keyOf(subject: string): string {
  if (subject.length > LONGEST || /[\\"'(]/.test(subject)) return '*'
  const last =
    subject
      .replace(/\[[^\]]*\]/g, '')
      .split(/[\s>+~]+/)
      .at(-1) ?? ''
  const found = [...last.matchAll(KEY)]
  const id = found.find((match) => match[1] !== undefined)?.[1]
  if (id !== undefined) return `#${id}`
  const name = found.find((match) => match[2] !== undefined)?.[2]
  if (name !== undefined) return `.${name}`
  return found[0]?.[3]?.toLowerCase() ?? '*'
}
