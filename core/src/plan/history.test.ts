import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Decision } from './decision.ts'
import { type EventFacts, eventProblem } from './event-problem.ts'
import { type Act, foldPlan, type PlanEvent, PlanFold, type PlanState } from './history.ts'

const start = { tolerance: 2, paletteVersion: 1 }
const decision = (id: string): Decision => ({ id, target: { colors: ['#000000'] }, to: { kind: 'keep' } })
const decide = (...ids: string[]): Act => ({ kind: 'decide', decisions: ids.map(decision) })
const takeBack = (...decisions: string[]): Act => ({ kind: 'take-back', decisions })
const undo: PlanEvent = { kind: 'undo' }
const redo: PlanEvent = { kind: 'redo' }
const facts: EventFacts = {
  roles: [{ id: 'r', name: 'r', color: 'red' }],
  paletteVersions: [1, 2],
  hasFile: (path) => /^[ab]\.(?:css|js|html)$/.test(path),
  textOf: (path) =>
    path.endsWith('.css')
      ? { text: '0123456789'.repeat(4).replaceAll(/./g, '7'), places: [{ start: 30, end: 36 }] }
      : null,
}
/** What cannot be added, and why. */
const problemOf = (state: PlanState, event: PlanEvent) => eventProblem(state, event, facts)?.code ?? null
const ids = (...events: PlanEvent[]) => foldPlan(start, events).decisions.map(({ id }) => id)

describe('the history', () => {
  it('undoes and redoes acts, the latest first', () => {
    expect(ids(decide('a'), decide('b', 'c'), undo)).toEqual(['a'])
    expect(ids(decide('a'), decide('b', 'c'), undo, undo)).toEqual([])
    expect(ids(decide('a'), decide('b'), undo, undo, redo)).toEqual(['a'])
    expect(ids(decide('a'), decide('b'), undo, undo, redo, redo)).toEqual(['a', 'b'])
  })

  it('ends redo with a new act, and keeps the log', () => {
    const events = [decide('a'), undo, decide('b'), redo]
    expect(ids(...events)).toEqual(['b'])
    expect(foldPlan(start, events).undone).toEqual([])
  })

  it('takes any decision back and keeps later ones; the taking back can be undone', () => {
    expect(ids(decide('a'), decide('b'), takeBack('a'))).toEqual(['b'])
    expect(ids(decide('a'), decide('b'), takeBack('a'), undo)).toEqual(['a', 'b'])
  })

  it('carries tolerance and palette along', () => {
    const state = foldPlan(start, [{ kind: 'tolerance', value: 5 }, { kind: 'palette', version: 2 }, undo])
    expect(state).toMatchObject({ tolerance: 5, paletteVersion: 1 })
  })

  it('holds clusters by hand: a colour is in one group, the later lead first', () => {
    const group = (...colors: string[]): Act => ({ kind: 'group', colors })
    const hand = (...events: PlanEvent[]) => foldPlan(start, events).byHand
    expect(hand(group('#1', '#2'), group('#2', '#3')).groups).toEqual([['#1'], ['#2', '#3']])
    expect(hand(group('#1', '#2'), group('#1', '#2', '#3')).groups).toEqual([['#1', '#2', '#3']])
    expect(hand(group('#1', '#2'), { kind: 'ungroup', colors: ['#1', '#2'] }).groups).toEqual([])
    expect(hand(group('#1'), undo).groups).toEqual([])
    const lead = (color: string): Act => ({ kind: 'lead', color })
    expect(hand(lead('#1'), lead('#2'), lead('#1')).leads).toEqual(['#2', '#1'])
  })

  it('returns to any moment without losing what came after', () => {
    const back = (to: number): PlanEvent => ({ kind: 'return', to })
    const point: PlanEvent = { kind: 'point', name: 'first round' }
    const events = [decide('a'), point, decide('b'), { kind: 'tolerance', value: 5 } as const, back(1)]
    expect(ids(...events)).toEqual(['a'])
    expect(foldPlan(start, events)).toMatchObject({
      tolerance: 2,
      points: [{ name: 'first round', at: 1 }],
      version: 5,
    })
    expect(ids(...events, decide('c'))).toEqual(['a', 'c'])
    // Undone, it never was; and what came after can be returned to as well.
    expect(ids(...events, undo)).toEqual(['a', 'b'])
    expect(ids(...events, decide('c'), back(4))).toEqual(['a', 'b'])
    expect(ids(...events, decide('c'), back(4), undo)).toEqual(['a', 'c'])
    expect(ids(...events, back(0))).toEqual([])
    // To a moment when something was undone.
    expect(ids(decide('a'), decide('b'), undo, decide('c'), back(3))).toEqual(['a'])
    expect(problemOf(foldPlan(start, events), back(6))).toBe('not-yet')
    expect(problemOf(foldPlan(start, events), back(5))).toBeNull()
  })

  it('ends no redo by naming a point', () => {
    expect(ids(decide('a'), undo, { kind: 'point', name: 'x' }, redo)).toEqual(['a'])
  })

  it('puts a decision in the place of another, which comes back when it is undone', () => {
    const again: Act = { kind: 'decide', decisions: [decision('b')], replaces: ['a'] }
    expect(ids(decide('a'), again)).toEqual(['b'])
    expect(ids(decide('a'), again, undo)).toEqual(['a'])
    expect(ids(decide('a'), again, takeBack('b'))).toEqual([])
    expect(problemOf(foldPlan(start, []), again)).toBeNull()
  })

  it('holds confirmations of places, and takes them back like decisions', () => {
    const confirm: Act = { kind: 'confirm', confirmations: [{ id: 'x', places: [{ path: 'a.js', start: 7 }] }] }
    const confirmed = (...events: PlanEvent[]) => foldPlan(start, events).confirmations.map(({ id }) => id)
    expect(confirmed(confirm)).toEqual(['x'])
    expect(confirmed(confirm, takeBack('x'))).toEqual([])
    expect(confirmed(confirm, takeBack('x'), undo)).toEqual(['x'])
    expect(problemOf(foldPlan(start, [confirm]), confirm)).toBe('decision-exists')
  })

  it('tells what cannot be added', () => {
    const empty = foldPlan(start, [])
    const one = foldPlan(start, [decide('a')])
    expect(problemOf(empty, undo)).toBe('nothing-to-undo')
    expect(problemOf(one, redo)).toBe('nothing-to-redo')
    expect(problemOf(one, decide('a'))).toBe('decision-exists')
    expect(problemOf(empty, takeBack('a'))).toBe('decision-unknown')
    expect(problemOf(one, takeBack('a'))).toBeNull()
  })

  it('holds corrections, no two of the same text, and takes them back like decisions', () => {
    const slip = (id: string, start: number, path = 'a.css') => ({
      ...{ id, path, range: { start, end: start + 6 }, line: 1, column: start + 1 },
      ...{ raw: '777777', replacement: '#7a2433', use: 'text' as const },
    })
    const correct = (...corrections: ReturnType<typeof slip>[]): Act => ({ kind: 'correct', corrections })
    const one = foldPlan(start, [decide('a'), correct(slip('x', 4))])
    expect(one.corrections.map(({ id }) => id)).toEqual(['x'])
    expect(problemOf(one, correct(slip('y', 9)))).toBe('corrected-already')
    expect(problemOf(one, correct(slip('y', 20), slip('z', 22)))).toBe('corrected-already')
    expect(problemOf(one, correct(slip('a', 10)))).toBe('decision-exists')
    expect(problemOf(one, correct(slip('y', 10), slip('z', 4, 'b.css')))).toBeNull()
    expect(problemOf(one, takeBack('x', 'a'))).toBeNull()
    const none = foldPlan(start, [decide('a'), correct(slip('x', 4)), takeBack('x')])
    expect([none.corrections, none.decisions.length]).toEqual([[], 1])
  })

  it('tells what names what is not there', () => {
    const empty = foldPlan(start, [])
    const of = (more: Partial<Decision>): PlanEvent => ({ kind: 'decide', decisions: [{ ...decision('a'), ...more }] })
    const within = (scope: object): PlanEvent => of({ target: { colors: ['#000000'], scope } })
    const insert = (path: string, role = 'r'): PlanEvent => {
      return { kind: 'insert', insertions: [{ id: 'i', path, selector: 'a', property: 'color', to: { role } }] }
    }
    const slip = {
      id: 's',
      path: 'a.css',
      range: { start: 30, end: 33 },
      line: 1,
      column: 31,
      raw: '777',
      use: 'text' as const,
    }
    const correct = (more: object): PlanEvent => ({
      kind: 'correct',
      corrections: [{ ...slip, replacement: '#777', ...more }],
    })
    const at = { start: 0, end: 3 }
    expect(
      [
        of({ to: { kind: 'role', role: 'none' } }),
        of({ to: { kind: 'gradient', stops: [{ color: '#0008' }, { role: 'r' }], angle: 0 } }),
        of({ over: { color: 'nonsense' } }),
        within({ file: 'gone.css' }),
        within({ page: 'gone.html' }),
        within({ file: 'a.css', page: 'b.html' }),
        { kind: 'confirm', confirmations: [{ id: 'c', places: [{ path: 'gone.js', start: 1 }] }] } as const,
        insert('a.html'),
        insert('gone.css'),
        insert('a.css', 'none'),
        correct({}),
        correct({ range: at, raw: 'xyz' }),
        correct({ range: at, replacement: 'nonsense' }),
        correct({ range: at, path: 'a.js' }),
        correct({ range: at }),
        { kind: 'palette', version: 9 } as const,
      ].map((event) => problemOf(empty, event)),
    ).toEqual([
      'role-unknown',
      'color-unreadable',
      'color-unreadable',
      'file-unknown',
      'file-unknown',
      null,
      'file-unknown',
      'takes-no-rules',
      'file-unknown',
      'role-unknown',
      'on-a-place',
      'other-text',
      'no-remedy',
      'file-unknown',
      null,
      'palette-version-unknown',
    ])
  })

  it('is where it stands whether its events come at once or one after the other', () => {
    const kinds = fc.constantFrom<PlanEvent['kind'][]>(['undo'], ['redo'], ['return'], ['decide'], ['take-back'])
    fc.assert(
      fc.property(fc.array(kinds, { maxLength: 30 }), (kinds) => {
        const events = kinds.map(([kind], i): PlanEvent => {
          if (kind === 'return') return { kind, to: Math.floor(i / 2) }
          return kind === 'decide'
            ? decide(`d${i}`)
            : kind === 'take-back'
              ? takeBack(`d${i - 2}`)
              : { kind: kind as 'undo' }
        })
        const fold = new PlanFold(start)
        events.forEach((event, i) => {
          fold.append(event)
          expect(fold.state()).toEqual(foldPlan(start, events.slice(0, i + 1)))
        })
      }),
      { seed: 8, numRuns: 60 },
    )
  })

  it('is, after as many undos as acts, where it began, and after as many redos where it was', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), (count) => {
        const acts = Array.from({ length: count }, (_, i) => decide(`d${i}`))
        expect(ids(...acts, ...acts.map(() => undo))).toEqual([])
        expect(ids(...acts, ...acts.map(() => undo), ...acts.map(() => redo))).toEqual(ids(...acts))
      }),
      { seed: 3 },
    )
  })
})
