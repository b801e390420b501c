import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'
import { clustersAt } from '../src/cluster/clusters.ts'
import { link } from '../src/cluster/linkage.ts'
import { observe } from '../src/palette/observation.ts'
import type { Role } from '../src/palette/role.ts'
import { type Suggestion, suggester } from '../src/palette/suggest.ts'
import { classify } from '../src/source/classify.ts'
import { linkVariables } from '../src/source/link-variables.ts'
import { readSource } from '../src/source/read.ts'
import { follower } from '../src/source/through.ts'
import { listVariables } from '../src/source/variables.ts'

const DEMO = fileURLToPath(new URL('../../demo/', import.meta.url))
const json = (name: string) => JSON.parse(readFileSync(join(DEMO, name), 'utf8'))
const roles: Role[] = json('brand.json').roles
const key: { colors: string[]; use?: string; right: string[] }[] = json('answer-key.json').answers

const read = readdirSync(join(DEMO, 'site'), { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile())
  .map((entry) => join(entry.parentPath, entry.name))
  .toSorted()
  .flatMap((path) => {
    const { source, skipped } = classify(relative(join(DEMO, 'site'), path), readFileSync(path), 8 * 1024 * 1024)
    return source && skipped === null ? [{ path: source.path, reading: readSource(source) }] : []
  })
const files = linkVariables(read)
const paintings = follower(listVariables(files))
const places = files.flatMap(({ reading }) => reading.occurrences)
const counts = new Map<string, number>()
for (const { color } of places) counts.set(color, (counts.get(color) ?? 0) + 1)

/** What is suggested for each place, by the clusters that Mapping begins with. */
function suggestedPlaces() {
  const clusters = clustersAt(link(counts.keys()), 2, counts)
  const clusterOf = new Map(clusters.flatMap((cluster) => cluster.members.map((color) => [color, cluster] as const)))
  const found = suggester(roles)(
    clusters.map(({ lead, members }) => ({
      lead,
      seen: observe(
        places.filter(({ color }) => members.includes(color)),
        paintings,
      ),
    })),
  )
  return places.map((place) => {
    const all = found.get(clusterOf.get(place.color)?.lead ?? '') ?? []
    return { place, suggestion: all.findLast(({ use }) => use === null || use === place.use) ?? null, all: found }
  })
}

const nameOf = (to: Suggestion['to'], all: ReadonlyMap<string, readonly Suggestion[]>): string => {
  if (to.kind === 'role') return roles.find(({ id }) => id === to.role)?.name ?? ''
  const lead = all.get(to.lead)?.[0]
  return `follow ${lead?.to.kind === 'role' ? nameOf(lead.to, all) : '?'}`
}
const answerOf = ({ color, use }: { color: string; use: string }) =>
  key.find((each) => each.use === use && each.colors.includes(color)) ??
  key.find((each) => each.use === undefined && each.colors.includes(color))

it('what is suggested on the demo agrees with a key that it cannot see', () => {
  const told = suggestedPlaces().flatMap(({ place, suggestion, all }) => {
    const answer = answerOf(place)
    if (!answer) return []
    const said = suggestion ? nameOf(suggestion.to, all) : null
    const isOpen = answer.right.some((each) => each !== 'keep')
    return [
      {
        place,
        isOpen,
        said,
        sureness: suggestion?.sureness ?? 0,
        isRight: said !== null && answer.right.includes(said),
      },
    ]
  })
  const suggested = told.filter(({ said }) => said !== null)
  // Of what is to be kept nothing need be said.
  const open = told.filter(({ isOpen }) => isOpen)
  const covered = open.filter(({ said }) => said !== null).length / open.length
  const right = (some: typeof told) => some.filter(({ isRight }) => isRight).length / Math.max(1, some.length)
  const bands = [
    [0, 0.6],
    [0.6, 0.8],
    [0.8, 1.01],
  ].map(([from = 0, to = 1]) => {
    const some = suggested.filter(({ sureness }) => sureness >= from && sureness < to)
    return { from, places: some.length, right: right(some) }
  })
  const percent = (share: number) => `${Math.round(100 * share)} %`
  process.stdout.write(
    `demo: ${told.length} of ${places.length} places in the key, suggested for ${percent(covered)} of what is not to be kept, right ${percent(right(suggested))}; by sureness ${bands.map(({ from, places, right }) => `from ${from}: ${percent(right)} of ${places}`).join(', ')}\n`,
  )
  expect(covered).toBeGreaterThan(0.85)
  expect(right(suggested)).toBeGreaterThan(0.9)
  // How sure is how often right is held on published themes, where there are places enough.
  expect(bands.every(({ from, right }) => right > (from > 0 ? 0.9 : 0.75))).toBe(true)
  expect(told.length / places.length).toBeGreaterThan(0.95)
})
