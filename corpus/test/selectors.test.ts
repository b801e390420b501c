import { parseSelector, readSelector } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { corpusFiles, sample, textOf } from '../src/files.ts'

it('published selectors are read alike without the parser and with it', () => {
  const files = sample(corpusFiles().filter(({ syntax }) => syntax === 'css'))
  const lists = new Set(
    files.flatMap((file) =>
      [...textOf(file).matchAll(/(?:^|[}\n;{])\s*([^{}@;]+)\{/g)].map(([, list = '']) =>
        list.trim().replace(/\s+/g, ' '),
      ),
    ),
  )
  expect(lists.size).toBeGreaterThan(10_000)
  for (const list of lists) expect(readSelector(list), list).toEqual(parseSelector(list))
})
