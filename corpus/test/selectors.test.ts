import { selectorSpecificity } from '@csstools/selector-specificity'
import { parseSelectorList } from '@undo-ink/core'
import parser, { type Selector } from 'postcss-selector-parser'
import { expect, it } from 'vitest'
import { corpusFiles, sample, textOf } from '../src/files.ts'

/** The simple selectors of a selector, and how strong it is, as a library reads it. */
function byLibrary(selector: Selector) {
  const { a, b, c } = selectorSpecificity(selector)
  const simple = selector.nodes.filter(({ type }) => type !== 'combinator' && type !== 'comment')
  return { simple: simple.map((node) => node.toString().trim()), specificity: [a, b, c] }
}

it('published selectors are read as a parser of its own reads them', () => {
  const files = sample(corpusFiles().filter(({ syntax }) => syntax === 'css'))
  const lists = new Set(
    files.flatMap((file) =>
      [...textOf(file).matchAll(/(?:^|[}\n;{])\s*([^{}@;%]+)\{/g)].map(([, list = '']) =>
        list.trim().replace(/\s+/g, ' '),
      ),
    ),
  )
  expect(lists.size).toBeGreaterThan(10_000)
  let read = 0
  for (const list of lists) {
    const own = parseSelectorList(list)
    if (!own) continue
    read++
    const told = own.map(({ compounds, specificity }) => ({
      simple: compounds.flatMap(({ simple }) => simple.map(({ text }) => text.trim())),
      specificity,
    }))
    expect(told, list).toEqual(parser().astSync(list).nodes.map(byLibrary))
  }
  // What is left is no selector: a scrap of a comment or of a value.
  expect(read / lists.size).toBeGreaterThan(0.99)
})
