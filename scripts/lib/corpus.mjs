import { join } from 'node:path'
import { build } from 'esbuild'
import { ROOT } from './packages.mjs'

/** The path of a file of the corpus as a program that Node.js runs. @param name without its ending */
export async function builtCorpus(name) {
  const outfile = join(ROOT, `corpus/dist/${name}.mjs`)
  await build({
    entryPoints: [join(ROOT, `corpus/src/${name}.ts`)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    alias: { '@undo-ink/core': join(ROOT, 'core/src/index.ts') },
    logLevel: 'error',
  })
  return outfile
}
