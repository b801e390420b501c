import { type Decision, ledgerOf, readSource, resolveLedger, type Suggestion } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { consequenceOf, type Deciding, type Judgement } from '../../judging/consequence.ts'
import { ThroughPlaces } from '../../judging/through-places.ts'
import { SitePlaces } from '../../work/places.ts'
import { countOutcomes, rowOf } from '../../work/standing.ts'
import { placesOf, suggestionsText } from './suggesting.ts'
import { judgeTogether, leadsOf, missingLead, trialsOf, troublesOf } from './suggestion-troubles.ts'

const text = `
.a { color: #7a2433; background: #ffffff }
.b { background: #943a4b } .b:hover { background: #5f1a27 }`
const { occurrences } = readSource({ path: 'a.css', text, encoding: 'utf-8' })
const places = new SitePlaces(ledgerOf([{ path: 'a.css', occurrences }]), { files: [] } as never)
const roles = [
  { id: 'teal', name: 'teal', color: '#0b6e74' },
  { id: 'pale', name: 'pale', color: '#fefefe' },
]
const through = new ThroughPlaces(places, () => [])
const plan = { decisions: [], roles, pages: [], confirmations: [], taking: [], through }
const judging = (all: SitePlaces, deciding: Deciding) => async (trials: readonly Decision[]) =>
  consequenceOf(trials, all, deciding)
const judge = judging(places, plan)
const open = countOutcomes(places, resolveLedger(places.ledger, [], []))
const suggested = (lead: string, role: string, sureness: number) => {
  const row = rowOf(places, open, { lead, members: [lead], count: 1, byHand: false })
  const taken: Suggestion[] = [{ use: null, to: { kind: 'role', role }, sureness, why: 'named' }]
  return { row, taken }
}

it('tells of each row the worst that taking all would do with it', async () => {
  const some = [suggested('#7a2433', 'pale', 0.9), suggested('#943a4b', 'teal', 0.9), suggested('#5f1a27', 'teal', 0.6)]
  const { troubles } = await judgeTogether(some, judge)
  expect(troublesOf(consequenceOf(trialsOf(some), places, plan), some)).toEqual(troubles)
  expect([...troubles].map(([lead, { severity }]) => [lead, severity])).toEqual([
    ['#7a2433', 3],
    ['#943a4b', 2],
    ['#5f1a27', 2],
  ])
})

it('leaves out the less sure of those that make trouble together', async () => {
  const some = [suggested('#943a4b', 'teal', 0.9), suggested('#5f1a27', 'teal', 0.6), suggested('#7a2433', 'teal', 0.5)]
  expect((await judgeTogether(some, judge)).safe).toEqual([some[0], some[2]])
  expect((await judgeTogether([suggested('#7a2433', 'pale', 0.9)], judge)).safe).toEqual([])
  // Of what no page shows nobody is told.
  const nothing = async (trials: readonly Decision[]): Promise<Judgement> => ({
    ...(await judge(trials)),
    ...{ vanishing: [], dimmed: [], lost: [] },
  })
  expect((await judgeTogether([suggested('#7a2433', 'pale', 0.9)], nothing)).safe).toHaveLength(1)
  // What meets nothing of that stays, however sure the others are.
  const more = [
    suggested('#7a2433', 'pale', 0.99),
    suggested('#943a4b', 'teal', 0.9),
    suggested('#5f1a27', 'teal', 0.6),
  ]
  expect((await judgeTogether(more, judge)).safe).toEqual([more[1]])
})

it('blames no suggestion that takes nothing of what meets', async () => {
  const css = '.a { color: #7a2433; background: #ffffff } .b { border-color: #7a2433 }'
  const read = readSource({ path: 'b.css', text: css, encoding: 'utf-8' })
  const own = new SitePlaces(ledgerOf([{ path: 'b.css', ...read }]), { files: [] } as never)
  const row = (lead: string) =>
    rowOf(own, countOutcomes(own, resolveLedger(own.ledger, [], [])), {
      lead,
      members: [lead],
      count: 1,
      byHand: false,
    })
  const taking = (use: Suggestion['use'], role: string): Suggestion => {
    return { use, to: { kind: 'role', role }, sureness: 0.8, why: 'named' }
  }
  const line = { row: row('#7a2433'), taken: [taking('line', 'pale')] }
  const ground = { row: row('#ffffff'), taken: [taking('ground', 'dark')] }
  const dark = { id: 'dark', name: 'dark', color: '#3a1119' }
  const about = { ...plan, roles: [...roles, dark], through: new ThroughPlaces(own, () => []) }
  const { troubles, safe } = await judgeTogether([line, ground], judging(own, about))
  expect([...troubles.keys()]).toEqual(['#ffffff'])
  expect(safe).toEqual([line])
})

it('lets none follow what takes nothing itself', () => {
  const [lead, role] = [suggested('#7a2433', 'teal', 0.9), suggested('#5f1a27', 'teal', 0.9)]
  const follower: Suggestion = { use: null, to: { kind: 'follow', lead: '#7a2433' }, sureness: 0.65, why: 'shade' }
  const follows = { row: suggested('#943a4b', 'teal', 0.6).row, taken: [follower] }
  expect(missingLead(follows, leadsOf([lead, follows], []))).toBe(null)
  expect(missingLead(follows, leadsOf([role, follows], []))).toBe('#7a2433')
  expect(missingLead(follows, leadsOf([follows], [{ ...lead.row, leads: true }]))).toBe(null)
})

it('counts the places of the uses that it is for', () => {
  const { row } = suggested('#943a4b', 'teal', 0.6)
  const apart = (use: Suggestion['use']): Suggestion => ({
    use,
    to: { kind: 'role', role: 'teal' },
    sureness: 1,
    why: 'named',
  })
  expect([placesOf(row, [apart(null)]), placesOf(row, [apart('ground')]), placesOf(row, [apart('text')])]).toEqual([
    1, 1, 0,
  ])
})

it('says together the uses that become the same', () => {
  const become = (use: Suggestion['use'], role: string): Suggestion => {
    return { use, to: { kind: 'role', role }, sureness: 1, why: 'named' }
  }
  const some = [become('text', 'teal'), become('ground', 'pale'), become('variable', 'teal')]
  expect(suggestionsText(some, roles)).toBe('as text, variable: teal; as ground: pale')
  expect(suggestionsText([become(null, 'teal')], roles)).toBe('teal')
})
