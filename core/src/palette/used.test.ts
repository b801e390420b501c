import { expect, it } from 'vitest'
import { usedColors } from './used.ts'

it('the most used colours of a site come first, near-duplicates as one, named by what they mostly paint', () => {
  const { format, colors } = usedColors([
    { color: '#111111', use: 'text', count: 5 },
    { color: '#121212', use: 'text', count: 3 },
    { color: '#ffffff', use: 'ground', count: 4 },
    { color: '#ffffff', use: 'text', count: 3 },
    { color: '#7a2433', use: 'variable', count: 6 },
    { color: '#0b6e74', use: 'variable', count: 4 },
    { color: '#0b6e74', use: 'text', count: 1 },
    { color: '#d9822b', use: 'line', count: 1 },
  ])
  expect(format).toBe('site')
  expect(colors.map(({ name, color }) => [name, color])).toEqual([
    ['text 1, 8 places', '#111111'],
    ['ground 1, 7 places', '#ffffff'],
    ['variable 1, 6 places', '#7a2433'],
    ['text 2, 5 places', '#0b6e74'],
    ['line 1, 1 place', '#d9822b'],
  ])
  expect(usedColors([]).colors).toEqual([])
  const many = Array.from(
    { length: 14 },
    (_, i) => ({ color: `#${String(i).padStart(2, '0')}8040`, use: 'text', count: 1 }) as const,
  )
  expect(usedColors(many).colors.length).toBeLessThanOrEqual(12)
})
