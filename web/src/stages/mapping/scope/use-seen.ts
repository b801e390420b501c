import { limitedTo, type Part, readSelector } from '@undo-ink/core'
import { useMemo } from 'react'
import { useFileTexts } from '../../../api/copies.ts'
import { useWork } from '../../../work/work.tsx'
import type { Reached } from './scope-reach.ts'

/** More pages and places are not looked at: it is a hint, and is there while one chooses. */
const MOST_PAGES = 30
const MOST_PLACES = 300

/**
 * On how many of the site's pages, as they stand in the copy, an element is found for each part, by the index of its place; null while the pages are
 * loaded. Scripts may add more. The pages are only parsed: nothing of them runs or is loaded.
 */
export function useSeen(parts: readonly Reached[]): ReadonlyMap<number, number> | null {
  const { places, sitePages } = useWork()
  const ids = useMemo(
    () =>
      sitePages.pages
        .filter(({ path }) => /\.html?$/i.test(path))
        .slice(0, MOST_PAGES)
        .map(({ path }) => places.fileId(path)),
    [sitePages, places],
  )
  const texts = useFileTexts(parts.length > 0 ? ids : [])
  const pages = useMemo(() => {
    const parser = new DOMParser()
    return [...texts.values()].map(({ text }) => parser.parseFromString(text, 'text/html'))
  }, [texts])
  return useMemo(() => {
    if (pages.length < ids.length) return null
    return new Map(
      parts.slice(0, MOST_PLACES).flatMap(({ place, part }) => {
        const selectors = part ? selectorsOf(part) : []
        return [[place.index, pages.filter((page) => selectors.some((each) => isIn(page, each))).length] as const]
      }),
    )
  }, [parts, pages, ids])
}

/** What finds the subjects of a part on a page at rest. */
function selectorsOf({ selectors }: Part): string[] {
  return selectors.map(({ text, within }) => {
    const subject = readSelector(text)?.[0]?.subject ?? text
    return limitedTo(
      subject.replace(/::?(?:before|after|first-line|first-letter|selection|placeholder)\b/gi, ''),
      within,
    )
  })
}

function isIn(page: Document, selector: string): boolean {
  try {
    return page.querySelector(selector) !== null
  } catch {
    return false
  }
}
