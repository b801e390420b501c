import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { expect, it } from 'vitest'
import { authorKey, type NamedTheme, rolesForUse } from '../src/author-key.ts'
import { namelessSheet, type SourceFile, suggestedPlaces } from '../src/suggested.ts'

/**
 * Suggestions held against published themes: what an author called a color is what it was made for. Once their compiled sheets are read, in which no
 * variable's name is left, and once the sources in which those names stand.
 */

const THEMES: readonly (NamedTheme & { readonly sheet: string; readonly folder: string })[] = [
  { package: 'bootstrap-3', sheet: 'dist/css/bootstrap.css', folder: 'less', sources: ['less/variables.less'] },
  ...['flatly', 'united', 'darkly'].map((name) => ({
    package: 'bootswatch',
    sheet: `dist/${name}/bootstrap.css`,
    folder: `dist/${name}`,
    sources: [`dist/${name}/_variables.scss`],
  })),
  { package: 'spectre.css', sheet: 'dist/spectre.css', folder: 'src', sources: ['src/_variables.scss'] },
  {
    package: 'uikit',
    sheet: 'dist/css/uikit.css',
    folder: 'src/less/components',
    sources: ['src/less/components/variables.less'],
  },
  { package: 'picnic', sheet: 'picnic.min.css', folder: 'src', sources: ['src/themes/default/_colors.scss'] },
  {
    package: 'understrap',
    sheet: 'css/theme.css',
    folder: 'src/sass',
    sources: ['assets/bootstrap4/_functions', 'theme/_theme_variables', 'assets/bootstrap4/_variables'].map(
      (name) => `src/sass/${name}.scss`,
    ),
  },
  {
    package: 'paper-kit-2',
    sheet: 'assets/css/paper-kit.css',
    folder: 'assets/sass',
    sources: ['assets/sass/paper-kit/_variables.scss'],
  },
  {
    package: 'now-ui-kit',
    sheet: 'assets/css/now-ui-kit.css',
    folder: 'assets/scss',
    sources: ['assets/scss/now-ui-kit/_variables.scss'],
  },
  {
    package: 'black-dashboard',
    sheet: 'assets/css/black-dashboard.css',
    folder: 'assets/scss',
    sources: ['assets/scss/black-dashboard/_variables.scss'],
  },
  { package: 'papercss', sheet: 'dist/paper.css', folder: 'src', sources: ['src/core/_config.scss'] },
]

const require = createRequire(import.meta.url)

/** From which sureness a suggestion is called so on the screen, and how often it must be right then. */
const BANDS = [
  { name: 'sure', from: 0.8, below: Infinity, right: 0.98 },
  { name: 'likely', from: 0.6, below: 0.8, right: 0.9 },
  { name: 'possible', from: 0, below: 0.6, right: 0.75 },
]

function sourcesOf({ package: name, folder }: (typeof THEMES)[number]): SourceFile[] {
  const root = join(dirname(require.resolve(`${name}/package.json`)), folder)
  return readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((path) => /\.(?:scss|less|sass)$/.test(path))
    .toSorted()
    .map((path) => ({ path, text: readFileSync(join(root, path), 'utf8') }))
}

const sheetOf = (theme: (typeof THEMES)[number]): SourceFile[] => [
  { path: 'theme.css', text: namelessSheet(`${theme.package}/${theme.sheet}`) },
]

it.each([
  { read: 'the names of variables taken out', coverage: 0.5, files: sheetOf },
  { read: 'the sources with their names', coverage: 0.7, files: sourcesOf },
])('what is suggested agrees with the authors: $read', async ({ read, coverage, files }) => {
  const told = await Promise.all(
    THEMES.map(async (theme) => {
      const key = await authorKey(theme)
      return suggestedPlaces(files(theme)).flatMap(({ place, role, suggestion }) => {
        const roles = rolesForUse(key.get(place.color) ?? new Set(), place.use)
        return roles.size > 0
          ? [{ sureness: suggestion?.sureness ?? null, isRight: role !== null && roles.has(role) }]
          : []
      })
    }),
  )
  const all = told.flat()
  const suggested = all.flatMap(({ sureness, isRight }) => (sureness === null ? [] : [{ sureness, isRight }]))
  const bands = BANDS.map((band) => {
    const some = suggested.filter(({ sureness }) => sureness >= band.from && sureness < band.below)
    return { ...band, places: some.length, share: some.filter(({ isRight }) => isRight).length / some.length }
  })
  const percent = (share: number) => `${(100 * share).toFixed(1)} %`
  process.stdout.write(
    `${read}: ${THEMES.length} themes, ${all.length} places in their keys, suggested for ${percent(suggested.length / all.length)}; right: ${bands.map(({ name, places, share }) => `${name} ${percent(share)} of ${places}`).join(', ')}\n`,
  )
  expect(Math.min(...told.map(({ length }) => length))).toBeGreaterThan(5)
  expect(suggested.length / all.length).toBeGreaterThanOrEqual(coverage)
  for (const { name, places, share, right } of bands) {
    expect(places, name).toBeGreaterThan(50)
    expect(share, name).toBeGreaterThanOrEqual(right)
  }
})
