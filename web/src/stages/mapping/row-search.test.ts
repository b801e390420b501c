import { ledgerOf, readSource, resolveLedger } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { SitePlaces } from '../../work/places.ts'
import { countOutcomes, rowOf } from '../../work/standing.ts'
import { searchedRows } from './row-search.ts'

const text = '.bar { color: #1d5f9e } .blue-box { background: #ffffff } :root { --brand: #7a2433 } a { color: #6f42c1 }'
const { occurrences } = readSource({ path: 'a.css', text, encoding: 'utf-8' })
const places = new SitePlaces(ledgerOf([{ path: 'a.css', occurrences }]), { files: [] } as never)
const counted = countOutcomes(places, resolveLedger(places.ledger, [], []))
const rows = ['#1d5f9e', '#ffffff', '#7a2433', '#6f42c1'].map((lead) =>
  rowOf(places, counted, { lead, members: [lead], count: 1, byHand: false }),
)

it.each<[string, string[]]>([
  ['', ['#1d5f9e', '#ffffff', '#7a2433', '#6f42c1']],
  ['blue', ['#1d5f9e', '#ffffff']],
  ['purple', ['#6f42c1']],
  ['#1c5e9d', ['#1d5f9e']],
  ['--brand', ['#7a2433']],
  ['.bar', ['#1d5f9e']],
  ['open', ['#1d5f9e', '#ffffff', '#7a2433', '#6f42c1']],
  ['nothing of it', []],
])('%s finds its rows', (typed, found) =>
  expect(searchedRows(rows, typed, places).map(({ key }) => key)).toEqual(found),
)
