import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

const ROOT = join(import.meta.dirname, '../..')
const CORE = join(ROOT, 'core/src')
const sources = readdirSync(CORE, { recursive: true, encoding: 'utf8' }).filter((path) => /(?<!\.test)\.ts$/.test(path))

describe('core', () => {
  it('finds its files', () => expect(sources.length).toBeGreaterThan(25))

  it.each(sources)('%s has no clock, randomness, locale, environment, console or network', (path) => {
    const text = readFileSync(join(CORE, path), 'utf8').replace(/\/\*[\s\S]*?\*\/|\/\/.*/g, '')
    expect(text).not.toMatch(
      /\b(?:Date|Math\.random|Intl|toLocale\w+|localeCompare|process|console|fetch|setTimeout|performance|crypto)\b/,
    )
  })
})

describe('the repository', () => {
  it('names no registry address in its lock file', () => {
    const lock = readFileSync(join(ROOT, 'package-lock.json'), 'utf8')
    expect(lock.length).toBeGreaterThan(10_000)
    expect(lock).not.toMatch(/"resolved": "https?:/)
  })
})
