import { append } from '../collect.ts'
import type { Reading } from '../source/occurrence.ts'
import { type PackedPlaces, packPlaces, unpackPlaces } from '../source/pack-places.ts'
import type { Variable } from '../source/variables.ts'

/** What one file holds beside its places. */
export interface ApartReading extends Pick<Reading, 'keywords' | 'computed' | 'behaviors' | 'findings'> {
  readonly path: string
}

/** What is known of a site beside its places and its pages. */
export interface Apart {
  readonly readings: readonly ApartReading[]
  readonly variables: readonly Variable[]
}

/** The same in tables: selectors and conditions stand once. */
export interface PackedApart {
  /** `keywords` and `computed` with the `path` of their file, `definitions` and `references` with the variable that they are `of`, by its index. */
  readonly packed: PackedPlaces
  readonly readings: readonly Pick<ApartReading, 'path' | 'behaviors' | 'findings'>[]
  readonly variables: readonly Pick<Variable, 'name' | 'uses'>[]
}

/** Files that hold nothing of it are left out. */
export function packApart({ readings, variables }: Apart): PackedApart {
  const some = readings.filter(
    ({ keywords, computed, behaviors, findings }) =>
      keywords.length + computed.length + behaviors.length + findings.length > 0,
  )
  return {
    packed: packPlaces({
      keywords: some.flatMap(({ path, keywords }) => keywords.map((each) => ({ ...each, path }))),
      computed: some.flatMap(({ path, computed }) => computed.map((each) => ({ ...each, path }))),
      definitions: variables.flatMap(({ definitions }, of) => definitions.map((each) => ({ ...each, of }))),
      references: variables.flatMap(({ references }, of) => references.map((each) => ({ ...each, of }))),
    }),
    readings: some.map(({ path, behaviors, findings }) => ({ path, behaviors, findings })),
    variables: variables.map(({ name, uses }) => ({ name, uses })),
  }
}

/** What each file holds. */
export function readingsApart({ packed, readings }: PackedApart): ApartReading[] {
  const [keywords, computed] = byMember(packed, ['keywords', 'computed'], 'path')
  return readings.map((each) => ({
    ...each,
    keywords: keywords(each.path) as ApartReading['keywords'],
    computed: computed(each.path) as ApartReading['computed'],
  }))
}

/** The variables with all that defines or takes them: many more than all else, and of use only to who follows them. */
export function variablesApart({ packed, variables }: PackedApart): Variable[] {
  const [definitions, references] = byMember(packed, ['definitions', 'references'], 'of')
  return variables.map((each, at) => ({
    ...each,
    definitions: definitions(at) as Variable['definitions'],
    references: references(at) as Variable['references'],
  }))
}

type Row = Readonly<Record<string, unknown>>

/** The rows of two lists by one of their members, which they then are without. */
function byMember({ rules, lists }: PackedPlaces, names: readonly [string, string], member: string) {
  const wanted = Object.fromEntries(Object.entries(lists).filter(([name]) => names.includes(name)))
  const unpacked = unpackPlaces({ rules, lists: wanted })
  const grouped = (name: string) => {
    const groups = new Map<unknown, Row[]>()
    for (const row of unpacked[name] ?? []) {
      const { [member]: key, ...own } = row
      append(groups, key, own)
    }
    return (key: unknown): readonly unknown[] => groups.get(key) ?? []
  }
  return [grouped(names[0]), grouped(names[1])] as const
}
