import { expect, it } from 'vitest'
import { classify } from './classify.ts'
import { syntaxOf } from './syntax.ts'

const bytes = (text: string) => new TextEncoder().encode(text)

it.each<[string, Uint8Array, string | null]>([
  ['a.css', bytes('a{}'), null],
  ['A.CSS', bytes('a{}'), null],
  ['a.htm', bytes('<p>'), null],
  ['a.css', bytes(''), 'empty'],
  ['a.css', bytes('a'.repeat(101)), 'too-long'],
  ['a.css', Uint8Array.of(1, 0, 2), 'binary'],
  ['a.scss', bytes('a{}'), null],
  ['a.sass', bytes('a'), null],
  ['a.svg', bytes('<svg/>'), null],
  ['a.png', bytes('x'), 'no-colors-here'],
  ['LICENSE', bytes('x'), 'no-colors-here'],
  ['a.constructor', bytes('x'), 'no-colors-here'],
])('%s is read or skipped for a reason (%#)', (path, content, skipped) => {
  expect(classify(path, content, 100).skipped).toBe(skipped)
})

it.each([
  ['theme/header.php', 'template'],
  ['x.d.ts', 'script'],
  ['site.webmanifest', 'settings'],
  ['.htaccess', 'other'],
  ['css', 'other'],
  ['a/b.css/c', 'other'],
])('%s is %s', (path, syntax) => expect(syntaxOf(path)).toBe(syntax))
