import { compile } from 'css-select'
import { type AnyNode, type Element, isTag } from 'domhandler'
import { append } from '../collect.ts'
import { type ComplexSelector, parseSelectorList, type SimpleSelector } from '../selector/parse.ts'
import { textOf } from '../selector/selector.ts'

/** One compound of a complex selector, and how it stands to the one before it. */
interface Step {
  /** null: the first. */
  readonly combinator: ' ' | '>' | '+' | '~' | null
  readonly test: (element: Element) => boolean
  /** What a test costs on an element without attributes, in tests of one simple selector. */
  readonly weight: number
  /** Whether a test also looks along the element's siblings. */
  readonly looksAlong: boolean
}

/** A selector that is looked for. */
interface Sought {
  readonly subject: string
  /** null: no selector that could be looked for; undefined: it was not asked for yet. */
  steps: readonly Step[] | null | undefined
}

/** Longer selectors are not looked for. */
const LONGEST = 500
const MOST_STEPS = 20

/** Characters of attributes, and siblings, that are looked at in the time of one test. */
const UNITS_OF_TEST = 64
const SIBLINGS_OF_TEST = 32

/**
 * Finds of many selectors those whose subject an element is. Each selector is tried only on elements that have the id, the class or the type by
 * which its last compound can be told, as browsers do. Compounds are a library's; the way along ancestors and siblings is remembered, so that
 * no chain of them takes more than its length times theirs.
 */
export class SubjectMatcher {
  private readonly byKey = new Map<string, Sought[]>()
  private readonly costs = new Map<Element, number>()
  private left: number

  /**
   * @param subjects with their states off
   * @param most tests of one simple selector on one element, of all selectors and elements together: beyond it nothing matches, so that hostile
   * pages cost no more
   */
  constructor(subjects: Iterable<string>, most: number) {
    this.left = most
    for (const subject of new Set(subjects)) {
      append(this.byKey, keyOf(subject), { subject, steps: undefined })
    }
  }

  /** Whether there was more to test than may be: some of what matches was not found. */
  get isSpent(): boolean {
    return this.left <= 0
  }

  /** Those whose subject the element is. */
  matching(element: Element): string[] {
    if (this.isSpent) return []
    const names = new Set((element.attribs.class ?? '').split(/\s+/))
    const keys = ['*', element.name.toLowerCase(), `#${element.attribs.id ?? ''}`]
    for (const name of names) if (name !== '') keys.push(`.${name}`)
    const found: string[] = []
    for (const key of keys)
      for (const sought of this.byKey.get(key) ?? []) if (this.matches(sought, element)) found.push(sought.subject)
    return found
  }

  private matches(sought: Sought, element: Element): boolean {
    if (this.isSpent) return false
    if (sought.steps === undefined) sought.steps = stepsOf(sought.subject)
    const { steps } = sought
    return steps !== null && this.at(steps, steps.length - 1, element)
  }

  /** Tests of one simple selector that looking at the attributes of an element costs as much as. */
  private costOf(element: Element): number {
    let cost = this.costs.get(element)
    if (cost === undefined) {
      const units = Object.entries(element.attribs).reduce((sum, [name, value]) => sum + name.length + value.length, 0)
      this.costs.set(element, (cost = 1 + units / UNITS_OF_TEST))
    }
    return cost
  }

  /** Whether an element is the subject of the selector up to a step. @param known by element the steps that are known not to match there or further on; null: none */
  private at(
    steps: readonly Step[],
    step: number,
    element: Element,
    known: Map<Element, Set<number>> | null = null,
  ): boolean {
    const { combinator, test, weight, looksAlong } = steps[step] as Step
    this.left -=
      weight * this.costOf(element) + (looksAlong ? (element.parent?.children.length ?? 0) / SIBLINGS_OF_TEST : 0)
    if (this.isSpent || !test(element)) return false
    if (combinator === null) return true
    const next = combinator === ' ' || combinator === '>' ? parentOf : elementBefore
    // Most fail before there is anything to remember.
    const failed = known ?? new Map<Element, Set<number>>()
    for (let other = next(element); other; other = next(other)) {
      const there = failed.get(other) ?? new Set()
      const isOnly = combinator === '>' || combinator === '+'
      if (!isOnly && there.has(step)) return false
      if (this.at(steps, step - 1, other, failed)) return true
      if (isOnly) return false
      failed.set(other, there.add(step))
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
  const read = only(subject)
  // One that begins with a combinator is about what stands around it, which is not known.
  if (
    !read ||
    read.compounds[0]?.combinator ||
    read.compounds.length > MOST_STEPS ||
    read.compounds.some(({ simple }) => simple.some(isCostly))
  )
    return null
  try {
    return read.compounds.map(({ combinator, simple }): Step => {
      if (combinator === '||') throw new Error('no element stands in a column')
      const own = simple.filter(({ kind }) => kind !== 'pseudo-element')
      // What is before or behind an element, or its first letter, is of the element.
      const all = [...own, ...own.flatMap(within)]
      const looksAlong = all.some(({ name }) => ALONG.test(name))
      return { combinator, test: compile<AnyNode, Element>(textOf(own) || '*'), weight: 1 + all.length, looksAlong }
    })
  } catch {
    // A pseudo-class that says nothing of a page at rest.
    return null
  }
}

function only(subject: string): ComplexSelector | null {
  const [selector, ...others] = subject.length > LONGEST ? [] : (parseSelectorList(subject) ?? [])
  return selector && others.length === 0 ? selector : null
}

/** The simple selectors in the brackets of one. */
function within({ list }: SimpleSelector): SimpleSelector[] {
  return list.flatMap(({ compounds }) => compounds.flatMap(({ simple }) => [...simple, ...simple.flatMap(within)]))
}

/** Pseudo-classes that depend on siblings. */
const ALONG = /^(?:nth-|first-|last-|only-)/

/** Pseudo-classes that look at all that is in or around an element; the library's own that look for text too. */
const FAR = /^(?:has|contains|icontains|enabled|disabled)$/

/** Whether a test looks further than one step around the element: that costs more than its length tells. */
function isCostly({ kind, name, list }: SimpleSelector): boolean {
  if (kind === 'pseudo-class' && FAR.test(name)) return true
  return list.some(({ compounds }) => compounds.length > 2 || compounds.some(({ simple }) => simple.some(isCostly)))
}

/** What an element must have to be the subject: `#id`, `.class` or a type; `*` where nothing can be told. */
function keyOf(subject: string): string {
  const simple = only(subject)?.compounds.at(-1)?.simple ?? []
  const named = (kind: SimpleSelector['kind']) => simple.find((each) => each.kind === kind)?.name
  const [id, name, type] = [named('id'), named('class'), named('type')]
  if (id !== undefined) return `#${id}`
  return name !== undefined ? `.${name}` : (type ?? '*')
}
