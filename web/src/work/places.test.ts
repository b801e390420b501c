import { ledgerOf, readSource } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { seeded } from '../../../core/test/random.ts'
import { SitePlaces } from './places.ts'

const SUBJECTS = ['.a', '.b', '.a.b', 'i.a', '.n .a', '.n > .b', 'p', '.n p', '.m p', '.a.b.c']

it('what is around some places is what a walk over all subjects finds', () => {
  const random = seeded(7)
  const pick = <T>(items: readonly T[]) => items[Math.floor(random() * items.length)] as T
  const files = ['0.css', '1.css', '2.css'].map((path) => {
    const rules = Array.from({ length: 12 }, () => {
      const list = Array.from({ length: random() < 0.3 ? 2 : 1 }, () => pick(SUBJECTS)).join(', ')
      return `${list} { color: ${pick(['red', 'tan', 'gold'])} }`
    })
    return { path, ...readSource({ path, text: rules.join('\n'), encoding: 'utf-8' }) }
  })
  const places = new SitePlaces(ledgerOf(files), { files: [] } as never)
  for (let round = 0; round < 50; round++) {
    const some = places.some(Array.from({ length: places.length }, (_, i) => i).filter(() => random() < 0.15))
    const kin = places.kinOf(some.flatMap(({ subjects }) => subjects))
    const paths = new Set(some.map(({ path }) => path))
    const wanted = new Set([...kin, ...some.flatMap(({ subjects }) => subjects)])
    expect(places.around(some, kin)).toEqual(places.ofSubjects(paths, wanted))
  }
})
