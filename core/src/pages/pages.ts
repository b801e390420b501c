import { countBy } from '../collect.ts'
import type { Reading } from '../source/occurrence.ts'
import { generatedFrom } from '../source/provenance.ts'
import type { SourceLink } from '../source/source-link.ts'
import { syntaxOf } from '../source/syntax.ts'
import { type AddressResolver, resolverOf } from './resolve.ts'

/** One sheet that a page loads, or would load. */
export interface PageSheet {
  readonly kind: 'link' | 'import' | 'style'
  /** Its path, that of the page or partial for a style element; null: another site's, or none of the files. */
  readonly file: string | null
  /** As written; empty for a style element. */
  readonly target: string
  /** The file in which it is named, and where. */
  readonly namedIn: string
  readonly line: number
  /** Media queries that all must hold, from the outermost link in. */
  readonly media: readonly string[]
  /** `lt IE 9`: of a conditional comment around; `noscript`; `template`: not before a script takes it; null: none. */
  readonly condition: string | null
  readonly applies: SourceLink['applies']
}

/** A page of the site, as far as its files tell it. */
export interface Page {
  readonly path: string
  /** In the order in which the cascade takes them: an imported one before the one that imports it. */
  readonly sheets: readonly PageSheet[]
  /** The templates that it is put together from, itself left out: the one around first, each once. */
  readonly parts: readonly string[]
  readonly scripts: readonly string[]
  /** Every file that it reaches, itself included, sorted. */
  readonly files: readonly string[]
  /** A compound selector of its root element or its body that no other page has; null: there is none. */
  readonly hook: string | null
  /** Whether its document stands in the file itself, so that it can be shown as it is; else a layout that only the site's own engine puts around it has it. */
  readonly isDocument: boolean
}

/** A file that no page reaches. */
export interface UnusedFile {
  readonly path: string
  /** Files that name it all the same, sorted. */
  readonly namedBy: readonly string[]
}

/** Which page is made of what. */
export interface LoadedFiles {
  readonly pages: readonly Page[]
  readonly unused: readonly UnusedFile[]
}

/** What of a file tells which page is made of what. */
export interface LinkingFile {
  readonly path: string
  readonly reading: Pick<Reading, 'links' | 'roots' | 'isDocument'>
}

/** Folders and names of what is put into pages (common practice, no source). */
const PARTS = /(?:^|\/)_|(?:^|\/)(?:partials?|includes?|layouts?|snippets|sections|components)\//i

/** More sheets of one page than are told: imports that import each other twice would have no end. */
const MOST_SHEETS = 2000
const DEEPEST = 50
/** Files told of all pages together; beyond, a page tells only itself. */
const MOST_FILES = 1_000_000

/**
 * The pages of a site: what each loads in which order, which templates stand in which, and what no page reaches.
 * @param files what was read @param paths of all files, read or not
 */
export function listPages(files: readonly LinkingFile[], paths: readonly string[]): LoadedFiles {
  const resolve = resolverOf(paths)
  const readings = new Map(files.map(({ path, reading }) => [path, reading]))
  const linksIn = (path: string): readonly SourceLink[] => readings.get(path)?.links ?? []
  const sources = generatedFrom(paths)
  const inside = new Set<string>()
  const targets = new Map<SourceLink, string | null>()
  const named = new Map<string, Set<string>>()
  for (const { path, reading } of files) {
    let base: string | null = null
    for (const link of reading.links) {
      if (link.kind === 'base') base ??= link.target
      const target = targetOf(link, path, base, resolve)
      targets.set(link, target)
      if (target === null || target === path) continue
      if (link.kind === 'partial' || link.kind === 'layout') inside.add(target)
      named.set(target, (named.get(target) ?? new Set()).add(path))
    }
  }

  /** In a folder of any name: what tells a page is the document. A piece of HTML without one is a page where nothing says that it is a part. */
  const isPage = (path: string) => {
    const syntax = syntaxOf(path)
    if ((syntax !== 'html' && syntax !== 'template') || inside.has(path)) return false
    if (partsOf(path).some((part) => readings.get(part)?.isDocument)) return true
    return syntax === 'html' && !PARTS.test(path)
  }

  const isWhole = (path: string) => syntaxOf(path) === 'html' || readings.get(path)?.isDocument === true

  /** A template with what is around it and in it, itself included. */
  const partsOf = (path: string): string[] => {
    const parts = new Set<string>()
    const pending = [path]
    for (let part = pending.pop(); part !== undefined; part = pending.pop()) {
      if (parts.has(part)) continue
      parts.add(part)
      for (const link of linksIn(part)) {
        const target = link.kind === 'partial' || link.kind === 'layout' ? targets.get(link) : null
        if (target) pending.push(target)
      }
    }
    return [...parts]
  }

  const pageOf = (path: string): Page => {
    const sheets: PageSheet[] = []
    const parts = new Set<string>()
    const scripts = new Set<string>()
    const put = (
      link: SourceLink,
      namedIn: string,
      file: string | null,
      kind: PageSheet['kind'],
      media: readonly string[],
    ) => {
      const { target, line, condition, applies } = link
      if (sheets.length < MOST_SHEETS) sheets.push({ kind, file, target, namedIn, line, media, condition, applies })
    }
    /** What a sheet imports stands before the sheet. */
    const imports = (
      links: readonly SourceLink[],
      namedIn: string,
      media: readonly string[],
      outer: PageSheet['condition'],
      around: readonly string[],
    ) => {
      for (const link of links) {
        if (link.kind !== 'import' || sheets.length >= MOST_SHEETS) continue
        const file = targets.get(link) ?? null
        const inner = link.media === null ? media : [...media, link.media]
        // A sheet that is being imported already loads nothing a second time around.
        if (file !== null && around.includes(file)) continue
        if (file !== null && around.length < DEEPEST) imports(linksIn(file), file, inner, outer, [...around, file])
        put({ ...link, condition: outer }, namedIn, file, 'import', inner)
      }
    }
    const walk = (template: string, depth: number) => {
      const links = linksIn(template)
      const layout = links.find((link) => link.kind === 'layout' && targets.get(link))
      const outer = layout ? targets.get(layout) : null
      if (outer && depth < DEEPEST && !parts.has(outer) && outer !== path) {
        parts.add(outer)
        walk(outer, depth + 1)
      }
      for (const link of links) {
        if (sheets.length >= MOST_SHEETS) return
        const target = targets.get(link) ?? null
        const media = link.media === null ? [] : [link.media]
        switch (link.kind) {
          case 'sheet':
            if (target !== null) imports(linksIn(target), target, media, link.condition, [target])
            put(link, template, target, 'link', media)
            break
          case 'style':
            imports(
              links.filter(({ range }) => range.start >= link.range.start && range.end <= link.range.end),
              template,
              media,
              link.condition,
              [],
            )
            put(link, template, template, 'style', media)
            break
          case 'script':
            if (target !== null) scripts.add(target)
            break
          case 'partial':
            if (target === null || target === path || parts.has(target) || depth >= DEEPEST) break
            parts.add(target)
            walk(target, depth + 1)
            break
        }
      }
    }
    walk(path, 0)
    return {
      path,
      sheets,
      parts: [...parts],
      scripts: [...scripts],
      files: filesOf(path),
      hook: null,
      isDocument: isWhole(path),
    }
  }

  const pagePaths = paths.filter((path) => readings.has(path) && isPage(path))
  const isRoot = new Set(pagePaths)

  /** Everything that pages load or name, through whatever that names; other pages are only led to. */
  const reachedFrom = (from: readonly string[]): Set<string> => {
    const reached = new Set(from)
    for (const path of reached) {
      for (const link of linksIn(path)) {
        const target = targets.get(link)
        if (target && !isRoot.has(target)) reached.add(target)
      }
      const source = sources.get(path)
      if (source !== undefined) reached.add(source)
    }
    return reached
  }
  let told = 0
  const filesOf = (page: string): string[] => {
    const files = told < MOST_FILES ? [...reachedFrom([page])].sort() : [page]
    told += files.length
    return files
  }

  const pages = withHooks(pagePaths.map(pageOf), (path) => readings.get(path)?.roots ?? [])
  const reached = reachedFrom(pagePaths)
  const unused = paths
    .filter((path) => !reached.has(path))
    .map((path) => ({ path, namedBy: [...(named.get(path) ?? [])].sort() }))
  return { pages, unused }
}

/** The pages, each with what its root has and no other's. */
function withHooks(pages: readonly Page[], rootsIn: (path: string) => readonly string[]): Page[] {
  const roots = pages.map(({ path, parts }) => new Set([path, ...parts].flatMap(rootsIn)))
  const times = countBy(
    roots.flatMap((each) => [...each]),
    (root) => root,
  )
  return pages.map((page, i) => ({
    ...page,
    hook: [...(roots[i] ?? [])].toSorted(byBody).find((root) => times.get(root) === 1) ?? null,
  }))
}

/** What the body has comes first: the root is at times marked by scripts. */
function byBody(a: string, b: string): number {
  return Number(a.startsWith('html')) - Number(b.startsWith('html'))
}

function targetOf(link: SourceLink, from: string, base: string | null, resolve: AddressResolver): string | null {
  switch (link.kind) {
    case 'style':
    case 'base':
      return null
    case 'partial':
    case 'layout':
      return resolve.template(link.target, from)
    case 'compiled':
      return resolve.compiled(link.target, from)
    default: {
      const target = resolve.address(link.target, from, base)
      // A script's addresses start from the page that loads it; at the root it often is.
      return target ?? (syntaxOf(from) === 'script' ? resolve.address(link.target, '', null) : null)
    }
  }
}
