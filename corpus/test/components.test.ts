import { readSource } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { componentFiles, textOf } from '../src/files.ts'
import { colorsByCompiler } from '../src/routes/components.ts'

/** Published TypeScript and components against the compilers of their languages. Drawings in addresses are strings to these. */
it('typed scripts and components are read as their compilers see them', { timeout: 300_000 }, () => {
  const kinds = new Map<string, { files: number; hits: number; missed: string[]; ours: number; invented: string[] }>()
  for (const file of componentFiles()) {
    const text = textOf(file)
    const { hits, texts } = colorsByCompiler(file.path, text)
    const { occurrences } = readSource({ path: file.name, text, encoding: 'utf-8' })
    // The grammar by which the other side knows words knows none in the fallback of a variable.
    const ours = occurrences.filter(
      ({ inner, notation, functions }) => inner === null && !(notation === 'name' && functions.includes('var')),
    )
    const kind = file.path.slice(file.path.lastIndexOf('.'))
    const total = kinds.get(kind) ?? { files: 0, hits: 0, missed: [], ours: 0, invented: [] }
    kinds.set(kind, total)
    total.files++
    total.hits += hits.length
    total.ours += ours.length
    const around = (at: number) => `${file.name}: ${text.slice(Math.max(0, at - 40), at + 30).replace(/\s+/g, ' ')}`
    const starts = new Set(ours.map(({ range }) => range.start))
    const known = new Set(hits.map(({ start }) => start))
    for (const { start } of hits) if (!starts.has(start)) total.missed.push(around(start))
    for (const { range } of ours) {
      const isInText = texts.some(([start, end]) => start <= range.start && range.end <= end)
      if (!known.has(range.start) && !isInText) total.invented.push(around(range.start))
    }
  }
  for (const [kind, { files, hits, missed, ours, invented }] of kinds)
    process.stdout.write(
      `${kind}: ${files} files, ${ours} places; ${missed.length} of ${hits} missed, ${invented.length} invented\n`,
    )
  expect([...kinds.keys()].toSorted()).toEqual(['.astro', '.svelte', '.ts', '.tsx', '.vue'])
  for (const { hits, missed, invented } of kinds.values()) {
    expect(hits).toBeGreaterThan(40)
    expect(missed).toEqual([])
    expect(invented).toEqual([])
  }
})
