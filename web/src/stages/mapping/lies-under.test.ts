import { ledgerOf, readSource } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { SitePlaces, takingOf } from '../../work/places.ts'
import { liesUnder } from './lies-under.ts'

it('what gives a thing only another color of its ground lies under a gradient, in whatever file', () => {
  const sheets = [
    '.b { background: #7a2433 } .b:hover { background-color: #943a4b } .c { background-color: #943a4b }',
    '.b.late { background-color: #e0a526 } .b.full { background: #e0a526 } .b { border-color: #e0a526 } .b.plain { background-color: transparent }',
  ]
  const files = sheets.map((text, i) => {
    const path = `${i}.css`
    return { path, ...readSource({ path, text, encoding: 'utf-8' }) }
  })
  const places = new SitePlaces(ledgerOf(files), { files: [] } as never)
  const grounds = places.some(places.ofColors(['#7a2433']))
  expect(liesUnder(grounds, places, takingOf(files))).toEqual(['.b:hover', '.b.late', '.b.plain'])
})
