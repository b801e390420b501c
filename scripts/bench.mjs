import { spawnSync } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePackages, ROOT, say } from './lib/packages.mjs'

/** The speed and memory of the audit, as ratios in one run; then a large site and a large package, in Chromium. */
ensurePackages()
const { build } = await import('esbuild')
const out = join(ROOT, 'corpus/dist/bench.mjs')
mkdirSync(join(ROOT, 'corpus/dist'), { recursive: true })
await build({
  entryPoints: [join(ROOT, 'corpus/src/bench.ts')],
  outfile: out,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  alias: { '@undo-ink/core': join(ROOT, 'core/src/index.ts') },
  logLevel: 'error',
})
say('measuring; a minute or two …')
const parts = ['bench-ledger.mjs', 'bench-package.mjs'].map((name) => [join(ROOT, 'scripts', name)])
const runs = [['--expose-gc', out], ...parts]
const codes = runs.map((args) => spawnSync(process.execPath, args, { cwd: ROOT, stdio: 'inherit' }).status ?? 1)
process.exit(Math.max(...codes))
