import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensurePackages, ROOT } from './lib/packages.mjs'

/** Everything of which `npm test` takes a sample: all published sheets, and many more rounds of mutated input. */
ensurePackages()
const { status } = spawnSync(
  process.execPath,
  [join(ROOT, 'node_modules/vitest/vitest.mjs'), 'run', '--project', 'corpus', '--project', 'core'],
  { cwd: ROOT, stdio: 'inherit', env: { ...process.env, VERIFY: 'all' } },
)
process.exit(status ?? 1)
