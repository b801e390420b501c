import type { SitePages } from '@undo-ink/core'

/** The paths of the pages that can be shown as they are, the front page first: the highest folder, `index` before others. */
export function shownPages({ pages }: SitePages): string[] {
  return pages.flatMap(({ path, isDocument }) => (isDocument ? [path] : [])).toSorted(byDepthAndIndex)
}

function byDepthAndIndex(a: string, b: string): number {
  const rank = (path: string) => path.split('/').length * 2 - (/(?:^|\/)index\.\w+$/.test(path) ? 1 : 0)
  return rank(a) - rank(b) || (a < b ? -1 : 1)
}
