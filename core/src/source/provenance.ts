/** Why a file is taken for code that others wrote and keep up: changing it here is lost with its next version. */
export const THIRD_PARTY = ['vendor-folder', 'source-map', 'plugin', 'platform', 'parent-theme', 'library'] as const
export type ThirdParty = (typeof THIRD_PARTY)[number]

/** Folders that tools, publishing systems and their plugins put other people's code into (common practice, no source). */
const FOLDERS: readonly (readonly [ThirdParty, RegExp])[] = [
  ['vendor-folder', /(?:^|\/)(?:node_modules|bower_components|jspm_packages|web_modules|vendors?|third[-_]?party)\//i],
  ['plugin', /(?:^|\/)(?:mu-)?plugins\//i],
  ['platform', /(?:^|\/)wp-(?:admin|includes)\//i],
]

/** Whether a path alone tells that a file is third-party code. */
export function thirdPartyPath(path: string): ThirdParty | null {
  const folder = FOLDERS.find(([, pattern]) => pattern.test(path))
  if (folder) return folder[0]
  return /\.map$/i.test(path) ? 'source-map' : null
}

/** What a text says of itself and of its site. */
export interface Claims {
  /** The title of the one library whose banner a minified text begins with; null: it is written, has no banner, or those of several. */
  readonly library: string | null
  /** What it calls the site: the name of its package, or of its theme. */
  readonly siteName: string | null
  /** The folder of the theme that this one extends. */
  readonly parentTheme: string | null
}

export const NO_CLAIMS: Claims = { library: null, siteName: null, parentTheme: null }

/** A licence comment that a minifier keeps, naming a version: the sign of a published library (common practice, no source). */
const COMMENT = /^\s*(?:@charset "[^"]*";\s*)?\/\*([\s\S]{0,1000}?)\*\//i
const VERSION = /\bv?\d+\.\d+(?:\.\d+)?\b/
const LICENCE = /\b(?:licen[sc]ed?|copyright|mit|bsd|apache)\b/i

/** Characters to a line above which a text is taken as minified. */
const MINIFIED_LINE = 500

/** Characters in which banners are looked for. */
const HEAD = 4000

/** What a text claims. Looks at its head only. */
export function claimsOf(path: string, text: string): Claims {
  const head = text.slice(0, HEAD)
  return {
    library: isMinified(text) ? libraryIn(head) : null,
    siteName: path === 'package.json' ? packageName(head) : headerField(path, head, 'Theme Name'),
    parentTheme: headerField(path, head, 'Template'),
  }
}

function isMinified(text: string): boolean {
  return text.length / (text.split('\n', text.length / MINIFIED_LINE + 2).length || 1) > MINIFIED_LINE
}

/** The title of the only banner at the beginning of a text. */
function libraryIn(head: string): string | null {
  const titles: string[] = []
  for (let rest = head, comment = COMMENT.exec(rest); comment; comment = COMMENT.exec(rest)) {
    const [whole, said = ''] = comment
    if (VERSION.test(said) && LICENCE.test(said)) titles.push(titleIn(said))
    rest = rest.slice(whole.length)
  }
  return titles.length === 1 ? (titles[0] ?? null) : null
}

/** The first line of a comment that says anything, up to its version. */
function titleIn(comment: string): string {
  const line = comment.split('\n').find((each) => /[a-z]/i.test(each)) ?? ''
  return (
    line
      .replace(/^[\s*!]+/, '')
      .split(VERSION)[0]
      ?.trim() ?? ''
  )
}

function packageName(text: string): string | null {
  return /"name"\s*:\s*"([^"]{1,200})"/.exec(text)?.[1] ?? null
}

/** A field in the header of a theme's main sheet (common practice of one publishing system, no source). */
function headerField(path: string, head: string, field: string): string | null {
  if (!/(?:^|\/)style\.css$/.test(path) || !/^[\s*]*Theme Name\s*:/im.test(head)) return null
  return new RegExp(`^[\\s*]*${field}[ \\t]*:[ \\t]*(\\S.*?)\\s*$`, 'im').exec(head)?.[1] ?? null
}

/** Folders and files that say nothing of what they hold. */
const GENERIC =
  /^(?:css|js|scss|sass|less|assets?|static|public|dist|build|src|lib|libs|styles?|main|all|index|app|theme|site|custom|scripts?)$/

/** Whether a file, or a folder around it, is called as a library is, and the site itself is not. @param siteNames what the site is called */
export function isNamedFor(path: string, library: string, siteNames: readonly string[]): boolean {
  const name = letters(library)
  if (name.length < 3 || siteNames.some((each) => letters(each).endsWith(name))) return false
  return path
    .split('/')
    .map((segment) => segment.split('.')[0]?.replace(/[-_]?v?\d*$/i, '') ?? '')
    .filter((segment) => segment.length >= 3 && !GENERIC.test(segment.toLowerCase()))
    .map(letters)
    .some((segment) => segment.length >= 3 && (segment.startsWith(name) || name.startsWith(segment)))
}

function letters(text: string): string {
  return text.toLowerCase().replace(/[^\p{L}]/gu, '')
}

/** Endings of preprocessors' sheets, and the folders that are named for their languages. */
const SOURCES = ['scss', 'sass', 'less', 'styl']
const SOURCE_FOLDERS = ['scss', 'sass', 'less', 'styl', 'stylus']

/**
 * For each sheet that was made from another of the same site: the path of that one. A `.min.css` is made from the `.css` beside it, a
 * `.css` from the preprocessor's sheet of its name: beside it, in the sister folder that is named for the language, or in `src` where it
 * stands in a folder of what is built (common practice, no source).
 */
export function generatedFrom(paths: readonly string[]): Map<string, string> {
  const known = new Set(paths)
  const made = new Map<string, string>()
  for (const path of paths) {
    const source = sourcesOf(path).find((each) => known.has(each))
    if (source !== undefined) made.set(path, source)
  }
  return made
}

function sourcesOf(path: string): string[] {
  const minified = /^(.*)[.-]min\.css$/i.exec(path)?.[1]
  const base = minified ?? /^(.*)\.css$/i.exec(path)?.[1]
  if (base === undefined) return []
  const slash = base.lastIndexOf('/') + 1
  const [folder, name] = [base.slice(0, slash), base.slice(slash)]
  const around = folder.replace(/(^|\/)css\/$/i, '$1')
  const folders = [folder, ...SOURCE_FOLDERS.map((each) => `${around}${each}/`)]
  const unbuilt = folders.flatMap((each) => {
    const source = each.replace(/(^|\/)(?:dist|build|public)\//i, '$1src/')
    return source === each ? [] : [source]
  })
  const sources = [...folders, ...unbuilt].flatMap((each) => SOURCES.map((ending) => `${each}${name}.${ending}`))
  return minified === undefined ? sources : [`${base}.css`, ...sources]
}
