import { describe, expect, it } from 'vitest'
import { archivePath, commonRoot, folderPath } from './path.ts'

describe('paths of received files', () => {
  it.each([
    ['css/a.css', 'css/a.css'],
    ['css\\a.css', 'css/a.css'],
    ['./css/./a.css', 'css/a.css'],
    ['größe/ü 1.css', 'größe/ü 1.css'],
    ['..a/b..css', '..a/b..css'],
  ])('%s is taken as %s', (name, path) => expect(archivePath(name)).toEqual({ path, bad: null }))

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
  ])('%j is refused', (name) => expect(() => archivePath(name)).toThrow())

  it('of a folder are as they are on its disk, and one that cannot be kept is left out alone', () => {
    expect(folderPath('a\\b "%22".css')).toEqual({ path: 'a\\b "%22".css', bad: null })
    expect(folderPath('a/\u0007.css').bad).toBe('name-unsafe')
    expect(folderPath('..\\..\\a').bad).toBe('name-unsafe')
    const long = folderPath('x'.repeat(513))
    expect(long.bad).toBe('name-too-long')
    expect(long.path.length).toBeLessThan(120)
    expect(archivePath('x'.repeat(513)).bad).toBe('name-too-long')
    expect(() => folderPath('../a')).toThrow()
  })

  it('share a folder or do not', () => {
    expect(commonRoot(['site/a', 'site/b/c'])).toBe('site/')
    expect(commonRoot(['site/a', 'b'])).toBe('')
    expect(commonRoot(['a'])).toBe('')
    expect(commonRoot(['site/a', 'site2/b'])).toBe('')
    expect(commonRoot([])).toBe('')
  })
})
