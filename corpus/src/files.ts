import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

/** The published frameworks and themes that the readers are held against; all open source, pinned by the lock file. */
const PACKAGES = [
  'bootstrap',
  'bootstrap-3',
  'bootswatch',
  'bulma',
  'font-awesome',
  'materialize-css',
  'milligram',
  'picnic',
  'semantic-ui-less',
  'spectre.css',
  'tachyons',
  'uikit',
] as const

export type CorpusSyntax = 'css' | 'scss' | 'less'

export interface CorpusFile {
  /** Package and path within it. */
  readonly name: string
  readonly package: string
  readonly syntax: CorpusSyntax
  readonly path: string
}

const require = createRequire(import.meta.url)

/** Every sheet of every package, in a fixed order. Semantic's theme files end in `.variables` and `.overrides`: they are Less. */
export function corpusFiles(): CorpusFile[] {
  return PACKAGES.flatMap((name) => {
    const root = dirname(require.resolve(`${name}/package.json`))
    return readdirSync(root, { recursive: true, encoding: 'utf8' })
      .toSorted()
      .flatMap((path): CorpusFile[] => {
        const ending = /\.(css|scss|less|variables|overrides)$/.exec(path)?.[1]
        if (ending === undefined || path.includes('node_modules')) return []
        const syntax = ending === 'css' || ending === 'scss' ? ending : 'less'
        return [{ name: `${name}/${path}`, package: name, syntax, path: join(root, path) }]
      })
  })
}

export function textOf(file: CorpusFile): string {
  return readFileSync(file.path, 'utf8').replace(/^\uFEFF/, '')
}

/** Of the CSS a fixed handful from each package, the same every time, unless VERIFY=all is set; of the preprocessors' sheets, which are small, all. */
export function sample(files: readonly CorpusFile[]): readonly CorpusFile[] {
  if (process.env.VERIFY === 'all' || files.some(({ syntax }) => syntax !== 'css')) return files
  const packages = [...new Set(files.map((file) => file.package))]
  return packages.flatMap((name) => {
    const own = files.filter((file) => file.package === name)
    const step = Math.max(1, Math.floor(own.length / SAMPLE))
    return own.filter((_, index) => index % step === 0).slice(0, SAMPLE)
  })
}

const SAMPLE = 8
