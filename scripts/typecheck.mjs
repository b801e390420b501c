import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { ROOT } from './lib/packages.mjs'

/** Every part by the compiler, two at a time; those that take longest first. */
const parts = ['web', 'core/tsconfig.test.json', 'e2e', 'server', 'corpus', 'cli', 'core', 'contracts']

function check(part) {
  return new Promise((resolve) => {
    const args = [join(ROOT, 'node_modules/typescript/bin/tsc'), '-p', part, '--pretty']
    const child = spawn(process.execPath, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'] })
    let told = ''
    child.stdout.setEncoding('utf8').on('data', (text) => {
      told += text
    })
    child.once('close', (code) => {
      process.stdout.write(told)
      resolve(code === 0)
    })
  })
}

async function checkNext() {
  const part = parts.shift()
  if (part === undefined) return true
  const isRight = await check(part)
  return (await checkNext()) && isRight
}

const all = await Promise.all([checkNext(), checkNext()])
process.exit(all.every(Boolean) ? 0 : 1)
