import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { invertEdits } from '../../test/invert-edits.ts'
import { applyEdits, type Edit, EditError, fileEdits } from './edit.ts'

const edit = (start: number, end: number, replacement: string): Edit => ({
  kind: 'replace-literal',
  range: { start, end },
  replacement,
  decisions: [],
})

/** A text and edits of it that do not overlap. */
const edited = fc.string({ minLength: 1, maxLength: 80 }).chain((text) =>
  fc
    .array(fc.tuple(fc.nat(text.length), fc.nat(text.length), fc.string({ maxLength: 6 })), { maxLength: 6 })
    .map((triples) => {
      const points = triples
        .map(([a]) => a)
        .concat(triples.map(([, b]) => b))
        .toSorted((a, b) => a - b)
      const edits = triples.map(([, , replacement], i) => edit(points[i * 2] ?? 0, points[i * 2 + 1] ?? 0, replacement))
      return { text, edits }
    }),
)

describe('edits', () => {
  it('replace, insert and delete where they say, in any order given', () => {
    const file = fileEdits('a', 6, [edit(4, 6, ''), edit(0, 1, 'AA'), edit(2, 2, '-')])
    expect(applyEdits('abcdef', file)).toBe('AAb-cd')
  })

  it('refuse overlaps, places outside the text, and another text', () => {
    expect(() => fileEdits('a', 6, [edit(0, 3, ''), edit(2, 4, '')])).toThrow(EditError)
    expect(() => fileEdits('a', 6, [edit(5, 7, '')])).toThrow(EditError)
    expect(() => applyEdits('abc', fileEdits('a', 6, []))).toThrow(EditError)
  })

  it('none of them leave the text as it is, and their inverse gives it back', () => {
    fc.assert(
      fc.property(edited, ({ text, edits }) => {
        const file = fileEdits('a', text.length, edits)
        const after = applyEdits(text, file)
        expect(applyEdits(after, invertEdits(text, file))).toBe(text)
        expect(applyEdits(text, fileEdits('a', text.length, []))).toBe(text)
      }),
      { seed: 2, numRuns: 500 },
    )
  })
})
