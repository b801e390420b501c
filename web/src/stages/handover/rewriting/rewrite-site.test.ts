import { type Decision, ledgerOf, readSource } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { byDecision, byFile } from './planned-changes.ts'
import { type PlanData, rewriteSite } from './rewrite-site.ts'

const TEXTS: Readonly<Record<string, string>> = {
  'a.css': 'a{color:#7a2433;background:#7a2433} b{color:#fff} c{color:7a2433}\n',
  'b.css': 'c{border-color:#7A2433}',
  'c.css': 'd{background:linear-gradient(#7a2433, tan)} e{background:tan}',
}
const sources = Object.entries(TEXTS).map(([path, text]) => ({ path, text, encoding: 'utf-8' as const }))
const ledger = ledgerOf(sources.map((source) => ({ path: source.path, occurrences: readSource(source).occurrences })))
const files = new Map(sources.map(({ path }) => [path, `f ${path}`]))
const roles = [
  { id: 'p', name: 'primary', color: '#0b6e74' },
  { id: 'q', name: 'white', color: 'white' },
]
const EMPTY: PlanData = { decisions: [], roles, pages: [], confirmations: [], corrections: [], insertions: [] }
const whole: Decision = { id: 'w', target: { colors: ['#7a2433'] }, to: { kind: 'role', role: 'p' } }
const line: Decision = { id: 'l', target: { colors: ['#7a2433'], use: 'line' }, to: { kind: 'keep' } }

async function rewriteOf(plan: Partial<PlanData>) {
  const loaded: string[] = []
  const found = await rewriteSite(ledger, { ...EMPTY, ...plan }, files, async (fileId) => {
    loaded.push(fileId)
    return sources.find(({ path }) => `f ${path}` === fileId) as (typeof sources)[number]
  })
  if (!found) throw new Error('nobody stopped it')
  return { ...found, loaded }
}

describe('what a plan writes into the files of a site', () => {
  it('leaves out what is kept and what would read the same, and loads no file that nothing is decided of', async () => {
    const { changes, loaded } = await rewriteOf({ decisions: [whole, line] })
    expect(changes.map(({ key, fileId, replacement }) => [key, fileId, replacement])).toEqual([
      ['place 0', 'f a.css', '#0b6e74'],
      ['place 1', 'f a.css', '#0b6e74'],
      ['place 4', 'f c.css', '#0b6e74'],
    ])
    expect(loaded).toEqual(['f a.css', 'f b.css', 'f c.css'])
    const white: Decision = { id: 's', target: { colors: ['#ffffff'] }, to: { kind: 'role', role: 'q' } }
    const same = await rewriteOf({ decisions: [white] })
    expect([same.changes, same.loaded]).toEqual([[], ['f a.css']])
  })

  it('has slips that are put right among it, which take what their colour takes', async () => {
    const [slip] = readSource(sources[0] as (typeof sources)[number]).findings
    const corrections = slip?.remedy ? [{ ...slip.remedy, id: 'x', path: 'a.css' }] : []
    const { changes } = await rewriteOf({ decisions: [whole], corrections })
    expect(changes.map(({ key, role, becomes }) => [key, role, becomes?.color])).toEqual([
      ['place 0', 'primary', '#0b6e74'],
      ['place 1', 'primary', '#0b6e74'],
      ['slip x', 'primary', '#0b6e74'],
      ['place 3', 'primary', '#0b6e74'],
      ['place 4', 'primary', '#0b6e74'],
    ])
    expect(byDecision(changes).map(({ key, changes: some }) => [key, some.length])).toEqual([
      ['w', 4],
      ['slips', 1],
    ])
    expect(byFile(changes).map(({ key, changes: some }) => [key, some.length])).toEqual([
      ['a.css', 3],
      ['b.css', 1],
      ['c.css', 1],
    ])
  })

  it('shows what is written: the whole gradient, what is declared behind a solid, a rule that is added', async () => {
    const solid: Decision = { ...whole, solid: true }
    const gradient: Decision = {
      id: 'g',
      target: { colors: ['#d2b48c'] },
      to: { kind: 'gradient', stops: [{ role: 'p' }, { role: 'q' }], angle: 90 },
    }
    const insertion = { id: 'i', path: 'a.css', selector: 'u', property: 'color', to: { role: 'p' } } as const
    const { changes, unwritten } = await rewriteOf({ decisions: [solid, gradient], insertions: [insertion] })
    const shown = changes.filter(({ path, key }) => path === 'c.css' || key.startsWith('rule'))
    expect(shown.map(({ raw, replacement, line }) => [raw, replacement, line])).toEqual([
      ['', ':where(u) { color: #0b6e74; }', 2],
      ['linear-gradient(#7a2433, tan)', '#0b6e74', 1],
      ['tan', '#0b6e74', 1],
      ['', '; background-image: linear-gradient(90deg, #0b6e74, #ffffff)', 1],
    ])
    expect(unwritten).toEqual([{ path: 'c.css', line: 1, why: 'cannot-gradient' }])
  })

  it('says what was decided and is not written', async () => {
    const part: Decision = { ...whole, id: 'p', target: { ...whole.target, scope: { page: 'x.html' } } }
    const pages = [
      { path: 'x.html', files: ['a.css'], hook: null },
      { path: 'y.html', files: ['a.css'], hook: null },
    ]
    const { unwritten } = await rewriteOf({ decisions: [part], pages })
    expect(unwritten).toEqual([
      { path: 'a.css', line: 1, why: 'page-alike' },
      { path: 'a.css', line: 1, why: 'page-alike' },
    ])
  })
})
