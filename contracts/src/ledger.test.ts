import { ledgerOf, packLedger, placeAt, readSource } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { readLedger } from './ledger.ts'

const text = 'a:hover { color: #7a2433; background: rgb(1 2 3 / .5) } :root { --x: tan }'
const file = { path: 'a.css', ...readSource({ path: 'a.css', text, encoding: 'utf-8' as const }) }

describe('a ledger in an answer', () => {
  it('is taken when each of its values is what it should be', () => {
    const ledger = readLedger(packLedger(ledgerOf([file])))
    expect(Array.from({ length: ledger.length }, (_, i) => placeAt(ledger, i).raw)).toEqual([
      '#7a2433',
      'rgb(1 2 3 / .5)',
      'tan',
    ])
  })

  it.each([
    ['use', 'sky'],
    ['alpha', 7],
    ['signals', [7]],
    ['notation', 'hex5'],
    ['specificity', [1, 2]],
    ['important', 'yes'],
    ['inner', { encoding: 'rot13' }],
  ])('is refused for a wrong %s', (field, value) => {
    const occurrences = file.occurrences.map((each) => ({ ...each, [field]: value }))
    expect(() => readLedger(packLedger(ledgerOf([{ path: 'a.css', occurrences: occurrences as never }])))).toThrow()
  })

  it('is refused where there is none', () => {
    expect(() => readLedger(new TextEncoder().encode('{"an":"error"}'))).toThrow('no ledger')
  })
})
