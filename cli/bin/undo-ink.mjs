#!/usr/bin/env node
import { existsSync } from 'node:fs'
import module from 'node:module'

const main = new URL('../dist/main.js', import.meta.url)
if (!existsSync(main)) {
  console.error('undo-ink: not built yet; run `npm run build` first')
  process.exit(2)
}
// Where Node.js can, it keeps what it compiled for the next call.
module.enableCompileCache?.()
await import(main.href)
