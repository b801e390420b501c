import {
  type Becoming,
  type Decision,
  type LedgerPlace,
  regionsAround,
  type Scope,
  type ScopePage,
  splitList,
  type Target,
} from '@undo-ink/core'

export const ROLES = ['#0b6e74', '#d9822b', '#20603a', '#f2ead9', '#41506b'].map((color, i) => ({
  id: `r${i}`,
  name: `role ${i}`,
  color,
}))

const WIDTHS = ['(max-width: 600px)', '(min-width: 900px)']

/** Decisions about some of the colors of some places, limited in every way that the places give. */
export function randomPlan(
  places: readonly LedgerPlace[],
  pages: readonly ScopePage[],
  random: () => number,
): Decision[] {
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T
  const colors = [...new Set(places.map(({ color }) => color))]
  const regions = [
    ...new Set(places.flatMap(({ selector }) => (selector ? splitList(selector).flatMap(regionsAround) : []))),
  ]
  const scope = (place: LedgerPlace): Scope => {
    const hooked = pages.filter(({ hook }) => hook !== null)
    const limits: Scope[] = [
      { file: place.path },
      ...(place.heading === null ? [] : [{ heading: place.heading }]),
      ...(place.selector === null ? [] : [{ selector: pick(splitList(place.selector)) }]),
      { state: pick(['rest', 'hover', 'focus'] as const) },
      ...(regions.length > 0 ? [{ region: pick(regions) }, { region: pick(regions) }] : []),
      ...(hooked.length > 0 ? [{ page: pick(hooked).path }] : []),
      { width: pick(WIDTHS) },
    ]
    return random() < 0.7 ? pick(limits) : { ...pick(limits), ...pick(limits) }
  }
  const target = (): Target => {
    const some = colors.filter(() => random() < 0.25)
    const place = pick(places)
    return {
      colors: some.length > 0 ? some : [place.color],
      ...(random() < 0.2 ? { use: place.use } : {}),
      ...(random() < 0.1 && place.alpha !== null ? { alphas: [place.alpha] } : {}),
      ...(random() < 0.75 ? { scope: scope(place) } : {}),
    }
  }
  const to = (): Becoming =>
    pick<Becoming>([
      { kind: 'role', role: pick(ROLES).id },
      { kind: 'role', role: pick(ROLES).id },
      { kind: 'color', color: '#8a2be2' },
      { kind: 'follow', lead: pick(colors) },
      { kind: 'keep' },
      { kind: 'inherit' },
      { kind: 'gradient', stops: [{ role: pick(ROLES).id }, { role: pick(ROLES).id }], angle: 90 },
    ])
  return Array.from({ length: 12 }, (_, i): Decision => {
    const becomes = to()
    const painted = becomes.kind === 'role' && random() < 0.2
    const seen = random() < 0.5 ? { alpha: 0.5 } : { over: { role: pick(ROLES).id } }
    return { id: String(i), target: target(), to: becomes, ...(painted ? seen : {}) }
  })
}
