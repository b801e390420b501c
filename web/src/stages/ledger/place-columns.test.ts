import { ledgerOf, type Outcome, readSource } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { SitePlaces } from '../../work/places.ts'
import { columnsOf, PLACE_COLUMNS } from './place-columns.tsx'

const text = `/* Fares */ @media print { .a:hover td { border: 1px solid rgb(1 2 3 / .5) } } :root { --c: #7a2433 } b { color: rgba(0, 0, 0, var(--a)) }`
const reading = readSource({ path: 'css/a.css', text, encoding: 'utf-8' })
const places = new SitePlaces(ledgerOf([{ path: 'css/a.css', ...reading }]), { files: [] } as never)
const OPEN: Outcome = { kind: 'open', inPart: false }
const cells = (index: number) =>
  Object.fromEntries(PLACE_COLUMNS.map(({ key, text: cell }) => [key, cell(places.at(index), OPEN)]))

describe('the columns of the places', () => {
  it('are the usual ones where none are chosen, with the file where the groups do not name it', () => {
    const keys = (chosen: string[] | null, by: 'file' | 'color') => columnsOf(chosen, by).map(({ key }) => key)
    expect(keys(null, 'file')).toEqual(['written', 'state', 'paints', 'subject', 'line'])
    expect(keys(null, 'color')).toEqual(['written', 'state', 'paints', 'subject', 'file', 'line'])
  })

  it('stand in their own order, whatever the address says, and are never none', () => {
    const keys = (chosen: string[]) => columnsOf(chosen, 'file').map(({ key }) => key)
    expect(keys(['line', 'alpha', 'gone', 'written'])).toEqual(['written', 'alpha', 'line'])
    expect(keys([])).toEqual(keys(['written', 'state', 'paints', 'subject', 'line']))
    expect(keys(['gone'])).toHaveLength(5)
  })

  it('say of a place what was read', () => {
    expect(cells(0)).toEqual({
      written: 'rgb(1 2 3 / .5)',
      becomes: 'open',
      state: 'hover',
      paints: 'line',
      property: 'border',
      subject: '.a td',
      selector: '.a:hover td',
      heading: 'Fares',
      conditions: '@media print',
      alpha: '0.5',
      notation: 'rgb',
      sureness: 'certain',
      file: 'css/a.css',
      line: '1',
    })
    expect(cells(1)).toMatchObject({ subject: '--c', paints: 'variable', conditions: '–', alpha: '1' })
    expect(cells(2)).toMatchObject({ alpha: 'var', subject: 'b', state: 'rest' })
  })
})
