import { expect, it } from 'vitest'
import { shownPages } from './shown-pages.ts'

const page = (path: string, isDocument = true) => {
  return { path, sheets: [], parts: [], scripts: [], files: [], hook: null, isDocument }
}

it('the front page comes first, what has no document of its own not at all', () => {
  const pages = [page('a.html'), page('b/index.html'), page('index.html'), page('b/a.html'), page('c.liquid', false)]
  expect(shownPages({ pages, unused: [], leftOut: [] })).toEqual(['index.html', 'a.html', 'b/index.html', 'b/a.html'])
})
