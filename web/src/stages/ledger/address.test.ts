import { describe, expect, it } from 'vitest'
import { type LedgerAddress, readAddress, viewOf, writeAddress } from './address.ts'

const through = (address: LedgerAddress) => readAddress(new URLSearchParams(writeAddress(address).toString()))
const EMPTY = readAddress(new URLSearchParams())

describe('the address of the ledger', () => {
  it('says everything that is chosen, and is empty where nothing is', () => {
    const full: LedgerAddress = {
      typed: '#7a2433 & more',
      reach: 12.5,
      chosen: { use: ['text', 'ground'], heading: ['', 'A = b & c'], file: ['css/größe.css'] },
      grouping: 'selector',
      stretch: ['#7a2433', 'color(srgb 1.2 0 0)'],
      columns: ['raw', 'line'],
      fullStrength: true,
      place: { path: 'a:b.css', start: 17 },
    }
    expect(through(full)).toEqual(full)
    expect(writeAddress(EMPTY).toString()).toBe('')
  })

  it('is read without what cannot be', () => {
    const odd = readAddress(new URLSearchParams('by=moon&reach=-3&place=nowhere&use=gone&reach=x&other=1'))
    expect(odd).toEqual({ ...EMPTY, chosen: { use: ['gone'] } })
  })

  it('asks for what is near a colour, nearest first, or for a text', () => {
    expect(viewOf({ ...EMPTY, typed: '7a2433' }, null, null)).toMatchObject({
      near: { color: '#7a2433', reach: 5 },
      text: '',
      grouping: 'color',
    })
    expect(viewOf({ ...EMPTY, typed: ' Fares ' }, ['#fff'], null)).toMatchObject({
      near: null,
      text: 'Fares',
      grouping: 'file',
      colors: ['#fff'],
    })
    expect(viewOf({ ...EMPTY, typed: 'tan', grouping: 'file' }, null, null).grouping).toBe('file')
  })
})
