import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureChromium } from './lib/chromium.mjs'
import { ensurePackages, ROOT } from './lib/packages.mjs'

/** Everything of which `npm test` takes a sample: all published sheets, many more rounds of mutated input, and more plans in Chromium. */
ensurePackages()
const { status } = spawnSync(
  process.execPath,
  [join(ROOT, 'node_modules/vitest/vitest.mjs'), 'run', '--project', 'corpus', '--project', 'core'],
  { cwd: ROOT, stdio: 'inherit', env: { ...process.env, VERIFY: 'all' } },
)
if (status !== 0) process.exit(status ?? 1)
ensureChromium()
const plans = spawnSync(
  process.execPath,
  [join(ROOT, 'node_modules/@playwright/test/cli.js'), 'test', '-c', join(ROOT, 'e2e/playwright.config.ts'), 'plans'],
  { cwd: ROOT, stdio: 'inherit', env: { ...process.env, VERIFY: 'all' } },
)
process.exit(plans.status ?? 1)
