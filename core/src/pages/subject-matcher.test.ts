import { selectAll } from 'css-select'
import type { AnyNode, Element } from 'domhandler'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { readPage } from './page-tree.ts'
import { SubjectMatcher } from './subject-matcher.ts'

const compound = fc.constantFrom(
  '*',
  'p',
  'b',
  '.a',
  '.c',
  'p.a',
  '#x',
  'b:not(.a)',
  ':is(p, .c)',
  'p:first-child',
  '[title]',
)
const selector = fc
  .tuple(compound, fc.array(fc.tuple(fc.constantFrom(' ', ' > ', ' + ', ' ~ '), compound), { maxLength: 4 }))
  .map(([first, rest]) => first + rest.flat().join(''))
const node: fc.Memo<string> = fc.memo((depth) =>
  depth <= 1 ? fc.constantFrom('<b>t</b>', '<i class=a>t</i>') : element(depth),
)
const element: fc.Memo<string> = fc.memo((depth) =>
  fc
    .tuple(
      fc.constantFrom('p', 'b', 'div'),
      fc.constantFrom('', ' class=a', ' class="a c"', ' id=x', ' title=t'),
      fc.array(node(depth - 1), { maxLength: 4 }),
    )
    .map(([name, attributes, inner]) => `<${name}${attributes}>${inner.join('')}</${name}>`),
)

it('finds what the selector library finds by walking the whole page', () => {
  fc.assert(
    fc.property(fc.array(selector, { minLength: 1, maxLength: 8 }), element(6), (selectors, page) => {
      const { root, elements } = readPage(page)
      const matcher = new SubjectMatcher(selectors, 1_000_000)
      const found = elements.flatMap((each, i) => matcher.matching(each).map((subject) => `${i} ${subject}`))
      const wanted = [...new Set(selectors)].flatMap((subject) =>
        selectAll<AnyNode, Element>(subject, root).map((each) => `${elements.indexOf(each)} ${subject}`),
      )
      expect(found.toSorted()).toEqual(wanted.toSorted())
    }),
    { seed: 11, numRuns: 300 },
  )
})
