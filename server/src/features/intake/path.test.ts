import { describe, expect, it } from 'vitest'
import { commonRoot, sitePath } from './path.ts'

describe('paths of received files', () => {
  it.each([
    ['css/a.css', 'css/a.css'],
    ['css\\a.css', 'css/a.css'],
    ['./css/./a.css', 'css/a.css'],
    ['größe/ü 1.css', 'größe/ü 1.css'],
    ['..a/b..css', '..a/b..css'],
  ])('%s is taken as %s', (name, path) => expect(sitePath(name)).toBe(path))

  it.each([
    '../a',
    'a/../../b',
    '/etc/a',
    'C:/a',
    'c:a',
    '..\\a',
    '\\\\host\\a',
    '',
    '.',
    'a//b',
    'a/',
    'a\0b',
    'a\nb',
    'x'.repeat(513),
  ])('%j is refused', (name) => expect(() => sitePath(name)).toThrow())

  it('share a folder or do not', () => {
    expect(commonRoot(['site/a', 'site/b/c'])).toBe('site/')
    expect(commonRoot(['site/a', 'b'])).toBe('')
    expect(commonRoot(['a'])).toBe('')
    expect(commonRoot(['site/a', 'site2/b'])).toBe('')
    expect(commonRoot([])).toBe('')
  })
})
