import { expect, it } from 'vitest'
import { lineStarts, positionAt } from './lines.ts'

it('counts CRLF, LF and CR each as one line end, columns in UTF-16 units', () => {
  const text = 'a\r\nb\rc\nd😀e'
  const starts = lineStarts(text)
  const at = (needle: string) => positionAt(starts, text.indexOf(needle))
  expect(starts).toEqual([0, 3, 5, 7])
  expect(at('a')).toEqual({ line: 1, column: 1 })
  expect(at('b')).toEqual({ line: 2, column: 1 })
  expect(at('c')).toEqual({ line: 3, column: 1 })
  expect(at('e')).toEqual({ line: 4, column: 4 })
})
