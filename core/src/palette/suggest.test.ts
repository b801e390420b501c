import { describe, expect, it } from 'vitest'
import { readSource } from '../source/read.ts'
import { follower } from '../source/through.ts'
import { listVariables } from '../source/variables.ts'
import { observe } from './observation.ts'
import type { Role } from './role.ts'
import { suggester } from './suggest.ts'

const NAMES = [
  'primary',
  'text on primary',
  'accent',
  'ground',
  'soft ground',
  'text',
  'soft text',
  'line',
  'link',
  'error',
]
const LIGHT = ['text on primary', 'ground', 'soft ground']
/** A brand whose colours are nowhere near those of the site, but light where it is light. */
const brandOf = (hue: number): Role[] =>
  NAMES.map((name, i) => ({
    id: name,
    name,
    color: `hsl(${(hue + i * 36) % 360} 90% ${LIGHT.includes(name) ? 94 : name === 'line' ? 70 : name === 'text' ? 12 : 30}%)`,
  }))
const ROLES = brandOf(0)

const SHEET = `
  body { background: #f6f1e7; color: #23303a }
  p, li { color: #23303a } .lead, .intro { color: #23303a }
  a { color: #1d5f9e } a:hover { color: #1d5f9e }
  .btn { background: #7a2433; color: #fffefc } .btn:hover { background: #943a4b } .header { background: #7a2433 } h2 { color: #7a2433 }
  .sale { background: #e0a526 } .offer { border-color: #e0a526; background: #e0a526 }
  .meta { color: #6f7a82 } hr, td { border: 1px solid #8b949a } .panel { background: #efe8da }
  .form-error { color: #c2185b } .form-error b { color: #c2185b }`

/** What is suggested for each colour of a sheet, the most used first. */
function suggested(sheet: string, roles: readonly Role[] = ROLES) {
  const reading = readSource({ path: 'a.css', text: sheet, encoding: 'utf-8' })
  const { occurrences } = reading
  const paintings = follower(listVariables([{ path: 'a.css', reading }]))
  const counts = new Map<string, number>()
  for (const { color } of occurrences) counts.set(color, (counts.get(color) ?? 0) + 1)
  const leads = [...counts].toSorted(([a, m], [b, n]) => n - m || (a < b ? -1 : 1)).map(([lead]) => lead)
  return suggester(roles)(
    leads.map((lead) => ({
      lead,
      seen: observe(
        occurrences.filter(({ color }) => color === lead),
        paintings,
      ),
    })),
  )
}
const first = (found: ReturnType<typeof suggested>, lead: string) => {
  const [one] = found.get(lead) ?? []
  return one && [one.to.kind === 'role' ? one.to.role : `follows ${one.to.lead}`, one.why]
}

describe('what is suggested', () => {
  const found = suggested(SHEET)
  it.each([
    ['#f6f1e7', 'ground', 'page-ground'],
    ['#23303a', 'text', 'page-text'],
    ['#7a2433', 'primary', 'most-used-hue'],
    ['#e0a526', 'accent', 'second-hue'],
    ['#943a4b', 'follows #7a2433', 'shade'],
    ['#fffefc', 'text on primary', 'light-text'],
    ['#1d5f9e', 'link', 'links'],
    ['#6f7a82', 'soft text', 'mid-text'],
    ['#8b949a', 'line', 'grey-line'],
    ['#efe8da', 'soft ground', 'light-ground'],
    ['#c2185b', 'error', 'named'],
  ])('%s to %s, since %s', (lead, to, why) => expect(first(found, lead)).toEqual([to, why]))

  it('is the same whatever the colours of the brand, and never for a role that is not there', () => {
    const targets = (roles: readonly Role[]) =>
      [...suggested(SHEET, roles)].map(([lead, all]) => [lead, all.map(({ to }) => to)])
    expect(targets(brandOf(97))).toEqual(targets(ROLES))
    const few = suggested(SHEET, ROLES.slice(0, 1))
    const roles = [...few.values()].flat().flatMap(({ to }) => (to.kind === 'role' ? [to.role] : []))
    expect(new Set(roles)).toEqual(new Set(['primary']))
  })

  it('is apart for each use where none speaks for most places: what nothing is said of stays open', () => {
    const all = suggested(`${SHEET} .footer { background: #8b949a } .x { color: #8b949a }`).get('#8b949a') ?? []
    expect(all.map(({ use, to }) => [use, to.kind === 'role' && to.role])).toEqual([
      ['line', 'line'],
      ['text', 'soft text'],
    ])
    expect(all.every(({ sureness }) => sureness > 0 && sureness <= 1)).toBe(true)
  })

  it("goes to a role with the client's own name by what is said of it", () => {
    const roles = [{ id: 'Pine', name: 'Pine', color: '#0e5a4f', description: 'the buttons and the links' }]
    expect(first(suggested(SHEET, roles), '#7a2433')).toEqual(['Pine', 'most-used-hue'])
    expect(first(suggested(SHEET, roles), '#1d5f9e')).toEqual(['Pine', 'links'])
  })

  it('goes by what its author calls it before how much there is of it', () => {
    const named = suggested(`:root { --brand: #2f5d50; --error: #b3261e; --brand-light: #5f8d80 }
      .a { background: var(--brand) } .b { background: #c77700 } .c { color: #c77700; border-color: #c77700 }`)
    expect(first(named, '#2f5d50')).toEqual(['primary', 'called'])
    expect(first(named, '#b3261e')).toEqual(['error', 'called'])
    expect(first(named, '#5f8d80')).toEqual(['follows #2f5d50', 'called'])
    expect(first(named, '#c77700')).toEqual(['accent', 'second-hue'])
  })

  it('keeps the state of a link apart from the link in a palette that has no role for it', () => {
    const links = `:root { --brand: #bd5d38; --link-color: #bd5d38; --link-hover-color: #974a2d }
      a { color: var(--link-color) } a:hover { color: var(--link-hover-color) } .btn, .head { background: var(--brand) }`
    expect(first(suggested(links), '#974a2d')).toEqual(['follows #bd5d38', 'called'])
    const hover: Role = { id: 'hover', name: 'link hover', color: '#0b6e74' }
    expect(first(suggested(links, [...ROLES, hover]), '#974a2d')).toEqual(['hover', 'called'])
  })

  it('follows a variable whose name says nothing to what takes it', () => {
    const taken = suggested(`:root { --v1: #23303a; --v2: #f6f1e7; --v3: #8b949a }
      body { color: var(--v1); background: var(--v2) } p { color: var(--v1) } hr, td { border-color: var(--v3) }`)
    expect(['#23303a', '#f6f1e7', '#8b949a'].map((lead) => first(taken, lead)?.[0])).toEqual(['text', 'ground', 'line'])
  })

  it('is not sure of the grounds of other things where the pages take theirs through a variable', () => {
    const sheet = (body: string) => `${body} .menu { background: #fff } .card { background: #fff }`
    const of = (body: string) =>
      suggested(sheet(body))
        .get('#ffffff')
        ?.find(({ use }) => use === null || use === 'ground')
    expect(of('body { background: #fff; color: #222 }')).toMatchObject({ why: 'page-ground', sureness: 0.9 })
    const through = of(
      ':root { --w: #fff } body { background: var(--w); color: #222 } b { color: var(--w) } i { color: var(--w) } u { color: var(--w) }',
    )
    expect(through).toMatchObject({ why: 'light-ground', sureness: 0.55 })
  })

  it('tells the parts of one component apart, and a status from a shade of the brand', () => {
    const alerts =
      suggested(`${SHEET} .alert-success { background: #2f7d4f; color: #2f7d4f } .alert { border-color: #7a2433 }
      .btn-info { background: #6a1423 } .btn-info:hover { background: #6a1423 }`)
    expect(first(alerts, '#2f7d4f')).toBeUndefined()
    expect(first(alerts, '#6a1423')).toBeUndefined()
  })

  it('takes of links their text only, and is never sure of a picture', () => {
    const bar = suggested(
      'a { color: #1d5f9e } a:hover { color: #1d5f9e } li a { color: #1d5f9e } .bar { background: #1d5f9e } .x { background: #7a2433; color: #7a2433; fill: #7a2433; stroke: #7a2433 } .y { background: #7a2433; color: #7a2433 }',
    )
    expect(bar.get('#1d5f9e')?.map(({ use }) => use)).toEqual(['text'])
    const drawn = suggested('.a { fill: #7a2433 } .b { stroke: #7a2433 } .c { fill: #7a2433 }').get('#7a2433') ?? []
    expect(Math.max(...drawn.map(({ sureness }) => sureness))).toBeLessThan(0.8)
  })

  it('of dark pages is their light text and their dark ground', () => {
    const dark = suggested(
      'body { background: #14181c; color: #e8e6e3 } p { color: #e8e6e3 } .card { background: #14181c }',
    )
    expect([first(dark, '#14181c')?.[0], first(dark, '#e8e6e3')?.[0]]).toEqual(['ground', 'text'])
  })

  it('turns light into dark for the text and the ground of the pages only, and is never sure of that', () => {
    const sheet = `body { background: #14181c; color: #e8e6e3 } p { color: #e8e6e3 }
      .tip { background: #e8e6e3; color: #14181c } .pop { background: #f6f4f0; color: #0c0e10 } hr { border-color: #33383d }`
    const suggestions = (roles: readonly Role[]) =>
      [...suggested(sheet, roles)].flatMap(([lead, all]) => all.map((each) => ({ lead, ...each })))
    const turned = suggestions(ROLES)
    expect([...new Set(turned.map(({ lead }) => lead))].toSorted()).toEqual([
      '#0c0e10',
      '#14181c',
      '#33383d',
      '#e8e6e3',
      '#f6f4f0',
    ])
    const ofPages = turned.filter(
      ({ lead, use }) => lead === (use === 'ground' ? '#14181c' : use === 'text' && '#e8e6e3'),
    )
    expect(ofPages).toHaveLength(2)
    expect(Math.max(...ofPages.map(({ sureness }) => sureness))).toBeLessThan(0.6)
    const night = [
      { id: 'Night', name: 'Night', color: '#14211f', description: 'the ground' },
      { id: 'Oat', name: 'Oat', color: '#f3eee4', description: 'the light text' },
    ]
    // Neither the light tips of dark pages nor the dark text in them.
    expect(suggestions(night).map(({ lead, use, to }) => [lead, use, to.kind === 'role' && to.role])).toEqual([
      ['#e8e6e3', 'text', 'Oat'],
      ['#14181c', 'ground', 'Night'],
    ])
  })

  it('is not likely for text that could be read on the pages and could not any more', () => {
    const sheet = 'body { background: #14181c; color: #e8e6e3 } .meta { color: #9aa0a6 } .note { color: #55595e }'
    const palette = (softer: string): Role[] => [
      { id: 'ground', name: 'ground', color: '#14211f' },
      { id: 'soft text', name: 'soft text', color: softer },
    ]
    const sureness = (softer: string, lead: string) => suggested(sheet, palette(softer)).get(lead)?.[0]?.sureness ?? 0
    expect(sureness('#9fb0a2', '#9aa0a6')).toBeGreaterThanOrEqual(0.6)
    expect(sureness('#5c705e', '#9aa0a6')).toBeLessThan(0.6)
    expect(sureness('#5c705e', '#55595e')).toBeGreaterThanOrEqual(0.6)
    // On a light ground it could be read, but the dark one stays.
    const turning = [{ id: 'ground', name: 'ground', color: '#f3eee4' }, ...palette('#5c705e').slice(1)]
    expect(suggested(sheet, turning).get('#9aa0a6')?.[0]?.sureness ?? 0).toBeLessThan(0.6)
  })

  it('takes no slate for an accent, nor for a shade', () => {
    const of = (color: string) =>
      first(suggested(`.a { background: #7a2433 } .b { background: #7a2433 } .c { background: ${color} }`), color)
    expect([of('#8392ab'), of('#9caf88')]).toEqual([undefined, ['accent', 'second-hue']])
    const beside = suggested('.a { background: #2d5fd0 } .b { background: #2d5fd0 } .c { background: #8392ab }')
    expect(first(beside, '#8392ab')).toBeUndefined()
  })

  it('is nothing of nothing', () => expect(suggested('').size).toBe(0))
})
