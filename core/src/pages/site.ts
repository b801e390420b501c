import { append } from '../collect.ts'
import type { OpaqueKey } from '../color/color.ts'
import type { Classified, FileChoice } from '../source/classify.ts'
import type { Reading } from '../source/occurrence.ts'
import { generatedFrom, isNamedFor, type ThirdParty } from '../source/provenance.ts'
import { syntaxOf } from '../source/syntax.ts'
import { type LinkingFile, type LoadedFiles, listPages, type Page } from './pages.ts'

/** What is known of a file by itself. */
export type FileAbout = Omit<Classified, 'source'>

/** What of a file's reading its site must know. */
export interface FileOutline extends Pick<Reading, 'links' | 'roots' | 'isDocument'> {
  readonly places: number
  /** The distinct colors of these places. */
  readonly colors: readonly OpaqueKey[]
}

export function outlineOf({ links, roots, isDocument, occurrences }: Reading): FileOutline {
  const colors = [...new Set(occurrences.map(({ color }) => color))]
  return { links, roots, isDocument, places: occurrences.length, colors }
}

/** One file of a site, as it was read by itself. */
export interface SiteFileRead {
  readonly path: string
  readonly about: FileAbout
  readonly choice: FileChoice | null
  /** Of what it holds; null: not read. Asked for once at most. */
  outline(): FileOutline | null
}

/** A sheet that pages load and that is not read, so that nothing in it changes. */
export interface LeftOutSheet {
  readonly path: string
  /** Of the pages that load it. */
  readonly pages: readonly string[]
  /** Places that stand in it; null: nobody knows, it cannot be read. */
  readonly places: number | null
  /** The distinct colors of these places. */
  readonly colors: readonly OpaqueKey[]
}

/** Which page is made of what, and what of that is passed over. */
export interface SitePages extends LoadedFiles {
  readonly leftOut: readonly LeftOutSheet[]
}

/** All files of a site together. */
export interface Assembly {
  /** In the order given: what each is in the end. */
  readonly abouts: readonly FileAbout[]
  readonly pages: SitePages
}

/**
 * Puts the files of a site together: which are third-party code for this site, and which page is made of what. A published library is left out, the
 * sheets that the site itself has made are not, whatever banner stands in them: those made from a source of the site, those called as the
 * site is, and those of pages that load no other.
 */
export function assembleSite(files: readonly SiteFileRead[]): Assembly {
  const paths = files.map(({ path }) => path)
  const parents = files.flatMap(({ path, about: { claims, thirdParty } }) =>
    claims.parentTheme !== null && thirdParty === null ? [parentFolder(path, claims.parentTheme)] : [],
  )
  const siteNames = files.flatMap(({ about: { claims, thirdParty } }) =>
    claims.siteName !== null && thirdParty === null ? [claims.siteName] : [],
  )
  const made = generatedFrom(paths)
  const unread = new Map(files.map((file) => [file.path, file.about.skipped]))
  const isOwnSource = (path: string) => unread.get(path) === null && !isInParent(path)
  const isInParent = (path: string) => parents.some((folder) => path.startsWith(folder))

  const judged = files.map((file) => {
    const { path, about, choice } = file
    const { library } = about.claims
    const source = made.get(path)
    const named = library !== null && isNamedFor(path, library, siteNames)
    const isLibrary = named && !(source !== undefined && isOwnSource(source))
    const thirdParty: ThirdParty | null =
      about.thirdParty ?? (isInParent(path) ? 'parent-theme' : isLibrary ? 'library' : null)
    const isLeftOut = thirdParty !== null && about.skipped === null && choice === null
    return { ...file, about: { ...about, thirdParty, skipped: isLeftOut ? ('third-party' as const) : about.skipped } }
  })
  const outlines = new Map<string, FileOutline | null>()
  const outlineOf = (file: SiteFileRead) => {
    const known = outlines.get(file.path)
    const outline = known === undefined ? file.outline() : known
    outlines.set(file.path, outline)
    return outline
  }
  const read = (some: readonly SiteFileRead[]): LinkingFile[] =>
    some.flatMap((file) => {
      const outline = outlineOf(file)
      return outline ? [{ path: file.path, reading: outline }] : []
    })
  const kept = judged.filter(({ about }) => about.skipped === null)
  const first = listPages(read(kept), paths)

  // What a page loads beside libraries tells which of them are but libraries: where it loads nothing else, they are its own design.
  const isLibraryLeftOut = new Set(
    judged.flatMap(({ path, about }) =>
      about.skipped === 'third-party' && about.thirdParty === 'library' ? [path] : [],
    ),
  )
  const own = new Set(first.pages.flatMap((page) => onlySheets(page, isLibraryLeftOut)))
  const settled = judged.map((file) =>
    own.has(file.path) ? { ...file, about: { ...file.about, thirdParty: null, skipped: null } } : file,
  )
  const pages = own.size === 0 ? first : listPages(read(settled.filter(({ about }) => about.skipped === null)), paths)
  return {
    abouts: settled.map(({ about }) => about),
    pages: { ...pages, leftOut: leftOutOf(pages.pages, settled, outlineOf) },
  }
}

/** The libraries of a page that loads no other sheet of the site. */
function onlySheets({ sheets }: Page, isLibrary: ReadonlySet<string>): string[] {
  const loaded = sheets.flatMap(({ kind, file }) => (kind !== 'style' && file !== null ? [file] : []))
  return loaded.every((path) => isLibrary.has(path)) ? loaded : []
}

/** Where the theme stands that another extends: beside it. */
function parentFolder(sheet: string, parent: string): string {
  const folders = sheet.split('/').slice(0, -2)
  return [...folders, parent, ''].join('/')
}

function leftOutOf(
  pages: readonly Page[],
  files: readonly SiteFileRead[],
  outlineOf: (file: SiteFileRead) => FileOutline | null,
): LeftOutSheet[] {
  const loading = new Map<string, string[]>()
  for (const { path, sheets } of pages)
    for (const file of new Set(sheets.flatMap(({ kind, file }) => (kind === 'style' || file === null ? [] : [file]))))
      append(loading, file, path)
  return files.flatMap((file): LeftOutSheet[] => {
    const { path, about } = file
    const pages = loading.get(path)
    if (!pages || about.skipped === null || about.skipped === 'empty') return []
    const { places, colors } = (syntaxOf(path) === 'css' ? outlineOf(file) : null) ?? { places: null, colors: [] }
    return [{ path, pages, places, colors }]
  })
}
