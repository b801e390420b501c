import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { planOf } from '../../test/rewritten.ts'
import { toHex } from '../color/color.ts'
import { readSource } from '../source/read.ts'
import { syntaxOf } from '../source/syntax.ts'
import { applyEdits } from '../text/edit.ts'
import { decode, encode } from '../text/source-text.ts'
import { bytesAfter, rewriteFile } from './rewrite-file.ts'

const SITE = join(import.meta.dirname, '../../../demo/site')
const FILES = readdirSync(SITE, { recursive: true, encoding: 'utf8' }).filter((path) =>
  /^(?:css|html|scss|less|template|svg|script|settings)$/.test(syntaxOf(path)),
)
const roles = [
  { id: 'a', name: 'a', color: '#0b6e74' },
  { id: 'b', name: 'b', color: 'oklch(70% 0.1 60)' },
]

function source(path: string) {
  const bytes = readFileSync(join(SITE, path))
  const decoded = decode(path, bytes)
  if (typeof decoded === 'string') throw new Error(decoded)
  return { bytes, decoded }
}

describe('a rewrite in place of the demo', () => {
  it('finds the demo', () => expect(FILES.length).toBeGreaterThan(5))

  it.each(FILES)('%s: an empty plan gives the same bytes', (path) => {
    const { bytes, decoded } = source(path)
    const found = rewriteFile(decoded, readSource(decoded).occurrences, planOf([], roles))
    expect([found.changes, found.unwritten]).toEqual([[], []])
    expect(Buffer.from(bytesAfter(decoded, found)).equals(bytes)).toBe(true)
  })

  it.each(FILES)('%s: a full plan changes the listed ranges and nothing else, and reads back as decided', (path) => {
    const { decoded } = source(path)
    const random = seeded(9)
    const { occurrences } = readSource(decoded)
    const decisions = [...new Set(occurrences.map(({ color }) => color))].map((color, i) => ({
      id: `d${i}`,
      target: { colors: [color] },
      to: { kind: 'role', role: random() < 0.5 ? 'a' : 'b' } as const,
    }))
    const plan = planOf(decisions, roles)
    const { edits: file } = rewriteFile(decoded, occurrences, plan)
    const after = applyEdits(decoded.text, file)
    // What stands between the edits, before and after.
    let from = 0
    let to = 0
    for (const { range, replacement } of file.edits) {
      expect(after.slice(to, to + range.start - from)).toBe(decoded.text.slice(from, range.start))
      to += range.start - from + replacement.length
      from = range.end
    }
    expect(after.slice(to)).toBe(decoded.text.slice(from))
    const again = readSource({ ...decoded, text: after }).occurrences
    expect(again).toHaveLength(occurrences.length)
    again.forEach(({ color, alpha, property, use }, i) => {
      const before = occurrences[i] as (typeof occurrences)[number]
      const outcome = plan.resolver.outcome(before)
      if (outcome.kind !== 'role') throw new Error(outcome.kind)
      expect(color).toBe(toHex(outcome.color))
      expect([alpha, property, use]).toEqual([before.alpha, before.property, before.use])
    })
  })
})

describe('bytes around a rewrite', () => {
  const text = '/* é – */\r\na{color:#7a2433}\rb{\n  fill: RED;\r\n}'
  const decision = { id: 'd', target: { colors: ['#7a2433'] }, to: { kind: 'role', role: 'a' } } as const

  it.each(['utf-8', 'utf-8-bom', 'utf-16le', 'utf-16be', 'windows-1252', 'windows-1250'] as const)(
    'in %s, with line ends of every kind, are the bytes that came in',
    (encoding) => {
      const received = encode(encoding === 'windows-1250' ? `@charset "windows-1250";${text}` : text, encoding)
      const source = decode('a.css', received)
      if (typeof source === 'string') throw new Error(source)
      expect(source.encoding).toBe(encoding)
      const found = rewriteFile(source, readSource(source).occurrences, planOf([decision], roles))
      expect(found.changes.map((each) => each.of === 'place' && [each.place.raw, each.place.line])).toEqual([
        ['#7a2433', 2],
      ])
      const after = bytesAfter(source, found)
      // Of equal length: every byte but those of the six digits is the same.
      const different = [...after].filter((byte, i) => byte !== received[i]).length
      expect(after).toHaveLength(received.length)
      expect(different).toBeGreaterThan(0)
      expect(different).toBeLessThanOrEqual(6)
    },
  )
})
