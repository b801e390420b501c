import { type Range, readSource, statesOf } from '@undo-ink/core'
import papaparse from 'papaparse'
import { describe, expect, it } from 'vitest'
import * as z from 'zod'
import { auditDocumentSchema } from './audit-document.ts'
import { type PlaceInFile, placesCsv, placesJson } from './places-document.ts'

const read = (text: string, path = 'a.css'): PlaceInFile[] =>
  readSource({ path, text, encoding: 'utf-8' }).occurrences.map((each) => ({ ...each, path }))

describe('places in a document', () => {
  const places = [
    ...read(
      '/* a, "b" */ a, b:hover { color: #7a2433; background: url("data:image/svg+xml;base64,PHN2ZyBmaWxsPSIjZmYwMDAwIi8+") }',
    ),
    ...read('@media print { a { color: rgb(1 2 3 / 40%) !important; opacity: .5; border-color: red } }', 'b.css'),
    ...read('<p style="color: tan">', 'größe, "neu".html'),
  ]
  const written = JSON.parse([...placesJson(places)].map((piece) => new TextDecoder().decode(piece)).join(''))

  it('are told by what is not usual of them and the rule that they stand in, and nothing is lost', () => {
    const { occurrences, rules } = auditDocumentSchema.shape.files.element.shape
    const told = z.array(occurrences.unwrap().element.extend({ file: z.int() })).parse(written.occurrences)
    const standing = rules.parse(written.rules)
    expect(told).toHaveLength(places.length)
    expect(
      told.map(({ file, start, end, rule, inner, ...own }) => {
        const { states, ...of } = standing[rule ?? -1] as (typeof standing)[number]
        const within =
          inner?.encoding === 'base64' ? { encoding: inner.encoding, range: spanOf(inner) } : (inner ?? null)
        return { ...own, ...of, inner: within, range: { start, end }, path: written.files[file].path }
      }),
    ).toEqual(places)
    expect(standing.map(({ states }) => states)).toEqual([['hover'], ['hover'], [], []])
  })

  it('take no room for what is shared or usual', () => {
    expect(written.rules).toHaveLength(4)
    expect(Object.keys(written.occurrences[2]).toSorted()).toEqual(
      'alpha color column end file important line notation opacity property raw rule start use'.split(' '),
    )
    expect(Object.keys(written.rules[3])).toEqual(['selector', 'subjects'])
  })

  it('are read back from CSV by a parser of its own kind, quotes, commas and letters of any language whole', () => {
    const { data, errors } = papaparse.parse<Record<string, string>>([...placesCsv(places)].join('').trim(), {
      header: true,
    })
    expect(errors).toEqual([])
    expect(
      data.map(({ file, raw, line, selector, states, heading }) => [
        file,
        raw,
        Number(line),
        selector,
        states,
        heading,
      ]),
    ).toEqual(
      places.map(({ path, raw, line, selector, signals, heading }) => [
        path,
        raw,
        line,
        selector ?? '',
        statesOf(signals).join(' '),
        heading ?? '',
      ]),
    )
  })

  it.each(['=1+1', '+1', '-1', '@SUM(A1)', '\t=1', '\r=1', '=1\n+1', ' =1', '\n\u00a0-1', '＝1'])(
    'are no formula to a spreadsheet: %j',
    (formula) => {
      const [place] = places
      const [csv] = placesCsv([{ ...(place as PlaceInFile), heading: formula, selector: formula }])
      const [row] = papaparse.parse<Record<string, string>>((csv as string).trim(), { header: true }).data
      expect(row?.heading?.startsWith("'")).toBe(true)
      expect(row?.selector?.startsWith("'")).toBe(true)
    },
  )
})

function spanOf({ start, end }: Range): Range {
  return { start, end }
}
