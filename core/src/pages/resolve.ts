import { groupBy } from '../collect.ts'
import { addressOf, pathAt } from './address.ts'

/** Finds the files of a site that addresses and names mean. */
export interface AddressResolver {
  /** The file that an address means; null: another site's, or none of these files. @param base address that the page's addresses start from; null: its own */
  address(target: string, from: string, base: string | null): string | null
  /** The template that a partial's or layout's name means. */
  template(name: string, from: string): string | null
  /** The sheet that an import of a preprocessor means. */
  compiled(name: string, from: string): string | null
}

/** Any name will do: addresses are only compared. */
const ORIGIN = 'http://site.invalid/'

/** @param paths of all files of the site, from its root */
export function resolverOf(paths: readonly string[]): AddressResolver {
  const known = new Set(paths)
  const byName = groupBy(paths, nameOf)

  const address: AddressResolver['address'] = (target, from, base) => {
    const path = pathOf(target, from, base)
    if (path === null) return null
    const direct = servedPaths(path).find((each) => known.has(each))
    if (direct !== undefined) return direct
    // A copy may hold the site in a folder of its own: then its root is one of the folders around the page.
    const folders = from.split('/').slice(0, -1)
    for (let depth = 1; target.startsWith('/') && depth <= folders.length; depth++) {
      const deeper = servedPaths(`${folders.slice(0, depth).join('/')}/${path}`).find((each) => known.has(each))
      if (deeper !== undefined) return deeper
    }
    return null
  }

  /** The file of that name whose folders agree best with what is written, the one beside first; of several the first in the alphabet. */
  const byNameNear = (written: string, from: string, fits: (path: string) => boolean): string | null => {
    const wanted = written
      .replace(/^(?:\.{1,2}\/|\/)+/, '')
      .replace(/\.(?=[\w-]+$)/, (dot) => (/\.\w{1,6}$/.test(written) ? dot : '/'))
    const ending = stem(wanted)
    const folder = from.replace(/[^/]*$/, '')
    const candidates = (byName.get(nameOf(wanted)) ?? []).filter(
      (path) => fits(path) && path !== from && `/${stem(path)}`.endsWith(`/${ending}`),
    )
    return (
      candidates.toSorted(
        (a, b) =>
          Number(b.startsWith(folder)) - Number(a.startsWith(folder)) || a.length - b.length || (a < b ? -1 : 1),
      )[0] ?? null
    )
  }

  return {
    address,
    template(name, from) {
      const exact = address(name, from, null)
      if (exact !== null && exact !== from) return exact
      return byNameNear(
        name,
        from,
        (path) => !/\.(?:css|scss|sass|less|styl|m?js|ts|json|png|jpe?g|gif|svg|webp)$/i.test(path),
      )
    },
    compiled(name, from) {
      const folder = from.replace(/[^/]*$/, '')
      const ending = /\.\w+$/.exec(from)?.[0] ?? ''
      const direct = [name, `${name}${ending}`, `${name}/index${ending}`, `${name}/_index${ending}`]
      const partials = direct.map((each) => each.replace(/([^/]+)$/, '_$1'))
      for (const each of [...direct, ...partials]) {
        const found = address(each, `${folder}x`, null)
        if (found !== null && found !== from) return found
      }
      return byNameNear(name, from, (path) => /\.(?:css|scss|sass|less|styl)$/i.test(path))
    },
  }
}

/** The files that a path can mean, the first first: the file itself, the index of a folder, or the page without its ending, as web servers do. */
export function servedPaths(path: string): string[] {
  const folder = path === '' || path.endsWith('/') ? path : `${path}/`
  return [path, `${folder}index.html`, `${folder}index.htm`, `${path}.html`].filter((each) => /[^/]$/.test(each))
}

function pathOf(target: string, from: string, base: string | null): string | null {
  try {
    const start = new URL(base ?? '', ORIGIN + addressOf(from).slice(1))
    const url = new URL(target.replace(/\\/g, '/'), start)
    return `${url.origin}/` === ORIGIN ? pathAt(url.pathname) : null
  } catch {
    return null
  }
}

/** A path without its endings and without the `_` of partials. */
function stem(path: string): string {
  return path
    .replace(/(?:\.[a-z]\w{0,9}){1,2}$/i, '')
    .replace(/(^|\/)_(?=[^/]*$)/, '$1')
    .toLowerCase()
}

function nameOf(path: string): string {
  return stem(path).replace(/^.*\//, '')
}
