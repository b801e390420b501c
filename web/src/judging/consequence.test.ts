import {
  type Decision,
  type EndsOf,
  follower,
  ledgerOf,
  listVariables,
  readSource,
  resolveLedger,
} from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { decidedApart, decisionOf, decisionsOf, roleAt } from '../stages/mapping/deciding.ts'
import { SitePlaces } from '../work/places.ts'
import { countOutcomes, rowOf } from '../work/standing.ts'
import { consequenceOf, consequenceOfRoles, type Deciding } from './consequence.ts'
import { ThroughPlaces } from './through-places.ts'

const CSS = `
.a { color: #7a2433; background: #ffffff }
.b:hover { color: #ffffff; background: #7a2433 }
.c { border-color: #7a2433 }`
const reading = readSource({ path: 'a.css', text: CSS, encoding: 'utf-8' })
const places = new SitePlaces(ledgerOf([{ path: 'a.css', ...reading }]), {
  files: [{ path: 'a.css', id: 'f' }],
} as never)
const open = countOutcomes(places, resolveLedger(places.ledger, [], []))
const row = (lead: string) =>
  rowOf(places, open, { lead, members: [lead], count: places.ofColors([lead]).length, byHand: false })
const roles = [
  { id: 'teal', name: 'teal', color: '#0b6e74' },
  { id: 'pale', name: 'pale', color: '#fefefe' },
]
const planOf = (own: SitePlaces, decisions: readonly Decision[] = [], endsOf: EndsOf = () => []): Deciding => ({
  ...{ decisions, roles, pages: [], confirmations: [], taking: [] },
  through: new ThroughPlaces(own, endsOf),
})

describe('what a decision would do', () => {
  it('counts places, subjects, files and states', () => {
    const teal = consequenceOf(
      [decisionOf(row('#7a2433'), { kind: 'role', role: 'teal' }, 'trial')],
      places,
      planOf(places),
    )
    expect(teal).toMatchObject({ places: 3, subjects: 3, inStates: 1, files: [['a.css', 3]], vanishing: [] })
    expect(teal.worst?.after.ratio).toBeCloseTo(5.98, 1)
  })

  it('warns of text that would vanish into its ground', () => {
    const pale = consequenceOf(
      [decisionOf(row('#7a2433'), { kind: 'role', role: 'pale' }, 'trial')],
      places,
      planOf(places),
    )
    expect(pale.vanishing.map(({ subject }) => subject)).toEqual(['.a', '.b:hover'])
  })

  it('asks of what is switched off only that it is seen', () => {
    const text = '.p { color: #6c757d; background: #ffffff } .q:disabled { color: #6c757d; background: #ffffff }'
    const own = new SitePlaces(
      ledgerOf([{ path: 'a.css', ...readSource({ path: 'a.css', text, encoding: 'utf-8' }) }]),
      { files: [{ path: 'a.css', id: 'f' }] } as never,
    )
    const ground = { colors: ['#ffffff'] as const }
    const to = (color: string): Decision => ({ id: 'trial', target: ground, to: { kind: 'color', color } })
    const subjects = (pairs: readonly { subject: string }[]) => pairs.map(({ subject }) => subject)
    expect(subjects(consequenceOf([to('#f3eee4')], own, planOf(own)).dimmed)).toEqual(['.p'])
    expect(subjects(consequenceOf([to('#6f7880')], own, planOf(own)).vanishing)).toEqual(['.p', '.q:disabled'])
  })

  it('warns of a state that would look like rest, and of a line that would be lost', () => {
    const text = '.k { background: #7a2433; border: 1px solid #ffffff } .k:hover { background: #943a4b }'
    const own = new SitePlaces(
      ledgerOf([{ path: 'a.css', ...readSource({ path: 'a.css', text, encoding: 'utf-8' }) }]),
      {
        files: [{ path: 'a.css', id: 'f' }],
      } as never,
    )
    const of = (lead: string, role: string, decisions: Decision[] = []) => {
      const cluster = { lead, members: [lead], count: 1, byHand: false }
      const all = countOutcomes(own, resolveLedger(own.ledger, [], []))
      const trial = decisionOf(rowOf(own, all, cluster), { kind: 'role', role }, 'trial')
      return consequenceOf([trial], own, planOf(own, decisions)).lost.map(({ kind, subject, state }) => [
        kind,
        subject,
        state,
      ])
    }
    const teal: Decision = { id: 't', target: { colors: ['#7a2433'] }, to: { kind: 'role', role: 'teal' } }
    expect(of('#943a4b', 'teal')).toEqual([])
    expect(of('#943a4b', 'teal', [teal])).toEqual([['state-like-rest', '.k', 'hover']])
    expect(of('#ffffff', 'teal', [teal])).toEqual([['line-in-ground', '.k', null]])
  })

  it('leaves out places that a narrower decision holds', () => {
    const text: Decision = { id: 'x', target: { colors: ['#7a2433'], use: 'text' }, to: { kind: 'keep' } }
    expect(
      consequenceOf(
        [decisionOf(row('#7a2433'), { kind: 'role', role: 'teal' }, 'trial')],
        places,
        planOf(places, [text]),
      ).places,
    ).toBe(2)
    expect(decidedApart(row('#7a2433'), { decisions: [text] } as never)).toEqual(['as text'])
  })
})

it('another value of a role is judged by the places that take it', () => {
  const teal: Decision = { id: 't', target: { colors: ['#7a2433'] }, to: { kind: 'role', role: 'teal' } }
  const valued = (color: string) => roles.map((role) => (role.id === 'teal' ? { ...role, color } : role))
  const of = (color: string) => consequenceOfRoles(valued(color), places, planOf(places, [teal]))
  expect(of('#fdfdfd')).toMatchObject({ places: 3 })
  expect(of('#fdfdfd').vanishing.map(({ subject }) => subject)).toEqual(['.a', '.b:hover'])
  expect(of('#0b6e75')).toMatchObject({ places: 3, vanishing: [], dimmed: [] })
  expect(of('#0b6e74')).toMatchObject({ places: 0, worst: null })
})

describe('what a decision about a variable would do', () => {
  const of = (texts: Record<string, string>, color: string, role: string) => {
    const read = Object.entries(texts).map(([path, text]) => ({
      path,
      reading: readSource({ path, text, encoding: 'utf-8' }),
    }))
    const own = new SitePlaces(ledgerOf(read.map(({ path, reading }) => ({ path, ...reading }))), {
      files: read.map(({ path }) => ({ path, id: path })),
    } as never)
    const trial: Decision = { id: 'trial', target: { colors: [color] }, to: { kind: 'role', role } }
    return consequenceOf([trial], own, planOf(own, [], follower(listVariables(read))))
  }
  const vanishing = (...asked: Parameters<typeof of>) => of(...asked).vanishing.map(({ subject }) => subject)

  it('is told by what takes it, in other files and languages too', () => {
    const css = {
      'site.css': '.a { color: var(--brand); background: #fff } .b:hover { background: var(--brand); color: #fff }',
      'tokens.css': ':root { --brand: #7a2433 }',
    }
    expect(of(css, '#7a2433', 'teal')).toMatchObject({ places: 1, throughVariables: 2, subjects: 2, inStates: 1 })
    expect(of(css, '#7a2433', 'teal').vanishing).toEqual([])
    expect(vanishing(css, '#7a2433', 'pale')).toEqual(['.a', '.b:hover'])
    const nested = ':root { --brand: #7a2433 } .nav li > a { color: var(--brand); background: #fff }'
    expect(vanishing({ 'a.css': nested }, '#7a2433', 'pale')).toEqual(['.nav li > a'])
    // What a variable meets is judged when the other is decided.
    expect(vanishing(css, '#ffffff', 'pale')).toEqual([])
    expect(
      vanishing(
        { 'a.scss': '$brand: #7a2433; $paper: #fff !default;', 'b.scss': '.a { color: $brand; background: $paper }' },
        '#7a2433',
        'pale',
      ),
    ).toEqual(['.a'])
    expect(vanishing({ 'a.less': '@b: #7a2433; .a { color: @b; background: #fff }' }, '#7a2433', 'pale')).toEqual([
      '.a',
    ])
  })

  it('is told of the component that sets a variable for itself, and not of another', () => {
    const sheet = `.btn { color: var(--text); background: var(--fill) }
      .btn-plum { --text: #fff; --fill: #7a2433 } .btn-plain { --text: #222; --fill: #eee }`
    expect(vanishing({ 'a.css': sheet }, '#7a2433', 'pale')).toEqual(['.btn-plum'])
    expect(vanishing({ 'a.css': sheet }, '#eeeeee', 'pale')).toEqual([])
  })

  it('of one scheme is not held against another', () => {
    const sheet = `:root { --text: #222; --paper: #fff } .dark { --text: #eee; --paper: #111 }
      @media print { :root { --text: #7a2433 } } .a { color: var(--text); background: var(--paper) }`
    expect(vanishing({ 'a.css': sheet }, '#111111', 'teal')).toEqual([])
    expect(vanishing({ 'a.css': sheet }, '#111111', 'pale')).toEqual(['.a'])
    expect(vanishing({ 'a.css': sheet }, '#7a2433', 'pale')).toEqual(['.a'])
  })

  it('has no consequence where a function makes another color of it', () => {
    expect(
      vanishing({ 'a.scss': '$b: #7a2433; .a { color: darken($b, 5%); background: #fff }' }, '#7a2433', 'pale'),
    ).toEqual([])
  })
})

describe('deciding', () => {
  it('stores the colors by value', () => {
    const target = { lead: '#000002', members: ['#000002', '#000001'], count: 2, byHand: false }
    expect(decisionOf({ ...row('#7a2433'), cluster: target }, { kind: 'keep' }, 'id')).toEqual({
      id: 'id',
      target: { colors: ['#000001', '#000002'] },
      to: { kind: 'keep' },
    })
  })

  it('finds the decisions that hold for a row', () => {
    const whole: Decision = { id: 'w', target: { colors: ['#7a2433'] }, to: { kind: 'keep' } }
    const line: Decision = { id: 'l', target: { colors: ['#7a2433'], use: 'line' }, to: { kind: 'keep' } }
    const state = { decisions: [whole, line] } as never
    expect(decisionsOf(row('#7a2433'), state).map(({ id }) => id)).toEqual(['w', 'l'])
    expect(decisionsOf({ ...row('#7a2433'), use: 'line' }, state).map(({ id }) => id)).toEqual(['l'])
    expect(decisionsOf(row('#ffffff'), state)).toEqual([])
  })

  it('knows the roles by digit', () => {
    expect(roleAt(roles, '2')?.id).toBe('pale')
    expect(roleAt(roles, '3')).toBeNull()
    expect(roleAt(roles, '0')).toBeNull()
  })
})
