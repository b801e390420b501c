import { type Element, isTag, isText } from 'domhandler'
import { type Ledger, valueAt } from '../ledger/ledger.ts'
import { runsOf, type Words } from '../ledger/words.ts'
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
 * that holds nothing else, and the ground behind them, of whatever is around. What an element only inherits is not told. Rules of a file that the page does not reach paint nothing on it.
 */
export function wordsOf(pages: readonly PageText[], ledger: Ledger): Words {
  const byFile = runsByFile(ledger)
  const withGround = runsWithGround(ledger)
  const known = new Map<string, number>()
  const texts: string[] = []
  const runs: (readonly number[])[] = []
  for (const page of pages)
    for (const { text, painted } of paintedOn(page, ledger, byFile, withGround)) {
      const key = `${painted.join()} ${text}`
      if (known.has(key)) continue
      known.set(key, texts.length)
      texts.push(text)
      runs.push(painted)
    }
  return { texts, runs }
}

/** The runs of which some place paints a ground. */
function runsWithGround(ledger: Ledger): Set<number> {
  const { use, variable } = ledger.columns
  const ground = use.values.indexOf('ground')
  const none = variable.values.indexOf(null)
  const found = new Set<number>()
  const starts = runsOf(ledger)
  starts.forEach((first, run) => {
    for (let at = first; at < (starts[run + 1] ?? ledger.length); at++)
      if (use.codes[at] === ground && variable.codes[at] === none) found.add(run)
  })
  return found
}

interface Run {
  readonly run: number
  readonly first: number
}

function runsByFile(ledger: Ledger): Map<string, Run[]> {
  const byFile = new Map<string, Run[]>()
  runsOf(ledger).forEach((first, run) => {
    const path = valueAt(ledger, 'path', first)
    const list = byFile.get(path)
    if (list) list.push({ run, first })
    else byFile.set(path, [{ run, first }])
  })
  return byFile
}

function paintedOn(
  { path, text, files }: PageText,
  ledger: Ledger,
  byFile: ReadonlyMap<string, readonly Run[]>,
  withGround: ReadonlySet<number>,
) {
  const tree = readPage(text)
  const own = new Map<Element, number[]>()
  const bySubject = new Map<string, number[]>()
  for (const file of files)
    for (const { run, first } of byFile.get(file) ?? []) {
      const element = file === path ? elementAt(tree, ledger.positions.start[first] as number) : null
      if (element) own.set(element, [...(own.get(element) ?? []), run])
      else
        for (const subject of valueAt(ledger, 'subjects', first)) {
          const list = bySubject.get(subject)
          if (list) list.push(run)
          else bySubject.set(subject, [run])
        }
    }
  const matcher = new SubjectMatcher(bySubject.keys())
  const painting = new Map<Element, readonly number[]>()
  const runsOn = (element: Element): readonly number[] => {
    let found = painting.get(element)
    if (!found) {
      const matched = matcher.matching(element).flatMap((subject) => bySubject.get(subject) ?? [])
      painting.set(element, (found = [...(own.get(element) ?? []), ...matched]))
    }
    return found
  }
  /** What paints the ground behind an element: of the nearest around it that has one. */
  const groundsBehind = (element: Element): readonly number[] => {
    let found: readonly number[] = []
    for (
      let up: Element | null = element;
      up && found.length === 0;
      up = up.parent && isTag(up.parent) ? up.parent : null
    ) {
      const known = grounds.get(up)
      found = known ?? runsOn(up).filter((run) => withGround.has(run))
      if (!known) grounds.set(up, found)
    }
    return found
  }
  const grounds = new Map<Element, readonly number[]>()
  return shownTexts(tree, text.length).flatMap(({ text, elements }) => {
    const behind = elements[0] ? groundsBehind(elements[0]) : []
    const painted = [...new Set([...elements.flatMap(runsOn), ...behind])].toSorted((a, b) => a - b)
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
