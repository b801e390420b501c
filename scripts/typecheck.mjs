import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ROOT } from './lib/packages.mjs'

let failed = false
for (const part of ['core', 'core/tsconfig.test.json', 'contracts', 'server', 'web', 'cli', 'e2e', 'corpus']) {
  const { status } = spawnSync(process.execPath, [join(ROOT, 'node_modules/typescript/bin/tsc'), '-p', part], {
    cwd: ROOT,
    stdio: 'inherit',
  })
  failed ||= status !== 0
}
process.exit(failed ? 1 : 0)
