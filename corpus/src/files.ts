import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
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

/** The published themes, page collections, drawings and scripts. */
const SITES = [
  'canvas-confetti',
  'dat.gui',
  'driver.js',
  'flag-icons',
  'flot',
  'foundation-emails',
  'hexo-theme-fluid',
  'hexo-theme-landscape',
  'html-email-template',
  'html5-boilerplate',
  'impress.js',
  'jekyll-theme-chirpy',
  'konva',
  'leaflet',
  'mailgen',
  'reveal.js',
  'signature_pad',
  'smoothie',
  'toastify-js',
  'typedoc-default-themes',
  'understrap',
] as const

/** The published programs and components in TypeScript, TSX, Vue, Svelte and Astro. */
const COMPONENTS = [
  '@xterm/xterm',
  'accessible-astro-components',
  'react-native-paper',
  'svelte-awesome-color-picker',
  'svelte-range-slider-pips',
  'vue-color',
  'zrender',
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

/** A file of a page collection or a theme. */
export interface SiteFile {
  readonly name: string
  readonly package: string
  /** Where it is. */
  readonly path: string
}

/** Every file of the sites whose path ends so, in a fixed order. */
export function siteFiles(ending: RegExp): SiteFile[] {
  return filesOf(SITES, ending)
}

/** Every source of the components, declarations of types aside. */
export function componentFiles(): SiteFile[] {
  return filesOf(COMPONENTS, /(?<!\.d)\.(?:tsx?|vue|svelte|astro)$/)
}

function filesOf(packages: readonly string[], ending: RegExp): SiteFile[] {
  return packages.flatMap((name) => {
    const root = folderOf(name)
    return readdirSync(root, { recursive: true, encoding: 'utf8' })
      .toSorted()
      .filter((path) => ending.test(path) && !path.includes('node_modules') && statSync(join(root, path)).isFile())
      .map((path) => ({ name: `${name}/${path}`, package: name, path: join(root, path) }))
  })
}

/** Found without its entry points: not every package exports its own description. */
export function folderOf(name: string): string {
  const paths = require.resolve.paths(name) ?? []
  const found = paths.map((path) => join(path, name)).find((path) => existsSync(join(path, 'package.json')))
  if (found === undefined) throw new Error(`${name} is not installed`)
  return found
}

export function textOf(file: Pick<CorpusFile, 'path'>): string {
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

const SAMPLE = 5
