import { execFileSync, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** The project's own folder. */
export const ROOT = join(import.meta.dirname, '../..')

export function say(line) {
  console.log(`undo-ink: ${line}`)
}

/** Ends the program with a message for the person at the terminal. */
export function fail(message) {
  console.error(`\nundo-ink: ${message}\n`)
  process.exit(1)
}

/** Installs the npm packages that the lock file names, when they are missing or the lock file has changed since. */
export function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex')
  const marker = join(ROOT, 'node_modules/.undo-ink-lock')
  if (existsSync(marker) && readFileSync(marker, 'utf8') === lock) return
  say('installing the npm packages, about a minute …')
  const npm = process.env.npm_execpath
  const [command, args] = npm?.endsWith('.js') ? [process.execPath, [npm, 'ci']] : ['npm', ['ci']]
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: ['ignore', 'ignore', 'inherit'] })
  if (status !== 0) fail('npm ci failed; what it said is above.')
  writeFileSync(marker, lock)
}

/** Installs Debian packages when this user may, else says the exact line to run. */
export function installDebian(what, packages) {
  const line = `apt-get update && apt-get install -y --no-install-recommends ${packages.join(' ')}`
  const root = process.getuid?.() === 0
  if (!hasCommand('apt-get')) fail(`${what} is missing, and this is no Debian system: install it, then start again.`)
  if (!root && !maySudo()) fail(`${what} is missing. Run this line, then start again:\n\n  sudo sh -c '${line}'`)
  say(`installing ${what} …`)
  const command = root ? ['sh', ['-c', line]] : ['sudo', ['-n', 'sh', '-c', line]]
  const { status } = spawnSync(command[0], command[1], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  })
  if (status !== 0) fail(`${what} could not be installed. Run this line, then start again:\n\n  ${line}`)
}

function maySudo() {
  return hasCommand('sudo') && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0
}

function hasCommand(name) {
  try {
    execFileSync('sh', ['-c', `command -v ${name}`], { stdio: 'ignore' })
    return true
  } catch {
    return false
  }
}
