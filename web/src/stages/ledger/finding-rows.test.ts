import { readSource } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { findingRows } from './finding-rows.ts'

it('a finding has the correction of its own text in its own file', () => {
  const text = 'a{color:7a2433} b{color:abc123} c{color:red;color:blue}'
  const findings = ['a.css', 'b.css'].flatMap((path) =>
    readSource({ path, text, encoding: 'utf-8' }).findings.map((finding) => ({ ...finding, path })),
  )
  const remedy = findings[1]?.remedy
  if (!remedy) throw new Error('the second slip has a remedy')
  const rows = findingRows(findings, [{ ...remedy, path: 'b.css', id: 'x' }])
  expect(rows.map(({ correction }) => correction?.id ?? null)).toEqual([null, null, null, null, 'x', null])
})
