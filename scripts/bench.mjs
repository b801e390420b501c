import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensurePackages, ROOT, say } from './lib/packages.mjs'

/** The speed and memory of the audit, as ratios in one run; then a large site and a large package, in Chromium. */
ensurePackages()
const { builtCorpus } = await import('./lib/corpus.mjs')
const parts = ['bench-command.mjs', 'bench-ledger.mjs', 'bench-package.mjs'].map((name) => [
  join(ROOT, 'scripts', name),
])
const runs = [['--expose-gc', await builtCorpus('bench')], ...parts]
say('measuring; ten minutes or more …')
const codes = runs.map((args) => spawnSync(process.execPath, args, { cwd: ROOT, stdio: 'inherit' }).status ?? 1)
process.exit(Math.max(...codes))
