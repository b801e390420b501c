import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureChromium } from './lib/chromium.mjs'
import { ensurePackages, ROOT, say } from './lib/packages.mjs'

/** Everything of which `npm test` takes a sample: all published sheets, many more rounds of mutated input, and more plans in Chromium. */
ensurePackages()
// Other inputs each time; a round that fails says its own.
const SEED = process.env.SEED ?? String(Date.now() % 1_000_000)
const env = { ...process.env, VERIFY: 'all', SEED }
say(`SEED=${SEED}`)
const runs = [
  ['--project', 'corpus', '--project', 'core'],
  ['--project', 'server', 'intake-fuzz'],
]
for (const args of runs) {
  const vitest = join(ROOT, 'node_modules/vitest/vitest.mjs')
  const { status } = spawnSync(process.execPath, [vitest, 'run', ...args], { cwd: ROOT, stdio: 'inherit', env })
  if (status !== 0) process.exit(status ?? 1)
}
ensureChromium()
const plans = spawnSync(
  process.execPath,
  [join(ROOT, 'node_modules/@playwright/test/cli.js'), 'test', '-c', join(ROOT, 'e2e/playwright.config.ts'), 'plans'],
  { cwd: ROOT, stdio: 'inherit', env },
)
process.exit(plans.status ?? 1)
