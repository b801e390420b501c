#!/usr/bin/env node
import { existsSync } from 'node:fs'

const main = new URL('../dist/main.js', import.meta.url)
if (!existsSync(main)) {
  console.error('undo-ink: not built yet; run `npm run build` first')
  process.exit(2)
}
await import(main.href)
