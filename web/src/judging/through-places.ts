import { append, type End, type EndsOf } from '@undo-ink/core'
import type { PlaceOf, SitePlaces } from '../work/places.ts'

/** Places through variables in all beyond which none is looked at. */
const MOST = 200_000

/**
 * What places that give variables their value paint: for each place that takes the value as it is, a place as if the color was written there.
 * It becomes what its origin becomes.
 */
export class ThroughPlaces {
  private readonly places: SitePlaces
  private readonly endsOf: EndsOf
  private readonly origins = new WeakMap<PlaceOf, PlaceOf>()
  private readonly known = new Map<number, readonly PlaceOf[]>()
  private total = 0
  private bySubject: ReadonlyMap<string, readonly PlaceOf[]> | null = null

  constructor(places: SitePlaces, endsOf: EndsOf) {
    this.places = places
    this.endsOf = endsOf
  }

  /** Itself, where it is not through a variable. */
  originOf(place: PlaceOf): PlaceOf {
    return this.origins.get(place) ?? place
  }

  /** What a place paints: itself, or what its variable does. The same objects each time. */
  of(place: PlaceOf): readonly PlaceOf[] {
    const { variable } = place
    if (variable === null) return [place]
    let found = this.known.get(place.index)
    if (found === undefined) {
      const ends = this.total < MOST ? this.endsOf(variable).filter(({ taken }) => taken === 'plain') : []
      found = ends.flatMap((end) => this.paint(place, end))
      this.total += found.length
      this.known.set(place.index, found)
    }
    return found
  }

  /** Those of some subjects in some files, by file. */
  ofSubjects(subjects: ReadonlySet<string>, files: ReadonlySet<string>): PlaceOf[] {
    const index = (this.bySubject ??= this.listBySubject())
    const found = [...subjects].flatMap((subject) => index.get(subject) ?? [])
    return [...new Set(found)].filter(({ path }) => files.has(path))
  }

  /** Nothing for an end that cannot be told to be of the elements that the value is for. */
  private paint(origin: PlaceOf, end: End): PlaceOf[] {
    const { file: path, property, use, important, specificity, range, line, column } = end
    const at = { path, fileId: this.places.fileId(path), property, use, important, range, line, column }
    const isOfAll = origin.selector === null || /^[$@]/.test(origin.variable ?? '') || origin.subjects.every(isWhole)
    const of = isOfAll ? end : { ...origin, signals: [...new Set([...origin.signals, ...end.signals])].toSorted() }
    const { selector, subjects, signals } = of
    const atRules = isOfAll ? [...conditionsOf(origin), ...end.atRules] : [...origin.atRules, ...end.atRules]
    const place: PlaceOf = { ...origin, ...at, selector, subjects, signals, specificity, atRules, variable: null }
    this.origins.set(place, origin)
    return [place]
  }

  private listBySubject(): Map<string, PlaceOf[]> {
    const index = new Map<string, PlaceOf[]>()
    const { values, codes } = this.places.ledger.columns.variable
    for (let at = 0; at < codes.length; at++) {
      if (values[codes[at] as number] === null) continue
      for (const place of this.of(this.places.at(at))) {
        for (const subject of place.subjects) append(index, subject, place)
      }
    }
    return index
  }
}

/** A rule that is for whole pages: what is defined there is for every element in them. */
function isWhole(subject: string): boolean {
  return /^(?::root|:host|html|body|\*)|^\[data-|^\.(?:dark|light|theme)\b/.test(subject) && !/[\s>+~]/.test(subject)
}

/** Of a scheme that a class of the root switches on, that class too: its values meet no others. */
function conditionsOf({ atRules, subjects, selector }: PlaceOf): readonly string[] {
  return subjects.every((subject) => /^(?::root|:host|html|body|\*)$/.test(subject))
    ? atRules
    : [...atRules, `in ${selector}`]
}
