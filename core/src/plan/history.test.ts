import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Decision } from './decision.ts'
import { type Act, eventProblem, foldPlan, type PlanEvent } from './history.ts'

const start = { tolerance: 2, paletteVersion: 1 }
const decision = (id: string): Decision => ({ id, target: { colors: ['#000000'] }, to: { kind: 'keep' } })
const decide = (...ids: string[]): Act => ({ kind: 'decide', decisions: ids.map(decision) })
const takeBack = (...decisions: string[]): Act => ({ kind: 'take-back', decisions })
const undo: PlanEvent = { kind: 'undo' }
const redo: PlanEvent = { kind: 'redo' }
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
    expect(eventProblem(foldPlan(start, events), back(6))).toBe('not-yet')
    expect(eventProblem(foldPlan(start, events), back(5))).toBeNull()
  })

  it('ends no redo by naming a point', () => {
    expect(ids(decide('a'), undo, { kind: 'point', name: 'x' }, redo)).toEqual(['a'])
  })

  it('puts a decision in the place of another, which comes back when it is undone', () => {
    const again: Act = { kind: 'decide', decisions: [decision('b')], replaces: ['a'] }
    expect(ids(decide('a'), again)).toEqual(['b'])
    expect(ids(decide('a'), again, undo)).toEqual(['a'])
    expect(ids(decide('a'), again, takeBack('b'))).toEqual([])
    expect(eventProblem(foldPlan(start, []), again)).toBeNull()
  })

  it('holds confirmations of places, and takes them back like decisions', () => {
    const confirm: Act = { kind: 'confirm', confirmations: [{ id: 'x', places: [{ path: 'a.js', start: 7 }] }] }
    const confirmed = (...events: PlanEvent[]) => foldPlan(start, events).confirmations.map(({ id }) => id)
    expect(confirmed(confirm)).toEqual(['x'])
    expect(confirmed(confirm, takeBack('x'))).toEqual([])
    expect(confirmed(confirm, takeBack('x'), undo)).toEqual(['x'])
    expect(eventProblem(foldPlan(start, [confirm]), confirm)).toBe('decision-exists')
  })

  it('tells what cannot be added', () => {
    const empty = foldPlan(start, [])
    const one = foldPlan(start, [decide('a')])
    expect(eventProblem(empty, undo)).toBe('nothing-to-undo')
    expect(eventProblem(one, redo)).toBe('nothing-to-redo')
    expect(eventProblem(one, decide('a'))).toBe('decision-exists')
    expect(eventProblem(empty, takeBack('a'))).toBe('decision-unknown')
    expect(eventProblem(one, takeBack('a'))).toBeNull()
  })

  it('holds corrections, no two of the same text, and takes them back like decisions', () => {
    const slip = (id: string, start: number, path = 'a.css') => ({
      ...{ id, path, range: { start, end: start + 6 }, line: 1, column: start + 1 },
      ...{ raw: '7a2433', replacement: '#7a2433', use: 'text' as const },
    })
    const correct = (...corrections: ReturnType<typeof slip>[]): Act => ({ kind: 'correct', corrections })
    const one = foldPlan(start, [decide('a'), correct(slip('x', 4))])
    expect(one.corrections.map(({ id }) => id)).toEqual(['x'])
    expect(eventProblem(one, correct(slip('y', 9)))).toBe('corrected-already')
    expect(eventProblem(one, correct(slip('y', 20), slip('z', 22)))).toBe('corrected-already')
    expect(eventProblem(one, correct(slip('a', 10)))).toBe('decision-exists')
    expect(eventProblem(one, correct(slip('y', 10), slip('z', 4, 'b.css')))).toBeNull()
    expect(eventProblem(one, takeBack('x', 'a'))).toBeNull()
    const none = foldPlan(start, [decide('a'), correct(slip('x', 4)), takeBack('x')])
    expect([none.corrections, none.decisions.length]).toEqual([[], 1])
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
