import { type Element, isTag, isText } from 'domhandler'
import { append } from '../collect.ts'
import { type Ledger, listAt, valueAt } from '../ledger/ledger.ts'
import { runsOf, type Words } from '../ledger/words.ts'
import type { EndsOf } from '../source/through.ts'
import { nodesOf, type PageTree, readPage } from './page-tree.ts'
import { SubjectMatcher } from './subject-matcher.ts'

/** A page with its text, and every file that it reaches. */
export interface PageText {
  readonly path: string
  readonly text: string
  readonly files: readonly string[]
}

/**
 * What the pages show, and which places paint it: those whose rule has as its subject the element in which the words stand, or one around it
 * that holds nothing else, and the ground behind them, of whatever is around; of a variable, those that take its value. What an element only
 * inherits is not told. Rules of a file that the page does not reach paint nothing on it.
 * @param endsOf follows the variables of the whole site
 */
export function wordsOf(pages: readonly PageText[], ledger: Ledger, endsOf: EndsOf): Words {
  const { byFile, isEvery } = paintingsByFile(ledger, endsOf)
  const sets = new RunSets()
  const known = new Set<string>()
  const texts: string[] = []
  const painted: (readonly number[])[] = []
  const partly: string[] = []
  for (const page of pages) {
    const { shown, isWhole } = paintedOn(page, byFile, sets)
    if (!isWhole || !isEvery) partly.push(page.path)
    for (const { text, painting } of shown) {
      const key = `${painting.join()} ${text}`
      if (known.has(key)) continue
      known.add(key)
      texts.push(text)
      painted.push(painting)
    }
  }
  return { texts, sets: sets.all, painted, partly }
}

/** Sets of runs, each kept once. */
class RunSets {
  readonly all: (readonly number[])[] = []
  private readonly known = new Map<string, number>()

  /** The index of a set; none for an empty one. */
  of(paintings: readonly Painting[]): number[] {
    if (paintings.length === 0) return []
    const runs = [...new Set(paintings.map(({ run }) => run))].toSorted((a, b) => a - b)
    const key = runs.join()
    let index = this.known.get(key)
    if (index === undefined) {
      index = this.all.push(runs) - 1
      this.known.set(key, index)
    }
    return [index]
  }
}

/** What paints some subjects: a run where it stands, or one that gives a variable the value that is taken there. */
interface Painting {
  readonly run: number
  readonly isGround: boolean
  /** The file in which the run stands. */
  readonly path: string
  /** Where it paints, in the file that it paints in. */
  readonly start: number
  readonly subjects: readonly string[]
}

/** Paintings through variables in all beyond which none is looked at: hostile chains cost neither time nor memory. */
const MOST_THROUGH = 200_000

/** By the file in which they paint. `isEvery`: none is left out. */
function paintingsByFile(ledger: Ledger, endsOf: EndsOf): { byFile: Map<string, Painting[]>; isEvery: boolean } {
  const { use, variable } = ledger.columns
  const ground = use.values.indexOf('ground')
  const starts = runsOf(ledger)
  const byFile = new Map<string, Painting[]>()
  let through = 0
  starts.forEach((first, run) => {
    const path = valueAt(ledger, 'path', first)
    const name = variable.values[variable.codes[first] as number]
    if (name === null || name === undefined) {
      const isGround = use.codes.subarray(first, starts[run + 1] ?? ledger.length).includes(ground)
      const start = ledger.positions.start[first] as number
      append(byFile, path, { run, isGround, path, start, subjects: listAt(ledger, 'subjects', first) })
      return
    }
    if (through > MOST_THROUGH) return
    for (const { file, use, taken, range, subjects } of endsOf(name)) {
      if (taken === 'listed') continue
      if (++through > MOST_THROUGH) return
      append(byFile, file, { run, isGround: use === 'ground', path, start: range.start, subjects })
    }
  })
  return { byFile, isEvery: through <= MOST_THROUGH }
}

/** The sets of runs that paint an element: all, and those that paint its ground. */
interface ElementSets {
  readonly all: readonly number[]
  readonly grounds: readonly number[]
}

/** The texts of a page with the sets that paint each. Time and result grow no more than its text does: beyond, `isWhole` is false. */
function paintedOn(
  { path, text, files }: PageText,
  byFile: ReadonlyMap<string, readonly Painting[]>,
  sets: RunSets,
): { shown: { text: string; painting: readonly number[] }[]; isWhole: boolean } {
  const tree = readPage(text)
  const reached = new Set(files)
  const own = new Map<Element, Painting[]>()
  const bySubject = new Map<string, Painting[]>()
  for (const file of reached)
    for (const painting of byFile.get(file) ?? []) {
      if (!reached.has(painting.path)) continue
      const element = file === path ? elementAt(tree, painting.start) : null
      if (element) append(own, element, painting)
      else for (const subject of painting.subjects) append(bySubject, subject, painting)
    }
  const setsOf = (paintings: readonly Painting[]): ElementSets => ({
    all: sets.of(paintings),
    grounds: sets.of(paintings.filter(({ isGround }) => isGround)),
  })
  const ofSubject = new Map<string, ElementSets>()
  const known = new Map<Element, ElementSets>()
  const matcher = new SubjectMatcher(bySubject.keys(), LEAST_TESTS + TESTS_PER_UNIT * text.length)
  const setsOn = (element: Element): ElementSets => {
    let found = known.get(element)
    if (!found) {
      const each = matcher.matching(element).map((subject) => {
        const before = ofSubject.get(subject) ?? setsOf(bySubject.get(subject) ?? [])
        ofSubject.set(subject, before)
        return before
      })
      each.push(setsOf(own.get(element) ?? []))
      found = { all: each.flatMap(({ all }) => all), grounds: each.flatMap(({ grounds }) => grounds) }
      known.set(element, found)
    }
    return found
  }
  /** What paints the ground behind an element: of the nearest around it that has one. */
  const groundsBehind = (element: Element): readonly number[] => {
    const passed: Element[] = []
    let found: readonly number[] | undefined
    for (let up: Element | null = element; up && !found; up = up.parent && isTag(up.parent) ? up.parent : null) {
      passed.push(up)
      const here = setsOn(up).grounds
      found = grounds.get(up) ?? (here.length > 0 ? here : undefined)
    }
    for (const each of passed) grounds.set(each, found ?? [])
    return found ?? []
  }
  const grounds = new Map<Element, readonly number[]>()
  let left = LEAST_PAINTED + PAINTED_PER_UNIT * text.length
  const shown = shownTexts(tree, text.length).flatMap(({ text, elements }) => {
    if (left < 0) return []
    const behind = elements[0] ? groundsBehind(elements[0]) : []
    const painting = [...new Set([...elements.flatMap((each) => setsOn(each).all), ...behind])]
    left -= painting.length
    return painting.length === 0 ? [] : [{ text, painting }]
  })
  return { shown, isWhole: left >= 0 && !matcher.isSpent }
}

/** Tests of one simple selector on one element that even a small page may take, and those that each UTF-16 unit of its text adds. */
const LEAST_TESTS = 200_000
const TESTS_PER_UNIT = 20

/** The same for sets that are told of texts. */
const LEAST_PAINTED = 20_000
const PAINTED_PER_UNIT = 0.5

/** The element in whose start tag an offset of the page lies. */
function elementAt({ startTags }: PageTree, offset: number): Element | null {
  let [low, high] = [0, startTags.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((startTags[middle]?.[0].start ?? 0) <= offset) low = middle + 1
    else high = middle
  }
  const [range, element] = startTags[low - 1] ?? []
  return range && element && offset < range.end ? element : null
}

/** Elements whose text is no part of what is shown. */
const UNSHOWN = new Set(['script', 'style', 'template', 'noscript', 'title', 'head', 'textarea', 'iframe'])

/** Elements that stand in a line of text (HTML §3.2.5.2.5, those that hold text). */
const IN_LINE = new Set(
  'a abbr b bdi bdo cite code data del dfn em font i ins kbd label mark q s samp small span strong sub sup time u var'.split(
    ' ',
  ),
)

interface Shown {
  readonly text: string
  /** The element in which the text stands, and those around it that hold nothing else. */
  readonly elements: readonly Element[]
}

/** Every line of text of a page. All together are told up to a few times the length of the page, so that hostile nesting costs neither time nor memory. */
function shownTexts(tree: PageTree, length: number): Shown[] {
  const lengths = shownLengths(tree)
  const shown: Shown[] = []
  let budget = 20_000 + 4 * length
  for (const element of tree.elements) {
    if (budget < 0) break
    const text = lineOf(element)
    if (text === '') continue
    budget -= text.length
    const elements = [element]
    for (
      let up = element.parent;
      up && isTag(up) && up.name !== 'body' && elements.length < MOST_AROUND;
      up = up.parent
    ) {
      if (lengths.get(up) !== lengths.get(element)) break
      elements.push(up)
    }
    shown.push({ text, elements })
  }
  return shown
}

const MOST_AROUND = 20

/** How many characters each element shows, white space left out. */
function shownLengths({ root, elements }: PageTree): Map<Element, number> {
  const lengths = new Map<Element, number>(elements.map((element) => [element, 0]))
  for (const node of nodesOf(root)) {
    const parent = node.parent
    if (!isText(node) || !parent || !isTag(parent) || UNSHOWN.has(parent.name)) continue
    lengths.set(parent, (lengths.get(parent) ?? 0) + node.data.replace(/\s+/g, '').length)
  }
  // Parents stand before their children.
  for (const element of elements.toReversed()) {
    const { parent } = element
    if (parent && isTag(parent)) lengths.set(parent, (lengths.get(parent) ?? 0) + (lengths.get(element) ?? 0))
  }
  return lengths
}

/** The text that stands in an element itself, with what stands in its line; a button's value, a field's hint. Empty: none of its own. */
function lineOf(element: Element): string {
  if (UNSHOWN.has(element.name)) return ''
  const { type = '', value = '', placeholder = '' } = element.attribs
  if (element.name === 'input') return (/^(?:submit|button|reset)$/i.test(type) ? value : placeholder).trim()
  if (!element.children.some((child) => isText(child) && child.data.trim() !== '')) return ''
  let text = ''
  const pending = element.children.toReversed()
  for (let node = pending.pop(); node && text.length < LONGEST_LINE; node = pending.pop()) {
    if (isText(node)) text += node.data
    else if (isTag(node)) {
      if (IN_LINE.has(node.name)) pending.push(...node.children.toReversed())
      else text += ' '
    }
  }
  return text.replace(/\s+/g, ' ').trim()
}

const LONGEST_LINE = 5000
