import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { classify, READING_VERSION, readSource } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { componentFiles, corpusFiles, siteFiles, textOf } from '../src/files.ts'

const GOLDEN = join(import.meta.dirname, 'reading-version.json')
const SITE = join(import.meta.dirname, '../../demo/site')

/** Of the sheets, pages, templates, scripts and components of the corpus every tenth, and the demo: the same on every machine. */
function readingsDigest(): string {
  const hash = createHash('sha256')
  for (const file of corpusFiles().filter((_, i) => i % 10 === 0)) {
    const reading = readSource({ path: `a.${file.syntax}`, text: textOf(file), encoding: 'utf-8' })
    hash.update(`${file.name}\n${JSON.stringify(reading)}\n`)
  }
  const others = [...siteFiles(/\.(?:html|php|ejs|hbs|liquid|svg|js|json|ya?ml)$/), ...componentFiles()]
  for (const file of others.filter((_, i) => i % 10 === 0)) {
    const reading = readSource({ path: file.name, text: textOf(file), encoding: 'utf-8' })
    hash.update(`${file.name}\n${JSON.stringify(reading)}\n`)
  }
  const paths = readdirSync(SITE, { recursive: true, encoding: 'utf8' }).toSorted()
  for (const path of paths) {
    const { source } = readable(path)
    if (source) hash.update(`${path}\n${JSON.stringify(readSource(source))}\n`)
  }
  return hash.digest('hex')
}

function readable(path: string) {
  try {
    return classify(path, readFileSync(join(SITE, path)), 10_000_000)
  } catch {
    // A folder.
    return { source: null }
  }
}

it('readings that differ have another version: copies that are stored are read anew then', () => {
  const golden = JSON.parse(readFileSync(GOLDEN, 'utf8')) as { version: number; digest: string }
  const now = { version: READING_VERSION, digest: readingsDigest() }
  // Written anew by `UPDATE=readings`, which is refused as long as the version is the old one.
  if (process.env.UPDATE === 'readings' && (now.version > golden.version || now.digest === golden.digest))
    writeFileSync(GOLDEN, `${JSON.stringify(now, null, 2)}\n`)
  else expect(now, 'raise READING_VERSION, then run with UPDATE=readings').toEqual(golden)
})
