import { readSource } from '@undo-ink/core'
import papaparse from 'papaparse'
import { describe, expect, it } from 'vitest'
import { auditDocumentSchema } from './audit-document.ts'
import { placeEntry, placesCsv } from './places-document.ts'

const read = (text: string, path = 'a.css') =>
  readSource({ path, text, encoding: 'utf-8' }).occurrences.map((each) => placeEntry(path, each))

describe('places in a document', () => {
  const entries = [
    ...read(
      '/* a, "b" */ a, b:hover { color: #7a2433; background: url("data:image/svg+xml;base64,PHN2ZyBmaWxsPSIjZmYwMDAwIi8+") }',
    ),
    ...read('<p style="color: tan">', 'größe, "neu".html'),
  ]

  it('are what the audit document has', () => {
    expect(entries).toHaveLength(3)
    for (const entry of entries) expect(auditDocumentSchema.shape.occurrences.element.parse(entry)).toEqual(entry)
  })

  it('are read back from CSV by a parser of its own kind, quotes, commas and letters of any language whole', () => {
    const { data, errors } = papaparse.parse<Record<string, string>>(placesCsv(entries).trim(), { header: true })
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
      entries.map(({ file, raw, line, selector, states, heading }) => [
        file,
        raw,
        line,
        selector ?? '',
        states.join(' '),
        heading ?? '',
      ]),
    )
  })

  it.each(['=1+1', '+1', '-1', '@SUM(A1)', '\t=1', '\r=1', '=1\n+1', ' =1', '\n\u00a0-1', '＝1'])(
    'are no formula to a spreadsheet: %j',
    (formula) => {
      const [entry] = entries
      const csv = placesCsv([{ ...(entry as (typeof entries)[number]), heading: formula, selector: formula }])
      const [row] = papaparse.parse<Record<string, string>>(csv.trim(), { header: true }).data
      expect(row?.heading?.startsWith("'")).toBe(true)
      expect(row?.selector?.startsWith("'")).toBe(true)
    },
  )
})
