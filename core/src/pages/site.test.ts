import { describe, expect, it } from 'vitest'
import { classify, type FileChoice } from '../source/classify.ts'
import { readSource } from '../source/read.ts'
import { assembleSite, outlineOf } from './site.ts'

/** A site of some texts, put together as the server and the command line do. */
function site(files: Record<string, string>, choices: Record<string, FileChoice> = {}) {
  return assembleSite(
    Object.entries(files).map(([path, text]) => {
      const choice = choices[path] ?? null
      const { source, ...about } = classify(path, new TextEncoder().encode(text), 1e6, choice)
      return { path, about, choice, outline: () => source && outlineOf(readSource(source)) }
    }),
  )
}

const told = (files: Record<string, string>, choices?: Record<string, FileChoice>) => {
  const { abouts, pages } = site(files, choices)
  return {
    leftOut: Object.keys(files).flatMap((path, i) => {
      const { thirdParty, skipped } = abouts[i] as (typeof abouts)[number]
      return skipped === null ? [] : [`${path}: ${thirdParty ?? skipped}`]
    }),
    loaded: pages.leftOut.map(({ path, pages, places, colors }) => [path, pages.length, places, colors.join()]),
  }
}

const rules = 'a{color:#7a2433}'.repeat(300)
const banner = (title: string) => `/*!\n * ${title} v4.1.4\n * Licensed under MIT\n */`
const page = (...sheets: string[]) =>
  `<!doctype html><html><head>${sheets.map((each) => `<link rel=stylesheet href="${each}">`).join('')}</head><body></body></html>`

describe('which files of a site are left out', () => {
  it("a theme's own minified sheet is read, whatever banners stand in it", () => {
    const sheet = banner('Studio - Harbour Admin') + banner('Grid') + rules
    expect(told({ 'index.html': page('css/harbour.min.css'), 'css/harbour.min.css': sheet })).toEqual({
      leftOut: [],
      loaded: [],
    })
    // Named as its own banner, but made from a source that is here; or called as the package is.
    const own = banner('Harbour') + rules
    const two = {
      'index.html': page('css/harbour.min.css', 'css/x.css'),
      'css/x.css': 'b{}',
      'css/harbour.min.css': own,
    }
    expect(told({ ...two, 'scss/harbour.scss': 'a{}' }).leftOut).toEqual([])
    expect(told({ ...two, 'package.json': '{"name":"studio-harbour"}' }).leftOut).toEqual([])
    expect(told(two).leftOut).toEqual(['css/harbour.min.css: library'])
  })

  it('a library is the design of pages that load nothing else', () => {
    const lib = { 'css/grid.min.css': banner('Grid') + rules }
    expect(told({ ...lib, 'index.html': page('css/grid.min.css') }).leftOut).toEqual([])
    expect(
      told({ ...lib, 'index.html': page('css/grid.min.css', 'css/own.css'), 'css/own.css': 'b{color:red}' }),
    ).toEqual({
      leftOut: ['css/grid.min.css: library'],
      loaded: [['css/grid.min.css', 1, 300, '#7a2433']],
    })
  })

  it('the theme that this one extends, plugins and the publishing system are', () => {
    const files = {
      'wp-content/themes/child/style.css': '/*\nTheme Name: Child\nTemplate: harbour\n*/ a{color:red}',
      'wp-content/themes/harbour/style.css': '/*\nTheme Name: Harbour\n*/ a{color:red}',
      'wp-content/plugins/slider/slider.css': 'a{color:red}',
      'wp-includes/css/a.css': 'a{color:red}',
    }
    expect(told(files).leftOut).toEqual([
      'wp-content/themes/harbour/style.css: parent-theme',
      'wp-content/plugins/slider/slider.css: plugin',
      'wp-includes/css/a.css: platform',
    ])
  })

  it('a sheet that pages load and that is passed over is told, with what stands in it', () => {
    const files = {
      'a.html': page('vendor/x.css', 'own.css'),
      'b.html': page('own.css', 'vendor/x.css', 'vendor/x.css'),
      'own.css': '@import "vendor/y.css"; a{color:red}',
      'vendor/x.css': 'a{color:red;background:#fff} b{color:red}',
      'vendor/y.css': 'a{color:blue}',
      'vendor/z.css': 'a{color:red}',
    }
    expect(told(files).loaded).toEqual([
      ['vendor/x.css', 2, 3, '#ff0000,#ffffff'],
      ['vendor/y.css', 2, 1, '#0000ff'],
    ])
    expect(told(files, { 'vendor/x.css': 'take-in', 'own.css': 'set-aside' }).loaded).toEqual([
      ['own.css', 2, 1, '#ff0000'],
    ])
  })
})
