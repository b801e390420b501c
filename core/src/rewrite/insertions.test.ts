import { describe, expect, it } from 'vitest'
import { rewritten } from '../../test/rewritten.ts'
import { foldPlan } from '../plan/history.ts'
import { type Insertion, isInsertedSelector, takesRules } from '../plan/insertion.ts'
import { resolver } from '../plan/outcome.ts'

const roles = [{ id: 'r', name: 'link', color: '#0a5a8c' }]
const visited: Insertion = { id: '1', path: 'a.css', selector: ' a:visited ', property: 'color', to: { role: 'r' } }
const button: Insertion = {
  id: '2',
  path: 'a.css',
  selector: 'button, .b',
  property: 'background-color',
  to: { color: 'tan' },
}

const after = (text: string, insertions: readonly Insertion[], path = 'a.css') => {
  const { edits, text: got } = rewritten(path, text, { corrections: [], insertions, resolver: resolver([], roles) })
  expect(edits.edits.every(({ kind }) => kind === 'insert-rule')).toBe(true)
  return got
}

describe('a rule that is added', () => {
  it('stands at the end of the sheet, with the line ends of the sheet, and has no strength', () => {
    expect(after('a{}\r\n', [visited, button])).toBe(
      'a{}\r\n:where(a:visited) { color: #0a5a8c; }\r\n:where(button, .b) { background-color: #d2b48c; }\r\n',
    )
    expect(after('a{}', [visited])).toBe('a{}\n:where(a:visited) { color: #0a5a8c; }')
    expect(after('', [visited])).toBe(':where(a:visited) { color: #0a5a8c; }\n')
  })

  it.each([
    ['@import "b.css"', '@import "b.css";\n:where(a:visited) { color: #0a5a8c; }'],
    ['a{} @import "b.css" /* b */', 'a{} @import "b.css" /* b */;\n:where(a:visited) { color: #0a5a8c; }'],
    ['@import "b.css" ; /* b */\n', '@import "b.css" ; /* b */\n:where(a:visited) { color: #0a5a8c; }\n'],
    [`@layer x${'/* a */'.repeat(1000)}`, `@layer x${'/* a */'.repeat(1000)};\n:where(a:visited) { color: #0a5a8c; }`],
    ['a{}\n@layer x\n', 'a{}\n@layer x\n;\n:where(a:visited) { color: #0a5a8c; }'],
  ])('ends the statement that stands before it: %j', (text, wanted) => expect(after(text, [visited])).toBe(wanted))

  // CSS Syntax 3 §5.5.3: outside blocks a semicolon ends no selectors.
  it.each(['a{};', 'a', 'a{} b, ', 'a{}}', 'a{} x; @import "b";', 'a{} // b', 'a{}\u00a0', '/* a */;'])(
    'stands behind what the next rule would begin with, which a browser passes over: %j',
    (text) => expect(after(text, [visited])).toBe(`${text}{}\n:where(a:visited) { color: #0a5a8c; }`),
  )

  it('stands behind a semicolon of a preprocessor, which says nothing there', () =>
    expect(after('a{};', [{ ...visited, path: 'a.scss' }], 'a.scss')).toBe(
      'a{};\n:where(a:visited) { color: #0a5a8c; }',
    ))

  it.each(['a{} /* b', 'a{color:red', '@media print { a{} ', 'a{} @import "b', 'a{b:c(} d{}', 'a{}\\'])(
    'is not written into what does not end, and that is told: %j',
    (text) => {
      const plan = { corrections: [], insertions: [visited], resolver: resolver([], roles) }
      const got = rewritten('a.css', text, plan)
      expect([got.text, got.why]).toEqual([text, ['open-end']])
    },
  )

  it('is left out when its role is gone, and gone when it is taken back', () => {
    expect(after('a{}', [{ ...visited, to: { role: 'gone' } }])).toBe('a{}')
    const events = [
      { kind: 'insert', insertions: [visited, button] },
      { kind: 'take-back', decisions: ['1'] },
    ] as const
    const start = { tolerance: 2, paletteVersion: 1 }
    expect(foldPlan(start, events).insertions).toEqual([button])
    expect(foldPlan(start, [...events, { kind: 'undo' }]).insertions).toEqual([visited, button])
  })

  it.each(['a', 'a:hover > .b, [c="d"]', ':is(a, b)'])('is of %s', (text) =>
    expect(isInsertedSelector(text)).toBe(true),
  )
  it.each(['', 'a{', 'a}', 'a;', 'a::before', '<a', 'a/**/', '@media', 'a,', 'a\\{', 'a'.repeat(1001)])(
    'is not of %s',
    (text) => expect(isInsertedSelector(text)).toBe(false),
  )
  it('is added to sheets with braces alone', () =>
    expect(['a.css', 'a.scss', 'a.less', 'a.sass', 'a.html'].map(takesRules)).toEqual([true, true, true, false, false]))
})
