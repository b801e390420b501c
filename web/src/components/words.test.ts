import { expect, it } from 'vitest'
import { withAlpha } from './swatch.tsx'
import { are, bytes, count, shownPath, stateText } from './words.ts'

it('words numbers', () => {
  expect([count(0, 'place'), count(1, 'place'), count(1204, 'place')]).toEqual(['0 places', '1 place', '1,204 places'])
  expect(count(2, 'cluster stands', 'clusters stand')).toBe('2 clusters stand')
  expect([are(1), are(0), are(2)]).toEqual(['is', 'are', 'are'])
  expect([bytes(12), bytes(1536), bytes(32 * 1024 * 1024)]).toEqual(['12 B', '1.5 kB', '32 MB'])
  expect([stateText([]), stateText([':hover', '.is-stuck'])]).toEqual(['rest', 'hover, stuck'])
})

it('gives colors their alpha', () => {
  expect(withAlpha('#7a2433', 1)).toBe('#7a2433')
  expect(withAlpha('#7a2433', 0.5)).toBe('#7a243380')
  expect(withAlpha('color(srgb 1.1 0 0)', 0.5)).toBe('color(srgb 1.1 0 0 / 0.5)')
})

it('shows what cannot be seen in a path, and what turns it round', () => {
  expect(shownPath('a/\u202egpj.css\u200b')).toBe('a/⟨U+202E⟩gpj.css⟨U+200B⟩')
  expect(shownPath('größe/色.css')).toBe('größe/色.css')
})
