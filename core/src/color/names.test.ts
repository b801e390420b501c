import { lexer } from 'css-tree'
import { describe, expect, it } from 'vitest'
import { COLOR_KEYWORDS, COLOR_NAMES, NAME_OF_VALUE } from './names.ts'

/** The names as the grammar of css-tree lists them: an independent transcription of CSS Color 4 §6.1. */
function independentNames(): string[] {
  // The lexer's grammar is no part of its published types.
  const { types } = lexer as unknown as { types: Record<string, { syntax: { terms: { name: string }[] } }> }
  return (types['named-color']?.syntax.terms ?? []).map(({ name }) => name.toLowerCase())
}

describe('color names', () => {
  it('are the 148 of an independent list', () => {
    const names = independentNames().filter((name) => name !== 'transparent' && !name.startsWith('<'))
    expect(new Set(names).size).toBe(148)
    expect([...COLOR_NAMES.keys()].toSorted()).toEqual([...new Set(names)].toSorted())
  })

  it('never double as keywords', () => {
    expect([...COLOR_KEYWORDS].filter((word) => COLOR_NAMES.has(word))).toEqual([])
  })

  it('give the first name in the alphabet of two for one value', () => {
    expect(NAME_OF_VALUE.get(0x808080)).toBe('gray')
    expect(NAME_OF_VALUE.get(0x00ffff)).toBe('aqua')
  })
})
