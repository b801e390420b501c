import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import {
  clustersAt,
  link,
  type Occurrence,
  observe,
  type Role,
  readSource,
  type Suggestion,
  suggester,
  type Use,
} from '@undo-ink/core'
import { describe, expect, it } from 'vitest'

/**
 * Suggestions held against published themes: their compiled sheets, in which no variable is left, with the names of their own variables (in
 * their sources, which are not read here) as the key. What a variable is called is what its author made the color for.
 */

/** A brand that has nothing of these themes. */
const roles: Role[] = [
  ['primary', '#0b6e74'],
  ['text on primary', '#fdfdfb'],
  ['accent', '#d9822b'],
  ['ground', '#fbfaf6'],
  ['soft ground', '#e8eef1'],
  ['text', '#1f2a30'],
  ['soft text', '#5c6a72'],
  ['line', '#c3d0d6'],
  ['link', '#0a5a8c'],
  ['success', '#2f7d4f'],
  ['warning', '#b7791f'],
  ['danger', '#a12622'],
].map(([name = '', color = '']) => ({ id: name, name, color }))

interface Answer {
  /** As the compiled sheet has it. */
  readonly colors: readonly string[]
  readonly uses?: readonly Use[]
  readonly right: readonly string[]
}

/** From `spectre.css/src/_variables.scss`; shades are `lighten` and `darken` of the variable that is named. */
const SPECTRE: readonly Answer[] = [
  // $primary-color, $link-color and their darker and lighter ones
  {
    colors: ['#5755d9', '#4b48d6', '#3634d2', '#302ecd', '#807fe2', '#6362dc'],
    right: ['primary', 'link', 'follow primary', 'follow link'],
  },
  // $secondary-color and its darker and lighter ones
  { colors: ['#f1f1fc', '#e5e5f9', '#fcfcff', '#d9d8f7'], right: ['follow primary', 'soft ground'] },
  // $light-color: what stands on dark; $body-bg
  { colors: ['#ffffff'], uses: ['text'], right: ['text on primary'] },
  { colors: ['#ffffff'], right: ['ground', 'text on primary'] },
  // $dark-color, $body-font-color
  { colors: ['#303742', '#3b4351'], right: ['text'] },
  // $gray-color and its darker and lighter ones
  { colors: ['#bcc3ce', '#667189', '#f7f8f9', '#acb3bf'], right: ['soft text', 'soft ground', 'line'] },
  // $border-color and its darker and lighter ones
  { colors: ['#dadee4', '#bec5d1', '#eef0f3', '#e3e5ea'], right: ['line', 'soft ground'] },
  { colors: ['#32b643', '#2a9838', '#2b9a38', '#39c94b', '#2faa3f', '#2da23d'], right: ['success', 'follow success'] },
  {
    colors: ['#ffb700', '#d69a00', '#e6a500', '#ffbe1a', '#f0ad00'],
    right: ['warning', 'accent', 'follow warning', 'follow accent'],
  },
  {
    colors: ['#e85600', '#cf4d00', '#c04700', '#ff6000', '#d95000'],
    right: ['danger', 'accent', 'follow danger', 'follow accent'],
  },
]

/** From `uikit/src/less/components/variables.less`. */
const UIKIT: readonly Answer[] = [
  // @global-color, @global-emphasis-color
  { colors: ['#666666', '#333333'], right: ['text', 'soft text'] },
  // @global-muted-color
  { colors: ['#999999'], right: ['soft text'] },
  // @global-link-color, @global-primary-background, and what is darkened of them
  { colors: ['#1e87f0', '#0f6ecd', '#0f7ae5', '#0e6dcd'], right: ['primary', 'link', 'follow primary', 'follow link'] },
  // @global-inverse-color, @global-background
  { colors: ['#ffffff'], uses: ['text', 'fill', 'stroke'], right: ['text on primary'] },
  { colors: ['#ffffff'], right: ['ground', 'text on primary'] },
  // @global-muted-background and what is darkened of it
  { colors: ['#f8f8f8', '#ebebeb', '#f2f2f2'], right: ['soft ground'] },
  // @global-secondary-background and what is lightened and darkened of it
  { colors: ['#222222', '#151515', '#080808', '#2f2f2f'], right: ['text', 'accent', 'follow text'] },
  // @global-border and what is darkened of it
  { colors: ['#e5e5e5', '#b2b2b2', '#d8d8d8'], right: ['line', 'soft ground'] },
  { colors: ['#32d296', '#edfbf6'], right: ['success', 'follow success'] },
  { colors: ['#faa05a', '#fff6ee'], right: ['warning', 'accent', 'follow warning', 'follow accent'] },
  {
    colors: ['#f0506e', '#ee395b', '#ec2147', '#fef4f6'],
    right: ['danger', 'accent', 'follow danger', 'follow accent'],
  },
]

const require = createRequire(import.meta.url)

/** What is suggested for each place of a sheet. */
function suggestedPlaces(sheet: string) {
  const text = readFileSync(require.resolve(sheet), 'utf8')
  const { occurrences } = readSource({ path: 'theme.css', text, encoding: 'utf-8' })
  const counts = new Map<string, number>()
  for (const { color } of occurrences) counts.set(color, (counts.get(color) ?? 0) + 1)
  const clusters = clustersAt(link([...counts.keys()]), 2, counts)
  const leadOf = new Map(clusters.flatMap(({ lead, members }) => members.map((member) => [member, lead] as const)))
  const observed = clusters.map(({ lead, members }) => ({
    lead,
    seen: observe(occurrences.filter(({ color }) => members.includes(color))),
  }))
  const found = suggester(roles)(observed)
  return occurrences.map((place) => {
    const own = found.get(leadOf.get(place.color) ?? '') ?? []
    return { place, said: own.findLast(({ use }) => use === null || use === place.use) ?? null, found }
  })
}

const nameOf = (to: Suggestion['to'], all: ReadonlyMap<string, readonly Suggestion[]>): string => {
  if (to.kind === 'role') return roles.find(({ id }) => id === to.role)?.name ?? ''
  const lead = all.get(to.lead)?.[0]
  return `follow ${lead?.to.kind === 'role' ? nameOf(lead.to, all) : '?'}`
}

const answerFor = (key: readonly Answer[], { color, use }: Occurrence) =>
  key.find(({ colors, uses }) => colors.includes(color) && uses?.includes(use)) ??
  key.find(({ colors, uses }) => colors.includes(color) && uses === undefined)

describe('what is suggested for a published theme', () => {
  it.each([
    ['spectre.css/dist/spectre.css', SPECTRE],
    ['uikit/dist/css/uikit.css', UIKIT],
  ])('%s agrees with the names of its variables', (sheet, key) => {
    const all = suggestedPlaces(sheet)
    const told = all.flatMap(({ place, said, found }) => {
      const answer = answerFor(key, place)
      const name = said && nameOf(said.to, found)
      return answer ? [{ name, isRight: name !== null && answer.right.includes(name) }] : []
    })
    const suggested = told.filter(({ name }) => name !== null)
    const right = suggested.filter(({ isRight }) => isRight)
    const percent = (some: readonly unknown[], of: readonly unknown[]) => Math.round((100 * some.length) / of.length)
    process.stdout.write(
      `${sheet}: ${told.length} of ${all.length} places in the key, suggested for ${percent(suggested, told)} %, right ${percent(right, suggested)} %\n`,
    )
    expect(told.length / all.length).toBeGreaterThan(0.8)
    expect(suggested.length / told.length).toBeGreaterThan(0.8)
    expect(right.length / suggested.length).toBeGreaterThan(0.75)
  })
})
