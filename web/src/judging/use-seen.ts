import type { FileText } from '@undo-ink/contracts'
import { limitedTo, readSelectors, splitList } from '@undo-ink/core'
import { useMemo } from 'react'
import { useFileTexts } from '../api/copies.ts'
import { shownPages } from '../work/shown-pages.ts'
import { useCopy } from '../work/work.tsx'

/** More pages are not looked at: it is there while one chooses. */
const MOST_PAGES = 60

/** On how many of the site's pages an element is found by a selector, within some regions. */
export interface PagesSeen {
  on(selector: string, within: readonly string[]): number
  /** Whether any page has an element that each of some selector lists finds. */
  together(lists: readonly string[]): boolean
  /** Whether all pages of the site were looked at: only then is what was not seen on no page. */
  readonly isWhole: boolean
}

/**
 * Looks at the pages as they stand in the copy; null while they are loaded. Scripts may add more. The pages are only parsed: nothing of them runs or
 * is loaded. @param wanted whether anybody asks
 */
export function useSeen(wanted: boolean): PagesSeen | null {
  const { places, sitePages } = useCopy()
  const paths = useMemo(() => shownPages(sitePages), [sitePages])
  const ids = useMemo(() => paths.slice(0, MOST_PAGES).map((path) => places.fileId(path)), [paths, places])
  const texts = useFileTexts(wanted ? ids : [])
  return useMemo(() => {
    if (!wanted || texts.size < ids.length) return null
    const pages = [...texts.values()].map(documentOf)
    const known = new Map<string, number>()
    return {
      isWhole: ids.length > 0 && ids.length === sitePages.pages.length,
      on(selector, within) {
        const found = limitedTo(atRest(selector), within)
        let count = known.get(found)
        if (count === undefined) known.set(found, (count = pages.filter((page) => isIn(page, found)).length))
        return count
      },
      together(lists) {
        const key = lists.join('\n')
        let count = known.get(key)
        if (count === undefined) known.set(key, (count = pages.some((page) => isTogether(page, lists)) ? 1 : 0))
        return count > 0
      },
    }
  }, [wanted, texts, ids, sitePages])
}

/** Pages as they were parsed once, for all who ask. */
const parsed = new WeakMap<FileText, Document>()

function documentOf(file: FileText): Document {
  const known = parsed.get(file)
  if (known) return known
  // Handlers in attributes would not run, but be told as refused: each by an error in the console.
  const page = new DOMParser().parseFromString(file.text.replace(/(\s)on(?=[a-z]+\s*=)/gi, '$1data-on'), 'text/html')
  parsed.set(file, page)
  return page
}

/** What finds the subjects of a selector on a page at rest. */
function atRest(selector: string): string {
  const subject = readSelectors(selector)?.[0]?.subject ?? selector
  return subject.replace(/::?(?:before|after|first-line|first-letter|selection|placeholder)\b/gi, '') || '*'
}

/** Whether one element is found by each of some lists, at rest. */
function isTogether(page: Document, lists: readonly string[]): boolean {
  const rested = lists.map((list) => splitList(list).map(atRest).join(', '))
  try {
    const [first = '*', ...others] = rested
    return [...page.querySelectorAll(first)].some((element) => others.every((list) => element.matches(list)))
  } catch {
    return true
  }
}

/** A selector that cannot be looked for may find anything. */
function isIn(page: Document, selector: string): boolean {
  try {
    return page.querySelector(selector) !== null
  } catch {
    return true
  }
}
