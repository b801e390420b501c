import { expect, it } from 'vitest'
import { claimsOf, generatedFrom, isNamedFor, thirdPartyPath } from './provenance.ts'

it.each([
  ['node_modules/x/a.css', 'vendor-folder'],
  ['theme/vendor/slider/a.css', 'vendor-folder'],
  ['assets/third-party/a.scss', 'vendor-folder'],
  ['css/app.css.map', 'source-map'],
  ['wp-content/plugins/slider/a.css', 'plugin'],
  ['wp-includes/css/a.css', 'platform'],
  ['css/vendor.css', null],
  ['css/plugins.css', null],
  ['vendored/a.css', null],
])('%s is third-party by its path: %s', (path, expected) => expect(thirdPartyPath(path)).toBe(expected))

const body = 'a{color:red}'.repeat(400)
const slider = '/*!\n * Slider v4.2.1 (invented)\n * Licensed under MIT\n */\n'
it.each<[string, string, string | null]>([
  ['minified with a banner', slider + body, 'Slider'],
  ['minified without a banner', body, null],
  ['a banner over written code', slider + 'a {\n  color: red;\n}\n'.repeat(200), null],
  ['a theme header', `/*\nTheme Name: Invented\n*/\n${body}`, null],
  ['the banners of several', `${slider}/*! Grid 2.0, MIT licence */${body}`, null],
])('%s claims to be a library: %s', (_, text, expected) => expect(claimsOf('a.css', text).library).toBe(expected))

it('a theme says its name and what it extends', () => {
  const sheet = '/*\n * Theme Name:  Harbour Child\n * Template:  harbour\n */'
  expect(claimsOf('themes/child/style.css', sheet)).toMatchObject({ siteName: 'Harbour Child', parentTheme: 'harbour' })
  expect(claimsOf('themes/child/other.css', sheet)).toMatchObject({ siteName: null, parentTheme: null })
  expect(claimsOf('style.css', 'a{} /* Template: x */')).toMatchObject({ parentTheme: null })
  expect(claimsOf('package.json', '{"name": "harbour"}').siteName).toBe('harbour')
})

it.each<[string, string, string[], boolean]>([
  ['css/slider.min.css', 'Slider', [], true],
  ['slider-4.2/css/all.min.css', 'Slider', [], true],
  ['js/slider.bundle.min.js', 'Slider', [], true],
  ['css/theme.min.css', 'Slider', [], false],
  ['css/style.min.css', 'Style', [], false],
  ['css/harbour.min.css', 'Some Studio - Harbour', [], false],
  ['css/harbour.min.css', 'Harbour', ['studio-harbour'], false],
])('%s is named for the library %s: %#', (path, library, names, expected) =>
  expect(isNamedFor(path, library, names)).toBe(expected),
)

it('links a sheet to the one that it was made from', () => {
  const paths = [
    'css/a.css',
    'css/a.min.css',
    'css/a.scss',
    'css/b.css',
    'scss/b.scss',
    'c.min.css',
    'x/css/d.css',
    'x/less/d.less',
    'css/e.css',
    'dist/css/f.css',
    'src/scss/f.scss',
    'style.css',
    'sass/style.scss',
  ]
  expect(Object.fromEntries(generatedFrom(paths))).toEqual({
    'css/a.css': 'css/a.scss',
    'css/a.min.css': 'css/a.css',
    'css/b.css': 'scss/b.scss',
    'x/css/d.css': 'x/less/d.less',
    'dist/css/f.css': 'src/scss/f.scss',
    'style.css': 'sass/style.scss',
  })
})
