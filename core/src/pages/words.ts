import { type Element, isTag, isText } from 'domhandler'
import { type Ledger, listAt, valueAt } from '../ledger/ledger.ts'
import { runsOf, type Words } from '../ledger/words.ts'
import { append } from '../source/link.ts'
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
  const paintings = paintingsByFile(ledger, endsOf)
  const known = new Map<string, number>()
  const texts: string[] = []
  const runs: (readonly number[])[] = []
  for (const page of pages)
    for (const { text, painted } of paintedOn(page, paintings)) {
      const key = `${painted.join()} ${text}`
      if (known.has(key)) continue
      known.set(key, texts.length)
      texts.push(text)
      runs.push(painted)
    }
  return { texts, runs }
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

/** By the file in which they paint. */
function paintingsByFile(ledger: Ledger, endsOf: EndsOf): Map<string, Painting[]> {
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
    for (const { file, use, taken, range, subjects } of endsOf(name)) {
      if (taken === 'listed' || ++through > MOST_THROUGH) continue
      append(byFile, file, { run, isGround: use === 'ground', path, start: range.start, subjects })
    }
  })
  return byFile
}

function paintedOn({ path, text, files }: PageText, byFile: ReadonlyMap<string, readonly Painting[]>) {
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
  const matcher = new SubjectMatcher(bySubject.keys())
  const known = new Map<Element, readonly Painting[]>()
  const paintingsOn = (element: Element): readonly Painting[] => {
    let found = known.get(element)
    if (!found) {
      const matched = matcher.matching(element).flatMap((subject) => bySubject.get(subject) ?? [])
      known.set(element, (found = [...(own.get(element) ?? []), ...matched]))
    }
    return found
  }
  /** What paints the ground behind an element: of the nearest around it that has one. */
  const groundsBehind = (element: Element): readonly Painting[] => {
    let found: readonly Painting[] = []
    for (
      let up: Element | null = element;
      up && found.length === 0;
      up = up.parent && isTag(up.parent) ? up.parent : null
    ) {
      const before = grounds.get(up)
      found = before ?? paintingsOn(up).filter(({ isGround }) => isGround)
      if (!before) grounds.set(up, found)
    }
    return found
  }
  const grounds = new Map<Element, readonly Painting[]>()
  return shownTexts(tree, text.length).flatMap(({ text, elements }) => {
    const behind = elements[0] ? groundsBehind(elements[0]) : []
    const painting = [...elements.flatMap(paintingsOn), ...behind]
    const painted = [...new Set(painting.map(({ run }) => run))].toSorted((a, b) => a - b)
    return painted.length === 0 ? [] : [{ text, painted }]
  })
}

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
