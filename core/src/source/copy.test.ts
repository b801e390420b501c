import { expect, it } from 'vitest'
import { copyText, isLitter } from './copy.ts'

it('puts files in the order of their bytes in UTF-8', () => {
  // U+FFFD is below U+1F600 there, and above it in UTF-16 units.
  const paths = ['b', 'a/b', 'a', '\u{1f600}', '\ufffd', 'ab']
  const files = paths.map((path) => ({ path, sha256: null, size: 1 }))
  const order = copyText(files)
    .split('\n')
    .filter((_, i) => i % 2 === 0)
  expect(order).toEqual(paths.toSorted((a, b) => Buffer.compare(Buffer.from(a), Buffer.from(b))))
})

it.each([
  ['__MACOSX/x', true],
  ['a/.DS_Store', true],
  ['a/DS_Store.css', false],
])('%s is litter: %s', (path, expected) => expect(isLitter(path)).toBe(expected))
