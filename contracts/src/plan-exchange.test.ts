import type { Decision, Insertion, Role } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { planDocumentSchema } from './plan-document.ts'
import { documentOf, readDecision, readInsertion, rolesIn } from './plan-exchange.ts'

const roles: Role[] = [
  { id: '1', name: 'primary', color: '#0b6e74' },
  { id: '2', name: 'Soft Ground', color: 'oklch(95% 0.01 90)' },
]
const colors = ['#7a2433', '#943a4b']

const decisions: Decision[] = [
  { id: 'a', target: { colors }, to: { kind: 'role', role: '1' } },
  { id: 'b', target: { colors, use: 'text', alphas: [0.5] }, to: { kind: 'keep' } },
  {
    id: 'c',
    target: {
      colors,
      scope: { region: '.foot', page: 'a.html', width: '(max-width: 40em)', selector: 'a', state: 'hover' },
    },
    to: { kind: 'follow', lead: '#7a2433' },
  },
  { id: 'd', target: { colors, scope: { file: 'a.css', heading: 'Top' } }, to: { kind: 'inherit' } },
  { id: 'e', target: { colors }, to: { kind: 'color', color: 'tan' }, alpha: 0.25 },
  { id: 'f', target: { colors }, to: { kind: 'role', role: '2' }, over: { role: '1' } },
  { id: 'g', target: { colors }, to: { kind: 'role', role: '2' }, over: { color: '#fff' } },
]
const insertions: Insertion[] = [
  { id: 'i', path: 'a.css', selector: 'a:visited', property: 'color', to: { role: '1' } },
  { id: 'j', path: 'a.css', selector: 'button', property: 'background-color', to: { color: 'tan' } },
]
const corrections = [
  {
    ...{ id: 'k', path: 'a.css', range: { start: 3, end: 9 }, line: 1, column: 4 },
    ...{ raw: '7a2433', replacement: '#7a2433', use: 'text' as const },
  },
]
const confirmations = [{ id: 'l', places: [{ path: 'a.js', start: 7 }] }]
const copy = {
  site: 'A site',
  digest: 'a'.repeat(64),
  files: [
    { path: 'x.css', choice: 'take-in' as const },
    { path: 'y.css', choice: null },
  ],
}
const state = {
  decisions,
  insertions,
  corrections,
  confirmations,
  tolerance: 3,
  byHand: { groups: [colors], leads: ['#943a4b'] },
}

describe('a plan as a document', () => {
  it('reads back as it was, its roles by their names', () => {
    const document = planDocumentSchema.parse(JSON.parse(JSON.stringify(documentOf(state, roles, copy))))
    expect(document).toMatchObject({
      copy: 'a'.repeat(64),
      files: { 'x.css': 'take-in' },
      confirmed: [{ path: 'a.js', start: 7 }],
      corrections: [{ path: 'a.css', raw: '7a2433' }],
    })
    expect(document).toMatchObject({ site: 'A site', tolerance: 3, groups: [colors], leads: ['#943a4b'] })
    const read = document.decisions.map((entry, i) => readDecision(entry, i, roles))
    expect(read).toEqual(decisions.map(({ id: _, ...decision }) => ({ decision })))
    const added = (document.insertions ?? []).map((entry, i) => readInsertion(entry, i, roles))
    expect(added).toEqual(insertions.map(({ id: _, ...insertion }) => ({ insertion })))
  })

  it('leaves out what takes a role that is gone', () => {
    const gone: Decision[] = [
      { id: 'x', target: { colors }, to: { kind: 'role', role: 'gone' } },
      { id: 'y', target: { colors }, to: { kind: 'role', role: '1' }, over: { role: 'gone' } },
    ]
    expect(documentOf({ ...state, decisions: gone }, roles, copy).decisions).toEqual([])
  })

  it('says of each decision what is wrong with it, and where', () => {
    const wrong = (to: object, more: object = {}, colors = ['#fff']) =>
      readDecision({ target: { colors }, to, ...more } as never, 4, roles)
    const problem = (message: string) => ({ problem: { at: 'decisions.4', message } })
    expect(wrong({ role: 'mauve' })).toEqual(problem('the palette has no role mauve'))
    expect(wrong({ color: 'mauvish' })).toEqual(problem('mauvish is not a color'))
    expect(wrong({ color: '#0008' })).toEqual(problem('#0008 is see-through; a color that is taken is opaque'))
    expect(wrong({ keep: true }, {}, ['what'])).toEqual(problem('what is not a color'))
    expect(wrong({ keep: true }, { over: { role: 'mauve' } })).toEqual(problem('the palette has no role mauve'))
    expect(rolesIn([{ role: 'a', color: '#0008' }])).toEqual({
      at: 'palette.0',
      message: '#0008 is see-through; a role is opaque',
    })
  })

  it('takes no selector that could end a rule, and no other property', () => {
    const document = documentOf(state, roles, copy)
    const [first] = document.insertions ?? []
    const added = (part: object) => ({ ...document, insertions: [{ ...first, ...part }] })
    expect(planDocumentSchema.safeParse(added({ selector: 'a:hover > b, .c[d="e"]' })).success).toBe(true)
    for (const part of [
      { selector: 'a{}' },
      { selector: 'a;b' },
      { selector: 'a::before' },
      { selector: ' ' },
      { selector: 'a/*' },
      { property: 'display' },
      { path: 'a.sass' },
      { path: 'a.html' },
    ])
      expect(planDocumentSchema.safeParse(added(part)).success).toBe(false)
  })

  it('takes no region that is more than one compound, and no other media feature', () => {
    const document = documentOf(state, roles, copy)
    const scoped = (scope: object) => ({ ...document, decisions: [{ target: { colors, scope }, to: { keep: true } }] })
    expect(planDocumentSchema.safeParse(scoped({ region: '.a' })).success).toBe(true)
    for (const scope of [
      { region: '.a .b' },
      { region: '.a, .b' },
      { region: '.a{}' },
      { width: '(hover)' },
      { mood: 'x' },
    ])
      expect(planDocumentSchema.safeParse(scoped(scope)).success).toBe(false)
  })
})
