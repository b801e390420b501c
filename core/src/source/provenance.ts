/** Why a file is taken for code that others wrote and keep up: changing it here is lost with its next version. */
export type ThirdParty = 'vendor-folder' | 'source-map' | 'library'

/** Folders that tools put other people's code into (common practice, no source). */
const VENDOR_FOLDERS = /(?:^|\/)(?:node_modules|bower_components|jspm_packages|web_modules|vendors?|third[-_]?party)\//i

/** A licence comment that a minifier keeps, naming a version: the sign of a published library (common practice, no source). */
const BANNER =
  /^\s*(?:@charset "[^"]*";\s*)?\/\*[\s\S]{0,400}?\bv?\d+\.\d+(?:\.\d+)?\b[\s\S]{0,600}?\b(?:licen[sc]ed?|copyright|mit|bsd|apache)\b/i

/** Characters to a line above which a text is taken as minified. */
const MINIFIED_LINE = 500

/** Whether a path alone tells that a file is third-party code. */
export function thirdPartyPath(path: string): ThirdParty | null {
  if (VENDOR_FOLDERS.test(path)) return 'vendor-folder'
  return /\.map$/i.test(path) ? 'source-map' : null
}

/** Whether a text is a published library as it is delivered: minified, with the banner of its version and licence. */
export function isLibrary(text: string): boolean {
  const head = text.slice(0, 1000)
  return (
    BANNER.test(head) && text.length / (text.split('\n', text.length / MINIFIED_LINE + 2).length || 1) > MINIFIED_LINE
  )
}

const SOURCES = ['scss', 'sass', 'less', 'styl']

/**
 * For each sheet that was made from another of the same site: the path of that one. A `.min.css` is made from the `.css` beside it, a
 * `.css` from the preprocessor's sheet of its name, beside it or in the sister folder that is named for the language.
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
  const beside = SOURCES.map((ending) => `${base}.${ending}`)
  const sisters = SOURCES.flatMap((ending) =>
    [ending, ending === 'styl' ? 'stylus' : ending].map((folder) => {
      const at = base.search(/(?:^|\/)css\//i)
      if (at < 0) return ''
      const from = base[at] === '/' ? at + 1 : at
      return `${base.slice(0, from)}${folder}${base.slice(from + 3)}.${ending}`
    }),
  )
  return [...(minified === undefined ? [] : [`${base}.css`]), ...beside, ...sisters]
}
