import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import {
  classify,
  type Decision,
  follower,
  ledgerOf,
  linkVariables,
  listVariables,
  type Role,
  readSource,
} from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { SitePlaces, takingOf } from '../work/places.ts'
import { consequenceOf } from './consequence.ts'
import { ThroughPlaces } from './through-places.ts'

const DEMO = fileURLToPath(new URL('../../../demo/', import.meta.url))
const roles: Role[] = JSON.parse(readFileSync(join(DEMO, 'brand.json'), 'utf8')).roles
const idOf = (name: string) => roles.find((role) => role.name === name)?.id ?? ''

const read = readdirSync(join(DEMO, 'site'), { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile())
  .map((entry) => join(entry.parentPath, entry.name))
  .toSorted()
  .flatMap((path) => {
    const { source, skipped } = classify(relative(join(DEMO, 'site'), path), readFileSync(path), 8 * 1024 * 1024, null)
    return source && skipped === null ? [{ path: source.path, reading: readSource(source) }] : []
  })
const linked = linkVariables(read).map(({ path, reading }) => ({ path, ...reading }))
const files = linked.map(({ path, occurrences }) => ({ path, occurrences }))
const taking = takingOf(linked)
const places = new SitePlaces(ledgerOf(files), { files: [] } as never)
const through = new ThroughPlaces(places, follower(listVariables(read)))

const give = (colors: readonly string[], name: string, more: Partial<Decision['target']> = {}): Decision => ({
  id: `${colors[0]} ${name}`,
  target: { colors, ...more },
  to: { kind: 'role', role: idOf(name) },
})
/** The maroon of two owners ago is the brand's primary by now. */
const PRIMARY = give(['#7a2433', '#7a2434', '#7b2534', '#7d2838'], 'primary')
const warned = (trial: Decision) => {
  const found = consequenceOf([trial], places, {
    ...{ decisions: [PRIMARY], roles, pages: [], confirmations: [], taking },
    through,
  })
  return [
    ...found.vanishing.map(({ subject }) => `text vanishes: ${subject}`),
    ...found.lost.map(({ kind, subject, state }) => `${kind}: ${subject}${state === null ? '' : ` ${state}`}`),
  ]
}

describe('the traps of the demo are told before the decision that would fall into them', () => {
  it.each<[string, Decision, string]>([
    ['text in its ground', give(['#ffffff'], 'primary'), 'text vanishes: .button'],
    ['text in its ground, of a header', give(['#ffffff'], 'primary'), 'text vanishes: .site-header'],
    [
      'text in the ground of another rule',
      give(['#5f1a27'], 'text on primary', { use: 'ground' }),
      'text vanishes: .button with .button:active',
    ],
    ['a hover that looks like rest', give(['#943a4b'], 'primary'), 'state-like-rest: .button hover'],
    ['a link that does not answer', give(['#1d5f9e'], 'primary'), 'state-like-rest: a hover'],
    ['a pressed button that looks like rest', give(['#5f1a27'], 'primary'), 'state-like-rest: .button pressed'],
    ['a visited link like any other', give(['#f3dde1'], 'text on primary'), 'state-like-rest: .season a visited'],
    ['a line lost in its fill', give(['#5f1a27'], 'primary'), 'line-in-ground: .button'],
    ['a line lost, of one use alone', give(['#5f1a27'], 'primary', { use: 'line' }), 'line-in-ground: .site-header'],
  ])('%s', (_, trial, warning) => expect(warned(trial)).toContain(warning))

  it('and nothing is told of a decision that falls into none', () => {
    expect(warned(give(['#ffffff'], 'text on primary'))).toEqual([])
    expect(warned(give(['#e0a526'], 'accent'))).toEqual([])
  })
})
