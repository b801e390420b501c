import { describe, expect, it } from 'vitest'
import { excerptOf, LONGEST } from './excerpt.ts'

describe('an excerpt', () => {
  it('of a text without endless lines is the text', () => {
    const { text, longest, columnOf } = excerptOf('a\r\nb', { line: 2, column: 1 })
    expect([text, longest, columnOf(2, 1)]).toEqual(['a\r\nb', null, 1])
  })

  it('keeps of an endless line what is around the place, and its beginning of the others', () => {
    const line = (mark: string) => `${'x'.repeat(LONGEST)}${mark}${'y'.repeat(LONGEST)}`
    const source = `short\r\n${line('#7a2433')}\n${line('#ffffff')}\nend`
    const { text, longest, columnOf } = excerptOf(source, { line: 2, column: LONGEST + 1 })
    const lines = text.split('\n')
    expect([lines[0], lines[3], longest]).toEqual(['short', 'end', 2 * LONGEST + 7])
    const column = columnOf(2, LONGEST + 1) as number
    expect(lines[1]?.slice(column - 1, column + 6)).toBe('#7a2433')
    expect(lines[1]?.length).toBeLessThan(LONGEST)
    expect(columnOf(2, 1)).toBeNull()
    expect([columnOf(3, 5), columnOf(3, LONGEST + 1), columnOf(4, 2)]).toEqual([5, null, 2])
    expect(lines[2]?.endsWith('…')).toBe(true)
  })
})
