import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fail, ROOT, say } from './packages.mjs'

const SOURCES = [
  'core/src',
  'contracts/src',
  'server/src',
  'web/src',
  'web/public',
  'web/index.html',
  'web/vite.config.ts',
  'cli/src',
  'package-lock.json',
  'scripts/lib/build.mjs',
]

/** Builds the server, the command line and the interface, when their sources have changed since the last build. */
export async function build() {
  const marker = join(ROOT, '.build/sources')
  const now = fingerprint()
  if (existsSync(marker) && readFileSync(marker, 'utf8') === now && existsSync(join(ROOT, 'web/dist/index.html')))
    return
  say('building …')
  await bundle()
  const vite = spawnSync(
    process.execPath,
    [join(ROOT, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'],
    {
      cwd: join(ROOT, 'web'),
      stdio: ['ignore', 'inherit', 'inherit'],
    },
  )
  if (vite.status !== 0) fail('the interface could not be built; what vite said is above.')
  mkdirSync(join(ROOT, '.build'), { recursive: true })
  writeFileSync(marker, now)
}

/** Own code is bundled, packages stay outside, where Node finds them. */
async function bundle() {
  const { build: esbuild } = await import('esbuild')
  const shared = {
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: {
      '@undo-ink/core': join(ROOT, 'core/src/index.ts'),
      '@undo-ink/contracts': join(ROOT, 'contracts/src/index.ts'),
    },
    sourcemap: true,
    logLevel: 'warning',
  }
  await esbuild({
    ...shared,
    entryPoints: {
      main: join(ROOT, 'server/src/main.ts'),
      'audit-worker': join(ROOT, 'server/src/features/audit/worker.ts'),
      'rewrite-worker': join(ROOT, 'server/src/features/rewrite/worker.ts'),
    },
    outdir: join(ROOT, 'server/dist'),
  })
  await buildCommandLine(esbuild)
}

/** The command line starts anew with every call: all that it needs is in few small files, loaded as it is needed. */
async function buildCommandLine(esbuild) {
  const outdir = join(ROOT, 'cli/dist')
  const shared = { bundle: true, platform: 'node', target: 'node20', logLevel: 'warning', minify: true }
  rmSync(outdir, { recursive: true, force: true })
  // The parser of scripts is a third of it all: the first script that is read loads it.
  const parser = 'script-parser.cjs'
  await esbuild({ ...shared, format: 'cjs', entryPoints: ['@babel/parser'], outfile: join(outdir, parser) })
  await esbuild({
    ...shared,
    format: 'esm',
    entryPoints: { main: join(ROOT, 'cli/src/main.ts'), 'audit-thread': join(ROOT, 'cli/src/audit/thread.ts') },
    outdir,
    splitting: true,
    // Some packages are found whole in their modern form only, some ask for `require`.
    mainFields: ['module', 'main'],
    banner: {
      js: "import { createRequire as makeRequire } from 'node:module'; const require = makeRequire(import.meta.url);",
    },
    // It starts a file of its own.
    external: [`./${parser}`, 'piscina'],
    plugins: [
      {
        name: 'script-parser',
        setup(build) {
          build.onResolve({ filter: /^@babel\/parser$/ }, ({ path }) => ({ path, namespace: 'when-asked-for' }))
          build.onLoad({ filter: /.*/, namespace: 'when-asked-for' }, () => ({
            contents: `export const parse = (...given) => require('./${parser}').parse(...given)`,
          }))
        },
      },
    ],
  })
}

/** Names, sizes and times of all sources: cheap, and different whenever one was edited. */
function fingerprint() {
  const hash = createHash('sha256')
  const visit = (path) => {
    if (!existsSync(path)) return
    const about = statSync(path)
    if (about.isDirectory()) for (const name of readdirSync(path).sort()) visit(join(path, name))
    else hash.update(`${path} ${about.size} ${about.mtimeMs}\n`)
  }
  for (const source of SOURCES) visit(join(ROOT, source))
  return hash.digest('hex')
}
