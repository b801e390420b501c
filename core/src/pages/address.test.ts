import fc from 'fast-check'
import { expect, it } from 'vitest'
import { addressOf, pathAt } from './address.ts'

it.each([
  ['css/a b.css', '/css/a%20b.css'],
  ['100%.html', '/100%25.html'],
  ['#hash.html', '/%23hash.html'],
  ['q?x=1.html', '/q%3Fx%3D1.html'],
  ['a%20b.html', '/a%2520b.html'],
  ['a\\b.html', '/a%5Cb.html'],
])('%s is at %s', (path, address) => {
  expect(addressOf(path)).toBe(address)
  expect(pathAt(address)).toBe(path)
  expect(new URL(address, 'http://site.invalid/').pathname).toBe(address)
})

it('every name is found again at its address, and no text throws', () => {
  const name = fc.string({ unit: 'binary', minLength: 1 }).filter((text) => !text.startsWith('/'))
  fc.assert(
    fc.property(name, (path) => {
      expect(pathAt(addressOf(path))).toBe(path)
    }),
    { seed: 5 },
  )
  fc.assert(
    fc.property(fc.string({ unit: fc.constantFrom('%', 'e', '2', '0', 'C', '\ud800', '\udc00', '/', 'é') }), (text) => {
      expect(typeof pathAt(text) + typeof addressOf(text)).toBe('stringstring')
    }),
    { seed: 5 },
  )
})

it('what encodes nothing stands for itself', () => {
  expect(['/100%.html', '/%E0%A4%A', '/%c3%a9', '/a%2fb'].map(pathAt)).toEqual(['100%.html', '%E0%A4%A', 'é', 'a/b'])
})
