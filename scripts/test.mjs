import { spawn } from 'node:child_process'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build } from './lib/build.mjs'
import { ensureChromium } from './lib/chromium.mjs'
import { ensurePackages, ROOT, say } from './lib/packages.mjs'
import { startCluster } from './lib/postgres.mjs'

ensurePackages()
const chromium = ensureChromium()
const folder = mkdtempSync(join(tmpdir(), 'undo-ink-test-'))
// Made by root, it must still let the user postgres through.
chmodSync(folder, 0o755)
const cluster = await startCluster(folder, { throwAway: true })
const env = { ...process.env, TEST_DATABASE_URL: cluster.url, CHROMIUM_PATH: chromium }

const bin = (name) => join(ROOT, 'node_modules/.bin', name)
const steps = [
  ['lint and format', bin('biome'), ['check', '--error-on-warnings', '.']],
  [
    'direction of imports',
    bin('depcruise'),
    ['--config', '.dependency-cruiser.mjs', 'core', 'contracts', 'server', 'web', 'cli'],
  ],
  ['licences', process.execPath, ['scripts/licences.mjs', '--check']],
  ['types', process.execPath, ['scripts/typecheck.mjs']],
  ['unit and integration tests', bin('vitest'), ['run']],
  ['a kill at each moment', process.execPath, ['scripts/endure.mjs', '5', '1']],
  ['end-to-end tests', bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts']],
]

async function main() {
  for (const [name, command, args] of steps) {
    if (name === 'unit and integration tests') await build()
    say(name)
    const code = await run(command, args)
    if (code !== 0) {
      console.error(`undo-ink: ${name} failed`)
      return 1
    }
  }
  return 0
}

function run(command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, env, stdio: ['ignore', 'inherit', 'inherit'] })
    child.once('exit', (code) => resolve(code ?? 1))
  })
}

async function clean() {
  await cluster.stop()
  rmSync(folder, { recursive: true, force: true })
}
process.once('SIGINT', async () => {
  await clean()
  process.exit(130)
})

const code = await main()
await clean()
process.exit(code)
