import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parse } from 'postcss'

/** Parses every sheet of a folder with PostCSS, and nothing more: what the command line is held against. */
const folder = process.argv[2] ?? '.'
for (const name of readdirSync(folder)) parse(readFileSync(join(folder, name), 'utf8'))
